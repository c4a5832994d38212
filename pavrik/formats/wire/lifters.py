"""Requests and answers of the routes that are not the public model JSON."""

import re
from datetime import UTC, date, datetime, timedelta
from typing import Annotated, Literal
from uuid import UUID

from pydantic import AfterValidator, AwareDatetime, BaseModel, Field

from pavrik.core.lifter.mobility import ANGLE_SCREENS, BAR_POSITIONS
from pavrik.formats.model.requests import Region, Strict
from pavrik.words import say

UNSEEN = re.compile("[\x01-\x08\x0b\x0c\x0e-\x1f\x7f-\x9f\ud800-\udfff\ufffe\uffff\u2028\u2029]")
"""What nobody sees and no file bears: control characters, halves of pairs, non-characters."""


def _seen(text: str) -> str:
    if "\x00" in text:
        raise ValueError(say("wire.text_contains_nul_character"))
    return UNSEEN.sub("", text.replace("\r\n", "\n").replace("\r", "\n"))


def _one_line(text: str) -> str:
    return " ".join(text.split())


Text = Annotated[str, AfterValidator(_seen)]
Line = Annotated[Text, AfterValidator(_one_line)]
"""A name: what is more than a space between words becomes one."""


def _in_our_time(instant: datetime) -> datetime:
    if not 2000 <= instant.year <= 2100:
        raise ValueError(say("wire.time_lies_outside_years"))
    return instant


AHEAD = timedelta(days=1)
"""How far a clock may go before ours, time zones included."""


def lies_ahead(instant: datetime) -> bool:
    """Whether nobody can have done it yet."""
    return instant > datetime.now(UTC) + AHEAD


def _done_by_now(instant: datetime) -> datetime:
    if lies_ahead(instant):
        raise ValueError(say("wire.lies_ahead_check_date", instant=instant))
    return instant


Instant = Annotated[AwareDatetime, AfterValidator(_in_our_time)]
Done = Annotated[Instant, AfterValidator(_done_by_now)]
Name = Annotated[Line, Field(min_length=1, max_length=120)]
Note = Annotated[Text, Field(max_length=1000)]
Rpe = Annotated[float, Field(ge=1, le=10)]


class SignInRequest(Strict):
    """E-mail and password."""

    email: Annotated[Text, Field(min_length=3, max_length=200)]
    password: Annotated[Text, Field(min_length=1, max_length=200)]


class NewClubRequest(Strict):
    """A club and its owner; ``token`` of a one-time link, empty for the first club here."""

    club: Annotated[Line, Field(min_length=1, max_length=80)]
    name: Annotated[Line, Field(min_length=1, max_length=80)]
    email: Annotated[Text, Field(pattern=r"^[^@\s]+@[^@\s]+$", max_length=200)]
    password: Annotated[Text, Field(min_length=12, max_length=200)]
    time_zone: Annotated[Text, Field(max_length=60)] = ""
    token: Annotated[Text, Field(max_length=100)] = ""


class DoorsAnswer(BaseModel):
    """Which doors are open here: the first club of one's own, the demo club."""

    own_club: bool
    demo: bool


class ClubLinkAnswer(BaseModel):
    """What a one-time link opens."""

    club: str
    email: str


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


class EraseRequest(Strict):
    """The lifter's name, typed to delete everything of it."""

    name: Annotated[Line, Field(min_length=1, max_length=200)]


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


Standing = Literal["nothing yet", "drafted", "settled", "out of date"]


class StageState(BaseModel):
    """State of one stage of the rail."""

    state: Standing
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


class ExerciseOut(BaseModel):
    """Something that a best or a test can be told of."""

    exercise: str
    name: str
    how: str


class KnownLiftAnswer(BaseModel):
    """A best or a test that was told."""

    known_id: UUID
    exercise: str
    name: str
    load_kg: float
    reps: int
    rpe: float | None
    done_on: date


class KnownLiftRequest(Strict):
    """A best or a test; without a load what was told before is taken back."""

    exercise: Annotated[Text, Field(max_length=40)]
    load_kg: Annotated[float, Field(gt=0, le=1000)] | None = None
    reps: Annotated[int, Field(ge=1, le=20)] = 1
    rpe: Annotated[float, Field(ge=5, le=10)] | None = None
    done_on: Annotated[date, Field(ge=date(1990, 1, 1))]


class AwayAnswer(BaseModel):
    """A lifter who left the club."""

    lifter_id: UUID
    name: str
    since: datetime


class PresenceRequest(Strict):
    """Whether a lifter is in the club."""

    here: bool


class MassOut(BaseModel):
    """What a lifter weighed from a day on."""

    on: date
    mass_kg: float


class LifterAnswer(BaseModel):
    """A lifter's record; ``away_since`` of one who left the club."""

    lifter_id: UUID
    away_since: datetime | None
    masses: list[MassOut]
    profile: ProfileRequest
    screens: list[ScreenAnswer]
    flags: list[FlagAnswer]
    schools: dict[str, str]
    bests: list[BestLift]
    known: list[KnownLiftAnswer]
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
    """Angles read from the side at the deepest squat with a neutral back: how far the knee
    stands above the hip along the thigh, and the trunk's lean from vertical."""

    thigh_deg: Annotated[float, Field(ge=-60, le=60)]
    lean_deg: Annotated[float, Field(ge=0, le=80)]


SCREEN_KINDS = (
    *(screen.kind for screen in ANGLE_SCREENS), "hop", "box", "shelf",
    *(f"grip_{p}" for p in BAR_POSITIONS),
)  # fmt: skip


def _screen_kind(kind: str) -> str:
    if kind not in SCREEN_KINDS:
        raise ValueError(
            say("wire.there_no_screen", kind=kind, screen_kinds=", ".join(SCREEN_KINDS))
        )
    return kind


ScreenKind = Annotated[
    str, Field(json_schema_extra={"enum": list(SCREEN_KINDS)}), AfterValidator(_screen_kind)
]


class ScreenRequest(Strict):
    """A screen read one to three times: degrees, or metres for grips, hop and box; no reading
    where the position cannot be held. The ankle may be given as knee-to-wall distances, the
    neutral depth as angles of a side picture."""

    kind: ScreenKind
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


class HealthAnswer(BaseModel):
    """Whether the server and its database answer."""

    status: Literal["ok", "no database"]
    model_version: str


class Acknowledged(BaseModel):
    """The write took effect, once."""

    done: bool = True
