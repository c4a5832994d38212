"""The demo club is taken away whole, stays away, and comes again when it is asked for."""

import psycopg
import pytest
from fastapi.testclient import TestClient

from pavrik.api.app import create_app
from pavrik.api.settings import Settings
from pavrik.cli import start
from pavrik.cli.main import main
from pavrik.demo import load
from tests.api.helpers import Coach, add_club
from tests.conftest import CHEAP


@pytest.fixture
def demo(server, demo_template, monkeypatch) -> str:
    """Name of a database with the demo club and one of its own."""
    name = server.copy(demo_template)
    add_club(server.owner_url(name), "Own", ("owner@own.example", "owner"))
    monkeypatch.setenv("PAVRIK_DATABASE_URL", server.app_url(name))
    return name


def rows_of(server, name: str) -> dict[str, int]:
    """How many rows every table has that belongs to clubs, by clubs that are there."""
    with psycopg.connect(server.owner_url(name)) as connection:
        tables = connection.execute(
            """select table_name from information_schema.columns join information_schema.tables
               using (table_schema, table_name)
               where column_name = 'club_id' and table_schema = 'public'
                 and table_type = 'BASE TABLE'"""
        ).fetchall()
        return {
            table: connection.execute(f"select count(*) from {table}").fetchone()[0]
            for (table,) in tables
        }


def test_the_demo_goes_whole_and_nothing_else_goes(server, demo, monkeypatch, capsys):
    before = rows_of(server, demo)
    assert before["training_set"] > 100
    assert before["club"] == 2
    assert main(["demo", "--remove"]) == 0
    left = {table: n for table, n in rows_of(server, demo).items() if n}
    assert left == {"club": 1, "coach": 1, "lifter_change": 1}, "of the club of its own"
    assert start._load_demo(server.app_url(demo)) is False, "start does not bring it back"
    monkeypatch.setattr(load, "PEOPLE", load.PEOPLE[:1])
    monkeypatch.setattr(load, "film_lifters", lambda *_: None)
    assert main(["demo", "--reset"]) == 0
    assert rows_of(server, demo)["lifter"] == 1
    assert start._load_demo(server.app_url(demo)) is True
    assert rows_of(server, demo)["lifter"] == 1


def test_who_entered_the_demo_removes_it_in_the_page_and_an_own_club_is_not_removed(server, demo):
    app = create_app(Settings(server.app_url(demo), None, hasher=CHEAP))
    with TestClient(app, "http://127.0.0.1:8460", client=("127.0.0.1", 50000)) as client:
        owner = Coach(client)
        owner.sign_in("owner@own.example")
        assert owner.send("DELETE", "/api/club/demo").status_code == 403
        owner.enter_demo()
        assert owner.send("DELETE", "/api/club/demo").status_code == 200
        assert owner.get("/api/floor").status_code == 401
        assert client.get("/api/session/doors").json() == {"own_club": False, "demo": False}
    assert rows_of(server, demo)["club"] == 1
