"""What an explorer shows: grids and exact set-ups, columnar and rounded for the wire."""

from collections.abc import Iterable
from typing import Any

import numpy as np
from pydantic import BaseModel

from pavrik.core.fitting.explorer import ExactSetup, ExplorerGrid
from pavrik.core.lifts.drawn import Drawn
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.units import degrees

MILLIMETRES = 4
PERCENT_DIGITS = 3


class PlaceColumns(BaseModel):
    """Places of one joint in metres."""

    x: list[float]
    y: list[float]
    z: list[float]


class DrawnColumns(BaseModel):
    """Columns of equal length: angles in degrees, arms in metres, use as shares."""

    points: dict[str, PlaceColumns]
    angles_deg: dict[str, list[float]]
    arms_m: dict[str, list[float]]
    use: dict[str, list[float]]
    pitch_deg: list[float]


class ExplorerGridAnswer(BaseModel):
    """All set-ups of one bar position: index = (stance * toes + toe) * heels + heel."""

    bar_position: str
    load_kg: float
    stance_m: list[float]
    toe_out_deg: list[float]
    heel_lift_m: list[float]
    predicted_max_kg: list[float]
    limiter: list[str]
    drawn: DrawnColumns
    reasons: list[str]
    reasons_of: list[list[int]]


class ExactSetupAnswer(BaseModel):
    """One set-up searched thoroughly: its bottom (columns of length 1) and its descent."""

    predicted_max_kg: float
    limiter: str
    worst_progress: float
    shank_deg: float
    bottom: DrawnColumns
    progress: list[float]
    path: DrawnColumns
    reasons: list[str]
    explanations: dict[str, str]


def _rounded(values: Any, digits: int) -> list[float]:
    return [float(v) for v in np.round(np.asarray(values, dtype=np.float64), digits)]


def drawn_columns(drawn: Drawn) -> DrawnColumns:
    """Rounded columns of what was drawn."""
    return DrawnColumns(
        points={
            name: PlaceColumns(
                x=_rounded(x, MILLIMETRES),
                y=_rounded(y, MILLIMETRES),
                z=_rounded(z, MILLIMETRES),
            )
            for name, (x, y, z) in drawn.points.items()
        },
        angles_deg={name: _rounded(value, 1) for name, value in drawn.angles_deg.items()},
        arms_m={name: _rounded(value, MILLIMETRES) for name, value in drawn.arms_m.items()},
        use={
            name: _rounded(value, PERCENT_DIGITS)
            for name, value in zip(drawn.utilization._fields, drawn.utilization, strict=True)
        },
        pitch_deg=_rounded(drawn.pitch_deg, 1),
    )


def _axis(values: Iterable[float]) -> list[float]:
    return sorted({round(value, 6) for value in values})


def grid_answer(grid: ExplorerGrid[SquatSetup], load_kg: float) -> ExplorerGridAnswer:
    """A grid for the wire, each distinct reason sent once."""
    index: dict[str, int] = {}
    reasons_of = [[index.setdefault(text, len(index)) for text in texts] for texts in grid.reasons]
    return ExplorerGridAnswer(
        bar_position=grid.setups[0].bar_position,
        load_kg=load_kg,
        stance_m=_axis(setup.stance_m for setup in grid.setups),
        toe_out_deg=_axis(float(degrees(setup.toe_out)) for setup in grid.setups),
        heel_lift_m=_axis(setup.heel_lift_m for setup in grid.setups),
        predicted_max_kg=_rounded(grid.predicted_max_kg, 1),
        limiter=grid.limiter,
        drawn=drawn_columns(grid.drawn),
        reasons=list(index),
        reasons_of=reasons_of,
    )


def exact_answer(exact: ExactSetup[SquatSetup]) -> ExactSetupAnswer:
    """One set-up for the wire."""
    bottom = drawn_columns(exact.deepest)
    return ExactSetupAnswer(
        predicted_max_kg=round(exact.predicted_max_kg, 1),
        limiter=exact.limiter,
        worst_progress=exact.worst_progress,
        shank_deg=bottom.angles_deg["shank"][0],
        bottom=bottom,
        progress=_rounded(exact.progress, 4),
        path=drawn_columns(exact.path),
        reasons=exact.reasons,
        explanations=exact.explanations,
    )
