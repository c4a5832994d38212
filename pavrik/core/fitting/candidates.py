"""Evaluated set-ups of one lifter as plain values: candidates and rejections."""

from collections.abc import Callable, Mapping, Sequence
from typing import Any

import numpy as np

from pavrik.core.fitting.search import Evaluation, evaluate
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.candidate import Candidate, Rejected, S
from pavrik.core.lifts.case import Effort
from pavrik.core.lifts.lift import Lift
from pavrik.core.lifts.limit import Told, reasons_for
from pavrik.core.strength.utilization import LIMITERS
from pavrik.core.units import Floats, degrees

LEAST_TOLD = 1e-9
WORTH_TELLING = 0.01
"""Share of the max from which the cost of an overstepped limit is told."""


def groups(lift: Lift[S], setups: Sequence[S]) -> list[list[int]]:
    """Places of the set-ups that one case can hold: those whose shank is free, and the others."""
    free = [lift.kinematics.free_shank(setup) for setup in setups]
    found = [[at for at, is_free in enumerate(free) if is_free == kind] for kind in (False, True)]
    return [places for places in found if places]


def _plain(values: Floats, count: int) -> list[float]:
    """One number for each set-up, whether they differ or not."""
    column = np.asarray(values)
    if column.ndim:
        column = column.reshape(column.shape[0], -1)[:, 0]
    plain: list[float] = np.broadcast_to(column, count).tolist()
    return plain


def reasons_against(
    lift: Lift[S], lifter: Lifter, setups: Sequence[S], found: Evaluation
) -> list[list[str]]:
    """Why each of the evaluated set-ups does not work; empty where it does."""
    told = _told(lift, lifter, setups, found, found.excess)
    feasible = found.feasible.tolist()
    return [
        lift.gates(lifter, setup) + ([] if feasible[at] else told(at))
        for at, setup in enumerate(setups)
    ]


def _dear(lift: Lift[Any], found: Evaluation) -> dict[str, Floats]:
    """By how much the limits are overstepped that cost enough to be told."""
    dear = {}
    for limit in lift.limits:
        over = found.excess[limit.id]
        cost = limit.cost(found.case, over[..., None, None])[..., 0, 0]
        dear[limit.id] = np.where(cost >= WORTH_TELLING, over, 0.0)
    return dear


def _told(
    lift: Lift[S], lifter: Lifter, setups: Sequence[S], found: Evaluation,
    over_by: Mapping[str, Floats],
) -> Callable[[int], list[str]]:  # fmt: skip
    """Place of a set-up -> a sentence for each limit that it oversteps, the most binding first."""
    leans = _plain(degrees(found.loaded.balanced.lean), len(setups))
    flexions = _plain(degrees(found.loaded.hip_flexion), len(setups))
    excess = {name: values.tolist() for name, values in over_by.items()}

    def told(at: int) -> list[str]:
        over = {name: by for name, column in excess.items() if (by := column[at]) > LEAST_TOLD}
        lean, flexion = leans[at], flexions[at]
        return reasons_for(
            lift.limits, over, lambda by: Told(by, lifter, setups[at], lean, flexion)
        )

    return told


def _promises(
    lift: Lift[S], lifter: Lifter, setups: Sequence[S], found: Evaluation, places: Sequence[int]
) -> list[Candidate[S]]:
    """Some of the evaluated set-ups as candidates, with the use at their predicted max."""
    told = _told(lift, lifter, setups, found, _dear(lift, found))
    legs, count = found.deepest.legs, len(setups)
    at_max = found.deepest.at_load(found.predicted_max_kg[:, None, None])
    numbers = {
        "shank": found.shank,
        "lean": found.loaded.balanced.lean,
        "hip_flexion": found.loaded.hip_flexion,
        "abduction": legs.abduction,
        "hip_over_knee_m": legs.hip.z - legs.knee.z,
        "centre_x_m": found.loaded.centre_x_m,
        "predicted_max_kg": found.predicted_max_kg,
        "worst_progress": found.worst_progress,
        "left": found.left,
    }
    columns = {name: _plain(values, count) for name, values in numbers.items()}
    use = {name: _plain(values, count) for name, values in at_max.utilization._asdict().items()}
    limiters = found.limiter.tolist()
    return [
        Candidate(
            setup=lift.kinematics.as_found(setups[at], found.case, columns["shank"][at], at),
            limiter=LIMITERS[limiters[at]],
            utilization={name: shares[at] for name, shares in use.items()},
            oversteps=tuple(told(at)),
            **{name: column[at] for name, column in columns.items()},
        )
        for at in places
    ]


def assess(
    lift: Lift[S], lifter: Lifter, setups: Sequence[S]
) -> tuple[list[Candidate[S]], list[Rejected[S]]]:
    """Split set-ups into candidates and rejections, each in the order given."""
    candidates: dict[int, Candidate[S]] = {}
    rejected: dict[int, Rejected[S]] = {}
    for places in groups(lift, setups):
        alike = [setups[place] for place in places]
        found = evaluate(lift, lift.kinematics.case(lifter, alike))
        reasons = reasons_against(lift, lifter, alike, found)
        open_at = [at for at, against in enumerate(reasons) if not against]
        promised = _promises(lift, lifter, alike, found, open_at)
        candidates |= dict(zip((places[at] for at in open_at), promised, strict=True))
        rejected |= {
            place: Rejected(setups[place], against)
            for place, against in zip(places, reasons, strict=True)
            if against
        }
    return [candidates[at] for at in sorted(candidates)], [rejected[at] for at in sorted(rejected)]


def quick_maxes_kg(lift: Lift[Any], lifter: Lifter, setups: Sequence[Any]) -> Floats:
    """Predicted max in kg of each set-up, 0 where the body cannot take it; gates left out."""
    return maxes_kg(lift, lifter, setups, lift.quick)


def maxes_kg(lift: Lift[Any], lifter: Lifter, setups: Sequence[Any], effort: Effort) -> Floats:
    """The same with a chosen effort, shape (set-ups,)."""
    found = np.zeros(len(setups))
    for places in groups(lift, setups):
        case = lift.kinematics.case(lifter, [setups[place] for place in places])
        found[places] = evaluate(lift, case, effort).predicted_max_kg
    return found
