"""Poses as columns that a figure shows, the same for every lift."""

from dataclasses import dataclass

from pavrik.core.strength.use import Use
from pavrik.core.units import Floats


@dataclass(frozen=True)
class Drawn:
    """What a figure needs. ``points`` per joint (x, y, z) in m; angles in degrees; arms in m; all
    arrays of one shape."""

    points: dict[str, tuple[Floats, Floats, Floats]]
    angles_deg: dict[str, Floats]
    arms_m: dict[str, Floats]
    use: Use
    pitch_deg: Floats
