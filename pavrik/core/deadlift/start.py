"""The start of a pull in closed form: arms straight, the bar against the shin, the hips where knee
and shoulder put them. All arrays broadcast; nothing depends on the load, so every moment is a
straight line in it.
"""

from dataclasses import dataclass

import numpy as np

from pavrik.core.assumptions import Assumptions, assume
from pavrik.core.body.masses import SEGMENT_MASSES
from pavrik.core.body.segments import Body, Number
from pavrik.core.linkage.foot import FootPlacement, place_foot
from pavrik.core.linkage.geometry import Point, angle_of_cosine, safe_root
from pavrik.core.linkage.legs import LegMasses, LegPose, leg_masses, legs_below_shoulder
from pavrik.core.linkage.moments import LegMoments, inward_share, leg_moments
from pavrik.core.strength.capacities import Capacities, hip_share, knee_share, wide_hip_share
from pavrik.core.strength.use import JointMoments, Use, least_use
from pavrik.core.units import GRAVITY_M_S2, Floats, Mask

SHIN_M = assume("shin_m", 0.04, "m", "shank axis to the front of the shin")
BAR_RADIUS_M = 0.014


@dataclass(frozen=True)
class LoadedPull:
    """A pull's pose under one load: moments in N m, use as shares, mass centre in m."""

    load_kg: Number
    moments: JointMoments
    ankle_nm: Floats
    hip_share: Floats
    use: Use
    centre_x_m: Floats


@dataclass(frozen=True)
class HeldPull:
    """Legs, trunk and bar in place. ``lean`` of the trunk and ``closing`` of the hip in rad;
    ``reach_gap_m`` is what thigh and trunk are too short or too long by."""

    body: Body
    legs: LegPose
    masses: LegMasses
    shoulder_x: Floats
    shoulder_z: Floats
    bar_x: Floats
    bar_z: Floats
    lean: Floats
    closing: Floats
    reach_gap_m: Floats
    impossible: Mask
    capacities: Capacities
    assumed: Assumptions
    moments: LegMoments
    lumbar: tuple[Floats, Floats]
    midback: tuple[Floats, Floats]
    first_moment: Floats
    knee_share: Floats
    wide_hip: Floats

    @property
    def body_centre_x_m(self) -> Floats:
        """Mass centre of the lifter alone, without the bar."""
        return self.first_moment / self.body.mass_kg

    @property
    def back_angle(self) -> Floats:
        """The back above horizontal in rad."""
        return np.pi / 2 - self.lean

    def under(self, load_kg: Number) -> LoadedPull:
        """Moments and use at a load."""
        legs = self.moments
        moments = JointMoments(
            knee=legs.knee.at(load_kg),
            hip_sagittal=legs.hip_sagittal.at(load_kg),
            hip_frontal=legs.hip_frontal.at(load_kg),
            lumbar=self.lumbar[0] + self.lumbar[1] * load_kg,
            midback=self.midback[0] + self.midback[1] * load_kg,
        )
        hips = hip_share(self.closing, self.wide_hip, self.assumed)
        use = least_use(moments, self.capacities, self.knee_share, hips)
        centre = (self.first_moment + load_kg * self.bar_x) / (self.body.mass_kg + load_kg)
        return LoadedPull(load_kg, moments, legs.ankle.at(load_kg), hips, use, centre)


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
    body: Body, lean: Floats, hip: Point, bar: tuple[Floats, Floats],
    shoulder: tuple[Floats, Floats], assumed: Assumptions,
) -> list[tuple[str, Number, Floats, Floats, float]]:  # fmt: skip
    """name, kg, x, z and place along the trunk (in trunk lengths) of the upper body's masses."""
    masses = SEGMENT_MASSES[body.sex]
    sine, cosine = np.sin(lean), np.cos(lean)
    names = ("lower trunk", "middle trunk", "upper trunk")
    found: list[tuple[str, Number, Floats, Floats, float]] = [
        (
            name, share * body.mass_kg, hip.x + place * body.trunk_m * sine,
            hip.z + place * body.trunk_m * cosine, place,
        )
        for name, (share, place) in zip(names, masses.trunk, strict=True)
    ]  # fmt: skip
    head = body.trunk_m + assumed.head_centre * body.head_neck_m
    found.append(
        ("head", masses.head * body.mass_kg, hip.x + head * sine, hip.z + head * cosine, 2.0)
    )
    middle = (shoulder[0] + bar[0]) / 2, (shoulder[1] + bar[1]) / 2
    found.append(("arms", masses.arms * body.mass_kg, *middle, 2.0))
    return found


