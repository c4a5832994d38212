"""What is asked again and again, each with what answers it: by a coach who waits, or beside him."""

from collections.abc import Callable
from uuid import UUID

from pydantic import BaseModel, RootModel

from pavrik.services.club import board
from pavrik.services.context import Who
from pavrik.services.kept import NOBODY, Question, kept_answer
from pavrik.services.lifters import record
from pavrik.services.plans import planning
from pavrik.services.setups import sureness
from pavrik.services.training import review, session
from pavrik.store.database import Database

FLOOR = Question("floor", NOBODY)


def lifter_record(lifter_id: UUID) -> Question:
    """A lifter's record."""
    return Question("lifter", lifter_id)


def plan(lifter_id: UUID) -> Question:
    """The plan that stands."""
    return Question("plan", lifter_id)


def log_review(lifter_id: UUID, lift: str) -> Question:
    """What the log of a lift knows."""
    return Question("review", lifter_id, (lift,))


def ranking(lifter_id: UUID, lift: str) -> Question:
    """The ranked set-ups, where their bodies are drawn."""
    return Question("ranking", lifter_id, (lift,))


def platform(lifter_ids: list[UUID], lift: str) -> Question:
    """The session of one lifter or of a group in turn."""
    whose = lifter_ids[0] if len(lifter_ids) == 1 else NOBODY
    return Question("platform", whose, (lift, *map(str, lifter_ids)))


def _floor(database: Database, who: Who, _: Question) -> BaseModel:
    return RootModel(board.board(database, who))


def _lifter_record(database: Database, who: Who, asked: Question) -> BaseModel:
    return record.lifter_record(database, who, asked.whose)


def _plan(database: Database, who: Who, asked: Question) -> BaseModel:
    return planning.read(database, who, asked.whose)


def _review(database: Database, who: Who, asked: Question) -> BaseModel:
    return review.review(database, who, asked.whose, asked.asked[0])


def _ranking(database: Database, who: Who, asked: Question) -> BaseModel | None:
    return sureness.known_ranking(asked.asked[0], database, who, asked.whose)


def _platform(database: Database, who: Who, asked: Question) -> BaseModel:
    lift, *lifter_ids = asked.asked
    return session.platform(database, who, [UUID(i) for i in lifter_ids], lift)


ANSWERS: dict[str, Callable[[Database, Who, Question], BaseModel | None]] = {
    "floor": _floor, "lifter": _lifter_record, "plan": _plan, "review": _review,
    "ranking": _ranking, "platform": _platform,
}  # fmt: skip


def find_answer(
    database: Database, who: Who, question: Question, *, renewing: bool = False
) -> str | None:
    """The JSON of an answer, kept or made now; None where there is none yet."""

    def make() -> BaseModel | None:
        return ANSWERS[question.kind](database, who, question)

    return kept_answer(database, who, question, make, renewing=renewing)
