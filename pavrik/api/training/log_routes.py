"""The platform log and the prescriptions."""

from datetime import UTC, datetime
from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query

from pavrik.api.security import DatabaseIn, KeyIn, WhoIn
from pavrik.core.competition_lifts import LiftId
from pavrik.core.prescription.next_load import Target
from pavrik.formats.wire.log import (
    PrescribeRequest,
    PrescriptionAnswer,
    SetAnswer,
    SetRef,
    SetRequest,
    StoredPrescriptionAnswer,
    TargetRequest,
    WithdrawRequest,
)
from pavrik.services.facts import Observation, StoredSet
from pavrik.services.plans import prescribing
from pavrik.services.training import log

router = APIRouter(prefix="/api", tags=["training"])


def queued_set(lifter_id: UUID, body: SetRequest, key: UUID) -> log.QueuedSet:
    """A request as the services take it."""
    fields = body.model_dump(exclude={"faults", "measures", "gear"})
    logged = StoredSet(
        lifter_id=lifter_id, schools={}, gear=body.gear.model_dump(exclude_none=True), **fields
    )
    seen = [Observation(**fault.model_dump()) for fault in body.faults]
    return log.QueuedSet(key, logged, seen, body.measures.model_dump(exclude_none=True))


@router.get("/lifters/{lifter_id}/sets")
def read_sets(
    lifter_id: UUID,
    database: DatabaseIn,
    who: WhoIn,
    lift: LiftId | None = None,
    most: Annotated[int, Query(ge=1, le=500)] = 60,
) -> list[SetAnswer]:
    """Standing sets, newest first."""
    return log.shown_sets(database, who, lifter_id, lift, most)


@router.post("/lifters/{lifter_id}/sets", status_code=201)
def log_set(
    lifter_id: UUID, body: SetRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> SetRef:
    """Log a set with the faults seen in it; ``replaces`` amends an earlier one."""
    return log.log_set(database, who, queued_set(lifter_id, body, key))


@router.post("/sets/{set_id}/withdrawal")
def withdraw_set(
    set_id: UUID, body: WithdrawRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> SetRef:
    """Take a set back; the old fact stays on record."""
    queued = log.QueuedWithdrawal(key, set_id, body.new_id, datetime.now(UTC))
    return log.withdraw_set(database, who, queued)


@router.get("/sets/{set_id}/versions")
def read_versions(set_id: UUID, database: DatabaseIn, who: WhoIn) -> list[SetAnswer]:
    """A set as it was said at first and amended since, newest first."""
    return log.versions(database, who, set_id)


@router.post("/lifters/{lifter_id}/next-load")
def propose(
    lifter_id: UUID, body: TargetRequest, database: DatabaseIn, who: WhoIn
) -> PrescriptionAnswer:
    """The next load as it would be prescribed; nothing is stored."""
    target = Target(body.reps, body.rpe, body.sets)
    return prescribing.propose(database, who, lifter_id, body.lift, target)


@router.get("/lifters/{lifter_id}/prescriptions")
def read_prescriptions(
    lifter_id: UUID, database: DatabaseIn, who: WhoIn
) -> list[StoredPrescriptionAnswer]:
    """Prescriptions, newest first."""
    return prescribing.given_so_far(database, who, lifter_id)


@router.post("/lifters/{lifter_id}/prescriptions", status_code=201)
def prescribe(
    lifter_id: UUID, body: PrescribeRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> PrescriptionAnswer:
    """Store the next load, overruled with a reason where the coach knows better."""
    return prescribing.prescribe(
        database,
        who,
        key,
        body.prescription_id,
        lifter_id,
        body.lift,
        Target(body.reps, body.rpe, body.sets),
        body.overruled_kg,
        body.overruled_because,
    )
