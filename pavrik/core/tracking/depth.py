"""Depth of a squat by two taps: crease of the hip and top of the knee, told in metres."""

from typing import Literal

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.tracking.camera import Camera
from pavrik.core.tracking.clip import Pixel
from pavrik.core.tracking.linkage import SideLinkage

TAPPED_SD_M = assume("depth_tapped_sd_m", 0.015, "m", "error of depth by two taps")
TAPPED_UNSURE_M = assume("depth_tapped_unsure_m", 0.025, "m", "nearer to level nothing is told")
DEEP_SHANK = 0.5
"""Usual lean of the shank at the bottom, rad: where the knee stands across."""
Depth = Literal["deep", "high", "cannot tell"]


def depth_by_taps(camera: Camera, linkage: SideLinkage, crease: Pixel, knee_top: Pixel) -> float:
    """How far (m) the crease of the near hip is below the top of the near knee. A lens that stands
    high sees the nearer knee lower than it is: each tap is told at its own distance."""
    knee_y = float(linkage.knee(np.array(DEEP_SHANK))[1])
    _, hip_z = camera.unproject(crease[0], crease[1], linkage.hip_y_m)
    _, knee_z = camera.unproject(knee_top[0], knee_top[1], knee_y)
    return float(knee_z - hip_z)


def told(below_m: float, unsure_m: float = TAPPED_UNSURE_M) -> Depth:
    """What depth says: nothing within its band, and never a light."""
    if abs(below_m) < unsure_m:
        return "cannot tell"
    return "deep" if below_m > 0 else "high"
