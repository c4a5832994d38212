"""Where the bar sits on the body, the lean each place holds well, and the hands that go with it."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from pavrik.core.assumptions import Assumptions, assume
from pavrik.core.body.segments import Body
from pavrik.core.lifter.mobility import BarPosition
from pavrik.core.linkage.upper_body import BarPlace
from pavrik.core.units import Floats, radians
from pavrik.words import say


@dataclass(frozen=True)
class Shelf:
    """One bar position: centre in trunk axes (m, past the shoulder line and forward) for a trunk
    of the reference length, the lean in degrees it holds well, hands beyond the shoulders (m).
    ``handles``: the hands hold handles in front, so the shoulder screen does not gate it.

    ``factor``: what no linkage knows of the place, as a share of every strength, set on the median
    of a population; the body explains the difference from it. ``ease`` (share): how easily the bar
    is put down; ``arms`` (share): what shoulders, elbows and wrists are asked; ``school``: the bar
    school that prefers it; ``family``: what is nearly the same place; ``instead``: what to do where
    the shoulders do not bear it. Common practice, no source."""

    name: str
    beyond_shoulder_m: float
    forward_m: float
    holds_lean_deg: float
    hands_beyond_shoulders_m: float
    handles: bool = False
    ease: float = 0.5
    arms: float = 0.5
    school: str = "model"
    family: str = ""
    factor: float = 1.0
    instead: str = say("squat.carry_bar_higher_work")


SHELVES: dict[BarPosition, Shelf] = {
    "front": Shelf(
        say("squat.front"), 0.02, 0.085, 18.7, 0.10, factor=0.984, ease=1.0, arms=0.6,
        school="upright", instead=say("squat.cross_arms_hold_straps"),
    ),
    "high": Shelf(
        say("squat.high_bar"), 0.03, -0.075, 39.8, 0.22, factor=0.98, ease=0.7, arms=0.4,
        school="upright", instead=say("squat.try_bar_handles_work"),
    ),
    "middle": Shelf(
        say("squat.middle_bar"), 0.0, -0.09, 54.5, 0.30, factor=0.962, ease=0.5, arms=0.7,
        school="low", family="back",
    ),
    "low": Shelf(
        say("squat.low_bar"), -0.04, -0.10, 53.0, 0.40, factor=1.0, ease=0.4, arms=1.0,
        school="low", family="back",
    ),
}  # fmt: skip
"""Hands: front just outside the shoulders, high a thumb beyond them, low with the middle finger
about on the ring (common practice, no source)."""

SAFETY_BAR = Shelf(say("squat.safety_bar"), 0.045, 0.02, 34.0, 0.0, handles=True)
"""A bar with a yoke and handles in front: its centre hangs before the neck."""
_PLACES = {
    "front": SHELVES["front"], "high_bar": SHELVES["high"], "middle_bar": SHELVES["middle"],
    "low_bar": SHELVES["low"], "safety_bar": SAFETY_BAR,
}  # fmt: skip
for _place, _shelf in _PLACES.items():
    for _field, _unit, _meaning in (
        ("beyond_shoulder_m", "m", say("squat.bar_centre_past_shoulder")),
        ("forward_m", "m", say("squat.bar_centre_forward_trunks")),
        ("holds_lean_deg", "deg", say("squat.lean_held_well")),
        ("hands_beyond_shoulders_m", "m", say("squat.usual_hands_beyond_shoulders")),
        ("factor", "share", say("squat.what_left_every_strength")),
    ):
        meant = f"{_shelf.name}: {_meaning}"
        assume(f"{_place}_{_field}", getattr(_shelf, _field), _unit, meant)


def bar_places(
    body: Body, shelves: Sequence[Shelf], shape: tuple[int, ...], assumed: Assumptions
) -> BarPlace:
    """Bar centres on several shelves, laid out in ``shape``."""
    scale = body.trunk_m / assumed.trunk_reference_m
    beyond = np.reshape([shelf.beyond_shoulder_m for shelf in shelves], shape)
    forward = np.reshape([shelf.forward_m for shelf in shelves], shape)
    return BarPlace(body.trunk_m + scale * beyond, scale * forward)


def held_leans(shelves: Sequence[Shelf], shape: tuple[int, ...]) -> Floats:
    """Leans in rad that the shelves hold well, laid out in ``shape``."""
    return radians(np.reshape([shelf.holds_lean_deg for shelf in shelves], shape))


def style_factors(shelves: Sequence[Shelf], shape: tuple[int, ...]) -> Floats:
    """What the shelves leave of every strength, laid out in ``shape``."""
    return np.reshape([shelf.factor for shelf in shelves], shape)


def usual_grip_m(body: Body, shelf: Shelf) -> float:
    """Starting distance between the middles of the hands, in metres."""
    return float(body.shoulder_spacing_m + shelf.hands_beyond_shoulders_m)
