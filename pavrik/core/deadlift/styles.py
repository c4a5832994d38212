"""The ways to deadlift: what each fixes, where the hands are, and a set-up fully specified.

Stances and toes are usual ones (common practice, no source); competitors' means are in the checks.
"""

from dataclasses import dataclass
from typing import Literal, get_args

from pavrik.core.assumptions import assume
from pavrik.core.lifts.lift import Style
from pavrik.core.units import radians
from pavrik.words import say

StyleId = Literal[
    "conventional", "frog", "semi_sumo", "sumo", "trap_low", "trap_high", "deficit", "block",
    "romanian",
]  # fmt: skip
TRAP_AHEAD_M = assume(
    "trap_ahead_m", 0.015, "m", "shoulders in front of a trap bar's handles: arms nearly plumb"
)
ROMANIAN_AHEAD_M = assume(
    "romanian_ahead_m", 0.10, "m", "shoulders in front of the bar where a Romanian turns"
)
Hands = Literal["outside", "inside", "beside"]
PLATE_RADIUS_M = 0.225
TRAP_HANDLES_M = assume("trap_handles_m", 0.62, "m", "distance between a trap bar's handles")


@dataclass(frozen=True)
class DeadliftStyle(Style):
    """A style by its words: where the hands are, and the height of the bar above the usual one.
    ``factor``: what no linkage knows of the style, as a share of every strength, by calibration."""

    hands: Hands = "outside"
    above_floor_m: float = 0.0
    from_floor: bool = True
    stands_on_something: bool = True
    """Whether the bar's height is that of a start, with its shorter or longer way."""
    shank: Literal["on bar", "free"] | float = "on bar"
    """The shank leans on the bar, is searched for, or stands at so many degrees."""
    factor: float = 1.0
    usual_stance_m: float = 0.32
    usual_toes_deg: float = 12.0

    @property
    def trap(self) -> bool:
        """Whether it is done with a bar that the lifter stands in."""
        return self.hands == "beside"

    def height_m(self, plate_radius_m: float = PLATE_RADIUS_M) -> float:
        """Height of the bar's centre (trap bar: of the handles)."""
        return plate_radius_m + self.above_floor_m


_NARROW = tuple(round(0.18 + 0.025 * i, 3) for i in range(9))
_WIDE = tuple(round(0.60 + 0.04 * i, 2) for i in range(9))
_STRAIGHT_TOES = (0.0, 6.0, 12.0, 18.0, 24.0)
_OUTSIDE_GRIPS_M = (0.46, 0.50, 0.54, 0.58, 0.64)
_INSIDE_GRIPS_M = (0.38, 0.42, 0.46, 0.50, 0.54)


def _straight(
    id: StyleId, name: str, stances_m: tuple[float, ...] = _NARROW,
    toes_deg: tuple[float, ...] = _STRAIGHT_TOES, **more: object,
) -> DeadliftStyle:  # fmt: skip
    """A style with a straight bar in front of the shins."""
    grips = _INSIDE_GRIPS_M if more.get("hands") == "inside" else _OUTSIDE_GRIPS_M
    grid = {"stance_m": stances_m, "toe_out_deg": toes_deg, "grip_m": grips}
    above = float(more.get("above_floor_m", 0.0))  # type: ignore[arg-type]
    grid["bar_height_m"] = (PLATE_RADIUS_M + above,)
    return DeadliftStyle(id, name, grid, rival=bool(more.get("from_floor", True)), **more)  # type: ignore[arg-type]


def _trap(id: StyleId, name: str, above_floor_m: float) -> DeadliftStyle:
    """A bar that the lifter stands in: its handles fix the hands, and nothing leans on it."""
    grid = {
        "stance_m": _NARROW, "toe_out_deg": _STRAIGHT_TOES,
        "bar_height_m": (PLATE_RADIUS_M + above_floor_m,),
    }  # fmt: skip
    return DeadliftStyle(
        id, name, grid, fixed={"grip_m": TRAP_HANDLES_M, "shoulder_offset_m": TRAP_AHEAD_M},
        rival=False, tells_strength=False, hands="beside", above_floor_m=above_floor_m,
        shank="free", factor=1.01,
    )  # fmt: skip


