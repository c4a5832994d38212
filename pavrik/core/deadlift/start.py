"""One start with its way to lockout: everything that a coach compares, with its reasons."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import cast

from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.kinematics import DeadliftCase, DeadliftKinematics, DeadliftPosture
from pavrik.core.deadlift.limits import room_m
from pavrik.core.deadlift.lockout import Lockout, lockout
from pavrik.core.deadlift.natural_start import NaturalStart, natural_start
from pavrik.core.deadlift.path import DeadliftPath, deadlift_path, sticking
from pavrik.core.deadlift.styles import DeadliftSetup
from pavrik.core.fitting.candidates import groups, reasons_against
from pavrik.core.fitting.report import one
from pavrik.core.fitting.search import evaluate
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.posture import LoadedPosture
from pavrik.core.strength.utilization import LIMITERS
from pavrik.core.units import GRAVITY_M_S2


@dataclass(frozen=True)
class PlacedStart:
    """A start with its shank found: its case and posture, its max, why it does not hold if so."""

    setup: DeadliftSetup
    case: DeadliftCase
    posture: DeadliftPosture
    predicted_max_kg: float
    limiter: str
    reasons: list[str]


@dataclass(frozen=True)
class StartReport:
    """A start at a load: travel, work, lat moment (N m), room between hands and legs (m), the way
    to lockout with its hardest height, the natural start."""

    placed: PlacedStart
    loaded: LoadedPosture
    lat_moment_nm: float
    room_m: float
    lockout: Lockout
    path: DeadliftPath
    hardest_step: int
    hardest_height_m: float
    natural: NaturalStart


def place_starts(lifter: Lifter, setups: Sequence[DeadliftSetup]) -> list[PlacedStart]:
    """Starts in their order; a shank that nothing fixes is the best feasible one."""
    kinematics = DeadliftKinematics()
    placed: dict[int, PlacedStart] = {}
    for places in groups(DEADLIFT, setups):
        alike = [setups[place] for place in places]
        whole = kinematics.case(lifter, alike)
        found = evaluate(DEADLIFT, whole)
        searched = cast(DeadliftCase, found.case)
        reasons = reasons_against(DEADLIFT, lifter, alike, found)
        for index, place in enumerate(places):
            shank = float(found.shank[index])
            stood = kinematics.as_found(setups[place], searched, shank, index)
            case, _ = kinematics.case(lifter, [stood]).placed()
            placed[place] = PlacedStart(
                setup=stood,
                case=case,
                posture=case.start(),
                predicted_max_kg=float(found.predicted_max_kg[index]),
                limiter=LIMITERS[int(found.limiter[index])],
                reasons=reasons[index],
            )
    return [placed[place] for place in range(len(setups))]


def start_report(lifter: Lifter, setup: DeadliftSetup, load_kg: float) -> StartReport:
    """Everything about one start; its reasons are empty where it holds."""
    placed = place_starts(lifter, [setup])[0]
    case, start = placed.case, placed.posture
    path = deadlift_path(case, start.legs.shank)
    hardest, _ = sticking(path, load_kg)
    return StartReport(
        placed=placed,
        loaded=start.at_load(load_kg),
        lat_moment_nm=load_kg * GRAVITY_M_S2 * abs(setup.shoulder_offset_m),
        room_m=one(room_m(case, start)),
        lockout=lockout(case, start, load_kg, lifter.deadlift_schools.blades_down),
        path=path,
        hardest_step=hardest,
        hardest_height_m=float(path.bar_height_m()[hardest]),
        natural=natural_start(case, start),
    )
