"""Answers computed once: kept in the database until a fact that they rest on changes, computed by
one request where several ask the same at once."""

import hashlib
from collections.abc import Callable, Iterator, Mapping
from contextlib import contextmanager
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


def kept_answer(
    database: Database, who: Who, whose: UUID, kind: str, asked: object,
    compute: Callable[[], BaseModel],
) -> str:  # fmt: skip
    """The JSON of an answer about a lifter, or about the club for ``NOBODY``: the one that is kept,
    while nothing changed, else ``compute``'s, which is kept. A change while it is computed makes it
    computed again the next time."""
    digest = digest_of(asked)
    question = (who.club_id, whose, kind, digest)

    def look() -> tuple[store.Stamp, str | None]:
        with database.club(who.club_id) as connection:
            at = store.stamp(connection, whose)
            return at, store.find(connection, whose, kind, digest, at, _computed_by())

    at, found = look()
    if found is not None:
        return found
    with _one_at_a_time(question):
        at, found = look()
        if found is not None:
            return found
        answer = compute().model_dump_json()
        with database.club(who.club_id) as connection:
            store.keep(connection, who.club_id, whose, kind, digest, at, _computed_by(), answer)
        return answer


Part = TypeVar("Part", bound=BaseModel)


def kept_parts(
    connection: Connection, who: Who, kind: str, form: type[Part],
    parts: Mapping[UUID, Callable[[], Part]],
) -> dict[UUID, Part]:  # fmt: skip
    """What is read of every lifter, by lifter: those parts that are kept, while nothing of theirs
    changed, and the others made anew and kept. They are read, not computed: all in the caller's
    transaction."""
    at, asked = store.stamps(connection, list(parts)), digest_of(None)
    found: dict[UUID, Part] = {}
    for whose, answer in store.find_all(connection, kind, asked, at, _computed_by()).items():
        found[whose] = form.model_validate_json(answer)
    for whose, make in parts.items():
        if whose not in found:
            found[whose] = made = make()
            store.keep(
                connection, who.club_id, whose, kind, asked, at[whose], _computed_by(),
                made.model_dump_json(),
            )  # fmt: skip
    return found
