"""What the lifts are: words, axes, phases and ranges that the page shows and does not retype."""

from typing import Any

from fastapi import APIRouter
from pydantic import BaseModel

from pavrik.core.competition_lifts import LIFTS
from pavrik.core.lifts.lift import Lift

router = APIRouter(prefix="/api/lifts", tags=["lifts"])


class PhaseAnswer(BaseModel):
    """A phase of a lift; ``progress`` along the way (0 standing, 1 the deepest point) at which it
    is judged, where it is not judged at its hardest point."""

    id: str
    computed: bool
    progress: float | None


class StyleAnswer(BaseModel):
    """One way to do a lift. A style that is no rival stands beside the others in a ranking."""

    id: str
    name: str
    searched: bool
    rival: bool


class AxisAnswer(BaseModel):
    """One number of a set-up: its unit (m or deg), its words, what can be entered, and between what
    a hand at the figure moves it."""

    id: str
    unit: str
    words: str
    low: float
    high: float
    step: float
    reach_low: float
    reach_high: float


class LiftAnswer(BaseModel):
    """One lift; ``maps`` are what the rows of its maps may run along."""

    id: str
    name: str
    phases: list[PhaseAnswer]
    styles: list[StyleAnswer]
    axes: list[AxisAnswer]
    maps: list[str]


def _answer(lift: Lift[Any]) -> LiftAnswer:
    return LiftAnswer(
        id=lift.id,
        name=lift.name,
        phases=[PhaseAnswer(**vars(phase)) for phase in lift.phases],
        styles=[
            StyleAnswer(
                id=style.id, name=style.name, searched=style.id in lift.searched, rival=style.rival
            )
            for style in lift.styles.values()
        ],
        axes=[
            AxisAnswer(
                id=axis.id,
                unit=axis.unit,
                words=axis.words,
                low=axis.low,
                high=axis.high,
                step=axis.step,
                reach_low=axis.reach[0],
                reach_high=axis.reach[1],
            )
            for axis in lift.axes
        ],
        maps=list(lift.maps),
    )


@router.get("")
def read_lifts() -> list[LiftAnswer]:
    """Every lift, in the order of the day."""
    return [_answer(lift) for lift in LIFTS.values()]
