"""Lifters and the facts about them: profiles, measurements, screens, pain flags, schools."""

from dataclasses import dataclass, field
from datetime import date, datetime
from typing import Any
from uuid import UUID

from uuid6 import uuid7

from pavrik.store.database import Connection
from pavrik.store.statements import all_of, one_of, run, tuples_of, value_of


@dataclass(frozen=True)
class Profile:
    """What is said of a lifter now."""

    lifter_id: UUID
    name: str
    sex: str
    born_year: int | None
    mass_kg: float
    stature_m: float
    goal: str
    training_age: str
    walks_out: bool
    gear: str
    history: str
    said_at: datetime

    @property
    def novice(self) -> bool:
        return self.training_age == "novice"

    def years_in(self, year: int) -> int | None:
        """Years that are complete for certain, whatever the birthday; None where unknown."""
        return None if self.born_year is None else year - self.born_year - 1


@dataclass(frozen=True)
class Measurement:
    """Newest readings of one landmark, in metres."""

    landmark: str
    readings_m: list[float]
    kept_because: str
    taken_at: datetime


@dataclass(frozen=True)
class ScreenResult:
    """Newest result of one screen: degrees, or metres for grips; None cannot be held."""

    kind: str
    value: float | None
    taken_at: datetime
    readings: list[float] = field(default_factory=list)


@dataclass(frozen=True)
class PainFlag:
    """A flag that nobody has cleared."""

    flag_id: UUID
    lifter_id: UUID
    region: str
    note: str
    raised_at: datetime


@dataclass(frozen=True)
class Cleared:
    """A flag that stood from one moment to another."""

    flag_id: UUID
    region: str
    raised_at: datetime
    cleared_at: datetime


@dataclass(frozen=True)
class Away:
    """A lifter who left the club."""

    lifter_id: UUID
    name: str
    since: datetime


def list_profiles(connection: Connection, *, everyone: bool = False) -> list[Profile]:
    """Lifters of the club with the newest profile, by name; ``everyone``: those who left too."""
    return all_of(connection, Profile, "list_profiles", everyone=everyone)


@dataclass(frozen=True)
class Mass:
    """What a lifter weighed from a day on."""

    on: date
    mass_kg: float


def list_masses(connection: Connection, lifter_id: UUID) -> list[Mass]:
    """Body mass as it was said, oldest first: the last word of every day."""
    return all_of(connection, Mass, "list_masses", lifter_id=lifter_id)


def list_away(connection: Connection) -> list[Away]:
    """Who left the club, by name."""
    return all_of(connection, Away, "list_away")


def away_since(connection: Connection, lifter_id: UUID) -> datetime | None:
    """Since when a lifter is away; None for one who is here."""
    since: datetime | None = value_of(connection, "away_since", lifter_id=lifter_id)
    return since


def add_presence(
    connection: Connection, club_id: UUID, said_by: UUID, lifter_id: UUID, *, here: bool
) -> None:
    """A lifter left the club, or is back."""
    run(
        connection, "add_presence", club_id=club_id, presence_id=uuid7(), lifter_id=lifter_id,
        here=here, said_by=said_by,
    )  # fmt: skip


def get_profile(connection: Connection, lifter_id: UUID) -> Profile | None:
    """The newest profile of one lifter."""
    return one_of(connection, Profile, "get_profile", lifter_id=lifter_id)


def add_lifter(connection: Connection, club_id: UUID, lifter_id: UUID) -> None:
    """A new lifter, still without a profile."""
    run(connection, "add_lifter", club_id=club_id, lifter_id=lifter_id)


def add_profile(
    connection: Connection, club_id: UUID, profile_id: UUID, said_by: UUID | None, profile: Profile
) -> None:
    """A new fact about a lifter; it supersedes the one before."""
    run(
        connection, "add_profile", club_id=club_id, profile_id=profile_id, said_by=said_by,
        **vars(profile),
    )  # fmt: skip


def list_measurements(connection: Connection, lifter_id: UUID) -> list[Measurement]:
    """Newest readings of every landmark that was measured."""
    return all_of(connection, Measurement, "list_measurements", lifter_id=lifter_id)


