"""A whole club taken out and brought in elsewhere: equal fact for fact, and usable there."""

import io
import json
import re
import zipfile
from collections.abc import Callable, Iterator

import pytest
from fastapi.testclient import TestClient

from pavrik.api.app import create_app
from pavrik.api.settings import Settings
from pavrik.cli.main import main
from pavrik.services.club import founding, moving
from pavrik.store.database import Database
from tests.api.helpers import Coach, a_set, seen
from tests.api.planned import edit, make
from tests.conftest import CHEAP, Server

AWAY = "/api/session/club-archive"
BYTES = {"Content-Type": "application/octet-stream"}
PASSWORD = "a lift is a lift"


def facts_of(archive: bytes, *, but: str = "") -> dict[str, list[str]]:
    """The lines of every table of an archive."""
    with zipfile.ZipFile(io.BytesIO(archive)) as packed:
        return {
            name: sorted(packed.read(name).decode().splitlines())
            for name in packed.namelist()
            if name.endswith(".jsonl") and name != f"facts/{but}.jsonl"
        }


def changed(archive: bytes, name: str, change: Callable[[str], str]) -> bytes:
    """The archive with one of its files changed."""
    out = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(archive)) as old, zipfile.ZipFile(out, "w") as new:
        for entry in old.namelist():
            text = old.read(entry)
            new.writestr(entry, change(text.decode()) if entry == name else text)
    return out.getvalue()


@pytest.fixture
def archive(coach: Coach, lifter: str) -> bytes:
    """A club with a log, an amended set, a plan with an edit, a lifter who hurts; as its owner
    takes it out."""
    first = a_set(load_kg=120.0, faults=[seen("hips-rise", "out of the hole")])
    coach.post(f"/api/lifters/{lifter}/sets", first)
    coach.post(f"/api/lifters/{lifter}/sets", a_set(load_kg=122.5, replaces=first["set_id"]))
    plan = make(coach, lifter)
    day = plan["plan"]["weeks"][1]["days"][0]["day_id"]
    added = {"kind": "add", "line_id": "own-1", "day_id": day, "name": "rows", "lift": "other"}
    assert edit(coach, lifter, **added, sets=3, reps=8).status_code == 200
    coach.post(f"/api/lifters/{lifter}/flags", {"region": "knee"})
    taken = coach.get("/api/club/archive")
    assert taken.status_code == 200, taken.text
    return taken.content


@pytest.fixture
def elsewhere(server: Server) -> Iterator[tuple[TestClient, str]]:
    """A browser on an installation that has no club yet, and its database."""
    url = server.app_url(server.copy("pavrik"))
    app = create_app(Settings(url, None, hasher=CHEAP))
    local = ("127.0.0.1", 50000)
    with TestClient(
        app, "http://127.0.0.1:8460", client=local, raise_server_exceptions=False
    ) as client:
        yield client, url


def owner_there(client: TestClient, arrived: dict) -> Coach:
    """The owner, after choosing a password by the link."""
    body = {"token": arrived["path"].rsplit("/", 1)[1], "password": PASSWORD}
    assert client.post("/api/session/join", json=body).status_code == 200
    owner = Coach(client)
    assert owner.sign_in(arrived["owner_email"], PASSWORD).status_code == 200
    return owner


def test_a_club_is_equal_fact_for_fact_in_another_installation(archive, elsewhere, coach, lifter):
    client, _ = elsewhere
    came = client.post(AWAY, content=archive, headers=BYTES)
    assert came.status_code == 200, came.text
    arrived = came.json()
    assert (arrived["club"], arrived["owner_email"]) == ("First", "owner@first.example")
    owner = owner_there(client, arrived)
    again = owner.get("/api/club/archive").content
    assert facts_of(again, but="audit") == facts_of(archive, but="audit")
    assert len(facts_of(archive)["facts/training_set.jsonl"]) >= 10
    for what in ("/plan", "/sets", "", "/measurements"):
        here, there = (c.get(f"/api/lifters/{lifter}{what}").json() for c in (coach, owner))
        assert there == here, what
    assert owner.get("/api/floor").json() == coach.get("/api/floor").json()


def test_what_is_said_there_counts_behind_what_came(archive, elsewhere, lifter):
    client, _ = elsewhere
    owner = owner_there(client, client.post(AWAY, content=archive, headers=BYTES).json())
    profile = owner.get(f"/api/lifters/{lifter}").json()["profile"]
    owner.post(f"/api/lifters/{lifter}/profile", profile | {"mass_kg": 71.5})
    assert owner.get(f"/api/lifters/{lifter}").json()["profile"]["mass_kg"] == 71.5
    assert len(make(owner, lifter, weeks=5)["plan"]["weeks"]) == 5


def test_what_is_logged_while_a_club_is_taken_out_does_not_spoil_the_archive(
    coach, lifter, elsewhere, monkeypatch
):
    read = moving.archive.rows_of

    def read_slowly(connection, table):
        rows = [*read(connection, table)]
        if table == "training_set":
            late = a_set(faults=[seen("hips-rise", "out of the hole")])
            assert coach.post(f"/api/lifters/{lifter}/sets", late).status_code == 201
        return rows

    monkeypatch.setattr(moving.archive, "rows_of", read_slowly)
    taken = coach.get("/api/club/archive")
    came = elsewhere[0].post(AWAY, content=taken.content, headers=BYTES)
    assert came.status_code == 200, came.text


