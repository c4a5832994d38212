"""What only the squat has: grids and exact set-ups, bar paths, depth, hands and racks."""

from typing import Annotated
from uuid import UUID

from fastapi import Query, Response

from pavrik.api.security import DatabaseIn, WhoIn
from pavrik.api.setups.lift_router import lift_router
from pavrik.core.lifter.mobility import BarPosition
from pavrik.formats.model.figure_columns import ExactSetupAnswer, ExplorerGridAnswer
from pavrik.formats.model.lift_answers import DepthAnswer, PathAnswer
from pavrik.formats.model.requests import SquatSetupIn
from pavrik.formats.wire.setups import ExactRequest, FurnitureAnswer, SetupRequest
from pavrik.services.lifters.model_lifter import squat_for
from pavrik.services.setups import analysis, card, squat
from pavrik.services.setups.fits import lifter_model
from pavrik.services.setups.squat import SQUAT_FITTING

router = lift_router(SQUAT_FITTING)


@router.get("/grid", response_model=ExplorerGridAnswer)
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


@router.post("/exact")
def read_exact(
    lifter_id: UUID, body: ExactRequest[SquatSetupIn], database: DatabaseIn, who: WhoIn
) -> ExactSetupAnswer:
    """One set-up searched thoroughly, with its path."""
    return squat.exact(database, who, lifter_id, body.setup, body.load_kg)


@router.post("/furniture")
def read_furniture(
    lifter_id: UUID, body: ExactRequest[SquatSetupIn], database: DatabaseIn, who: WhoIn
) -> FurnitureAnswer:
    """Hands and rack holes for a set-up."""
    return card.furniture(database, who, lifter_id, body.setup, body.load_kg)


@router.post("/paths")
def read_paths(
    lifter_id: UUID, body: ExactRequest[SquatSetupIn], database: DatabaseIn, who: WhoIn
) -> PathAnswer:
    """The bar's paths for a ladder of loads."""
    lifter = lifter_model(database, who, lifter_id)
    return analysis.path_of(lifter, squat_for(lifter, body.setup), body.load_kg)


@router.post("/depth")
def read_depth(
    lifter_id: UUID, body: SetupRequest[SquatSetupIn], database: DatabaseIn, who: WhoIn
) -> DepthAnswer:
    """Natural bottoms by stance and the price of depth."""
    lifter = lifter_model(database, who, lifter_id)
    return analysis.depth_answer(lifter, squat_for(lifter, body.setup))
