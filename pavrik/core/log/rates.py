"""How often a fault is seen, by load band, rep number, week and variation, with intervals."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from itertools import pairwise

import numpy as np

from pavrik.core.log.rep_table import Booleans, RepTable
from pavrik.core.units import Floats, Indices
from pavrik.words import say

BANDS = (0.60, 0.70, 0.75, 0.80, 0.85, 0.90, 0.95, 1.00)
Z_80 = 1.2815515655446004
"""Of an 80 % interval, the band used everywhere in Pavrik."""
LAST_REP = 6


@dataclass(frozen=True)
class Rate:
    """Faulty reps of all reps in one cell, with an 80 % interval of the rate."""

    label: str
    reps: int
    faulty: int
    low: float
    high: float

    @property
    def rate(self) -> float:
        return self.faulty / self.reps if self.reps else 0.0


def wilson(faulty: Floats | Indices, reps: Floats | Indices, z: float = Z_80) -> Floats:
    """Interval of a rate after Wilson (1927), shape (2, ...); 0 to 1 where there are no reps."""
    n = np.maximum(np.asarray(reps, dtype=np.float64), 1e-12)
    p = np.asarray(faulty, dtype=np.float64) / n
    middle = (p + z**2 / (2 * n)) / (1 + z**2 / n)
    half = z * np.sqrt(p * (1 - p) / n + z**2 / (4 * n**2)) / (1 + z**2 / n)
    found = np.clip(np.stack([middle - half, middle + half]), 0.0, 1.0)
    return np.where(np.asarray(reps) > 0, found, np.array([0.0, 1.0]).reshape(2, *[1] * p.ndim))


def _rates(labels: Sequence[str], cell: Indices, faulty: Booleans) -> list[Rate]:
    """Rates of the cells that have reps; ``cell`` is each rep's index into the labels."""
    reps = np.bincount(cell, minlength=len(labels))
    hits = np.bincount(cell[faulty], minlength=len(labels))
    low, high = wilson(hits, reps)
    return [
        Rate(label, int(reps[i]), int(hits[i]), float(low[i]), float(high[i]))
        for i, label in enumerate(labels)
        if reps[i]
    ]


def by_load(table: RepTable, fault_id: str) -> list[Rate]:
    """By the share of the estimated max of that time."""
    known = np.isfinite(table.share)
    labels = [
        say("log.under_bands", bands=BANDS[0]),
        *[f"{a * 100:.0f}–{b:.0%}" for a, b in pairwise(BANDS)],
        say("log.from_bands", bands=BANDS[-1]),
    ]
    cell = np.searchsorted(BANDS, table.share[known] + 1e-9)
    return _rates(labels, cell, table.seen(fault_id)[known])


def by_rep(table: RepTable, fault_id: str) -> list[Rate]:
    """By the number of the rep in its set."""
    labels = [say("log.rep_n", n=n) for n in range(1, LAST_REP)] + [
        say("log.rep_on", last_rep=LAST_REP)
    ]
    return _rates(labels, np.minimum(table.rep, LAST_REP) - 1, table.seen(fault_id))


def by_week(table: RepTable, fault_id: str) -> list[Rate]:
    """By calendar week, oldest first, labelled by its Monday."""
    if not len(table):
        return []
    week = (table.day - 1) // 7
    first = int(week.min())
    labels = [
        (date.fromordinal(first * 7 + 1) + timedelta(weeks=i)).isoformat()
        for i in range(int(week.max()) - first + 1)
    ]
    return _rates(labels, week - first, table.seen(fault_id))


def by_variation(table: RepTable, fault_id: str) -> list[Rate]:
    """By variation of the lift."""
    names, cell = np.unique(table.variation, return_inverse=True)
    return _rates([str(name) for name in names], cell, table.seen(fault_id))
