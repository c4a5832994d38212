"""Who lifts when, when several share a bar: the fewest changes of height, then of plates."""

from collections.abc import Sequence
from dataclasses import dataclass


@dataclass(frozen=True)
class Turn:
    """One lifter's next set: hook hole of the bar (None from the floor) and its load in kg."""

    lifter_id: str
    name: str
    hook_hole: int | None
    load_kg: float | None


def turn_order(turns: Sequence[Turn]) -> list[Turn]:
    """Same bar height together, lowest first; in each the lightest first, unknown loads last."""
    return sorted(
        turns,
        key=lambda t: (
            t.hook_hole if t.hook_hole is not None else -1,
            t.load_kg if t.load_kg is not None else float("inf"),
            t.name,
        ),
    )
