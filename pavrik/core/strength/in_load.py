"""Poses as quadratics in the load, so that many strengths are tried on them at little cost."""

from dataclasses import dataclass
from typing import Protocol

import numpy as np

from pavrik.core.body.segments import Body, Number
from pavrik.core.strength.capacities import Capacities
from pavrik.core.strength.predicted_max import load_at_full_utilization
from pavrik.core.strength.push import Push
from pavrik.core.strength.utilization import JointMoments, hold
from pavrik.core.units import Floats


class Loaded(Protocol):
    """A pose under one load."""

    @property
    def unpushed(self) -> JointMoments:
        """In N m, with the feet not pushed apart."""

    @property
    def push(self) -> Push:
        """What pushing them apart changes."""

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

    @property
    def bent(self) -> Floats:
        """Share of what would overstretch the knee that its flexors must hold."""

    def at_load(self, load_kg: Floats) -> Loaded:
        """The pose under a load in kg."""


_APART = 0.35
"""Share of the load on either side of it at which the quadratics are exact."""


@dataclass(frozen=True)
class PosesInLoad:
    """What poses ask under any load: constant, slope and bend of the moments, of what a push
    changes and of the hips' share, each of shape (11, 1, *poses)."""

    constant: Floats
    slope: Floats
    bend: Floats
    most_push: Floats
    knee_share: Floats
    bent: Floats
    body_mass_kg: Number

    def held_kg(self, capacities: Capacities) -> Floats:
        """Load in kg at which something gives way, shape (K, *poses), for K strengths laid out on
        an axis before those of the poses."""

        def most_use(load_kg: Floats) -> Floats:
            values = (self.bend * load_kg + self.slope) * load_kg + self.constant
            *moments, by_ankle, by_knee, by_hip, hips = values
            push = Push(by_ankle, by_knee, by_hip, self.most_push)
            asked = JointMoments(*moments)
            return hold(asked, push, capacities, self.knee_share, hips, self.bent).utilization.most

        return load_at_full_utilization(most_use, self.body_mass_kg)


def _asked(loaded: Loaded) -> Floats:
    push = loaded.push
    values = (*loaded.unpushed, push.ankle, push.knee, push.hip_frontal, loaded.hip_share)
    return np.stack(np.broadcast_arrays(*values))[:, None]


def in_load(pose: Loadable, near_kg: Floats) -> PosesInLoad:
    """Quadratics through what poses ask at three loads round ``near_kg``."""
    step = _APART * near_kg
    low, middle, high = (
        _asked(pose.at_load(load)) for load in (near_kg - step, near_kg, near_kg + step)
    )
    bend = (high - 2 * middle + low) / (2 * step**2)
    slope = (high - low) / (2 * step) - 2 * bend * near_kg
    constant = middle - (slope + bend * near_kg) * near_kg
    most = pose.at_load(near_kg).push.most
    return PosesInLoad(constant, slope, bend, most, pose.knee_share, pose.bent, pose.body.mass_kg)
