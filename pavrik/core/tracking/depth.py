"""Depth from the side: the hip's crease against the top of the knee, never within the error.

Not a light: the referees decide. Two taps at the bottom are surer than the tracked linkage.
"""

from dataclasses import dataclass
from typing import Literal

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.body.segments import Body
from pavrik.core.tracking.measured import Measured
from pavrik.core.tracking.reps import Rep

TAPPED_UNSURE_M = assume(
    "depth_tapped_unsure_m", 0.025, "m", "tapped depth nearer to level: untold"
)
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
    return _told(rep.number, below, TRACKED_UNSURE_M)


def depth_tapped(
    measured: Measured, rep: Rep, crease: tuple[float, float], knee_top: tuple[float, float]
) -> DepthSeen:
    """Depth from two taps (pixels) in the bottom frame, each at its own distance to the lens."""
    linkage = measured.linkage
    knee_y = float(linkage.knee(measured.solved.shank[rep.turn])[1])
    high = float(measured.camera.unproject(*crease, linkage.hip_y_m)[1])
    low = float(measured.camera.unproject(*knee_top, knee_y)[1])
    return _told(rep.number, low - high, TAPPED_UNSURE_M)


def _told(rep: int, below_m: float, unsure_m: float) -> DepthSeen:
    if abs(below_m) < unsure_m:
        return DepthSeen(rep, below_m, unsure_m, "cannot tell")
    return DepthSeen(rep, below_m, unsure_m, "deep" if below_m > 0 else "high")
