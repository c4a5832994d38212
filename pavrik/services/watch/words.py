"""What a coach says to a clip: findings confirmed or dismissed, written into the log, shown to the
lifter, the clip taken back."""

from dataclasses import replace
from datetime import UTC, datetime, time
from uuid import UUID, uuid5

import numpy as np

from pavrik.core.competition_lifts import LIFTS
from pavrik.core.log.repeatability import REP_SPEED
from pavrik.core.units import told_kg
from pavrik.errors import InvalidError
from pavrik.formats.clip_words import in_rep
from pavrik.formats.wire.log import SetRef
from pavrik.formats.wire.watch import ClipReading, ClipRef, FindingOut
from pavrik.formats.wire.watch_requests import ClipLogRequest, ClipWordRequest
from pavrik.services.context import Who
from pavrik.services.training import log
from pavrik.services.watch.clips import THE_CUE, THE_SET, line_of, reading_in, stored_clip
from pavrik.services.watch.films import check_sender
from pavrik.services.watch.reading import best_speed_m_s
from pavrik.services.writes import write_once
from pavrik.store import clips as store
from pavrik.store.database import Connection, Database
from pavrik.store.training import (
    Observation,
    StoredSet,
    known_ids,
    measures_of,
    observations_of,
    standing_version,
)
from pavrik.words import say

SEVERITY = {"slight": 1, "fails": 2}
SAME_KG = 0.5
"""A set and a film of it are of one load, rounding apart."""
FROM_FILM = "film: "
"""How the note of an observation begins that a film wrote."""
OF_CLIP = ("shown", "hidden", "withdrawn")


def say_word(
    database: Database, who: Who, key: UUID, lifter_id: UUID, clip_id: UUID,
    request: ClipWordRequest,
) -> ClipRef:  # fmt: skip
    """Record a word. Raises NotFoundError, InvalidError for a subject that the clip has not."""

    def action(connection: Connection) -> ClipRef:
        reading = reading_in(connection, lifter_id, clip_id)
        known = _subjects(reading, request.word)
        if request.subject not in known:
            raise InvalidError(
                say(
                    "watch.clip_no_finding_could",
                    subject=request.subject,
                    word=request.word,
                    known=", ".join(sorted(known)) or "none",
                ),
                "subject",
            )
        word = store.ClipWord(request.subject, request.word, request.words)
        store.say(connection, who.club_id, who.coach_id, clip_id, request.word_id, word)
        return ClipRef(clip_id=clip_id)

    asked = {"lifter": str(lifter_id), "clip": str(clip_id), **request.model_dump(mode="json")}
    return write_once(
        database, who, key, "word to clip", asked, ClipRef, action, subject=str(lifter_id)
    )


def _subjects(reading: ClipReading, word: str) -> set[str]:
    """What a word may be said of."""
    if word in OF_CLIP:
        return {"clip"}
    if word == "said":
        return {THE_SET, THE_CUE, *(line_of(row.phase) for row in reading.phases)}
    return {one.detector for one in reading.findings}


def write_into_log(
    database: Database, who: Who, key: UUID, lifter_id: UUID, clip_id: UUID,
    request: ClipLogRequest,
) -> SetRef:  # fmt: skip
    """What was confirmed becomes observations of a set, with the time in the film: of a set that
    was logged, amended, or of a new one. A clip is one set: logged again, its set is amended, and
    what the film said in it before gives way. Raises NotFoundError, InvalidError."""
    check_sender(database, who, lifter_id)
    with database.reading(who.club_id) as connection:
        reading = reading_in(connection, lifter_id, clip_id)
        if known_ids(connection, [request.set_id]):
            return SetRef(set_id=request.set_id)
        logged, seen, measures = _as_logged(connection, reading, lifter_id, request)
    answer = log.log_set(database, who, log.QueuedSet(key, logged, seen, measures))
    with database.club(who.club_id) as connection:
        stored_clip(connection, lifter_id, clip_id)
        word = store.ClipWord("log", "logged", str(answer.set_id))
        word_id = uuid5(clip_id, f"log {answer.set_id}")
        if store.words_of(connection, clip_id).get("log") != word:
            store.say(connection, who.club_id, who.coach_id, clip_id, word_id, word)
    return answer


