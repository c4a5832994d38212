"""The log of one lift laid out rep by rep, for counting with whole arrays."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date

import numpy as np
from numpy.typing import NDArray

from pavrik.core.log.ability import AbilityDay, ability_series
from pavrik.core.log.training_set import COMPETITION, TrainingSet, sets_of_the_max
from pavrik.core.units import Floats, Indices

Booleans = NDArray[np.bool_]


@dataclass(frozen=True)
class RepTable:
    """One entry per rep, arrays of shape (reps,).

    ``share`` is the load over the estimated max of its variation at that time (NaN where none was
    known yet), ``of_set`` the index of its set, ``day`` a day number, ``faulty`` which reps showed
    a fault.
    """

    load_kg: Floats
    share: Floats
    rep: Indices
    day: Indices
    of_set: Indices
    variation: NDArray[np.str_]
    faulty: dict[str, Booleans]

    def __len__(self) -> int:
        return len(self.load_kg)

    def seen(self, fault_id: str) -> Booleans:
        """Which reps showed the fault; none where it was never seen."""
        return self.faulty.get(fault_id, np.zeros(len(self), dtype=np.bool_))

    def by_set(self, fault_id: str) -> "RepTable":
        """One entry per set instead, faulty where any of its reps was."""
        first = np.flatnonzero(np.diff(self.of_set, prepend=-1))
        any_rep = np.logical_or.reduceat(self.seen(fault_id), first) if len(first) else first > 0
        return RepTable(
            self.load_kg[first], self.share[first], self.rep[first], self.day[first],
            self.of_set[first], self.variation[first], {fault_id: any_rep},
        )  # fmt: skip


def max_before(sets: Sequence[TrainingSet], series: Sequence[AbilityDay]) -> Floats:
    """Smoothed estimated max in kg that was known from ``series`` when each set began; the first
    day that counts in full stands for itself and what lies before it. NaN where there is none."""
    if not series:
        return np.full(len(sets), np.nan)
    levels = [found.kg for found in series]
    first = next((i for i, found in enumerate(series) if not found.says.at_least), 0)
    known = np.array([levels[first]] * (first + 1) + levels[first:])
    days = np.array([found.day for found in series])
    return known[np.searchsorted(days, [s.day for s in sets], side="left")]


def _maxes(sets: Sequence[TrainingSet], age: str, series: Sequence[AbilityDay]) -> Floats:
    """The estimated max at each set, of its own variation."""
    maxes = np.full(len(sets), np.nan)
    for variation in {s.variation for s in sets}:
        at = [i for i, s in enumerate(sets) if s.variation == variation]
        own = [sets[i] for i in at]
        if variation != COMPETITION:
            alone = ability_series([replace(s, of_max=None) for s in own], age)
        maxes[at] = max_before(own, series if variation == COMPETITION else alone)
    return maxes


def rep_table(
    sets: Sequence[TrainingSet], age: str, series: Sequence[AbilityDay] | None = None
) -> RepTable:
    """The reps of sets in the order of their days, of a lifter of a training age; ``series`` is the
    competition max by day where the caller has it already."""
    if series is None:
        series = ability_series(sets_of_the_max(sets), age)
    counts = np.array([s.all_reps for s in sets], dtype=np.intp)
    of_set = np.repeat(np.arange(len(sets)), counts)
    first = np.cumsum(counts) - counts
    rep = np.arange(len(of_set)) - first[of_set] + 1
    load = np.array([s.load_kg for s in sets], dtype=np.float64)
    day = np.array([date.fromisoformat(s.day).toordinal() for s in sets], dtype=np.intp)
    variation = np.array([s.variation for s in sets], dtype=np.str_)
    marks: dict[str, list[int]] = {}
    for index, logged in enumerate(sets):
        for fault in logged.faults:
            if fault.rep <= logged.all_reps:
                marks.setdefault(fault.fault_id, []).append(int(first[index]) + fault.rep - 1)
    faulty = {}
    for fault_id, rows in marks.items():
        faulty[fault_id] = np.zeros(len(of_set), dtype=np.bool_)
        faulty[fault_id][rows] = True
    share = load / _maxes(sets, age, series)
    return RepTable(
        load[of_set], share[of_set], rep, day[of_set], of_set, variation[of_set], faulty
    )
