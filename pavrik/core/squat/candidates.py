"""Evaluated set-ups of one lifter as plain values: candidates and rejections."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from pavrik.core.lifter.lifter import Lifter
from pavrik.core.squat.cases import case_for
from pavrik.core.squat.evaluation import SAMPLING, Evaluation, evaluate
from pavrik.core.squat.reasons import gate_reasons, limit_reasons
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.strength.use import LIMITERS, Use
from pavrik.core.units import Floats


@dataclass(frozen=True)
class Candidate:
    """A set-up with the best feasible shank (rad) and what it promises; lean, closing in rad."""

    setup: SquatSetup
    shank: float
    lean: float
    closing: float
    abduction: float
    predicted_max_kg: float
    worst_progress: float
    limiter: str
    use: dict[str, float]


@dataclass(frozen=True)
class Rejected:
    """A set-up that this body cannot take, and why."""

    setup: SquatSetup
    reasons: list[str]


def _plain(values: object, index: int) -> float:
    column = np.asarray(values)
    return float(column.reshape(column.shape[0], -1)[index if column.shape[0] > 1 else 0, 0])


def _candidate(setup: SquatSetup, evaluation: Evaluation, use: Use, index: int) -> Candidate:
    return Candidate(
        setup=setup,
        shank=_plain(evaluation.shank, index),
        lean=_plain(evaluation.bottom.balanced.lean, index),
        closing=_plain(evaluation.bottom.closing, index),
        abduction=_plain(evaluation.bottom_pose.legs.abduction, index),
        predicted_max_kg=_plain(evaluation.predicted_max_kg, index),
        worst_progress=_plain(evaluation.worst_progress, index),
        limiter=LIMITERS[int(evaluation.limiter[index])],
        use={name: _plain(values, index) for name, values in zip(Use._fields, use, strict=True)},
    )


def assess(lifter: Lifter, setups: Sequence[SquatSetup]) -> tuple[list[Candidate], list[Rejected]]:
    """Split set-ups into candidates and rejections, each in the order given."""
    evaluation = evaluate(case_for(lifter, setups))
    load = evaluation.predicted_max_kg[:, None, None]
    use = evaluation.bottom_pose.under(load).use
    candidates, rejected = [], []
    for index, setup in enumerate(setups):
        reasons = gate_reasons(lifter, setup)
        if not evaluation.feasible[index]:
            reasons += limit_reasons(
                lifter,
                setup,
                {name: float(over[index]) for name, over in evaluation.shortfall_deg.items()},
                float(np.rad2deg(_plain(evaluation.bottom.balanced.lean, index))),
                float(np.rad2deg(_plain(evaluation.bottom.closing, index))),
            )
        if reasons:
            rejected.append(Rejected(setup, reasons))
        else:
            candidates.append(_candidate(setup, evaluation, use, index))
    return candidates, rejected


def best_max_of(lifter: Lifter, setups: Sequence[SquatSetup]) -> Floats:
    """Predicted max in kg of each set-up, 0 where the body cannot take it; gates left out."""
    return evaluate(case_for(lifter, setups), SAMPLING).predicted_max_kg
