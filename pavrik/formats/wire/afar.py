"""Requests and answers of what a lifter sends by his own link."""

from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID

from pydantic import BaseModel, Field

from pavrik.core.competition_lifts import LiftId
from pavrik.formats.model.requests import Strict
from pavrik.formats.wire.lifters import Done, Note, Rpe
from pavrik.formats.wire.watch_requests import ClipView

SentWord = Literal["accepted", "declined", "taken back", "deleted"]
SentState = Literal[
    "waits", "counts", "declined", "taken back", "looked at", "deleted", "expired", "kept"
]
KeptDays = Annotated[int, Field(ge=1, le=90)]


class SendSetRequest(Strict):
    """A set that the lifter did on his own."""

    item_id: UUID
    lift: LiftId
    load_kg: Annotated[float, Field(gt=0, le=600)]
    reps: Annotated[int, Field(ge=0, le=30)]
    missed_reps: Annotated[int, Field(ge=0, le=30)] = 0
    rpe: Rpe | None = None
    note: Note = ""
    performed_at: Done


class SentFilmFacts(BaseModel):
    """What is known of a film that the lifter sends, and that he agreed that it is kept."""

    lift: LiftId
    load_kg: Annotated[float, Field(gt=0, le=600)]
    view: ClipView = "side"
    note: Note = ""
    performed_at: Done
    agreed: bool = False


class SentAnswer(BaseModel):
    """What was sent, or kept, and where it stands."""

    item_id: UUID
    kind: Literal["set", "film", "kept film"]
    lift: LiftId
    load_kg: float
    reps: int | None
    missed_reps: int | None
    rpe: float | None
    view: ClipView | None
    note: str
    performed_at: datetime
    sent_at: datetime
    kept_until: datetime | None
    state: SentState
    clip_id: UUID | None


class SentRef(BaseModel):
    """What was sent, by its id; whether it stands in the log already."""

    item_id: UUID
    counts: bool = False


class SentWordRequest(Strict):
    """A coach's word to what was sent."""

    word_id: UUID
    word: Literal["accepted", "declined", "deleted"]
