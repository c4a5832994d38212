"""Mobility screens that gate the lifts. What was not screened is assumed, and said to be."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import Any, Literal

import numpy as np

from pavrik.core.assumptions import Assumptions, assume
from pavrik.core.body.segments import Number
from pavrik.core.units import Floats, degrees, radians
from pavrik.words import say

BarPosition = Literal["front", "high", "middle", "low"]
BAR_POSITIONS: tuple[BarPosition, ...] = ("front", "high", "middle", "low")
"""Places of a bar on the body that the shoulder screen is taken for."""
ShelfScreen = Literal["holds", "not_screened", "fails"]
"""Whether the bar rests on the back without the hands: asked of beginners before it goes low."""


@dataclass(frozen=True)
class Screens:
    """Limits in rad; ``narrowest_grip_m`` per bar position, None where that bar hurts or cannot
    be held. ``assumed`` names the screens that nobody took, ``hard`` the limits that must not be
    overstepped at all: where it hurts, where the back was seen to give, and for the young."""

    dorsiflexion: Number
    hip_flexion: Number
    abduction: Number
    rotation: Number
    narrowest_grip_m: Mapping[BarPosition, float | None] = field(default_factory=dict)
    assumed: frozenset[str] = frozenset()
    hard: frozenset[str] = frozenset()
    shelf: ShelfScreen = "holds"

    def with_limits(self, **angles: Any) -> "Screens":
        """The same screens with other angles (rad), for sampling."""
        return replace(self, **angles)

    def bearable(self, position: BarPosition) -> bool:
        """False only where the shoulder screen says that the position cannot be held."""
        return self.narrowest_grip_m.get(position, 0.0) is not None


@dataclass(frozen=True)
class AngleScreen:
    """An angle that is screened: the field of ``Screens`` that holds it, the screen's kind as it is
    recorded, its key in the public JSON, what can be (deg), what is taken where nobody screened
    it, and what a coach calls it."""

    field: str
    kind: str
    key: str
    low_deg: float
    high_deg: float
    usual_deg: float
    words: str


ANGLE_SCREENS = (
    AngleScreen(
        "dorsiflexion", "ankle", "ankle_dorsiflexion_deg", 0.0, 60.0, 38.0, say("lifter.ankle_bend")
    ),
    AngleScreen(
        "hip_flexion", "neutral_depth", "neutral_closing_deg", 60.0, 180.0, 156.0,
        say("lifter.neutral_depth"),
    ),
    AngleScreen(
        "abduction", "hip", "hip_abduction_deg", 5.0, 90.0, 52.0, say("lifter.hip_opening")
    ),
    AngleScreen(
        "rotation", "hip_rotation", "hip_rotation_deg", 0.0, 90.0, 50.0, say("lifter.hip_rotation")
    ),
)  # fmt: skip
"""Every angle that gates a lift; the one list that core, files and API read."""
for _screen in ANGLE_SCREENS:
    assume(
        f"{_screen.field}_screen", _screen.usual_deg, "deg",
        f"{_screen.words} when it was not screened",
    )  # fmt: skip


def make_screens(
    *, narrowest_grip_m: Mapping[str, float | None] | None = None, **taken_deg: float | None
) -> Screens:
    """Screens from what was taken, by its key in the public JSON; None is filled with what is
    usual.

    Raises ValueError with one sentence per problem, joined by newlines; TypeError for a key that is
    no screen.
    """
    unknown = taken_deg.keys() - {screen.key for screen in ANGLE_SCREENS}
    if unknown:
        raise TypeError(say("lifter.there_no_screen_called", unknown=", ".join(sorted(unknown))))
    grips = dict(narrowest_grip_m or {})
    problems = [
        say("lifter.there_no_bar_position", name=name)
        for name in grips
        if name not in BAR_POSITIONS
    ]
    angles: dict[str, Any] = {}
    missing = set() if grips else {"shoulder"}
    for screen in ANGLE_SCREENS:
        value = taken_deg.get(screen.key)
        if value is None:
            missing.add(screen.field)
        elif not screen.low_deg <= value <= screen.high_deg:
            problems.append(
                say(
                    "lifter.deg_outside_deg_take",
                    words=screen.words,
                    value=value,
                    low_deg=screen.low_deg,
                    high_deg=screen.high_deg,
                )
            )
        angles[screen.field] = float(radians(screen.usual_deg if value is None else value))
    if problems:
        raise ValueError("\n".join(problems))
    return Screens(
        **angles,
        narrowest_grip_m={p: grips[p] for p in BAR_POSITIONS if p in grips},
        assumed=frozenset(missing),
    )


def hip_flexion_from_angles_deg(thigh_deg: float, lean_deg: float) -> float:
    """Hip flexion in degrees from a side picture: the thigh's rise of the knee over the hip
    (negative below) and the trunk's lean from vertical. Thigh level and trunk upright flex 90."""
    return 90.0 + thigh_deg + lean_deg


HARD_BY_REGION: Mapping[str, frozenset[str]] = {
    "ankle": frozenset({"ankle"}),
    "knee": frozenset({"ankle", "knee_track"}),
    "hip": frozenset({"hip_flexion", "abduction", "rotation"}),
    "lower back": frozenset({"hip_flexion", "lean"}),
    "upper back": frozenset({"lean"}),
}
"""Limits that are not overstepped at all where a region hurts: common practice, no source."""
SCREEN_LIMITS = frozenset({"ankle", "hip_flexion", "abduction", "rotation"})
GROWN_YEARS = 18


def hard_limits(
    pain: Sequence[str], back_turns: bool = False, years: int | None = None
) -> frozenset[str]:
    """Limits that must be kept to the degree: of what hurts, of neutral depth where the lower back
    was seen to turn under at the bottom, and every screen of a lifter who is not grown."""
    found: frozenset[str] = frozenset().union(*(HARD_BY_REGION.get(r, ()) for r in pain))
    if back_turns:
        found |= {"hip_flexion"}
    if years is not None and years < GROWN_YEARS:
        found |= SCREEN_LIMITS
    return found


def neutral_flexion(screens: Screens, abduction: Floats, assumed: Assumptions) -> Floats:
    """Flexion over the thigh in rad that this lower back bears unchanged with the thighs opened so
    far (rad): most at a middling abduction, less to both sides."""
    away_deg = degrees(abduction) - assumed.neutral_best_abduction_deg
    return np.asarray(screens.hip_flexion - radians(assumed.neutral_lost_per_deg2 * away_deg**2))
