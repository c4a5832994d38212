"""Requests and answers of plans, variations, and the links to a lifter's card."""

from datetime import date, datetime
from typing import Annotated, Literal
from uuid import UUID

from pydantic import BaseModel, Field

from pavrik.core.prescription.attempts import Strategy
from pavrik.core.prescription.caps import Cap
from pavrik.core.prescription.plan_parts import Day, Plan, PlanAsk
from pavrik.core.prescription.reason import Reason
from pavrik.core.prescription.reflow import Change
from pavrik.core.prescription.shape import USUAL
from pavrik.core.prescription.so_far import SoFar
from pavrik.formats.model.figure_columns import DrawnColumns
from pavrik.formats.model.requests import Strict
from pavrik.formats.wire.afar import SentAnswer
from pavrik.formats.wire.card import CardAnswer
from pavrik.formats.wire.lifters import Line, Text
from pavrik.formats.wire.log import WarmUpStep
from pavrik.formats.wire.plan_edits import Hand
from pavrik.formats.wire.watch import SharedClip

Why = Annotated[Text, Field(min_length=3, max_length=1000)]
VariationName = Annotated[Line, Field(min_length=1, max_length=60)]


class PlanFrame(Strict):
    """Start, length, training days (0 is Monday), the meet, if there is one, and dates on which
    nothing can be trained."""

    start: date
    weeks: Annotated[int, Field(ge=3, le=16)]
    weekdays: Annotated[list[Annotated[int, Field(ge=0, le=6)]], Field(min_length=1, max_length=6)]
    meet: date | None = None
    shape: Annotated[str, Field(pattern="^[a-z][a-z0-9_-]{1,59}$")] = USUAL
    strategy: Strategy = "placing"
    blocked: Annotated[list[date], Field(max_length=60)] = Field(default_factory=list)


class PlanRequest(PlanFrame):
    """A plan to be kept."""

    plan_id: UUID


class VersionRequest(Strict):
    """The id of the version that is made."""

    plan_id: UUID


class VariationWordRequest(Strict):
    """Use a variation, leave it out, or as computed."""

    word: Literal["use", "leave out", "as computed"]
    reason: Why


class WeekVolume(BaseModel):
    """Hard sets of a week."""

    week: int
    lifts: dict[str, int]
    capacities: dict[str, int]


class PlanPreview(BaseModel):
    """A plan that is not kept."""

    plan: Plan
    volume: list[WeekVolume]


class PlanVersion(BaseModel):
    """One version and what it changed."""

    plan_id: UUID
    made_at: datetime
    changes: list[Change]


class StandingPlan(BaseModel):
    """The plan that stands: null where none does. ``pending`` is what today's state would change,
    ``let_go`` what was missed and is not made up."""

    plan_id: UUID | None = None
    ask: PlanAsk | None = None
    made_at: datetime | None = None
    plan: Plan | None
    volume: list[WeekVolume] = Field(default_factory=list)
    pending: list[Change] = Field(default_factory=list)
    let_go: list[Reason] = Field(default_factory=list)
    proposals: list[Reason] = Field(default_factory=list)
    versions: list[PlanVersion] = Field(default_factory=list)
    hand: Hand = Field(default_factory=Hand)
    so_far: list[SoFar] = Field(default_factory=list)


class PlanKept(BaseModel):
    """The version that was made and how many lines it changed."""

    plan_id: UUID
    changes: int = 0


class VariationKept(BaseModel):
    """The variation that something was said of."""

    variation: str


class LoadingAnswerOfPhases(BaseModel):
    """Computed loading: use of each capacity by phase."""

    load_kg: float
    phases: list[str]
    use: dict[str, list[float]]
    limiter: str
    drawn: DrawnColumns
    reasons: list[str]


class RatioStepAnswer(BaseModel):
    """The ratio after a day; the first is the prior."""

    day: str | None
    said: float | None
    ratio: float
    low: float
    high: float


class RatioAnswer(BaseModel):
    """Variation over competition max with its 80 % band."""

    ratio: float
    low: float
    high: float
    days: int
    steps: list[RatioStepAnswer]


class GoalAnswer(BaseModel):
    """Worth for the lifter's goal, the competition lift is 1."""

    share: float
    formula: str


class VariationAnswer(BaseModel):
    """One variation for one lifter."""

    name: str
    good_for: str
    role: str
    place: str | None
    hold_s: float
    kit: list[str]
    missing_kit: list[str]
    blocked: str
    trains: list[str]
    gains: list[str]
    own: bool
    ratio: RatioAnswer | None
    loading: LoadingAnswerOfPhases | None
    score: float | None
    chosen: bool
    why_not: str
    reasons: list[Reason]
    goal: GoalAnswer | None


class VariationWordAnswer(BaseModel):
    """A coach's word that stands."""

    variation: str
    word: str
    reason: str
    coach: str


class VariationTable(BaseModel):
    """All variations of a lift, compared at ``effort`` of each one's own max."""

    lift: str
    max_kg: float | None
    effort: float
    goal: str
    competition: LoadingAnswerOfPhases
    variations: list[VariationAnswer]
    words: list[VariationWordAnswer]
    caps: list[Cap]


class VariationNames(BaseModel):
    """Names of the variations that can be logged, by lift, and what a gym may own."""

    squat: list[str]
    deadlift: list[str]
    kit: dict[str, str]


class KitRequest(Strict):
    """What the gym owns beside bars and plates."""

    items: Annotated[list[Annotated[Text, Field(max_length=40)]], Field(max_length=40)]


class KitAnswer(BaseModel):
    """What the gym owns; ``found`` is what bars, racks and plates say by themselves."""

    items: list[str]
    found: list[str]


class SharedAnswer(BaseModel):
    """What the holder of a link sees."""

    card: CardAnswer
    day: Day | None
    warm_ups: dict[str, list[WarmUpStep]]
    expires_at: datetime
    clips: list[SharedClip] = []
    sent: list[SentAnswer] = []
    consent: str
    """What is agreed to before a film is sent."""


class LinkRequest(Strict):
    """A link that lasts some days."""

    link_id: UUID
    days: Annotated[int, Field(ge=1, le=180)] = 30


class MadeLinkAnswer(BaseModel):
    """The token, shown once, and the QR code of the address as SVG."""

    link_id: UUID
    path: str
    expires_at: datetime
    qr_svg: str


class LinkAnswer(BaseModel):
    """A link and its state."""

    link_id: UUID
    made_at: datetime
    expires_at: datetime
    state: Literal["open", "expired", "closed"]


class ClosedLink(BaseModel):
    """The link that was closed."""

    link_id: UUID
