"""Joint moments from the floor up, both legs together, as straight lines in the load.

The floor force stands under the combined mass centre (sagittally) and under mid-foot (seen from
the front); lifters may push their feet apart, which turns part of it inward. At knee and hip the
moment is the sum over floor force and weights below the joint of (point - joint) x force.
Signs: knee extension, hip extension, ankle plantarflexion and the adductors' share are positive
where the muscles must work to hold the pose.
"""

from dataclasses import dataclass
from typing import NamedTuple

import numpy as np

from pavrik.core.body.segments import Body, Number
from pavrik.core.linkage.geometry import Point
from pavrik.core.linkage.legs import LegMasses, LegPose
from pavrik.core.units import GRAVITY_M_S2, Floats


class Line(NamedTuple):
    """A moment in N m that is ``fixed`` without a load and grows by ``per_kg``."""

    fixed: Floats
    per_kg: Floats

    def at(self, load_kg: Number) -> Floats:
        return self.fixed + self.per_kg * load_kg


@dataclass(frozen=True)
class LegMoments:
    """Moments of both legs as lines in the load, in N m, with the feet not pushed apart, and what
    a push over the whole frontal lever adds to them (``*_push``); ``most_push`` is the share of it
    that the floor's grip allows. ``knee_frontal`` opens the knee inward (about the line of the
    toes); ligaments and bone bear it, no capacity here does."""

    ankle: Line
    knee: Line
    knee_frontal: Line
    hip_sagittal: Line
    hip_frontal: Line
    ankle_push: Line
    knee_push: Line
    hip_push: Line
    most_push: Floats


def push_lever_m(legs: LegPose) -> Floats:
    """How far outside the hip the foot stands, seen from the front, in m; 0 inside it."""
    return np.maximum(legs.foot.contact_y_m - legs.hip.y, 0.0)


def most_push(legs: LegPose, floor_friction: float) -> Floats:
    """Largest share of the frontal lever that pushing the feet apart can take: all of it, or what
    the floor's grip bears."""
    lever = push_lever_m(legs)
    gripped = floor_friction * np.maximum(legs.hip.z, 0.05)
    return np.where(lever > 0, np.minimum(gripped / np.maximum(lever, 1e-9), 1.0), 0.0)


def _floor_line(
    joint: Point, legs: LegPose, body_kg: Number, first_moment: Floats, load_x: Number
) -> tuple[Line, Line]:
    """x and y components about a joint of the floor force on both feet."""
    frontal = GRAVITY_M_S2 * (legs.foot.contact_y_m - joint.y)
    sagittal = GRAVITY_M_S2 * joint.x
    return (
        Line(frontal * body_kg, frontal),
        Line(sagittal * body_kg - GRAVITY_M_S2 * first_moment, sagittal - GRAVITY_M_S2 * load_x),
    )


def _weights(joint: Point, parts: list[tuple[Number, Point]]) -> tuple[Floats, Floats]:
    """x and y components about a joint of the weights of the parts below it."""
    about_x = sum((-mass * (at.y - joint.y) for mass, at in parts), np.zeros(()))
    about_y = sum((mass * (at.x - joint.x) for mass, at in parts), np.zeros(()))
    return GRAVITY_M_S2 * about_x, GRAVITY_M_S2 * about_y


def leg_moments(
    body: Body,
    legs: LegPose,
    masses: LegMasses,
    first_moment: Floats,
    floor_friction: float,
    load_x: Number = 0.0,
) -> LegMoments:
    """Lines of ankle, knee and hip moments. ``first_moment`` (kg m) of all but the load places
    the floor force, with a load that hangs ``load_x`` (m) in front of mid-foot."""
    foot = (masses.foot_kg, masses.foot)
    shank = (masses.shank_kg, masses.shank)
    thigh = (masses.thigh_kg, masses.thigh)
    sin_toe, cos_toe = np.sin(legs.foot.toe_out), np.cos(legs.foot.toe_out)

    def about(joint: Point, below: list[tuple[Number, Point]]) -> tuple[Line, Line]:
        floor_x, floor_y = _floor_line(joint, legs, body.mass_kg, first_moment, load_x)
        weight_x, weight_y = _weights(joint, below)
        return (
            Line(floor_x.fixed + weight_x, floor_x.per_kg),
            Line(floor_y.fixed + weight_y, floor_y.per_kg),
        )

    def about_leg_axis(about_x: Line, about_y: Line, sign: float) -> Line:
        return Line(
            sign * (cos_toe * about_y.fixed - sin_toe * about_x.fixed),
            sign * (cos_toe * about_y.per_kg - sin_toe * about_x.per_kg),
        )

    def about_toe_line(about_x: Line, about_y: Line) -> Line:
        return Line(
            cos_toe * about_x.fixed + sin_toe * about_y.fixed,
            cos_toe * about_x.per_kg + sin_toe * about_y.per_kg,
        )

    def push(joint: Point, share: Floats | float) -> Line:
        """The floor's inward force about a joint, over the whole lever at the hip."""
        inward = push_lever_m(legs) / np.maximum(legs.hip.z, 0.05)
        per_kg = GRAVITY_M_S2 * share * inward * joint.z
        return Line(per_kg * body.mass_kg, per_kg)

    knee = about(legs.knee, [foot, shank])
    hip_x, hip_y = about(legs.hip, [foot, shank, thigh])
    return LegMoments(
        ankle=about_leg_axis(*about(legs.foot.ankle, [foot]), -1.0),
        knee=about_leg_axis(*knee, 1.0),
        knee_frontal=about_toe_line(*knee),
        hip_sagittal=Line(-hip_y.fixed, -hip_y.per_kg),
        hip_frontal=hip_x,
        ankle_push=push(legs.foot.ankle, -sin_toe),
        knee_push=push(legs.knee, sin_toe),
        hip_push=push(legs.hip, -1.0),
        most_push=most_push(legs, floor_friction),
    )
