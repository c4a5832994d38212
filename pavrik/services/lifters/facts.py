"""Lifters: the record, the measurements with their doubts, screens, flags, schools."""

from datetime import UTC, datetime
from uuid import UUID

from uuid6 import uuid7

from pavrik.core.body.measurement import (
    LANDMARK_BY_ID,
    LANDMARKS,
    needs_third_reading,
    settled_length_m,
    technical_error_m,
)
from pavrik.core.body.plausibility import doubts, z_score
from pavrik.core.body.segments import STATURE_FRACTION
from pavrik.core.faults.schools import check_choice
from pavrik.errors import InvalidError
from pavrik.formats.wire.lifters import (
    Acknowledged,
    LandmarkAnswer,
    LifterRef,
    MeasureAnswer,
    ProfileRequest,
)
from pavrik.services.context import Who
from pavrik.services.lifters.profile import get_profile
from pavrik.services.writes import write_once
from pavrik.store import lifters as store
from pavrik.store.database import Connection, Database
from pavrik.words import say


def _landmark(
    landmark_id: str, found: store.Measurement | None, stature_m: float, doubt: str | None
) -> LandmarkAnswer:
    landmark = LANDMARK_BY_ID[landmark_id]
    expected = STATURE_FRACTION[landmark.segment] * stature_m
    readings = found.readings_m if found else []
    length = settled_length_m(readings) if readings else expected
    return LandmarkAnswer(
        landmark=landmark.id,
        name=landmark.name,
        segment=landmark.segment,
        how=landmark.how,
        readings_m=readings,
        length_m=length,
        estimated=not readings,
        expected_m=expected,
        z_score=z_score(landmark.segment, length, stature_m),
        third_reading_wanted=len(readings) == 2 and needs_third_reading(readings[0], readings[1]),
        doubt=doubt,
        kept_because=found.kept_because if found else "",
    )


def measure_sheet(
    connection: Connection, profile: store.Profile, segments_m: dict[str, float]
) -> MeasureAnswer:
    """Readings of a lifter beside what people of that stature have; ``segments_m`` are the lengths
    that the model takes."""
    found = {m.landmark: m for m in store.list_measurements(connection, profile.lifter_id)}
    segments = {
        LANDMARK_BY_ID[name].segment: settled_length_m(m.readings_m) for name, m in found.items()
    }
    doubted = {d.segment: d.sentence for d in doubts(segments, profile.stature_m)}
    pairs = [(m.readings_m[0], m.readings_m[1]) for m in found.values() if len(m.readings_m) > 1]
    return MeasureAnswer(
        landmarks=[
            _landmark(
                landmark.id,
                found.get(landmark.id),
                profile.stature_m,
                doubted.get(landmark.segment),
            )
            for landmark in LANDMARKS
        ],
        technical_error_m=technical_error_m(pairs),
        sum_doubt=doubted.get("stature_m"),
        segments_m=segments_m,
    )


def add_lifter(
    database: Database, who: Who, key: UUID, lifter_id: UUID, profile: ProfileRequest
) -> LifterRef:
    """A new lifter with a first profile."""

    def action(connection: Connection) -> LifterRef:
        store.add_lifter(connection, who.club_id, lifter_id)
        _add_profile(connection, who, lifter_id, profile)
        return LifterRef(lifter_id=lifter_id)

    request = {"lifter": str(lifter_id), **profile.model_dump()}
    return write_once(
        database, who, key, "add lifter", request, LifterRef, action, subject=str(lifter_id)
    )


def _add_profile(
    connection: Connection, who: Who, lifter_id: UUID, profile: ProfileRequest
) -> None:
    fact = store.Profile(lifter_id=lifter_id, said_at=datetime.now(UTC), **profile.model_dump())
    store.add_profile(connection, who.club_id, uuid7(), who.coach_id, fact)


def correct_profile(
    database: Database, who: Who, key: UUID, lifter_id: UUID, profile: ProfileRequest
) -> LifterRef:
    """A newer profile; the old one stays on record."""

    def action(connection: Connection) -> LifterRef:
        get_profile(connection, lifter_id)
        _add_profile(connection, who, lifter_id, profile)
        return LifterRef(lifter_id=lifter_id)

    request = {"lifter": str(lifter_id), **profile.model_dump()}
    return write_once(
        database, who, key, "correct profile", request, LifterRef, action, subject=str(lifter_id)
    )


