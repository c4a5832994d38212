"""The start of a deadlift in closed form: arms straight, the bar against the shin, the hips where
knee and shoulder put them. Nothing depends on the load, so every moment is a straight line in it.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from typing import NamedTuple

import numpy as np

from pavrik.core.assumptions import Assumptions, assume
from pavrik.core.body.masses import SEGMENT_MASSES
from pavrik.core.body.segments import Body, Number
from pavrik.core.deadlift.styles import DeadliftSetup
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.case import Case
from pavrik.core.lifts.lift import Unknown
from pavrik.core.lifts.posture import LoadedPosture, Posture, UpperPlaces, hip_flexion
from pavrik.core.linkage.balance import Balanced
from pavrik.core.linkage.foot import FootPlacement, place_foot
from pavrik.core.linkage.geometry import Point, safe_root
from pavrik.core.linkage.legs import LegPose, leg_masses, legs_below_shoulder
from pavrik.core.linkage.moments import LegMoments, Line, inward_share, leg_moments
from pavrik.core.strength.capacities import Capacities, knee_share, wide_hip_share
from pavrik.core.units import GRAVITY_M_S2, Floats, Mask, radians

SHIN_M = assume("shin_m", 0.04, "m", "shank axis to the front of the shin")
BAR_RADIUS_M = 0.014
LEAST_SHANK_DEG, MOST_SHANK_DEG = 2.0, 34.0
"""Where nothing fixes the shank."""

Place = tuple[Floats, Floats]
"""x and z in m."""


class UpperMass(NamedTuple):
    """A point mass of the upper body in kg, its x and z in m, and its place along the trunk in
    trunk lengths."""

    name: str
    kg: Number
    x: Floats
    z: Floats
    along: float


def effective_arm(body: Body, grip_m: Number) -> tuple[Floats, Mask]:
    """Height of the shoulder over straight arms with the hands that far apart, in m."""
    sideways = (np.asarray(grip_m) - body.shoulder_spacing_m) / 2
    return safe_root(np.asarray(body.arm_m) ** 2 - sideways**2)


def shin_on_bar(foot: FootPlacement, bar_x: Floats, bar_z: Floats) -> tuple[Floats, Mask]:
    """Shank lean in rad (along the toes) at which the shin touches the bar, and where the bar is
    too close over the ankle for any."""
    ahead, above = bar_x - foot.ankle.x, bar_z - foot.ankle.z
    size = np.hypot(ahead, above)
    share = (SHIN_M + BAR_RADIUS_M) / np.maximum(size, 1e-6)
    seen = np.arccos(np.clip(share, -1.0, 1.0)) - np.arctan2(above, ahead)
    return np.arctan(np.tan(seen) / np.cos(foot.toe_out)), share > 1.0


def upper_masses(
    body: Body, lean: Floats, hip: Point, bar: Place, shoulder: Place, assumed: Assumptions
) -> list[UpperMass]:
    """Trunk, head and arms as point masses."""
    masses = SEGMENT_MASSES[body.sex]
    sine, cosine = np.sin(lean), np.cos(lean)
    names = ("lower trunk", "middle trunk", "upper trunk")
    found = [
        UpperMass(
            name, share * body.mass_kg, hip.x + place * body.trunk_m * sine,
            hip.z + place * body.trunk_m * cosine, place,
        )
        for name, (share, place) in zip(names, masses.trunk, strict=True)
    ]  # fmt: skip
    head = body.trunk_m + assumed.head_centre * body.head_neck_m
    found.append(
        UpperMass(
            "head", masses.head * body.mass_kg, hip.x + head * sine, hip.z + head * cosine, 2.0
        )
    )
    middle = (shoulder[0] + bar[0]) / 2, (shoulder[1] + bar[1]) / 2
    found.append(UpperMass("arms", masses.arms * body.mass_kg, *middle, 2.0))
    return found


@dataclass(frozen=True, kw_only=True)
class DeadliftPosture(Posture):
    """Legs, trunk and bar in place; the trunk's ``lean`` (rad) is the same under any load.

    ``reach_gap_m`` is what thigh and trunk are too short or too long by.
    """

    shoulder: Place
    bar: Place
    grip_m: Number
    lean: Floats
    sine: Floats
    cosine: Floats
    hip_flexion: Floats
    reach_gap_m: Floats
    no_pose: Mask
    lines: LegMoments
    lumbar: Line
    midback: Line
    first_moment: Floats
    upper_masses: list[UpperMass]

    @property
    def impossible(self) -> Mask:
        return self.no_pose

    @property
    def leg_lines(self) -> LegMoments:
        return self.lines

    @property
    def body_centre_x_m(self) -> Floats:
        """Mass centre of the lifter alone, without the bar."""
        return self.first_moment / self.body.mass_kg

    @property
    def back_angle(self) -> Floats:
        """The back above horizontal in rad."""
        return np.pi / 2 - self.lean

    def at_load(self, load_kg: Number) -> LoadedPosture:
        everything = self.first_moment + load_kg * self.bar[0]
        balanced = Balanced(self.sine, self.cosine, everything, self.no_pose)
        trunk_nm = self.lumbar.at(load_kg), self.midback.at(load_kg)
        return self._loaded(load_kg, balanced, self.hip_flexion, self.lines, trunk_nm)

    def upper(self, balanced: Balanced) -> UpperPlaces:
        hip, body = self.legs.hip, self.body
        head = body.trunk_m + self.assumed.head_centre * body.head_neck_m
        return UpperPlaces(
            shoulder=self.shoulder,
            head=(hip.x + head * balanced.sine, hip.z + head * balanced.cosine),
            bar=self.bar,
            bar_y_m=np.asarray(self.grip_m) / 2,
            masses=[(mass.name, mass.kg, mass.x, mass.z) for mass in self.upper_masses],
        )


@dataclass(frozen=True, kw_only=True)
class DeadliftCase(Case):
    """Starts as columns. ``shank`` in rad is given where it is not NaN; else it leans on the bar,
    or, where ``free`` (bool, of all of them or of none), is searched for."""

    grip_m: Number
    bar_offset_m: Number
    shoulder_offset_m: Number
    bar_height_m: Number
    inside: Mask
    beside: Mask
    shank: Floats
    free: bool = False

    @cached_property
    def foot(self) -> FootPlacement:
        """Where the left foot stands."""
        return place_foot(self.body, self.stance_m, self.toe_out, 0.0, self.assumed)

    @cached_property
    def _on_bar(self) -> tuple[Floats, Mask]:
        bar = np.asarray(self.bar_offset_m), np.asarray(self.bar_height_m)
        return shin_on_bar(self.foot, *bar)

    def shank_range(self) -> tuple[Floats, Floats]:
        if self.free:
            least = np.full(np.shape(self.shank), radians(LEAST_SHANK_DEG))
            return least, np.full(np.shape(self.shank), radians(MOST_SHANK_DEG))
        touching, _ = self._on_bar
        known = np.where(np.isnan(self.shank), touching, self.shank)
        return known, known

    def posture(self, shank: Floats, progress: Floats) -> DeadliftPosture:
        if np.any(np.asarray(progress) != 1.0):
            raise ValueError("a deadlift has a closed form at its start only: see deadlift/path")
        body, bar = self.body, (np.asarray(self.bar_offset_m), np.asarray(self.bar_height_m))
        arm, arms_short = effective_arm(body, self.grip_m)
        rise, ahead_too_far = safe_root(arm**2 - np.asarray(self.shoulder_offset_m) ** 2)
        shoulder = bar[0] + self.shoulder_offset_m, bar[1] + rise
        legs, gap = legs_below_shoulder(body, self.foot, shank, *shoulder)
        no_pose = arms_short | ahead_too_far
        if not self.free:
            _, too_close = self._on_bar
            no_pose = no_pose | (too_close & np.isnan(self.shank))
        return replace(
            self.hold(legs, shoulder, bar), reach_gap_m=gap, no_pose=no_pose | legs.unreachable
        )

    def share_left(self, lean: Floats) -> Floats:
        return np.ones_like(lean)

    def allowed(self, lean: Floats) -> Floats:
        return lean

    def start(self) -> DeadliftPosture:
        """The start of set-ups whose shank is known."""
        return self.posture(self.shank_range()[0], np.ones(1))

    def hold(self, legs: LegPose, shoulder: Place, bar: Place) -> DeadliftPosture:
        """Legs, shoulder and bar (x and z in m) put together, ready to be loaded."""
        body, assumed, hip = self.body, self.assumed, legs.hip
        lean = np.arctan2(shoulder[0] - hip.x, shoulder[1] - hip.z)
        sine, cosine = np.sin(lean), np.cos(lean)
        upper = upper_masses(body, lean, hip, bar, shoulder, assumed)
        masses = leg_masses(body, legs)
        first_moment = masses.first_moment + sum(mass.kg * mass.x for mass in upper)
        inward = inward_share(legs, self.spread, assumed.floor_friction)

        def cut(place: float) -> Line:
            at = hip.x + place * body.trunk_m * sine
            above = sum(mass.kg * (mass.x - at) for mass in upper if mass.along > place)
            return Line(GRAVITY_M_S2 * np.asarray(above), GRAVITY_M_S2 * (bar[0] - at))

        return DeadliftPosture(
            body=body, legs=legs, masses=masses, capacities=self.capacities, assumed=assumed,
            knee_share=knee_share(legs.knee_flexion, assumed),
            wide_hip=wide_hip_share(legs.abduction, assumed),
            shoulder=shoulder, bar=bar, grip_m=self.grip_m, lean=lean,
            sine=sine, cosine=cosine, hip_flexion=hip_flexion(legs, sine, cosine),
            reach_gap_m=np.zeros(()), no_pose=legs.unreachable,
            lines=leg_moments(body, legs, masses, first_moment, inward, bar[0]),
            lumbar=cut(assumed.lumbar_cut), midback=cut(assumed.midback_cut),
            first_moment=first_moment, upper_masses=upper,
        )  # fmt: skip


class DeadliftKinematics:
    """Starts as columns; the shank leans on the bar but in a trap bar and a Romanian."""

    def free_shank(self, setup: DeadliftSetup, /) -> bool:
        return setup.shank is None and setup.kind.shank == "free"

    def with_shank(self, setup: DeadliftSetup, shank: float, /) -> DeadliftSetup:
        return setup if setup.kind.shank == "on bar" else replace(setup, shank=shank)

    def without_shank(self, setup: DeadliftSetup, /) -> DeadliftSetup:
        return setup if setup.kind.shank == "on bar" else replace(setup, shank=None)

    def case(
        self, lifter: Lifter, setups: Sequence[DeadliftSetup], before: tuple[int, ...] = ()
    ) -> DeadliftCase:
        shape = (*before, len(setups), 1, 1)

        def column(values: Sequence[float]) -> Floats:
            return np.reshape(np.array(values, dtype=np.float64), shape)

        return DeadliftCase(
            body=lifter.body,
            capacities=self.strengths(lifter.capacities, lifter.assumed),
            screens=lifter.screens,
            assumed=lifter.assumed,
            stance_m=column([setup.stance_m for setup in setups]),
            toe_out=column([setup.toe_out for setup in setups]),
            grip_m=column([setup.grip_m for setup in setups]),
            bar_offset_m=column([setup.bar_offset_m for setup in setups]),
            shoulder_offset_m=column([setup.shoulder_offset_m for setup in setups]),
            bar_height_m=column([setup.bar_height_m for setup in setups]),
            inside=np.reshape([setup.kind.hands == "inside" for setup in setups], shape),
            beside=np.reshape([setup.kind.trap for setup in setups], shape),
            shank=column([_known_shank(setup) for setup in setups]),
            free=any(self.free_shank(setup) for setup in setups),
        )

    def unknown(
        self, assumed: Assumptions, random: np.random.Generator, shape: tuple[int, ...]
    ) -> Unknown:
        spread = random.uniform(assumed.spread_low, assumed.spread_high, shape)

        def put(case: DeadliftCase) -> DeadliftCase:
            return replace(case, floor_spread=spread)

        return put

    def strengths(self, capacities: Capacities, assumed: Assumptions, /) -> Capacities:
        """The mid-back's strength is another one where the arms hang."""
        hanging = capacities.upper_back * assumed.upper_back_in_pulls
        return replace(capacities, upper_back=hanging)


def _known_shank(setup: DeadliftSetup) -> float:
    if setup.shank is not None:
        return setup.shank
    shank = setup.kind.shank
    return float(radians(shank)) if isinstance(shank, float) else np.nan