def hold_pull(
    body: Body, legs: LegPose, shoulder: tuple[Floats, Floats], bar: tuple[Floats, Floats],
    reach_gap_m: Floats, impossible: Mask, capacities: Capacities, assumed: Assumptions,
    floor_spread: Number | None = None,
) -> HeldPull:  # fmt: skip
    """Legs, shoulder and bar put together into a pose that can be loaded."""
    hip = legs.hip
    lean = np.arctan2(shoulder[0] - hip.x, shoulder[1] - hip.z)
    thigh = legs.thigh_direction
    closing = angle_of_cosine(-np.sin(lean) * thigh.x - np.cos(lean) * thigh.z)
    upper = upper_masses(body, lean, hip, bar, shoulder, assumed)
    masses = leg_masses(body, legs)
    first_moment = masses.first_moment + sum(kg * x for _, kg, x, _, _ in upper)
    spread = assumed.floor_spread if floor_spread is None else floor_spread
    inward = inward_share(legs, spread, assumed.floor_friction)

    def cut(place: float) -> tuple[Floats, Floats]:
        at = hip.x + place * body.trunk_m * np.sin(lean)
        above = sum(kg * (x - at) for _, kg, x, _, along in upper if along > place)
        return GRAVITY_M_S2 * np.asarray(above), GRAVITY_M_S2 * (bar[0] - at)

    return HeldPull(
        body=body, legs=legs, masses=masses, shoulder_x=shoulder[0], shoulder_z=shoulder[1],
        bar_x=bar[0], bar_z=bar[1], lean=lean, closing=closing, reach_gap_m=reach_gap_m,
        impossible=impossible | legs.unreachable, capacities=capacities, assumed=assumed,
        moments=leg_moments(body, legs, masses, first_moment, inward, bar[0]),
        lumbar=cut(assumed.lumbar_cut), midback=cut(assumed.midback_cut),
        first_moment=first_moment, knee_share=knee_share(legs.knee_flexion, assumed),
        wide_hip=wide_hip_share(legs.abduction, assumed),
    )  # fmt: skip


def start_pose(
    body: Body, stance_m: Number, toe_out: Number, grip_m: Number, bar_x: Floats, bar_z: Floats,
    shoulder_offset_m: Number, capacities: Capacities, assumed: Assumptions,
    shank: Floats | None = None, floor_spread: Number | None = None,
) -> HeldPull:  # fmt: skip
    """The start: the bar against the shin, or, given a shank (rad), wherever that puts the knee."""
    foot = place_foot(body, stance_m, toe_out, 0.0, assumed)
    touching, too_close = shin_on_bar(foot, bar_x, bar_z)
    lean = touching if shank is None else shank
    arm, arms_short = effective_arm(body, grip_m)
    rise, ahead_too_far = safe_root(arm**2 - np.asarray(shoulder_offset_m) ** 2)
    shoulder = bar_x + shoulder_offset_m, bar_z + rise
    legs, gap = legs_below_shoulder(body, foot, lean, *shoulder)
    impossible = arms_short | ahead_too_far | (too_close if shank is None else False)
    return hold_pull(
        body, legs, shoulder, (bar_x, bar_z), gap, impossible, capacities, assumed, floor_spread
    )
