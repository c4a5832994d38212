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
from pavrik.core.strength.push import Push
from pavrik.core.strength.suit import left_by_suit
from pavrik.core.strength.utilization import JointMoments, Utilization, hold
from pavrik.core.units import Floats, Mask, degrees


@dataclass(frozen=True)
class LoadedPosture:
    """A posture under one load: ``hip_flexion`` in rad, moments in N m, use as shares.

    ``balanced`` has the trunk's lean and the first moment of everything, the load included;
    ``moments`` are those with the feet pushed apart by ``pushed`` (share of the frontal lever),
    ``unpushed`` those without, and ``push`` what a whole push changes.
    """

    load_kg: Number
    body_mass_kg: Number
    balanced: Balanced
    hip_flexion: Floats
    unpushed: JointMoments
    push: Push
    pushed: Floats
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
    """Flexion of the trunk over the thigh in rad, seen from the side, at a trunk's lean: half a
    turn less the angle between them. Opening the thighs does not close it."""
    thigh = legs.thigh_direction
    seen = np.maximum(np.hypot(thigh.x, thigh.z), 1e-9)
    return angle_of_cosine(-(sine * thigh.x + cosine * thigh.z) / seen)


@dataclass(frozen=True, kw_only=True)
class Posture(ABC):
    """Legs in place and a trunk that follows, ready to be loaded.

    ``knee_share`` is what the knee's angle leaves of its capacity (share); ``push_limit`` the most
    (share) that this lifter pushes the feet apart. Of the hips' moment a suit holds up to
    ``suit_nm``; the rest is the lifter's.
    """

    body: Body
    legs: LegPose
    masses: LegMasses
    capacities: Capacities
    assumed: Assumptions
    knee_share: Floats
    push_limit: Number = 1.0
    suit_nm: float = 0.0

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

    @property
    def bent(self) -> Floats:
        """Share of what would overstretch the knee that its flexors must hold: a straight one holds
        by itself."""
        bent_deg = degrees(self.legs.knee_flexion)
        return np.asarray(np.clip(bent_deg / self.assumed.passive_knee_deg, 0.0, 1.0))

    def _loaded(
        self, load_kg: Number, balanced: Balanced, hip_flexion: Floats, legs: LegMoments,
        trunk_nm: tuple[Floats, Floats], shoulder_nm: Floats | float = 0.0,
    ) -> LoadedPosture:  # fmt: skip
        """Put together; ``trunk_nm`` is the bending moment at the lumbar and the mid-back cut."""
        sagittal, frontal = legs.hip_sagittal.at(load_kg), legs.hip_frontal.at(load_kg)
        hip_push = legs.hip_push.at(load_kg)
        if self.suit_nm:
            stretched = hip_flexion + np.abs(self.legs.abduction)
            left = left_by_suit(self.suit_nm, stretched, np.hypot(sagittal, frontal))
            sagittal, frontal, hip_push = sagittal * left, frontal * left, hip_push * left
        unpushed = JointMoments(
            ankle=legs.ankle.at(load_kg),
            knee=legs.knee.at(load_kg),
            hip_sagittal=sagittal,
            hip_frontal=frontal,
            lumbar=trunk_nm[0],
            midback=trunk_nm[1],
            shoulder=np.asarray(shoulder_nm),
        )
        push = Push(
            legs.ankle_push.at(load_kg),
            legs.knee_push.at(load_kg),
            hip_push,
            np.minimum(legs.most_push, self.push_limit),
        )
        hips = hip_share(hip_flexion, self.assumed)
        held = hold(unpushed, push, self.capacities, self.knee_share, hips, self.bent)
        return LoadedPosture(
            load_kg, self.body.mass_kg, balanced, hip_flexion, unpushed, push, held.push,
            held.moments, hips, held.utilization,
        )  # fmt: skip
