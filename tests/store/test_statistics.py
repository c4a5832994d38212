"""PostgreSQL plans for what is there: it is told after much came in at once, by nobody's right but
the owner's."""

import psycopg
import pytest
from uuid6 import uuid7

from tests.api.helpers import add_club


def rows_known(url: str, table: str) -> float:
    """How many rows PostgreSQL believes in; -1 where it never looked."""
    with psycopg.connect(url) as owner:
        found = owner.execute("select reltuples from pg_class where relname = %s", (table,))
        row = found.fetchone()
    assert row is not None
    return float(row[0])


def test_the_application_has_tables_looked_through_that_it_does_not_own(
    server, empty_name, open_database
):
    url = server.owner_url(empty_name)
    club_id = add_club(url, "Counted")
    database = open_database(server.app_url(empty_name))
    with database.club(club_id) as connection:
        connection.execute("insert into lifter values (%s, %s)", (club_id, uuid7()))
    assert rows_known(url, "lifter") < 1
    database.look_through_tables()
    known = rows_known(url, "lifter")
    assert known >= 1
    with database.club(club_id) as connection:
        connection.execute("insert into lifter values (%s, %s)", (club_id, uuid7()))
    database.look_through_tables()
    assert rows_known(url, "lifter") == known, "a table that hardly grew is left"
    with psycopg.connect(url) as stranger:
        stranger.execute("create role nobody_here nologin")
        stranger.execute("set role nobody_here")
        with pytest.raises(psycopg.errors.InsufficientPrivilege):
            stranger.execute("select look_through_tables()")
        stranger.rollback()


def test_after_the_demo_the_log_is_known(server, demo_name):
    assert 1600 / 2 < rows_known(server.owner_url(demo_name), "training_set") < 1600 * 2
