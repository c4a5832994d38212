"""Mobility screens from one picture with a few taps: angles need no scale, and where the feet land
takes its scale from the lifter's own stature.

Pixels count from the left upper corner; the picture itself is not needed.
"""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Literal

import numpy as np

from pavrik.core.lifter.mobility import hip_flexion_from_angles_deg
from pavrik.core.tracking.clip import Pixel
from pavrik.core.tracking.linkage_solve import TAP_SD_M
from pavrik.core.units import degrees, radians
from pavrik.words import say

PictureKind = Literal["ankle", "neutral_depth", "hip_rotation", "hop"]
Points = Mapping[str, Pixel]
_SHORTEST_PX = 20.0
"""Limbs that are shorter in the picture than this tell no angle."""
_SHANK_OF_STATURE, _THIGH_OF_STATURE, _TRUNK_OF_STATURE = 0.23, 0.24, 0.30
"""Roughly, for how far a tap beside the joint turns a limb."""


@dataclass(frozen=True)
class PictureScreen:
    """What is tapped, and what it comes to: degrees (m for the hop) and the error (sd) of it."""

    points: tuple[str, ...]
    read: Callable[[Points, float], tuple[float, float]]


def limb_px(points: Points, lower: str, upper: str) -> tuple[float, float]:
    """How far the upper end is to the right of the lower one, and above it, in pixels. Raises
    ValueError where both are the same place."""
    (u0, v0), (u1, v1) = points[lower], points[upper]
    right, up = u1 - u0, v0 - v1
    if np.hypot(right, up) < _SHORTEST_PX:
        raise ValueError(
            say(
                "tracking.pixels_apart_tap_them",
                one=named(lower),
                other=named(upper),
                apart=np.hypot(right, up),
            )
        )
    return right, up


def named(point: str) -> str:
    """A point in words."""
    return point.replace("_", " ")


def _limb_error_deg(length_of_stature: float, stature_m: float) -> float:
    """How far taps beside both ends turn a limb (sd)."""
    return float(degrees(np.sqrt(2.0) * TAP_SD_M / (length_of_stature * stature_m)))


def _shank(points: Points, stature_m: float) -> tuple[float, float]:
    """The shank from vertical, whichever way it leans."""
    right, up = limb_px(points, "ankle", "knee")
    lean = float(degrees(np.arctan2(abs(right), up)))
    return lean, _limb_error_deg(_SHANK_OF_STATURE, stature_m)


def _neutral_depth(points: Points, stature_m: float) -> tuple[float, float]:
    """The hip's closing from thigh and trunk, whichever way the lifter looks; a tap beside the hip
    turns both limbs."""
    to_knee, knee_up = limb_px(points, "hip", "knee")
    to_shoulder, shoulder_up = limb_px(points, "hip", "shoulder")
    ahead = np.copysign(1.0, to_knee)
    thigh = float(degrees(np.arctan2(knee_up, abs(to_knee))))
    lean = float(degrees(np.arctan2(ahead * to_shoulder, shoulder_up)))
    closing = hip_flexion_from_angles_deg(thigh, lean)
    one = _limb_error_deg(_THIGH_OF_STATURE, stature_m)
    other = _limb_error_deg(_TRUNK_OF_STATURE, stature_m)
    shared = np.cos(radians(180.0 - closing)) * one * other
    return closing, float(np.sqrt(one**2 + other**2 - shared))


def _hop(points: Points, stature_m: float) -> tuple[float, float]:
    """Ankle to ankle, by the stature from crown to floor."""
    tall = float(np.hypot(*limb_px(points, "floor", "crown")))
    apart = float(np.hypot(*limb_px(points, "ankle_left", "ankle_right")))
    metre = stature_m / tall
    error = np.sqrt(2.0) * TAP_SD_M * np.hypot(1.0, apart / tall)
    return apart * metre, float(error)


PICTURE_SCREENS: dict[PictureKind, PictureScreen] = {
    "ankle": PictureScreen(("ankle", "knee"), _shank),
    "neutral_depth": PictureScreen(("hip", "knee", "shoulder"), _neutral_depth),
    "hip_rotation": PictureScreen(("ankle", "knee"), _shank),
    "hop": PictureScreen(("crown", "floor", "ankle_left", "ankle_right"), _hop),
}


def read_picture(kind: PictureKind, points: Points, stature_m: float) -> tuple[float, float]:
    """A screen's value and its error (sd), degrees or m. Raises ValueError with a sentence where
    points are missing or too near to each other."""
    screen = PICTURE_SCREENS[kind]
    missing = [named(point) for point in screen.points if point not in points]
    if missing:
        raise ValueError(say("tracking.not_tapped_yet", missing=", ".join(missing)))
    return screen.read(points, stature_m)
