"""The request of ``pavrik plan``: a lifter, the log, the gym, what is asked for."""

from datetime import date
from typing import Annotated, Literal

from pydantic import BaseModel, Field

from pavrik.core.prescription.attempts import Strategy
from pavrik.core.prescription.choice import Considered
from pavrik.core.prescription.plan_parts import Plan
from pavrik.core.prescription.shape import USUAL
from pavrik.formats.model.requests import (
    BodyIn,
    DeadliftSetupIn,
    PlateIn,
    Region,
    ScreensIn,
    ShapeId,
    SquatSetupIn,
    Strict,
)
from pavrik.formats.wire.shapes import ShapeBody


class FaultIn(Strict):
    """A fault in one rep: catalogue id, phase, severity 1 to 3."""

    fault_id: Annotated[str, Field(max_length=60)]
    phase: Annotated[str, Field(max_length=40)] = ""
    rep: Annotated[int, Field(ge=1, le=60)] = 1
    severity: Annotated[int, Field(ge=1, le=3)] = 2


class SetIn(Strict):
    """One logged set."""

    day: date
    load_kg: Annotated[float, Field(gt=0, le=600)]
    reps: Annotated[int, Field(ge=0, le=30)]
    missed_reps: Annotated[int, Field(ge=0, le=30)] = 0
    rpe: Annotated[float, Field(ge=1, le=10)] | None = None
    aimed_rpe: Annotated[float, Field(ge=1, le=10)] | None = None
    variation: Annotated[str, Field(min_length=1, max_length=60)] = "competition"
    pull_style: Literal["dead_stop", "rebound"] | None = None
    rep_speed_m_s: Annotated[float, Field(ge=0.05, le=3)] | None = None
    """Mean speed of the fastest rep's way up."""
    faults: Annotated[list[FaultIn], Field(max_length=60)] = Field(default_factory=list)


class LiftLogIn(Strict):
    """The log of one lift and its set-up; without one a usual set-up stands in."""

    sets: Annotated[list[SetIn], Field(max_length=2000)] = Field(default_factory=list)


class SquatLogIn(LiftLogIn):
    """The squat's log."""

    setup: SquatSetupIn | None = None


class DeadliftLogIn(LiftLogIn):
    """The deadlift's log."""

    setup: DeadliftSetupIn | None = None


AnyLogIn = SquatLogIn | DeadliftLogIn


class PlanGymIn(Strict):
    """Bar, collars and plates, and what the gym owns beside them."""

    bar_kg: Annotated[float, Field(gt=0, le=60)] = 20.0
    collars_kg: Annotated[float, Field(ge=0, le=10)] = 0.0
    plates: Annotated[list[PlateIn], Field(max_length=30)]
    kit: Annotated[list[str], Field(max_length=40)] = Field(default_factory=list)


class PublicPlanRequest(Strict):
    """Everything that a plan is made from. ``weekdays``: 0 is Monday; nothing is planned on a
    ``blocked`` date; ``own_shape`` goes before ``shape``."""

    format: Literal[1] = 1
    start: date
    weeks: Annotated[int, Field(ge=3, le=16)]
    weekdays: Annotated[list[Annotated[int, Field(ge=0, le=6)]], Field(min_length=1, max_length=6)]
    meet: date | None = None
    goal: Literal["competition", "strength", "muscle", "sport", "health"] = "competition"
    training_age: Literal["novice", "trained", "advanced"] = "trained"
    shape: ShapeId = USUAL
    own_shape: ShapeBody | None = None
    strategy: Strategy = "placing"
    blocked: Annotated[list[date], Field(max_length=60)] = Field(default_factory=list)
    body: BodyIn
    screens: ScreensIn = Field(default_factory=ScreensIn)
    schools: dict[str, str] = Field(default_factory=dict)
    flags: Annotated[list[Region], Field(max_length=8)] = Field(default_factory=list)
    squat: SquatLogIn = Field(default_factory=SquatLogIn)
    deadlift: DeadliftLogIn = Field(default_factory=DeadliftLogIn)
    gym: PlanGymIn


class PublicPlanAnswer(BaseModel):
    """The plan and, by lift, what was considered for it."""

    plan: Plan
    considered: dict[str, list[Considered]]
    model_version: str
