"""Jobs in processes of their own: told of by name, served last, stopped, lost and begun anew."""

import os
import signal
from functools import partial
from importlib.util import find_spec
from threading import Event

import pytest

from pavrik.errors import InvalidError
from pavrik.services.beside import GIVES_WAY, LOADED
from pavrik.services.jobs import Jobs, Steps
from pavrik.store.database import Database
from tests.faults.test_orphaned_jobs import database, lifter_id, who

__all__ = ["database", "lifter_id", "who"]


def notes_itself(_: Database, path: str) -> Steps:
    """Write down which process works, whose copy it is and how it is served."""
    with open(path, "w") as told:
        told.write(f"{os.getpid()} {os.getppid()} {os.getpriority(os.PRIO_PROCESS, 0)}")
    yield 1.0


def refuses(_: Database) -> Steps:
    yield 0.5
    raise InvalidError("this film has no picture")


def dies(_: Database) -> Steps:
    yield 0.5
    os.kill(os.getpid(), signal.SIGKILL)


def never_ends(database: Database) -> Steps:
    while True:
        yield 0.5


def hangs(_: Database) -> Steps:
    """Stuck between two steps, where nothing asks whether it was told to stop."""
    yield 0.5
    while True:
        Event().wait(60)


@pytest.fixture(scope="module")
def jobs(server, empty_name, open_database):
    """One pool for all that leave it working: a process takes seconds to begin."""
    pool = Jobs(open_database(server.app_url(empty_name)), at_once=1, apart=True)
    yield pool
    pool.close()


def ended(jobs, who, job):
    pause = Event()
    for _ in range(3000):
        if (found := jobs.state(who, job.job_id)).state != "running":
            return found
        pause.wait(0.02)
    return pytest.fail("the job never ended")


def test_a_job_runs_in_a_process_that_is_served_last(jobs, who, lifter_id, tmp_path):
    path = tmp_path / "told"
    job = jobs.ask(who, lifter_id, "squat sureness", "one", partial(notes_itself, path=str(path)))
    assert ended(jobs, who, job).state == "done"
    pid, copied_from, priority = map(int, path.read_text().split())
    assert pid != os.getpid()
    assert copied_from != os.getpid(), "one process has loaded the model for all that come"
    assert priority >= GIVES_WAY


def test_what_is_loaded_beforehand_is_there():
    """A name that leads nowhere would be passed over, and every process load it for itself."""
    assert [name for name in LOADED if find_spec(name) is None] == []


def test_why_it_failed_is_told_and_a_lost_process_is_replaced(jobs, who, lifter_id, tmp_path):
    told = ended(jobs, who, jobs.ask(who, lifter_id, "film tracked", "one", refuses))
    assert (told.state, told.told) == ("failed", "this film has no picture")
    lost = ended(jobs, who, jobs.ask(who, lifter_id, "film tracked", "two", dies))
    assert lost.state == "failed"
    path = str(tmp_path / "told")
    anew = jobs.ask(who, lifter_id, "film tracked", "three", partial(notes_itself, path=path))
    assert ended(jobs, who, anew).state == "done"


def test_a_job_is_stopped_at_its_next_step_and_leaves_its_place(jobs, who, lifter_id, tmp_path):
    endless = jobs.ask(who, lifter_id, "film tracked", "one", never_ends)
    assert jobs.cancel(who, endless.job_id).state == "cancelled"
    note = partial(notes_itself, path=str(tmp_path / "told"))
    assert ended(jobs, who, jobs.ask(who, lifter_id, "film tracked", "two", note)).state == "done"
    assert jobs.state(who, endless.job_id).state == "cancelled"


def test_what_cannot_be_told_to_another_process_fails_and_hangs_nothing(jobs, who, lifter_id):
    job = jobs.ask(who, lifter_id, "film tracked", "one", lambda _: iter(()))
    assert ended(jobs, who, job).state == "failed"


def test_a_job_that_hangs_is_stopped_in_the_middle_of_a_step_and_the_next_ends_with_the_server(
    database, who, lifter_id, tmp_path
):
    jobs = Jobs(database, at_once=1, apart=True, longest_s=0.2)
    try:
        stuck = ended(jobs, who, jobs.ask(who, lifter_id, "film tracked", "one", hangs))
        assert (stuck.state, stuck.told) == (
            "failed", "this took too long and was stopped: ask for less, or try again later",
        )  # fmt: skip
        path = str(tmp_path / "told")
        jobs._longest_s = 60.0
        anew = jobs.ask(who, lifter_id, "film tracked", "two", partial(notes_itself, path=path))
        assert ended(jobs, who, anew).state == "done"
        another = jobs.ask(who, lifter_id, "film tracked", "three", never_ends)
        jobs.close()
        assert jobs.state(who, another.job_id).state == "failed", "it ends with the server"
    finally:
        jobs.close()
