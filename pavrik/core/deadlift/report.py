"""One fully specified start, reported: everything that a coach compares, with its reasons."""

from dataclasses import dataclass, replace

import numpy as np

from pavrik.core.deadlift.cases import PullCase, pull_case
from pavrik.core.deadlift.evaluation import PullEvaluation, evaluate_pulls, room_m
from pavrik.core.deadlift.lockout import Lockout, lockout
from pavrik.core.deadlift.natural_start import NaturalStart, natural_start
from pavrik.core.deadlift.path import PullPath, path_max_kg, pull_path, sticking
from pavrik.core.deadlift.reasons import pull_reasons
from pavrik.core.deadlift.start import HeldPull, LoadedPull, upper_masses
from pavrik.core.deadlift.styles import PullSetup
from pavrik.core.fitting.lifter import Lifter
from pavrik.core.strength.use import LIMITERS
from pavrik.core.units import GRAVITY_M_S2, degrees


@dataclass(frozen=True)
class PullReport:
    """A start at a load: predicted max, limiter, travel, work, lat moment (N m), room between
    hands and legs (m), the way to lockout with its hardest height, the natural start."""

    setup: PullSetup
    case: PullCase
    pose: HeldPull
    loaded: LoadedPull
    predicted_max_kg: float
    limiter: str
    lat_moment_nm: float
    room_m: float
    lockout: Lockout
    path: PullPath
    hardest_step: int
    hardest_height_m: float
    path_max_kg: float
    natural: NaturalStart
    reasons: list[str]


def one(value: object) -> float:
    """The only number of an array."""
    return float(np.asarray(value).reshape(-1)[0])


@dataclass(frozen=True)
class PlacedPull:
    """A start with its shank found: the case, what was evaluated, why it does not hold if so."""

    case: PullCase
    found: PullEvaluation
    reasons: list[str]

    @property
    def pose(self) -> HeldPull:
        """The start itself."""
        return self.found.pose


def place_pull(lifter: Lifter, setup: PullSetup) -> PlacedPull:
    """One start; a shank that nothing fixes is the best feasible one."""
    case = pull_case(lifter, [setup])
    found = evaluate_pulls(case)
    if setup.shank is None and case.shank is not None:
        best = float(np.asarray(case.shank).reshape(-1)[int(found.best_shank[0])])
        return place_pull(lifter, replace(setup, shank=best))
    short = {name: float(value[0]) for name, value in found.short.items()}
    closing = one(degrees(found.pose.closing))
    reasons = [] if found.feasible[0] else pull_reasons(lifter, setup, short, closing)
    return PlacedPull(case, found, reasons)


def pull_report(lifter: Lifter, setup: PullSetup, load_kg: float) -> PullReport:
    """Everything about one start; its reasons are empty where it holds."""
    placed = place_pull(lifter, setup)
    case, found, pose = placed.case, placed.found, placed.pose
    if setup.shank is None and case.shank is not None:
        setup = replace(setup, shank=one(case.shank))
    way = pull_path(case)
    hardest, _ = sticking(way, load_kg)
    held, _ = path_max_kg(way, float(np.asarray(lifter.body.mass_kg)))
    return PullReport(
        setup=setup,
        case=case,
        pose=pose,
        loaded=pose.under(load_kg),
        predicted_max_kg=float(found.predicted_max_kg[0]),
        limiter=LIMITERS[int(found.limiter[0])],
        lat_moment_nm=load_kg * GRAVITY_M_S2 * abs(setup.shoulder_offset_m),
        room_m=one(room_m(case, pose)),
        lockout=lockout(case, pose, load_kg, lifter.pull.blades_down),
        path=way,
        hardest_step=hardest,
        hardest_height_m=float(way.bar_height_m()[hardest]),
        path_max_kg=held,
        natural=natural_start(case, pose),
        reasons=placed.reasons,
    )


def lumped_masses(pose: HeldPull, load_kg: float) -> list[tuple[str, float, float, float]]:
    """name, kg, x and z in m of every mass, both sides lumped, the bar included."""
    legs = pose.masses
    found = [
        ("feet", one(legs.foot_kg), one(legs.foot.x), one(legs.foot.z)),
        ("shanks", one(legs.shank_kg), one(legs.shank.x), one(legs.shank.z)),
        ("thighs", one(legs.thigh_kg), one(legs.thigh.x), one(legs.thigh.z)),
    ]
    upper = upper_masses(
        pose.body, pose.lean, pose.legs.hip, (pose.bar_x, pose.bar_z),
        (pose.shoulder_x, pose.shoulder_z), pose.assumed,
    )  # fmt: skip
    found += [(name, one(kg), one(x), one(z)) for name, kg, x, z, _ in upper]
    return [*found, ("bar", load_kg, one(pose.bar_x), one(pose.bar_z))]
