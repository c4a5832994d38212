"""The lifter's pocket card."""

from typing import Any
from uuid import UUID

from fastapi import APIRouter

from pavrik.api.security import DatabaseIn, WhoIn
from pavrik.api.setups.card_schemas import CardAnswer
from pavrik.services.setups import card

router = APIRouter(prefix="/api/lifters/{lifter_id}/card", tags=["card"])


@router.get("", response_model=CardAnswer)
def read_card(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> Any:
    """Settings that a lifter can check without a computer."""
    return card.card(database, who, lifter_id)
