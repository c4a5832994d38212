"""The squat studied: costs of faults, why not, maps, paths, depth, what decides, goals."""

from typing import Annotated, Literal
from uuid import UUID

from pydantic import BaseModel, Field

from pavrik.core.fitting.goals import Target
from pavrik.formats.model.figure_columns import DrawnColumns
from pavrik.formats.model.requests import (
    BodyIn,
    LoadKg,
    ScreensIn,
    SquatSetupIn,
    Strict,
)


class SquatAtLoadRequest(Strict):
    """A body in a set-up at a load: what ``pavrik path`` and ``pavrik cost`` take."""

    format: Literal[1] = 1
    lift: Literal["squat"]
    body: BodyIn
    setup: SquatSetupIn
    load_kg: LoadKg
    screens: ScreensIn = Field(default_factory=ScreensIn)
    schools: dict[str, str] = Field(default_factory=dict)


class CostRequest(SquatAtLoadRequest):
    """``amounts`` per fault, in its unit (m, deg or a share), replace the usual ones."""

    amounts: dict[str, Annotated[float, Field(ge=-30, le=30)]] = Field(default_factory=dict)


class MovedUse(BaseModel):
    """The capacity whose use at the load rises most, as shares before and after."""

    name: str
    before: float
    after: float


class FaultCostOut(BaseModel):
    """What one fault costs; ``drawn`` is the disturbed pose at the load, columns of length 1 or
    along the deeper half."""

    fault_id: str
    words: str
    amount: float
    unit: str
    before_kg: float
    after_kg: float
    lost_kg: float
    lost_share: float
    limiter_before: str
    limiter_after: str
    knee_inward_nm: float
    most_moved: MovedUse
    drawn: DrawnColumns | None


class CostAnswer(BaseModel):
    """All priced faults, the dearest first; empty, with reasons, where the set-up is infeasible."""

    costs: list[FaultCostOut]
    reasons: list[str]
    model_version: str


class BarPathOut(BaseModel):
    """The bar's path at one load, standing first."""

    load_kg: float
    share_of_system: float
    range_m: float
    x_m: list[float]
    z_m: list[float]


class PathAnswer(BaseModel):
    """The whole descent at the load (the ascent passes the same poses), and a ladder of loads."""

    progress: list[float]
    phases: list[str]
    drawn: DrawnColumns
    ladder: list[BarPathOut]
    plumb_from_kg: float
    predicted_max_kg: float
    reasons: list[str]
    model_version: str


class RemedyOut(BaseModel):
    """The least change that opens a style, where it then stands, and its predicted max."""

    words: str
    stance_m: float
    toe_out_deg: float
    heel_lift_m: float
    predicted_max_kg: float


class WhyNotAnswer(BaseModel):
    """Why a style is closed to this body, and what opens it, the easiest first."""

    bar_position: str
    feasible: bool
    gates: list[str]
    binding: list[str]
    remedies: list[RemedyOut]


class MapAnswer(BaseModel):
    """Predicted max over stance (columns) and another axis (rows)."""

    across: str
    rows: list[str]
    stance_m: list[float]
    kg: list[list[float]]
    limit: list[list[str]]


class DepthAnswer(BaseModel):
    """Natural bottoms by stance and what a centimetre of depth costs; lengths in m."""

    stance_m: list[float]
    below_parallel_m: list[float | None]
    widest_deep_enough_m: float | None
    competition_m: float
    per_cm_kg: float | None
    per_cm_share: float | None
    target_below_parallel_m: float


class FlipOut(BaseModel):
    """How far one input must move to change the answer; null where nothing near does."""

    name: str
    words: str
    unit: str
    measured: bool
    by: float | None
    errors: float | None
    to: str | None


class DecidingAnswer(BaseModel):
    """What decides between the leaders, the most decisive first, and the next measurement."""

    sentence: str
    flips: list[FlipOut]


class WeightsRequest(Strict):
    """Weights of the goals; null takes those of the lifter's goal. ``target`` is the muscle that
    the muscle goal is for, ``weeks`` the time there is to teach a lift."""

    target: Target | None = None
    weeks: Annotated[int, Field(ge=1, le=104)] | None = None

    weights: dict[
        Literal["max", "muscle", "mobility", "learning", "sparing"],
        Annotated[float, Field(ge=0, le=1)],
    ] | None = None  # fmt: skip


class GoalScoreOut(BaseModel):
    """Score of one leader with its parts, each a share of the best."""

    bar_position: str
    total: float
    parts: dict[str, float]
    school: float


class RungOut(BaseModel):
    """One rung of the learning ladder."""

    name: str
    ready: bool
    flat: bool
    why: str
    barbell: bool


class GoalsAnswer(BaseModel):
    """How the goal orders the leaders, in the open, and the learning ladder; ``first`` is the style
    that the goal puts first, ``heading`` what to do about it, ``told`` whether the goal (and not
    the predicted max) should decide what is shown first."""

    first: str | None
    heading: str
    told: bool
    goal: str
    weights: dict[str, float]
    scores: list[GoalScoreOut]
    sentence: str
    ladder: list[RungOut]
    advice: list[str]


class JobAnswer(BaseModel):
    """A computation on its way; ``progress`` from 0 to 1."""

    job_id: UUID
    state: Literal["running", "done", "cancelled", "failed"]
    progress: float
    told: str = ""
