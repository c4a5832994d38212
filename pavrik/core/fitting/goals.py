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
from pavrik.core.fitting.search import Evaluation, evaluate
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.candidate import S
from pavrik.core.lifts.lift import Lift, Style
from pavrik.core.units import Floats

Part = Literal["max", "muscle", "mobility", "learning", "sparing"]
Weights = dict[Part, float]
Target = Literal["quads", "hips", "lower back", "upper back"]
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
EQUAL_SHARE = 0.8
"""Of the least predicted max: the load at which set-ups are compared."""
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


@dataclass(frozen=True)
class _Asked:
    """What set-ups ask of the joints at an equal load: moments in N m, ranges in rad."""

    load_kg: Floats
    knee: Floats
    hip: Floats
    lumbar: Floats
    midback: Floats
    knee_range: Floats
    hip_range: Floats
    ankle_range: Floats
    opening: Floats


def _asked(found: Evaluation) -> _Asked:
    load = found.predicted_max_kg
    equal = found.deepest.at_load(float(np.min(load)) * EQUAL_SHARE)
    moments, legs = equal.moments, found.deepest.legs

    def flat(values: Floats) -> Floats:
        return np.broadcast_to(values, (len(load), 1, 1)).reshape(-1)

    return _Asked(
        load_kg=load,
        knee=np.maximum(flat(moments.knee), 0.0),
        hip=flat(np.hypot(moments.hip_sagittal, moments.hip_frontal)),
        lumbar=flat(moments.lumbar),
        midback=flat(moments.midback),
        knee_range=flat(legs.knee_flexion),
        hip_range=flat(equal.hip_flexion),
        ankle_range=flat(legs.dorsiflexion),
        opening=flat(legs.abduction),
    )


def _muscle(asked: _Asked, target: Target | None) -> Floats:
    """Moment at the target joint times its range, a share of the best; knee and hip alike where no
    target is named."""
    by_target: dict[Target, Floats] = {
        "quads": asked.knee * asked.knee_range,
        "hips": asked.hip * asked.hip_range,
        "lower back": np.maximum(asked.lumbar, 0.0),
        "upper back": np.maximum(asked.midback, 0.0),
    }
    if target is not None:
        return _share(by_target[target])
    return (_share(by_target["quads"]) + _share(by_target["hips"])) / 2


def _parts(
    lifter: Lifter, asked: _Asked, styles: Sequence[Style], pain: Sequence[str],
    target: Target | None,
) -> dict[Part, Floats]:  # fmt: skip
    """Every part of the score, each a share of the best set-up's."""
    screens = lifter.screens
    used = (
        asked.ankle_range / float(screens.dorsiflexion)
        + asked.hip_range / float(screens.hip_flexion)
        + asked.opening / float(screens.abduction)
    ) / 3
    ease = np.array([style.ease for style in styles])
    by_region = {
        "knee": asked.knee,
        "hip": asked.hip,
        "lower back": asked.lumbar,
        "upper back": asked.midback,
        "ankle": asked.ankle_range,
    } | {region: np.array([style.arms for style in styles]) for region in _ARM_REGIONS}
    hurts = [by_region[region] for region in pain if region in by_region]
    spared = np.mean([_least(values) for values in hurts or list(by_region.values())[:4]], axis=0)
    ranges = (asked.ankle_range, asked.knee_range, asked.hip_range)
    return {
        "max": _share(asked.load_kg),
        "muscle": _muscle(asked, target),
        "mobility": sum(map(_share, ranges), np.zeros(len(styles))) / 3,
        "learning": _share((np.clip(1.0 - used, 0.0, 1.0) + ease) / 2),
        "sparing": np.asarray(spared),
    }


def goal_scores(
    lift: Lift[S], lifter: Lifter, setups: Sequence[S], weights: Weights,
    pain: Sequence[str] = (), target: Target | None = None,
) -> list[GoalScore]:  # fmt: skip
    """Scores of feasible set-ups against each other, in their order; ``target`` is what the muscle
    goal is for."""
    if not setups:
        return []
    styles = [lift.style_of(setup) for setup in setups]
    found = evaluate(lift, lift.kinematics.case(lifter, setups))
    parts = _parts(lifter, _asked(found), styles, pain, target)
    scores = []
    for i, style in enumerate(styles):
        own = {part: float(values[i]) for part, values in parts.items() if part in weights}
        prior = SCHOOL_PRIOR if lifter.schools.bar in style.schools else 0.0
        total = sum(weights[part] * value for part, value in own.items())
        scores.append(GoalScore(total + prior, own, prior))
    return scores
