"""How far the hip must go below the knee: the sport's depth rule and other targets.

The rule (IPF technical rules, from memory): the top of the thigh at the hip joint is below the
top of the knee.
"""

from typing import Literal

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.segments import Body, Number

DepthTarget = Literal["competition", "parallel"]


def hip_above_knee_at(body: Body, target: DepthTarget, assumed: Assumptions) -> Number:
    """Height of the hip centre above the knee centre in metres at a depth target."""
    level = (assumed.top_above_knee - assumed.crease_above_hip) * body.stature_m
    return level - assumed.competition_margin_m if target == "competition" else level


def depth_margin_m(body: Body, hip_above_knee_m: Number, assumed: Assumptions) -> Number:
    """How far the hip crease is below the top of the knee in metres; negative is high."""
    return (assumed.top_above_knee - assumed.crease_above_hip) * body.stature_m - hip_above_knee_m
