"""Computations that run in the background: one row each, a heartbeat while they run."""

from dataclasses import dataclass
from uuid import UUID

from psycopg.rows import class_row

from pavrik.store.database import Connection

SILENT_S = 20


@dataclass(frozen=True)
class Job:
    """State and progress (0 to 1) of one computation."""

    job_id: UUID
    lifter_id: UUID
    state: str
    progress: float


def claim_job(
    connection: Connection, club_id: UUID, job_id: UUID, lifter_id: UUID, kind: str, digest: str
) -> tuple[Job, bool]:
    """The running job of this content, or a new one; True when it is new and must be run. A job
    whose worker fell silent is given up first."""
    connection.execute(
        """update job set state = 'failed' where kind = %s and digest = %s and state = 'running'
             and beat_at < now() - make_interval(secs => %s)""",
        (kind, digest, SILENT_S),
    )
    made = connection.execute(
        """insert into job (club_id, job_id, lifter_id, kind, digest) values (%s, %s, %s, %s, %s)
           on conflict (club_id, kind, digest) where state = 'running' do nothing""",
        (club_id, job_id, lifter_id, kind, digest),
    ).rowcount
    if made:
        return Job(job_id, lifter_id, "running", 0.0), True
    cursor = connection.cursor(row_factory=class_row(Job))
    running = cursor.execute(
        """select job_id, lifter_id, state, progress from job
           where kind = %s and digest = %s and state = 'running'""",
        (kind, digest),
    ).fetchone()
    return running or Job(job_id, lifter_id, "failed", 0.0), False


def get_job(connection: Connection, job_id: UUID) -> Job | None:
    """One job of the club."""
    cursor = connection.cursor(row_factory=class_row(Job))
    return cursor.execute(
        "select job_id, lifter_id, state, progress from job where job_id = %s", (job_id,)
    ).fetchone()


def beat(connection: Connection, job_id: UUID, progress: float) -> bool:
    """Note progress; False when the job was cancelled and should stop."""
    return bool(
        connection.execute(
            """update job set progress = %s, beat_at = now()
               where job_id = %s and state = 'running'""",
            (progress, job_id),
        ).rowcount
    )


def end_job(connection: Connection, job_id: UUID, state: str) -> None:
    """A running job becomes done, cancelled or failed."""
    connection.execute(
        "update job set state = %s where job_id = %s and state = 'running'", (state, job_id)
    )
