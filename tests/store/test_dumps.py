"""A whole installation is dumped and comes back elsewhere: every fact, sessions, links."""

import shutil
import tempfile
from collections.abc import Iterator
from pathlib import Path

import psycopg
import pytest
from fastapi.testclient import TestClient

from pavrik.api.app import create_app
from pavrik.api.settings import Settings
from pavrik.cli.main import main
from pavrik.cli.start import only_one
from pavrik.store.cluster import UNSAFE_BUT_FAST, Cluster
from pavrik.store.dumps import READS_ALL
from pavrik.store.migrate import migrate
from pavrik.store.setup import DATABASE
from tests.api.helpers import Coach, a_set, add_club, add_lifter
from tests.conftest import CHEAP, Server

ADDRESS = "http://127.0.0.1:8460"
OWNER = "owner@kept.example"


def every_fact(superuser_url: str) -> dict[str, str]:
    """A digest of the rows of every table."""
    with psycopg.connect(superuser_url) as connection:
        tables = connection.execute(
            "select tablename from pg_tables where schemaname = 'public' order by 1"
        ).fetchall()
        return {
            name: connection.execute(
                f"select md5(string_agg(t::text, chr(10) order by t::text)) from {name} t"
            ).fetchone()[0]
            for (name,) in tables
        }


def client_of(url: str) -> TestClient:
    app = create_app(Settings(url, None, hasher=CHEAP))
    return TestClient(app, ADDRESS, client=("127.0.0.1", 50000))


@pytest.fixture(scope="module")
def modest(server: Server) -> str:
    """URL of a database whose owner is no superuser and may not pass row-level security by."""
    with psycopg.connect(server.owner_url("postgres"), autocommit=True) as connection:
        connection.execute("create role modest_owner login createrole createdb")
        connection.execute("create database modest owner modest_owner template template0")
    url = server.owner_url("modest").replace("pavrik_owner:", "modest_owner:")
    migrate(url)
    return url


@pytest.fixture(scope="module")
def kept(server: Server, modest: str, tmp_path_factory) -> dict:
    """A club on such a database: a coach, a lifter with a set and a link; and its dump."""
    add_club(server.owner_url("modest"), "Kept", (OWNER, "owner"))
    with client_of(modest) as client:
        coach = Coach(client)
        assert coach.sign_in(OWNER).status_code == 200
        lifter = add_lifter(coach, name="Whole")
        assert coach.post(f"/api/lifters/{lifter}/sets", a_set()).status_code == 201
        made = coach.post(f"/api/lifters/{lifter}/links", {"link_id": lifter, "days": 7})
        assert made.status_code == 200, made.text
        cookies = dict(client.cookies)
    dump = tmp_path_factory.mktemp("dumps") / "kept.dump"
    with pytest.MonkeyPatch.context() as patch:
        patch.setenv("PAVRIK_DATABASE_URL", modest)
        assert main(["backup", str(dump)]) == 0
    token = made.json()["path"].rsplit("/", 1)[1]
    return {"dump": dump, "lifter": lifter, "token": token, "cookies": cookies}


@pytest.fixture
def elsewhere(monkeypatch) -> Iterator[Cluster]:
    """An empty machine: a folder without a database."""
    folder = Path(tempfile.mkdtemp(prefix="pvd"))
    folder.chmod(0o755)
    monkeypatch.delenv("PAVRIK_DATABASE_URL", raising=False)
    monkeypatch.setenv("PAVRIK_STATE", str(folder))
    cluster = Cluster(folder, options=UNSAFE_BUT_FAST)
    yield cluster
    cluster.stop()
    shutil.rmtree(folder, ignore_errors=True)


def test_an_owner_who_is_no_superuser_dumps_every_club_and_leaves_no_way_in_behind(
    server, modest, kept
):
    with psycopg.connect(server.owner_url("modest")) as connection:
        left = connection.execute(
            "select from pg_policies where policyname = %s", (READS_ALL,)
        ).fetchall()
    assert left == []
    with psycopg.connect(modest) as connection:
        assert connection.execute("select from training_set").fetchall() == [], "still forced"


def test_on_an_empty_machine_everything_is_there_again_and_the_coach_still_signed_in(
    server, kept, elsewhere, capsys
):
    assert main(["restore", str(kept["dump"])]) == 0
    assert "./start serves it" in capsys.readouterr().out
    port = elsewhere.start()
    before = every_fact(server.owner_url("modest"))
    assert every_fact(elsewhere.owner_url(port, DATABASE)) == before
    assert before["training_set"]
    with client_of(elsewhere.app_url(port, DATABASE)) as client:
        assert client.get(f"/api/shared/{kept['token']}").status_code == 200
        client.cookies.update(kept["cookies"])
        assert client.get(f"/api/lifters/{kept['lifter']}").json()["profile"]["name"] == "Whole"
    elsewhere.stop()
    assert main(["restore", str(kept["dump"])]) == 2
    assert "there is already a club here (Kept)" in capsys.readouterr().err
    assert main(["restore", str(kept["dump"]), "--replace"]) == 0
    assert "Kept is kept as database pavrik_before_" in capsys.readouterr().out


def test_nothing_is_restored_under_a_pavrik_that_runs(kept, elsewhere, capsys):
    with only_one(elsewhere.folder):
        assert main(["restore", str(kept["dump"])]) == 2
    assert "already running from this folder" in capsys.readouterr().err


def test_a_broken_dump_leaves_the_club_that_is_there(kept, elsewhere, tmp_path, capsys):
    assert main(["restore", str(kept["dump"])]) == 0
    broken = tmp_path / "broken.dump"
    broken.write_bytes(kept["dump"].read_bytes()[:-4000])
    assert main(["restore", str(broken), "--replace"]) == 2
    assert "pg_restore failed" in capsys.readouterr().err
    port = elsewhere.start()
    with psycopg.connect(elsewhere.owner_url(port, DATABASE)) as connection:
        assert connection.execute("select name from club").fetchall() == [("Kept",)]
