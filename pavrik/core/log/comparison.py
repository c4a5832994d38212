"""Did it help? The rate of a fault before and after a cue or a set-up, at comparable loads."""

from dataclasses import dataclass
from typing import Literal

import numpy as np
from scipy.special import betainc, betaln

from pavrik.core.log.rep_table import Booleans
from pavrik.core.units import Floats
from pavrik.words import say

LEAST_REPS = 12
SURE = 0.95
JEFFREYS = 0.5
NODES = 600
ALIKE = 0.025
"""Shares of the max so near to each other are one load: the max itself moves as much."""
Outcome = Literal["helped", "made it worse", "no difference seen", "too few reps"]


@dataclass(frozen=True)
class Comparison:
    """Faulty reps of all reps before and after inside the same loads (shares of the max), the
    chance that the rate is lower now, and the outcome in plain words."""

    before: tuple[int, int]
    after: tuple[int, int]
    loads: tuple[float, float] | None
    chance_lower: float
    outcome: Outcome

    def words(self, counted: str = "reps") -> str:
        """One sentence with the counts; what was ``counted`` are reps or sets."""
        if self.loads is None:
            return say("log.too_few_no_load", counted=counted)
        (k0, n0), (k1, n1) = self.before, self.after
        counts = say("log.before_after", k0=k0, n0=n0, counted=counted, k1=k1, n1=n1)
        band = say("log.between_max", low=self.loads[0], high=self.loads[1])
        return f"{self.outcome}: {counts}, {band}"


def chance_lower(before: tuple[int, int], after: tuple[int, int]) -> float:
    """Chance that the rate after is below the rate before, each with Jeffreys' prior.

    The integral of the density of one over the distribution of the other, by the midpoint rule in
    an angle that takes the poles out of the ends.
    """
    (k0, n0), (k1, n1) = before, after
    a0, b0 = k0 + JEFFREYS, n0 - k0 + JEFFREYS
    angle = (np.arange(NODES) + 0.5) * (np.pi / 2) / NODES
    p = np.sin(angle) ** 2
    log_density = (a0 - 1) * np.log(p) + (b0 - 1) * np.log1p(-p) - betaln(a0, b0)
    weight = np.exp(log_density) * 2 * np.sin(angle) * np.cos(angle) * (np.pi / 2) / NODES
    return float(np.sum(weight * betainc(k1 + JEFFREYS, n1 - k1 + JEFFREYS, p)))


def _outcome(chance: float, least: int) -> Outcome:
    if least < LEAST_REPS:
        return "too few reps"
    if chance >= SURE:
        return "helped"
    return "made it worse" if chance <= 1 - SURE else "no difference seen"


def compare(share: Floats, faulty: Booleans, after: Booleans) -> Comparison:
    """Reps with ``after`` false against the rest, inside the loads that both sides have."""
    known = np.isfinite(share)
    if not np.any(known & after) or not np.any(known & ~after):
        return Comparison((0, 0), (0, 0), None, 0.5, "too few reps")
    low = max(np.min(share[known & after]), np.min(share[known & ~after]))
    high = min(np.max(share[known & after]), np.max(share[known & ~after]))
    if low > high + 2 * ALIKE:
        return Comparison((0, 0), (0, 0), None, 0.5, "too few reps")
    low, high = min(low, high), max(low, high)
    same = known & (share >= low - ALIKE) & (share <= high + ALIKE)

    def count(side: Booleans) -> tuple[int, int]:
        return int(np.count_nonzero(faulty & side)), int(np.count_nonzero(side))

    was, now = count(same & ~after), count(same & after)
    chance = chance_lower(was, now)
    return Comparison(
        was, now, (float(low), float(high)), chance, _outcome(chance, min(was[1], now[1]))
    )
