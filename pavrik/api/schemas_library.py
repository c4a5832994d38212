"""Answers of the library: catalogue, schools, assumptions, equipment."""

from uuid import UUID

from pydantic import BaseModel


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
