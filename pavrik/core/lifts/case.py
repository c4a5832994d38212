"""Set-ups of one lifter as columns, and how hard the search for their best shank tries."""

from abc import ABC, abstractmethod
from dataclasses import dataclass

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.segments import Body, Number
from pavrik.core.lifter.mobility import Screens
from pavrik.core.lifts.posture import Posture
from pavrik.core.strength.capacities import Capacities
from pavrik.core.units import Floats

DEEPEST = np.ones(1)
"""Progress of the deepest point: the bottom of a squat, the start of a deadlift."""


@dataclass(frozen=True, kw_only=True)
class Case(ABC):
    """What is evaluated at once: arrays broadcast to (*lifters, set-up, 1, 1), angles in rad,
    lengths in m. The last two axes are for shank angles and for steps of the way. ``capacities``
    are what the lifter's strengths come to here."""

    body: Body
    capacities: Capacities
    screens: Screens
    assumed: Assumptions
    stance_m: Number
    toe_out: Number
    push_limit: Number = 1.0
    """Most (share of the frontal lever) that the lifter takes by pushing the feet apart."""
    suit_nm: float = 0.0

    @abstractmethod
    def shank_range(self) -> tuple[Floats, Floats]:
        """Least and most lean of the shank in rad at the deepest point; equal where nothing is
        left to choose."""

    @abstractmethod
    def posture(self, shank: Floats, progress: Floats) -> Posture:
        """The set-ups with shanks (rad, at the deepest point) at a progress from 0, standing, to 1,
        the deepest point. Raises ValueError for a progress that the lift has no closed form for."""

    def strengths(self, capacities: Capacities) -> Capacities:
        """What a lifter's strengths (N m, over axes before those of the set-ups) come to in these
        set-ups."""
        return capacities

    def placed(self, shank: Floats | None = None) -> tuple["Case", Floats | None]:
        """The set-ups with everything in place that balance alone decides, and their shanks (rad);
        without shanks, where those are searched for, what can be told before."""
        return self, shank


@dataclass(frozen=True)
class Pass:
    """One pass of the search: how many shank angles, at which progress of the way."""

    angles: int
    progress: Floats


Effort = tuple[Pass, ...]
"""The first pass covers the range of the shank; each further one the spacing round the best."""
