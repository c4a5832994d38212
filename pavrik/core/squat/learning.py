"""The learning ladder: which rung of the squat this body stands on.

Split, single leg to a box, goblet, front, high bar to parallel, low to a box, high to full depth
(common practice, no source): each corrects itself a little less than the one before.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from pavrik.core.fitting.candidates import quick_maxes_kg
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import BarPosition
from pavrik.core.lifts.rung import Rung, in_the_time
from pavrik.core.squat.depth import parallel_m
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from pavrik.core.units import radians
from pavrik.words import say

BOX_ABOVE_PARALLEL_M = 0.03
HEELS_M = (0.0, 0.02)
STANCES_M = (0.36, 0.44, 0.52)
WITHOUT_A_BAR = (
    Rung(
        say("squat.split_squat_own_weight"), True, True, say("squat.ready_each_leg_itself"),
        barbell=False,
    ),
    Rung(
        say("squat.single_leg_squat_box"), True, True, say("squat.ready_once_ten_clean"),
        barbell=False,
    ),
)  # fmt: skip


@dataclass(frozen=True)
class _Step:
    """A rung with a load: the bar position that its posture is, how deep (m above the knee, None
    is full depth), and whether hands and shoulders hold a bar in it."""

    name: str
    position: BarPosition
    hip_above_knee_m: float | None
    barbell: bool = True


def _feasible(lifter: Lifter, setups: Sequence[SquatSetup]) -> tuple[bool, bool]:
    maxes = quick_maxes_kg(SQUAT, lifter, setups)
    flat = np.array([setup.heel_lift_m == 0 for setup in setups])
    return bool(np.any(maxes > 0)), bool(np.any(maxes[flat] > 0))


def _setups(step: _Step) -> list[SquatSetup]:
    toes = float(radians(22.0))
    return [
        SquatSetup(step.position, stance, toes, heel, step.hip_above_knee_m)
        for stance in STANCES_M
        for heel in HEELS_M
    ]


def _rung(lifter: Lifter, step: _Step) -> Rung:
    unweighted = replace(lifter, screens=replace(lifter.screens, narrowest_grip_m={}))
    setups = _setups(step)
    ready, flat = _feasible(lifter if step.barbell else unweighted, setups)
    closed = SQUAT.gates(lifter, setups[0]) if step.barbell else []
    if closed:
        return Rung(step.name, False, False, closed[0], step.barbell)
    if not ready:
        why = say("squat.ankles_hips_do_not")
    else:
        why = say("lifts.ready") if flat else say("squat.ready_heels_raised_2")
    return Rung(step.name, ready, flat, why, step.barbell)


def learning_ladder(
    lifter: Lifter, teaching: str = "ladder", weeks: int | None = None
) -> list[Rung]:
    """Every rung in order, with whether the body can stand on it and what would help. Those who
    teach the back squat from the start (``teaching`` "back") take no other bar before it; ``weeks``
    is the time there is."""
    level = float(parallel_m(lifter.body))
    steps = [
        _Step(say("squat.goblet_squat_parallel"), "front", level, barbell=False),
        _Step(say("squat.front_squat_full_depth"), "front", None),
        _Step(say("squat.high_bar_parallel"), "high", level),
        _Step(say("squat.low_bar_box_little"), "low", level + BOX_ABOVE_PARALLEL_M),
        _Step(say("squat.high_bar_full_depth"), "high", None),
    ]
    if teaching == "back":
        steps = [step for step in steps if step.position != "front" or not step.barbell]
    rungs = [*WITHOUT_A_BAR, *(_rung(lifter, step) for step in steps)]
    return in_the_time(rungs, weeks)
