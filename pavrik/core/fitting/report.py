"""One fully specified posture, reported: points, masses, angles, moments, arms, use, limits."""

from dataclasses import dataclass

import numpy as np

from pavrik.core.fitting.candidates import reasons_against
from pavrik.core.fitting.search import evaluate
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.candidate import S
from pavrik.core.lifts.case import DEEPEST, Case
from pavrik.core.lifts.drawn import draw
from pavrik.core.lifts.lift import Lift
from pavrik.core.lifts.limit import Told, excesses, reasons_for, shut_deg
from pavrik.core.lifts.posture import LoadedPosture, Posture
from pavrik.core.strength.utilization import LIMITERS
from pavrik.core.units import Floats, degrees

Coordinates = tuple[float, float, float]
HIDDEN_POINT = "head"
"""Drawn, but no joint."""


@dataclass(frozen=True)
class PointMass:
    """A mass in kg, both sides lumped, at x and z in metres."""

    name: str
    kg: float
    x_m: float
    z_m: float


@dataclass(frozen=True)
class PoseReport:
    """Everything about one posture; ``pushed`` is the share of the frontal lever that pushing the
    feet apart takes. All but ``reasons`` is empty where no posture exists."""

    points: dict[str, Coordinates]
    masses: list[PointMass]
    angles: dict[str, float]
    moments_nm: dict[str, float]
    arms_m: dict[str, float]
    use: dict[str, float]
    limiter: str | None
    feasible: bool
    reasons: list[str]
    pushed: float = 0.0


def one(value: Floats | float) -> float:
    """The only number of an array."""
    return float(np.asarray(value).reshape(-1)[0])


def lumped_masses(posture: Posture, loaded: LoadedPosture) -> list[PointMass]:
    """Every mass, the bar included."""
    legs, upper = posture.masses, posture.upper(loaded.balanced)
    parts = [
        PointMass("feet", one(legs.foot_kg), one(legs.foot.x), one(legs.foot.z)),
        PointMass("shanks", one(legs.shank_kg), one(legs.shank.x), one(legs.shank.z)),
        PointMass("thighs", one(legs.thigh_kg), one(legs.thigh.x), one(legs.thigh.z)),
    ]
    parts += [PointMass(name, one(kg), one(x), one(z)) for name, kg, x, z in upper.masses]
    return [*parts, PointMass("bar", one(loaded.load_kg), one(upper.bar[0]), one(upper.bar[1]))]


def moments_nm(loaded: LoadedPosture) -> dict[str, float]:
    """Every joint's moment in N m; ``hip`` is both of its own together."""
    moments = {name: one(value) for name, value in loaded.moments._asdict().items()}
    hip = float(np.hypot(moments["hip_sagittal"], moments["hip_frontal"]))
    return {**moments, "hip": hip}


def _reasons_at_load(
    lift: Lift[S], lifter: Lifter, setup: S, case: Case, posture: Posture, loaded: LoadedPosture
) -> list[str]:
    """Why a posture with a given shank does not work at a load; its strength is not judged."""
    limits = [limit for limit in lift.limits if limit.id != "strength"]
    found = excesses(limits, case, posture, loaded)
    if one(shut_deg(limits, case, found)) <= 0:
        return lift.gates(lifter, setup)
    over = {name: one(values) for name, values in found.items()}
    lean, flexion = one(degrees(loaded.balanced.lean)), one(degrees(loaded.hip_flexion))
    return lift.gates(lifter, setup) + reasons_for(
        limits, over, lambda by: Told(by, lifter, setup, lean, flexion)
    )


def pose_report(
    lift: Lift[S], lifter: Lifter, setup: S, load_kg: float, shank: float | None = None
) -> PoseReport:
    """The deepest point at a load in kg, with a shank in rad; None takes the best one, and limits
    are then judged at the predicted max."""
    case = lift.kinematics.case(lifter, [setup])
    if shank is None:
        found = evaluate(lift, case)
        posture = found.deepest
        loaded = posture.at_load(load_kg)
        reasons = reasons_against(lift, lifter, [setup], found)[0]
    else:
        case, _ = case.placed(np.full((1, 1, 1), shank))
        posture = case.posture(np.full((1, 1, 1), shank), DEEPEST)
        loaded = posture.at_load(load_kg)
        reasons = _reasons_at_load(lift, lifter, setup, case, posture, loaded)
    if np.any(posture.impossible) or np.any(loaded.balanced.impossible):
        return PoseReport({}, [], {}, {}, {}, {}, None, False, reasons)
    drawn = draw(posture, loaded)
    angles = {f"{name}_deg": one(value) for name, value in drawn.angles_deg.items()}
    return PoseReport(
        points={
            name: (one(x), one(y), one(z))
            for name, (x, y, z) in drawn.points.items()
            if name != HIDDEN_POINT
        },
        masses=lumped_masses(posture, loaded),
        angles=angles | {"back_deg": 90.0 - angles["trunk_lean_deg"]},
        moments_nm=moments_nm(loaded),
        arms_m={name: one(value) for name, value in drawn.arms_m.items()},
        use={name: one(value) for name, value in drawn.utilization._asdict().items()},
        limiter=LIMITERS[int(loaded.utilization.limiter.reshape(-1)[0])],
        feasible=not reasons,
        reasons=reasons,
        pushed=one(loaded.pushed),
    )
