"""One fully specified squat pose, reported: points, masses, angles, moments, arms, use, limits."""

from dataclasses import dataclass

import numpy as np

from pavrik.core.lifter.lifter import Lifter
from pavrik.core.linkage.balance import Balanced
from pavrik.core.linkage.geometry import Point
from pavrik.core.squat.cases import case_for
from pavrik.core.squat.evaluation import BOTTOM, SquatCase, shortfalls_deg
from pavrik.core.squat.held_pose import HeldPose, LoadedSquat
from pavrik.core.squat.reasons import gate_reasons, limit_reasons
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.strength.use import LIMITERS, Use
from pavrik.core.units import Floats, degrees

Coordinates = tuple[float, float, float]


@dataclass(frozen=True)
class PointMass:
    """A mass in kg, both sides lumped, at x and z in metres."""

    name: str
    kg: float
    x_m: float
    z_m: float


@dataclass(frozen=True)
class PoseReport:
    """Everything about one pose. All but ``reasons`` is empty where no pose exists."""

    points: dict[str, Coordinates]
    masses: list[PointMass]
    angles: dict[str, float]
    moments_nm: dict[str, float]
    arms_m: dict[str, float]
    use: dict[str, float]
    limiter: str | None
    feasible: bool
    reasons: list[str]


@dataclass(frozen=True)
class UpperPlaces:
    """Places of shoulder, head, bar and the upper body's point masses, x and z in metres."""

    shoulder: tuple[Floats, Floats]
    head: tuple[Floats, Floats]
    bar: tuple[Floats, Floats]
    masses: list[tuple[str, float, Floats, Floats]]


def upper_places(pose: HeldPose, balanced: Balanced) -> UpperPlaces:
    """Where the upper body is once the lean is known."""
    hip, upper, body = pose.legs.hip, pose.upper, pose.body

    def at(along: Floats | float, forward: Floats | float) -> tuple[Floats, Floats]:
        return (
            hip.x + along * balanced.sine + forward * balanced.cosine,
            hip.z + along * balanced.cosine - forward * balanced.sine,
        )

    head = body.trunk_m + pose.assumed.head_centre * body.head_neck_m
    return UpperPlaces(
        shoulder=at(body.trunk_m, 0.0),
        head=at(head, 0.0),
        bar=at(upper.bar.along_m, upper.bar.forward_m),
        masses=[
            (name, float(mass), *at(along, forward)) for name, mass, along, forward in upper.points
        ],
    )


def _one(value: Floats | float) -> float:
    return float(np.asarray(value).reshape(-1)[0])


def _xyz(point: Point) -> Coordinates:
    return _one(point.x), _one(point.y), _one(point.z)


def _masses(pose: HeldPose, upper: UpperPlaces, load_kg: float) -> list[PointMass]:
    legs = pose.masses
    parts = [
        PointMass("feet", _one(legs.foot_kg), _one(legs.foot.x), _one(legs.foot.z)),
        PointMass("shanks", _one(legs.shank_kg), _one(legs.shank.x), _one(legs.shank.z)),
        PointMass("thighs", _one(legs.thigh_kg), _one(legs.thigh.x), _one(legs.thigh.z)),
    ]
    parts += [PointMass(name, kg, _one(x), _one(z)) for name, kg, x, z in upper.masses]
    return [*parts, PointMass("bar", load_kg, _one(upper.bar[0]), _one(upper.bar[1]))]


def _angles(pose: HeldPose, loaded: LoadedSquat) -> dict[str, float]:
    lean = _one(degrees(loaded.balanced.lean))
    return {
        "shank_deg": _one(degrees(pose.legs.shank)),
        "trunk_lean_deg": lean,
        "back_deg": 90.0 - lean,
        "hip_closing_deg": _one(degrees(loaded.closing)),
        "knee_flexion_deg": _one(degrees(pose.legs.knee_flexion)),
        "hip_abduction_deg": _one(degrees(pose.legs.abduction)),
        "dorsiflexion_deg": _one(degrees(pose.legs.dorsiflexion)),
    }


def _moments(loaded: LoadedSquat) -> dict[str, float]:
    moments = {name: _one(value) for name, value in loaded.moments._asdict().items()}
    return {
        "ankle": _one(loaded.ankle_nm),
        "knee": moments["knee"],
        "hip_sagittal": moments["hip_sagittal"],
        "hip_frontal": moments["hip_frontal"],
        "hip": float(np.hypot(moments["hip_sagittal"], moments["hip_frontal"])),
        "lumbar": moments["lumbar"],
        "midback": moments["midback"],
    }


def _dorsiflexion_reason(lifter: Lifter, pose: HeldPose) -> list[str]:
    needed = _one(degrees(pose.legs.dorsiflexion))
    screen = float(np.rad2deg(lifter.screens.dorsiflexion))
    if needed <= screen + 1e-6:
        return []
    return [
        f"the ankle would bend {needed:.0f}°, {needed - screen:.1f}° more than the {screen:.0f}° "
        "of the screen: raise the heel or let the shank stand steeper"
    ]


def _limits(
    lifter: Lifter, setup: SquatSetup, case: SquatCase, pose: HeldPose, loaded: LoadedSquat
) -> list[str]:
    over = {name: _one(value) for name, value in shortfalls_deg(case, pose, loaded).items()}
    over.pop("strength")
    return (
        gate_reasons(lifter, setup)
        + _dorsiflexion_reason(lifter, pose)
        + limit_reasons(
            lifter,
            setup,
            over,
            _one(degrees(loaded.balanced.lean)),
            _one(degrees(loaded.closing)),
        )
    )


def squat_pose(lifter: Lifter, setup: SquatSetup, load_kg: float, shank: float) -> PoseReport:
    """The bottom of the squat at a load in kg with a shank lean in rad."""
    case = case_for(lifter, [setup])
    pose = case.held(np.full((1, 1, 1), shank), BOTTOM)
    loaded = pose.under(load_kg)
    reasons = _limits(lifter, setup, case, pose, loaded)
    if np.any(pose.legs.unreachable) or np.any(loaded.balanced.impossible):
        return PoseReport({}, [], {}, {}, {}, {}, None, False, reasons)
    upper = upper_places(pose, loaded.balanced)
    shoulder_y = float(lifter.body.shoulder_spacing_m) / 2
    bar_x, bar_z = _one(upper.bar[0]), _one(upper.bar[1])
    return PoseReport(
        points={
            "ankle": _xyz(pose.legs.foot.ankle),
            "knee": _xyz(pose.legs.knee),
            "hip": _xyz(pose.legs.hip),
            "shoulder": (_one(upper.shoulder[0]), shoulder_y, _one(upper.shoulder[1])),
            "bar": (bar_x, 0.0, bar_z),
        },
        masses=_masses(pose, upper, load_kg),
        angles=_angles(pose, loaded),
        moments_nm=_moments(loaded),
        arms_m={
            "hip": bar_x - _one(pose.legs.hip.x),
            "knee": _one(pose.legs.knee.x) - bar_x,
        },
        use={name: _one(value) for name, value in zip(Use._fields, loaded.use, strict=True)},
        limiter=LIMITERS[int(np.asarray(loaded.use.limiter).reshape(-1)[0])],
        feasible=not reasons,
        reasons=reasons,
    )
