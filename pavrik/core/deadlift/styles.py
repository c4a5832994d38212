"""The ways to pull: what each fixes, where the hands are, and a set-up fully specified.

Stances and toes are usual ones (common practice, no source); competitors' means are in the checks.
"""

from dataclasses import dataclass
from typing import Literal

from pavrik.core.assumptions import assume
from pavrik.core.units import radians

Style = Literal[
    "conventional", "frog", "semi_sumo", "sumo", "trap_low", "trap_high", "deficit", "block",
    "romanian",
]  # fmt: skip
Hands = Literal["outside", "inside", "beside"]
PLATE_RADIUS_M = 0.225


@dataclass(frozen=True)
class PullStyle:
    """A style by its words: where the hands are, height of the bar above the usual one, and the
    stances (m) and toe angles (deg) that are searched."""

    name: str
    hands: Hands
    above_floor_m: float
    stances_m: tuple[float, ...]
    toes_deg: tuple[float, ...]
    from_floor: bool = True


_NARROW = tuple(round(0.18 + 0.025 * i, 3) for i in range(9))
_WIDE = tuple(round(0.60 + 0.04 * i, 2) for i in range(9))
STYLES: dict[Style, PullStyle] = {
    "conventional": PullStyle(
        "conventional", "outside", 0.0, _NARROW, (0.0, 6.0, 12.0, 18.0, 24.0)
    ),
    "frog": PullStyle("frog stance", "outside", 0.0, _NARROW, (32.0, 35.0, 38.0, 41.0, 45.0)),
    "semi_sumo": PullStyle(
        "semi-sumo", "inside", 0.0, tuple(round(0.36 + 0.02 * i, 2) for i in range(9)),
        (15.0, 22.0, 28.0, 34.0, 40.0),
    ),
    "sumo": PullStyle("sumo", "inside", 0.0, _WIDE, (25.0, 32.0, 38.0, 44.0, 50.0)),
    "trap_low": PullStyle(
        "trap bar, low handles", "beside", 0.0, _NARROW, (0.0, 6.0, 12.0, 18.0, 24.0)
    ),
    "trap_high": PullStyle(
        "trap bar, high handles", "beside", 0.075, _NARROW, (0.0, 6.0, 12.0, 18.0, 24.0)
    ),
    "deficit": PullStyle(
        "deficit", "outside", -0.05, _NARROW, (0.0, 6.0, 12.0, 18.0, 24.0), from_floor=False
    ),
    "block": PullStyle(
        "block pull", "outside", 0.10, _NARROW, (0.0, 6.0, 12.0, 18.0, 24.0), from_floor=False
    ),
    "romanian": PullStyle(
        "Romanian", "outside", 0.08, _NARROW, (0.0, 6.0, 12.0, 18.0, 24.0), from_floor=False
    ),
}  # fmt: skip
COMPETING: tuple[Style, ...] = (
    "conventional", "frog", "semi_sumo", "sumo", "trap_low", "trap_high",
)  # fmt: skip
SHANK_SET = frozenset({"trap_low", "trap_high", "romanian"})
"""Styles whose shins do not lean on the bar: their shank angle is found like the squat's."""
TRAP = frozenset({"trap_low", "trap_high"})
TRAP_HANDLES_M = assume("trap_handles_m", 0.62, "m", "distance between a trap bar's handles")


@dataclass(frozen=True)
class PullSetup:
    """One start, fully specified; toe-out and shank in rad. ``bar_offset_m`` in front of
    mid-foot, ``shoulder_offset_m`` in front of the bar; ``bar_height_m`` is the bar's centre.
    ``shank`` None is found: by the bar against the shin, or by search."""

    style: Style
    stance_m: float
    toe_out: float
    grip_m: float
    bar_offset_m: float = 0.03
    shoulder_offset_m: float = 0.04
    bar_height_m: float = PLATE_RADIUS_M
    shank: float | None = None

    @property
    def kind(self) -> PullStyle:
        """What the style fixes."""
        return STYLES[self.style]


def usual_height_m(style: Style, plate_radius_m: float = PLATE_RADIUS_M) -> float:
    """Height of the bar's centre (trap bar: of the handles) in a style."""
    return plate_radius_m + STYLES[style].above_floor_m


_USUAL_STANCE_M: dict[Style, float] = {"semi_sumo": 0.46, "sumo": 0.64}


def usual_setup(style: Style) -> PullSetup:
    """A middle-of-the-road set-up of a style."""
    kind = STYLES[style]
    stance, toes = _USUAL_STANCE_M.get(style, 0.32), kind.toes_deg[2 if style != "sumo" else 1]
    grip = {"outside": 0.54, "inside": 0.46, "beside": TRAP_HANDLES_M}[kind.hands]
    return PullSetup(
        style, stance, float(radians(toes)), grip, bar_height_m=usual_height_m(style),
    )  # fmt: skip
