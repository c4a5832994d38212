"""Lifters and the facts about them: profiles, measurements, screens, pain flags, schools."""

from dataclasses import dataclass, field
from datetime import datetime
from uuid import UUID

from psycopg.rows import class_row

from pavrik.store.database import Connection


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


_PROFILE = """
  lifter_id, name, sex, born_year, mass_kg, stature_m, goal, training_age, walks_out,
  gear, history, said_at
"""


def list_profiles(connection: Connection) -> list[Profile]:
    """Every lifter of the club with the newest profile, by name."""
    cursor = connection.cursor(row_factory=class_row(Profile))
    return cursor.execute(
        f"""select {_PROFILE} from (
              select distinct on (club_id, lifter_id) * from lifter_profile
              order by club_id, lifter_id, said_at desc, profile_id desc) newest
            order by name"""
    ).fetchall()


def get_profile(connection: Connection, lifter_id: UUID) -> Profile | None:
    """The newest profile of one lifter."""
    cursor = connection.cursor(row_factory=class_row(Profile))
    return cursor.execute(
        f"""select {_PROFILE} from lifter_profile where lifter_id = %s
            order by said_at desc, profile_id desc limit 1""",
        (lifter_id,),
    ).fetchone()


def add_lifter(connection: Connection, club_id: UUID, lifter_id: UUID) -> None:
    """A new lifter, still without a profile."""
    connection.execute(
        "insert into lifter (club_id, lifter_id) values (%s, %s)", (club_id, lifter_id)
    )


def add_profile(
    connection: Connection, club_id: UUID, profile_id: UUID, said_by: UUID | None, profile: Profile
) -> None:
    """A new fact about a lifter; it supersedes the one before."""
    connection.execute(
        """insert into lifter_profile (club_id, profile_id, lifter_id, name, sex, born_year,
             mass_kg, stature_m, goal, training_age, walks_out, gear, history, said_at, said_by)
           values (%s, %s, %s, %s, %s, %s, %s, %s, %s, %s, %s, %s, %s, %s, %s)""",
        (
            club_id, profile_id, profile.lifter_id, profile.name, profile.sex, profile.born_year,
            profile.mass_kg, profile.stature_m, profile.goal, profile.training_age,
            profile.walks_out, profile.gear, profile.history, profile.said_at, said_by,
        ),
    )  # fmt: skip


def list_measurements(connection: Connection, lifter_id: UUID) -> list[Measurement]:
    """Newest readings of every landmark that was measured."""
    cursor = connection.cursor(row_factory=class_row(Measurement))
    return cursor.execute(
        """select distinct on (landmark) landmark, readings_m, kept_because, taken_at
           from measurement where lifter_id = %s
           order by landmark, taken_at desc, measurement_id desc""",
        (lifter_id,),
    ).fetchall()


def add_measurement(
    connection: Connection, club_id: UUID, measurement_id: UUID, lifter_id: UUID,
    taken_by: UUID | None, measurement: Measurement,
) -> None:  # fmt: skip
    """New readings of a landmark."""
    connection.execute(
        """insert into measurement (club_id, measurement_id, lifter_id, landmark, readings_m,
             kept_because, taken_at, taken_by) values (%s, %s, %s, %s, %s, %s, %s, %s)""",
        (
            club_id, measurement_id, lifter_id, measurement.landmark, measurement.readings_m,
            measurement.kept_because, measurement.taken_at, taken_by,
        ),
    )  # fmt: skip


def list_screens(connection: Connection, lifter_id: UUID) -> list[ScreenResult]:
    """Newest result of every screen that was taken."""
    cursor = connection.cursor(row_factory=class_row(ScreenResult))
    return cursor.execute(
        """select distinct on (kind) kind, value, taken_at, readings from screen
           where lifter_id = %s order by kind, taken_at desc, screen_id desc""",
        (lifter_id,),
    ).fetchall()


def add_screen(
    connection: Connection, club_id: UUID, screen_id: UUID, lifter_id: UUID,
    taken_by: UUID | None, result: ScreenResult,
) -> None:  # fmt: skip
    """A new screen result."""
    connection.execute(
        """insert into screen
             (club_id, screen_id, lifter_id, kind, value, taken_at, readings, taken_by)
           values (%s, %s, %s, %s, %s, %s, %s, %s)""",
        (
            club_id, screen_id, lifter_id, result.kind, result.value, result.taken_at,
            result.readings, taken_by,
        ),
    )  # fmt: skip


def list_open_flags(connection: Connection, lifter_id: UUID | None = None) -> list[PainFlag]:
    """Pain flags that stand, of one lifter or of the whole club."""
    cursor = connection.cursor(row_factory=class_row(PainFlag))
    return cursor.execute(
        """select flag_id, lifter_id, region, note, raised_at from pain_flag f
           where not exists (select from pain_clearance c
                             where c.club_id = f.club_id and c.flag_id = f.flag_id)
             and (%(lifter)s::uuid is null or lifter_id = %(lifter)s)
           order by raised_at""",
        {"lifter": lifter_id},
    ).fetchall()


def add_flag(connection: Connection, club_id: UUID, raised_by: UUID | None, flag: PainFlag) -> None:
    """Raise a pain flag."""
    connection.execute(
        """insert into pain_flag (club_id, flag_id, lifter_id, region, note, raised_at, raised_by)
           values (%s, %s, %s, %s, %s, %s, %s)""",
        (club_id, flag.flag_id, flag.lifter_id, flag.region, flag.note, flag.raised_at, raised_by),
    )


def clear_flag(
    connection: Connection, club_id: UUID, flag_id: UUID, cleared_by: UUID, reason: str
) -> None:
    """Clear a pain flag, with the reason on record."""
    connection.execute(
        """insert into pain_clearance (club_id, flag_id, reason, cleared_by)
           values (%s, %s, %s, %s)""",
        (club_id, flag_id, reason, cleared_by),
    )


def list_school_choices(connection: Connection, lifter_id: UUID | None) -> dict[str, str]:
    """Newest choice per question: the club's when no lifter is named, else the lifter's own."""
    rows = connection.execute(
        """select distinct on (question) question, position from school_choice
           where lifter_id is not distinct from %s
           order by question, chosen_at desc, choice_id desc""",
        (lifter_id,),
    ).fetchall()
    return dict(rows)


def add_school_choice(
    connection: Connection, club_id: UUID, choice_id: UUID, lifter_id: UUID | None,
    chosen_by: UUID | None, question: str, position: str,
) -> None:  # fmt: skip
    """Choose a school, for the club or for one lifter."""
    connection.execute(
        """insert into school_choice (club_id, choice_id, lifter_id, question, position, chosen_by)
           values (%s, %s, %s, %s, %s, %s)""",
        (club_id, choice_id, lifter_id, question, position, chosen_by),
    )
