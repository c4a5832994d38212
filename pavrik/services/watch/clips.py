"""Clips: what was tracked or tapped, read and kept."""

from collections import defaultdict
from collections.abc import Callable, Sequence
from dataclasses import asdict
from datetime import date
from typing import Any
from uuid import UUID

import numpy as np

from pavrik.core import MODEL_VERSION
from pavrik.core.competition_lifts import LIFTS
from pavrik.core.lifts.lift import Carried
from pavrik.core.log.load_velocity import TOGETHER_DAYS
from pavrik.core.log.repeatability import LIGHT_SHARE
from pavrik.core.tracking.clip import JOINTS, Clip
from pavrik.core.tracking.depth import TAPPED_UNSURE_M
from pavrik.core.tracking.depth import told as depth_told
from pavrik.core.tracking.head_on import PLACES, HeadOnClip
from pavrik.core.tracking.linkage import SideLinkage
from pavrik.errors import InvalidError, NotFoundError
from pavrik.film.camera.head_on import side_faults_of
from pavrik.film.camera.motion import faults_of
from pavrik.formats.motion_files import MARKERS, Motion
from pavrik.formats.review_pdf import write_review_pdf
from pavrik.formats.stored_json import JSON_VERSION, current
from pavrik.formats.wire.watch import (
    ClipLine,
    ClipReading,
    ClipRef,
    ClipsAnswer,
    ClipSummary,
    FaultChoice,
    RepOut,
    Way,
)
from pavrik.formats.wire.watch_requests import (
    ClipFacts,
    ClipView,
    TapsIn,
)
from pavrik.services.afar.sent import film_of_clip
from pavrik.services.club.library import catalogue_of
from pavrik.services.context import Who
from pavrik.services.lifters.profile import get_profile
from pavrik.services.watch.films import check_sender
from pavrik.services.watch.head_on_reading import read_head_on
from pavrik.services.watch.lifting import read_lifting
from pavrik.services.watch.reading import Advice, Earlier, best_speed_m_s, read_clip
from pavrik.services.watch.taps import taps_of
from pavrik.services.writes import compute_and_write
from pavrik.store import accounts
from pavrik.store import clips as store
from pavrik.store.database import Connection, Database
from pavrik.store.library import list_cause_tests
from pavrik.words import say

AnyClip = Clip | HeadOnClip
MakeClip = Callable[[SideLinkage], AnyClip]
"""The clip of a lifter with a linkage: tracked already, or made from places in metres."""
READERS: dict[ClipView, Callable[..., ClipReading]] = {
    "side": read_clip, "front": read_head_on, "rear": read_head_on,
}  # fmt: skip
FILMING = [
    say("watch.phone_knee_height_level"),
    say("watch.exactly_beside_lifter_4"),
    say("watch.near_side_light_tight"),
    say("watch.n_60_pictures_second_light"),
    say("watch.knees_film_from_exactly"),
]


def keep_clip(
    database: Database, who: Who, lifter_id: UUID, facts: ClipFacts, way: Way, clip: AnyClip,
    digest: str = "",
) -> None:  # fmt: skip
    """Read a clip and keep what it says. Raises NotFoundError, InvalidError."""
    kept = _read_tracked(database, who, lifter_id, facts, way, lambda _: clip, digest)
    with database.club(who.club_id) as connection:
        store.add_clip(connection, who.club_id, who.coach_id, kept)


def keep_once(
    database: Database, who: Who, key: UUID, lifter_id: UUID, facts: ClipFacts, way: Way,
    make: MakeClip, asked: dict[str, Any],
) -> ClipRef:  # fmt: skip
    """The same for what comes with its request and is kept once, however often it is sent."""
    check_sender(database, who, lifter_id)

    def compute() -> store.NewClip:
        return _read_tracked(database, who, lifter_id, facts, way, make)

    def action(connection: Connection, kept: store.NewClip) -> ClipRef:
        store.add_clip(connection, who.club_id, who.coach_id, kept)
        return ClipRef(clip_id=facts.clip_id)

    return compute_and_write(
        database,
        who,
        key,
        f"read {way}",
        asked,
        ClipRef,
        compute,
        action,
        subject=str(lifter_id),
    )


