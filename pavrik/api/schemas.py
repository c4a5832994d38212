"""Requests and answers of the routes that are not the public model JSON."""

from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID

from pydantic import AfterValidator, AwareDatetime, BaseModel, Field

from pavrik.formats.model_answers import CandidateOut
from pavrik.formats.model_requests import SquatSetupIn, Strict
from pavrik.formats.squat_study import JobAnswer

Lift = Literal["squat", "deadlift"]
Region = Literal["ankle", "knee", "hip", "lower back", "upper back", "shoulder", "elbow", "wrist"]


def _without_nul(text: str) -> str:
    if "\x00" in text:
        raise ValueError("the text contains a NUL character: remove it")
    return text


Text = Annotated[str, AfterValidator(_without_nul)]


def _in_our_time(instant: datetime) -> datetime:
    if not 2000 <= instant.year <= 2100:
        raise ValueError("the time lies outside the years 2000 to 2100: check the clock")
    return instant


Instant = Annotated[AwareDatetime, AfterValidator(_in_our_time)]
Name = Annotated[Text, Field(min_length=1, max_length=120)]
Note = Annotated[Text, Field(max_length=1000)]
Rpe = Annotated[float, Field(ge=1, le=10)]


class SignInRequest(Strict):
    """E-mail and password."""

    email: Annotated[Text, Field(min_length=3, max_length=200)]
    password: Annotated[Text, Field(min_length=1, max_length=200)]


class SessionAnswer(BaseModel):
    """The signed-in coach, club, units, and the token that writing requests carry."""

    coach: str
    role: str
    club: str
    is_demo: bool
    mass_unit: Literal["kg", "lb"]
    length_unit: Literal["cm", "in"]
    csrf_token: str


class UnitsRequest(Strict):
    """What the coach reads numbers in."""

    mass_unit: Literal["kg", "lb"]
    length_unit: Literal["cm", "in"]


class ProfileRequest(Strict):
    """What is said of a lifter."""

    name: Name
    sex: Literal["male", "female"]
    born_year: Annotated[int, Field(ge=1920, le=2020)] | None = None
    mass_kg: Annotated[float, Field(ge=35, le=250)]
    stature_m: Annotated[float, Field(ge=1.40, le=2.20)]
    goal: Literal["competition", "strength", "muscle", "sport", "health"] = "competition"
    training_age: Literal["novice", "trained", "advanced"] = "trained"
    walks_out: bool = True
    gear: Literal["raw", "sleeves", "suit"] = "raw"
    history: Annotated[Text, Field(max_length=4000)] = ""


class NewLifterRequest(Strict):
    """A lifter with an id made by the client."""

    lifter_id: UUID
    profile: ProfileRequest


class LifterRef(BaseModel):
    """A lifter's id."""

    lifter_id: UUID


class FlagAnswer(BaseModel):
    """A pain flag that stands."""

    flag_id: UUID
    region: str
    note: str
    raised_at: datetime


class ScreenAnswer(BaseModel):
    """Newest result of a screen; degrees, or metres for grips, hop and box."""

    kind: str
    value: float | None
    taken_at: datetime
    readings: list[float]


class StageState(BaseModel):
    """State of one stage of the rail."""

    state: Literal["nothing yet", "drafted", "settled", "out of date"]
    note: str = ""


class BestLift(BaseModel):
    """The best estimated max of a lift or variation in the log."""

    lift: str
    variation: str
    estimated_max_kg: float
    load_kg: float
    reps: int
    rpe: float | None
    performed_at: datetime


class LifterAnswer(BaseModel):
    """A lifter's record."""

    lifter_id: UUID
    profile: ProfileRequest
    screens: list[ScreenAnswer]
    flags: list[FlagAnswer]
    schools: dict[str, str]
    bests: list[BestLift]
    stages: dict[str, StageState]


class LandmarkAnswer(BaseModel):
    """One landmark; lengths in metres."""

    landmark: str
    name: str
    segment: str
    how: str
    readings_m: list[float]
    length_m: float
    estimated: bool
    expected_m: float
    z_score: float
    third_reading_wanted: bool
    doubt: str | None
    kept_because: str


class MeasureAnswer(BaseModel):
    """The measuring sheet; every segment length as the model uses it, in metres."""

    landmarks: list[LandmarkAnswer]
    technical_error_m: float | None
    sum_doubt: str | None
    segments_m: dict[str, float]


Reading = Annotated[float, Field(gt=0.01, lt=1.5)]


