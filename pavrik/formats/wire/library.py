"""Answers of the library: catalogue, schools, assumptions, equipment."""

from typing import Annotated, Literal
from uuid import UUID

from pydantic import BaseModel, Field

from pavrik.core.competition_lifts import LiftId
from pavrik.core.deadlift.styles import StyleId
from pavrik.core.lifter.mobility import BarPosition
from pavrik.formats.model.requests import Strict
from pavrik.formats.wire.lifters import Line, Text
from pavrik.formats.wire.shapes import ShapeBody

Ids = Annotated[list[Annotated[Text, Field(max_length=60)]], Field(max_length=40)]
Words = Annotated[Text, Field(min_length=1, max_length=300)]


class FaultBody(Strict):
    """A fault of the coach's own."""

    lift: LiftId
    name: Annotated[Line, Field(min_length=1, max_length=80)]
    seen: Words
    phases: Annotated[Ids, Field(min_length=1)]
    causes: Annotated[Ids, Field(min_length=1)]


class CauseBody(Strict):
    """A cause of the coach's own, and the faults it can explain."""

    text: Words
    test: Words
    remedies: Ids
    faults: Annotated[Ids, Field(min_length=1)]


class RemedyBody(Strict):
    """A cue, drill or other remedy of the coach's own, and the causes it helps."""

    kind: Literal["set-up", "ritual", "cue", "drill", "variation", "load", "work"]
    text: Words
    aim: Literal["bar", "body"] | None = None
    purpose: Annotated[Text, Field(max_length=40)] | None = None
    level: Annotated[int, Field(ge=1, le=3)] = 1
    causes: Annotated[Ids, Field(min_length=1)]


class RemedyAnswer(BaseModel):
    """One thing to do."""

    id: str
    kind: str
    text: str
    aim: str | None
    purpose: str | None
    level: int
    change: dict[str, float | str] | None


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
    watch: str
    caution: str


class CatalogueAnswer(BaseModel):
    """The whole catalogue."""

    version: int
    phases: dict[str, list[str]]
    faults: list[FaultAnswer]
    causes: list[CauseAnswer]
    remedies: list[RemedyAnswer]
    own: list[str]
    hidden: list[str]
    purposes: list[str]


class KnobBody(Strict):
    """How the competition set-up is changed, in metres."""

    bar: BarPosition | Literal["safety"] | None = None
    stance_m: Annotated[float, Field(ge=-0.5, le=0.5)] = 0.0
    hip_above_knee_m: Annotated[float, Field(ge=-0.2, le=0.4)] = 0.0
    hinge: bool = False
    style: StyleId | None = None
    above_m: Annotated[float, Field(ge=-0.15, le=0.5)] = 0.0


class VariationBody(Strict):
    """A variation of the coach's own."""

    name: Annotated[str, Field(min_length=1, max_length=60)]
    lift: LiftId
    good_for: Annotated[str, Field(alias="for", min_length=1, max_length=200)]
    role: Literal["skill", "strength", "overload", "learning", "support"] = "strength"
    knob: KnobBody | None = None
    ratio: Annotated[list[float], Field(min_length=2, max_length=2)] | None = None
    place: Annotated[str, Field(max_length=40)] | None = None
    hold_s: Annotated[float, Field(ge=0, le=30)] = 0.0
    kit: Annotated[list[str], Field(max_length=6)] = Field(default_factory=list)
    trains: Annotated[list[str], Field(max_length=8)] = Field(default_factory=list)
    strains: Annotated[list[str], Field(max_length=8)] = Field(default_factory=list)
    spares: Annotated[list[str], Field(max_length=8)] = Field(default_factory=list)


class _Entry(Strict):
    """What every own entry has; without a body it only hides or shows a shipped one."""

    ident: Annotated[str, Field(pattern="^[a-z][a-z0-9_-]{1,59}$")]
    hidden: bool = False


class FaultEntry(_Entry):
    """A fault of the coach's own."""

    kind: Literal["fault"]
    body: FaultBody | None = None


class CauseEntry(_Entry):
    """A cause of the coach's own."""

    kind: Literal["cause"]
    body: CauseBody | None = None


class RemedyEntry(_Entry):
    """A remedy of the coach's own."""

    kind: Literal["remedy"]
    body: RemedyBody | None = None


class VariationEntry(_Entry):
    """A variation of the coach's own."""

    kind: Literal["variation"]
    body: VariationBody | None = None


class ShapeEntry(_Entry):
    """A shape of a season of the coach's own."""

    kind: Literal["shape"]
    body: ShapeBody | None = None


AnyEntry = Annotated[
    FaultEntry | CauseEntry | RemedyEntry | VariationEntry | ShapeEntry,
    Field(discriminator="kind"),
]


class LibraryFile(Strict):
    """The coach's own entries as a file."""

    format: Literal["pavrik-library"] = "pavrik-library"
    version: Literal[1] = 1
    entries: Annotated[list[AnyEntry], Field(max_length=1000)]


class KeptAnswer(BaseModel):
    """How many entries were kept."""

    kept: int


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
