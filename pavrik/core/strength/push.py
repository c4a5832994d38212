"""How hard the feet are pushed apart: the share of the frontal lever that needs least.

Pushing the feet apart brings the floor's force nearer to the hip and burdens the knee. Every moment
is a straight line in the share, so the least of the largest use is at a corner or at the bottom of
one curve, all in closed form.
"""

from typing import NamedTuple

import numpy as np

from pavrik.core.body.segments import Number
from pavrik.core.units import Floats, Mask


class Push(NamedTuple):
    """What a push over the whole frontal lever changes, in N m for both sides, and the largest
    share of it that the floor's grip and the lifter allow."""

    ankle: Floats
    knee: Floats
    hip_frontal: Floats
    most: Floats


class LegDemand(NamedTuple):
    """Knee moment, what the hip must hold in the sagittal and the (weighted) frontal plane, and
    what a whole push takes off the frontal and adds to the knee."""

    knee: Floats
    sagittal: Floats
    frontal: Floats
    knee_per_push: Floats
    frontal_per_push: Floats

    def at(self, share: Floats) -> tuple[Floats, Floats]:
        """Knee moment and resultant hip moment with a share of the push."""
        frontal = self.frontal - self.frontal_per_push * share
        knee = self.knee + self.knee_per_push * share
        return knee, np.sqrt(self.sagittal**2 + frontal**2)


def _meets(demand: LegDemand, ratio: Floats, most: Floats) -> Floats:
    """Share from 0 to ``most`` at which the knee moment is ``ratio`` times the hip's, or the end
    that comes nearest: the knee's rises with the share, the hip's falls."""
    knee, sagittal, frontal, by_knee, by_hip = demand
    squared = ratio**2
    a = by_knee**2 - squared * by_hip**2
    b = knee * by_knee + squared * frontal * by_hip
    c = knee**2 - squared * (sagittal**2 + frontal**2)
    root = np.sqrt(np.maximum(b**2 - a * c, 0.0))
    with np.errstate(all="ignore"):
        inside = np.where(b >= 0, -c / (b + root), (root - b) / a)
    knee_end, hip_end = demand.at(most)
    never = knee_end <= ratio * hip_end
    always = knee >= ratio * np.sqrt(sagittal**2 + frontal**2)
    return np.where(never, most, np.where(always, 0.0, np.clip(inside, 0.0, most)))


def _moved_to(share: Floats, where: Mask, demand: LegDemand, ratio: Floats, most: Floats) -> Floats:
    """Shares moved, where said, to where the knee moment is ``ratio`` times the hip's."""
    if not np.any(where):
        return share
    *parts, ratios, ends = (
        values[where] for values in np.broadcast_arrays(*demand, ratio, most, where)[:-1]
    )
    moved = np.array(np.broadcast_to(share, np.shape(where)))
    moved[where] = _meets(LegDemand(*parts), ratios, ends)
    return moved


def chosen_push(
    demand: LegDemand, most: Floats, quads: Number, glutes: Number, hamstrings: Number, rho: float
) -> Floats:
    """Share of the push, from 0 to ``most``, at which the largest use of hips, quads and both
    together is least. Capacities in N m at the joint angles in force.

    With more push first the hips hold most, then hips and knees together, then the quads; the first
    falls, the last rises, and what is between has one lowest point. (Exact while the quads are
    stronger than what all hamstrings ask of the knee; a thousandth off where they are not.)
    """
    with np.errstate(all="ignore"):
        no_frontal = demand.frontal / demand.frontal_per_push
        steeper = (rho * demand.frontal_per_push) ** 2 - demand.knee_per_push**2
        left = demand.knee_per_push * demand.sagittal / np.sqrt(np.maximum(steeper, 0.0))
        lowest = no_frontal - left / demand.frontal_per_push
    most = np.clip(np.where(demand.frontal_per_push > 0, no_frontal, 0.0), 0.0, most)
    lowest = np.clip(np.where(np.isfinite(lowest), lowest, 0.0), 0.0, most)
    knee, hip = demand.at(lowest)
    together_from = np.maximum(quads - rho * hamstrings, 0.0) / (glutes + hamstrings)
    together_to = np.asarray(quads / glutes)
    share = _moved_to(lowest, knee < together_from * hip, demand, together_from, most)
    return _moved_to(share, knee > together_to * hip, demand, together_to, most)
