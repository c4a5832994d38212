"""The public JSON of the model: answers of the command line and of the HTTP API alike."""

from pydantic import BaseModel, Field

from pavrik.core.fitting.choice import VerdictKind


class PointMassOut(BaseModel):
    """A mass, both sides lumped."""

    name: str
    kg: float
    x_m: float
    z_m: float


class PoseAnswer(BaseModel):
    """One pose. Everything but ``reasons`` is empty where no pose exists.

    Moments are for both sides, positive where muscles must work: plantarflexion, knee extension,
    hip extension, the frontal hip moment that pushing the feet apart leaves, and ``shoulder``, what
    keeps hanging arms under the shoulders.
    """

    points: dict[str, tuple[float, float, float]]
    masses: list[PointMassOut]
    angles: dict[str, float]
    moments_nm: dict[str, float]
    arms_m: dict[str, float]
    use: dict[str, float]
    limiter: str | None
    feasible: bool
    reasons: list[str]


class SquatSetupOut(BaseModel):
    """A set-up as in the pose request."""

    bar_position: str
    stance_m: float
    toe_out_deg: float
    heel_lift_m: float
    hip_above_knee_m: float
    balance: str


class FamilyOut(BaseModel):
    """Styles that are nearly one set-up: the chance that one of them is the best by a clear lead,
    and what choosing them loses on average, in kg."""

    styles: list[str]
    chance_best: float
    expected_loss_kg: float


class VerdictOut(BaseModel):
    """What to do about the choice, and why."""

    kind: VerdictKind
    sentence: str


class CandidateOut(BaseModel):
    """A feasible set-up with its best shank and what it promises."""

    setup: SquatSetupOut
    shank_deg: float
    trunk_lean_deg: float
    hip_closing_deg: float
    predicted_max_kg: float
    band_kg: list[float] | None = Field(None, description="10th and 90th percentile")
    median_kg: float | None = None
    chance_best: float | None = None
    stance_range_m: list[float] | None = None
    toe_range_deg: list[float] | None = None
    limiter: str
    limited_by: str = Field("", description="shares of the muscle groups that limit, in words")
    oversteps: list[str] = Field([], description="limits that are overstepped a little")
    use: dict[str, float]


class RejectedOut(BaseModel):
    """A set-up that this body cannot take, and why."""

    setup: SquatSetupOut
    reasons: list[str]


class FitAnswer(BaseModel):
    """Best of each bar position first, then the rest by predicted max."""

    candidates: list[CandidateOut]
    best_of_style: dict[str, CandidateOut | None]
    rejected: list[RejectedOut]
    families: list[FamilyOut] = []
    none_clearly_best: float | None = None
    verdict: VerdictOut
    strengths: str = Field(description="where the strengths come from: nothing, scale only, ...")
    residual_log: list[float] = Field(description="log of lifted over predicted, per known best")
    lifts_told: list[str] = Field([], description="lifts that stand out, and what that says")
    assumed_screens: list[str]
    advice: list[str] = Field([], description="what the gear changes and the model does not count")
    model_version: str


class PlatesAnswer(BaseModel):
    """Plates of one side, heaviest first."""

    per_side: list[float]
    total_kg: float
    error_kg: float
