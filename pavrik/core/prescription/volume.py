"""How much: hard sets, and the capacities that they work."""

from collections.abc import Mapping

from pavrik.core.assumptions import assume

HARD_RPE = assume("hard_set_rpe", 6.5, "RPE", "a set counts as hard from here, four reps left")
HARD_SHARE_OF_LIMITER = 0.85
"""A set counts for every capacity whose use is at least this share of the most used one's."""


def is_hard(rpe: float | None) -> bool:
    """A set counts as hard from RPE 6.5 on, about four reps before failure."""
    return rpe is not None and rpe >= HARD_RPE


def capacities_worked(use: Mapping[str, float]) -> list[str]:
    """Capacities that a set works: those near the most used one."""
    most = max(use.values(), default=0.0)
    return [name for name, value in use.items() if most and value >= HARD_SHARE_OF_LIMITER * most]
