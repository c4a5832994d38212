"""How far the hip must go below the knee: the sport's depth rule and other targets.

The rule (IPF technical rules, from memory): the top of the thigh at the hip joint is below the
top of the knee.
"""

from typing import Literal

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.segments import Body, Number

DepthTarget = Literal["competition", "parallel", "deepest", "box"]


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


def depth_margin_m(body: Body, hip_above_knee_m: Number) -> Number:
    """How far the hip crease is below the top of the knee in metres; negative is high."""
    return parallel_m(body) - hip_above_knee_m
