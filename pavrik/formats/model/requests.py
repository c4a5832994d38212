"""The public JSON of the model: requests of the command line and of the HTTP API alike.

Every request carries ``format`` (the version of this JSON, 1 when left out). Validation collects
all failures with their paths.
"""

from typing import Annotated, Any, Literal, get_args

from pydantic import (
    AfterValidator,
    BaseModel,
    ConfigDict,
    Field,
    model_validator,
)

from pavrik.core.deadlift.styles import StyleId
from pavrik.core.lifter.mobility import BarPosition, ShelfScreen
from pavrik.core.prescription.shape import shape_of, shipped_shapes
from pavrik.core.strength.isolated_tests import ISOLATED_TESTS
from pavrik.words import say

Positive = Annotated[float, Field(gt=0, allow_inf_nan=False)]
Degrees = Annotated[float, Field(ge=-90, le=180, allow_inf_nan=False)]
LoadKg = Annotated[float, Field(ge=0, le=1000, allow_inf_nan=False)]
StanceM = Annotated[float, Field(ge=0.05, le=1.6, allow_inf_nan=False)]
ToeOutDeg = Annotated[float, Field(ge=-20, le=80, allow_inf_nan=False)]
HeelM = Annotated[float, Field(ge=0, le=0.08, allow_inf_nan=False)]
GripM = Annotated[float, Field(ge=0.2, le=1.31)]
"""Between the middles of the hands; a bar has 1.31 m between its collars."""
Balance = Literal["system", "bar"]
Region = Literal["ankle", "knee", "hip", "lower back", "upper back", "shoulder", "elbow", "wrist"]
"""Where it can hurt."""


HardLimit = Literal["ankle", "hip_flexion", "abduction", "rotation", "knee_track", "lean"]


def _parts(annotation: Any) -> set[Any]:
    """A type and, of a union, list or annotated type, what it is made of."""
    found = {annotation}
    for part in get_args(annotation):
        found |= _parts(part)
    return found


class Strict(BaseModel):
    """No unknown fields: a misspelt one is an error, not a silence. True and false are no numbers:
    they stand only where a yes or a no is asked for."""

    model_config = ConfigDict(extra="forbid")

    @model_validator(mode="before")
    @classmethod
    def _true_is_no_number(cls, given: Any) -> Any:
        for name, value in given.items() if isinstance(given, dict) else ():
            told = any(isinstance(v, bool) for v in (value if isinstance(value, list) else [value]))
            field = cls.model_fields.get(name)
            if told and field is not None and bool not in _parts(field.annotation):
                raise ValueError(say("model.true_false_no_number", name=name))
        return given


class SegmentsIn(Strict):
    """Measured segment lengths in metres; what is missing is estimated from stature."""

    foot_m: Positive | None = None
    ankle_height_m: Positive | None = None
    shank_m: Positive | None = None
    thigh_m: Positive | None = None
    trunk_m: Positive | None = None
    upper_arm_m: Positive | None = None
    forearm_m: Positive | None = None
    grip_m: Positive | None = None
    head_neck_m: Positive | None = None
    hip_spacing_m: Positive | None = None
    shoulder_spacing_m: Positive | None = None
    hip_crease_m: Positive | None = None
    knee_top_m: Positive | None = None

    def measured(self) -> dict[str, float]:
        return {name: value for name, value in self.model_dump().items() if value is not None}


class BodyIn(Strict):
    """Sex, body mass, stature and what was measured."""

    sex: Literal["male", "female"]
    mass_kg: Positive
    stature_m: Positive
    segments: SegmentsIn = Field(default_factory=SegmentsIn)


class ScreensIn(Strict):
    """Mobility screens; ankle either in degrees or as the knee-to-wall distance in cm."""

    ankle_dorsiflexion_deg: Degrees | None = None
    knee_to_wall_cm: Annotated[float, Field(ge=0, le=30)] | None = None
    neutral_closing_deg: Degrees | None = None
    hip_abduction_deg: Degrees | None = None
    hip_rotation_deg: Degrees | None = None
    box_height_m: Annotated[float, Field(ge=0.15, le=0.7)] | None = None
    narrowest_grip_m: dict[BarPosition, GripM | None] = Field(default_factory=dict)
    shelf: ShelfScreen = "holds"
    hard: list[HardLimit] = Field(
        [], description="limits that must not be overstepped at all; others cost beyond the screen"
    )


class SpecialtyBarIn(Strict):
    """A bar with a centre of its own in trunk axes: past the shoulder line and forward of the
    trunk's axis, for a trunk of 0.504 m; ``handles`` in front spare the shoulders."""

    name: Annotated[str, Field(min_length=1, max_length=60)]
    beyond_shoulder_m: Annotated[float, Field(ge=-0.3, le=0.3)]
    forward_m: Annotated[float, Field(ge=-0.3, le=0.3)]
    holds_lean_deg: Annotated[float, Field(ge=5, le=70)]
    handles: bool = False


class SquatSetupIn(Strict):
    """One squat set-up. ``hip_above_knee_m`` null is the depth target in force, ``balance`` null
    the school's; one that contradicts the school is refused."""

    bar_position: BarPosition
    stance_m: StanceM
    toe_out_deg: ToeOutDeg
    heel_lift_m: HeelM = 0.0
    hip_above_knee_m: Annotated[float, Field(ge=-0.5, le=0.6)] | None = None
    balance: Balance | None = None
    grip_m: GripM | None = None
    specialty: SpecialtyBarIn | None = None


BarOffsetM = Annotated[float, Field(ge=-0.15, le=0.3, allow_inf_nan=False)]


