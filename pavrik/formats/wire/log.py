"""Requests and answers of the log, the prescriptions and the floor."""

from datetime import date, datetime
from typing import Annotated, Literal
from uuid import UUID

from pydantic import BaseModel, Field

from pavrik.core.competition_lifts import LiftId
from pavrik.core.prescription.reason import Reason
from pavrik.formats.model.requests import Strict
from pavrik.formats.wire.lifters import Done, Line, Note, Rpe, Text


class ObservationRequest(Strict):
    """A fault seen in one phase of one rep."""

    observation_id: UUID
    rep: Annotated[int, Field(ge=1, le=60)]
    fault_id: Annotated[Text, Field(max_length=60)]
    phase: Annotated[Text, Field(max_length=40)]
    severity: Annotated[int, Field(ge=1, le=3)] = 2
    side: Literal["left", "right"] | None = None
    film_s: Annotated[float, Field(ge=0, le=3600)] | None = None
    note: Note = ""


class Gear(Strict):
    """What was used, where it differs from the usual."""

    bar: Annotated[Text, Field(max_length=80)] | None = None
    rack: Annotated[Text, Field(max_length=80)] | None = None
    belt: bool | None = None
    suit: bool | None = None
    shoes: Annotated[Text, Field(max_length=40)] | None = None


class Measures(Strict):
    """What was measured in a set."""

    hands_to_pull_s: Annotated[float, Field(ge=0, le=120)] | None = None
    walkout_steps: Annotated[float, Field(ge=0, le=20)] | None = None
    foot_offset_m: Annotated[float, Field(ge=-0.15, le=0.15)] | None = None
    stance_m: Annotated[float, Field(ge=0.1, le=1.4)] | None = None
    start_hip_m: Annotated[float, Field(ge=0.1, le=1.2)] | None = None
    rep_speed_m_s: Annotated[float, Field(ge=0.05, le=3)] | None = None
    """Mean speed of the fastest rep's way up."""


class SetRequest(Strict):
    """A set as it was done."""

    set_id: UUID
    replaces: UUID | None = None
    lift: LiftId
    variation: Annotated[Line, Field(min_length=1, max_length=60)] = "competition"
    load_kg: Annotated[float, Field(gt=0, le=600)]
    reps: Annotated[int, Field(ge=0, le=30)]
    missed_reps: Annotated[int, Field(ge=0, le=30)] = 0
    rpe: Rpe | None = None
    aimed_rpe: Rpe | None = None
    pull_style: Literal["dead_stop", "rebound"] | None = None
    cue: Annotated[Text, Field(max_length=60)] = ""
    gear: Gear = Field(default_factory=Gear)
    measures: Measures = Field(default_factory=Measures)
    note: Note = ""
    performed_at: Done
    faults: Annotated[list[ObservationRequest], Field(max_length=120)] = Field(default_factory=list)


class SetRef(BaseModel):
    """A set's id."""

    set_id: UUID


class WithdrawRequest(Strict):
    """The id of the fact that withdraws a set."""

    new_id: UUID


class SetAnswer(BaseModel):
    """A logged set with its faults."""

    set_id: UUID
    lift: str
    variation: str
    load_kg: float
    reps: int
    missed_reps: int
    rpe: float | None
    aimed_rpe: float | None
    pull_style: str | None
    cue: str
    gear: Gear
    measures: Measures
    note: str
    performed_at: datetime
    withdrawn: bool
    replaces: UUID | None
    estimated_max_kg: float | None
    trial_arm: Literal["a", "b"] | None
    faults: list[ObservationRequest]


class TargetRequest(Strict):
    """Sets x reps @ RPE."""

    lift: LiftId = "squat"
    sets: Annotated[int, Field(ge=1, le=10)] = 3
    reps: Annotated[int, Field(ge=1, le=12)] = 5
    rpe: Annotated[float, Field(ge=5, le=10)] = 8.0


class PrescribeRequest(TargetRequest):
    """A prescription to store; a coach may overrule its load with a reason."""

    prescription_id: UUID
    overruled_kg: Annotated[float, Field(gt=0, le=600)] | None = None
    overruled_because: Note = ""


class WarmUpStep(BaseModel):
    """One step of the way up."""

    reps: int
    load_kg: float
    per_side: list[float]


class PrescriptionAnswer(BaseModel):
    """The next load with its plates, warm-up and reasons; load null where nothing is known."""

    sets: int
    reps: int
    rpe: float
    estimated_max_kg: float | None
    load_kg: float | None
    per_side: list[float]
    bar_kg: float
    collars_kg: float
    reasons: list[Reason]
    warm_up: list[WarmUpStep]


class StoredPrescriptionAnswer(BaseModel):
    """A prescription on record."""

    prescription_id: UUID
    lift: str
    answer: PrescriptionAnswer
    overruled_kg: float | None
    overruled_because: str
    prescribed_at: datetime


Pressing = Literal[
    "pain", "lift_ending", "film", "sent", "rising", "stale", "cap", "missed", "trial", "open",
    "overdue",
]  # fmt: skip


class Need(BaseModel):
    """One thing that needs the coach."""

    kind: Pressing
    text: str
    lift: LiftId


class NextOnFloor(PrescriptionAnswer):
    """The newest prescription on the board."""

    lift: str


class PlannedDay(BaseModel):
    """The next day of a plan."""

    on: date
    title: str


class FloorRow(BaseModel):
    """One lifter on the floor."""

    lifter_id: UUID
    name: str
    mass_kg: float
    stature_m: float
    goal: str
    squat_state: str
    needs: list[Need]
    last_set_at: datetime | None
    planned: PlannedDay | None
    next: NextOnFloor | None
