"""What was tried against the server from outside: each refused, each with a sentence."""

import io
import json
from datetime import UTC, datetime, timedelta

import pytest
from fastapi import FastAPI
from fastapi.testclient import TestClient
from openpyxl import load_workbook
from psycopg_pool import PoolTimeout
from uuid6 import uuid7

from pavrik.api.app import create_app
from pavrik.api.problems import install
from pavrik.api.settings import Settings
from pavrik.formats.cells import plain_text, safe_text
from tests.api.helpers import Coach, a_set, add_lifter
from tests.conftest import CHEAP

HOST = "http://127.0.0.1:8460"
CLUB = {"club": "Weir", "name": "Nobody", "email": "n@weir.example", "password": "twelve letters +"}


class TestForeignPages:
    @pytest.mark.parametrize(
        "headers",
        [
            {"Origin": "https://elsewhere.example"},
            {"Origin": "null"},
            {"Sec-Fetch-Site": "cross-site"},
            {"Sec-Fetch-Site": "same-site", "Origin": HOST},
        ],
    )
    @pytest.mark.parametrize(
        ("path", "body"),
        [
            ("/api/session/demo", None),
            ("/api/session", {"email": "owner@first.example", "password": "x" * 12}),
            ("/api/session/club", CLUB),
        ],
    )
    def test_sign_nobody_in(self, browser, headers, path, body):
        answer = browser().client.post(path, json=body, headers=headers)
        assert answer.status_code == 403
        assert "page of another site" in answer.json()["detail"]
        assert "set-cookie" not in answer.headers

    def test_write_nothing_even_with_the_token(self, coach, lifter):
        headers = {"X-CSRF-Token": coach.csrf, "Idempotency-Key": str(uuid7())}
        path = f"/api/lifters/{lifter}/sets"
        foreign = coach.client.post(
            path, json=a_set(), headers=headers | {"Origin": "https://elsewhere.example"}
        )
        assert foreign.status_code == 403
        own = {"Origin": HOST, "Sec-Fetch-Site": "same-origin"}
        assert coach.client.post(path, json=a_set(), headers=headers | own).status_code == 201

    def test_may_link_to_a_page(self, coach):
        assert coach.get("/api/floor", headers={"Sec-Fetch-Site": "cross-site"}).status_code == 200


@pytest.fixture(scope="module")
def public(server, empty_name):
    """A server that others reach by a name, over HTTPS."""
    settings = Settings(
        server.app_url(empty_name), None, secure_cookies=True, hasher=CHEAP,
        public_url="https://lift.example", metrics_token="secret",
    )  # fmt: skip
    with TestClient(create_app(settings), HOST, client=("127.0.0.1", 5)) as client:
        yield client


def test_https_is_kept_once_it_is_spoken(public, coach):
    told = public.get("/api/health").headers
    assert told["strict-transport-security"] == "max-age=31536000"
    assert "strict-transport-security" not in coach.get("/api/health").headers


def test_the_public_address_is_no_foreign_page(public):
    origin = {"Origin": "https://lift.example"}
    body = {"email": "nobody@first.example", "password": "x" * 12}
    assert public.post("/api/session", json=body, headers=origin).status_code == 401


def test_counts_are_read_on_this_machine_or_by_token(public, coach):
    assert coach.get("/metrics").status_code == 200
    assert public.get("/metrics").status_code == 403
    for token, status in (("wrong", 403), ("", 403), ("secret", 200)):
        answer = public.get("/metrics", headers={"Authorization": f"Bearer {token}"})
        assert answer.status_code == status, token


def test_a_link_never_carries_a_name_that_the_request_made_up(coach):
    made = {"link_id": str(uuid7()), "email": "new@first.example", "role": "coach"}
    headers = {"X-CSRF-Token": coach.csrf, "Idempotency-Key": str(uuid7()), "Host": "evil.example"}
    answer = coach.client.post("/api/people/invitations", json=made, headers=headers)
    assert answer.status_code == 201, "the link itself is made: it can be handed on by hand"
    assert answer.json()["qr_svg"] == ""
    own = coach.post(
        "/api/people/invitations", made | {"link_id": str(uuid7()), "email": "b@b.example"}
    )
    assert "<svg" in own.json()["qr_svg"]


