"""Answers that were computed once and stand until what they rest on changes."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from uuid import UUID

from pavrik.store.database import Connection
from pavrik.store.statements import one_of, run, tuples_of, value_of

NOBODY = UUID(int=0)
"""Whose answers those about the whole club are."""


@dataclass(frozen=True)
class Stamp:
    """What an answer rests on: the counts of facts, and the day at the club."""

    rests_on: str
    on_day: date


def stamp(connection: Connection, whose: UUID) -> Stamp:
    """Of one lifter and what the club has in common; of everything in it for ``NOBODY``."""
    found = one_of(connection, Stamp, "get_stamp", whose=whose, nobody=NOBODY)
    assert found is not None
    return found


def stamps(connection: Connection, lifter_ids: Sequence[UUID]) -> dict[UUID, Stamp]:
    """Of several lifters, each as ``stamp`` tells it."""
    rows = tuples_of(connection, "list_stamps", lifter_ids=list(lifter_ids), nobody=NOBODY)
    return {whose: Stamp(rests_on, on_day) for whose, rests_on, on_day in rows}


def find_all(
    connection: Connection, kind: str, asked: str, at: Mapping[UUID, Stamp], computed_by: str
) -> dict[UUID, str]:
    """Answers of one kind that still stand, as JSON by whose they are."""
    rows = tuples_of(connection, "list_kept", kind=kind, asked=asked, computed_by=computed_by)
    return {
        whose: answer
        for whose, rests_on, on_day, answer in rows
        if whose in at and at[whose] == Stamp(rests_on, on_day)
    }


def find(
    connection: Connection, whose: UUID, kind: str, asked: str, at: Stamp, computed_by: str
) -> str | None:
    """An answer, as JSON, that still stands; None where there is none."""
    answer: str | None = value_of(
        connection, "find_kept", whose=whose, kind=kind, asked=asked,
        computed_by=computed_by, **vars(at),
    )  # fmt: skip
    return answer


def keep(
    connection: Connection, club_id: UUID, whose: UUID, kind: str, asked: str, at: Stamp,
    computed_by: str, answer: str,
) -> None:  # fmt: skip
    """Keep an answer in the place of the one before."""
    run(
        connection, "keep_answer", club_id=club_id, whose=whose, kind=kind, asked=asked,
        computed_by=computed_by, answer=answer, **vars(at),
    )  # fmt: skip
