"""The one place that converts units. Everything else computes in SI and radians."""

import numpy as np
from numpy.typing import ArrayLike, NDArray

GRAVITY_M_S2 = 9.80665
KG_PER_LB = 0.45359237
M_PER_IN = 0.0254
KNEE_TO_WALL_DEG_PER_CM = 3.6
"""Bennell et al. (1998), from memory: one centimetre of the knee-to-wall lunge is about 3.6 deg."""

Floats = NDArray[np.float64]
Indices = NDArray[np.intp]
Mask = NDArray[np.bool_]


def radians(degrees: ArrayLike) -> Floats:
    """Degrees to radians, any shape."""
    return np.asarray(np.deg2rad(degrees), dtype=np.float64)


def degrees(angle_rad: ArrayLike) -> Floats:
    """Radians to degrees, any shape."""
    return np.asarray(np.rad2deg(angle_rad), dtype=np.float64)


def dorsiflexion_from_knee_to_wall(distance_cm: float) -> float:
    """Ankle bend in radians from the toe-to-wall distance of the lunge test."""
    return float(radians(distance_cm * KNEE_TO_WALL_DEG_PER_CM))


def told_kg(kg: float) -> str:
    """A load or a body mass as it is told: to a tenth of a kilo, which pounds hardly ever are."""
    return f"{round(kg, 1):g} kg"
