"""A club kept by version 0.6.0 (a dump of its demo, most sets left out) is read by this one."""

import json
from pathlib import Path

import psycopg
import pytest
from fastapi.testclient import TestClient

from pavrik.api.app import create_app
from pavrik.api.settings import Settings
from pavrik.cli.main import main
from pavrik.demo.people import OWNER_EMAIL, OWNER_PASSWORD
from pavrik.formats.stored_json import JSON_VERSION
from pavrik.store.migrate import migrate
from tests.api.helpers import Coach
from tests.conftest import CHEAP, Server

DUMP = Path(__file__).parent / "data" / "club_0_6_0.dump"


@pytest.fixture(scope="module")
def database(server: Server):
    name = "club_of_before"
    with psycopg.connect(server.owner_url("postgres"), autocommit=True) as connection:
        connection.execute(f"create database {name} template template0")
    url = server.owner_url(name)
    with pytest.MonkeyPatch.context() as patch:
        patch.setenv("PAVRIK_DATABASE_URL", url)
        assert main(["restore", str(DUMP)]) == 0
    assert migrate(url) == [], "a restored club is brought up to date at once"
    return name


@pytest.fixture(scope="module")
def coach(server: Server, database):
    app = create_app(Settings(server.app_url(database), None, hasher=CHEAP))
    address = "http://127.0.0.1:8460"
    with TestClient(app, address, client=("127.0.0.1", 50000)) as client:
        signed_in = Coach(client)
        assert signed_in.sign_in(OWNER_EMAIL, OWNER_PASSWORD).status_code == 200
        yield signed_in


def lifters_of(coach: Coach) -> dict[str, str]:
    answer = coach.get("/api/floor")
    assert answer.status_code == 200, answer.text
    rows = answer.json()
    return {row["name"]: row["lifter_id"] for row in rows}


def test_every_lifter_of_before_stands_on_the_board(coach):
    assert len(lifters_of(coach)) == 9
    assert {"Marlow Teague", "Dov Harrowgate"} <= lifters_of(coach).keys()


def test_a_plan_of_before_is_read_with_a_reason_on_every_line(coach):
    read = 0
    for lifter_id in lifters_of(coach).values():
        answer = coach.get(f"/api/lifters/{lifter_id}/plan")
        assert answer.status_code == 200
        plan = answer.json()["plan"]
        if plan is None:
            continue
        read += 1
        assert '"because"' not in answer.text
        lines = [line for week in plan["weeks"] for day in week["days"] for line in day["lines"]]
        assert len(lines) > 20
        assert all(line["reasons"] for line in lines)
        assert all(week["reason"] for week in plan["weeks"])
        assert coach.get(f"/api/lifters/{lifter_id}/plan.ics").status_code == 200
    assert read == 4


def test_settled_set_ups_and_prescribed_loads_of_before_are_read(coach):
    settled = prescribed = 0
    for lifter_id in lifters_of(coach).values():
        for lift in ("squat", "deadlift"):
            found = coach.get(f"/api/lifters/{lifter_id}/{lift}/settled")
            assert found.status_code == 200
            settled += found.json() is not None
            if found.json():
                assert found.json()["model_version"] == "2026.11.26.3"
        given = coach.get(f"/api/lifters/{lifter_id}/prescriptions").json()
        prescribed += len(given)
        assert all(one["answer"]["reasons"] for one in given if one["answer"]["load_kg"])
    assert settled == 14
    assert prescribed == 9


def test_a_write_repeated_after_the_upgrade_gets_the_answer_of_before(server, database, coach):
    with psycopg.connect(server.owner_url(database)) as connection:
        connection.execute("set row_security = off")
        key, answer = connection.execute(
            "select key, answer from idempotent_write where route = 'prescribe' limit 1"
        ).fetchone()
        lifter_id, inputs, overruled, why, lift = connection.execute(
            """select lifter_id, inputs, overruled_kg, overruled_because, lift from prescription
               where prescription_id = %s""",
            (answer["prescription_id"],),
        ).fetchone()
    assert "because" in answer
    body = {
        "prescription_id": answer["prescription_id"], "lift": lift, **inputs["target"],
        "overruled_kg": overruled, "overruled_because": why,
    }  # fmt: skip
    again = coach.send(
        "POST", f"/api/lifters/{lifter_id}/prescriptions", body, key=str(key)
    )  # fmt: skip
    assert again.status_code == 201, again.text
    assert again.json()["reasons"] == answer["because"]


def test_rows_of_before_stay_as_they_were_written(server, database):
    with psycopg.connect(server.owner_url(database)) as connection:
        connection.execute("set row_security = off")
        rows = connection.execute("select json_version, answer from plan").fetchall()
    assert {version for version, _ in rows} == {1}
    assert all('"because"' in json.dumps(answer) for _, answer in rows)
    assert JSON_VERSION > 1
