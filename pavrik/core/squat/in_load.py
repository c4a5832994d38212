"""Squats at given shank angles, for many strengths in turn.

What was lifted was lifted, so screens and schools do not count here, and no lean costs more than
the most that a fit allows: a screen read low must not turn into strength. Only what makes a pose
impossible does.
"""

from dataclasses import dataclass

import numpy as np

from pavrik.core.squat.evaluation import (
    BOTTOM,
    SquatCase,
    angles_between,
    angles_round,
    lean_factor,
    most_lean,
    shank_range,
    shortfalls_deg,
)
from pavrik.core.squat.held_pose import HeldPose
from pavrik.core.squat.path import lower_half
from pavrik.core.strength.capacities import Capacities
from pavrik.core.strength.in_load import PosesInLoad, in_load
from pavrik.core.units import Floats, Indices

COARSE_ANGLES = 21
FINE_ANGLES = 25
FINE_SHARE = 1 / 8
"""Of the coarse spacing: fine angles reach 1.5 coarse spacings to either side."""
WAY = lower_half()[::2]


@dataclass(frozen=True)
class SquatsInLoad:
    """Set-ups along one axis, shank angles (rad) along a second; ``ways`` are the poses of the way
    down and ``bottoms`` the deepest ones."""

    case: SquatCase
    shank: Floats
    spacing: Floats
    near_kg: Floats
    ways: PosesInLoad
    bottoms: HeldPose

    def _held_kg(self, capacities: Capacities) -> Floats:
        """At every angle, less what the lean costs; 0 where no pose exists."""
        load = np.min(self.ways.held_kg(capacities), axis=-1, keepdims=True)
        balanced = self.bottoms.under(load).balanced
        impossible = balanced.impossible | self.bottoms.legs.unreachable
        lean = np.minimum(balanced.lean, most_lean(self.case))
        held = np.where(impossible, 0.0, load * lean_factor(self.case, lean))
        return np.asarray(held[..., 0])

    def held_max_kg(self, capacities: Capacities) -> Floats:
        """What the muscles hold at the best shank, shape (K, set-ups), for K strengths laid out as
        (K, 1, 1, 1)."""
        return _peak(self._held_kg(capacities))

    def overstepped_deg(self) -> Floats:
        """By how much the best shank oversteps screens and schools at ``near_kg``, per set-up: a
        lift in a set-up that this body cannot hold was done some other way."""
        loaded = self.bottoms.under(self.near_kg)
        short = shortfalls_deg(self.case, self.bottoms, loaded)
        missing = sum(short.values(), np.zeros(()))
        return np.asarray(np.min(missing, axis=(-2, -1)))

    def nearer(self, capacities: Capacities) -> "SquatsInLoad":
        """Finer angles round the best ones of one strength, laid out as (1, 1, 1, 1)."""
        held = self._held_kg(capacities)[0]
        spacing = FINE_SHARE * self.spacing
        shank = angles_round(
            self.shank[..., 0], _best(held), spacing, FINE_ANGLES, shank_range(self.case)
        )
        return _at(self.case, shank, spacing, self.near_kg)


def _best(held_kg: Floats) -> Indices:
    return np.asarray(np.argmax(held_kg, axis=-1))[..., None]


def _corner(first: Floats, second: Floats, third: Floats, fourth: Floats) -> Floats:
    """Height at which the line through two values meets the line through the next two."""
    rise, fall = second - first, fourth - third
    bends = rise > fall
    beyond = (third - second - fall) / np.where(bends, rise - fall, 1.0)
    return np.where(bends, second + rise * np.clip(beyond, 0.0, 1.0), second)


def _peak(held_kg: Floats) -> Floats:
    """The most over the last axis, between the angles tried: beside the best one, where the lines
    of either side meet. Different muscles limit there, so the peak is a corner; taken at the angles
    tried alone it would jump from one to the next as strengths change."""
    best, last = _best(held_kg), held_kg.shape[-1] - 1
    inside = ((best >= 2) & (best <= last - 2))[..., 0]
    far_left, left, top, right, far_right = (
        np.take_along_axis(held_kg, np.clip(best + by, 0, last), axis=-1)[..., 0]
        for by in range(-2, 3)
    )
    corners = np.maximum(_corner(far_left, left, top, right), _corner(left, top, right, far_right))
    return np.where(inside, np.maximum(corners, top), top)


def _at(case: SquatCase, shank: Floats, spacing: Floats, near_kg: Floats) -> SquatsInLoad:
    ways = in_load(case.held(shank, WAY), near_kg)
    return SquatsInLoad(case, shank, spacing, near_kg, ways, case.held(shank, BOTTOM))


def squats_in_load(case: SquatCase, near_kg: Floats) -> SquatsInLoad:
    """A case of set-ups over the whole range of the ankle; ``near_kg`` per set-up is a load in the
    middle of those of interest."""
    shank, spacing = angles_between(*shank_range(case), COARSE_ANGLES)
    return _at(case, shank, spacing, np.reshape(near_kg, (-1, 1, 1)))
