"""A squat pose under any load: what does not depend on the load is computed once.

``LoadedSquat`` holds the lean, the angles and the use of each capacity at one load;
``HeldPose.under(load)`` computes it. All fields broadcast.
"""

from dataclasses import dataclass

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.segments import Body, Number
from pavrik.core.linkage.balance import Balanced, BalanceSchool, lean_that_balances
from pavrik.core.linkage.geometry import angle_of_cosine
from pavrik.core.linkage.legs import LegMasses, LegPose, leg_masses
from pavrik.core.linkage.moments import LegMoments, inward_share, leg_moments
from pavrik.core.linkage.trunk_cuts import cut_moment_nm
from pavrik.core.linkage.upper_body import BarPlace, UpperBody, upper_body
from pavrik.core.strength.capacities import (
    Capacities,
    hip_share,
    knee_share,
    wide_hip_share,
)
from pavrik.core.strength.use import JointMoments, Use, least_use
from pavrik.core.units import Floats


@dataclass(frozen=True)
class LoadedSquat:
    """The pose under one load: lean and closing in rad, moments in N m, use as shares."""

    load_kg: Number
    balanced: Balanced
    closing: Floats
    ankle_nm: Floats
    moments: JointMoments
    hip_share: Floats
    use: Use


@dataclass(frozen=True)
class HeldPose:
    """Legs in place, ready to be loaded."""

    body: Body
    legs: LegPose
    masses: LegMasses
    upper: UpperBody
    school: BalanceSchool
    capacities: Capacities
    assumed: Assumptions
    inward: Floats
    knee_share: Floats
    wide_hip: Floats
    plumb_moments: LegMoments | None
    """Leg moments when the floor force is under mid-foot whatever the load (system school)."""
    shift_m: Number = 0.0
    """How far in front of mid-foot the pose balances: 0 unless a fault moves it."""

    def closing_at(self, balanced: Balanced) -> Floats:
        """Hip closing in rad: half a turn less the angle between trunk and thigh."""
        thigh = self.legs.thigh_direction
        return angle_of_cosine(-balanced.sine * thigh.x - balanced.cosine * thigh.z)

    def under(self, load_kg: Number) -> LoadedSquat:
        """Balance the pose under a load and compute moments and use."""
        balanced = lean_that_balances(
            self.legs.hip, self.masses, self.upper, load_kg, self.school, self.shift_m
        )
        legs = self.plumb_moments or leg_moments(
            self.body, self.legs, self.masses, balanced.first_moment, self.inward
        )
        upper = self.upper
        moments = JointMoments(
            knee=legs.knee.at(load_kg),
            hip_sagittal=legs.hip_sagittal.at(load_kg),
            hip_frontal=legs.hip_frontal.at(load_kg),
            lumbar=cut_moment_nm(
                upper.above_lumbar, upper.lumbar_along_m, upper.bar, load_kg, balanced
            ),
            midback=cut_moment_nm(
                upper.above_midback, upper.midback_along_m, upper.bar, load_kg, balanced
            ),
        )
        closing = self.closing_at(balanced)
        hips = hip_share(closing, self.wide_hip, self.assumed)
        use = least_use(moments, self.capacities, self.knee_share, hips)
        return LoadedSquat(load_kg, balanced, closing, legs.ankle.at(load_kg), moments, hips, use)


def hold(
    body: Body,
    legs: LegPose,
    bar: BarPlace,
    school: BalanceSchool,
    capacities: Capacities,
    assumed: Assumptions,
    floor_spread: Number | None = None,
    shift_m: Number = 0.0,
) -> HeldPose:
    """Prepare a leg pose and a bar place for loading."""
    masses = leg_masses(body, legs)
    spread = assumed.floor_spread if floor_spread is None else floor_spread
    inward = inward_share(legs, spread, assumed.floor_friction)
    over_midfoot = school == "system" and np.all(np.asarray(shift_m) == 0)
    plumb = leg_moments(body, legs, masses, np.zeros(()), inward) if over_midfoot else None
    return HeldPose(
        body=body,
        legs=legs,
        masses=masses,
        upper=upper_body(body, bar, assumed),
        school=school,
        capacities=capacities,
        assumed=assumed,
        inward=inward,
        knee_share=knee_share(legs.knee_flexion, assumed),
        wide_hip=wide_hip_share(legs.abduction, assumed),
        plumb_moments=plumb,
        shift_m=shift_m,
    )