class MeasureRequest(Strict):
    """One to three readings of a landmark in metres."""

    landmark: Annotated[Text, Field(max_length=40)]
    readings_m: Annotated[list[Reading], Field(min_length=1, max_length=3)]
    kept_because: Note = ""


class SidePicture(Strict):
    """Angles read from the side at the deepest squat with a still lower back: how far the knee
    stands above the hip along the thigh, and the trunk's lean from vertical."""

    thigh_deg: Annotated[float, Field(ge=-60, le=60)]
    lean_deg: Annotated[float, Field(ge=0, le=80)]


class ScreenRequest(Strict):
    """A screen read one to three times: degrees, or metres for grips, hop and box; no reading
    where the position cannot be held. The ankle may be given as knee-to-wall distances, the
    neutral depth as angles of a side picture."""

    kind: Literal[
        "ankle", "neutral_depth", "hip", "hip_rotation", "hop", "box",
        "grip_front", "grip_high", "grip_middle", "grip_low",
    ]  # fmt: skip
    readings: Annotated[list[Annotated[float, Field(ge=0, le=180)]], Field(max_length=3)] = Field(
        default_factory=list
    )
    knee_to_wall_cm: Annotated[list[Annotated[float, Field(ge=0, le=30)]], Field(max_length=3)] = (
        Field(default_factory=list)
    )
    side_picture: SidePicture | None = None


class FlagRequest(Strict):
    """Where it hurts."""

    region: Region
    note: Note = ""


class ClearFlagRequest(Strict):
    """Why the flag is cleared."""

    reason: Annotated[Text, Field(min_length=3, max_length=1000)]


class SchoolRequest(Strict):
    """A position taken on a school's question."""

    question: Annotated[Text, Field(max_length=60)]
    position: Annotated[Text, Field(max_length=60)]


class RankingAnswer(BaseModel):
    """Leaders (best of each bar position, best first) and the verdict in words."""

    leaders: list[CandidateOut]
    toss_up: bool
    verdict: str
    why_not: dict[str, list[str]]
    rejected_count: int
    feasible_count: int
    strengths: str
    residual_log: list[float]
    assumed_screens: list[str]
    model_version: str
    seed: int
    job: JobAnswer | None = None


class SetupRequest(Strict):
    """A set-up to be studied."""

    setup: SquatSetupIn


class ExactRequest(Strict):
    """A set-up to be searched thoroughly at a load."""

    setup: SquatSetupIn
    load_kg: Annotated[float, Field(ge=0, le=600)]


class CostStudyRequest(ExactRequest):
    """``amounts`` per fault, in its unit, replace the usual ones."""

    amounts: dict[str, Annotated[float, Field(ge=-30, le=30)]] = Field(default_factory=dict)


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


class SettleRequest(Strict):
    """The set-up to settle on, and why."""

    setup_id: UUID
    setup: SquatSetupIn
    reason: Note = ""


class SettledAnswer(BaseModel):
    """What was settled."""

    setup_id: UUID
    predicted_max_kg: float
    limiter: str
    verdict: str
    toss_up: bool


class SettledSetupAnswer(BaseModel):
    """The settled set-up and what changed since."""

    setup_id: UUID
    setup: SquatSetupIn
    predicted_max_kg: float
    reason: str
    settled_at: datetime
    model_version: str
    stale_because: list[str]


class HistoryAnswer(BaseModel):
    """One set-up that a lifter was settled on."""

    setup_id: UUID
    setup: SquatSetupIn
    predicted_max_kg: float
    reason: str
    settled_at: datetime
    model_version: str


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


class SetRequest(Strict):
    """A set as it was done."""

    set_id: UUID
    replaces: UUID | None = None
    lift: Lift
    variation: Annotated[Text, Field(min_length=1, max_length=60)] = "competition"
    load_kg: Annotated[float, Field(gt=0, le=600)]
    reps: Annotated[int, Field(ge=0, le=30)]
    missed_reps: Annotated[int, Field(ge=0, le=30)] = 0
    rpe: Rpe | None = None
    aimed_rpe: Rpe | None = None
    pull_style: Literal["dead_stop", "rebound"] | None = None
    note: Note = ""
    performed_at: Instant
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
    note: str
    performed_at: datetime
    estimated_max_kg: float | None
    faults: list[ObservationRequest]


class TargetRequest(Strict):
    """Sets x reps @ RPE."""

    lift: Lift = "squat"
    sets: Annotated[int, Field(ge=1, le=10)] = 3
    reps: Annotated[int, Field(ge=1, le=12)] = 5
    rpe: Annotated[float, Field(ge=5, le=10)] = 8.0


