"""Trials of two set-ups: what runs, what it says, how it ends. They begin under their lift."""

from uuid import UUID

from fastapi import APIRouter

from pavrik.api.security import DatabaseIn, KeyIn, WhoIn
from pavrik.formats.wire.lifters import Acknowledged
from pavrik.formats.wire.setups import EndTrialRequest, SetupTrialAnswer
from pavrik.services.setups.sureness import FITTINGS
from pavrik.services.training import setup_trials

router = APIRouter(prefix="/api", tags=["trials"])


@router.get("/lifters/{lifter_id}/trials")
def read_trials(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> list[SetupTrialAnswer]:
    """Every trial of a lifter with what it says, newest first."""
    return setup_trials.shown_trials(database, who, lifter_id)


@router.post("/trials/{trial_id}/end")
def end_trial(
    trial_id: UUID, body: EndTrialRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> Acknowledged:
    """End a trial; a winner is settled on at once."""
    return setup_trials.end(FITTINGS, database, who, key, trial_id, body)
