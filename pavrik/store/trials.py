"""Trials of two set-ups: begun with everything fixed, ended by a fact of its own."""

from dataclasses import dataclass
from datetime import date, datetime
from typing import Any
from uuid import UUID

from pavrik.store.database import Connection
from pavrik.store.statements import all_of, run


@dataclass(frozen=True)
class TrialRecord:
    """A trial of two set-ups of a lift; ``outcome`` None while it runs."""

    trial_id: UUID
    lifter_id: UUID
    lift: str
    setup_a: dict[str, Any]
    setup_b: dict[str, Any]
    sessions_each: int
    sets: int
    reps: int
    load_kg: float
    started_on: date
    said_at: datetime
    json_version: int
    outcome: str | None = None
    reason: str | None = None
    ended_at: datetime | None = None


def list_trials(connection: Connection, lifter_id: UUID | None = None) -> list[TrialRecord]:
    """Trials with how they ended, newest first, of one lifter or of the club."""
    return all_of(connection, TrialRecord, "list_trials", lifter_id=lifter_id)


def add_trial(
    connection: Connection, club_id: UUID, said_by: UUID | None, trial: TrialRecord
) -> None:
    """Begin a trial."""
    run(connection, "add_trial", club_id=club_id, said_by=said_by, **vars(trial))


def end_trial(
    connection: Connection, club_id: UUID, ended_by: UUID | None, trial_id: UUID, outcome: str,
    reason: str, ended_at: datetime,
) -> None:  # fmt: skip
    """End a trial, once."""
    run(
        connection, "end_trial", club_id=club_id, trial_id=trial_id, outcome=outcome, reason=reason,
        ended_at=ended_at, ended_by=ended_by,
    )  # fmt: skip
