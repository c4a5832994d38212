"""One pool of connections; every transaction names its club, or what a sign-in knows."""

from collections.abc import Hashable, Iterator
from contextlib import contextmanager
from typing import Any
from uuid import UUID
from weakref import WeakKeyDictionary

import psycopg
from psycopg.rows import TupleRow
from psycopg_pool import ConnectionPool

from pavrik.store.errors import refused

Connection = psycopg.Connection[TupleRow]
APP_ROLE = "pavrik_app"
RECONNECT_S = 2.0
"""How long the pool tries again by itself, ever more rarely, after the server was lost; after that
the next request tries at once, so that nobody waits for a server that is back."""


_ONE_MOMENT = "isolation level repeatable read"
answers_of: WeakKeyDictionary[Connection, dict[Hashable, Any]] = WeakKeyDictionary()
"""What was answered in a transaction that only reads, by what was asked."""


def _enter(connection: Connection, club_id: UUID) -> None:
    connection.execute("select enter_club(%s)", (club_id,))


def become_app(connection: Connection) -> None:
    """Act as the application's role, which can bypass nothing."""
    connection.execute(f"set role {APP_ROLE}")
    connection.commit()


class Database:
    """The application's way to PostgreSQL. Open it once, close it at the end."""

    def __init__(self, url: str, *, most_connections: int = 8) -> None:
        self.url = url
        self._pool = ConnectionPool(
            url,
            min_size=1,
            max_size=most_connections,
            timeout=5.0,
            reconnect_timeout=RECONNECT_S,
            configure=become_app,
            check=ConnectionPool.check_connection,
            open=False,
        )

    def open(self) -> None:
        """Connect; raises psycopg's PoolTimeout when the server does not answer."""
        self._pool.open(wait=True, timeout=15.0)

    def close(self) -> None:
        """Give every connection back to the server."""
        self._pool.close()

    @contextmanager
    def _transaction(self, kind: str = "", **settings: str) -> Iterator[Connection]:
        with self._pool.connection() as connection:
            try:
                with connection.transaction():
                    if kind:
                        connection.execute(f"set transaction {kind}")
                    for name, value in settings.items():
                        connection.execute(
                            "select set_config(%s, %s, true)", (f"pavrik.{name}", value)
                        )
                    yield connection
            except psycopg.IntegrityError as error:
                raise refused(error) from error

    @contextmanager
    def club(self, club_id: UUID, *, as_of_one_moment: bool = False) -> Iterator[Connection]:
        """A transaction that sees one club and nothing else, on the club's own clock: what is read
        as a moment carries its time zone, so that its date is the day it was there. What others
        write meanwhile is not seen ``as_of_one_moment``."""
        kind = _ONE_MOMENT if as_of_one_moment else ""
        with self._transaction(kind) as connection:
            _enter(connection, club_id)
            yield connection

    @contextmanager
    def reading(self, club_id: UUID) -> Iterator[Connection]:
        """The same for reading alone: all of one moment, whatever others write meanwhile, and what
        was asked once is not asked of the server again."""
        with self._transaction(f"{_ONE_MOMENT}, read only") as connection:
            _enter(connection, club_id)
            answers_of[connection] = {}
            try:
                yield connection
            finally:
                del answers_of[connection]

    @contextmanager
    def one_statement(self) -> Iterator[Connection]:
        """For one statement, in one turn: a transaction of its own that sees no club, but for a
        function that enters one."""
        with self._pool.connection() as connection:
            connection.autocommit = True
            try:
                yield connection
            finally:
                if not connection.closed:
                    connection.autocommit = False

    @contextmanager
    def signing_in(self, name: str) -> Iterator[Connection]:
        """A transaction that sees the one coach or session that ``name`` (e-mail, token digest,
        or "demo") stands for."""
        with self._transaction(sign_in=name) as connection:
            yield connection

    @contextmanager
    def founding(self, club_id: UUID, name: str) -> Iterator[Connection]:
        """A transaction in which a new club begins, and what a sign-in knows under ``name``."""
        with self._transaction(club_id=str(club_id), sign_in=name) as connection:
            yield connection

    def look_through_tables(self) -> None:
        """Let PostgreSQL see what is there, after much came in at once: until then it plans as if
        nothing had."""
        with self.one_statement() as connection:
            connection.execute("select look_through_tables()")

    def answers(self) -> bool:
        """True when a query comes back."""
        try:
            with self._pool.connection(timeout=2.0) as connection:
                connection.execute("select 1")
        except psycopg.Error:
            return False
        return True
