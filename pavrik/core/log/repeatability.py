"""Is every rep the same lift? The spread of what was measured, light sets against heavy ones."""

from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from pavrik.core.log.training_set import TrainingSet, best_of_days
from pavrik.words import say

LIGHT_SHARE = 0.75
"""Of the best estimated max: below it a set is light."""
LEAST_EACH = 3


@dataclass(frozen=True)
class MeasureKind:
    """Something measured per set: words, unit ("s", "m" or "steps"), and the spread (one standard
    deviation) up to which a set-up counts as the same: common practice, no source."""

    name: str
    unit: str
    same_within: float


MEASURES = {
    "hands_to_pull_s": MeasureKind(say("log.hands_pull"), "s", 1.0),
    "walkout_steps": MeasureKind(say("log.steps_walk_out"), "steps", 0.5),
    "foot_offset_m": MeasureKind(say("log.bar_mid_foot"), "m", 0.008),
    "stance_m": MeasureKind("Stance", "m", 0.015),
    "start_hip_m": MeasureKind(say("log.hip_height_start"), "m", 0.015),
}


REP_SPEED = "rep_speed_m_s"
"""Measured per set too, but it changes with the load: mean speed of the fastest rep."""


@dataclass(frozen=True)
class Spread:
    """Number, mean and standard deviation of a measure."""

    count: int
    mean: float
    sd: float


@dataclass(frozen=True)
class Repeatability:
    """One measure over all sets, and over light and heavy ones where both have enough."""

    kind: str
    whole: Spread
    light: Spread | None
    heavy: Spread | None
    verdict: str


def _spread(values: Sequence[float]) -> Spread:
    sd = float(np.std(values, ddof=1)) if len(values) > 1 else 0.0
    return Spread(len(values), float(np.mean(values)), sd)


def _show(kind: MeasureKind, value: float) -> str:
    return f"{value * 100:.1f} cm" if kind.unit == "m" else f"{value:.1f} {kind.unit}"


def _verdict(kind: MeasureKind, whole: Spread, light: Spread | None, heavy: Spread | None) -> str:
    if whole.count < LEAST_EACH:
        return say("log.far_too_few_tell", count=whole.count)
    parts = [
        say("log.same_every_time_within", show=_show(kind, whole.sd))
        if whole.sd <= kind.same_within
        else say("log.differs_from_set_set", show=_show(kind, whole.sd))
    ]
    if light and heavy and abs(heavy.mean - light.mean) > max(kind.same_within, light.sd):
        parts.append(
            say(
                "log.heavy_sets_light_ones",
                heavy=_show(kind, heavy.mean),
                light=_show(kind, light.mean),
            )
        )
    return "; ".join(parts)


def repeatability(sets: Sequence[TrainingSet]) -> list[Repeatability]:
    """Every measure that was taken, in the order of ``MEASURES``; sets oldest first."""
    best = max((day.kg for day in best_of_days(sets)), default=float("nan"))
    taken: dict[str, list[tuple[float, float]]] = defaultdict(list)
    for logged in sets:
        for measured, value in logged.measures:
            taken[measured].append((logged.load_kg / best, value))
    found = []
    for name, kind in MEASURES.items():
        if name not in taken:
            continue
        light = [v for at, v in taken[name] if at < LIGHT_SHARE]
        heavy = [v for at, v in taken[name] if at >= LIGHT_SHARE]
        whole = _spread([v for _, v in taken[name]])
        lightly = _spread(light) if len(light) >= LEAST_EACH else None
        heavily = _spread(heavy) if len(heavy) >= LEAST_EACH else None
        verdict = _verdict(kind, whole, lightly, heavily)
        found.append(Repeatability(name, whole, lightly, heavily, verdict))
    return found
