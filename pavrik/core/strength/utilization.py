"""The least possible use of each capacity that holds a pose, and which one limits.

Hamstrings help the hip and burden the knee. With three muscles the least use has an exact answer:
the largest of the ratios below (each a face of the feasible polygon), at the push of the feet that
makes it least.
"""

from typing import NamedTuple

import numpy as np

from pavrik.core.strength.capacities import Capacities
from pavrik.core.strength.push import LegDemand, Push, chosen_push
from pavrik.core.units import Floats, Indices
from pavrik.words import say

LIMITERS = (
    "hips", "legs", "quads", "knee_flexors", "lower_back", "upper_back", "lats",
)  # fmt: skip


def gives_out_first(limiter: str) -> str:
    """What limits, in words: "the quads give out first", "the lower back gives out first"."""
    name = limiter.replace("_", " ")
    if limiter.endswith("back"):
        return say("strength.gives_out_first", limiter=name)
    return say("strength.give_out_first", limiter=name)


class JointMoments(NamedTuple):
    """Moments in N m, both sides, positive where muscles must work; ``shoulder`` is what keeps
    hanging arms back under the shoulders."""

    ankle: Floats
    knee: Floats
    hip_sagittal: Floats
    hip_frontal: Floats
    lumbar: Floats
    midback: Floats
    shoulder: Floats

    def pushed(self, push: Push, share: Floats) -> "JointMoments":
        """The same with the feet pushed apart by a share of the frontal lever."""
        return self._replace(
            ankle=self.ankle + push.ankle * share,
            knee=self.knee + push.knee * share,
            hip_frontal=self.hip_frontal + push.hip_frontal * share,
        )


class Utilization(NamedTuple):
    """Use of each capacity as a share; 1 means no reserve."""

    hips: Floats
    legs: Floats
    quads: Floats
    knee_flexors: Floats
    lower_back: Floats
    upper_back: Floats
    lats: Floats

    @property
    def most(self) -> Floats:
        """The largest use."""
        most = self[0]
        for use in self[1:]:
            most = np.maximum(most, use)
        return most

    @property
    def limiter(self) -> Indices:
        """Index into ``LIMITERS`` of the largest use."""
        stacked = np.stack(np.broadcast_arrays(*self))
        return np.asarray(np.argmax(stacked, axis=0))


class Held(NamedTuple):
    """A pose as it is held: the share of the push, the moments and the use with it."""

    push: Floats
    moments: JointMoments
    utilization: Utilization


def hold(
    moments: JointMoments, push: Push, capacities: Capacities, knee_share: Floats,
    hip_share: Floats, bent: Floats,
) -> Held:  # fmt: skip
    """Least use of every capacity, those of knee and hip scaled by their joint angle. ``moments``
    are those of feet that are not pushed apart; ``bent`` is the share of what would overstretch a
    knee that its flexors must hold: a straight knee holds by itself. What the calves hold at the
    ankle bends the knee too, in part; where the knee must be extended the soleus holds alone."""
    rho, weight = capacities.hamstring_at_knee, capacities.hips_over_adductors
    quads = capacities.knee_extensors * knee_share
    glutes = capacities.hip_extensors * hip_share
    hamstrings = capacities.hamstrings * hip_share
    demand = LegDemand(
        moments.knee,
        np.maximum(moments.hip_sagittal, 0.0),
        weight * moments.hip_frontal,
        push.knee,
        -weight * push.hip_frontal,
    )
    share = chosen_push(demand, push.most, quads, glutes, hamstrings, rho)
    knee, hip = demand.at(share)
    calves = capacities.calves_at_knee * np.maximum(moments.ankle + push.ankle * share, 0.0)
    use = Utilization(
        hips=hip / (glutes + hamstrings),
        legs=np.maximum(knee + rho * hip, 0.0) / (quads + rho * glutes),
        quads=np.maximum(knee, 0.0) / quads,
        knee_flexors=np.maximum(-knee - calves, 0.0) * bent / (rho * hamstrings),
        lower_back=np.maximum(moments.lumbar, 0.0) / capacities.lower_back,
        upper_back=np.maximum(moments.midback, 0.0) / capacities.upper_back,
        lats=np.maximum(moments.shoulder, 0.0) / capacities.lats,
    )
    return Held(share, moments.pushed(push, share), use)
