"""Estimated max from a set, and the load for a target: the same formulas both ways.

Epley (1985) and Brzycki (1993), from memory; the third is the usual table of reps against RPE
(common practice, no source; reps in reserve after Zourdos et al. 2016, from memory). All are used
with the *effective* reps, reps done plus reps left.
"""

import math
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import NamedTuple

import numpy as np

from pavrik.words import say

TRUSTED_REPS = 10
LEAST_TRUSTED_RPE = 6.0
"""Below it a lifter cannot tell how many reps are left: common practice, no source."""
MOST_REPS = 20
_TABLE_SHARE = (1.0, 0.955, 0.922, 0.892, 0.863, 0.837, 0.811, 0.786, 0.762, 0.739, 0.707, 0.680)


@dataclass(frozen=True)
class EstimatedMax:
    """Median of the formulas and their spread in kg; ``trusted`` up to 10 effective reps."""

    kg: float
    least_kg: float
    most_kg: float
    effective_reps: float
    trusted: bool

    def scaled(self, by: float) -> "EstimatedMax":
        """The same of a lift that is so many times as strong."""
        return replace(
            self, kg=by * self.kg, least_kg=by * self.least_kg, most_kg=by * self.most_kg
        )

    @property
    def log_error(self) -> float:
        """Error of the formulas in the log: half their spread, growing with reps."""
        return float(np.log(self.most_kg / self.least_kg) / 2 + 0.005 * self.effective_reps)


def epley_kg(load_kg: float, reps: float) -> float:
    """Epley (1985): w (1 + r / 30)."""
    return load_kg * (1 + reps / 30)


def brzycki_kg(load_kg: float, reps: float) -> float:
    """Brzycki (1993): 36 w / (37 - r)."""
    return 36 * load_kg / (37 - reps)


def table_kg(load_kg: float, reps: float) -> float:
    """From the table of shares of the max against reps to failure."""
    share = np.interp(reps, np.arange(1, len(_TABLE_SHARE) + 1), _TABLE_SHARE)
    return float(load_kg / share)


def effective_reps(reps: int, rpe: float | None) -> float:
    """Reps done plus reps left by RPE; without an RPE the set counts as all-out."""
    return reps + (10 - rpe if rpe is not None else 0.0)


@lru_cache(maxsize=1024)
def _factors(done: float) -> tuple[float, float, float]:
    """Least, median and most of the formulas for a load of 1; all are straight lines in it."""
    least, middle, most = sorted(f(1.0, done) for f in (epley_kg, brzycki_kg, table_kg))
    return least, middle, most


@lru_cache(maxsize=4096)
def estimate_max(load_kg: float, reps: int, rpe: float | None = None) -> EstimatedMax:
    """Estimated max of one set. A single at RPE 10 is its own max."""
    if reps < 1 or reps > MOST_REPS:
        raise ValueError(say("strength.reps_give_no_max", reps=reps, most_reps=MOST_REPS))
    if load_kg <= 0:
        raise ValueError(say("strength.kg_gives_no_max", load_kg=load_kg))
    done = effective_reps(reps, rpe)
    if done <= 1:
        return EstimatedMax(load_kg, load_kg, load_kg, done, True)
    least, middle, most = _factors(done)
    return EstimatedMax(
        load_kg * middle, load_kg * least, load_kg * most, done, done <= TRUSTED_REPS
    )


class Counted(NamedTuple):
    """A set that counts in full: its estimated max, the log of that, its effective reps beyond
    one."""

    kg: float
    log_kg: float
    beyond: float


@lru_cache(maxsize=4096)
def counted_in_full(load_kg: float, reps: int, rpe: float | None) -> Counted | None:
    """What a set says of the max where it counts in full: an RPE of 6 or more was stated and no
    more than 10 effective reps were done. Else None."""
    if rpe is None or rpe < LEAST_TRUSTED_RPE or effective_reps(reps, rpe) > TRUSTED_REPS:
        return None
    found = estimate_max(load_kg, reps, rpe)
    return Counted(found.kg, math.log(found.kg), found.effective_reps - 1.0)


def load_for(max_kg: float, reps: int, rpe: float) -> float:
    """Load in kg at which ``reps`` reps feel like ``rpe``: the inverse of ``estimate_max``."""
    return max_kg / estimate_max(1.0, reps, rpe).kg
