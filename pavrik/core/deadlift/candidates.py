"""Evaluated starts of one lifter as plain values: candidates and rejections."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from pavrik.core.deadlift.cases import needs_shank, pull_case
from pavrik.core.deadlift.evaluation import PullEvaluation, evaluate_pulls
from pavrik.core.deadlift.reasons import pull_reasons
from pavrik.core.deadlift.styles import PullSetup
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.strength.use import LIMITERS, Use
from pavrik.core.units import Floats, degrees


@dataclass(frozen=True)
class PullCandidate:
    """A start with what it promises; angles in rad. ``setup.shank`` is the one that was found
    where the bar does not decide it."""

    setup: PullSetup
    shank: float
    back_angle: float
    closing: float
    abduction: float
    hip_over_knee_m: float
    centre_x_m: float
    predicted_max_kg: float
    limiter: str
    use: dict[str, float]


@dataclass(frozen=True)
class RejectedPull:
    """A start that this body cannot take, and why."""

    setup: PullSetup
    reasons: list[str]


def _column(found: PullEvaluation, values: Floats) -> Floats:
    shape = np.broadcast_shapes(values.shape, found.loaded.use.hips.shape)
    picked = np.take_along_axis(
        np.broadcast_to(values, shape), found.best_shank[..., None], axis=-1
    )
    return np.asarray(picked[..., 0])


def _assess_alike(
    lifter: Lifter, setups: Sequence[PullSetup]
) -> tuple[list[PullCandidate], list[RejectedPull]]:
    found = evaluate_pulls(pull_case(lifter, setups))
    legs = found.pose.legs
    shank, back = _column(found, legs.shank), _column(found, found.pose.back_angle)
    closing, abduction = _column(found, found.pose.closing), _column(found, legs.abduction)
    hip = _column(found, legs.hip.z - legs.knee.z)
    centre = _column(found, found.loaded.centre_x_m)
    use = [_column(found, values) for values in found.loaded.use]
    candidates, rejected = [], []
    for i, setup in enumerate(setups):
        if not found.feasible[i]:
            short = {name: float(value[i]) for name, value in found.short.items()}
            reasons = pull_reasons(lifter, setup, short, float(degrees(closing[i])))
            rejected.append(RejectedPull(setup, reasons))
            continue
        own = replace(setup, shank=float(shank[i])) if needs_shank(setup) else setup
        candidates.append(
            PullCandidate(
                own, float(shank[i]), float(back[i]), float(closing[i]), float(abduction[i]),
                float(hip[i]), float(centre[i]), float(found.predicted_max_kg[i]),
                LIMITERS[int(found.limiter[i])],
                {name: float(u[i]) for name, u in zip(Use._fields, use, strict=True)},
            )
        )  # fmt: skip
    return candidates, rejected


def assess_pulls(
    lifter: Lifter, setups: Sequence[PullSetup]
) -> tuple[list[PullCandidate], list[RejectedPull]]:
    """Split starts into candidates and rejections."""
    groups: dict[tuple[bool, str], list[PullSetup]] = {}
    for setup in setups:
        kind = setup.style if needs_shank(setup) else "bar on shin"
        groups.setdefault((setup.shank is not None, kind), []).append(setup)
    candidates: list[PullCandidate] = []
    rejected: list[RejectedPull] = []
    for group in groups.values():
        good, bad = _assess_alike(lifter, group)
        candidates += good
        rejected += bad
    return candidates, rejected
