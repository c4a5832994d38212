"""Single statements asked from the event loop, which costs no thread and no turn of one: each is a
transaction of its own that sees no club, but for a function that enters one."""

from typing import Any, TypeVar

import psycopg
from psycopg.rows import TupleRow, class_row
from psycopg_pool import AsyncConnectionPool

from pavrik.store.database import APP_ROLE, RECONNECT_S
from pavrik.store.statements import statement

T = TypeVar("T")


async def _become_app(connection: psycopg.AsyncConnection[TupleRow]) -> None:
    await connection.execute(f"set role {APP_ROLE}")


class Asking:
    """A way to PostgreSQL beside ``Database``. Open it in the loop that asks, close it there."""

    def __init__(self, url: str, *, most_connections: int = 4) -> None:
        self._pool = AsyncConnectionPool(
            url,
            kwargs={"autocommit": True},
            min_size=1,
            max_size=most_connections,
            timeout=5.0,
            reconnect_timeout=RECONNECT_S,
            configure=_become_app,
            open=False,
        )

    async def open(self) -> None:
        """Connect; raises psycopg's PoolTimeout when the server does not answer."""
        await self._pool.open(wait=True, timeout=15.0)

    async def close(self) -> None:
        """Give every connection back to the server."""
        await self._pool.close()

    async def one_of(self, kind: type[T], name: str, /, **given: Any) -> T | None:
        """The first row of a query that changes nothing, as a ``kind``; None where there is none.
        Where the server was lost meanwhile it is asked once more."""
        try:
            return await self._one_of(kind, name, given)
        except psycopg.OperationalError:
            await self._pool.check()
            return await self._one_of(kind, name, given)

    async def _one_of(self, kind: type[T], name: str, given: dict[str, Any]) -> T | None:
        async with self._pool.connection() as connection:
            cursor = connection.cursor(row_factory=class_row(kind))
            await cursor.execute(statement(name), given)
            return await cursor.fetchone()
