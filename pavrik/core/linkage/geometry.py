"""Points as three broadcastable arrays, and roots that stay finite."""

from typing import NamedTuple

import numpy as np

from pavrik.core.units import Floats, Mask


class Point(NamedTuple):
    """A place in metres: x forward, y left, z up; each a scalar array or a grid."""

    x: Floats
    y: Floats
    z: Floats


def safe_root(square: Floats) -> tuple[Floats, Mask]:
    """Square root with negatives taken as 0, and where that happened (bool)."""
    missing = square < 0
    return np.sqrt(np.where(missing, 0.0, square)), missing


def angle_of_cosine(cosine: Floats) -> Floats:
    """arccos in radians with rounding beyond +-1 clipped."""
    return np.asarray(np.arccos(np.clip(cosine, -1.0, 1.0)))
