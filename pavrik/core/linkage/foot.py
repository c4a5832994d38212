"""Where the left foot stands and how a raised heel pitches it about the ball."""

from dataclasses import dataclass

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.masses import SEGMENT_MASSES
from pavrik.core.body.segments import Body, Number
from pavrik.core.linkage.geometry import Point
from pavrik.core.units import Floats


@dataclass(frozen=True)
class FootPlacement:
    """Ankle joint, mass centre and floor contact of the left foot; pitch and toe-out in rad.

    ``contact_y_m`` is where the floor pushes up, seen from the front: under mid-foot.
    """

    ankle: Point
    centre: Point
    contact_y_m: Floats
    pitch: Floats
    toe_out: Floats


def place_foot(
    body: Body, stance_m: Number, toe_out: Number, heel_lift_m: Number, assumed: Assumptions
) -> FootPlacement:
    """Place the left foot: ``stance_m`` ankle to ankle, ``toe_out`` in rad, mid-foot at x = 0."""
    length = np.asarray(body.foot_m, dtype=np.float64)
    height = np.asarray(body.ankle_height_m, dtype=np.float64)
    toe = np.asarray(toe_out, dtype=np.float64)
    ball = assumed.ball_before_midfoot * length
    heel_to_ball = (0.5 + assumed.ball_before_midfoot) * length
    ankle_to_ball = (assumed.ankle_behind_midfoot + assumed.ball_before_midfoot) * length
    pitch = np.arctan(heel_lift_m / heel_to_ball)
    sin_pitch, cos_pitch = np.sin(pitch), np.cos(pitch)

    ankle_along = ball - ankle_to_ball * cos_pitch + height * sin_pitch
    ankle_y = np.asarray(stance_m, dtype=np.float64) / 2

    centre_to_ball = heel_to_ball - SEGMENT_MASSES[body.sex].foot_centre_from_heel * length
    centre_height = assumed.foot_centre_height * height
    centre_along = ball - centre_to_ball * cos_pitch + centre_height * sin_pitch
    return FootPlacement(
        ankle=Point(
            ankle_along * np.cos(toe), ankle_y, height * cos_pitch + ankle_to_ball * sin_pitch
        ),
        centre=Point(
            centre_along * np.cos(toe),
            ankle_y + (centre_along - ankle_along) * np.sin(toe),
            centre_height * cos_pitch + centre_to_ball * sin_pitch,
        ),
        contact_y_m=ankle_y + assumed.ankle_behind_midfoot * length * np.sin(toe),
        pitch=pitch,
        toe_out=toe,
    )
