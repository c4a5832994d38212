"""What a coach does to a plan by hand, over the wire."""

from datetime import date, datetime
from typing import Annotated, Literal
from uuid import UUID

from pydantic import BaseModel, Field

from pavrik.core.competition_lifts import LiftId
from pavrik.core.prescription.plan_parts import Edit
from pavrik.core.prescription.reason import Reason
from pavrik.formats.model.requests import Strict
from pavrik.formats.wire.lifters import Line, Text

Sets = Annotated[int, Field(ge=1, le=20)]
Reps = Annotated[int, Field(ge=1, le=50)]
Rpe = Annotated[float, Field(ge=5, le=10)]
LoadKg = Annotated[float, Field(gt=0, le=600)]
RestS = Annotated[int, Field(ge=15, le=1800)]
LineName = Annotated[Line, Field(min_length=1, max_length=60)]
LineId = Annotated[str, Field(min_length=1, max_length=40, pattern=r"^[\w.-]+$")]
DayId = Annotated[str, Field(max_length=20, pattern=r"^[\w.-]*$")]
LineNote = Annotated[Text, Field(max_length=200)]
EditReason = Annotated[Text, Field(max_length=1000)]


class _OfPlan(Strict):
    edit_id: UUID
    reason: EditReason = ""

    def to_core(self) -> Edit:
        """As the core takes it; who says it is not known here."""
        return Edit("", **self.model_dump())


class LineEdit(_OfPlan):
    """Other work for a line, none of it, or another day; nothing at all is as computed. Without a
    load, reps and RPE make it. ``name`` is the variation that the line is of."""

    kind: Literal["line"] = "line"
    line_id: Annotated[str, Field(min_length=1, max_length=60)]
    name: LineName
    sets: Sets | None = None
    reps: Reps | None = None
    rpe: Rpe | None = None
    load_kg: LoadKg | None = None
    rest_s: RestS | None = None
    note: LineNote = ""
    dropped: bool = False
    day_id: DayId = ""


class AddedLine(_OfPlan):
    """A line of the coach's own: of a lift, or other work that is planned but not computed;
    ``weekly``: in every week from its own on."""

    kind: Literal["add"]
    line_id: LineId
    day_id: Annotated[DayId, Field(min_length=1)]
    lift: LiftId | Literal["other"]
    name: LineName
    sets: Sets
    reps: Reps
    rpe: Rpe | None = None
    load_kg: LoadKg | None = None
    rest_s: RestS | None = None
    note: LineNote = ""
    weekly: bool = False


class DayEdit(_OfPlan):
    """Another date for a day; a day that stands there changes places with it."""

    kind: Literal["day"]
    day_id: Annotated[DayId, Field(min_length=1)]
    to_date: date


class UndoEdit(_OfPlan):
    """An earlier edit taken back; an undo can be taken back too."""

    kind: Literal["undo"]
    undoes: UUID


EditRequest = Annotated[LineEdit | AddedLine | DayEdit | UndoEdit, Field(discriminator="kind")]


class EditKept(BaseModel):
    """The edit that was kept; the plan tells what it runs against."""

    edit_id: UUID


class EditAnswer(BaseModel):
    """An edit that stands, in words."""

    edit_id: UUID
    coach: str
    said_at: datetime
    words: str


class Hand(BaseModel):
    """What stands by hand, in order; ``last`` is what an undo takes back."""

    edits: list[EditAnswer] = Field(default_factory=list)
    last: UUID | None = None
    concerns: list[Reason] = Field(default_factory=list)
