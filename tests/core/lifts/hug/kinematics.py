"""Feet, depth and shank give the legs; the trunk leans until plates and body balance."""

from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from pavrik.core.lifts.case import Case
from pavrik.core.lifts.posture import Posture, UpperPlaces, hip_flexion
from pavrik.core.linkage.balance import lean_that_balances
from pavrik.core.linkage.foot import place_foot
from pavrik.core.linkage.legs import elevation_at_depth, leg_masses, squat_legs
from pavrik.core.linkage.moments import leg_moments
from pavrik.core.linkage.trunk_cuts import cut_moment_nm
from pavrik.core.linkage.upper_body import BarPlace, upper_body
from pavrik.core.strength.capacities import knee_share
from pavrik.core.units import radians

UP_THE_TRUNK, BEFORE_IT_M = 0.85, 0.10


@dataclass(frozen=True)
class HugSetup:
    style: str
    stance_m: float
    toe_out: float


@dataclass(frozen=True, kw_only=True)
class HugPosture(Posture):
    trunk: object
    lines: object
    shift_m: float = 0.0

    @property
    def leg_lines(self):
        return self.lines

    def at_load(self, load_kg):
        balanced = lean_that_balances(
            self.legs.hip, self.masses, self.trunk, load_kg, "system", self.shift_m
        )
        trunk = self.trunk
        cuts = ((trunk.above_lumbar, trunk.lumbar_along_m),
                (trunk.above_midback, trunk.midback_along_m))  # fmt: skip
        bending = tuple(
            cut_moment_nm(above, at, trunk.bar, load_kg, balanced) for above, at in cuts
        )
        flexion = hip_flexion(self.legs, balanced.sine, balanced.cosine)
        legs = self.lines or leg_moments(
            self.body, self.legs, self.masses, balanced.first_moment, self.assumed.floor_friction
        )
        return self._loaded(load_kg, balanced, flexion, legs, bending)

    def upper(self, balanced):
        hip, body = self.legs.hip, self.body

        def up(along, forward=0.0):
            return (
                hip.x + along * balanced.sine + forward * balanced.cosine,
                hip.z + along * balanced.cosine - forward * balanced.sine,
            )

        return UpperPlaces(
            shoulder=up(body.trunk_m),
            head=up(body.trunk_m + self.assumed.head_centre * body.head_neck_m),
            bar=up(self.trunk.bar.along_m, self.trunk.bar.forward_m),
            bar_y_m=0.0,
            masses=[
                (name, mass, *up(along, forward))
                for name, mass, along, forward in self.trunk.points
            ],
        )  # fmt: skip


@dataclass(frozen=True, kw_only=True)
class HugCase(Case):
    shift_m: float = 0.0

    @cached_property
    def foot(self):
        return place_foot(self.body, self.stance_m, self.toe_out, 0.0, self.assumed)

    @property
    def plates(self):
        return BarPlace(UP_THE_TRUNK * self.body.trunk_m, BEFORE_IT_M)

    def shank_range(self):
        least = np.full(np.shape(self.stance_m), radians(2.0))
        return least, np.broadcast_to(self.screens.dorsiflexion, np.broadcast_shapes(
            np.shape(self.stance_m), np.shape(self.screens.dorsiflexion)))  # fmt: skip

    def posture(self, shank, progress):
        level = self.body.knee_top_m - self.body.hip_crease_m
        bottom, beyond = elevation_at_depth(self.body, self.foot, shank, level)
        raised = np.pi / 2 + (bottom - np.pi / 2) * progress
        legs = squat_legs(self.body, self.foot, shank * progress, raised, beyond)
        masses = leg_masses(self.body, legs)
        lines = leg_moments(
            self.body, legs, masses, np.zeros(()), self.assumed.floor_friction
        ) if self.shift_m == 0.0 else None  # fmt: skip
        return HugPosture(
            body=self.body, legs=legs, masses=masses, capacities=self.capacities,
            assumed=self.assumed, knee_share=knee_share(legs.knee_flexion, self.assumed),
            push_limit=self.push_limit,
            trunk=upper_body(self.body, self.plates, self.assumed), lines=lines,
            shift_m=self.shift_m,
        )  # fmt: skip


class HugKinematics:
    def free_shank(self, _, /):
        return True

    def as_found(self, setup, _, __, ___, /):
        return setup

    def without_shank(self, setup, /):
        return setup

    def case(self, lifter, setups, before=()):
        shape = (*before, len(setups), 1, 1)
        return HugCase(
            body=lifter.body, capacities=lifter.capacities, screens=lifter.screens,
            assumed=lifter.assumed,
            stance_m=np.reshape([s.stance_m for s in setups], shape),
            toe_out=np.reshape([s.toe_out for s in setups], shape),
        )  # fmt: skip

    def unknown(self, assumed, random, shape):
        limit = random.uniform(assumed.push_low, 1.0, shape)
        return lambda case: replace(case, push_limit=limit)

    def strengths(self, capacities, _, /):
        return capacities
