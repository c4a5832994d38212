"""What each day of a log says of the max, as sums over its sets: read once, in one pass."""

import math
from collections.abc import Iterable, Sequence
from itertools import groupby
from operator import attrgetter
from typing import NamedTuple

from pavrik.core.assumptions import assume
from pavrik.core.log.training_set import Evidence, TrainingSet, evidence_of
from pavrik.core.strength.estimated_max import (
    MOST_REPS,
    TRUSTED_REPS,
    counted_in_full,
    estimate_max,
)

FORMULA_SD = assume("ability_formula_sd", 0.002, "log per rep", "error of rep formulas beyond that")


class Whole(NamedTuple):
    """Sets of one day and kind that count in full, as sums over them: log kg, reps beyond one and
    their squares, those that were rated short of a last rep; the set that says most and its kg."""

    sets: int
    value: float
    beyond: float
    squared: float
    rated: int
    most: TrainingSet
    most_kg: float
    heaviest_kg: float

    @property
    def noise(self) -> float:
        """Variance of the formulas, summed."""
        return FORMULA_SD**2 * self.squared


def _read(sets: Iterable[TrainingSet], *, own: bool) -> tuple[Whole | None, list[TrainingSet]]:
    """The sets of the lift itself, or of a variation, that count in full, and all others."""
    number = rated = 0
    value = beyond = squared = most_kg = heaviest_kg = 0.0
    most: TrainingSet | None = None
    others: list[TrainingSet] = []
    for logged in sets:
        load_kg, rpe = logged.load_kg, logged.rpe
        if (logged.of_max is None) is not own or not logged.counts_for_max:
            others.append(logged)
            continue
        counted = counted_in_full(load_kg, logged.reps, rpe)
        if counted is None:
            others.append(logged)
            continue
        kg, log_kg, reps = counted
        number += 1
        value += log_kg
        beyond += reps
        squared += reps * reps
        if rpe != 10.0:
            rated += 1
        if kg > most_kg:
            most, most_kg = logged, kg
        if load_kg > heaviest_kg:
            heaviest_kg = load_kg
    if most is None:
        return None, others
    return Whole(number, value, beyond, squared, rated, most, most_kg, heaviest_kg), others


class LoggedDay:
    """What a day says: sets in full of the lift and of variations, its best lower bound and its
    lowest miss (log kg and reps beyond one), the heaviest clean load."""

    __slots__ = ("_bound_by", "at_least", "at_most", "lifted", "missed", "of_variation", "whole")

    def __init__(self, sets: Iterable[TrainingSet]) -> None:
        self.whole, others = _read(sets, own=True)
        self.lifted = self.whole.heaviest_kg if self.whole else 0.0
        self.at_least: tuple[float, float] | None = None
        self.at_most: tuple[float, float] | None = None
        self.missed: TrainingSet | None = None
        self._bound_by: tuple[float, TrainingSet] | None = None
        variations: dict[str, list[TrainingSet]] = {}
        for logged in others:
            if logged.of_max is not None:
                variations.setdefault(logged.variation, []).append(logged)
            elif logged.counts_for_max:
                self._bound(logged)
            elif logged.missed_reps and not logged.is_rebound:
                self._miss(logged)
        self.of_variation: dict[str, Whole] = {}
        for name, of in variations.items():
            whole, _ = _read(of, own=False)
            if whole is not None:
                self.of_variation[name] = whole

    def _bound(self, logged: TrainingSet) -> None:
        """A set that proves no more than itself."""
        kg = estimate_max(logged.load_kg, min(logged.reps, TRUSTED_REPS), 10.0).kg
        self.lifted = max(self.lifted, logged.load_kg)
        if self._bound_by is None or kg > self._bound_by[0]:
            self._bound_by = (kg, logged)
            self.at_least = (math.log(kg), float(logged.reps - 1))

    def _miss(self, logged: TrainingSet) -> None:
        """The rep that failed bounds the max of the day from above; those before it count only
        where nothing else is known."""
        tried = min(logged.reps + 1, MOST_REPS)
        kg = estimate_max(logged.load_kg, tried, 10.0).kg
        if self.at_most is None or math.log(kg) < self.at_most[0]:
            self.at_most = (math.log(kg), tried - 1.0)
        if logged.reps and not any(fault.fault_id == "high" for fault in logged.faults):
            self.missed = logged

    @property
    def own(self) -> Evidence | None:
        """The set of the lift that says most."""
        whole, bound = self.whole, self._bound_by
        if bound is not None and (whole is None or bound[0] > whole.most_kg):
            return evidence_of(bound[1])
        return evidence_of(whole.most) if whole is not None else None

    @property
    def instead(self) -> Evidence | None:
        """A variation's set that says most, at its usual share, where the lift was not done."""
        told = [
            (whole.most_kg / whole.most.of_max[0], whole.most)
            for whole in self.of_variation.values()
            if whole.most.of_max is not None
        ]
        if not told:
            return None
        kg, logged = max(told, key=lambda one: one[0])
        full = logged.estimate()
        return Evidence(logged, full.scaled(kg / full.kg), False) if full is not None else None

    @property
    def before_a_miss(self) -> Evidence | None:
        """What the reps made before a miss prove."""
        logged = self.missed
        if logged is None:
            return None
        made = estimate_max(logged.load_kg, min(logged.reps, TRUSTED_REPS), 10.0)
        return Evidence(logged, made, True)


def days_of_log(sets: Sequence[TrainingSet]) -> dict[str, LoggedDay]:
    """Every day of a log, oldest first."""
    of = attrgetter("day")
    return {day: LoggedDay(of_day) for day, of_day in groupby(sorted(sets, key=of), of)}
