"""Computed grids and exact set-ups for an explorer: the page shows them and computes nothing."""

from dataclasses import dataclass
from typing import Generic

from pavrik.core.fitting.candidates import reasons_against
from pavrik.core.fitting.explain import explain_max, explain_use
from pavrik.core.fitting.search import evaluate
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.candidate import S
from pavrik.core.lifts.drawn import Drawn, draw
from pavrik.core.lifts.lift import Lift
from pavrik.core.strength.utilization import LIMITERS
from pavrik.core.units import Floats


@dataclass(frozen=True)
class ExplorerGrid(Generic[S]):
    """Set-ups in grid order with what the figure shows at one load, and why not where not."""

    setups: list[S]
    predicted_max_kg: Floats
    limiter: list[str]
    drawn: Drawn
    reasons: list[list[str]]


@dataclass(frozen=True)
class ExactSetup(Generic[S]):
    """One set-up with its best shank: the deepest point and the whole way at a load, its reasons
    where it does not hold, and its numbers explained."""

    setup: S
    predicted_max_kg: float
    limiter: str
    worst_progress: float
    shank: float
    deepest: Drawn
    progress: Floats
    path: Drawn
    reasons: list[str]
    explanations: dict[str, str]


def explorer_grid(lift: Lift[S], lifter: Lifter, around: S, load_kg: float) -> ExplorerGrid[S]:
    """Every set-up of one style that an explorer's handles reach; the axes without handles stay
    where a set-up has them."""
    axes = [axis for axis in lift.axes if axis.handles]
    setups = [lift.kinematics.without_shank(around)]
    for axis in axes:
        setups = [axis.put(setup, value) for setup in setups for value in axis.handles]
    found = evaluate(lift, lift.kinematics.case(lifter, setups), lift.quick)
    return ExplorerGrid(
        setups=setups,
        predicted_max_kg=found.predicted_max_kg,
        limiter=[LIMITERS[int(i)] for i in found.limiter],
        drawn=draw(found.deepest, found.deepest.at_load(load_kg)),
        reasons=reasons_against(lift, lifter, setups, found),
    )


def exact_setup(lift: Lift[S], lifter: Lifter, setup: S, load_kg: float) -> ExactSetup[S]:
    """One set-up, searched thoroughly, drawn at its deepest point and along its way."""
    case = lift.kinematics.case(lifter, [setup])
    found = evaluate(lift, case)
    loaded = found.deepest.at_load(load_kg)
    way = lift.way(found.case, found.shank[:, None, None])
    shank, predicted = float(found.shank[0]), float(found.predicted_max_kg[0])
    worst, limiter = float(found.worst_progress[0]), LIMITERS[int(found.limiter[0])]
    return ExactSetup(
        setup=lift.kinematics.as_found(setup, found.case, shank, 0),
        predicted_max_kg=predicted,
        limiter=limiter,
        worst_progress=worst,
        shank=shank,
        deepest=draw(found.deepest, loaded),
        progress=way.progress,
        path=draw(way.posture, way.posture.at_load(load_kg)),
        reasons=reasons_against(lift, lifter, [setup], found)[0],
        explanations={
            **explain_use(found.deepest, loaded),
            "predicted_max": explain_max(
                lift, predicted, limiter, worst, 1.0 - float(found.left[0])
            ),
        },
    )
