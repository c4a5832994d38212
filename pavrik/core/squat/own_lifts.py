"""Squat bests with their set-ups turned into strengths."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

from pavrik.core.squat.cases import case_for
from pavrik.core.squat.evaluation import evaluate
from pavrik.core.squat.lifter import SquatLifter
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.strength.capacities import Capacities
from pavrik.core.strength.inverse import Inferred, infer_capacities
from pavrik.core.units import Floats


@dataclass(frozen=True)
class KnownBest:
    """An estimated max in kg in one set-up, and the log error of the formula behind it."""

    setup: SquatSetup
    estimated_max_kg: float
    rep_error: float = 0.0


def strengths_from(lifter: SquatLifter, bests: Sequence[KnownBest]) -> Inferred:
    """Strengths that explain the bests, starting from the lifter's assumed ones."""
    setups = [best.setup for best in bests]

    def predict(capacities: Capacities) -> Floats:
        case = case_for(replace(lifter, capacities=capacities), setups, before=(1,))
        return evaluate(case).held_max_kg

    return infer_capacities(
        lifter.capacities,
        predict,
        [best.estimated_max_kg for best in bests],
        [best.rep_error for best in bests],
    )
