"""The platform log: sets with their faults, and prescriptions."""

from dataclasses import dataclass, field
from datetime import datetime
from typing import Any
from uuid import UUID

from psycopg.rows import class_row, tuple_row
from psycopg.types.json import Jsonb

from pavrik.store.database import Connection


@dataclass(frozen=True)
class Observation:
    """A fault seen in one phase of one rep."""

    observation_id: UUID
    rep: int
    fault_id: str
    phase: str
    severity: int
    side: str | None
    film_s: float | None
    note: str


@dataclass(frozen=True)
class StoredSet:
    """One set as it stands: amended sets show the newest version."""

    set_id: UUID
    lifter_id: UUID
    replaces: UUID | None
    lift: str
    variation: str
    load_kg: float
    reps: int
    missed_reps: int
    rpe: float | None
    aimed_rpe: float | None
    pull_style: str | None
    schools: dict[str, str]
    note: str
    performed_at: datetime
    withdrawn: bool = False
    cue: str = ""
    gear: dict[str, Any] = field(default_factory=dict)


@dataclass(frozen=True)
class Prescription:
    """A prescribed load with its reasons."""

    prescription_id: UUID
    lifter_id: UUID
    lift: str
    answer: dict[str, Any]
    overruled_kg: float | None
    overruled_because: str
    prescribed_at: datetime


_SET = """
  set_id, lifter_id, replaces, lift, variation, load_kg, reps, missed_reps, rpe, aimed_rpe,
  pull_style, schools, note, performed_at, withdrawn, cue, gear
"""
_STANDING = """
  not withdrawn and not exists (
    select from training_set newer where newer.club_id = s.club_id and newer.replaces = s.set_id)
"""


def list_sets(
    connection: Connection, lifter_id: UUID | None, lift: str | None = None, most: int | None = 500
) -> list[StoredSet]:
    """Standing sets, newest first: amended and withdrawn ones are left out. ``most`` None: all."""
    wanted = {"lifter_id": lifter_id, "lift": lift}
    named = [f"{column} = %({column})s" for column, value in wanted.items() if value is not None]
    cursor = connection.cursor(row_factory=class_row(StoredSet))
    return cursor.execute(
        f"""select {_SET} from training_set s where {" and ".join([*named, _STANDING])}
            order by performed_at desc, set_id desc limit %(most)s""",
        {**wanted, "most": most},
    ).fetchall()


def add_set(
    connection: Connection, club_id: UUID, logged_by: UUID | None, logged: StoredSet,
    observations: list[Observation],
) -> None:  # fmt: skip
    """Log a set with what was seen in it."""
    connection.execute(
        """insert into training_set (club_id, set_id, lifter_id, replaces, lift, variation, load_kg,
             reps, missed_reps, rpe, aimed_rpe, pull_style, schools, note, performed_at, withdrawn,
             cue, gear, logged_by)
           values (%s, %s, %s, %s, %s, %s, %s, %s, %s, %s, %s, %s, %s, %s, %s, %s, %s, %s, %s)""",
        (
            club_id, logged.set_id, logged.lifter_id, logged.replaces, logged.lift,
            logged.variation, logged.load_kg, logged.reps, logged.missed_reps, logged.rpe,
            logged.aimed_rpe, logged.pull_style, Jsonb(logged.schools), logged.note,
            logged.performed_at, logged.withdrawn, logged.cue, Jsonb(logged.gear), logged_by,
        ),
    )  # fmt: skip
    connection.cursor().executemany(
        """insert into fault_observation (club_id, observation_id, set_id, rep, fault_id, phase,
             severity, side, film_s, note) values (%s, %s, %s, %s, %s, %s, %s, %s, %s, %s)""",
        [
            (
                club_id, seen.observation_id, logged.set_id, seen.rep, seen.fault_id, seen.phase,
                seen.severity, seen.side, seen.film_s, seen.note,
            )
            for seen in observations
        ],
    )  # fmt: skip


def add_measures(
    connection: Connection, club_id: UUID, set_id: UUID, measures: dict[str, float]
) -> None:
    """Store what was measured in a set."""
    connection.cursor().executemany(
        "insert into set_measure (club_id, set_id, kind, value) values (%s, %s, %s, %s)",
        [(club_id, set_id, kind, value) for kind, value in measures.items()],
    )


