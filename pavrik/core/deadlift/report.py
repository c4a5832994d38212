"""One fully specified start, reported: everything that a coach compares, with its reasons."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from pavrik.core.deadlift.cases import KNOWN_SHANK, PullCase, alike, pull_case
from pavrik.core.deadlift.evaluation import evaluate_pulls, room_m
from pavrik.core.deadlift.lockout import Lockout, lockout
from pavrik.core.deadlift.natural_start import NaturalStart, natural_start
from pavrik.core.deadlift.path import PullPath, pull_path, sticking
from pavrik.core.deadlift.reasons import pull_reasons
from pavrik.core.deadlift.start import HeldPull, LoadedPull, upper_masses
from pavrik.core.deadlift.styles import PullSetup
from pavrik.core.lifter.lifter import Lifter
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
    natural: NaturalStart
    reasons: list[str]


def one(value: object) -> float:
    """The only number of an array."""
    return float(np.asarray(value).reshape(-1)[0])


@dataclass(frozen=True)
class PlacedPull:
    """A start with its shank found: its case and pose, its max, why it does not hold if so."""

    setup: PullSetup
    case: PullCase
    pose: HeldPull
    predicted_max_kg: float
    limiter: str
    reasons: list[str]


def with_shank(lifter: Lifter, setups: Sequence[PullSetup]) -> list[PullSetup]:
    """The set-ups with a shank that nothing fixes at its best angle."""
    found = list(setups)
    for kind, places in alike(setups).items():
        if kind in KNOWN_SHANK:
            continue
        case = pull_case(lifter, [setups[place] for place in places])
        angles = np.asarray(case.shank).reshape(-1)
        for place, best in zip(places, evaluate_pulls(case).best_shank, strict=True):
            found[place] = replace(setups[place], shank=float(angles[best]))
    return found


def place_pulls(lifter: Lifter, setups: Sequence[PullSetup]) -> list[PlacedPull]:
    """Starts in their order; a shank that nothing fixes is the best feasible one."""
    known = with_shank(lifter, setups)
    placed: dict[int, PlacedPull] = {}
    for places in alike(known).values():
        found = evaluate_pulls(pull_case(lifter, [known[place] for place in places]))
        closing_deg = degrees(found.pose.closing).reshape(len(places))
        for index, place in enumerate(places):
            short = {name: float(value[index]) for name, value in found.short.items()}
            reasons = (
                []
                if found.feasible[index]
                else pull_reasons(lifter, known[place], short, float(closing_deg[index]))
            )
            case = pull_case(lifter, [known[place]])
            placed[place] = PlacedPull(
                setup=known[place],
                case=case,
                pose=case.held(),
                predicted_max_kg=float(found.predicted_max_kg[index]),
                limiter=LIMITERS[int(found.limiter[index])],
                reasons=reasons,
            )
    return [placed[place] for place in range(len(setups))]


def pull_report(lifter: Lifter, setup: PullSetup, load_kg: float) -> PullReport:
    """Everything about one start; its reasons are empty where it holds."""
    placed = place_pulls(lifter, [setup])[0]
    case, pose = placed.case, placed.pose
    way = pull_path(case, pose)
    hardest, _ = sticking(way, load_kg)
    return PullReport(
        setup=placed.setup,
        case=case,
        pose=pose,
        loaded=pose.under(load_kg),
        predicted_max_kg=placed.predicted_max_kg,
        limiter=placed.limiter,
        lat_moment_nm=load_kg * GRAVITY_M_S2 * abs(setup.shoulder_offset_m),
        room_m=one(room_m(case, pose)),
        lockout=lockout(case, pose, load_kg, lifter.pull.blades_down),
        path=way,
        hardest_step=hardest,
        hardest_height_m=float(way.bar_height_m()[hardest]),
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
