"""Requests and answers of the gym: bars, plates, racks."""

from typing import Annotated, Self
from uuid import UUID

from pydantic import BaseModel, Field, model_validator

from pavrik.formats.model.requests import Strict
from pavrik.formats.wire.lifters import Name
from pavrik.words import say


class BarIn(Strict):
    """A bar; the three centre fields together make it a specialty bar (see SpecialtyBarIn)."""

    bar_id: UUID
    name: Name
    mass_kg: Annotated[float, Field(ge=1, le=60)]
    shaft_mm: Annotated[float, Field(ge=20, le=70)]
    collars_kg: Annotated[float, Field(ge=0, le=10)] = 0.0
    beyond_shoulder_m: Annotated[float, Field(ge=-0.3, le=0.3)] | None = None
    forward_m: Annotated[float, Field(ge=-0.3, le=0.3)] | None = None
    holds_lean_deg: Annotated[float, Field(ge=5, le=70)] | None = None
    handles: bool = False


class RackIn(Strict):
    """A rack as it was measured, in metres; safeties may have holes of their own."""

    rack_id: UUID
    name: Name
    first_hole_m: Annotated[float, Field(ge=0, le=1.5)]
    pitch_m: Annotated[float, Field(ge=0.01, le=0.2)]
    holes: Annotated[int, Field(ge=2, le=100)]
    lip_m: Annotated[float, Field(ge=0, le=0.2)]
    inner_width_m: Annotated[float, Field(ge=0.8, le=1.5)]
    first_safety_m: Annotated[float, Field(ge=0, le=1.5)] | None = None
    safety_pitch_m: Annotated[float, Field(ge=0.01, le=0.3)] | None = None

    @model_validator(mode="after")
    def top_hole_is_in_a_room(self) -> Self:
        top = self.first_hole_m + (self.holes - 1) * self.pitch_m
        if not 0.9 <= top <= 3.5:
            raise ValueError(say("wire.top_hole_would_cm", top=top * 100))
        return self


class PlateCount(Strict):
    """Pairs of one weight."""

    kg: Annotated[float, Field(ge=0.05, le=100)]
    pairs: Annotated[int, Field(ge=0, le=20)]


class PlatesIn(Strict):
    """The whole stock as it was counted."""

    plates: Annotated[list[PlateCount], Field(max_length=30)]

    @model_validator(mode="after")
    def each_weight_once(self) -> Self:
        weights = [plate.kg for plate in self.plates]
        twice = {kg for kg in weights if weights.count(kg) > 1}
        if twice:
            listed = ", ".join(f"{kg:g} kg" for kg in sorted(twice))
            raise ValueError(say("wire.counted_twice_add_pairs", listed=listed))
        return self


class ItemRef(BaseModel):
    """What was saved or taken out."""

    id: str


class PlaceIn(Strict):
    """Where the club trains, as a time zone of the IANA database."""

    time_zone: Annotated[str, Field(min_length=1, max_length=60, pattern="^[A-Za-z0-9_+/-]+$")]


class PlaceAnswer(BaseModel):
    """The zone that training days are counted in."""

    time_zone: str
