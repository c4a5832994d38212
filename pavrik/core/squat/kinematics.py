"""How a squat becomes postures: feet, depth and shank give the legs, balance gives the lean.

The way down runs by thigh angle from standing to the bottom, the shank after the break school; the
way up passes the same postures.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.segments import Number
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.schools import KneesSchool, SquatSchools, WidthSchool
from pavrik.core.lifts.case import Case
from pavrik.core.lifts.lift import Unknown
from pavrik.core.lifts.posture import LoadedPosture, Posture, UpperPlaces, hip_flexion
from pavrik.core.linkage.balance import Balanced, BalanceSchool, lean_that_balances
from pavrik.core.linkage.foot import FootPlacement, place_foot
from pavrik.core.linkage.legs import LegPose, elevation_at_depth, leg_masses, squat_legs
from pavrik.core.linkage.moments import LegMoments, leg_moments
from pavrik.core.linkage.trunk_cuts import cut_moment_nm
from pavrik.core.linkage.upper_body import BarPlace, UpperBody, upper_body
from pavrik.core.squat.bar_positions import Shelf, bar_places, held_leans, style_factors
from pavrik.core.squat.depth import depth_target_m
from pavrik.core.squat.setup import BREAK_EXPONENT, SquatSetup
from pavrik.core.strength.capacities import GROUPS, Capacities, knee_share, scaled_by
from pavrik.core.units import Floats, radians

LEAST_SHANK_DEG = 2.0
MOST_SHANK_DEG = 50.0
STEPS = 25
UPRIGHT = np.pi / 2
"""Standing with the bar: the thigh is plumb, the shank leans a little, the knee is unlocked."""


def whole_progress(steps: int = STEPS) -> Floats:
    """Progress of the descent in equal steps of thigh angle, standing and bottom included."""
    return np.linspace(0.0, 1.0, steps)


def lower_half(steps: int = STEPS) -> Floats:
    """The deeper half of the descent, where the predicted max is decided."""
    progress = whole_progress(steps)
    return progress[progress >= 0.5]


@dataclass(frozen=True, kw_only=True)
class SquatPosture(Posture):
    """A squat: the trunk leans until bar and body balance, so the lean changes with the load."""

    trunk: UpperBody
    school: BalanceSchool
    plumb_moments: LegMoments | None
    """Leg moments when the floor force is under mid-foot whatever the load (system school)."""
    shift_m: Number = 0.0
    """How far in front of mid-foot the posture balances: 0 unless a fault moves it."""

    @property
    def leg_lines(self) -> LegMoments | None:
        return self.plumb_moments

    def at_load(self, load_kg: Number) -> LoadedPosture:
        balanced = lean_that_balances(
            self.legs.hip, self.masses, self.trunk, load_kg, self.school, self.shift_m
        )
        legs = self.plumb_moments or leg_moments(
            self.body, self.legs, self.masses, balanced.first_moment, self.assumed.floor_friction
        )
        trunk = self.trunk
        lumbar = cut_moment_nm(
            trunk.above_lumbar, trunk.lumbar_along_m, trunk.bar, load_kg, balanced
        )
        midback = cut_moment_nm(
            trunk.above_midback, trunk.midback_along_m, trunk.bar, load_kg, balanced
        )
        flexion = hip_flexion(self.legs, balanced.sine, balanced.cosine)
        return self._loaded(load_kg, balanced, flexion, legs, (lumbar, midback))

    def upper(self, balanced: Balanced) -> UpperPlaces:
        hip, trunk, body = self.legs.hip, self.trunk, self.body

        def at(along: Floats | float, forward: Floats | float) -> tuple[Floats, Floats]:
            return (
                hip.x + along * balanced.sine + forward * balanced.cosine,
                hip.z + along * balanced.cosine - forward * balanced.sine,
            )

        head = body.trunk_m + self.assumed.head_centre * body.head_neck_m
        return UpperPlaces(
            shoulder=at(body.trunk_m, 0.0),
            head=at(head, 0.0),
            bar=at(trunk.bar.along_m, trunk.bar.forward_m),
            bar_y_m=0.0,
            masses=[
                (name, mass, *at(along, forward)) for name, mass, along, forward in trunk.points
            ],
        )


@dataclass(frozen=True, kw_only=True)
class SquatCase(Case):
    """Squats as columns; ``knee_in`` (rad) and ``shift_m`` are 0 unless a fault changes them."""

    bar: BarPlace
    holds_lean: Number
    style_factor: Number
    heel_lift_m: Number
    hip_above_knee_m: Number
    balance: BalanceSchool
    break_power: Number
    """The shank's lean follows the thigh's progress to this power, by the break school."""
    width: WidthSchool = "moderate"
    knees: KneesSchool = "free"
    shift_m: Number = 0.0
    knee_in: Number = 0.0
    """rad by which the leg's plane turns inward of the toes"""

    @cached_property
    def foot(self) -> FootPlacement:
        """Where the left foot stands, with the two axes for shank and step behind."""
        foot = place_foot(self.body, self.stance_m, self.toe_out, self.heel_lift_m, self.assumed)
        return replace(foot, toe_out=foot.toe_out - self.knee_in)

    def shank_range(self) -> tuple[Floats, Floats]:
        pitch = self.foot.pitch
        hard = "ankle" in self.screens.hard
        beyond = 0.0 if hard else radians(self.assumed.overstep_half_deg)
        most = np.minimum(self.screens.dorsiflexion + pitch + beyond, radians(MOST_SHANK_DEG))
        return np.minimum(radians(LEAST_SHANK_DEG), most), np.asarray(most)

    def strengths(self, capacities: Capacities) -> Capacities:
        return scaled_by(capacities, self.style_factor, GROUPS)

    def posture(self, shank: Floats, progress: Floats) -> SquatPosture:
        return self.hold(self._legs(shank, progress))

    def _legs(self, bottom_shank: Number, progress: Floats) -> LegPose:
        """Legs at a progress of the descent, the last axis; the shank in rad is the bottom's."""
        body, foot = self.body, self.foot
        standing = radians(self.assumed.standing_shank_deg)
        shank = standing + (bottom_shank - standing) * progress**self.break_power
        bottom, beyond = elevation_at_depth(body, foot, bottom_shank, self.hip_above_knee_m)
        return squat_legs(body, foot, shank, UPRIGHT + (bottom - UPRIGHT) * progress, beyond)

    def hip_at(self, shank: Floats, hip_z_m: Floats | float) -> SquatPosture:
        """The posture with a shank (rad) and its hips at a height, wherever that puts the knees."""
        foot = self.foot
        knee_z = foot.ankle.z + self.body.shank_m * np.cos(shank)
        raised, beyond = elevation_at_depth(self.body, foot, shank, hip_z_m - knee_z)
        return replace(self, shift_m=0.0).hold(squat_legs(self.body, foot, shank, raised, beyond))

    def hold(self, legs: LegPose) -> SquatPosture:
        """Legs with the case's bar put on, ready to be loaded."""
        body, assumed = self.body, self.assumed
        masses = leg_masses(body, legs)
        over_midfoot = self.balance == "system" and np.all(np.asarray(self.shift_m) == 0)
        plumb = (
            leg_moments(body, legs, masses, np.zeros(()), assumed.floor_friction)
            if over_midfoot
            else None
        )
        return SquatPosture(
            body=body,
            legs=legs,
            masses=masses,
            capacities=self.capacities,
            assumed=assumed,
            knee_share=knee_share(legs.knee_flexion, assumed),
            push_limit=self.push_limit,
            suit_nm=self.suit_nm,
            trunk=upper_body(body, self.bar, assumed),
            school=self.balance,
            plumb_moments=plumb,
            shift_m=self.shift_m,
        )


