"""The deadlift explored: styles side by side, starts in full, costs, why not, maps, settling."""

from typing import Annotated, Any, Literal
from uuid import UUID

from fastapi import APIRouter, Query
from pydantic import Field

from pavrik.api.lifters.lifter_schemas import Note, SettledAnswer
from pavrik.api.security import DatabaseIn, KeyIn, WhoIn
from pavrik.api.setups.analysis_routes import JobsIn
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.styles import StyleId
from pavrik.formats.model.deadlift_answers import (
    DeadliftHistoryAnswer,
    DeadliftRankingAnswer,
    DeadliftSettledAnswer,
    StartAnswer,
)
from pavrik.formats.model.lift_answers import (
    CostAnswer,
    DecidingAnswer,
    GoalsAnswer,
    MapAnswer,
    WeightsRequest,
    WhyNotAnswer,
)
from pavrik.formats.model.requests import DeadliftSetupIn, Strict
from pavrik.formats.model.setup_codec import deadlift_from_wire
from pavrik.services.setups import analysis, deadlift, fits
from pavrik.services.setups.deadlift import DEADLIFT_FITTING
from pavrik.services.setups.goals import goals_of
from pavrik.store import equipment

router = APIRouter(prefix="/api/lifters/{lifter_id}/deadlift", tags=["deadlift"])


class DeadliftSetupRequest(Strict):
    """A start to be studied."""

    setup: DeadliftSetupIn


class StartRequest(DeadliftSetupRequest):
    """A start at a load."""

    load_kg: Annotated[float, Field(ge=0, le=600)]


class DeadliftCostStudyRequest(StartRequest):
    """``amounts`` per fault in m replace the usual ones."""

    amounts: dict[str, Annotated[float, Field(ge=-0.3, le=0.3)]] = Field(default_factory=dict)


class SettleDeadliftRequest(DeadliftSetupRequest):
    """The start to settle on, and why."""

    setup_id: UUID
    reason: Note = ""


@router.get("/ranking", response_model=DeadliftRankingAnswer)
def read_ranking(lifter_id: UUID, database: DatabaseIn, who: WhoIn, jobs: JobsIn) -> Any:
    """Styles side by side: bands and chances follow when their job is done."""
    answer = fits.ranking(DEADLIFT_FITTING, database, who, lifter_id, jobs)
    with database.club(who.club_id) as connection:
        return answer | {"advice": deadlift.advice(connection, lifter_id)}


@router.post("/start")
def read_start(
    lifter_id: UUID, body: StartRequest, database: DatabaseIn, who: WhoIn
) -> StartAnswer:
    """One start in full."""
    lifter = fits.lifter_model(database, who, lifter_id)
    with database.club(who.club_id) as connection:
        bars = [
            (bar.name, bar.mass_kg, bar.shaft_mm)
            for bar in equipment.list_bars(connection)
            if not bar.is_specialty
        ]
    return deadlift.start_answer(lifter, deadlift_from_wire(body.setup), body.load_kg, bars)


@router.post("/costs")
def read_costs(
    lifter_id: UUID, body: DeadliftCostStudyRequest, database: DatabaseIn, who: WhoIn
) -> CostAnswer:
    """What every priced deadlift fault costs."""
    lifter = fits.lifter_model(database, who, lifter_id)
    setup = deadlift_from_wire(body.setup)
    return analysis.costs_of(DEADLIFT, lifter, setup, body.load_kg, body.amounts)


@router.get("/why-not")
def read_why_not(lifter_id: UUID, style: StyleId, database: DatabaseIn, who: WhoIn) -> WhyNotAnswer:
    """Why a style is closed, and the smallest changes that open it."""
    return analysis.why_not_answer(DEADLIFT, fits.lifter_model(database, who, lifter_id), style)


@router.get("/deciding")
def read_deciding(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> DecidingAnswer:
    """Which input decides between the styles."""
    _, lifter, answer = fits.answer_now(DEADLIFT_FITTING, database, who, lifter_id)
    return analysis.sensitivity_answer(DEADLIFT, lifter, answer["leaders"])


@router.post("/goals")
def read_goals(
    lifter_id: UUID, body: WeightsRequest, database: DatabaseIn, who: WhoIn
) -> GoalsAnswer:
    """How a goal orders the leaders, by its own weights or by others."""
    return goals_of(DEADLIFT_FITTING, database, who, lifter_id, body.weights)


@router.post("/map")
def read_map(
    lifter_id: UUID,
    body: DeadliftSetupRequest,
    database: DatabaseIn,
    who: WhoIn,
    across: Annotated[Literal["toe_out_deg", "bar_offset_m", "grip_m"], Query()],
) -> MapAnswer:
    """Predicted max and limiter over stance and another axis, round a start."""
    lifter = fits.lifter_model(database, who, lifter_id)
    return analysis.map_answer(DEADLIFT, lifter, deadlift_from_wire(body.setup), across)


@router.get("/settled", response_model=DeadliftSettledAnswer | None)
def read_settled(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> Any:
    """What the lifter is settled on, and what changed since; null when nothing is."""
    return fits.settled_view(DEADLIFT_FITTING, database, who, lifter_id)


@router.get("/settled/history", response_model=list[DeadliftHistoryAnswer])
def read_history(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> Any:
    """Every start that the lifter was settled on, newest first."""
    return fits.settled_history(DEADLIFT_FITTING, database, who, lifter_id)


@router.post("/settled", status_code=201, response_model=SettledAnswer)
def settle(
    lifter_id: UUID, body: SettleDeadliftRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> Any:
    """Settle on a start."""
    return fits.settle(
        DEADLIFT_FITTING, database, who, key, lifter_id, body.setup_id, body.setup, body.reason
    )