class PrescribeRequest(TargetRequest):
    """A prescription to store; a coach may overrule its load with a reason."""

    prescription_id: UUID
    overruled_kg: Annotated[float, Field(gt=0, le=600)] | None = None
    overruled_because: Note = ""


class BecauseAnswer(BaseModel):
    """A reason and the facts it rests on."""

    text: str
    facts: list[str]


class WarmUpAnswer(BaseModel):
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
    because: list[BecauseAnswer]
    warm_up: list[WarmUpAnswer]


class StoredPrescriptionAnswer(BaseModel):
    """A prescription on record."""

    prescription_id: UUID
    lift: str
    answer: PrescriptionAnswer
    overruled_kg: float | None
    overruled_because: str
    prescribed_at: datetime


class Need(BaseModel):
    """One thing that needs the coach."""

    kind: Literal["pain", "lift_ending", "rising", "stale", "open", "overdue"]
    text: str
    lift: Lift


class NextOnFloor(PrescriptionAnswer):
    """The newest prescription on the floor's board."""

    lift: str


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
    next: NextOnFloor | None


class SquatCard(BaseModel):
    """The squat on the card."""

    bar: str
    stance_m: float
    stance_feet: float
    toe_out_deg: int
    heel_lift_m: float
    grip_m: float
    grip_words: str
    grip_from_screen: bool
    racks: list[RackAnswer]
    lean_deg: int
    shank_deg: int
    predicted_max_kg: float
    settled_at: datetime
    reason: str
    model_version: str
    stale_because: list[str]


class PullCard(BaseModel):
    """The deadlift on the card."""

    style: str
    stance_m: float
    stance_feet: float
    toe_out_deg: int
    grip_m: float
    grip_words: str
    foot_words: str
    bar_from_shin_m: float
    back_deg: int
    hip_over_knee_m: float
    predicted_max_kg: float
    settled_at: datetime
    reason: str
    model_version: str
    stale_because: list[str]


class CardAnswer(BaseModel):
    """The lifter's pocket card."""

    name: str
    mass_kg: float
    cues: list[str]
    cautions: list[str]
    pain: list[str]
    squat: SquatCard | None
    deadlift: PullCard | None


class RemedyAnswer(BaseModel):
    """One thing to do."""

    id: str
    kind: str
    text: str
    aim: str | None


class CauseAnswer(BaseModel):
    """A likely cause with its test."""

    id: str
    text: str
    test: str
    remedies: list[str]


class FaultAnswer(BaseModel):
    """A fault of the catalogue."""

    id: str
    lift: str
    name: str
    seen: str
    phases: list[str]
    causes: list[str]
    cost: str


class CatalogueAnswer(BaseModel):
    """The whole catalogue."""

    version: int
    phases: dict[str, list[str]]
    faults: list[FaultAnswer]
    causes: list[CauseAnswer]
    remedies: list[RemedyAnswer]


class PositionAnswer(BaseModel):
    """One answer to a school's question."""

    id: str
    text: str
    silences: list[str]
    cue: str


class SchoolAnswer(BaseModel):
    """One question on which good coaches disagree."""

    id: str
    lift: str
    question: str
    positions: list[PositionAnswer]
    why_default: str
    switches: str


class SchoolsAnswer(BaseModel):
    """All schools and the club's choices."""

    schools: list[SchoolAnswer]
    club: dict[str, str]


class AssumptionAnswer(BaseModel):
    """One of the model's own starting values."""

    name: str
    value: float
    unit: str
    meaning: str


class BarAnswer(BaseModel):
    """A bar; with a centre of its own it is a specialty bar."""

    bar_id: UUID
    name: str
    mass_kg: float
    shaft_mm: float
    collars_kg: float
    beyond_shoulder_m: float | None
    forward_m: float | None
    holds_lean_deg: float | None
    handles: bool


class PlateAnswer(BaseModel):
    """Pairs of one weight."""

    kg: float
    pairs: int


class RackRecordAnswer(BaseModel):
    """A rack as it was measured, in metres."""

    rack_id: UUID
    name: str
    first_hole_m: float
    pitch_m: float
    holes: int
    lip_m: float
    inner_width_m: float
    first_safety_m: float | None
    safety_pitch_m: float | None


class EquipmentAnswer(BaseModel):
    """What the gym owns."""

    bars: list[BarAnswer]
    plates: list[PlateAnswer]
    racks: list[RackRecordAnswer]


class HealthAnswer(BaseModel):
    """Whether the server and its database answer."""

    status: Literal["ok", "no database"]
    model_version: str


class Acknowledged(BaseModel):
    """The write took effect, once."""

    done: bool = True