class SquatKinematics:
    """Set-ups of squats as columns; the shank is always searched for."""

    def free_shank(self, _: SquatSetup, /) -> bool:
        return True

    def as_found(self, setup: SquatSetup, _: SquatCase, __: float, ___: int, /) -> SquatSetup:
        return setup

    def without_shank(self, setup: SquatSetup, /) -> SquatSetup:
        return setup

    def case(
        self, lifter: Lifter, setups: Sequence[SquatSetup], before: tuple[int, ...] = ()
    ) -> SquatCase:
        shape = (*before, len(setups), 1, 1)

        def column(values: Sequence[float]) -> np.ndarray:
            return np.reshape(np.array(values, dtype=np.float64), shape)

        shelves = [setup.shelf for setup in setups]
        own_depth = column(
            [np.nan if s.hip_above_knee_m is None else s.hip_above_knee_m for s in setups]
        )
        schools = lifter.schools
        factor = style_factors(shelves, shape)
        return SquatCase(
            body=lifter.body,
            capacities=scaled_by(lifter.capacities, factor, GROUPS),
            style_factor=factor,
            screens=lifter.screens,
            assumed=lifter.assumed,
            suit_nm=lifter.suit_nm,
            bar=bar_places(lifter.body, shelves, shape, lifter.assumed),
            holds_lean=held_leans(shelves, shape),
            stance_m=column([setup.stance_m for setup in setups]),
            toe_out=column([setup.toe_out for setup in setups]),
            heel_lift_m=column([setup.heel_lift_m for setup in setups]),
            hip_above_knee_m=np.where(np.isnan(own_depth), depth_target_m(lifter), own_depth),
            balance=schools.balance,
            break_power=column([_break_power(schools, shelf) for shelf in shelves]),
            width=schools.width,
            knees=schools.knees,
        )

    def unknown(
        self, assumed: Assumptions, random: np.random.Generator, shape: tuple[int, ...]
    ) -> Unknown:
        limit = random.uniform(assumed.push_low, 1.0, shape)
        hold = radians(assumed.hold_error_deg) * random.standard_normal(shape)

        def put(case: SquatCase) -> SquatCase:
            return replace(case, push_limit=limit, holds_lean=case.holds_lean + hold)

        return put


def _break_power(schools: SquatSchools, shelf: Shelf) -> float:
    upright = schools.upright_break if shelf.school == "upright" else None
    return BREAK_EXPONENT[upright or schools.break_school]
