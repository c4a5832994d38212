"""Steps of the database: those that were shipped stay as they are, and every later one builds on
them."""

import hashlib
import json
from pathlib import Path

import psycopg
import pytest

from pavrik.store import migrate as module
from pavrik.store.migrate import migrate, shipped_migrations
from tests.conftest import Server

SHIPPED = Path(__file__).parent / "data" / "shipped_migrations.json"
KEPT_AGAIN = 27


def test_a_step_that_was_shipped_is_never_changed():
    """A database that has taken it does not take it again: what changes needs a step of its own."""
    stand = {
        name: hashlib.sha256(sql.encode()).hexdigest() for _, name, sql in shipped_migrations()
    }
    shipped = json.loads(SHIPPED.read_text())
    assert {name: stand.get(name) for name in shipped} == shipped


@pytest.fixture
def of_before(server: Server, monkeypatch):
    """A database as the last version but this one left it."""
    with psycopg.connect(server.owner_url("postgres"), autocommit=True) as connection:
        connection.execute("create database step_25 template template0")
    every, url = shipped_migrations(), server.owner_url("step_25")
    monkeypatch.setattr(module, "shipped_migrations", lambda: [m for m in every if m[0] <= 25])
    migrate(url)
    monkeypatch.undo()
    yield url
    with psycopg.connect(server.owner_url("postgres"), autocommit=True) as connection:
        connection.execute("drop database step_25 with (force)")


def columns(connection, table):
    found = connection.execute(
        "select column_name from information_schema.columns where table_name = %s", (table,)
    )
    return {name for (name,) in found}


def test_a_database_of_the_last_version_keeps_its_answers_by_whose_they_are(of_before):
    with psycopg.connect(of_before, autocommit=True) as connection:
        assert "lifter_id" in columns(connection, "kept_answer")
    since = [number for number, _, _ in shipped_migrations() if number > 25]
    assert [int(name[:4]) for name in migrate(of_before)] == since
    again = next(sql for number, _, sql in shipped_migrations() if number == KEPT_AGAIN)
    with psycopg.connect(of_before, autocommit=True) as connection:
        connection.execute(again.encode())
        for table in ("kept_answer", "lifter_change"):
            assert {"club_id", "whose"} <= columns(connection, table)
            assert "lifter_id" not in columns(connection, table)
        fired = connection.execute(
            "select count(*) from pg_trigger where tgname = 'forget_answers'"
        ).fetchone()
        assert fired == (1,)
