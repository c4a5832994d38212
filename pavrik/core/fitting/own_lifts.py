"""Bests of both lifts with their set-ups turned into one set of strengths."""

from collections.abc import Sequence
from dataclasses import dataclass, fields, replace
from typing import Any

import numpy as np

from pavrik.core.deadlift.cases import needs_shank, pull_case
from pavrik.core.deadlift.evaluation import evaluate_pulls
from pavrik.core.deadlift.styles import PullSetup
from pavrik.core.fitting.lifter import Lifter
from pavrik.core.squat.cases import case_for
from pavrik.core.squat.evaluation import evaluate
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.strength.capacities import Capacities
from pavrik.core.strength.inverse import Inferred, infer_capacities
from pavrik.core.units import Floats


@dataclass(frozen=True)
class KnownBest:
    """An estimated max in kg in one set-up of either lift, and the log error of its formula."""

    setup: SquatSetup | PullSetup
    estimated_max_kg: float
    rep_error: float = 0.0


def _with_two_axes(capacities: Capacities) -> Capacities:
    """Capacities of shape (K, 1, 1, 1) laid out for pulls, (K, 1, 1)."""
    flat: dict[str, Any] = {
        f.name: value[..., 0]
        for f in fields(capacities)
        if isinstance(value := getattr(capacities, f.name), np.ndarray)
    }
    return replace(capacities, **flat)


def _pulled(lifter: Lifter, capacities: Capacities, setups: Sequence[PullSetup]) -> Floats:
    many = replace(lifter, capacities=_with_two_axes(capacities))
    columns = [evaluate_pulls(pull_case(many, [s], before=(1,))).held_max_kg for s in setups]
    return np.concatenate(columns, axis=-1)


def strengths_from(lifter: Lifter, bests: Sequence[KnownBest]) -> Inferred:
    """Strengths that explain the bests, starting from the lifter's assumed ones."""
    squats = [best.setup for best in bests if isinstance(best.setup, SquatSetup)]
    pulls = [best.setup for best in bests if isinstance(best.setup, PullSetup)]
    straight = [setup for setup in pulls if not needs_shank(setup)]
    order = [
        *[best for best in bests if isinstance(best.setup, SquatSetup)],
        *[best for best in bests if best.setup in straight],
    ]

    def predict(capacities: Capacities) -> Floats:
        found = []
        if squats:
            case = case_for(replace(lifter, capacities=capacities), squats, before=(1,))
            found.append(evaluate(case).held_max_kg)
        if straight:
            found.append(_pulled(lifter, capacities, straight))
        return np.concatenate(found, axis=-1)

    return infer_capacities(
        lifter.capacities,
        predict,
        [best.estimated_max_kg for best in order],
        [best.rep_error for best in order],
    )
