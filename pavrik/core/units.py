"""The one place that converts units. Everything else computes in SI and radians."""

import re

import numpy as np
from numpy.typing import ArrayLike, NDArray

GRAVITY_M_S2 = 9.80665
KG_PER_LB = 0.45359237
M_PER_IN = 0.0254
IN_PER_FT = 12
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


_MASS = re.compile(r"^\s*(\d+(?:[.,]\d+)?)\s*(kg|lb|lbs)?\s*$", re.IGNORECASE)
_INCHES = re.compile(r"^\s*(\d+(?:[.,]\d+)?)\s*(?:in|\"|”)\s*$", re.IGNORECASE)
_FEET_INCHES = re.compile(
    r"^\s*(\d+)\s*(?:ft|'|’)\s*(?:(\d+(?:[.,]\d+)?)\s*(?:in|\"|”)?)?\s*$", re.IGNORECASE
)
_METRIC = re.compile(r"^\s*(\d+(?:[.,]\d+)?)\s*(cm|mm|m)?\s*$", re.IGNORECASE)
_METRES_PER = {"m": 1.0, "cm": 0.01, "mm": 0.001}


def _number(text: str) -> float:
    return float(text.replace(",", "."))


def parse_mass_kg(text: str, default_unit: str = "kg") -> float:
    """Read "180", "180 kg" or "397 lb". Raises ValueError with the remedy."""
    match = _MASS.match(text)
    if not match:
        raise ValueError(f'"{text}" is not a mass: write it like "82.5", "82.5 kg" or "182 lb"')
    unit = (match[2] or default_unit).lower()
    return _number(match[1]) * (KG_PER_LB if unit.startswith("lb") else 1.0)


def parse_length_m(text: str, default_unit: str = "cm") -> float:
    """Read "43.5", "43.5 cm", "71 in" or "5'11". Raises ValueError with the remedy."""
    if match := _FEET_INCHES.match(text):
        inches = int(match[1]) * IN_PER_FT + (_number(match[2]) if match[2] else 0.0)
        return inches * M_PER_IN
    if match := _INCHES.match(text):
        return _number(match[1]) * M_PER_IN
    if match := _METRIC.match(text):
        unit = (match[2] or default_unit).lower()
        return _number(match[1]) * (M_PER_IN if unit == "in" else _METRES_PER[unit])
    raise ValueError(
        f'"{text}" is not a length: write it like "43.5", "43.5 cm", "17 in" or "5\'11"'
    )
