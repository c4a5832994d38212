"""Goals rank set-ups by stated formulas: every part is a share of the best set-up's, in the open.

max: predicted max. muscle: moment at the target joint per kg of load times the joint's range.
mobility: range used at ankle, knee and hip. learning: what the screens leave free, and how easily
the bar is put down. sparing: least moment at the flagged joint. Weights are shown.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np

from pavrik.core.assumptions import assume, assume_each
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import BarPosition
from pavrik.core.lifter.schools import BarSchool
from pavrik.core.squat.cases import case_for
from pavrik.core.squat.evaluation import evaluate
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.units import Floats

Part = Literal["max", "muscle", "mobility", "learning", "sparing"]
Weights = dict[Part, float]
GOAL_WEIGHTS: dict[str, Weights] = {
    "competition": {"max": 1.0},
    "strength": {"max": 0.6, "muscle": 0.2, "mobility": 0.2},
    "muscle": {"muscle": 0.6, "max": 0.2, "mobility": 0.2},
    "sport": {"max": 0.4, "mobility": 0.4, "learning": 0.2},
    "health": {"learning": 0.4, "mobility": 0.3, "sparing": 0.3},
}
for _goal, _weights in GOAL_WEIGHTS.items():
    assume_each(f"goal_{_goal}", _weights, "share", f"weight of a part for the goal {_goal}")
NOVICE_LEARNING = assume("novice_learning", 0.3, "share", "weight of learning for a novice")
PAIN_SPARING = assume("pain_sparing", 0.4, "share", "weight of sparing where something hurts")
SCHOOL_PRIOR = assume(
    "school_prior", 0.03, "share", "added to the positions that the club's school prefers"
)
_PREFERRED: dict[BarSchool, tuple[BarPosition, ...]] = {
    "model": (),
    "upright": ("high", "front"),
    "low": ("low", "middle"),
}
_BAIL_OUT: dict[BarPosition, float] = {"front": 1.0, "high": 0.7, "middle": 0.5, "low": 0.4}
_SHOULDER_DEMAND: dict[BarPosition, float] = {"high": 0.4, "front": 0.6, "middle": 0.7, "low": 1.0}
_ARM_REGIONS = frozenset({"shoulder", "elbow", "wrist"})


@dataclass(frozen=True)
class GoalScore:
    """Score of a set-up, 0 to 1, with its parts; ``school`` is what the club's school adds."""

    total: float
    parts: dict[Part, float]
    school: float


def weights_for(goal: str, novice: bool, pain: Sequence[str]) -> Weights:
    """The goal's weights, moved toward learning for novices and sparing where something hurts;
    they sum to 1."""
    weights = dict(GOAL_WEIGHTS[goal])
    for part, share, applies in (
        ("learning", NOVICE_LEARNING, novice),
        ("sparing", PAIN_SPARING, bool(pain)),
    ):
        if applies and weights.get(part, 0.0) < share:  # type: ignore[call-overload]
            rest = 1.0 - weights.pop(part, 0.0)  # type: ignore[call-overload]
            weights = {p: w / rest * (1.0 - share) for p, w in weights.items()}
            weights[part] = share  # type: ignore[index]
    return weights


def _share(values: Floats) -> Floats:
    best = float(np.max(values))
    return values / best if best > 0 else np.zeros_like(values)


def _least(values: Floats) -> Floats:
    positive = np.maximum(values, 1e-6)
    return np.asarray(np.min(positive) / positive)


def goal_scores(
    lifter: Lifter, setups: Sequence[SquatSetup], weights: Weights, pain: Sequence[str] = ()
) -> list[GoalScore]:
    """Scores of feasible set-ups against each other, in their order."""
    if not setups:
        return []
    found = evaluate(case_for(lifter, setups))
    load = found.predicted_max_kg
    at_equal_load = found.bottom_pose.under(float(np.min(load)) * 0.8)
    moments, legs = at_equal_load.moments, found.bottom_pose.legs

    def flat(values: Floats) -> Floats:
        return np.broadcast_to(values, (len(setups), 1, 1)).reshape(-1)

    knee_range, hip_range = flat(legs.knee_flexion), flat(at_equal_load.closing)
    ankle = flat(legs.dorsiflexion)
    knee = np.maximum(flat(moments.knee), 0.0)
    hip = flat(np.hypot(moments.hip_sagittal, moments.hip_frontal))
    used = (
        ankle / float(lifter.screens.dorsiflexion)
        + hip_range / float(lifter.screens.closing)
        + flat(legs.abduction) / float(lifter.screens.abduction)
    ) / 3
    easy = np.array([_BAIL_OUT[setup.bar_position] for setup in setups])
    by_region = {
        "knee": knee,
        "hip": hip,
        "lower back": flat(moments.lumbar),
        "upper back": flat(moments.midback),
        "ankle": ankle,
    } | {
        region: np.array([_SHOULDER_DEMAND[setup.bar_position] for setup in setups])
        for region in _ARM_REGIONS
    }
    hurts = [by_region[region] for region in pain if region in by_region]
    spared = np.mean([_least(values) for values in hurts or list(by_region.values())[:4]], axis=0)
    parts: dict[Part, Floats] = {
        "max": _share(load),
        "muscle": (_share(knee * knee_range) + _share(hip * hip_range)) / 2,
        "mobility": (_share(ankle) + _share(knee_range) + _share(hip_range)) / 3,
        "learning": _share((np.clip(1.0 - used, 0.0, 1.0) + easy) / 2),
        "sparing": np.asarray(spared),
    }
    preferred = _PREFERRED[lifter.schools.bar]
    scores = []
    for i, setup in enumerate(setups):
        own = {part: float(values[i]) for part, values in parts.items() if part in weights}
        prior = SCHOOL_PRIOR if setup.bar_position in preferred else 0.0
        total = sum(weights[part] * value for part, value in own.items())
        scores.append(GoalScore(total + prior, own, prior))
    return scores
