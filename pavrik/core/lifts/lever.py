"""Things that can be changed so that a closed style opens."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from typing import Any

from pavrik.core.lifter.lifter import Lifter
from pavrik.core.units import radians
from pavrik.words import say

Apply = Callable[[Lifter, Any, float], tuple[Lifter, Any]]
"""(lifter, set-up, step) -> the lifter and the set-up so changed."""


@dataclass(frozen=True)
class Lever:
    """One thing that can be changed: its steps in their unit, the words for a step, how a step is
    applied. ``effort`` weighs one step: a wedge is quick, mobility is months."""

    id: str
    steps: tuple[float, ...]
    words: str
    effort: float
    apply: Apply


def _wider_screen(name: str) -> Apply:
    def apply(lifter: Lifter, setup: Any, step_deg: float) -> tuple[Lifter, Any]:
        screens = lifter.screens
        wider = {name: getattr(screens, name) + float(radians(step_deg))}
        return replace(lifter, screens=replace(screens, **wider)), setup

    return apply


def screen_lever(screen: str, words: str, steps_deg: tuple[float, ...]) -> Lever:
    """More of a mobility screen, in degrees."""
    return Lever(
        screen, steps_deg, say("lifts.step_more_words", words=words), 3.0, _wider_screen(screen)
    )
