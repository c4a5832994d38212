"""The way down: thigh elevation from standing to the bottom, shank after the break school."""

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.segments import Body, Number
from pavrik.core.lifter.schools import BreakSchool
from pavrik.core.linkage.foot import FootPlacement
from pavrik.core.linkage.legs import LegPose, elevation_at_depth, squat_legs
from pavrik.core.squat.setup import BREAK_EXPONENT
from pavrik.core.units import Floats, radians

STEPS = 25
UPRIGHT = np.pi / 2
"""Standing with the bar: the thigh is plumb, the shank leans a little, the knee is unlocked."""


def legs_along(
    body: Body,
    foot: FootPlacement,
    bottom_shank: Number,
    hip_above_knee_m: Number,
    progress: Floats,
    break_school: BreakSchool,
    assumed: Assumptions,
) -> LegPose:
    """Legs at ``progress`` (0 standing, 1 bottom) of the descent; the last axis is progress.

    ``bottom_shank`` in rad is broadcast against ``progress``.
    """
    standing = radians(assumed.standing_shank_deg)
    shank = standing + (bottom_shank - standing) * progress ** BREAK_EXPONENT[break_school]
    bottom, beyond = elevation_at_depth(body, foot, bottom_shank, hip_above_knee_m)
    return squat_legs(body, foot, shank, UPRIGHT + (bottom - UPRIGHT) * progress, beyond)


def whole_progress(steps: int = STEPS) -> Floats:
    """Progress of the descent in equal steps of thigh angle, standing and bottom included."""
    return np.linspace(0.0, 1.0, steps)


def lower_half(steps: int = STEPS) -> Floats:
    """The deeper half of the descent, where the predicted max is decided."""
    progress = whole_progress(steps)
    return progress[progress >= 0.5]
