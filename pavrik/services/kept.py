"""Answers computed once: kept in the database until a fact that they rest on changes, computed by
one request where several ask the same at once."""

import hashlib
import json
from collections.abc import Callable, Iterator, Mapping
from contextlib import contextmanager
from dataclasses import dataclass
from functools import cache
from pathlib import Path
from threading import Lock
from typing import TypeVar
from uuid import UUID

from pydantic import BaseModel

import pavrik
from pavrik.services.context import Who
from pavrik.services.writes import digest_of
from pavrik.store import kept as store
from pavrik.store.asking import Asking
from pavrik.store.database import Connection, Database

NOBODY = store.NOBODY


@cache
def _computed_by() -> str:
    """Digest of the code and its catalogues: an answer of other code does not stand."""
    told = hashlib.sha256()
    root = Path(pavrik.__file__).parent
    for path in sorted(root.rglob("*")):
        if path.suffix in (".py", ".json", ".sql"):
            told.update(path.relative_to(root).as_posix().encode())
            told.update(path.read_bytes())
    return told.hexdigest()[:16]


_turns: dict[tuple[object, ...], Lock] = {}
_door = Lock()


@contextmanager
def _one_at_a_time(question: tuple[object, ...]) -> Iterator[None]:
    with _door:
        turn = _turns.setdefault(question, Lock())
    try:
        with turn:
            yield
    finally:
        with _door:
            _turns.pop(question, None)


@dataclass(frozen=True)
class Question:
    """What is asked of a lifter, or of the club for ``NOBODY``: a kind, and its particulars."""

    kind: str
    whose: UUID
    asked: tuple[str, ...] = ()


def kept_answer(
    database: Database, who: Who, question: Question, compute: Callable[[], BaseModel | None],
    *, renewing: bool = False,
) -> str | None:  # fmt: skip
    """The JSON of an answer: the one that is kept, while nothing changed, else ``compute``'s, which
    is kept; None where there is none yet. A change while it is computed makes it computed again the
    next time."""
    asked = _asked(question)

    def look() -> tuple[store.Stamp, str | None]:
        with database.one_statement() as connection:
            return store.look_up(connection, who.club_id, asked)

    at, found = look()
    if found is not None:
        return found
    with _one_at_a_time((who.club_id, asked)):
        at, found = look()
        if found is not None:
            return found
        made = compute()
        if made is None:
            return None
        answer, in_full = made.model_dump_json(), json.dumps(question.asked)
        with database.club(who.club_id) as connection:
            store.keep(connection, who.club_id, asked, at, answer, in_full, renewed=renewing)
        return answer


async def standing_answer(
    asking: Asking, token_digest: str, question: Question
) -> tuple[Who, str | None] | None:
    """Who asks, by the digest of the session's token, and the JSON of an answer that is kept while
    nothing changed, None where it is to be computed; None where the session is nobody's."""
    found = await store.find_for_session(asking, token_digest, _asked(question))
    if found is None:
        return None
    return Who(found.club_id, found.coach_id, found.role), found.answer


def _asked(question: Question) -> store.Asked:
    digest = digest_of(question.asked)
    return store.Asked(question.whose, question.kind, digest, _computed_by())


ASKED_WITHIN_MIN = 60
"""What nobody asked to be computed for so long is not renewed until somebody asks again."""


def question_to_renew(database: Database, who: Who) -> Question | None:
    """What was asked in a club lately, is answered by facts of before, and comes first."""
    with database.club(who.club_id) as connection:
        found = store.find_to_renew(connection, _computed_by(), ASKED_WITHIN_MIN)
    if found is None:
        return None
    return Question(found.kind, found.whose, tuple(found.question))


def give_up(database: Database, who: Who, question: Question) -> None:
    """What cannot be answered now is not tried again until somebody asks it."""
    asked = _asked(question)
    with database.club(who.club_id) as connection:
        store.give_up(connection, asked)


Part = TypeVar("Part", bound=BaseModel)


def kept_parts(
    connection: Connection, who: Who, kind: str, form: type[Part],
    parts: Mapping[UUID, Callable[[], Part]],
) -> dict[UUID, Part]:  # fmt: skip
    """What is read of every lifter, by lifter: those parts that are kept, while nothing of theirs
    changed, and the others made anew and kept. They are read, not computed: all in the caller's
    transaction, in one order for everybody, so that nobody waits for who waits for him."""
    at = store.stamps(connection, list(parts))
    found: dict[UUID, Part] = {}
    kept = store.find_all(connection, kind, digest_of(()), at, _computed_by())
    for whose, answer in kept.items():
        found[whose] = form.model_validate_json(answer)
    for whose in sorted(parts):
        if whose not in found:
            found[whose] = made = parts[whose]()
            asked, answer = _asked(Question(kind, whose)), made.model_dump_json()
            store.keep(connection, who.club_id, asked, at[whose], answer)
    return found
