"""The coach's own faults, causes, remedies and variations, the cue on trial, results of tests."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID

from psycopg.rows import class_row
from psycopg.types.json import Jsonb

from pavrik.store.database import Connection


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
    return (
        connection.cursor(row_factory=class_row(Entry))
        .execute(
            """select kind, ident, body, hidden from (
                 select distinct on (kind, ident) kind, ident, body, hidden, entry_id
                 from library_entry order by kind, ident, said_at desc, entry_id desc) newest
               order by kind, ident"""
        )
        .fetchall()
    )


def add_entry(
    connection: Connection, club_id: UUID, entry_id: UUID, said_by: UUID | None, entry: Entry
) -> None:
    """Say something new about an id."""
    connection.execute(
        """insert into library_entry (club_id, entry_id, kind, ident, body, hidden, said_by)
           values (%s, %s, %s, %s, %s, %s, %s)""",
        (
            club_id, entry_id, entry.kind, entry.ident,
            Jsonb(entry.body) if entry.body is not None else None, entry.hidden, said_by,
        ),
    )  # fmt: skip


def add_cue_choice(
    connection: Connection, club_id: UUID, choice_id: UUID, lifter_id: UUID,
    chosen_by: UUID | None, choice: CueChoice,
) -> None:  # fmt: skip
    """Try a cue from now on, or end the trial with an empty one."""
    connection.execute(
        """insert into cue_choice (club_id, choice_id, lifter_id, lift, cue, chosen_at, chosen_by)
           values (%s, %s, %s, %s, %s, %s, %s)""",
        (club_id, choice_id, lifter_id, choice.lift, choice.cue, choice.chosen_at, chosen_by),
    )


def list_cue_choices(connection: Connection, lifter_id: UUID) -> list[CueChoice]:
    """Cues tried, newest first."""
    return (
        connection.cursor(row_factory=class_row(CueChoice))
        .execute(
            """select lift, cue, chosen_at from cue_choice where lifter_id = %s
               order by chosen_at desc, choice_id desc""",
            (lifter_id,),
        )
        .fetchall()
    )


def add_cause_test(
    connection: Connection, club_id: UUID, lifter_id: UUID, tested_by: UUID | None, test: CauseTest
) -> None:
    """Record what a test said."""
    connection.execute(
        """insert into cause_test (club_id, test_id, lifter_id, fault_id, cause_id, result, note,
             tested_at, tested_by) values (%s, %s, %s, %s, %s, %s, %s, %s, %s)""",
        (
            club_id, test.test_id, lifter_id, test.fault_id, test.cause_id, test.result, test.note,
            test.tested_at, tested_by,
        ),
    )  # fmt: skip


def list_cause_tests(connection: Connection, lifter_id: UUID) -> list[CauseTest]:
    """Results of tests, newest first."""
    return (
        connection.cursor(row_factory=class_row(CauseTest))
        .execute(
            """select test_id, fault_id, cause_id, result, note, tested_at from cause_test
               where lifter_id = %s order by tested_at desc, test_id desc""",
            (lifter_id,),
        )
        .fetchall()
    )
