"""Background computations: claimed in the database, run in a small pool beside the answers.

Any number of workers may stand in front of one database: a job is claimed once by its content, its
result is stored by content, and a worker that dies leaves a job that the next request gives up. A
worker that lives says so for all of its jobs, waiting ones too.
"""

import logging
import signal
from collections.abc import Callable, Generator
from concurrent.futures import Executor, Future, ProcessPoolExecutor, ThreadPoolExecutor
from concurrent.futures.process import BrokenProcessPool
from contextlib import closing, suppress
from functools import partial
from threading import Event, Thread
from typing import NoReturn
from uuid import UUID

import psycopg
from psycopg_pool import PoolTimeout
from uuid6 import uuid7

from pavrik.errors import NotFoundError, OutOfTimeError, PavrikError
from pavrik.services.beside import begin_beside, give_way, processes
from pavrik.services.context import Who
from pavrik.store import jobs as store
from pavrik.store.database import Database
from pavrik.words import say

log = logging.getLogger("pavrik")
AT_ONCE = 2
LONGEST_S = 900.0
"""A computation apart from the answers that takes longer is stopped, wherever it is."""
Steps = Generator[float, None, None]
"""Yields progress from 0 to 1; the result is stored by the generator itself before it ends. It is
closed when the job ends, however it ends."""
Task = Callable[[Database], Steps]
"""What a job does; a partial of a function of a module, so that another process can be told of
it."""


def _end(database: Database, who: Who, job_id: UUID, state: str, told: str = "") -> None:
    with database.club(who.club_id) as connection:
        store.end_job(connection, job_id, state, told)


def _run(database: Database, who: Who, job_id: UUID, task: Task) -> None:
    """Step by step until it ends or is told to stop."""
    try:
        with closing(task(database)) as steps:
            for progress in steps:
                with database.club(who.club_id) as connection:
                    if not store.beat(connection, job_id, progress):
                        return
        _end(database, who, job_id, "done")
    except PavrikError as error:
        _end(database, who, job_id, "failed", str(error))
    except Exception:
        log.exception("job failed")
        _end(database, who, job_id, "failed")


_own: list[Database] = []
"""In a process of jobs: its own way to the database."""


def _begin(url: str) -> None:
    """In a fresh process: its alarm, and its own way to the database."""
    begin_beside()
    signal.signal(signal.SIGALRM, _out_of_time)
    _own.append(Database(url, most_connections=2))
    _own[-1].open()


def _out_of_time(*_: object) -> NoReturn:
    raise OutOfTimeError(say("services.took_too_long_stopped"))


def _run_apart(who: Who, job_id: UUID, task: Task, longest_s: float) -> None:
    signal.setitimer(signal.ITIMER_REAL, longest_s)
    try:
        _run(_own[-1], who, job_id, task)
    finally:
        signal.setitimer(signal.ITIMER_REAL, 0.0)


def _is_there() -> None:
    """Asked of a fresh process, so that it is loaded before a job comes."""


class Jobs:
    """The pool of one server process: threads, or ``apart`` in processes, which take nothing from
    those who wait for an answer."""

    def __init__(
        self, database: Database, at_once: int = AT_ONCE, *, apart: bool = False,
        longest_s: float = LONGEST_S,
    ) -> None:  # fmt: skip
        self._database, self._at_once, self._apart = database, at_once, apart
        self._longest_s = longest_s
        self._held: dict[UUID, Who] = {}
        self._closed = Event()
        self._pool = self._new_pool()
        Thread(target=self._keep_alive, name="pavrik-job-beat", daemon=True).start()

    def _new_pool(self) -> Executor:
        if not self._apart:
            return ThreadPoolExecutor(
                self._at_once, thread_name_prefix="pavrik-job", initializer=give_way
            )
        pool = ProcessPoolExecutor(
            self._at_once, mp_context=processes(), initializer=_begin,
            initargs=(self._database.url,),
        )  # fmt: skip
        pool.submit(_is_there)
        return pool

    def close(self) -> None:
        """Let running jobs end, in processes at their next step; start no more, and give up what
        has not begun."""
        self._closed.set()
        if self._apart:
            self._give_up_held()
        self._pool.shutdown(wait=True, cancel_futures=True)
        self._give_up_held()

    def _give_up_held(self) -> None:
        with suppress(psycopg.Error, PoolTimeout):
            for job_id, who in tuple(self._held.items()):
                _end(self._database, who, job_id, "failed")

    def ask(self, who: Who, lifter_id: UUID, kind: str, digest: str, task: Task) -> store.Job:
        """The job of this content: the running one, or a new one that starts now."""
        with self._database.club(who.club_id) as connection:
            job, new = store.claim_job(connection, who.club_id, uuid7(), lifter_id, kind, digest)
        if new:
            self._held[job.job_id] = who
            self._submit(who, job.job_id, task).add_done_callback(partial(self._ended, job.job_id))
        return job

    def _submit(self, who: Who, job_id: UUID, task: Task) -> "Future[None]":
        if not self._apart:
            return self._pool.submit(_run, self._database, who, job_id, task)
        apart = partial(_run_apart, who, job_id, task, self._longest_s)
        try:
            return self._pool.submit(apart)
        except BrokenProcessPool:
            self._pool = self._new_pool()
            return self._pool.submit(apart)

    def _ended(self, job_id: UUID, future: "Future[None]") -> None:
        """A job is over; where its process died, or could not be told of it, it failed."""
        who = self._held.get(job_id)
        if who is None or future.cancelled():
            return
        if (error := future.exception()) is not None:
            log.error("job was lost: %s", type(error).__name__)
            with suppress(psycopg.Error, PoolTimeout):
                _end(self._database, who, job_id, "failed")
        self._held.pop(job_id, None)

    def _keep_alive(self) -> None:
        while not self._closed.wait(store.BEAT_S):
            try:
                self.beat_held()
            except (psycopg.Error, PoolTimeout) as error:
                log.warning("jobs could not be kept alive: %s", type(error).__name__)

    def beat_held(self) -> None:
        """Say of every job of this worker, waiting or running, that it is not given up."""
        for job_id, who in tuple(self._held.items()):
            with self._database.club(who.club_id) as connection:
                store.keep_alive(connection, job_id)

    def state(self, who: Who, job_id: UUID) -> store.Job:
        """How far a job is. Raises NotFoundError."""
        with self._database.club(who.club_id) as connection:
            job = store.get_job(connection, job_id)
        if job is None:
            raise NotFoundError(say("services.computation_not_your_club"))
        return job

    def cancel(self, who: Who, job_id: UUID) -> store.Job:
        """Stop a job at its next step. Raises ForbiddenError."""
        who.must_write()
        self.state(who, job_id)
        _end(self._database, who, job_id, "cancelled")
        return self.state(who, job_id)
