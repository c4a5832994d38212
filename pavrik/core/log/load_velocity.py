"""A lifter's own line of bar speed against load: the max that it points at, the reps left.

A speed is the mean of a rep's way up, told as what it has over the slowest speed at which the lift
is still made: where nothing is over, there is the max.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.log.training_set import COMPETITION, TrainingSet
from pavrik.core.strength.estimated_max import TRUSTED_REPS, estimate_max
from pavrik.words import say

LEAST_LOADS = 4
LEAST_SPAN = assume("load_velocity_span", 0.30, "share", "of the max that the loads must span")
TOGETHER_DAYS = 28
"""Sets further apart are of another strength: no line is drawn through them."""
LEFT_SD = assume("reps_left_sd", 1.0, "reps", "error of reps left as told by the last rep's speed")
_REPS = np.arange(1, TRUSTED_REPS + 1)
_FACTORS = np.array([estimate_max(1.0, int(reps), 10.0).kg for reps in _REPS])


@dataclass(frozen=True)
class LoadVelocity:
    """What a rep has over the slowest speed = ``at_zero_m_s`` less ``per_kg`` times the load; the
    max in kg and its error (sd)."""

    at_zero_m_s: float
    per_kg: float
    max_kg: float
    max_sd_kg: float


def load_velocity(sets: Sequence[tuple[float, float]]) -> LoadVelocity | str:
    """The line through (load in kg, m/s over the slowest) of sets, or why there is none yet."""
    loads = np.array([load for load, _ in sets])
    over = np.array([speed for _, speed in sets])
    different = len(set(loads.tolist()))
    if different < LEAST_LOADS:
        return say("log.different_loads_filmed", different=different, least_loads=LEAST_LOADS)
    (slope, start), cov = np.polyfit(loads, over, 1, cov=True)
    if slope >= 0:
        return say("log.heavier_bars_not_slower")
    top = start / -slope
    if np.ptp(loads) < LEAST_SPAN * top:
        return say("log.loads_span_max_needed", ptp=np.ptp(loads) / top, least_span=LEAST_SPAN)
    pulled = np.array([start / slope**2, -1.0 / slope])
    return LoadVelocity(
        float(start), float(-slope), float(top), float(np.sqrt(pulled @ cov @ pulled))
    )


def lines_by_day(sets: Sequence[TrainingSet]) -> dict[str, LoadVelocity]:
    """The lines that sets of the lift with a speed give, by the day of the newest set of each. Sets
    of four weeks at most go together, and every set speaks once."""
    told: dict[str, list[tuple[float, float]]] = {}
    for logged in sets:
        over = logged.over_slowest_m_s
        if over is not None and logged.variation == COMPETITION and logged.counts_for_max:
            told.setdefault(logged.day, []).append((logged.load_kg, over))
    lines: dict[str, LoadVelocity] = {}
    waiting: list[str] = []
    for day in sorted(told):
        waiting = [one for one in waiting if _days_between(one, day) <= TOGETHER_DAYS] + [day]
        line = load_velocity([point for one in waiting for point in told[one]])
        if isinstance(line, LoadVelocity):
            lines[day], waiting = line, []
    return lines


def _days_between(earlier: str, later: str) -> int:
    return (date.fromisoformat(later) - date.fromisoformat(earlier)).days


def reps_left(
    load_kg: float, max_kg: float, fastest_over_m_s: float, last_over_m_s: float
) -> float | None:
    """Reps left after a set: speed falls evenly from the fastest rep to the slowest that is still
    made. None where the load is too light for reps to be counted."""
    could = max_kg / load_kg
    if could > _FACTORS[-1] or fastest_over_m_s <= 0:
        return None
    most = float(np.interp(could, _FACTORS, _REPS)) - 1.0
    return max(most * min(last_over_m_s / fastest_over_m_s, 1.0), 0.0)
