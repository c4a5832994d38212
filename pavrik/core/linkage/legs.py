"""The left leg from the floor up: shank and thigh in space, the hip at its spacing."""

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from pavrik.core.body.masses import SEGMENT_MASSES
from pavrik.core.body.segments import Body, Number
from pavrik.core.linkage.foot import FootPlacement
from pavrik.core.linkage.geometry import Point, angle_of_cosine, safe_root
from pavrik.core.units import Floats, Mask


@dataclass(frozen=True)
class LegPose:
    """Joints, unit thigh direction (hip to knee) and angles in rad of the left leg.

    ``unreachable`` (bool) marks where the stance is too wide, or the depth too large, for the
    thigh; the numbers there are finite but mean nothing.
    """

    foot: FootPlacement
    knee: Point
    hip: Point
    thigh_direction: Point
    shank: Floats
    unreachable: Mask

    @cached_property
    def knee_flexion(self) -> Floats:
        """Angle between thigh and shank, 0 where the leg is straight."""
        thigh, foot = self.thigh_direction, self.foot
        shank_down = Point(
            -np.sin(self.shank) * np.cos(foot.toe_out),
            -np.sin(self.shank) * np.sin(foot.toe_out),
            -np.cos(self.shank),
        )
        dot = thigh.x * shank_down.x + thigh.y * shank_down.y + thigh.z * shank_down.z
        return angle_of_cosine(dot)

    @cached_property
    def abduction(self) -> Floats:
        """How far the thigh is opened sideways."""
        return np.asarray(np.arcsin(np.clip(self.thigh_direction.y, -1.0, 1.0)))

    @cached_property
    def azimuth(self) -> Floats:
        """Where the thigh points, seen from above."""
        return np.asarray(np.arctan2(self.thigh_direction.y, self.thigh_direction.x))

    @property
    def rotation(self) -> Floats:
        """Outward turn of the thigh about its own axis in rad (swing and twist): from where
        raising and opening the thigh alone would put the knee's hinge to where the toes put it."""
        thigh = self.thigh_direction
        toe_sin, toe_cos = np.sin(self.foot.toe_out), np.cos(self.foot.toe_out)
        spread = 1.0 - thigh.z
        swung = (
            -thigh.x * thigh.y / spread,
            -thigh.z + thigh.x**2 / spread,
            thigh.y,
        )
        along = -toe_sin * swung[0] + toe_cos * swung[1]
        turned = (
            thigh.x * (-swung[2] * toe_cos)
            + thigh.y * (-swung[2] * toe_sin)
            + thigh.z * (swung[0] * toe_cos + swung[1] * toe_sin)
        )
        return np.arctan2(-turned, along)

    @property
    def dorsiflexion(self) -> Floats:
        """Ankle bend needed in rad: the shank's lean less the pitch that a heel gives."""
        return self.shank - self.foot.pitch


def _knee(body: Body, foot: FootPlacement, shank: Floats) -> Point:
    reach = body.shank_m * np.sin(shank)
    return Point(
        foot.ankle.x + reach * np.cos(foot.toe_out),
        foot.ankle.y + reach * np.sin(foot.toe_out),
        foot.ankle.z + body.shank_m * np.cos(shank),
    )


def _sagittal_thigh(body: Body, knee: Point) -> tuple[Floats, Floats, Mask]:
    """Thigh seen from the side, its sideways part (m), and where it is too short (bool)."""
    sideways = knee.y - np.asarray(body.hip_spacing_m) / 2
    length, missing = safe_root(np.asarray(body.thigh_m) ** 2 - sideways**2)
    return length, sideways, missing


def elevation_at_depth(
    body: Body, foot: FootPlacement, shank: Number, hip_above_knee_m: Number
) -> tuple[Floats, Mask]:
    """Thigh elevation seen from the side, in rad, at which the hip is that far above the knee, and
    where the thigh does not reach that far."""
    length, _, _ = _sagittal_thigh(body, _knee(body, foot, np.asarray(shank)))
    sine = np.asarray(hip_above_knee_m / np.where(length > 0, length, 1.0))
    return np.asarray(np.arcsin(np.clip(sine, -1.0, 1.0))), np.abs(sine) > 1.0


