"""Depth from the side: the hip's crease against the top of the knee, never within the error.

Not a light: the referees decide.
"""

from dataclasses import dataclass
from typing import Literal

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.body.segments import Body
from pavrik.core.tracking.measured import Measured
from pavrik.core.tracking.reps import Rep

TRACKED_UNSURE_M = assume(
    "depth_tracked_unsure_m", 0.035, "m", "tracked depth nearer to level: untold"
)


@dataclass(frozen=True)
class DepthSeen:
    """How far (m) the crease of the hip is below the top of the knee at the bottom of a rep, and
    within how much (m) nothing is told."""

    rep: int
    below_m: float
    unsure_m: float
    state: Literal["deep", "high", "cannot tell"]


def depth_seen(body: Body, measured: Measured, rep: Rep) -> DepthSeen:
    """Depth of a squat's rep from the tracked linkage."""
    hip, knee = measured.hip[rep.turn, 1], measured.knee[rep.turn, 1]
    below = float(knee + np.asarray(body.knee_top_m) - hip - np.asarray(body.hip_crease_m))
    if abs(below) < TRACKED_UNSURE_M:
        return DepthSeen(rep.number, below, TRACKED_UNSURE_M, "cannot tell")
    return DepthSeen(rep.number, below, TRACKED_UNSURE_M, "deep" if below > 0 else "high")
