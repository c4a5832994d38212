"""What only the deadlift has: one start in full, with its way to lockout and the bar's bend."""

from uuid import UUID

from pavrik.api.security import DatabaseIn, WhoIn
from pavrik.api.setups.lift_router import lift_router
from pavrik.formats.model.deadlift_answers import StartAnswer
from pavrik.formats.model.requests import DeadliftSetupIn
from pavrik.formats.wire.setups import ExactRequest
from pavrik.services.setups import deadlift
from pavrik.services.setups.deadlift import DEADLIFT_FITTING

router = lift_router(DEADLIFT_FITTING)


@router.post("/start")
def read_start(
    lifter_id: UUID, body: ExactRequest[DeadliftSetupIn], database: DatabaseIn, who: WhoIn
) -> StartAnswer:
    """One start in full."""
    return deadlift.start(database, who, lifter_id, body.setup, body.load_kg)
