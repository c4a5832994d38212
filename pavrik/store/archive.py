"""Every fact of a club, table by table as JSON, out and in. A table that comes later is not
forgotten: what has a club is found in the database itself."""

from collections.abc import Iterator, Sequence
from graphlib import TopologicalSorter
from uuid import UUID

from psycopg import sql

from pavrik.store.database import Connection
from pavrik.store.migrate import shipped_migrations
from pavrik.store.statements import tuples_of, value_of

LEFT_OUT = frozenset(
    [
        "club",
        "session",
        "idempotent_write",
        "job",
        "fit",
        "card_link",
        "coach_link",
        "lifter_change",
        "kept_answer",
    ]
)
"""What belongs to one installation or is computed anew: sessions, links, kept answers."""
SECRET = {"coach": ("password_hash",)}
"""Columns that never leave."""
NOBODYS_HASH = "!"
"""No password belongs to it: who comes in with a club chooses one by a link."""


def schema() -> int:
    """Number of the newest migration, which says what the tables look like."""
    return shipped_migrations()[-1][0]


def tables(connection: Connection) -> list[str]:
    """Tables with a club's facts, each behind those it refers to."""
    found = {name for (name,) in tuples_of(connection, "list_club_tables")} - LEFT_OUT
    refers: dict[str, set[str]] = {name: set() for name in sorted(found)}
    for name, to in tuples_of(connection, "list_references"):
        if name in found and to in found and name != to:
            refers[name].add(to)
    return [*TopologicalSorter(refers).static_order()]


def rows_of(connection: Connection, table: str) -> Iterator[str]:
    """Every row of the club in a table as JSON, by its key."""
    secret: sql.Composable = sql.SQL("").join(
        sql.SQL(" - {}").format(sql.Literal(column)) for column in SECRET.get(table, ())
    )
    query = sql.SQL("select (to_jsonb(t) - 'club_id'{})::text from {} t order by 1").format(
        secret, sql.Identifier(table)
    )
    with connection.cursor(name="rows_of") as cursor:
        for (row,) in cursor.execute(query):
            yield row


def add_rows(
    connection: Connection, club_id: UUID, table: str, columns: Sequence[str], rows: str
) -> None:
    """Put rows, a JSON array of objects with these columns, into a table of the club. Raises
    psycopg's errors where they do not fit."""
    given: dict[str, sql.Composable] = {
        **{column: sql.Identifier(column) for column in columns},
        "club_id": sql.Literal(club_id),
        **{column: sql.Literal(NOBODYS_HASH) for column in SECRET.get(table, ())},
    }
    connection.execute(
        sql.SQL("insert into {} ({}) select {} from jsonb_populate_recordset(null::{}, %s)").format(
            sql.Identifier(table),
            sql.SQL(", ").join(map(sql.Identifier, given)),
            sql.SQL(", ").join(given.values()),
            sql.Identifier(table),
        ),
        (rows,),
    )


def columns_of(connection: Connection, table: str) -> frozenset[str]:
    """Names of a table's columns."""
    return frozenset(name for (name,) in tuples_of(connection, "list_columns", table=table))


def count_on_behind(connection: Connection, number: int) -> None:
    """Facts from now on are counted behind this number."""
    value_of(connection, "count_on_behind", number=number)