def _read_tracked(
    database: Database, who: Who, lifter_id: UUID, request: ClipFacts, way: Way, make: MakeClip,
    digest: str = "",
) -> store.NewClip:  # fmt: skip
    """A clip read against the lifter's facts, ready to be kept."""
    with database.reading(who.club_id) as connection:
        facts = read_lifting(connection, lifter_id, request.lift, request.filmed_on, request.style)
        before = _summaries(connection, lifter_id, request.lift)
        tests = list_cause_tests(connection, lifter_id)
        advice = Advice(catalogue_of(connection), tests, facts.inputs.profile.novice)
    lifting = facts.at_load(request.load_kg)
    clip = make(lifting.linkage)
    alike = [one for one in before if one.style in ("", lifting.setup.style)]
    earlier = earlier_clips(alike, LIGHT_SHARE * lifting.exact.predicted_max_kg, request.filmed_on)
    reading = READERS[clip.view](request, way, clip, lifting, earlier, advice, lifter_id)
    return store.NewClip(
        **request.model_dump(include={"clip_id", "lift", "load_kg", "filmed_on", "note"}),
        lifter_id=lifter_id,
        way=way,
        film_sha256=digest,
        request=request.model_dump(mode="json"),
        track=_track_of(clip),
        answer=reading.model_dump(mode="json"),
        json_version=JSON_VERSION,
        model_version=MODEL_VERSION,
    )


PARTS: dict[ClipView, tuple[str, ...]] = {
    "side": ("bar", *JOINTS), "front": PLACES, "rear": PLACES,
}  # fmt: skip


def _track_of(clip: AnyClip) -> dict[str, Any]:
    """The points of a clip as they are kept: about 10 kB."""
    series = {
        name: [[None if np.isnan(a) else round(float(a), 1) for a in at]
               for at in getattr(clip, name)]
        for name in PARTS[clip.view]
    }  # fmt: skip
    times = [round(float(t), 4) for t in clip.times_s]
    return {
        "view": clip.view, "times_s": times, **series, "width": clip.width, "height": clip.height,
        "tapped": clip.tapped, "roll": clip.roll, "taps": asdict(clip.taps),
    }  # fmt: skip


def _reading(stored: store.StoredClip) -> ClipReading:
    answer = current(stored.answer, stored.json_version)
    return ClipReading.model_validate({**answer, "made_at": stored.made_at})


def _summary(stored: store.StoredClip) -> ClipSummary:
    return ClipSummary.model_validate(current(stored.answer, stored.json_version))


def _summaries(connection: Connection, lifter_id: UUID, lift: str) -> list[ClipSummary]:
    stored = store.list_clips(connection, lifter_id)
    return [_summary(one) for one in stored if one.lift == lift]


def earlier_clips(readings: Sequence[ClipSummary], light_most_kg: float, on: date) -> Earlier:
    """What clips of one lift say together to one that was filmed on a day. Only what held in light
    reps (up to a load) moves a threshold: a fault that a lifter always shows must not become his
    usual; and only speeds of the same weeks lie on one line."""
    light: dict[str, list[float]] = defaultdict(list)
    speeds = []
    for reading in readings:
        held = [f for f in reading.findings if f.state == "holds"]
        for finding in held if reading.load_kg <= light_most_kg else ():
            light[finding.detector] += [v for v in finding.by_rep if v is not None]
        best = best_speed_m_s(reading.reps)
        if best is not None and abs((on - reading.filmed_on).days) <= TOGETHER_DAYS:
            speeds.append((reading.load_kg, best))
    return Earlier(light, speeds)


def list_clips(database: Database, who: Who, lifter_id: UUID) -> ClipsAnswer:
    """Clips of a lifter, newest first. Raises NotFoundError."""
    with database.reading(who.club_id) as connection:
        get_profile(connection, lifter_id)
        stored = store.list_clips(connection, lifter_id)
    faults = {lift.id: _faults_on_film(lift.carried) for lift in LIFTS.values()}
    return ClipsAnswer(clips=[_line(one) for one in stored], faults=faults, filming=FILMING)


def _faults_on_film(carried: Carried) -> list[FaultChoice]:
    side = [FaultChoice(id=id, words=words) for id, words in faults_of(carried).items()]
    head_on = [
        FaultChoice(id=id, words=words, views=["front", "rear"])
        for id, words in side_faults_of(carried).items()
    ]
    return side + head_on


def _line(stored: store.StoredClip) -> ClipLine:
    reading = _summary(stored)
    return ClipLine(
        clip_id=stored.clip_id,
        lift=stored.lift,
        load_kg=stored.load_kg,
        filmed_on=stored.filmed_on,
        way=stored.way,
        view=reading.view,
        style=reading.style,
        back_deg=reading.back_deg,
        reps=len(reading.reps),
        overall=reading.verdict.overall,
        fails=reading.verdict.fails,
        made_at=stored.made_at,
    )


