"""A small client for the tests: signs in, carries the CSRF token and fresh idempotency keys."""

from collections.abc import Iterator
from threading import Event
from typing import Any
from uuid import UUID

import psycopg
from fastapi.testclient import TestClient
from uuid6 import uuid7

from tests.conftest import CHEAP

PASSWORD = "long enough for a test"


class Coach:
    """One signed-in browser."""

    def __init__(self, client: TestClient) -> None:
        self.client = client
        self.csrf = ""

    def sign_in(self, email: str, password: str = PASSWORD) -> Any:
        answer = self.client.post("/api/session", json={"email": email, "password": password})
        if answer.status_code == 200:
            self.csrf = self.client.get("/api/session").json()["csrf_token"]
        return answer

    def enter_demo(self) -> None:
        assert self.client.post("/api/session/demo").status_code == 200
        self.csrf = self.client.get("/api/session").json()["csrf_token"]

    def get(self, path: str, **more: Any) -> Any:
        return self.client.get(path, **more)

    def send(self, method: str, path: str, body: Any = None, key: UUID | None = None) -> Any:
        headers = {"X-CSRF-Token": self.csrf, "Idempotency-Key": str(key or uuid7())}
        return self.client.request(method, path, json=body, headers=headers)

    def post(self, path: str, body: Any = None, key: UUID | None = None) -> Any:
        return self.send("POST", path, body, key)


def add_club(owner_url: str, name: str, *coaches: tuple[str, str]) -> UUID:
    """A club with coaches (e-mail, role), put straight into the database."""
    club_id = uuid7()
    with psycopg.connect(owner_url, autocommit=True) as connection:
        connection.execute("insert into club (club_id, name) values (%s, %s)", (club_id, name))
        for email, role in coaches:
            connection.execute(
                """insert into coach (club_id, coach_id, email, name, role, password_hash)
                   values (%s, %s, %s, %s, %s, %s)""",
                (club_id, uuid7(), email, email.split("@")[0], role, CHEAP.hash(PASSWORD)),
            )
    return club_id


def job_states(coach: Coach, job: dict[str, Any]) -> Iterator[dict[str, Any]]:
    """What is told of a job, now and again, until it no longer runs."""
    pause = Event()
    while True:
        job = coach.get(f"/api/jobs/{job['job_id']}").json()
        yield job
        if job["state"] != "running":
            return
        pause.wait(0.05)


def ended(coach: Coach, job: dict[str, Any]) -> dict[str, Any]:
    """A job when it no longer runs."""
    *_, last = job_states(coach, job)
    return last


PROFILE = {"name": "Ada Probe", "sex": "female", "mass_kg": 63.0, "stature_m": 1.66}


def add_lifter(coach: Coach, **changes: Any) -> str:
    lifter_id = str(uuid7())
    body = {"lifter_id": lifter_id, "profile": PROFILE | changes}
    answer = coach.post("/api/lifters", body)
    assert answer.status_code == 201, answer.text
    return lifter_id


def a_set(**changes: Any) -> dict[str, Any]:
    return {
        "set_id": str(uuid7()),
        "lift": "squat",
        "load_kg": 80.0,
        "reps": 5,
        "rpe": 8.0,
        "performed_at": "2026-11-20T17:30:00Z",
    } | changes


def seen(fault_id: str, phase: str, rep: int = 1, severity: int = 2) -> dict[str, Any]:
    return {
        "observation_id": str(uuid7()),
        "rep": rep,
        "fault_id": fault_id,
        "phase": phase,
        "severity": severity,
    }
