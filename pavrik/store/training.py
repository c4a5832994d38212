"""The platform log: sets with their faults, and prescriptions."""

from dataclasses import dataclass, field
from datetime import datetime
from typing import Any
from uuid import UUID

from pavrik.store.database import Connection
from pavrik.store.statements import all_of, one_of, run, run_each, tuples_of, value_of


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
    json_version: int


def list_sets(
    connection: Connection, lifter_id: UUID | None, lift: str | None = None, most: int | None = 500
) -> list[StoredSet]:
    """Standing sets, newest first: amended and withdrawn ones are left out. ``most`` None: all."""
    return all_of(
        connection, StoredSet, "list_sets", lifter_id=lifter_id, lift=lift, most=most
    )  # fmt: skip


def add_set(
    connection: Connection, club_id: UUID, logged_by: UUID | None, logged: StoredSet,
    observations: list[Observation],
) -> None:  # fmt: skip
    """Log a set with what was seen in it."""
    run(connection, "add_set", club_id=club_id, logged_by=logged_by, **vars(logged))
    run_each(
        connection, "add_observation",
        [{"club_id": club_id, "set_id": logged.set_id, **vars(seen)} for seen in observations],
    )  # fmt: skip


def add_measures(
    connection: Connection, club_id: UUID, set_id: UUID, measures: dict[str, float]
) -> None:
    """Store what was measured in a set."""
    of = {"club_id": club_id, "set_id": set_id}
    given = [{**of, "kind": kind, "value": value} for kind, value in measures.items()]
    run_each(connection, "add_measure", given)


def observations_of(connection: Connection, set_ids: list[UUID]) -> dict[UUID, list[Observation]]:
    """What was seen in each of the sets, in the order of the reps."""
    found: dict[UUID, list[Observation]] = {set_id: [] for set_id in set_ids}
    for set_id, *rest in tuples_of(connection, "list_observations", set_ids=set_ids):
        found[set_id].append(Observation(*rest))
    return found


def has_shown(connection: Connection, lifter_id: UUID, fault_id: str) -> bool:
    """Whether a fault was seen in a standing set of a lifter."""
    return bool(value_of(connection, "has_shown", lifter_id=lifter_id, fault_id=fault_id))


def measures_of(
    connection: Connection, set_ids: list[UUID]
) -> dict[UUID, tuple[tuple[str, float], ...]]:
    """What was measured in each of the sets."""
    found: dict[UUID, tuple[tuple[str, float], ...]] = {}
    for set_id, kind, value in tuples_of(connection, "list_measures", set_ids=set_ids):
        found[set_id] = (*found.get(set_id, ()), (kind, value))
    return found


def lock_amendments(connection: Connection, club_id: UUID) -> None:
    """Let amendments of a club's log wait for each other until the transaction ends, so that each
    stands upon the newest version."""
    run(connection, "lock_amendments", club_id=club_id)


def get_set(connection: Connection, set_id: UUID) -> StoredSet | None:
    """One set, standing or not."""
    return one_of(connection, StoredSet, "get_set", set_id=set_id)


def known_ids(connection: Connection, set_ids: list[UUID]) -> set[UUID]:
    """Those of the ids that are on record."""
    return {row[0] for row in tuples_of(connection, "list_known_ids", set_ids=set_ids)}


def standing_version(connection: Connection, set_id: UUID) -> StoredSet | None:
    """The newest version of a set, withdrawn or not; None where the set is unknown."""
    return one_of(connection, StoredSet, "standing_version", set_id=set_id)


def versions_of(connection: Connection, set_id: UUID) -> list[StoredSet]:
    """A set and all that it replaced, newest first."""
    return all_of(connection, StoredSet, "list_set_versions", set_id=set_id)


def add_prescription(
    connection: Connection, club_id: UUID, prescribed_by: UUID | None, inputs: dict[str, Any],
    model_version: str, given: Prescription,
) -> None:  # fmt: skip
    """Keep a prescription with what it rests on."""
    run(
        connection, "add_prescription", club_id=club_id, prescribed_by=prescribed_by, inputs=inputs,
        model_version=model_version, **vars(given),
    )  # fmt: skip


def list_prescriptions(
    connection: Connection, lifter_id: UUID | None = None, most: int = 50
) -> list[Prescription]:
    """Prescriptions, newest first, of one lifter or of the club."""
    return all_of(connection, Prescription, "list_prescriptions", lifter_id=lifter_id, most=most)
