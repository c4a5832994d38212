"""The learning ladder: which rung of the squat this body stands on.

Goblet, front, low to a box, high to full depth (common practice, no source): each corrects itself
a little less than the one before.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from pavrik.core.fitting.candidates import quick_maxes_kg
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.squat.depth import parallel_m
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from pavrik.core.units import radians

BOX_ABOVE_PARALLEL_M = 0.03
HEELS_M = (0.0, 0.02)
STANCES_M = (0.36, 0.44, 0.52)


@dataclass(frozen=True)
class Rung:
    """One rung; ``flat`` says that no raised heel is needed on it."""

    name: str
    ready: bool
    flat: bool
    why: str


def _feasible(lifter: Lifter, setups: Sequence[SquatSetup]) -> tuple[bool, bool]:
    maxes = quick_maxes_kg(SQUAT, lifter, setups)
    flat = np.array([setup.heel_lift_m == 0 for setup in setups])
    return bool(np.any(maxes > 0)), bool(np.any(maxes[flat] > 0))


def _setups(position: str, hip_above_knee_m: float | None) -> list[SquatSetup]:
    toes = float(radians(22.0))
    return [
        SquatSetup(position, stance, toes, heel, hip_above_knee_m)  # type: ignore[arg-type]
        for stance in STANCES_M
        for heel in HEELS_M
    ]


def learning_ladder(lifter: Lifter) -> list[Rung]:
    """Every rung in order, with whether the body can stand on it and what would help."""
    level = float(parallel_m(lifter.body))
    unweighted = replace(lifter, screens=replace(lifter.screens, narrowest_grip_m={}))
    tests = (
        ("goblet squat to parallel", unweighted, _setups("front", level), "front", False),
        ("front squat to full depth", lifter, _setups("front", None), "front", True),
        (
            "low bar to a box a little above parallel",
            lifter, _setups("low", level + BOX_ABOVE_PARALLEL_M), "low", True,
        ),
        ("high bar to full depth", lifter, _setups("high", None), "high", True),
    )  # fmt: skip
    rungs = []
    for name, who, setups, position, on_shoulders in tests:
        ready, flat = _feasible(who, setups)
        bearable = not on_shoulders or who.screens.bearable(position)  # type: ignore[arg-type]
        if not bearable:
            why = "the shoulder screen closes it"
        elif not ready:
            why = "ankles or hips do not reach it yet: mobility work, and the rung below"
        else:
            why = "ready" if flat else "ready with the heels raised 2 cm"
        rungs.append(Rung(name, ready and bearable, flat and bearable, why))
    return rungs