def test_no_password_and_no_way_in_leaves_with_a_club(archive):
    text = "".join(line for rows in facts_of(archive).values() for line in rows)
    assert "argon2" not in text
    assert "token" not in text
    with zipfile.ZipFile(io.BytesIO(archive)) as packed:
        assert "lifter" in packed.read("log.csv").decode().splitlines()[0]


def test_only_an_owner_takes_a_club_out(reader):
    assert reader.get("/api/club/archive").status_code == 403


def test_a_club_that_is_here_is_not_brought_in_twice(
    archive, elsewhere, tmp_path, monkeypatch, capsys
):
    client, url = elsewhere
    assert client.post(AWAY, content=archive, headers=BYTES).status_code == 200
    second = client.post(AWAY, content=archive, headers=BYTES)
    assert second.status_code == 403
    assert "needs a link" in second.json()["detail"]
    file = tmp_path / "club.zip"
    file.write_bytes(archive)
    monkeypatch.setenv("PAVRIK_DATABASE_URL", url)
    assert main(["import", str(file)]) == 2
    assert "First is here already" in capsys.readouterr().err


def test_the_operator_brings_a_club_in_and_gets_the_owners_link(
    archive, elsewhere, tmp_path, monkeypatch, capsys
):
    client, url = elsewhere
    file = tmp_path / "club.zip"
    file.write_bytes(archive)
    monkeypatch.setenv("PAVRIK_DATABASE_URL", url)
    assert main(["import", str(file), "--owner", "nobody@x.example"]) == 2
    assert "its owners are owner@first.example" in capsys.readouterr().err
    assert main(["import", str(tmp_path / "none.zip")]) == 2
    assert "cannot read" in capsys.readouterr().err
    assert main(["import", str(file)]) == 0
    link = capsys.readouterr().out.splitlines()[0]
    owner_there(client, {"path": link, "owner_email": "owner@first.example"})


def test_a_link_for_somebody_else_opens_no_door_for_this_club(archive, elsewhere, open_database):
    client, url = elsewhere
    database: Database = open_database(url)
    strange = founding.invite_owner(database, "First", "other@x.example")
    refused = client.post(AWAY, params={"token": strange}, content=archive, headers=BYTES)
    assert refused.status_code == 422
    assert "other@x.example owns no club in this archive" in refused.json()["detail"]
    fitting = founding.invite_owner(database, "First", "owner@first.example")
    came = client.post(AWAY, params={"token": fitting}, content=archive, headers=BYTES)
    assert came.status_code == 200, came.text
    dead = client.post(AWAY, params={"token": fitting}, content=archive, headers=BYTES)
    assert dead.status_code == 422


CHANGES = [
    ("club.json", "another form", "wrong at form"),
    ("club.json", "newer", "of a newer Pavrik"),
    ("facts/lifter.jsonl", "one gone", "take it out once more"),
    ("facts/training_set.jsonl", "broken", "are broken"),
    ("facts/plan.jsonl", "unknown column", "no shoe_size here"),
    ("facts/training_set.jsonl", "impossible load", "rule"),
    ("facts/lifter_profile.jsonl", "a word for a number", "cannot be read here"),
    ("facts/lifter_profile.jsonl", "a count beyond all", "is no number of a fact"),
]
BEYOND = 9_223_372_036_854_775_806
HOW: dict[str, Callable[[str], str]] = {
    "a count beyond all": lambda t: re.sub(r'"number": \d+', f'"number": {BEYOND}', t),
    "another form": lambda t: t.replace("pavrik club 1", "another"),
    "newer": lambda t: json.dumps(json.loads(t) | {"schema_number": 9999}),
    "one gone": lambda t: "\n".join(t.splitlines()[1:]),
    "broken": lambda _: "{",
    "unknown column": lambda t: t.replace('"lifter_id"', '"shoe_size"'),
    "impossible load": lambda t: t.replace('"load_kg": ', '"load_kg": -'),
    "a word for a number": lambda t: re.sub(r'"mass_kg": [\d.]+', '"mass_kg": "x"', t),
}


@pytest.mark.parametrize(("name", "how", "why"), CHANGES)
def test_a_changed_archive_is_refused_in_a_sentence_and_leaves_nothing(
    archive, elsewhere, name, how, why
):
    client, _ = elsewhere
    bad = changed(archive, name, HOW[how])
    answer = client.post(AWAY, content=bad, headers=BYTES)
    assert answer.status_code in (409, 422), answer.text
    assert why in answer.json()["detail"]
    assert client.get("/api/session/doors").json()["own_club"] is True, "nothing was kept"


@pytest.mark.parametrize("data", [b"PK\x03\x04 not really", b"date,lifter\n"])
def test_what_is_no_archive_is_refused_in_a_sentence(elsewhere, data):
    answer = elsewhere[0].post(AWAY, content=data, headers=BYTES)
    assert answer.status_code == 422
    assert "no archive of a club" in answer.json()["detail"]
