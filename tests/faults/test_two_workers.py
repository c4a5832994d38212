"""Two processes before one database: whatever one of them did, the other knows."""

from collections.abc import Iterator

import pytest
from fastapi.testclient import TestClient
from uuid6 import uuid7

from pavrik.api.app import create_app
from pavrik.api.settings import Settings
from tests.api.helpers import Coach, a_set, add_lifter
from tests.conftest import CHEAP


@pytest.fixture(scope="module")
def workers(server, empty_name, clubs) -> Iterator[tuple[Coach, Coach]]:
    """One browser, whose requests may go to either worker."""
    apps = [create_app(Settings(server.app_url(empty_name), None, hasher=CHEAP)) for _ in range(2)]
    address = "http://127.0.0.1:8460"
    with TestClient(apps[0], address) as left, TestClient(apps[1], address) as right:
        one, other = Coach(left), Coach(right)
        assert one.sign_in("owner@first.example").status_code == 200
        right.cookies.update(left.cookies)
        other.csrf = one.csrf
        yield one, other


def test_a_session_a_write_and_its_key_hold_with_the_other_worker(workers):
    one, other = workers
    lifter, key, body = add_lifter(one), uuid7(), a_set()
    path = f"/api/lifters/{lifter}/sets"
    assert one.post(path, body, key).status_code == 201
    assert other.post(path, body, key).status_code == 201
    assert len(other.get(path).json()) == 1


def test_a_job_is_told_and_stopped_by_the_other_worker(workers):
    one, other = workers
    lifter = add_lifter(one)
    asked = one.get(f"/api/lifters/{lifter}/squat/ranking").json()["job"]
    again = other.get(f"/api/lifters/{lifter}/squat/ranking").json()["job"]
    assert again is None or again["job_id"] == asked["job_id"]
    job = f"/api/jobs/{asked['job_id']}"
    stopped = other.send("DELETE", job).json()["state"]
    assert stopped in ("cancelled", "done"), "it may have ended before"
    assert one.get(job).json()["state"] == stopped


def test_who_signs_out_at_one_is_out_at_the_other(workers):
    one, other = workers
    assert other.send("DELETE", "/api/session").status_code in (200, 204)
    assert one.get("/api/floor").status_code == 401
