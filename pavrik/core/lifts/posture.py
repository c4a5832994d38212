"""A body and a bar in place: what no load changes is computed once, the rest at a load.

Every lift has its own way to put a body together; from then on all of them are loaded, drawn and
judged alike. All arrays broadcast, laid out as (*lifters, set-up, shank, step).
"""

from abc import ABC, abstractmethod
from dataclasses import dataclass
from typing import NamedTuple

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.segments import Body, Number
from pavrik.core.linkage.balance import Balanced
from pavrik.core.linkage.geometry import angle_of_cosine
from pavrik.core.linkage.legs import LegMasses, LegPose
from pavrik.core.linkage.moments import LegMoments
from pavrik.core.strength.capacities import Capacities, hip_share
from pavrik.core.strength.utilization import JointMoments, Utilization, least_utilization
from pavrik.core.units import Floats, Mask


@dataclass(frozen=True)
class LoadedPosture:
    """A posture under one load: ``hip_flexion`` in rad, moments in N m, use as shares.

    ``balanced`` has the trunk's lean and the first moment of everything, the load included.
    """

    load_kg: Number
    body_mass_kg: Number
    balanced: Balanced
    hip_flexion: Floats
    ankle_nm: Floats
    moments: JointMoments
    hip_share: Floats
    utilization: Utilization

    @property
    def centre_x_m(self) -> Floats:
        """Mass centre of lifter and bar in front of mid-foot, in m."""
        return np.asarray(self.balanced.first_moment / (self.body_mass_kg + self.load_kg))


class UpperPlaces(NamedTuple):
    """Where the upper body is, x and z in m: shoulder, head, bar, and name, kg, x, z of each point
    mass without the bar. ``bar_y_m`` is how far to the left the bar is held: 0 on the back."""

    shoulder: tuple[Floats, Floats]
    head: tuple[Floats, Floats]
    bar: tuple[Floats, Floats]
    bar_y_m: Number
    masses: list[tuple[str, Number, Floats, Floats]]


def hip_flexion(legs: LegPose, sine: Floats, cosine: Floats) -> Floats:
    """Hip flexion in rad at a trunk's lean: half a turn less the angle of trunk and thigh."""
    thigh = legs.thigh_direction
    return angle_of_cosine(-sine * thigh.x - cosine * thigh.z)


@dataclass(frozen=True, kw_only=True)
class Posture(ABC):
    """Legs in place and a trunk that follows, ready to be loaded.

    ``knee_share`` and ``wide_hip`` are what the joint angles leave of the capacities (shares).
    """

    body: Body
    legs: LegPose
    masses: LegMasses
    capacities: Capacities
    assumed: Assumptions
    knee_share: Floats
    wide_hip: Floats

    @property
    def impossible(self) -> Mask:
        """Where no such body exists, whatever the load (bool)."""
        return self.legs.unreachable

    @property
    @abstractmethod
    def leg_lines(self) -> LegMoments | None:
        """Leg moments as lines in the load; None where they bend with the trunk's lean."""

    @abstractmethod
    def at_load(self, load_kg: Number) -> LoadedPosture:
        """The posture under a load in kg, which broadcasts against it."""

    @abstractmethod
    def upper(self, balanced: Balanced) -> UpperPlaces:
        """Where the upper body is once the lean is known."""

    def _loaded(
        self, load_kg: Number, balanced: Balanced, hip_flexion: Floats, legs: LegMoments,
        trunk_nm: tuple[Floats, Floats],
    ) -> LoadedPosture:  # fmt: skip
        """Put together; ``trunk_nm`` is the bending moment at the lumbar and the mid-back cut."""
        moments = JointMoments(
            knee=legs.knee.at(load_kg),
            hip_sagittal=legs.hip_sagittal.at(load_kg),
            hip_frontal=legs.hip_frontal.at(load_kg),
            lumbar=trunk_nm[0],
            midback=trunk_nm[1],
        )
        hips = hip_share(hip_flexion, self.wide_hip, self.assumed)
        use = least_utilization(moments, self.capacities, self.knee_share, hips)
        return LoadedPosture(
            load_kg, self.body.mass_kg, balanced, hip_flexion, legs.ankle.at(load_kg), moments,
            hips, use,
        )  # fmt: skip