def squat_legs(
    body: Body, foot: FootPlacement, shank: Number, thigh_elevation: Number,
    out_of_reach: Mask | bool = False,
) -> LegPose:  # fmt: skip
    """Leg with its shank leaning ``shank`` along the toes and its thigh raised from horizontal.

    Angles in rad; an elevation above a quarter turn puts the hip in front of the knee.
    ``out_of_reach`` marks where the elevation stands for a depth that the thigh does not reach.
    """
    shank_angle = np.asarray(shank, dtype=np.float64)
    knee = _knee(body, foot, shank_angle)
    length, _, missing = _sagittal_thigh(body, knee)
    elevation = np.asarray(thigh_elevation, dtype=np.float64)
    hip = Point(
        knee.x - length * np.cos(elevation),
        np.asarray(body.hip_spacing_m) / 2,
        knee.z + length * np.sin(elevation),
    )
    return _leg_pose(body, foot, shank_angle, knee, hip, missing | out_of_reach)


def legs_below_shoulder(
    body: Body, foot: FootPlacement, shank: Number, shoulder_x: Floats, shoulder_z: Floats
) -> tuple[LegPose, Floats]:
    """Leg whose hip is a trunk's length from a shoulder: the rear crossing of the circles round
    knee and shoulder, seen from the side. Also by how many m the circles miss each other."""
    shank_angle = np.asarray(shank, dtype=np.float64)
    knee = _knee(body, foot, shank_angle)
    thigh, _, missing = _sagittal_thigh(body, knee)
    trunk = np.asarray(body.trunk_m, dtype=np.float64)
    dx, dz = shoulder_x - knee.x, shoulder_z - knee.z
    apart = np.maximum(np.hypot(dx, dz), 1e-6)
    along = (thigh**2 - trunk**2 + apart**2) / (2 * apart)
    across, apart_too_far = safe_root(thigh**2 - along**2)
    hip = Point(
        knee.x + (along * dx - across * dz) / apart,
        np.asarray(body.hip_spacing_m) / 2,
        knee.z + (along * dz + across * dx) / apart,
    )
    gap = np.maximum(apart - thigh - trunk, 0.0) + np.maximum(np.abs(thigh - trunk) - apart, 0.0)
    pose = _leg_pose(body, foot, shank_angle, knee, hip, missing | apart_too_far)
    return pose, gap


def _leg_pose(
    body: Body, foot: FootPlacement, shank_angle: Floats, knee: Point, hip: Point, missing: Mask
) -> LegPose:
    thigh = Point(*((k - h) / body.thigh_m for k, h in zip(knee, hip, strict=True)))
    return LegPose(
        foot=foot,
        knee=knee,
        hip=hip,
        thigh_direction=thigh,
        shank=shank_angle,
        unreachable=missing,
    )


@dataclass(frozen=True)
class LegMasses:
    """Masses (kg, both sides) and mass centres (left) of foot, shank and thigh."""

    foot_kg: Number
    shank_kg: Number
    thigh_kg: Number
    foot: Point
    shank: Point
    thigh: Point

    @property
    def total_kg(self) -> Number:
        return self.foot_kg + self.shank_kg + self.thigh_kg

    @property
    def first_moment(self) -> Floats:
        """Sum of mass times x in kg m."""
        return (
            self.foot_kg * self.foot.x + self.shank_kg * self.shank.x + self.thigh_kg * self.thigh.x
        )


def _between(start: Point, end: Point, share: float) -> Point:
    return Point(*(a + share * (b - a) for a, b in zip(start, end, strict=True)))


def leg_masses(body: Body, legs: LegPose) -> LegMasses:
    """Where the legs' masses are."""
    masses = SEGMENT_MASSES[body.sex]
    return LegMasses(
        foot_kg=masses.feet * body.mass_kg,
        shank_kg=masses.shanks * body.mass_kg,
        thigh_kg=masses.thighs * body.mass_kg,
        foot=legs.foot.centre,
        shank=_between(legs.knee, legs.foot.ankle, masses.shank_centre_from_knee),
        thigh=_between(legs.hip, legs.knee, masses.thigh_centre_from_hip),
    )
