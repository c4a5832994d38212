"""Mobility screens that gate the lifts. What was not screened is assumed, and said to be."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from typing import Literal

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.segments import Number
from pavrik.core.units import Floats, radians

BarPosition = Literal["front", "high", "middle", "low"]
BAR_POSITIONS: tuple[BarPosition, ...] = ("front", "high", "middle", "low")
"""Places of a bar on the body that the shoulder screen is taken for."""


@dataclass(frozen=True)
class Screens:
    """Limits in rad; ``narrowest_grip_m`` per bar position, None where that bar hurts or cannot
    be held. ``assumed`` names the screens that nobody took."""

    dorsiflexion: Number
    hip_flexion: Number
    abduction: Number
    rotation: Number
    narrowest_grip_m: Mapping[BarPosition, float | None] = field(default_factory=dict)
    assumed: frozenset[str] = frozenset()

    def with_limits(
        self, dorsiflexion: Number, hip_flexion: Number, abduction: Number, rotation: Number
    ) -> "Screens":
        """The same screens with other angles, for sampling."""
        return replace(
            self,
            dorsiflexion=dorsiflexion,
            hip_flexion=hip_flexion,
            abduction=abduction,
            rotation=rotation,
        )  # fmt: skip

    def bearable(self, position: BarPosition) -> bool:
        """False only where the shoulder screen says that the position cannot be held."""
        return self.narrowest_grip_m.get(position, 0.0) is not None


_RANGES_DEG = {"dorsiflexion": (0.0, 60.0), "hip_flexion": (60.0, 180.0), "abduction": (5.0, 90.0),
              "rotation": (0.0, 90.0)}  # fmt: skip


def make_screens(
    assumed: Assumptions,
    *,
    ankle_dorsiflexion_deg: float | None = None,
    neutral_closing_deg: float | None = None,
    hip_abduction_deg: float | None = None,
    hip_rotation_deg: float | None = None,
    narrowest_grip_m: Mapping[str, float | None] | None = None,
) -> Screens:
    """Screens from what was taken; None is filled with the assumption.

    Raises ValueError with one sentence per problem, joined by newlines.
    """
    taken = {
        "dorsiflexion": ankle_dorsiflexion_deg,
        "hip_flexion": neutral_closing_deg,
        "abduction": hip_abduction_deg,
        "rotation": hip_rotation_deg,
    }
    default = {
        "dorsiflexion": assumed.ankle_screen_deg,
        "hip_flexion": assumed.hip_flexion_screen_deg,
        "abduction": assumed.abduction_screen_deg,
        "rotation": assumed.rotation_screen_deg,
    }
    grips = dict(narrowest_grip_m or {})
    problems = [
        f"there is no bar position called {name}" for name in grips if name not in BAR_POSITIONS
    ]
    for name, value in taken.items():
        low, high = _RANGES_DEG[name]
        if value is not None and not low <= value <= high:
            problems.append(
                f"{name.replace('_', ' ')} {value:g} deg is outside {low:g} to {high:g} deg: take "
                "the screen again"
            )
    if problems:
        raise ValueError("\n".join(problems))
    angles = {
        name: float(radians(value if value is not None else default[name]))
        for name, value in taken.items()
    }
    missing = frozenset(name for name, value in taken.items() if value is None)
    return Screens(
        **angles,
        narrowest_grip_m={p: grips[p] for p in BAR_POSITIONS if p in grips},
        assumed=missing | ({"shoulder"} if not grips else frozenset()),
    )


def hip_flexion_from_angles_deg(thigh_deg: float, lean_deg: float) -> float:
    """Hip flexion in degrees from a side picture: the thigh's rise of the knee over the hip
    (negative below) and the trunk's lean from vertical. Thigh level and trunk upright flex 90."""
    return 90.0 + thigh_deg + lean_deg


def abduction_limit(screens: Screens, hip_flexion: Floats, assumed: Assumptions) -> Floats:
    """Abduction in rad that is left in a hip that is flexed that far (rad)."""
    excess = np.maximum(hip_flexion - np.deg2rad(assumed.abduction_lost_from_deg), 0.0)
    return np.asarray(screens.abduction - assumed.abduction_lost_per_deg * excess)
