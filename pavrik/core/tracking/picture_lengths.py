"""Lengths of limbs off one picture of a lifter who stands upright, side on: a check of the tape.

The scale comes from the stature between crown and floor, in the body's middle plane; the limbs of
the near side stand nearer to the lens and look longer for it.
"""

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from pavrik.core.assumptions import DEFAULT, assume
from pavrik.core.tracking.clip import Pixel
from pavrik.core.tracking.linkage_solve import TAP_SD_M
from pavrik.core.tracking.picture_screens import limb_px, named
from pavrik.words import say

NEAR_M = assume("picture_near_m", 0.15, "m", "from the body's middle to the skin over near joints")
DISTANCE_M = assume("picture_distance_m", 4.0, "m", "from the lens to the body's middle, as asked")
DISTANCE_SD_M = assume("picture_distance_sd_m", 0.7, "m", "how far people stand off that (sd)")
APART_SDS = 2.0
"""From so many errors on, tape and picture are not of one length."""

ENDS: dict[str, tuple[str, str]] = {
    "shank_m": ("ankle", "knee"),
    "thigh_m": ("knee", "hip"),
    "trunk_m": ("hip", "shoulder"),
    "upper_arm_m": ("shoulder", "elbow"),
    "forearm_m": ("elbow", "wrist"),
}
SCALE = ("crown", "floor")


@dataclass(frozen=True)
class PictureLength:
    """A length in m and its error (sd)."""

    length_m: float
    error_m: float

    def contradicts(self, taped_m: float) -> bool:
        """Whether a tape cannot well have read the same limb."""
        apart = abs(self.length_m - taped_m)
        return bool(apart > APART_SDS * np.hypot(self.error_m, DEFAULT.tape_error_m))


def read_lengths(points: Mapping[str, Pixel], stature_m: float) -> dict[str, PictureLength]:
    """Segment name -> length, for every limb of which both ends are tapped (pixels). Raises
    ValueError with a sentence where the scale or every limb is missing, or points lie too near to
    each other."""
    missing = [named(point) for point in SCALE if point not in points]
    limbs = {name: ends for name, ends in ENDS.items() if all(end in points for end in ends)}
    if not limbs:
        missing += [say("tracking.both_ends_limb")]
    if missing:
        raise ValueError(say("tracking.not_tapped_yet", missing=", ".join(missing)))
    tall_px = float(np.hypot(*limb_px(points, "floor", "crown")))
    nearer = 1.0 - NEAR_M / DISTANCE_M
    found = {}
    for name, ends in limbs.items():
        length = float(np.hypot(*limb_px(points, *ends))) / tall_px * stature_m * nearer
        found[name] = PictureLength(length, _error_m(length, stature_m))
    return found


def _error_m(length_m: float, stature_m: float) -> float:
    """Taps beside both ends of the limb and of the stature, and a lens that stands elsewhere."""
    taps = np.sqrt(2.0) * TAP_SD_M * np.hypot(1.0, length_m / stature_m)
    place = length_m * NEAR_M * DISTANCE_SD_M / DISTANCE_M**2
    return float(np.hypot(taps, place))
