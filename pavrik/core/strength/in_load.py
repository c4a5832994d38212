"""Poses as quadratics in the load, so that many strengths are tried on them at little cost."""

from dataclasses import dataclass
from typing import Protocol

import numpy as np

from pavrik.core.body.segments import Body, Number
from pavrik.core.strength.capacities import Capacities
from pavrik.core.strength.predicted_max import load_at_full_utilization
from pavrik.core.strength.utilization import JointMoments, least_utilization
from pavrik.core.units import Floats


class Loaded(Protocol):
    """A pose under one load."""

    @property
    def moments(self) -> JointMoments:
        """In N m."""

    @property
    def hip_share(self) -> Floats:
        """Share of the hips' capacity left at their flexion."""


class Loadable(Protocol):
    """A posture of any lift that can be loaded."""

    @property
    def body(self) -> Body:
        """Whose pose it is."""

    @property
    def knee_share(self) -> Floats:
        """Share of the knee extensors' capacity left at their flexion."""

    def at_load(self, load_kg: Floats) -> Loaded:
        """The pose under a load in kg."""


_APART = 0.35
"""Share of the load on either side of it at which the quadratics are exact."""


@dataclass(frozen=True)
class PosesInLoad:
    """What poses ask under any load: constant, slope and bend of the five moments and the hips'
    share, each of shape (6, 1, *poses)."""

    constant: Floats
    slope: Floats
    bend: Floats
    knee_share: Floats
    body_mass_kg: Number

    def held_kg(self, capacities: Capacities) -> Floats:
        """Load in kg at which something gives way, shape (K, *poses), for K strengths laid out on
        an axis before those of the poses."""

        def most_use(load_kg: Floats) -> Floats:
            *moments, hips = (self.bend * load_kg + self.slope) * load_kg + self.constant
            return least_utilization(JointMoments(*moments), capacities, self.knee_share, hips).most

        return load_at_full_utilization(most_use, self.body_mass_kg)


def in_load(pose: Loadable, near_kg: Floats) -> PosesInLoad:
    """Quadratics through what poses ask at three loads round ``near_kg``."""
    step = _APART * near_kg
    low, middle, high = (
        np.stack(np.broadcast_arrays(*loaded.moments, loaded.hip_share))[:, None]
        for loaded in map(pose.at_load, (near_kg - step, near_kg, near_kg + step))
    )
    bend = (high - 2 * middle + low) / (2 * step**2)
    slope = (high - low) / (2 * step) - 2 * bend * near_kg
    constant = middle - (slope + bend * near_kg) * near_kg
    return PosesInLoad(constant, slope, bend, pose.knee_share, pose.body.mass_kg)
