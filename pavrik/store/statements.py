"""SQL by name: every statement stands in a file of ``sql/`` under a verb_noun name, with named
parameters. A dict given as a parameter is stored as JSON."""

from collections.abc import Iterable, Mapping
from pathlib import Path
from typing import Any, TypeVar

import aiosql
import psycopg
from psycopg.rows import class_row, tuple_row
from psycopg.types.json import JsonbDumper, set_json_loads
from pydantic_core import from_json

from pavrik.store.database import Connection, answers_of

T = TypeVar("T")
_QUERIES = aiosql.from_path(Path(__file__).with_name("sql"), "psycopg", mandatory_parameters=False)
psycopg.adapters.register_dumper(dict, JsonbDumper)
set_json_loads(from_json)


def statement(name: str) -> bytes:
    """The SQL of a name. Raises AttributeError for a name that no file has."""
    return str(getattr(_QUERIES, name).sql).encode()


def _rows(connection: Connection, kind: type[T], name: str, given: Mapping[str, Any]) -> list[T]:
    """Every row of a query; where a transaction only reads, asked of the server once."""
    known = answers_of.get(connection)
    if known is None:
        return _ask(connection, kind, name, given)
    asked = (kind, name, *((key, _hashable(value)) for key, value in given.items()))
    if asked not in known:
        known[asked] = _ask(connection, kind, name, given)
    return [*known[asked]]


def _ask(connection: Connection, kind: type[T], name: str, given: Mapping[str, Any]) -> list[T]:
    made: Any = tuple_row if kind is tuple else class_row(kind)
    cursor: psycopg.Cursor[T] = connection.cursor(row_factory=made)
    return cursor.execute(statement(name), given).fetchall()


def _hashable(given: Any) -> Any:
    return tuple(given) if isinstance(given, list) else given


def all_of(connection: Connection, kind: type[T], name: str, /, **given: Any) -> list[T]:
    """Every row of a query as a ``kind``, whose fields are the columns."""
    return _rows(connection, kind, name, given)


def one_of(connection: Connection, kind: type[T], name: str, /, **given: Any) -> T | None:
    """The first row of a query as a ``kind``; None where there is none."""
    return next(iter(_rows(connection, kind, name, given)), None)


def tuples_of(connection: Connection, name: str, /, **given: Any) -> list[tuple[Any, ...]]:
    """Every row of a query as a tuple."""
    return _rows(connection, tuple, name, given)


def value_of(connection: Connection, name: str, /, **given: Any) -> Any:
    """The first column of a query's first row; None where there is none."""
    row = next(iter(tuples_of(connection, name, **given)), None)
    return row[0] if row else None


def run(connection: Connection, name: str, /, **given: Any) -> int:
    """Run a statement; the number of rows that it touched."""
    return connection.execute(statement(name), given).rowcount


def run_each(connection: Connection, name: str, given: Iterable[Mapping[str, Any]]) -> None:
    """Run a statement once for each set of parameters."""
    connection.cursor().executemany(statement(name), list(given))
