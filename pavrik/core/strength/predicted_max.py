"""The load at which a use that grows with load reaches 1, for whole grids at once."""

from collections.abc import Callable

import numpy as np

from pavrik.core.body.segments import Number
from pavrik.core.units import Floats

FIRST_BODY_MASSES = (1.0, 2.2)
NEAR = 0.95
"""Share of a guess at which the first of two loads is tried."""
MOST_BODY_MASSES = 10.0
TOLERANCE = 1e-4
"""Of the use: about 0.02 kg at 200 kg."""
LEAST_KG = 0.01
STEPS = 40
ROUGH_STEPS, ROUGH_STEPS_NEAR = 4, 3
"""Enough where a search only looks for the place to look closer, without and with a guess."""


def load_at_full_utilization(
    most_use: Callable[[Floats], Floats],
    body_mass_kg: Number,
    near_kg: Floats | None = None,
    steps: int = STEPS,
) -> Floats:
    """Load in kg at which ``most_use`` (load -> largest use) is 1; 0 where the body alone is too
    much, 10 body masses where nothing limits.

    Use is nearly a straight line in the load, so a few secants do. Each stays inside the bracket
    known so far; one that would leave it halves the bracket instead, or tries the most there is.
    A good guess saves steps; where they run out, the last one is not looked at.
    """
    mass = np.asarray(body_mass_kg, dtype=np.float64)
    most_kg = MOST_BODY_MASSES * mass
    if near_kg is None:
        before, now = (mass * share for share in FIRST_BODY_MASSES)
    else:
        before, now = NEAR * np.maximum(near_kg, mass / 10), np.maximum(near_kg, mass / 10)
    gap_before, gap_now = most_use(before) - 1.0, most_use(now) - 1.0
    low, high = np.zeros_like(gap_now), np.ones_like(gap_now) * most_kg
    for left in reversed(range(steps)):
        above = gap_now > 0
        high, low = np.where(above, now, high), np.where(above, low, now)
        rise = gap_now - gap_before
        with np.errstate(divide="ignore", invalid="ignore"):
            secant = now - gap_now * (now - before) / rise
        inside = (secant >= low) & (secant <= high)
        beyond = (secant > high) & (high == most_kg)
        after = np.where(inside, secant, np.where(beyond, most_kg, (low + high) / 2))
        settled = (np.abs(gap_now) < TOLERANCE) | (high - low < LEAST_KG)
        if np.all(settled):
            break
        after = np.where(settled, now, after)
        before, gap_before = now, gap_now
        now = after
        if left:
            gap_now = most_use(after) - 1.0
    return np.where(high < 2 * LEAST_KG, 0.0, now)
