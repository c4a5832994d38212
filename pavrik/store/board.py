"""What the board shows of the whole club, in a handful of queries whatever the log's length."""

from dataclasses import dataclass
from datetime import date, datetime
from uuid import UUID

from pavrik.store.database import Connection
from pavrik.store.statements import all_of, tuples_of


@dataclass(frozen=True)
class FaultCount:
    """Faulty reps, and sets, of one fault of one lifter since an edge, and as long before it."""

    lifter_id: UUID
    lift: str
    fault_id: str
    recent: int
    before: int
    recent_sets: int
    sets_before: int


@dataclass(frozen=True)
class Done:
    """What a lifter did of a lift: since an edge, and in as long a time before it."""

    lifter_id: UUID
    lift: str
    reps: int
    reps_before: int
    sets: int
    sets_before: int


@dataclass(frozen=True)
class LiftEnding:
    """A fault that ended a lift."""

    lifter_id: UUID
    lift: str
    fault_id: str
    load_kg: float
    performed_at: datetime


def count_faults(connection: Connection, start: datetime, edge: datetime) -> list[FaultCount]:
    """Faulty reps since ``start`` by lifter and fault, split at ``edge``."""
    return all_of(connection, FaultCount, "count_faults", start=start, edge=edge)


def count_done(
    connection: Connection, start: datetime, edge: datetime
) -> dict[tuple[UUID, str], Done]:
    """Reps and sets since ``start`` by lifter and lift, split at ``edge``."""
    found = all_of(connection, Done, "count_done", start=start, edge=edge)
    return {(done.lifter_id, done.lift): done for done in found}


def list_lift_endings(connection: Connection, since: datetime) -> list[LiftEnding]:
    """Faults that ended a lift, newest first."""
    return all_of(connection, LiftEnding, "list_lift_endings", since=since)


def last_sets(connection: Connection) -> dict[UUID, datetime]:
    """When each lifter last trained."""
    return {lifter_id: at for lifter_id, at in tuples_of(connection, "last_sets")}  # noqa: C416


def logged_days(connection: Connection, since: datetime) -> set[tuple[UUID, str, date]]:
    """(lifter, lift, day) of everything logged since a moment, on the club's clock."""
    rows = tuples_of(connection, "list_logged_days", since=since)
    return {(lifter_id, lift, day) for lifter_id, lift, day in rows}
