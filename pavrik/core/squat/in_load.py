"""Squats at given shank angles, for many strengths in turn."""

from dataclasses import dataclass
from typing import NamedTuple

import numpy as np

from pavrik.core.squat.evaluation import (
    BOTTOM,
    Angles,
    SquatCase,
    angles_at,
    angles_between,
    angles_round,
    best_angle,
    shank_range,
)
from pavrik.core.squat.held_pose import HeldPose
from pavrik.core.squat.path import lower_half
from pavrik.core.strength.capacities import Capacities
from pavrik.core.strength.in_load import PosesInLoad, in_load
from pavrik.core.units import Floats, Mask

COARSE_ANGLES = 21
FINE_ANGLES = 25
FINE_SHARE = 1 / 8
"""Of the coarse spacing: fine angles reach 1.5 coarse spacings to either side."""
WAY = lower_half()[::2]
Pair = tuple[Floats, Floats]
"""A value beside the best angle and the one beyond it."""


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

    def _angles(self, capacities: Capacities) -> Angles:
        load = np.min(self.ways.held_kg(capacities), axis=-1, keepdims=True)
        return angles_at(self.case, self.bottoms, self.shank, load)

    def held_max_kg(self, capacities: Capacities) -> Floats:
        """What the muscles hold at the best shank, shape (K, set-ups), for K strengths laid out as
        (K, 1, 1, 1)."""
        return _held_kg(self._angles(capacities))

    def nearer(self, capacities: Capacities) -> "SquatsInLoad":
        """Finer angles round the best ones of one strength, laid out as (1, 1, 1, 1)."""
        angles = self._angles(capacities)
        spacing = FINE_SHARE * self.spacing
        shank = angles_round(
            angles.shank, best_angle(angles), spacing, FINE_ANGLES, shank_range(self.case)
        )
        return _at(self.case, shank[0], spacing, self.near_kg)


class _Neighbour(NamedTuple):
    """An angle by the best one; ``missing`` is 0 where feasible, ``known`` False past the ends."""

    score: Floats
    load_kg: Floats
    missing: Floats
    known: Mask


def _neighbours(angles: Angles) -> list[_Neighbour]:
    """From the second before the best angle to the second after it."""
    best, last = best_angle(angles), angles.score.shape[-1] - 1
    found = []
    for by in range(-2, 3):
        at = np.clip(best + by, 0, last)
        score, load_kg, missing = (
            np.take_along_axis(value, at, axis=-1)[..., 0]
            for value in (angles.score, angles.load_kg, angles.missing_deg)
        )
        found.append(_Neighbour(score, load_kg, missing, (at == best + by)[..., 0]))
    return found


def _corner(before: Pair, top: Floats, after: Pair, sound: Mask) -> tuple[Floats, Floats]:
    """Where lines through the two values of either side meet: place from -1 to 1, and height."""
    rise, fall = before[0] - before[1], after[0] - after[1]
    sound = sound & (rise > 0) & (fall > 0)
    steep = np.where(sound, rise + fall, 1.0)
    place = np.clip(np.where(sound, (after[0] - before[0] + fall - rise) / steep, 0.0), -1.0, 1.0)
    return place, np.where(sound, np.maximum(before[0] + rise * (place + 1), top), top)


def _edge(best: _Neighbour, beside: _Neighbour, beyond: _Neighbour) -> Floats:
    """The score where the last limit is just kept, between the best angle and one that is not
    feasible; the best angle's where there is no such edge."""
    nearing = beyond.missing - beside.missing
    there = beside.known & beyond.known & (beside.missing > 0) & (nearing > 0)
    share = np.clip(beside.missing / np.where(there, nearing, 1.0), 0.0, 1.0)
    return np.where(there, beside.score + share * (best.score - beside.score), best.score)


def _held_kg(angles: Angles) -> Floats:
    """What the best shank holds. It lies between the angles tried: where different muscles limit on
    either side, or where a limit is just kept. At the angles tried alone the max would jump from
    one to the next as strengths change."""
    far_before, before, best, after, far_after = _neighbours(angles)
    around = (far_before, before, after, far_after)
    known = np.logical_and.reduce([n.known for n in around])
    some = best.missing <= 0
    alike = known & np.logical_and.reduce([n.missing <= 0 for n in around])
    _, peak = _corner(
        (before.score, far_before.score), best.score, (after.score, far_after.score), alike
    )
    edges = np.maximum(_edge(best, before, far_before), _edge(best, after, far_after))
    place, _ = _corner(
        (-before.missing, -far_before.missing), -best.missing,
        (-after.missing, -far_after.missing), known,
    )  # fmt: skip
    beside = np.where(place < 0, before.load_kg, after.load_kg)
    least_wrong = best.load_kg + np.abs(place) * (beside - best.load_kg)
    return np.where(some, np.maximum(peak, edges), least_wrong)


def _at(case: SquatCase, shank: Floats, spacing: Floats, near_kg: Floats) -> SquatsInLoad:
    ways = in_load(case.held(shank, WAY), near_kg)
    return SquatsInLoad(case, shank, spacing, near_kg, ways, case.held(shank, BOTTOM))


def squats_in_load(case: SquatCase, near_kg: Floats) -> SquatsInLoad:
    """A case of set-ups over the whole range of the ankle; ``near_kg`` per set-up is a load in the
    middle of those of interest."""
    shank, spacing = angles_between(*shank_range(case), COARSE_ANGLES)
    return _at(case, shank, spacing, np.reshape(near_kg, (-1, 1, 1)))
