"""Jobs of a worker that died are given up; those of one that lives are not, waiting ones too."""

from threading import Event
from uuid import UUID

import psycopg
import pytest
from uuid6 import uuid7

from pavrik.services.context import Who
from pavrik.services.jobs import Jobs, Steps, Task
from pavrik.store import jobs as store
from pavrik.store.database import Database
from tests.api.helpers import add_club

LONG_AGO = "update job set beat_at = now() - interval '1 hour'"


@pytest.fixture
def database(server, empty_name, open_database):
    return open_database(server.app_url(empty_name))


@pytest.fixture
def who(owner_url) -> Who:
    return Who(add_club(owner_url, "Jobs"), uuid7(), "owner")


@pytest.fixture
def lifter_id(owner_url, who) -> UUID:
    made = uuid7()
    with psycopg.connect(owner_url, autocommit=True) as connection:
        connection.execute(
            "insert into lifter (club_id, lifter_id) values (%s, %s)", (who.club_id, made)
        )
    return made


def waits_for(go: Event) -> Task:
    def steps(_: Database) -> Steps:
        go.wait(timeout=60)
        yield 1.0

    return steps


def fall_silent(owner_url: str) -> None:
    with psycopg.connect(owner_url, autocommit=True) as connection:
        connection.execute(LONG_AGO)


def test_a_job_that_waits_for_its_turn_is_not_given_up(database, owner_url, who, lifter_id):
    go = Event()
    jobs = Jobs(database, at_once=1)
    jobs.ask(who, lifter_id, "squat sureness", "first", waits_for(go))
    waiting = jobs.ask(who, lifter_id, "squat sureness", "second", waits_for(go))
    fall_silent(owner_url)
    jobs.beat_held()
    again = jobs.ask(who, lifter_id, "squat sureness", "second", waits_for(go))
    go.set()
    jobs.close()
    assert again.job_id == waiting.job_id
    assert jobs.state(who, waiting.job_id).state == "failed", "closed before its turn came"


def test_a_job_of_a_dead_worker_is_given_up_and_done_anew(database, owner_url, who, lifter_id):
    with database.club(who.club_id) as connection:
        orphan, _ = store.claim_job(
            connection, who.club_id, uuid7(), lifter_id, "squat sureness", "orphan"
        )
    go = Event()
    go.set()
    jobs = Jobs(database, at_once=1)
    assert (
        jobs.ask(who, lifter_id, "squat sureness", "orphan", waits_for(Event())).job_id
        == orphan.job_id
    )
    fall_silent(owner_url)
    anew = jobs.ask(who, lifter_id, "squat sureness", "orphan", waits_for(go))
    jobs.close()
    assert jobs.state(who, orphan.job_id).state == "failed"
    assert anew.job_id != orphan.job_id
    assert jobs.state(who, anew.job_id).state == "done"


def test_a_job_that_ends_while_another_asks_for_it_is_told_as_it_ended(
    database, who, lifter_id, monkeypatch
):
    claim = (who.club_id, lifter_id, "squat sureness", "racing")

    def ask():
        with database.club(who.club_id) as connection:
            return store.claim_job(connection, claim[0], uuid7(), *claim[1:])

    first, _ = ask()
    run = store.run

    def ended_after(connection, name, **values):
        rows = run(connection, name, **values)
        if name == "add_job":
            store.end_job(connection, first.job_id, "done")
        return rows

    monkeypatch.setattr(store, "run", ended_after)
    second, new = ask()
    assert (second.job_id, second.state, new) == (first.job_id, "done", False)
