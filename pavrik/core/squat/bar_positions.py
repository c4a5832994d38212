"""Where the bar sits on the body, the lean each place holds well, and the hands that go with it."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.segments import Body
from pavrik.core.linkage.upper_body import BarPlace
from pavrik.core.units import Floats, radians

BarPosition = Literal["front", "high", "middle", "low"]
BAR_POSITIONS: tuple[BarPosition, ...] = ("front", "high", "middle", "low")


@dataclass(frozen=True)
class Shelf:
    """One bar position: centre in trunk axes (m, past the shoulder line and forward) for a trunk
    of the reference length, the lean in degrees it holds well, hands beyond the shoulders (m)."""

    name: str
    beyond_shoulder_m: float
    forward_m: float
    holds_lean_deg: float
    hands_beyond_shoulders_m: float


SHELVES: dict[BarPosition, Shelf] = {
    "front": Shelf("front", 0.02, 0.085, 18.0, 0.06),
    "high": Shelf("high bar", 0.03, -0.075, 38.0, 0.16),
    "middle": Shelf("middle bar", 0.0, -0.09, 46.0, 0.22),
    "low": Shelf("low bar", -0.04, -0.10, 55.0, 0.28),
}
"""All *assumptions*."""


def bar_place(body: Body, position: BarPosition, assumed: Assumptions) -> BarPlace:
    """Bar centre in this body's trunk axes."""
    return bar_places(body, [position], (), assumed)


def bar_places(
    body: Body, positions: Sequence[BarPosition], shape: tuple[int, ...], assumed: Assumptions
) -> BarPlace:
    """Bar centres of several positions, laid out in ``shape``."""
    scale = body.trunk_m / assumed.trunk_reference_m
    beyond = np.reshape([SHELVES[p].beyond_shoulder_m for p in positions], shape)
    forward = np.reshape([SHELVES[p].forward_m for p in positions], shape)
    return BarPlace(body.trunk_m + scale * beyond, scale * forward)


def held_leans(positions: Sequence[BarPosition], shape: tuple[int, ...]) -> Floats:
    """Leans in rad that the positions hold well, laid out in ``shape``."""
    return radians(np.reshape([SHELVES[p].holds_lean_deg for p in positions], shape))


def usual_grip_m(body: Body, position: BarPosition) -> float:
    """Starting distance between the middles of the hands, in metres."""
    return float(body.shoulder_spacing_m + SHELVES[position].hands_beyond_shoulders_m)