def stored_clip(connection: Connection, lifter_id: UUID, clip_id: UUID) -> store.StoredClip:
    """A clip of a lifter. Raises NotFoundError."""
    found = store.get_clip(connection, clip_id)
    if found is None or found.lifter_id != lifter_id:
        raise NotFoundError(say("watch.clip_not_lifters"))
    return found


THE_SET, THE_CUE = say("watch.the_set"), say("watch.the_cue")
"""Lines of a review beside its phases that a coach may say otherwise."""


def line_of(phase: str) -> str:
    """The line of a phase, as a word names it."""
    return f"phase {phase}"


def depth_line(rep: int) -> str:
    """Where the depth of a rep by two taps stands among the words."""
    return f"depth {rep}"


def _tapped(rep: RepOut, word: store.ClipWord | None) -> RepOut:
    if word is None or word.word != "tapped":
        return rep
    below_m = float(word.words)
    told = {"below_m": below_m, "unsure_m": TAPPED_UNSURE_M, "depth": depth_told(below_m)}
    return rep.model_copy(update={**told, "tapped": True})


def clip_from(track: dict[str, Any]) -> Clip:
    """A clip from the side as it was kept."""

    def places(name: str) -> Any:
        return np.array([[np.nan if a is None else a for a in at] for at in track[name]], float)

    taps = TapsIn.model_validate(track["taps"])
    return Clip(
        times_s=np.array(track["times_s"]), width=track["width"], height=track["height"],
        **{name: places(name) for name in ("bar", *JOINTS)},
        taps=taps_of(taps), tapped=track["tapped"], roll=track["roll"],
    )  # fmt: skip


def reading_in(connection: Connection, lifter_id: UUID, clip_id: UUID) -> ClipReading:
    """What a clip says, with the coach's words to it. Raises NotFoundError."""
    reading = _reading(stored_clip(connection, lifter_id, clip_id))
    words = store.words_of(connection, clip_id)
    clip_word = words.get("clip")
    if clip_word is not None and clip_word.word == "withdrawn":
        raise NotFoundError(say("watch.clip_taken_back"))
    findings = [
        one.model_copy(update={"word": words[one.detector].word})
        if one.detector in words else one
        for one in reading.findings
    ]  # fmt: skip
    said = {subject: one.words for subject, one in words.items() if one.word == "said"}
    phases = [
        row.model_copy(update={"said": said.get(line_of(row.phase), "")}) for row in reading.phases
    ]
    reps = [_tapped(rep, words.get(depth_line(rep.number))) for rep in reading.reps]
    verdict = reading.verdict.model_copy(
        update={"said": said.get(THE_SET, ""), "said_cue": said.get(THE_CUE, "")}
    )
    film = film_of_clip(connection, clip_id)
    return reading.model_copy(
        update={
            "film_id": film.item_id if film else None,
            "film_until": film.kept_until if film else None,
            "findings": findings,
            "phases": phases,
            "reps": reps,
            "verdict": verdict,
            "shown": clip_word is not None and clip_word.word == "shown",
            "logged": "log" in words,
        }
    )


def read(database: Database, who: Who, lifter_id: UUID, clip_id: UUID) -> ClipReading:
    """What a clip says. Raises NotFoundError."""
    with database.reading(who.club_id) as connection:
        return reading_in(connection, lifter_id, clip_id)


def motion_of(database: Database, who: Who, lifter_id: UUID, clip_id: UUID) -> Motion:
    """Bar and joints of a clip in m, solved. Raises NotFoundError."""
    reading = read(database, who, lifter_id, clip_id)
    if reading.view != "side":
        raise InvalidError(say("watch.only_film_from_side"))
    frames = reading.frames
    return Motion(
        np.array(frames.times_s),
        {name: np.array(frames.metres[name], dtype=float) for name in MARKERS},
    )


def review_pdf(database: Database, who: Who, lifter_id: UUID, clip_id: UUID) -> bytes:
    """The review of a clip for print. Raises NotFoundError."""
    with database.reading(who.club_id) as connection:
        reading = reading_in(connection, lifter_id, clip_id)
        name = get_profile(connection, lifter_id).name
        club, _ = accounts.get_club(connection, who.club_id)
    return write_review_pdf(reading, name, club)