def observations_of(connection: Connection, set_ids: list[UUID]) -> dict[UUID, list[Observation]]:
    """What was seen in each of the sets, in the order of the reps."""
    cursor = connection.cursor(row_factory=tuple_row)
    found: dict[UUID, list[Observation]] = {set_id: [] for set_id in set_ids}
    rows = cursor.execute(
        """select set_id, observation_id, rep, fault_id, phase, severity, side, film_s, note
           from fault_observation where set_id = any(%s) order by rep, observation_id""",
        (set_ids,),
    )
    for set_id, *rest in rows:
        found[set_id].append(Observation(*rest))
    return found


def measures_of(
    connection: Connection, set_ids: list[UUID]
) -> dict[UUID, tuple[tuple[str, float], ...]]:
    """What was measured in each of the sets."""
    rows = connection.execute(
        "select set_id, kind, value from set_measure where set_id = any(%s) order by kind",
        (set_ids,),
    )
    found: dict[UUID, tuple[tuple[str, float], ...]] = {}
    for set_id, kind, value in rows:
        found[set_id] = (*found.get(set_id, ()), (kind, value))
    return found


def get_set(connection: Connection, set_id: UUID) -> StoredSet | None:
    """One set, standing or not."""
    cursor = connection.cursor(row_factory=class_row(StoredSet))
    return cursor.execute(
        f"select {_SET} from training_set s where set_id = %s", (set_id,)
    ).fetchone()


def known_ids(connection: Connection, set_ids: list[UUID]) -> set[UUID]:
    """Those of the ids that are on record."""
    rows = connection.execute(
        "select set_id from training_set where set_id = any(%s)", (set_ids,)
    ).fetchall()
    return {row[0] for row in rows}


def standing_version(connection: Connection, set_id: UUID) -> StoredSet | None:
    """The newest version of a set, withdrawn or not; None where the set is unknown."""
    cursor = connection.cursor(row_factory=class_row(StoredSet))
    return cursor.execute(
        f"""with recursive version as (
              select s.* from training_set s where set_id = %s
              union all
              select newer.* from training_set newer
                join version on newer.club_id = version.club_id and newer.replaces = version.set_id)
            select {_SET} from version s
            where not exists (select from version newer where newer.replaces = s.set_id)""",
        (set_id,),
    ).fetchone()


def versions_of(connection: Connection, set_id: UUID) -> list[StoredSet]:
    """A set and all that it replaced, newest first."""
    cursor = connection.cursor(row_factory=class_row(StoredSet))
    return cursor.execute(
        f"""with recursive version as (
              select s.*, 0 as age from training_set s where set_id = %s
              union all
              select older.*, version.age + 1 from training_set older
                join version on older.club_id = version.club_id and older.set_id = version.replaces)
            select {_SET} from version order by age""",
        (set_id,),
    ).fetchall()


def add_prescription(
    connection: Connection, club_id: UUID, prescribed_by: UUID | None, inputs: dict[str, Any],
    model_version: str, given: Prescription,
) -> None:  # fmt: skip
    """Keep a prescription with what it rests on."""
    connection.execute(
        """insert into prescription (club_id, prescription_id, lifter_id, lift, inputs, answer,
             overruled_kg, overruled_because, model_version, prescribed_at, prescribed_by)
           values (%s, %s, %s, %s, %s, %s, %s, %s, %s, %s, %s)""",
        (
            club_id, given.prescription_id, given.lifter_id, given.lift, Jsonb(inputs),
            Jsonb(given.answer), given.overruled_kg, given.overruled_because, model_version,
            given.prescribed_at, prescribed_by,
        ),
    )  # fmt: skip


def list_prescriptions(
    connection: Connection, lifter_id: UUID | None = None, most: int = 50
) -> list[Prescription]:
    """Prescriptions, newest first, of one lifter or of the club."""
    cursor = connection.cursor(row_factory=class_row(Prescription))
    return cursor.execute(
        """select prescription_id, lifter_id, lift, answer, overruled_kg, overruled_because,
             prescribed_at from prescription
           where %(lifter)s::uuid is null or lifter_id = %(lifter)s
           order by prescribed_at desc, prescription_id desc limit %(most)s""",
        {"lifter": lifter_id, "most": most},
    ).fetchall()
