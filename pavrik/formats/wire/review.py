"""Answers of the review and the diagnosis."""

from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID

from pydantic import BaseModel, Field

from pavrik.core.competition_lifts import LiftId
from pavrik.formats.model.requests import Strict
from pavrik.formats.wire.library import RemedyAnswer
from pavrik.formats.wire.lifters import Done, Note, Text


class RateAnswer(BaseModel):
    """Faulty reps of all reps in one cell, with an 80 % interval."""

    label: str
    reps: int
    faulty: int
    rate: float
    low: float
    high: float


class LevelAnswer(BaseModel):
    """The load at which a fault has a given chance; null where the log does not bound it."""

    chance: float
    share: float
    low: float
    high: float | None
    load_kg: float | None
    low_kg: float | None
    high_kg: float | None


class CurvePoint(BaseModel):
    """One point of the fitted curve with its 80 % band."""

    share: float
    chance: float
    low: float
    high: float


class OnsetAnswer(BaseModel):
    """Whether and where a fault comes with the load."""

    verdict: Literal["known", "too few", "not with load", "beyond"]
    rises: float
    heaviest_share: float
    half: LevelAnswer | None
    fifth: LevelAnswer | None
    curve: list[CurvePoint]


class FaultKnowledgeAnswer(BaseModel):
    """What the log knows of one fault."""

    fault_id: str
    name: str
    reps: int
    faulty: int
    counted: Literal["reps", "sets"]
    first_in_rep: int
    words: str
    onset: OnsetAnswer
    by_load: list[RateAnswer]
    by_rep: list[RateAnswer]
    by_week: list[RateAnswer]
    by_variation: list[RateAnswer]


class TrendPoint(BaseModel):
    """One day: its best estimate and the smoothed level with an 80 % band, in kg."""

    day: str
    estimate_kg: float
    level_kg: float
    low_kg: float
    high_kg: float


class TogetherAnswer(BaseModel):
    """Two faults that share reps more often than chance."""

    first: str
    second: str
    first_name: str
    second_name: str
    both: int
    first_total: int
    second_total: int
    ratio: float
    led: int


class CapAnswer(BaseModel):
    """The most that keeps the back's shape."""

    load_kg: float
    fault_id: str
    words: str


class TrialAnswer(BaseModel):
    """A cue or a set-up before and after."""

    what: str
    fault_id: str
    name: str
    outcome: str
    words: str
    chance_lower: float


class RepeatabilityAnswer(BaseModel):
    """How alike the reps are in one measure."""

    kind: str
    name: str
    verdict: str


class ReviewAnswer(BaseModel):
    """Everything that the log of a lift knows."""

    lift: str
    sets: int
    reps: int
    max_kg: float | None
    decision: str
    trend: list[TrendPoint]
    faults: list[FaultKnowledgeAnswer]
    together: list[TogetherAnswer]
    cap: CapAnswer | None
    trials: list[TrialAnswer]
    repeatability: list[RepeatabilityAnswer]


class RemedyToDo(RemedyAnswer):
    """A remedy; ``changes_setup`` where the fit can show it beside today's set-up."""

    changes_setup: bool
    lift: str


class RankedCauseAnswer(BaseModel):
    """A cause with what speaks for and against it."""

    cause_id: str
    text: str
    test: str
    standing: Literal["confirmed", "likely", "possible", "ruled out"]
    score: float
    for_it: list[str]
    against_it: list[str]
    remedies: list[RemedyToDo]


class CauseTestAnswer(BaseModel):
    """A logged test."""

    test_id: UUID
    fault_id: str
    cause_id: str
    result: Literal["for", "against", "unclear"]
    note: str
    tested_at: datetime


class DiagnosisAnswer(BaseModel):
    """Why a fault is there, as far as it is known."""

    fault_id: str
    lift: str
    name: str
    seen: str
    caution: str
    words: str
    leads: list[str]
    stop: str | None
    causes: list[RankedCauseAnswer]
    tests: list[CauseTestAnswer]
    is_floor_stall: bool


class CauseTestRequest(Strict):
    """What a test said."""

    test_id: UUID
    fault_id: Annotated[Text, Field(max_length=60)]
    cause_id: Annotated[Text, Field(max_length=60)]
    result: Literal["for", "against", "unclear"]
    note: Note = ""
    tested_at: Done


class TestRef(BaseModel):
    """A test's id."""

    test_id: UUID


class DrillResultRequest(Strict):
    """Whether a stage of a drill was passed; the newest result of a stage counts."""

    result_id: UUID
    lift: LiftId
    stage: Annotated[Text, Field(min_length=1, max_length=80)]
    passed: bool


class DrillRef(BaseModel):
    """The result that was kept."""

    result_id: UUID


class CueRequest(Strict):
    """A cue to try from now on; empty ends the trial."""

    choice_id: UUID
    lift: LiftId
    cue: Annotated[Text, Field(max_length=60)]


class CueRef(BaseModel):
    """The cue on trial."""

    cue: str


class FloorFactsRequest(Strict):
    """What the coach knows better than the record; what is left out is taken from it."""

    attempt_kg: Annotated[float, Field(gt=0, le=600)] | None = None
    best_single_kg: Annotated[float, Field(gt=0, le=600)] | None = None
    rebound_share: Annotated[float, Field(ge=0, le=1)] | None = None
    wait_light_s: Annotated[float, Field(ge=0, le=120)] | None = None
    wait_heavy_s: Annotated[float, Field(ge=0, le=120)] | None = None
    all_out_before: bool | None = None
    old_injury: bool | None = None


class FloorFactsAnswer(FloorFactsRequest):
    """All facts that the walk used."""

    squat_kg: float | None = None
    pull_kg: float | None = None
    knee_flexion_deg: float | None = None
    legs_limit: bool | None = None
    rebound_gap: float | None = None


class FloorStepAnswer(BaseModel):
    """One question with its answer."""

    id: str
    question: str
    answer: Literal["yes", "no", "unknown"]
    reason: str
    remedies: list[RemedyToDo]


class FloorWalkAnswer(BaseModel):
    """The questions for a pull that stays on the floor."""

    facts: FloorFactsAnswer
    verdict: str
    likely: str | None
    stop: bool
    steps: list[FloorStepAnswer]
