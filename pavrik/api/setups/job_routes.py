"""Computations that run in the background: how far they are, and an end to them."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Depends, Request

from pavrik.api.security import WhoIn
from pavrik.formats.model.lift_answers import JobAnswer
from pavrik.services.jobs import Jobs

router = APIRouter(prefix="/api/jobs", tags=["jobs"])


async def get_jobs(request: Request) -> Jobs:
    """The process's pool of background computations."""
    jobs: Jobs = request.app.state.jobs
    return jobs


JobsIn = Annotated[Jobs, Depends(get_jobs)]


@router.get("/{job_id}")
def read_job(job_id: UUID, who: WhoIn, jobs: JobsIn) -> JobAnswer:
    """How far a computation is."""
    return JobAnswer(**vars(jobs.state(who, job_id)))


@router.delete("/{job_id}")
def cancel_job(job_id: UUID, who: WhoIn, jobs: JobsIn) -> JobAnswer:
    """Cancel a computation."""
    return JobAnswer(**vars(jobs.cancel(who, job_id)))