def measure(
    database: Database, who: Who, key: UUID, lifter_id: UUID, landmark: str,
    readings_m: list[float], kept_because: str,
) -> Acknowledged:  # fmt: skip
    """New readings of a landmark. A length that cannot well be right is refused unless the coach
    keeps it with a reason."""
    if landmark not in LANDMARK_BY_ID:
        raise InvalidError(say("lifters.there_no_landmark_called", landmark=landmark), "landmark")

    def action(connection: Connection) -> Acknowledged:
        profile = get_profile(connection, lifter_id)
        segment = LANDMARK_BY_ID[landmark].segment
        doubted = doubts({segment: settled_length_m(readings_m)}, profile.stature_m)
        if doubted and not kept_because.strip():
            raise InvalidError(doubted[0].sentence, "readings_m")
        store.add_measurement(
            connection,
            who.club_id,
            uuid7(),
            lifter_id,
            who.coach_id,
            store.Measurement(landmark, readings_m, kept_because.strip(), datetime.now(UTC)),
        )
        return Acknowledged()

    request = {"lifter": str(lifter_id), "landmark": landmark, "readings": readings_m,
               "kept": kept_because}  # fmt: skip
    return write_once(
        database, who, key, "measure", request, Acknowledged, action, subject=str(lifter_id)
    )


def take_screen(
    database: Database, who: Who, key: UUID, lifter_id: UUID, kind: str, readings: list[float]
) -> Acknowledged:
    """A new screen result from one to three readings: degrees, or metres for grips, hop and box;
    none says that the position cannot be held."""
    value = settled_length_m(readings) if readings else None

    def action(connection: Connection) -> Acknowledged:
        get_profile(connection, lifter_id)
        store.add_screen(
            connection, who.club_id, uuid7(), lifter_id, who.coach_id,
            store.ScreenResult(kind, value, datetime.now(UTC), readings),
        )  # fmt: skip
        return Acknowledged()

    request = {"lifter": str(lifter_id), "kind": kind, "readings": readings}
    return write_once(
        database, who, key, "screen", request, Acknowledged, action, subject=str(lifter_id)
    )


def raise_flag(
    database: Database, who: Who, key: UUID, lifter_id: UUID, region: str, note: str
) -> Acknowledged:
    """A pain flag: loads are capped until it is cleared."""

    def action(connection: Connection) -> Acknowledged:
        get_profile(connection, lifter_id)
        flag = store.PainFlag(uuid7(), lifter_id, region, note, datetime.now(UTC))
        store.add_flag(connection, who.club_id, who.coach_id, flag)
        return Acknowledged()

    request = {"lifter": str(lifter_id), "region": region, "note": note}
    return write_once(
        database, who, key, "raise flag", request, Acknowledged, action, subject=str(lifter_id)
    )


def clear_flag(database: Database, who: Who, key: UUID, flag_id: UUID, reason: str) -> Acknowledged:
    """Clear a pain flag with a reason."""

    def action(connection: Connection) -> Acknowledged:
        store.clear_flag(connection, who.club_id, flag_id, who.coach_id, reason)
        return Acknowledged()

    request = {"flag": str(flag_id), "reason": reason}
    return write_once(
        database, who, key, "clear flag", request, Acknowledged, action, subject=str(flag_id)
    )


def choose_school(
    database: Database, who: Who, key: UUID, lifter_id: UUID | None, question: str, position: str
) -> Acknowledged:
    """Choose a school for the club (no lifter) or for one lifter."""
    try:
        check_choice(question, position)
    except ValueError as error:
        raise InvalidError(str(error), "position") from error

    def action(connection: Connection) -> Acknowledged:
        if lifter_id is not None:
            get_profile(connection, lifter_id)
        store.add_school_choice(
            connection, who.club_id, uuid7(), lifter_id, who.coach_id, question, position
        )
        return Acknowledged()

    request = {"lifter": str(lifter_id), "question": question, "position": position}
    return write_once(database, who, key, "choose school", request, Acknowledged, action)
