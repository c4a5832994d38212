"""How deep this body goes with a neutral back, stance by stance, and what depth costs."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from pavrik.core.fitting.candidates import quick_maxes_kg
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import SCREEN_LIMITS
from pavrik.core.squat.depth import hip_above_knee_m, parallel_m
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT

STANCES_M = tuple(round(0.28 + 0.04 * i, 2) for i in range(13))
BELOW_PARALLEL_M = np.round(np.arange(-0.10, 0.451, 0.01), 3)
"""Depths that are tried, below parallel: further than any thigh reaches."""


@dataclass(frozen=True)
class NaturalBottom:
    """Deepest neutral depth below parallel in m per stance, None where nothing is feasible."""

    stance_m: list[float]
    below_parallel_m: list[float | None]
    widest_deep_enough_m: float | None
    """Widest stance whose natural bottom still is at competition depth."""


def _at_depth(setup: SquatSetup, lifter: Lifter, below_m: float) -> SquatSetup:
    return replace(setup, hip_above_knee_m=float(parallel_m(lifter.body)) - below_m)


def natural_bottom(
    lifter: Lifter, setup: SquatSetup, stances_m: Sequence[float] = STANCES_M
) -> NaturalBottom:
    """The deepest feasible depth of a set-up at each stance, the rest as it is; no screen may be
    overstepped, whatever the lifter may risk in a lift."""
    kept = replace(lifter, screens=replace(lifter.screens, hard=SCREEN_LIMITS))
    wanted = [
        _at_depth(replace(setup, stance_m=stance), lifter, float(depth))
        for stance in stances_m
        for depth in BELOW_PARALLEL_M
    ]
    feasible = quick_maxes_kg(SQUAT, kept, wanted).reshape(len(stances_m), -1) > 0
    deepest = [
        float(BELOW_PARALLEL_M[np.flatnonzero(row).max()]) if row.any() else None
        for row in feasible
    ]
    margin = lifter.assumed.competition_margin_m
    enough = [s for s, d in zip(stances_m, deepest, strict=True) if d is not None and d >= margin]
    return NaturalBottom(list(stances_m), deepest, max(enough) if enough else None)


def cost_per_centimetre(lifter: Lifter, setup: SquatSetup) -> tuple[float, float] | None:
    """kg and share of the max that one centimetre more depth costs at the depth target; None
    where a centimetre more or less is not feasible."""
    here = hip_above_knee_m(lifter, setup)
    around = [replace(setup, hip_above_knee_m=here + step) for step in (0.01, -0.01)]
    higher, deeper = quick_maxes_kg(SQUAT, lifter, around)
    if higher <= 0 or deeper <= 0:
        return None
    middle = (higher + deeper) / 2
    return float((higher - deeper) / 2), float((higher - deeper) / 2 / middle)


def deepest_hip_above_knee_m(lifter: Lifter, setup: SquatSetup) -> tuple[float, float]:
    """Hip above knee in m of the deepest neutral squat, and by how many m it misses competition
    depth (0 when it reaches it)."""
    found = natural_bottom(lifter, setup, [setup.stance_m]).below_parallel_m[0]
    level, margin = float(parallel_m(lifter.body)), lifter.assumed.competition_margin_m
    deepest = found if found is not None else float(BELOW_PARALLEL_M[0])
    return level - deepest, max(margin - deepest, 0.0)
