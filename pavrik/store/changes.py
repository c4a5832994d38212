"""What the database says of changes as they happen."""

from types import TracebackType
from typing import Self
from uuid import UUID

import psycopg

from pavrik.store.database import become_app

CHANNEL = "pavrik_changed"
"""The database says on it whose facts changed: see ``tell_change`` in the migrations."""


class Changes:
    """A connection that hears which clubs' facts changed. Use it in ``with``."""

    def __init__(self, url: str) -> None:
        self._connection = psycopg.connect(url, autocommit=True)
        become_app(self._connection)
        self._connection.execute(f"listen {CHANNEL}")

    def heard(self, wait_s: float) -> list[UUID]:
        """The clubs that were heard of since, each once; waits at most ``wait_s`` for the first.
        Raises psycopg's OperationalError where the server is gone."""
        found = [note.payload for note in self._connection.notifies(timeout=wait_s, stop_after=1)]
        found += [note.payload for note in self._connection.notifies(timeout=0)]
        return [UUID(club) for club in dict.fromkeys(found)]

    def __enter__(self) -> Self:
        return self

    def __exit__(
        self, kind: type[BaseException] | None, error: BaseException | None,
        trace: TracebackType | None,
    ) -> None:  # fmt: skip
        self._connection.close()
