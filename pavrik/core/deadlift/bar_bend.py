"""The bar bends before the plates leave: a beam overhanging the hands, and the slack it makes.

Sleeve-centre drop relative to the hand: P a^2 (2a + 3b) / (6 E I), with P half the plates' weight,
a from hand to the plates' centre, b between the hands (Euler-Bernoulli, two point loads).
"""

from dataclasses import dataclass

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.units import GRAVITY_M_S2

STEEL_PA = 200e9
BETWEEN_COLLARS_M = 1.31
"""IPF technical rules, from memory: 1.31 to 1.32 m between the collars."""
SLEEVE_M = 0.43
DISC_M_PER_KG = assume(
    "disc_thickness_m_per_kg",
    0.0012,
    "m per kg",
    "thickness that a kilogram of discs takes on the sleeve",
)
PLAY_M = assume("sleeve_play_m", 0.003, "m", "free play of sleeves and plates")
AXLE_WALL_M = 0.004
AXLE_FROM_MM = 40.0


@dataclass(frozen=True)
class BarBend:
    """Slack in m (bend and play), the hands' height when the plates leave, and the pull in kg at
    even steps of the hands' rise."""

    bend_m: float
    slack_m: float
    leaves_at_m: float
    rise_m: list[float]
    pull_kg: list[float]


def second_moment_m4(shaft_mm: float) -> float:
    """Second moment of area of a solid shaft, or of an axle's tube from 40 mm up."""
    outer = shaft_mm / 1000
    if shaft_mm < AXLE_FROM_MM:
        return float(np.pi * outer**4 / 64)
    return float(np.pi * (outer**4 - (outer - 2 * AXLE_WALL_M) ** 4) / 64)


def bar_bend(
    load_kg: float, bar_kg: float, shaft_mm: float, grip_m: float, bar_height_m: float,
    at_sleeve_ends: bool = False,
) -> BarBend:  # fmt: skip
    """How the bar bends under a load with the hands ``grip_m`` apart."""
    plates = max(load_kg - bar_kg, 0.0)
    stack = min(plates / 2 * DISC_M_PER_KG, SLEEVE_M)
    into_sleeve = SLEEVE_M - stack / 2 if at_sleeve_ends else stack / 2
    a = BETWEEN_COLLARS_M / 2 + into_sleeve - grip_m / 2
    force = plates / 2 * GRAVITY_M_S2
    bend = force * a**2 * (2 * a + 3 * grip_m) / (6 * STEEL_PA * second_moment_m4(shaft_mm))
    slack = bend + PLAY_M
    rise = np.linspace(0.0, slack, 6)
    pull = bar_kg + plates * np.clip((rise - PLAY_M) / max(bend, 1e-9), 0.0, 1.0)
    return BarBend(bend, slack, bar_height_m + slack, rise.tolist(), pull.tolist())
