"""The learning ladder of the pull: the hinge first, then the bar from ever lower.

Common practice, no source.
"""

from collections.abc import Sequence
from dataclasses import dataclass

from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.styles import COMPETING, usual_setup
from pavrik.core.fitting.candidates import quick_maxes_kg
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.grid import SetupGrid
from pavrik.core.lifts.rung import Rung, in_the_time
from pavrik.words import say

HINGE = Rung(
    say("deadlift.hinge_stick_own_weight"),
    True,
    True,
    say("deadlift.ready_hips_back_back"),
    barbell=False,
)


@dataclass(frozen=True)
class _Step:
    name: str
    styles: tuple[str, ...]
    barbell: bool = True


STEPS = (
    _Step(say("deadlift.romanian_deadlift_from_standing"), ("romanian",)),
    _Step(say("deadlift.trap_bar_high_handles"), ("trap_high",), barbell=False),
    _Step(say("deadlift.trap_bar_low_handles"), ("trap_low",), barbell=False),
    _Step(say("deadlift.bar_blocks"), ("block",)),
    _Step(say("deadlift.from_the_floor"), COMPETING),
)


def _open(lifter: Lifter, styles: Sequence[str]) -> bool:
    if any(quick_maxes_kg(DEADLIFT, lifter, [usual_setup(style) for style in styles]) > 0):
        return True
    grid = SetupGrid(DEADLIFT, tuple(styles), DEADLIFT.chosen_by(lifter))
    return any(quick_maxes_kg(DEADLIFT, lifter, grid.coarse()) > 0)


def learning_ladder(lifter: Lifter, teaching: str = "down", weeks: int | None = None) -> list[Rung]:
    """Every rung in order, with whether the body reaches it. Those who teach from the floor
    (``teaching`` "floor") take nothing before it but the hinge."""
    steps = STEPS[-1:] if teaching == "floor" else STEPS
    rungs = [HINGE]
    for step in steps:
        ready = _open(lifter, step.styles)
        why = say("lifts.ready") if ready else say("deadlift.screens_do_not_reach")
        rungs.append(Rung(step.name, ready, True, why, step.barbell))
    return in_the_time(rungs, weeks)
