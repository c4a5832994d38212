"""Rack holes: where the hooks go, where the safeties go, in holes that a lifter can count."""

from dataclasses import dataclass
from math import floor, sin

from pavrik.core.assumptions import assume
from pavrik.words import say

HOOK_CLEARANCE_M = assume(
    "hook_clearance_m", 0.02, "m", "least that the bar must rise to clear the lip"
)
MOST_DIP_M = 0.10
FOOT_HALF_BREADTH_M = 0.05
SAFETY_MARGIN_M = assume(
    "safety_margin_m", 0.04, "m", "safeties stand this far below the bar at the bottom"
)


@dataclass(frozen=True)
class Rack:
    """Holes counted from 1 at ``first_hole_m`` upward, ``pitch_m`` apart; ``lip_m`` is the height
    of the hook's lip above the bar's resting place."""

    name: str
    first_hole_m: float
    pitch_m: float
    holes: int
    lip_m: float
    inner_width_m: float
    first_safety_m: float | None = None
    safety_pitch_m: float | None = None
    """Safeties on holes of their own; None where they share the hooks' holes."""


@dataclass(frozen=True)
class RackFit:
    """Hook hole and how far the lifter dips under it; safety hole and its distance under the bar
    at the bottom; ``clearance_m`` between a foot and the upright on each side, all in metres.
    ``problem`` says what cannot be had, else None."""

    hook_hole: int | None
    dip_m: float
    safety_hole: int | None
    safety_below_m: float
    clearance_m: float
    problem: str | None


@dataclass(frozen=True)
class _Holes:
    first_m: float
    pitch_m: float
    count: int

    def at_most(self, height_m: float) -> int | None:
        """Highest hole that is not above a height; None below the first."""
        index = floor((height_m - self.first_m) / self.pitch_m + 1e-9)
        return None if index < 0 else min(index, self.count - 1) + 1

    def height(self, hole: int) -> float:
        return self.first_m + (hole - 1) * self.pitch_m


def _safeties(rack: Rack) -> _Holes:
    first = rack.first_hole_m if rack.first_safety_m is None else rack.first_safety_m
    return _Holes(first, rack.safety_pitch_m or rack.pitch_m, rack.holes)


def feet_width_m(stance_m: float, toe_out: float, foot_m: float) -> float:
    """Outer breadth of both feet: ankles apart, toes turned out by rad, half a foot's breadth."""
    return stance_m + 2 * (0.75 * foot_m * sin(toe_out) + FOOT_HALF_BREADTH_M)


def fit_rack(
    rack: Rack, standing_bar_m: float, bottom_bar_m: float, feet_m: float = 0.0
) -> RackFit:
    """Holes for a bar that stands at one height and bottoms at another, with feet that broad.

    The hook hole is the highest whose lip the standing bar clears, so the lower one when between
    holes: on tiptoe a lifter can miss the hook.
    """
    hooks, safeties = _Holes(rack.first_hole_m, rack.pitch_m, rack.holes), _safeties(rack)
    hook = hooks.at_most(standing_bar_m - rack.lip_m - HOOK_CLEARANCE_M)
    safety = safeties.at_most(bottom_bar_m - SAFETY_MARGIN_M)
    dip = standing_bar_m - hooks.height(hook) if hook else 0.0
    below = bottom_bar_m - safeties.height(safety) if safety else 0.0
    clearance = (rack.inner_width_m - feet_m) / 2
    problem = None
    if hook is None:
        problem = say("equipment.lowest_hook_too_high")
    elif dip > MOST_DIP_M:
        next_up = (
            say("equipment.top_hole_use_taller")
            if hook == rack.holes
            else say("equipment.hole_would_put_lifter", hook=hook + 1)
        )
        problem = say("equipment.hole_leaves_dip_cm", hook=hook, dip=dip * 100, next_up=next_up)
    elif safety is None:
        problem = say("equipment.lowest_safety_above_bottom")
    elif clearance < 0:
        problem = say("equipment.feet_cm_too_broad", clearance=-clearance * 200)
    return RackFit(hook, dip, safety, below, clearance, problem)
