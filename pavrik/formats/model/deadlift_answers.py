"""What the pull's screens show: starts, styles side by side, the way to lockout, the bar's bend."""

from typing import Annotated, Literal

from pydantic import BaseModel, Field

from pavrik.formats.model.answers import FamilyOut, VerdictOut
from pavrik.formats.model.figure_columns import DrawnColumns
from pavrik.formats.model.lift_answers import JobAnswer
from pavrik.formats.model.requests import (
    BodyIn,
    DeadliftSetupIn,
    LoadKg,
    ScreensIn,
    Strict,
)


class DeadliftCandidateOut(BaseModel):
    """The best start of a style and what it promises; travel and work at its predicted max."""

    setup: DeadliftSetupIn
    shank_deg: float
    back_deg: float
    hip_closing_deg: float
    hip_abduction_deg: float
    hip_over_knee_m: float
    predicted_max_kg: float
    band_kg: list[float] | None = None
    median_kg: float | None = None
    chance_best: float | None = None
    stance_range_m: list[float] | None = None
    toe_range_deg: list[float] | None = None
    limiter: str
    limited_by: str = Field("", description="shares of the muscle groups that limit, in words")
    oversteps: list[str] = Field([], description="limits that are overstepped a little")
    use: dict[str, float]
    travel_m: float
    work_j: float
    hip_rotation_deg: float


class DeadliftRankingAnswer(BaseModel):
    """Leaders (best start of each style), the coach's rule beside the model's verdict."""

    leaders: list[DeadliftCandidateOut]
    families: list[FamilyOut] = []
    none_clearly_best: float | None = None
    verdict: VerdictOut
    coach_rule: str
    why_not: dict[str, list[str]]
    rejected_count: int
    feasible_count: int
    strengths: str
    lifts_told: list[str]
    assumed_screens: list[str]
    both_lifts: str
    advice: list[str] = []
    model_version: str
    seed: int
    job: JobAnswer | None = None


class DeadliftRejectedOut(BaseModel):
    """A start that this body cannot take, and why."""

    setup: DeadliftSetupIn
    reasons: list[str]


class DeadliftFitAnswer(BaseModel):
    """The public answer of ``pavrik fit`` for a pull."""

    candidates: list[DeadliftCandidateOut]
    best_of_style: dict[str, DeadliftCandidateOut | None]
    rejected: list[DeadliftRejectedOut]
    families: list[FamilyOut] = []
    none_clearly_best: float | None = None
    verdict: VerdictOut
    coach_rule: str
    strengths: str
    residual_log: list[float]
    lifts_told: list[str] = []
    assumed_screens: list[str]
    advice: list[str] = []
    model_version: str


class NaturalStartOut(BaseModel):
    """The natural start against a too-low one; let-go in m in front of the heel."""

    rise_m: float
    let_go_m: float
    low_let_go_m: float
    low: DrawnColumns


class BarBendOut(BaseModel):
    """Slack in m, the hands' height when the plates leave, and the rising pull."""

    bar: str
    shaft_mm: float
    bend_m: float
    slack_m: float
    leaves_at_m: float
    sleeve_ends_slack_m: float
    rise_m: list[float]
    pull_kg: list[float]


class GripOut(BaseModel):
    """Hands on the bar in m and ring words; room to the legs in m, negative presses."""

    grip_m: float
    ring_words: str
    room_m: float


class PerCentimetre(BaseModel):
    """What one centimetre more does: to travel in m, to the predicted max in kg (null where it no
    longer holds)."""

    travel_m: float
    max_kg: float | None


class StartAnswer(BaseModel):
    """One start at a load: everything that a coach compares."""

    setup: DeadliftSetupIn
    predicted_max_kg: float
    limiter: str
    reasons: list[str]
    start: DrawnColumns
    path: DrawnColumns
    phases: list[str]
    hardest_step: int
    hardest_phase: str
    hardest_height_m: float
    path_max_kg: float
    lat_moment_nm: float
    back_deg: float
    hip_over_knee_m: float
    mass_centre_m: float
    lockout_m: float
    travel_m: float
    work_j: float
    natural: NaturalStartOut
    bends: list[BarBendOut]
    grip: GripOut
    per_cm: dict[str, PerCentimetre]
    explanations: dict[str, str]


class DeadliftAtLoadRequest(Strict):
    """A body in a start at a load: what ``pavrik path`` and ``pavrik cost`` take for pulls."""

    format: Literal[1] = 1
    lift: Literal["deadlift"]
    body: BodyIn
    setup: DeadliftSetupIn
    load_kg: LoadKg
    screens: ScreensIn = Field(default_factory=ScreensIn)
    schools: dict[str, str] = Field(default_factory=dict)


class DeadliftCostRequest(DeadliftAtLoadRequest):
    """``amounts`` per fault in m replace the usual ones."""

    amounts: dict[str, Annotated[float, Field(ge=-0.3, le=0.3)]] = Field(default_factory=dict)
