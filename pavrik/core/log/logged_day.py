"""What each day of a log says of the max, as sums over its sets: read once, in one pass."""

import math
from collections.abc import Sequence

from pavrik.core.assumptions import assume
from pavrik.core.log.training_set import Evidence, TrainingSet, evidence_of
from pavrik.core.strength.estimated_max import (
    MOST_REPS,
    TRUSTED_REPS,
    Counted,
    counted_in_full,
    estimate_max,
)

FORMULA_SD = assume("ability_formula_sd", 0.002, "log per rep", "error of rep formulas beyond that")


class Whole:
    """Sets of one day and kind that count in full, as sums over them: log kg, reps beyond one,
    those that were rated short of a last rep, and the variance of the formulas."""

    __slots__ = ("beyond", "noise", "rated", "sets", "value")

    def __init__(self) -> None:
        self.sets = 0
        self.value = self.beyond = self.rated = self.noise = 0.0

    def add(self, kg: float, beyond: float, *, to_the_last: bool) -> None:
        self.sets += 1
        self.value += math.log(kg)
        self.beyond += beyond
        self.rated += not to_the_last
        self.noise += (FORMULA_SD * beyond) ** 2


class LoggedDay:
    """What a day says: sets in full of the lift and of variations, its best lower bound and its
    lowest miss (log kg and reps beyond one), the heaviest clean load."""

    __slots__ = (
        "_best_kg", "_best_of", "_instead_kg", "_instead_of", "at_least", "at_most", "lifted",
        "missed", "of_variation", "whole",
    )  # fmt: skip

    def __init__(self) -> None:
        self.whole: Whole | None = None
        self.of_variation: dict[str, Whole] | None = None
        self.at_least: tuple[float, float] | None = None
        self.at_most: tuple[float, float] | None = None
        self.missed: TrainingSet | None = None
        self.lifted = 0.0
        self._best_kg = self._instead_kg = 0.0
        self._best_of: TrainingSet | None = None
        self._instead_of: TrainingSet | None = None

    def add(self, logged: TrainingSet) -> None:
        """One set of the day."""
        if logged.missed_reps and not logged.is_rebound:
            if logged.of_max is None:
                self._miss(logged)
            return
        if not logged.counts_for_max:
            return
        counted = counted_in_full(logged.reps, logged.rpe)
        if logged.of_max is not None:
            if counted is not None:
                self._variation(logged, counted, logged.of_max[0])
            return
        if logged.load_kg > self.lifted:
            self.lifted = logged.load_kg
        if counted is None:
            self._bound(logged)
            return
        kg = logged.load_kg * counted.factor
        if kg > self._best_kg:
            self._best_kg, self._best_of = kg, logged
        if self.whole is None:
            self.whole = Whole()
        self.whole.add(kg, counted.beyond, to_the_last=logged.rpe == 10.0)

    def _variation(self, logged: TrainingSet, counted: Counted, share: float) -> None:
        if self.of_variation is None:
            self.of_variation = {}
        kg = logged.load_kg * counted.factor
        whole = self.of_variation.setdefault(logged.variation, Whole())
        whole.add(kg, counted.beyond, to_the_last=logged.rpe == 10.0)
        if kg / share > self._instead_kg:
            self._instead_kg, self._instead_of = kg / share, logged

    def _bound(self, logged: TrainingSet) -> None:
        """A set that proves no more than itself."""
        kg = estimate_max(logged.load_kg, min(logged.reps, TRUSTED_REPS), 10.0).kg
        if self.at_least is None or math.log(kg) > self.at_least[0]:
            self.at_least = (math.log(kg), float(logged.reps - 1))
        if kg > self._best_kg:
            self._best_kg, self._best_of = kg, logged

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
        return evidence_of(self._best_of) if self._best_of is not None else None

    @property
    def instead(self) -> Evidence | None:
        """A variation's set that says most, at its usual share, where the lift was not done."""
        logged = self._instead_of
        full = logged.estimate() if logged is not None else None
        if logged is None or full is None or logged.of_max is None:
            return None
        return Evidence(logged, full.scaled(1 / logged.of_max[0]), False)

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
    found: dict[str, LoggedDay] = {}
    for logged in sets:
        day = found.get(logged.day)
        if day is None:
            day = found[logged.day] = LoggedDay()
        day.add(logged)
    return dict(sorted(found.items()))
