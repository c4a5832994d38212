"""The pull bench: styles side by side, starts in full, costs, why not, maps, settling."""

from typing import Annotated, Any, Literal
from uuid import UUID

from fastapi import APIRouter, Query
from pydantic import Field

from pavrik.api.routes_study import JobsIn
from pavrik.api.schemas import Note, SettledAnswer
from pavrik.api.security import DatabaseIn, KeyIn, WhoIn
from pavrik.formats.model_requests import PullSetupIn, PullStyleName, Strict
from pavrik.formats.pull import (
    PullCostAnswer,
    PullHistoryAnswer,
    PullMapAnswer,
    PullRankingAnswer,
    PullSettledAnswer,
    StartAnswer,
)
from pavrik.formats.squat_study import DecidingAnswer, WhyNotAnswer
from pavrik.services import fits, pull
from pavrik.services.model import pull_setup_from
from pavrik.services.pull import PULL
from pavrik.store import equipment

router = APIRouter(prefix="/api/lifters/{lifter_id}/deadlift", tags=["deadlift"])


class PullSetupRequest(Strict):
    """A start to be studied."""

    setup: PullSetupIn


class StartRequest(PullSetupRequest):
    """A start at a load."""

    load_kg: Annotated[float, Field(ge=0, le=600)]


class PullCostStudyRequest(StartRequest):
    """``amounts`` per fault in m replace the usual ones."""

    amounts: dict[str, Annotated[float, Field(ge=-0.3, le=0.3)]] = Field(default_factory=dict)


class SettlePullRequest(PullSetupRequest):
    """The start to settle on, and why."""

    setup_id: UUID
    reason: Note = ""


@router.get("/ranking", response_model=PullRankingAnswer)
def read_ranking(lifter_id: UUID, database: DatabaseIn, who: WhoIn, jobs: JobsIn) -> Any:
    """Styles side by side: bands and chances follow when their job is done."""
    answer = fits.ranking(PULL, database, who, lifter_id, jobs)
    with database.club(who.club_id) as connection:
        return answer | {"advice": pull.advice(connection, lifter_id)}


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
    return pull.start_answer(lifter, pull_setup_from(body.setup), body.load_kg, bars)


@router.post("/costs")
def read_costs(
    lifter_id: UUID, body: PullCostStudyRequest, database: DatabaseIn, who: WhoIn
) -> PullCostAnswer:
    """What every priced pull fault costs."""
    lifter = fits.lifter_model(database, who, lifter_id)
    return pull.costs_of(lifter, pull_setup_from(body.setup), body.load_kg, body.amounts)


@router.get("/why-not")
def read_why_not(
    lifter_id: UUID, style: PullStyleName, database: DatabaseIn, who: WhoIn
) -> WhyNotAnswer:
    """Why a style is closed, and the smallest changes that open it."""
    return pull.why_not_answer(fits.lifter_model(database, who, lifter_id), style)


@router.get("/deciding")
def read_deciding(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> DecidingAnswer:
    """Which input decides between the styles."""
    _, lifter, answer = fits.answer_now(PULL, database, who, lifter_id)
    return pull.deciding_answer(lifter, answer["leaders"])


@router.post("/map")
def read_map(
    lifter_id: UUID,
    body: PullSetupRequest,
    database: DatabaseIn,
    who: WhoIn,
    across: Annotated[Literal["toe_out_deg", "bar_offset_m", "grip_m"], Query()],
) -> PullMapAnswer:
    """Predicted max and limiter over stance and another axis, round a start."""
    lifter = fits.lifter_model(database, who, lifter_id)
    return pull.map_answer(lifter, pull_setup_from(body.setup), across)


@router.get("/settled", response_model=PullSettledAnswer | None)
def read_settled(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> Any:
    """What the lifter is settled on, and what changed since; null when nothing is."""
    return fits.settled_view(PULL, database, who, lifter_id)


@router.get("/settled/history", response_model=list[PullHistoryAnswer])
def read_history(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> Any:
    """Every start that the lifter was settled on, newest first."""
    return fits.settled_history(PULL, database, who, lifter_id)


@router.post("/settled", status_code=201, response_model=SettledAnswer)
def settle(
    lifter_id: UUID, body: SettlePullRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> Any:
    """Settle on a start."""
    return fits.settle(PULL, database, who, key, lifter_id, body.setup_id, body.setup, body.reason)
