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
    lengths in m. The last two axes are for shank angles and for steps of the way."""

    body: Body
    capacities: Capacities
    screens: Screens
    assumed: Assumptions
    stance_m: Number
    toe_out: Number
    floor_spread: Number | None = None
    """Share of the frontal lever that pushing the feet apart takes; None is the assumed one."""

    @property
    def spread(self) -> Number:
        """The share in force."""
        return self.assumed.floor_spread if self.floor_spread is None else self.floor_spread

    @abstractmethod
    def shank_range(self) -> tuple[Floats, Floats]:
        """Least and most lean of the shank in rad at the deepest point; equal where nothing is
        left to choose."""

    @abstractmethod
    def posture(self, shank: Floats, progress: Floats) -> Posture:
        """The set-ups with shanks (rad, at the deepest point) at a progress from 0, standing, to 1,
        the deepest point. Raises ValueError for a progress that the lift has no closed form for."""

    @abstractmethod
    def share_left(self, lean: Floats) -> Floats:
        """Share of the max that a trunk's lean (rad) leaves."""

    @abstractmethod
    def allowed(self, lean: Floats) -> Floats:
        """A lean (rad), at most the one that a fit allows."""


@dataclass(frozen=True)
class Pass:
    """One pass of the search: how many shank angles, at which progress of the way."""

    angles: int
    progress: Floats


Effort = tuple[Pass, ...]
"""The first pass covers the range of the shank; each further one the spacing round the best."""