@pytest.mark.parametrize("value", [True, False, [True]])
def test_true_is_no_kilo(coach, lifter, value):
    answer = coach.post(f"/api/lifters/{lifter}/sets", a_set(load_kg=value))
    assert answer.status_code == 422
    assert "true and false are no number" in answer.text or isinstance(value, list)


def test_a_yes_is_still_a_yes(coach):
    assert add_lifter(coach, name="Yes Probe", walks_out=True)


def test_names_are_one_line_and_nothing_unseen_is_kept(coach):
    lifter = add_lifter(coach, name="  Mara\n\tOl\x07son\ufffe \u2028 ")
    assert coach.get(f"/api/lifters/{lifter}").json()["profile"]["name"] == "Mara Olson"
    empty = coach.post(
        "/api/lifters",
        {"lifter_id": str(uuid7()), "name": " \x07\n ", "sex": "male", "mass_kg": 80,
         "stature_m": 1.8},
    )  # fmt: skip
    assert empty.status_code == 422
    assert "name" in empty.text


@pytest.mark.parametrize("text", ["=1+1", " =1+1", "+1", "-1", "@a", "\tx", "\r=x"])
def test_no_spreadsheet_computes_what_somebody_typed(text):
    cell = safe_text(text)
    assert cell == f"'{text}"
    assert plain_text(cell) == text


@pytest.mark.parametrize("text", ["knees", "'quoted'", "", " two  ", "a = b"])
def test_plain_words_stay_what_they_are(text):
    assert safe_text(text) == text == plain_text(text)


def test_what_was_typed_comes_out_as_text_in_every_file(coach):
    lifter = add_lifter(coach, name="=cmd|calc")
    said = a_set(note="@note\x0b with\ufffe more")
    assert coach.post(f"/api/lifters/{lifter}/sets", said).status_code == 201
    table = coach.get(f"/api/log.csv?lifter_id={lifter}").text
    assert "'=cmd|calc" in table
    assert "'@note with more" in table
    book = load_workbook(io.BytesIO(coach.get(f"/api/log.xlsx?lifter_id={lifter}").content))
    cells = [c for row in book.active.iter_rows() for c in row]
    assert not [c.value for c in cells if c.data_type == "f"]


def test_deep_brackets_are_a_bad_request_and_the_server_goes_on(coach):
    answer = coach.client.post(
        "/api/session", content="[" * 7900, headers={"Content-Type": "application/json"}
    )
    assert answer.status_code in (400, 422)
    assert answer.headers["content-type"] == "application/problem+json"
    assert coach.get("/api/health").status_code == 200


def test_who_may_only_read_stops_no_computation(reader):
    answer = reader.send("DELETE", f"/api/jobs/{uuid7()}")
    assert answer.status_code == 403
    assert "may read but not write" in answer.json()["detail"]


def test_a_full_pool_says_when_to_come_again():
    app = FastAPI()
    install(app)

    @app.get("/busy")
    def busy() -> None:
        raise PoolTimeout

    answer = TestClient(app).get("/busy")
    assert (answer.status_code, answer.headers["retry-after"]) == (503, "2")
    assert "too much is asked at once" in json.loads(answer.text)["detail"]


def test_health_is_bad_where_the_database_is_gone(browser, monkeypatch):
    guest: Coach = browser()
    monkeypatch.setattr("pavrik.store.database.Database.answers", lambda _: False)
    answer = guest.get("/api/health")
    assert (answer.status_code, answer.json()["status"]) == (503, "no database")


@pytest.mark.parametrize(
    ("ahead", "status"), [(-1, 201), (20 / 24, 201), (2, 422), (365 * 70, 422)]
)
def test_what_nobody_can_have_done_yet_is_not_logged(coach, lifter, ahead, status):
    when = (datetime.now(UTC) + timedelta(days=ahead)).isoformat()
    answer = coach.post(f"/api/lifters/{lifter}/sets", a_set(performed_at=when))
    assert answer.status_code == status
    assert ("lies ahead" in answer.text) == (status == 422)
