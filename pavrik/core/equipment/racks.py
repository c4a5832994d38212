"""Rack holes: where the hooks go, where the safeties go, in holes that a lifter can count."""

from dataclasses import dataclass
from math import floor

HOOK_CLEARANCE_M = 0.02
"""Least that the bar must rise to clear the lip: assumption."""
MOST_DIP_M = 0.10
SAFETY_MARGIN_M = 0.04
"""Safeties stand this far below the bar at the bottom: assumption."""


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


@dataclass(frozen=True)
class RackFit:
    """Hook hole and how far the lifter dips under it; safety hole and its distance under the bar
    at the bottom, in metres. ``problem`` says what cannot be had, else None."""

    hook_hole: int | None
    dip_m: float
    safety_hole: int | None
    safety_below_m: float
    problem: str | None


def _hole_at_most(rack: Rack, height_m: float) -> int | None:
    """Highest hole whose resting place is not above a height; None below the first hole."""
    index = floor((height_m - rack.first_hole_m) / rack.pitch_m + 1e-9)
    return None if index < 0 else min(index, rack.holes - 1) + 1


def _height(rack: Rack, hole: int) -> float:
    return rack.first_hole_m + (hole - 1) * rack.pitch_m


def fit_rack(rack: Rack, standing_bar_m: float, bottom_bar_m: float) -> RackFit:
    """Holes for a bar that stands at one height and bottoms at another.

    The hook hole is the highest whose lip the standing bar clears, so the lower one when between
    holes: on tiptoe a lifter can miss the hook.
    """
    hook = _hole_at_most(rack, standing_bar_m - rack.lip_m - HOOK_CLEARANCE_M)
    safety = _hole_at_most(rack, bottom_bar_m - SAFETY_MARGIN_M)
    dip = standing_bar_m - _height(rack, hook) if hook else 0.0
    below = bottom_bar_m - _height(rack, safety) if safety else 0.0
    problem = None
    if hook is None:
        problem = "the lowest hook is too high for this lifter: use another rack"
    elif dip > MOST_DIP_M:
        next_up = (
            "it is the top hole: use a taller rack"
            if hook == rack.holes
            else f"hole {hook + 1} would put the lifter on tiptoe: use a rack with a finer pitch"
        )
        problem = f"hole {hook} leaves a dip of {dip * 100:.0f} cm and {next_up}"
    elif safety is None:
        problem = "the lowest safety is above the bottom position: use blocks or spotters"
    return RackFit(hook, dip, safety, below, problem)
