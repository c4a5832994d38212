"""How far the hip must go below the knee: the sport's depth rule and other targets.

The rule (IPF technical rules, from memory): the top of the thigh at the hip joint is below the
top of the knee.
"""

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.segments import Body, Number
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.schools import DepthTarget
from pavrik.core.squat.setup import SquatSetup


def parallel_m(body: Body) -> Number:
    """Height of the hip centre above the knee centre, in metres, with crease and knee top level."""
    return body.knee_top_m - body.hip_crease_m


def hip_above_knee_at(body: Body, target: DepthTarget, assumed: Assumptions) -> Number:
    """The same at a depth target. "deepest" and "box" depend on more than the body: until they
    are known they stand at competition depth."""
    level = parallel_m(body)
    return level if target == "parallel" else level - assumed.competition_margin_m


def hip_above_knee_on_box(body: Body, box_height_m: float, assumed: Assumptions) -> float:
    """The same when sitting on a box, with the shank at its usual lean there."""
    knee = float(body.ankle_height_m) + float(body.shank_m) * np.cos(
        np.deg2rad(assumed.box_shank_deg)
    )
    return float(box_height_m + assumed.seat_below_hip_m - knee)


def depth_target_m(lifter: Lifter) -> Number:
    """Hip above knee in metres at the depth target in force; an array for sampled bodies."""
    if lifter.own_depth_m is not None:
        return lifter.own_depth_m
    return hip_above_knee_at(lifter.body, lifter.schools.depth, lifter.assumed)


def hip_above_knee_m(lifter: Lifter, setup: SquatSetup) -> float:
    """The set-up's own depth in metres, else that of the depth target in force."""
    if setup.hip_above_knee_m is not None:
        return setup.hip_above_knee_m
    return float(depth_target_m(lifter))
