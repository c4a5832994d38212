"""``pavrik picture`` and ``pavrik lengths``: a mobility screen, lengths of limbs from a few taps in
one picture."""

from typing import Annotated, Literal

from pydantic import BaseModel, Field

from pavrik.core.tracking.picture_screens import PictureKind
from pavrik.formats.model.requests import Strict

Place = Annotated[float, Field(ge=-20_000, le=20_000)]
Point = Literal[
    "ankle", "knee", "hip", "shoulder", "crown", "floor", "ankle_left", "ankle_right"
]  # fmt: skip


class PictureRequest(Strict):
    """Where was tapped, in pixels from the left upper corner: ankle and knee for ``ankle`` and
    ``hip_rotation``; hip, knee and shoulder for ``neutral_depth``; crown, floor and both ankles for
    ``hop``."""

    kind: PictureKind
    stature_m: Annotated[float, Field(ge=1.2, le=2.3)]
    points: dict[Point, tuple[Place, Place]]


class PictureAnswer(BaseModel):
    """What the picture shows and its error (one standard deviation): degrees, or m for the hop."""

    value: float
    error: float
    unit: Literal["deg", "m"]


BodyPoint = Literal["crown", "floor", "ankle", "knee", "hip", "shoulder", "elbow", "wrist"]
Text = Annotated[str, Field(max_length=40)]


class LengthsRequest(Strict):
    """Where was tapped in a picture of a lifter who stands upright, side on: crown and floor for
    the scale, and the joints of the near side, in pixels from the left upper corner; and what the
    tape said, by segment."""

    stature_m: Annotated[float, Field(ge=1.2, le=2.3)]
    points: dict[BodyPoint, tuple[Place, Place]]
    taped_m: dict[Text, Annotated[float, Field(gt=0, le=2.3)]] = Field(default_factory=dict)


class LengthOfPicture(BaseModel):
    """A limb's length and its error (one standard deviation); whether the tape cannot well have
    read the same limb."""

    length_m: float
    error_m: float
    contradicts: bool


class LengthsAnswer(BaseModel):
    """Lengths by segment."""

    lengths: dict[str, LengthOfPicture]
