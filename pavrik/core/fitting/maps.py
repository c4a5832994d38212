"""The predicted max and its limiter over two of a set-up's axes, as a table."""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import product
from typing import Any

import numpy as np

from pavrik.core.fitting.candidates import groups
from pavrik.core.fitting.search import Evaluation, evaluate, evaluate_at
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.candidate import S
from pavrik.core.lifts.lift import Lift
from pavrik.core.lifts.limit import DEGREES_PER
from pavrik.core.strength.utilization import LIMITERS
from pavrik.core.units import Floats, radians

STANCE, SHANK = "stance_m", "shank_deg"
SHANKS_DEG = tuple(float(d) for d in range(6, 45, 2))


@dataclass(frozen=True)
class SetupMap:
    """Rows run along ``across``, columns along stance. ``kg`` is 0 and ``limit`` names the limit
    that forbids it where a cell is not feasible, else the limiter."""

    across: str
    rows: list[str]
    stance_m: list[float]
    kg: list[list[float]]
    limit: list[list[str]]


def _limits_named(lift: Lift[Any], found: Evaluation) -> list[str]:
    """The limiter of every set-up, or the limit that it oversteps most."""
    names = list(found.excess)
    units = {limit.id: limit.unit for limit in lift.limits}
    over = np.stack([found.excess[n] * DEGREES_PER[units[n]] for n in names])
    worst = np.argmax(over, axis=0)
    return [
        LIMITERS[int(limiter)] if feasible else names[most]
        for limiter, feasible, most in zip(found.limiter, found.feasible, worst, strict=True)
    ]


def _values(lift: Lift[S], around: S, across: str) -> tuple[list[str], list[S]]:
    """Names of the rows, and the set-up moved to each."""
    if across == lift.style_field:
        return list(lift.searched), [lift.restyled(around, style) for style in lift.searched]
    axis = lift.axis(across)
    shown = [f"{value * 100:g}" if axis.unit == "m" else f"{value:g}" for value in axis.rows]
    return shown, [axis.put(around, value) for value in axis.rows]


def setup_map(lift: Lift[S], lifter: Lifter, around: S, across: str) -> SetupMap:
    """The map round a set-up: stance against ``across``, one of the lift's ``maps``, the rest as it
    is. Raises KeyError for another axis."""
    stances = lift.axis(STANCE).rows
    around = lift.kinematics.without_shank(around)
    if across == SHANK:
        rows = [f"{shank:g}" for shank in SHANKS_DEG]
        setups = [lift.axis(STANCE).put(around, stance) for _ in rows for stance in stances]
        shanks = np.repeat(radians(SHANKS_DEG), len(stances))[:, None, None]
        found = evaluate_at(lift, lift.kinematics.case(lifter, setups), shanks)
        limits = np.array(_limits_named(lift, found), dtype=object)
        return _laid_out(lift, across, rows, (found.predicted_max_kg, limits))
    rows, moved = _values(lift, around, across)
    setups = [lift.axis(STANCE).put(row, stance) for row, stance in product(moved, stances)]
    kg, limit = np.zeros(len(setups)), np.empty(len(setups), dtype=object)
    for places in groups(lift, setups):
        case = lift.kinematics.case(lifter, [setups[place] for place in places])
        found = evaluate(lift, case, lift.quick)
        kg[places], limit[places] = found.predicted_max_kg, _limits_named(lift, found)
    return _laid_out(lift, across, rows, (kg, limit))


def _laid_out(
    lift: Lift[Any], across: str, rows: Sequence[str], cells: tuple[Floats, Any]
) -> SetupMap:
    stances = lift.axis(STANCE).rows
    shape = len(rows), len(stances)
    kg, limit = cells
    return SetupMap(
        across, list(rows), list(stances), kg.reshape(shape).tolist(), limit.reshape(shape).tolist()
    )
