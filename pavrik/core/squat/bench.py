"""Computed grids and exact set-ups for the bench: the page shows them and computes nothing."""

from dataclasses import dataclass

import numpy as np

from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import BarPosition
from pavrik.core.lifts.drawn import Drawn
from pavrik.core.linkage.geometry import Point
from pavrik.core.squat.cases import SetupGrid, case_for
from pavrik.core.squat.evaluation import (
    SAMPLING,
    THOROUGH,
    Evaluation,
    evaluate,
    lean_factor,
)
from pavrik.core.squat.explain import explain_max, explain_use
from pavrik.core.squat.held_pose import HeldPose, LoadedSquat
from pavrik.core.squat.path import whole_progress
from pavrik.core.squat.pose import upper_places
from pavrik.core.squat.reasons import gate_reasons, limit_reasons
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.strength.use import LIMITERS, Use
from pavrik.core.units import Floats, degrees

WHILE_DRAGGING = SAMPLING
BENCH_STANCES_M = tuple(round(0.24 + 0.02 * i, 2) for i in range(29))
BENCH_TOES_DEG = tuple(float(5 * i) for i in range(10))
BENCH_HEELS_M = (0.0, 0.01, 0.02, 0.03)


@dataclass(frozen=True)
class BenchGrid:
    """Set-ups in grid order with what the figure shows at one load, and why not where not."""

    setups: list[SquatSetup]
    predicted_max_kg: Floats
    limiter: list[str]
    drawn: Drawn
    reasons: list[list[str]]


@dataclass(frozen=True)
class ExactSetup:
    """One set-up with its best shank, the bottom at a load, and the whole way down."""

    setup: SquatSetup
    predicted_max_kg: float
    limiter: str
    worst_progress: float
    bottom: Drawn
    progress: Floats
    path: Drawn
    reasons: list[str]
    explanations: dict[str, str]


def _flat(value: Floats | float, shape: tuple[int, ...]) -> Floats:
    return np.broadcast_to(np.asarray(value, dtype=np.float64), shape).reshape(-1)


def draw(pose: HeldPose, loaded: LoadedSquat) -> Drawn:
    """Everything that a figure shows of a pose under a load, flattened to columns."""
    shape = np.broadcast_shapes(
        np.shape(loaded.balanced.sine), np.shape(pose.legs.knee.x), np.shape(loaded.use.hips)
    )
    upper = upper_places(pose, loaded.balanced)
    shoulder_y = np.asarray(pose.body.shoulder_spacing_m) / 2

    def point(at: Point) -> tuple[Floats, Floats, Floats]:
        return _flat(at.x, shape), _flat(at.y, shape), _flat(at.z, shape)

    def middle(place: tuple[Floats, Floats], y: Floats | float) -> tuple[Floats, Floats, Floats]:
        return _flat(place[0], shape), _flat(y, shape), _flat(place[1], shape)

    points = {
        "ankle": point(pose.legs.foot.ankle),
        "knee": point(pose.legs.knee),
        "hip": point(pose.legs.hip),
        "shoulder": middle(upper.shoulder, shoulder_y),
        "head": middle(upper.head, 0.0),
        "bar": middle(upper.bar, 0.0),
    }
    angles = {
        "shank": pose.legs.shank,
        "trunk_lean": loaded.balanced.lean,
        "hip_closing": loaded.closing,
        "knee_flexion": pose.legs.knee_flexion,
        "hip_abduction": pose.legs.abduction,
        "dorsiflexion": pose.legs.dorsiflexion,
    }
    bar_x = points["bar"][0]
    return Drawn(
        points=points,
        angles_deg={name: _flat(degrees(value), shape) for name, value in angles.items()},
        arms_m={"hip": bar_x - points["hip"][0], "knee": points["knee"][0] - bar_x},
        use=Use(*(_flat(value, shape) for value in loaded.use)),
        pitch_deg=_flat(degrees(pose.legs.foot.pitch), shape),
    )


def setup_reasons(lifter: Lifter, setup: SquatSetup, found: Evaluation, index: int) -> list[str]:
    """Why one of the evaluated set-ups does not work; empty where it does."""
    reasons = gate_reasons(lifter, setup)
    if found.feasible[index]:
        return reasons
    over = {name: float(value[index]) for name, value in found.shortfall_deg.items()}
    lean = float(degrees(found.bottom.balanced.lean).reshape(-1)[index])
    closing = float(degrees(found.bottom.closing).reshape(-1)[index])
    return reasons + limit_reasons(lifter, setup, over, lean, closing)


def bench_grid(lifter: Lifter, position: BarPosition, load_kg: float) -> BenchGrid:
    """Every set-up of one bar position that the bench's handles can reach."""
    grid = SetupGrid((position,), BENCH_STANCES_M, BENCH_TOES_DEG, BENCH_HEELS_M)
    setups = grid.setups()
    found = evaluate(case_for(lifter, setups), WHILE_DRAGGING)
    return BenchGrid(
        setups=setups,
        predicted_max_kg=found.predicted_max_kg,
        limiter=[LIMITERS[int(i)] for i in found.limiter],
        drawn=draw(found.bottom_pose, found.bottom_pose.under(load_kg)),
        reasons=[setup_reasons(lifter, setup, found, i) for i, setup in enumerate(setups)],
    )


def exact_setup(lifter: Lifter, setup: SquatSetup, load_kg: float) -> ExactSetup:
    """One set-up, searched thoroughly, drawn at the bottom and along the descent at a load."""
    case = case_for(lifter, [setup])
    found = evaluate(case, THOROUGH)
    progress = whole_progress()
    bottom = found.bottom_pose.under(load_kg)
    lost = 1.0 - float(lean_factor(case, found.bottom.balanced.lean).reshape(-1)[0])
    predicted, worst = float(found.predicted_max_kg[0]), float(found.worst_progress[0])
    limiter = LIMITERS[int(found.limiter[0])]
    path_pose = case.held(found.shank[:, None, None], progress)
    return ExactSetup(
        setup=setup,
        predicted_max_kg=predicted,
        limiter=limiter,
        worst_progress=worst,
        bottom=draw(found.bottom_pose, bottom),
        progress=progress,
        path=draw(path_pose, path_pose.under(load_kg)),
        reasons=setup_reasons(lifter, setup, found, 0),
        explanations={
            **explain_use(found.bottom_pose, bottom),
            "predicted_max": explain_max(predicted, limiter, worst, lost),
        },
    )