STYLES: dict[str, DeadliftStyle] = {
    style.id: style
    for style in (
        _straight("conventional", say("deadlift.conventional"), family="narrow"),
        _straight(
            "frog", say("deadlift.frog_stance"), toes_deg=(32.0, 35.0, 38.0, 41.0, 45.0),
            usual_toes_deg=38.0, family="narrow",
        ),
        _straight(
            "semi_sumo", say("deadlift.semi_sumo"),
            tuple(round(0.36 + 0.02 * i, 2) for i in range(9)), (15.0, 22.0, 28.0, 34.0, 40.0),
            hands="inside", usual_stance_m=0.50, usual_toes_deg=30.0, factor=0.97, family="wide",
        ),
        _straight(
            "sumo", say("deadlift.sumo"), _WIDE, (28.0, 32.0, 38.0, 44.0, 50.0),
            hands="inside", usual_stance_m=0.64, usual_toes_deg=32.0, family="wide",
        ),
        _trap("trap_low", say("deadlift.trap_bar_low_handles"), 0.0),
        _trap("trap_high", say("deadlift.trap_bar_high_handles"), 0.075),
        _straight("deficit", say("deadlift.deficit"), above_floor_m=-0.05, from_floor=False),
        _straight("block", say("deadlift.block_pull"), above_floor_m=0.10, from_floor=False),
        _straight(
            "romanian", say("deadlift.romanian"), above_floor_m=0.20, from_floor=False,
            tells_strength=False, shank=6.0, fixed={"shoulder_offset_m": ROMANIAN_AHEAD_M},
            stands_on_something=False,
        ),
    )
}  # fmt: skip
for _style in STYLES.values():
    if _style.factor != 1.0:
        assume(f"{_style.id}_factor", _style.factor, "share", f"strength left in a {_style.name}")
assert set(STYLES) == set(get_args(StyleId))
COMPETING: tuple[str, ...] = (
    "conventional", "frog", "semi_sumo", "sumo", "trap_low", "trap_high",
)  # fmt: skip


@dataclass(frozen=True)
class DeadliftSetup:
    """One start; toe-out and shank in rad. ``bar_offset_m`` in front of mid-foot,
    ``shoulder_offset_m`` in front of the bar; ``bar_height_m`` is the bar's centre.

    ``bar_offset_m`` None is found: where lifter and bar balance over mid-foot at the max. ``shank``
    None is found too: by the bar against the shin, or by search."""

    style: str
    stance_m: float
    toe_out: float
    grip_m: float
    bar_offset_m: float | None = None
    shoulder_offset_m: float = 0.04
    bar_height_m: float = PLATE_RADIUS_M
    shank: float | None = None

    @property
    def bar_at_m(self) -> float:
        """Place of the bar in front of mid-foot. Raises ValueError while balance has not decided
        it."""
        if self.bar_offset_m is None:
            raise ValueError(say("deadlift.start_no_place_bar"))
        return self.bar_offset_m

    @property
    def kind(self) -> DeadliftStyle:
        """What the style fixes."""
        return STYLES[self.style]


def usual_setup(style: str) -> DeadliftSetup:
    """A middle-of-the-road set-up of a style."""
    kind = STYLES[style]
    grip = {"outside": 0.54, "inside": 0.42, "beside": TRAP_HANDLES_M}[kind.hands]
    return DeadliftSetup(
        style, kind.usual_stance_m, float(radians(kind.usual_toes_deg)), grip,
        shoulder_offset_m=kind.fixed.get("shoulder_offset_m", 0.04),
        bar_height_m=kind.height_m(),
    )  # fmt: skip
