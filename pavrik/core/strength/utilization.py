"""The least possible use of each capacity that holds a pose, and which one limits.

Hamstrings help the hip and burden the knee. With three muscles the least use has an exact answer:
the largest of the ratios below (each a face of the feasible polygon).
"""

from typing import NamedTuple

import numpy as np

from pavrik.core.strength.capacities import Capacities
from pavrik.core.units import Floats, Indices

LIMITERS = (
    "hips", "legs", "quads", "knee_flexors", "adductors", "lower_back", "upper_back",
)  # fmt: skip


class JointMoments(NamedTuple):
    """Moments in N m, both sides, positive where muscles must work."""

    knee: Floats
    hip_sagittal: Floats
    hip_frontal: Floats
    lumbar: Floats
    midback: Floats


class Utilization(NamedTuple):
    """Use of each capacity as a share; 1 means no reserve."""

    hips: Floats
    legs: Floats
    quads: Floats
    knee_flexors: Floats
    adductors: Floats
    lower_back: Floats
    upper_back: Floats

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


def least_utilization(
    moments: JointMoments, capacities: Capacities, knee_share: Floats, hip_share: Floats
) -> Utilization:
    """Use of every capacity, with the knee and hip capacities scaled by their joint angle."""
    rho = capacities.hamstring_at_knee
    quads = capacities.knee_extensors * knee_share
    glutes = capacities.hip_extensors * hip_share
    hamstrings = capacities.hamstrings * hip_share
    return Utilization(
        hips=np.sqrt(np.maximum(moments.hip_sagittal, 0.0) ** 2 + moments.hip_frontal**2)
        / (glutes + hamstrings),
        legs=np.maximum(moments.knee + rho * moments.hip_sagittal, 0.0) / (quads + rho * glutes),
        quads=np.maximum(moments.knee, 0.0) / quads,
        knee_flexors=np.maximum(-moments.knee, 0.0) / (rho * hamstrings),
        adductors=np.abs(moments.hip_frontal) / capacities.adductors,
        lower_back=np.maximum(moments.lumbar, 0.0) / capacities.lower_back,
        upper_back=np.maximum(moments.midback, 0.0) / capacities.upper_back,
    )
