"""The squat explored, and the card."""

from typing import Annotated, Any
from uuid import UUID

from fastapi import APIRouter, Query, Response

from pavrik.api.lifters.lifter_schemas import (
    ExactRequest,
    FurnitureAnswer,
    HistoryAnswer,
    RankingAnswer,
    SettledAnswer,
    SettledSetupAnswer,
    SettleRequest,
)
from pavrik.api.security import DatabaseIn, KeyIn, WhoIn
from pavrik.api.setups.analysis_routes import JobsIn
from pavrik.api.setups.card_schemas import CardAnswer
from pavrik.core.lifter.mobility import BarPosition
from pavrik.formats.model.figure_columns import ExactSetupAnswer, ExplorerGridAnswer
from pavrik.services.setups import card, fits, squat
from pavrik.services.setups.squat import SQUAT_FITTING

router = APIRouter(prefix="/api/lifters/{lifter_id}", tags=["squat"])


@router.get("/squat/ranking", response_model=RankingAnswer)
def read_ranking(lifter_id: UUID, database: DatabaseIn, who: WhoIn, jobs: JobsIn) -> Any:
    """The ranked set-ups: bands and chances follow when their job is done."""
    return fits.ranking(SQUAT_FITTING, database, who, lifter_id, jobs)


@router.get("/squat/grid", response_model=ExplorerGridAnswer)
def read_grid(
    lifter_id: UUID,
    database: DatabaseIn,
    who: WhoIn,
    bar_position: BarPosition,
    load_kg: Annotated[float, Query(ge=0, le=600)],
) -> Response:
    """All set-ups of one bar position that the explorer's handles reach."""
    body = squat.grid_json(database, who, lifter_id, bar_position, round(load_kg, 1))
    return Response(body, media_type="application/json")


@router.post("/squat/exact")
def read_exact(
    lifter_id: UUID, body: ExactRequest, database: DatabaseIn, who: WhoIn
) -> ExactSetupAnswer:
    """One set-up searched thoroughly, with its path."""
    return squat.exact(database, who, lifter_id, body.setup, body.load_kg)


@router.post("/squat/furniture", response_model=FurnitureAnswer)
def read_furniture(lifter_id: UUID, body: ExactRequest, database: DatabaseIn, who: WhoIn) -> Any:
    """Hands and rack holes for a set-up."""
    return card.furniture(database, who, lifter_id, body.setup, body.load_kg)


@router.get("/squat/settled", response_model=SettledSetupAnswer | None)
def read_settled(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> Any:
    """What the lifter is settled on, and what changed since; null when nothing is."""
    return fits.settled_view(SQUAT_FITTING, database, who, lifter_id)


@router.post("/squat/settled", status_code=201, response_model=SettledAnswer)
def settle(
    lifter_id: UUID, body: SettleRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> Any:
    """Settle on a set-up."""
    return fits.settle(
        SQUAT_FITTING, database, who, key, lifter_id, body.setup_id, body.setup, body.reason
    )


@router.get("/squat/settled/history", response_model=list[HistoryAnswer])
def read_history(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> Any:
    """Every set-up that the lifter was settled on, newest first."""
    return fits.settled_history(SQUAT_FITTING, database, who, lifter_id)


@router.get("/card", response_model=CardAnswer)
def read_card(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> Any:
    """The lifter's pocket card."""
    return card.card(database, who, lifter_id)
