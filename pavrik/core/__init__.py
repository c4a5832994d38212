"""The trade: pure functions and frozen dataclasses. No web, no SQL, no clock, no global state.

Axes: origin on the floor midway between the two mid-feet; x forward, y to the lifter's left,
z up. SI units and radians inside; a name at an edge carries its unit.
"""

MODEL_VERSION = "2026.11.28.1"
MODEL_CHANGES: tuple[tuple[str, str], ...] = (
    (
        "2026.11.26.5",
        "strength counts in space, pulls stand in balance, screens cost instead of shutting out",
    ),
)
"""What changed for every set-up, by the version that brought it, oldest first."""