class DeadliftSetupIn(Strict):
    """One start. ``bar_offset_m`` in front of mid-foot, ``shoulder_offset_m`` in front of the bar;
    null is found: where lifter and bar balance over mid-foot. ``bar_height_m`` null is the
    style's; ``shank_deg`` null is found."""

    style: StyleId
    stance_m: StanceM
    toe_out_deg: ToeOutDeg
    grip_m: GripM
    bar_offset_m: BarOffsetM | None = None
    shoulder_offset_m: Annotated[float, Field(ge=-0.15, le=0.2)] = 0.04
    bar_height_m: Annotated[float, Field(ge=0.05, le=0.8)] | None = None
    shank_deg: Annotated[float, Field(ge=-20, le=60)] | None = None


class DeadliftPoseRequest(Strict):
    """One start, fully specified."""

    format: Literal[1] = 1
    lift: Literal["deadlift"]
    body: BodyIn
    setup: DeadliftSetupIn
    load_kg: LoadKg
    screens: ScreensIn = Field(default_factory=ScreensIn)


class SquatPoseRequest(Strict):
    """One squat pose, fully specified."""

    format: Literal[1] = 1
    lift: Literal["squat"]
    body: BodyIn
    setup: SquatSetupIn
    load_kg: LoadKg
    shank_deg: Annotated[float, Field(ge=-20, le=70)]
    screens: ScreensIn = Field(default_factory=ScreensIn)


class GridIn(Strict):
    """Any axis fixed or listed; what is missing takes the usual values."""

    bar_position: Annotated[list[BarPosition], Field(min_length=1, max_length=4)] | None = None
    stance_m: Annotated[list[StanceM], Field(min_length=1, max_length=40)] | None = None
    toe_out_deg: Annotated[list[ToeOutDeg], Field(min_length=1, max_length=20)] | None = None
    heel_lift_m: Annotated[list[HeelM], Field(min_length=1, max_length=8)] | None = None


class UncertaintyIn(Strict):
    """How many bodies are drawn, and the seed."""

    samples: Annotated[int, Field(ge=1, le=1024)] = 256
    seed: Annotated[int, Field(ge=0, le=2**32 - 1)] = 1


class KnownBestIn(Strict):
    """A best lift: load, reps, RPE and the set-up it was done in."""

    setup: SquatSetupIn | DeadliftSetupIn
    load_kg: Annotated[float, Field(gt=0, le=1000)]
    reps: Annotated[int, Field(ge=1, le=20)] = 1
    rpe: Annotated[float, Field(ge=1, le=10)] | None = None


def _shape(shape_id: str) -> str:
    return shape_of(shape_id).id


ShapeId = Annotated[
    str, Field(json_schema_extra={"enum": list(shipped_shapes())}), AfterValidator(_shape)
]


def _isolated_test(test_id: str) -> str:
    if test_id not in ISOLATED_TESTS:
        raise ValueError(
            say("model.there_no_test", test_id=test_id, isolated_tests=", ".join(ISOLATED_TESTS))
        )
    return test_id


class KnownTestIn(Strict):
    """An isolated test of one muscle group: which, load, reps, RPE."""

    test: Annotated[
        str,
        Field(json_schema_extra={"enum": list(ISOLATED_TESTS)}),
        AfterValidator(_isolated_test),
    ]
    load_kg: Annotated[float, Field(gt=0, le=1000)]
    reps: Annotated[int, Field(ge=1, le=20)] = 1
    rpe: Annotated[float, Field(ge=1, le=10)] | None = None


class FitRequest(Strict):
    """What is known of a lifter, the same for both lifts."""

    format: Literal[1] = 1
    body: BodyIn
    screens: ScreensIn = Field(default_factory=ScreensIn)
    schools: dict[str, str] = Field(default_factory=dict)
    known_bests: Annotated[list[KnownBestIn], Field(max_length=20)] = Field(default_factory=list)
    known_tests: Annotated[list[KnownTestIn], Field(max_length=12)] = Field(default_factory=list)
    gear: Literal["raw", "sleeves", "suit"] = "raw"


class SquatFitRequest(FitRequest):
    """The whole fit of one lifter's squat."""

    lift: Literal["squat"]
    grid: GridIn = Field(default_factory=GridIn)
    uncertainty: UncertaintyIn | None = None


class DeadliftGridIn(Strict):
    """Any axis fixed or listed; what is missing takes each style's usual values."""

    style: Annotated[list[StyleId], Field(min_length=1, max_length=9)] | None = None
    stance_m: Annotated[list[StanceM], Field(min_length=1, max_length=40)] | None = None
    toe_out_deg: Annotated[list[ToeOutDeg], Field(min_length=1, max_length=20)] | None = None
    grip_m: Annotated[list[GripM], Field(min_length=1, max_length=20)] | None = None
    bar_offset_m: Annotated[list[BarOffsetM], Field(min_length=1, max_length=20)] | None = None


class DeadliftFitRequest(FitRequest):
    """The whole fit of one lifter's pull."""

    lift: Literal["deadlift"]
    grid: DeadliftGridIn = Field(default_factory=DeadliftGridIn)
    uncertainty: UncertaintyIn | None = None


class PlateIn(Strict):
    """A kind of plate: its weight in kg and how many pairs there are."""

    kg: Annotated[float, Field(ge=0.05, le=100)]
    pairs: Annotated[int, Field(ge=0, le=20)]


class PlatesRequest(Strict):
    """A target and what the gym owns."""

    format: Literal[1] = 1
    target_kg: Annotated[float, Field(gt=0, le=1200)]
    bar_kg: Annotated[float, Field(gt=0, le=60)] = 20.0
    collars_kg: Annotated[float, Field(ge=0, le=10)] = 0.0
    plates: Annotated[list[PlateIn], Field(max_length=30)]
