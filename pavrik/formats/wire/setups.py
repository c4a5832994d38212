"""What the set-up routes of every lift take and answer, whatever its set-ups look like."""

from datetime import date, datetime
from typing import Annotated, Generic, Literal, TypeVar
from uuid import UUID

from pydantic import BaseModel, Field

from pavrik.core.log.setup_trial import LEAST_SESSIONS, MOST_SESSIONS
from pavrik.formats.model.answers import CandidateOut, FamilyOut, VerdictOut
from pavrik.formats.model.lift_answers import JobAnswer
from pavrik.formats.model.requests import Strict
from pavrik.formats.wire.lifters import Note

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
    verdict: VerdictOut


class TrialRequest(Strict, Generic[W]):
    """Two set-ups to be tried in turn with the same work; ``load_kg`` is fixed for all of it."""

    trial_id: UUID
    setup_a: W
    setup_b: W
    sessions_each: Annotated[int, Field(ge=LEAST_SESSIONS, le=MOST_SESSIONS)] = LEAST_SESSIONS
    sets: Annotated[int, Field(ge=1, le=6)] = 3
    reps: Annotated[int, Field(ge=1, le=8)] = 3
    load_kg: Annotated[float, Field(gt=0, le=600)]


class EndTrialRequest(Strict):
    """How a trial ends: a winner that is settled on, none, or stopped before its time."""

    outcome: Literal["a", "b", "none", "stopped"]
    reason: Note = ""


class ArmAnswer(BaseModel):
    """What was seen of one set-up: sessions, reps, those with a clear fault."""

    words: str
    sessions: int
    reps: int
    faulty: int


class SetupTrialAnswer(BaseModel):
    """A trial of two set-ups with what it says so far; ``next_arm`` None where no session is left
    or it has ended."""

    trial_id: UUID
    lift: str
    a: ArmAnswer
    b: ArmAnswer
    sessions_each: int
    sets: int
    reps: int
    load_kg: float
    started_on: date
    next_session: int | None
    next_arm: Literal["a", "b"] | None
    gain: float | None
    band: tuple[float, float] | None
    chance_b: float | None
    verdict: str
    sentence: str
    outcome: str | None
    reason: str | None


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


class RankingAnswer(BaseModel):
    """Leaders (best of each bar position, best first) and the verdict in words; ``advice`` is what
    the log says before a style is changed."""

    leaders: list[CandidateOut]
    families: list[FamilyOut] = []
    none_clearly_best: float | None = None
    verdict: VerdictOut
    why_not: dict[str, list[str]]
    rejected_count: int
    feasible_count: int
    strengths: str
    lifts_told: list[str]
    assumed_screens: list[str]
    advice: list[str] = []
    model_version: str
    seed: int
    job: JobAnswer | None = None


class LeversAnswer(BaseModel):
    """By lift and segment, kg of the max in the set-up in force that one centimetre more of the
    length brings or takes; a lift is empty where its set-up is closed. By segment, how far
    reading it once more is likely to move (sd, kg) the lift that it moves most."""

    kg_per_cm: dict[str, dict[str, float]]
    worth_kg: dict[str, float]


class RackAnswer(BaseModel):
    """Holes in one rack; distances in metres."""

    rack: str
    hook_hole: int | None
    dip_m: float
    safety_hole: int | None
    safety_below_m: float
    clearance_m: float
    problem: str | None


class GripAnswer(BaseModel):
    """Hands on the bar."""

    grip_m: float
    ring_words: str
    set_by_screen: bool
    elbow_flexion_deg: float | None
    forearm_tilt_deg: float | None
    problem: str | None


class FurnitureAnswer(BaseModel):
    """Hands and rack for a set-up."""

    grip: GripAnswer
    racks: list[RackAnswer]