def add_measurement(
    connection: Connection, club_id: UUID, measurement_id: UUID, lifter_id: UUID,
    taken_by: UUID | None, measurement: Measurement,
) -> None:  # fmt: skip
    """New readings of a landmark."""
    run(
        connection, "add_measurement", club_id=club_id, measurement_id=measurement_id,
        lifter_id=lifter_id, taken_by=taken_by, **vars(measurement),
    )  # fmt: skip


def list_screens(connection: Connection, lifter_id: UUID) -> list[ScreenResult]:
    """Newest result of every screen that was taken."""
    return all_of(connection, ScreenResult, "list_screens", lifter_id=lifter_id)


def add_screen(
    connection: Connection, club_id: UUID, screen_id: UUID, lifter_id: UUID,
    taken_by: UUID | None, result: ScreenResult,
) -> None:  # fmt: skip
    """A new screen result."""
    run(
        connection, "add_screen", club_id=club_id, screen_id=screen_id, lifter_id=lifter_id,
        taken_by=taken_by, **vars(result),
    )  # fmt: skip


def list_open_flags(connection: Connection, lifter_id: UUID | None = None) -> list[PainFlag]:
    """Pain flags that stand, of one lifter or of the whole club."""
    return all_of(connection, PainFlag, "list_open_flags", lifter_id=lifter_id)


def list_clearances(connection: Connection, lifter_id: UUID, since: datetime) -> list[Cleared]:
    """Flags of a lifter that were cleared since a moment, oldest first."""
    return all_of(connection, Cleared, "list_clearances", lifter_id=lifter_id, since=since)


def add_flag(connection: Connection, club_id: UUID, raised_by: UUID | None, flag: PainFlag) -> None:
    """Raise a pain flag."""
    run(connection, "add_flag", club_id=club_id, raised_by=raised_by, **vars(flag))


def clear_flag(
    connection: Connection, club_id: UUID, flag_id: UUID, cleared_by: UUID, reason: str
) -> None:
    """Clear a pain flag, with the reason on record."""
    run(
        connection, "clear_flag", club_id=club_id, flag_id=flag_id, cleared_by=cleared_by,
        reason=reason,
    )  # fmt: skip


def list_school_choices(connection: Connection, lifter_id: UUID | None) -> dict[str, str]:
    """Newest choice per question: the club's when no lifter is named, else the lifter's own."""
    rows = tuples_of(connection, "list_school_choices", lifter_id=lifter_id)
    return {question: position for question, position in rows}  # noqa: C416


def add_school_choice(
    connection: Connection, club_id: UUID, choice_id: UUID, lifter_id: UUID | None,
    chosen_by: UUID | None, question: str, position: str,
) -> None:  # fmt: skip
    """Choose a school, for the club or for one lifter."""
    run(
        connection, "add_school_choice", club_id=club_id, choice_id=choice_id, lifter_id=lifter_id,
        chosen_by=chosen_by, question=question, position=position,
    )  # fmt: skip


@dataclass(frozen=True)
class KnownLift:
    """A best or an isolated test that was told: kg, None where it was taken back."""

    known_id: UUID
    exercise: str
    load_kg: float | None
    reps: int
    rpe: float | None
    done_on: date


def list_known_lifts(connection: Connection, lifter_id: UUID) -> list[KnownLift]:
    """What stands of a lifter's told bests and tests, by exercise."""
    return all_of(connection, KnownLift, "list_known_lifts", lifter_id=lifter_id)


def add_known_lift(
    connection: Connection, club_id: UUID, lifter_id: UUID, said_by: UUID | None,
    said_at: datetime, known: KnownLift,
) -> None:  # fmt: skip
    """A new fact of what was lifted."""
    run(
        connection, "add_known_lift", club_id=club_id, lifter_id=lifter_id, said_by=said_by,
        said_at=said_at, **vars(known),
    )  # fmt: skip


def lifter_facts(connection: Connection, lifter_id: UUID) -> dict[str, list[dict[str, Any]]]:
    """Every fact of a lifter, by table."""
    return dict(value_of(connection, "lifter_facts", lifter_id=lifter_id))


def erase_lifter(connection: Connection, lifter_id: UUID) -> None:
    """Everything of a lifter gone for good, kept answers included."""
    value_of(connection, "erase_lifter", lifter_id=lifter_id)
