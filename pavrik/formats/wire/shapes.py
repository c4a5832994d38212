"""Shapes of a season: a coach's own as a file holds them, as he writes them, what they come to."""

from typing import Annotated, Literal, Self

from pydantic import BaseModel, Field, model_validator

from pavrik.core.prescription.shape import Dose, Shape, WeekRole, read_shape
from pavrik.formats.dose_words import dose_words, doses_words
from pavrik.formats.model.requests import Strict
from pavrik.formats.wire.lifters import Line
from pavrik.words import say

Cell = Annotated[str, Field(max_length=200)]
DayParts = Annotated[list[Annotated[str, Field(max_length=40)]], Field(max_length=2)]
Days = dict[
    Annotated[str, Field(pattern="^[1-4]$")], Annotated[list[DayParts], Field(max_length=4)]
]
"""By number of training days: what each is for, as ``squat main``."""


class DoseBody(Strict):
    """Sets x reps at an RPE, or at a share of the max."""

    sets: int
    reps: int
    rpe: float | None = None
    share: float | None = None

    @model_validator(mode="after")
    def one_effort(self) -> Self:
        if (self.rpe is None) == (self.share is None):
            raise ValueError(say("wire.dose_rpe_share_max"))
        return self


class _Described(Strict):
    """What a shape is called, and how its weeks follow each other."""

    name: Annotated[Line, Field(min_length=1, max_length=40)]
    words: Annotated[Line, Field(min_length=1, max_length=160)]
    light_every: Annotated[int, Field(ge=0, le=8)]
    rotates_weeks: Annotated[int, Field(ge=0, le=4)] = 0
    days: Days = Field(default_factory=dict)


class ShapeBody(_Described):
    """A shape of the coach's own: the main work by role of the week, week after week of a block;
    the second day's and, where it has one, the volume day's; what each training day is for."""

    main: dict[
        WeekRole,
        Annotated[
            list[Annotated[list[DoseBody], Field(min_length=1, max_length=6)]],
            Field(min_length=1, max_length=6),
        ],
    ]
    second: dict[WeekRole, DoseBody]
    volume: dict[WeekRole, DoseBody] = Field(default_factory=dict)

    @model_validator(mode="after")
    def makes_sense(self) -> Self:
        self.as_shape(self.name)
        return self

    def as_shape(self, shape_id: str) -> Shape:
        """The shape of this body. Raises ValueError with one line per problem."""
        return read_shape({"id": shape_id, **self.model_dump(exclude_none=True)})


class ShapeText(_Described):
    """A draft: every dose as it is written, as ``1 x 1 @ 7.5; 4 x 3 @ 8``."""

    main: dict[WeekRole, Annotated[list[Cell], Field(max_length=6)]]
    second: dict[WeekRole, Cell]
    volume: dict[WeekRole, Cell] = Field(default_factory=dict)


class CellProblem(BaseModel):
    """What is wrong with a cell; ``where`` as ``main build 2``, empty for the whole."""

    where: str
    words: str


class OutlinedDose(BaseModel):
    """A dose of the outline with the share of the max that it asks for."""

    words: str
    share: float
    reps: int


class OutlinedWeek(BaseModel):
    """A week of a season without a lifter."""

    number: int
    role: WeekRole
    main: list[OutlinedDose]
    second: OutlinedDose
    volume: OutlinedDose | None


class ShapeLook(BaseModel):
    """What a draft comes to: its body and weeks, or what is wrong with it."""

    body: ShapeBody | None
    problems: list[CellProblem]
    remarks: list[str]
    outline: list[OutlinedWeek]


class ShapeOut(BaseModel):
    """A shape of a season that can be chosen."""

    id: str
    name: str
    words: str
    own: bool
    hidden: bool
    text: ShapeText


class StoryRequest(Strict):
    """A made-up lifter, always the same for a number, through twelve weeks of a shape."""

    format: Literal[1] = 1
    shape: ShapeBody
    number: Annotated[int, Field(ge=0, le=9999)]


class StoryAnswer(BaseModel):
    """What came of it: the share of main loads within three points of what the shape asks for, how
    far the heaviest main loads climbed (share), attempts off the truth on the day (median), sets
    missed and later main reps that are heavy (shares), heavy work too near the meet."""

    number: int
    days_a_week: int
    within_three: float
    climbed: float
    attempts_off: float
    missed: float
    heavy: float
    too_near: int


def body_of(shape: Shape) -> ShapeBody:
    """A shape as a file holds it."""

    def dose(one: Dose) -> DoseBody:
        by_rpe = one.share is None
        return DoseBody(
            sets=one.sets, reps=one.reps, rpe=one.rpe if by_rpe else None, share=one.share
        )

    return ShapeBody(
        name=shape.name, words=shape.words, light_every=shape.light_every,
        rotates_weeks=shape.rotates_weeks, days=_days(shape),
        main={role: [[dose(d) for d in day] for day in weeks]
              for role, weeks in shape.main.items()},
        second={role: dose(d) for role, d in shape.second.items()},
        volume={role: dose(d) for role, d in shape.volume.items()},
    )  # fmt: skip


def text_of(shape: Shape) -> ShapeText:
    """A shape as a coach would write it."""
    return ShapeText(
        name=shape.name, words=shape.words, light_every=shape.light_every,
        rotates_weeks=shape.rotates_weeks, days=_days(shape),
        main={role: [doses_words(day) for day in weeks] for role, weeks in shape.main.items()},
        second={role: dose_words(d) for role, d in shape.second.items()},
        volume={role: dose_words(d) for role, d in shape.volume.items()},
    )  # fmt: skip


def _days(shape: Shape) -> Days:
    return {
        str(n): [[f"{lift} {part}" for lift, part in day] for day in of]
        for n, of in shape.days.items()
    }
