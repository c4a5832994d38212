"""Answers that were computed once and stand until what they rest on changes."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from uuid import UUID

from pavrik.store.asking import Asking
from pavrik.store.database import Connection
from pavrik.store.statements import one_of, run, tuples_of

NOBODY = UUID(int=0)
"""Whose answers those about the whole club are."""


@dataclass(frozen=True)
class Stamp:
    """What an answer rests on: the counts of facts, and the day at the club."""

    rests_on: str
    on_day: date


@dataclass(frozen=True)
class Asked:
    """A question: whose answer, of which kind, the digest of what was asked, by which code."""

    whose: UUID
    kind: str
    asked: str
    computed_by: str


@dataclass(frozen=True)
class ToRenew:
    """A question whose answer no longer stands, in full as JSON."""

    whose: UUID
    kind: str
    question: list[str]


@dataclass(frozen=True)
class _LookedUp:
    rests_on: str
    on_day: date
    answer: str | None


def look_up(connection: Connection, club_id: UUID, asked: Asked) -> tuple[Stamp, str | None]:
    """What an answer would rest on now, of one lifter and what the club has in common or of
    everything in it for ``NOBODY``; and the answer, as JSON, where one stands."""
    found = one_of(connection, _LookedUp, "look_up_answer", club_id=club_id, **vars(asked))
    assert found is not None
    return Stamp(found.rests_on, found.on_day), found.answer


@dataclass(frozen=True)
class ForSession:
    """Who asks, and the answer, as JSON, where one stands."""

    club_id: UUID
    coach_id: UUID
    role: str
    answer: str | None


async def find_for_session(asking: Asking, token_digest: str, asked: Asked) -> ForSession | None:
    """The same in one turn with whose session it is; None where it is nobody's."""
    return await asking.one_of(
        ForSession, "find_answer_for_session", token_digest=token_digest, **vars(asked)
    )


def find_to_renew(
    connection: Connection, computed_by: str, asked_within_min: int
) -> ToRenew | None:
    """What was asked within so many minutes and is answered by facts of before, and comes first."""
    return one_of(
        connection, ToRenew, "find_question_to_renew", nobody=NOBODY, computed_by=computed_by,
        minutes=asked_within_min,
    )  # fmt: skip


def give_up(connection: Connection, asked: Asked) -> None:
    """Let a question count as not asked until somebody asks it again."""
    run(
        connection, "give_up_question", whose=asked.whose, kind=asked.kind, asked=asked.asked
    )  # fmt: skip


def stamps(connection: Connection, lifter_ids: Sequence[UUID]) -> dict[UUID, Stamp]:
    """What answers of several lifters would rest on now."""
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


def keep(
    connection: Connection, club_id: UUID, asked: Asked, at: Stamp, answer: str,
    question: str | None = None, *, renewed: bool = False,
) -> None:  # fmt: skip
    """Keep an answer in the place of the one before; with the question in full, as JSON, it is
    renewed when it no longer stands. ``renewed`` where nobody asked now."""
    run(
        connection, "keep_answer", club_id=club_id, answer=answer, question=question,
        renewed=renewed, **vars(asked), **vars(at),
    )  # fmt: skip
