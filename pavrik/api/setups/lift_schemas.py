"""What the set-up routes of every lift take and answer, whatever its set-ups look like."""

from datetime import datetime
from typing import Annotated, Generic, TypeVar
from uuid import UUID

from pydantic import BaseModel, Field

from pavrik.api.lifters.lifter_schemas import Note
from pavrik.formats.model.requests import Strict

W = TypeVar("W", bound=BaseModel)


class SetupRequest(Strict, Generic[W]):
    """A set-up to be studied."""

    setup: W


class ExactRequest(SetupRequest[W], Generic[W]):
    """A set-up at a load."""

    load_kg: Annotated[float, Field(ge=0, le=600)]


class CostStudyRequest(ExactRequest[W], Generic[W]):
    """``amounts`` per fault, in its unit, replace the usual ones."""

    amounts: dict[str, Annotated[float, Field(ge=-30, le=30)]] = Field(default_factory=dict)


class SettleRequest(SetupRequest[W], Generic[W]):
    """The set-up to settle on, and why."""

    setup_id: UUID
    reason: Note = ""


class SettledAnswer(BaseModel):
    """What was settled."""

    setup_id: UUID
    predicted_max_kg: float
    limiter: str
    verdict: str
    toss_up: bool


class HistoryAnswer(BaseModel, Generic[W]):
    """One set-up that a lifter was settled on."""

    setup_id: UUID
    setup: W
    predicted_max_kg: float
    reason: str
    settled_at: datetime
    model_version: str


class SettledSetupAnswer(HistoryAnswer[W], Generic[W]):
    """The settled set-up and what changed since. ``now_kg`` is what it promises with today's facts,
    where it is out of date and still holds."""

    stale_because: list[str]
    now_kg: float | None
