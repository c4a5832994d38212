"""Computations that run in the background: one row each, a heartbeat while they run."""

from dataclasses import dataclass
from uuid import UUID

from pavrik.store.database import Connection
from pavrik.store.statements import one_of, run

SILENT_S = 20
BEAT_S = 5.0


@dataclass(frozen=True)
class Job:
    """State and progress (0 to 1) of one computation; ``told`` is why it failed, where that is for
    the user to mend."""

    job_id: UUID
    lifter_id: UUID
    state: str
    progress: float
    told: str = ""


def claim_job(
    connection: Connection, club_id: UUID, job_id: UUID, lifter_id: UUID, kind: str, digest: str
) -> tuple[Job, bool]:
    """The running job of this content, or a new one; True when it is new and must be run. A job
    whose worker fell silent is given up first; one that ends meanwhile is told as it ended."""
    run(connection, "give_up_silent_jobs", kind=kind, digest=digest, silent_s=SILENT_S)
    made = run(
        connection, "add_job", club_id=club_id, job_id=job_id, lifter_id=lifter_id, kind=kind,
        digest=digest,
    )  # fmt: skip
    if made:
        return Job(job_id, lifter_id, "running", 0.0), True
    other = one_of(connection, Job, "find_newest_job", kind=kind, digest=digest)
    return other or Job(job_id, lifter_id, "failed", 0.0), False


def get_job(connection: Connection, job_id: UUID) -> Job | None:
    """One job of the club."""
    return one_of(connection, Job, "get_job", job_id=job_id)


def beat(connection: Connection, job_id: UUID, progress: float) -> bool:
    """Note progress; False when the job was cancelled and should stop."""
    return bool(run(connection, "beat_job", job_id=job_id, progress=progress))


def keep_alive(connection: Connection, job_id: UUID) -> None:
    """Note that a job's worker lives."""
    run(connection, "keep_job_alive", job_id=job_id)


def end_job(connection: Connection, job_id: UUID, state: str, told: str = "") -> None:
    """A running job becomes done, cancelled or failed."""
    run(connection, "end_job", job_id=job_id, state=state, told=told)
