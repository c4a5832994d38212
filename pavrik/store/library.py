"""The coach's own faults, causes, remedies and variations, the cue on trial, results of tests."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID

from pavrik.store.database import Connection
from pavrik.store.statements import all_of, run, tuples_of


@dataclass(frozen=True)
class Entry:
    """The newest word on one id: its body (None for a shipped one) and whether it is hidden."""

    kind: str
    ident: str
    body: dict[str, Any] | None
    hidden: bool


@dataclass(frozen=True)
class CueChoice:
    """The cue tried from a moment on; empty where none."""

    lift: str
    cue: str
    chosen_at: datetime


@dataclass(frozen=True)
class CauseTest:
    """The result of a test that separates one cause of a fault from the others."""

    test_id: UUID
    fault_id: str
    cause_id: str
    result: str
    note: str
    tested_at: datetime


def list_entries(connection: Connection) -> list[Entry]:
    """The newest entry of every id, oldest ids first."""
    return all_of(connection, Entry, "list_entries")


def add_entry(
    connection: Connection, club_id: UUID, entry_id: UUID, said_by: UUID | None, entry: Entry
) -> None:
    """Say something new about an id."""
    run(
        connection, "add_entry", club_id=club_id, entry_id=entry_id, said_by=said_by, **vars(entry)
    )  # fmt: skip


def add_cue_choice(
    connection: Connection, club_id: UUID, choice_id: UUID, lifter_id: UUID,
    chosen_by: UUID | None, choice: CueChoice,
) -> None:  # fmt: skip
    """Try a cue from now on, or end the trial with an empty one."""
    run(
        connection, "add_cue_choice", club_id=club_id, choice_id=choice_id, lifter_id=lifter_id,
        chosen_by=chosen_by, **vars(choice),
    )  # fmt: skip


def list_cue_choices(connection: Connection, lifter_id: UUID) -> list[CueChoice]:
    """Cues tried, newest first."""
    return all_of(connection, CueChoice, "list_cue_choices", lifter_id=lifter_id)


def add_cause_test(
    connection: Connection, club_id: UUID, lifter_id: UUID, tested_by: UUID | None, test: CauseTest
) -> None:
    """Record what a test said."""
    run(
        connection, "add_cause_test", club_id=club_id, lifter_id=lifter_id, tested_by=tested_by,
        **vars(test),
    )  # fmt: skip


def list_cause_tests(connection: Connection, lifter_id: UUID) -> list[CauseTest]:
    """Results of tests, newest first."""
    return all_of(connection, CauseTest, "list_cause_tests", lifter_id=lifter_id)


def add_drill_result(
    connection: Connection, club_id: UUID, lifter_id: UUID, said_by: UUID | None, result_id: UUID,
    lift: str, stage: str, passed: bool,
) -> None:  # fmt: skip
    """Record whether a stage of a drill was passed."""
    run(
        connection, "add_drill_result", club_id=club_id, lifter_id=lifter_id, said_by=said_by,
        result_id=result_id, lift=lift, stage=stage, passed=passed,
    )  # fmt: skip


def passed_stages(connection: Connection, lifter_id: UUID, since: datetime) -> set[tuple[str, str]]:
    """(lift, stage) of every stage that was passed since a moment."""
    return set(tuples_of(connection, "passed_stages", lifter_id=lifter_id, since=since))
