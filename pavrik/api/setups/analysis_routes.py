"""The squat studied: what faults cost, why not, maps, paths, depth, what decides, goals, jobs."""

from typing import Annotated, Any, Literal
from uuid import UUID

from fastapi import APIRouter, Depends, Query, Request

from pavrik.api.lifters.lifter_schemas import CostStudyRequest, ExactRequest, SetupRequest
from pavrik.api.security import DatabaseIn, WhoIn
from pavrik.core.lifter.mobility import BarPosition
from pavrik.core.squat.squat import SQUAT
from pavrik.formats.model.lift_answers import (
    CostAnswer,
    DecidingAnswer,
    DepthAnswer,
    GoalsAnswer,
    JobAnswer,
    MapAnswer,
    PathAnswer,
    WeightsRequest,
    WhyNotAnswer,
)
from pavrik.services.jobs import Jobs
from pavrik.services.lifters.model_lifter import setup_for
from pavrik.services.setups import analysis
from pavrik.services.setups.fits import answer_now, lifter_model
from pavrik.services.setups.goals import goals_of
from pavrik.services.setups.squat import SQUAT_FITTING

router = APIRouter(prefix="/api", tags=["study"])


def get_jobs(request: Request) -> Jobs:
    """The process's pool of background computations."""
    jobs: Jobs = request.app.state.jobs
    return jobs


JobsIn = Annotated[Jobs, Depends(get_jobs)]


@router.post("/lifters/{lifter_id}/squat/costs")
def read_costs(
    lifter_id: UUID, body: CostStudyRequest, database: DatabaseIn, who: WhoIn
) -> CostAnswer:
    """What every priced fault costs in a set-up at a load."""
    lifter = lifter_model(database, who, lifter_id)
    return analysis.costs_of(
        SQUAT, lifter, setup_for(lifter, body.setup), body.load_kg, body.amounts
    )


@router.post("/lifters/{lifter_id}/squat/paths")
def read_paths(lifter_id: UUID, body: ExactRequest, database: DatabaseIn, who: WhoIn) -> PathAnswer:
    """The bar's paths for a ladder of loads."""
    lifter = lifter_model(database, who, lifter_id)
    return analysis.path_of(lifter, setup_for(lifter, body.setup), body.load_kg)


@router.post("/lifters/{lifter_id}/squat/depth")
def read_depth(
    lifter_id: UUID, body: SetupRequest, database: DatabaseIn, who: WhoIn
) -> DepthAnswer:
    """Natural bottoms by stance and the price of depth."""
    lifter = lifter_model(database, who, lifter_id)
    return analysis.depth_answer(lifter, setup_for(lifter, body.setup))


@router.post("/lifters/{lifter_id}/squat/map")
def read_map(
    lifter_id: UUID,
    body: SetupRequest,
    database: DatabaseIn,
    who: WhoIn,
    across: Annotated[Literal["bar_position", "shank_deg", "toe_out_deg"], Query()],
) -> MapAnswer:
    """Predicted max and limiter over stance and another axis, round a set-up."""
    lifter = lifter_model(database, who, lifter_id)
    return analysis.map_answer(SQUAT, lifter, setup_for(lifter, body.setup), across)


@router.get("/lifters/{lifter_id}/squat/why-not")
def read_why_not(
    lifter_id: UUID, bar_position: BarPosition, database: DatabaseIn, who: WhoIn
) -> WhyNotAnswer:
    """Why a style is closed, and the smallest changes that open it."""
    return analysis.why_not_answer(SQUAT, lifter_model(database, who, lifter_id), bar_position)


@router.get("/lifters/{lifter_id}/squat/deciding")
def read_deciding(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> DecidingAnswer:
    """Which input decides between the leaders, and the next measurement."""
    _, lifter, answer = answer_now(SQUAT_FITTING, database, who, lifter_id)
    return analysis.sensitivity_answer(SQUAT, lifter, answer["leaders"])


@router.post("/lifters/{lifter_id}/squat/goals")
def read_goals(
    lifter_id: UUID, body: WeightsRequest, database: DatabaseIn, who: WhoIn
) -> GoalsAnswer:
    """How a goal orders the leaders, by its own weights or by others."""
    return goals_of(SQUAT_FITTING, database, who, lifter_id, body.weights)


@router.get("/jobs/{job_id}", response_model=JobAnswer)
def read_job(job_id: UUID, who: WhoIn, jobs: JobsIn) -> Any:
    """How far a computation is."""
    return vars(jobs.state(who, job_id))


@router.delete("/jobs/{job_id}", response_model=JobAnswer)
def cancel_job(job_id: UUID, who: WhoIn, jobs: JobsIn) -> Any:
    """Cancel a computation."""
    return vars(jobs.cancel(who, job_id))
