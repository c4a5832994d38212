"""The lifter's pocket card."""

from uuid import UUID

from fastapi import APIRouter

from pavrik.api.security import DatabaseIn, WhoIn
from pavrik.formats.wire.card import CardAnswer
from pavrik.services.setups import card

router = APIRouter(prefix="/api/lifters/{lifter_id}/card", tags=["card"])


@router.get("")
def read_card(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> CardAnswer:
    """Settings that a lifter can check without a computer."""
    return card.card(database, who, lifter_id)
