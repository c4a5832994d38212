"""SQL by name: every statement stands in a file of ``sql/`` under a verb_noun name, with named
parameters. A dict given as a parameter is stored as JSON."""

from collections.abc import Iterable, Mapping
from pathlib import Path
from typing import Any, TypeVar

import aiosql
import psycopg
from psycopg.rows import class_row
from psycopg.types.json import JsonbDumper

from pavrik.store.database import Connection

T = TypeVar("T")
_QUERIES = aiosql.from_path(Path(__file__).with_name("sql"), "psycopg", mandatory_parameters=False)
psycopg.adapters.register_dumper(dict, JsonbDumper)


def statement(name: str) -> bytes:
    """The SQL of a name. Raises AttributeError for a name that no file has."""
    return str(getattr(_QUERIES, name).sql).encode()


def all_of(connection: Connection, kind: type[T], name: str, /, **given: Any) -> list[T]:
    """Every row of a query as a ``kind``, whose fields are the columns."""
    cursor = connection.cursor(row_factory=class_row(kind))
    return cursor.execute(statement(name), given).fetchall()


def one_of(connection: Connection, kind: type[T], name: str, /, **given: Any) -> T | None:
    """The first row of a query as a ``kind``; None where there is none."""
    cursor = connection.cursor(row_factory=class_row(kind))
    return cursor.execute(statement(name), given).fetchone()


def tuples_of(connection: Connection, name: str, /, **given: Any) -> list[tuple[Any, ...]]:
    """Every row of a query as a tuple."""
    return connection.execute(statement(name), given).fetchall()


def value_of(connection: Connection, name: str, /, **given: Any) -> Any:
    """The first column of a query's first row; None where there is none."""
    row = connection.execute(statement(name), given).fetchone()
    return row[0] if row else None


def run(connection: Connection, name: str, /, **given: Any) -> int:
    """Run a statement; the number of rows that it touched."""
    return connection.execute(statement(name), given).rowcount


def run_each(connection: Connection, name: str, given: Iterable[Mapping[str, Any]]) -> None:
    """Run a statement once for each set of parameters."""
    connection.cursor().executemany(statement(name), list(given))