def _as_logged(
    connection: Connection, reading: ClipReading, lifter_id: UUID, request: ClipLogRequest
) -> tuple[StoredSet, list[Observation], dict[str, float]]:
    confirmed = [one for one in reading.findings if one.word == "confirmed"]
    if not reading.reps:
        raise InvalidError(say("watch.no_whole_rep_filmed"))
    before: list[Observation] = []
    measures: dict[str, float] = {}
    replaced = request.replaces or _logged_before(connection, reading.clip_id)
    if replaced is not None:
        old, before, measures = _standing(connection, lifter_id, replaced)
        _check_same(reading, old)
        rpe = old.rpe if request.rpe is None else request.rpe
        logged = replace(old, set_id=request.set_id, replaces=old.set_id, rpe=rpe)
    else:
        logged = _new_set(reading, lifter_id, request)
    known = {(o.rep, o.fault_id) for o in before}
    before = [
        replace(o, observation_id=uuid5(logged.set_id, str(o.observation_id))) for o in before
    ]
    seen = {(o.rep, o.fault_id): o for one in confirmed
            for o in _observations(one, reading, logged)}  # fmt: skip
    new = [o for named, o in seen.items() if named not in known]
    return logged, before + new, {**measures, **_measures(reading)}


def _logged_before(connection: Connection, clip_id: UUID) -> UUID | None:
    """The set that this clip became, as long as it stands."""
    told = store.words_of(connection, clip_id).get("log")
    standing = standing_version(connection, UUID(told.words)) if told else None
    return standing.set_id if standing and not standing.withdrawn else None


def _standing(
    connection: Connection, lifter_id: UUID, set_id: UUID
) -> tuple[StoredSet, list[Observation], dict[str, float]]:
    old = standing_version(connection, set_id)
    if old is None or old.lifter_id != lifter_id:
        raise InvalidError(say("watch.set_not_lifters"), "replaces")
    if old.withdrawn:
        raise InvalidError(say("watch.set_taken_back_choose"), "replaces")
    everything = observations_of(connection, [old.set_id])[old.set_id]
    seen = [o for o in everything if not o.note.startswith(FROM_FILM)]
    measured = dict(measures_of(connection, [old.set_id]).get(old.set_id, ()))
    return old, seen, measured


def _check_same(reading: ClipReading, old: StoredSet) -> None:
    """Raises InvalidError where a set cannot be the one on film."""
    if abs(old.load_kg - reading.load_kg) > SAME_KG:
        raise InvalidError(
            say(
                "watch.film_set_choose_set",
                film=told_kg(reading.load_kg),
                logged=told_kg(old.load_kg),
            ),
            "replaces",
        )
    if (all_reps := old.reps + old.missed_reps) < len(reading.reps):
        raise InvalidError(
            say("watch.film_shows_reps_set", reps=len(reading.reps), all_reps=all_reps),
            "replaces",
        )


def _new_set(reading: ClipReading, lifter_id: UUID, request: ClipLogRequest) -> StoredSet:
    at = datetime.combine(reading.filmed_on, time(12), UTC)
    return StoredSet(
        set_id=request.set_id,
        lifter_id=lifter_id,
        replaces=None,
        lift=reading.lift,
        variation="competition",
        load_kg=reading.load_kg,
        reps=len(reading.reps),
        missed_reps=0,
        rpe=request.rpe,
        aimed_rpe=None,
        pull_style=None,
        schools={},
        note=say("watch.from_film"),
        performed_at=min(at, datetime.now(UTC)),
    )


def _observations(one: FindingOut, reading: ClipReading, logged: StoredSet) -> list[Observation]:
    """One for every rep in which it was told; of its worst rep where none reached the threshold."""
    by_number = {rep.number: rep for rep in reading.reps}
    return [
        Observation(
            observation_id=uuid5(logged.set_id, f"{one.detector} {number}"),
            rep=number,
            fault_id=one.fault_id,
            phase=one.phase,
            severity=SEVERITY.get(one.state, 1),
            side=one.side,
            film_s=round(by_number[number].turn_s, 2),
            note=f"{FROM_FILM}{in_rep(one, number)}",
        )
        for number in one.reps or [_worst(one)]
    ]


def _worst(one: FindingOut) -> int:
    values = np.array([np.nan if v is None else v for v in one.by_rep])
    return 1 + int(np.nanargmin(values) if one.below else np.nanargmax(values))


def _measures(reading: ClipReading) -> dict[str, float]:
    """What is measured of the set: its fastest rep's speed, and of a pull the hips' height where
    the plates leave."""
    speed = best_speed_m_s(reading.reps)
    found = {} if speed is None else {REP_SPEED: round(speed, 3)}
    first = reading.phases[0].instant if reading.phases else None
    if LIFTS[reading.lift].carried != "hands" or first is None:
        return found
    start = first.hip_z_m
    return {**found, "start_hip_m": round(start, 3)} if 0.1 <= start <= 1.2 else found
