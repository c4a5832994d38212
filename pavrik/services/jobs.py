"""Background computations: claimed in the database, run in a small pool of threads.

Any number of workers may stand in front of one database: a job is claimed once by its content, its
result is stored by content, and a worker that dies leaves a job that the next request gives up. A
worker that lives says so for all of its jobs, waiting ones too.
"""

import logging
import os
from collections.abc import Generator
from concurrent.futures import ThreadPoolExecutor
from contextlib import suppress
from threading import Event, Thread, get_native_id
from uuid import UUID

import psycopg
from psycopg_pool import PoolTimeout
from uuid6 import uuid7

from pavrik.errors import NotFoundError, PavrikError
from pavrik.services.context import Who
from pavrik.store import jobs as store
from pavrik.store.database import Database

log = logging.getLogger("pavrik")
GIVES_WAY = 10
Steps = Generator[float, None, None]
"""Yields progress from 0 to 1; the result is stored by the generator itself before it ends. It is
closed when the job ends, however it ends."""


def _give_way() -> None:
    """Let those who wait for an answer go before: this thread is served by the system last."""
    os.setpriority(os.PRIO_PROCESS, get_native_id(), GIVES_WAY)


class Jobs:
    """The pool of one server process."""

    def __init__(self, database: Database, threads: int = 2) -> None:
        self._database = database
        self._pool = ThreadPoolExecutor(
            threads, thread_name_prefix="pavrik-job", initializer=_give_way
        )
        self._held: dict[UUID, Who] = {}
        self._closed = Event()
        Thread(target=self._keep_alive, name="pavrik-job-beat", daemon=True).start()

    def close(self) -> None:
        """Let running jobs end; start no more, and give up what has not begun."""
        self._closed.set()
        self._pool.shutdown(wait=True, cancel_futures=True)
        with suppress(psycopg.Error, PoolTimeout):
            for job_id, who in tuple(self._held.items()):
                self._end(who, job_id, "failed")

    def ask(self, who: Who, lifter_id: UUID, kind: str, digest: str, steps: Steps) -> store.Job:
        """The job of this content: the running one, or a new one that starts now."""
        with self._database.club(who.club_id) as connection:
            job, new = store.claim_job(connection, who.club_id, uuid7(), lifter_id, kind, digest)
        if new:
            self._held[job.job_id] = who
            self._pool.submit(self._run, who, job.job_id, steps)
        return job

    def _run(self, who: Who, job_id: UUID, steps: Steps) -> None:
        try:
            for progress in steps:
                with self._database.club(who.club_id) as connection:
                    if not store.beat(connection, job_id, progress):
                        return
            self._end(who, job_id, "done")
        except PavrikError as error:
            self._end(who, job_id, "failed", str(error))
        except Exception:
            log.exception("job failed")
            self._end(who, job_id, "failed")
        finally:
            self._held.pop(job_id, None)
            steps.close()

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

    def _end(self, who: Who, job_id: UUID, state: str, told: str = "") -> None:
        with self._database.club(who.club_id) as connection:
            store.end_job(connection, job_id, state, told)

    def state(self, who: Who, job_id: UUID) -> store.Job:
        """How far a job is. Raises NotFoundError."""
        with self._database.club(who.club_id) as connection:
            job = store.get_job(connection, job_id)
        if job is None:
            raise NotFoundError("this computation is not in your club")
        return job

    def cancel(self, who: Who, job_id: UUID) -> store.Job:
        """Stop a job at its next step. Raises ForbiddenError."""
        who.must_write()
        self.state(who, job_id)
        self._end(who, job_id, "cancelled")
        return self.state(who, job_id)
