"""What the log of one lift knows: rates, onsets, order, caps, whether cues and set-ups helped."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np

from pavrik.core.faults.catalogue import Catalogue
from pavrik.core.log.ability import AbilityDay, ability_series
from pavrik.core.log.comparison import Comparison, compare
from pavrik.core.log.cooccurrence import Together, first_of_reps, seen_together
from pavrik.core.log.onset import Onset, fit_onset, onset_words, seen_words
from pavrik.core.log.rates import Rate, by_load, by_rep, by_variation, by_week
from pavrik.core.log.rep_table import RepTable, rep_table
from pavrik.core.log.training_set import COMPETITION, TrainingSet, sets_of_the_max
from pavrik.words import say

BACK_FAULTS = ("low-round", "pull-upper-round", "upper-round", "butt-wink")
"""Faults of the back's shape: the load at which one rep in five shows them caps technique work."""


Counted = Literal["reps", "sets"]


@dataclass(frozen=True)
class FaultFindings:
    """One fault: reps with it of all reps (sets, where it can be seen once in a set only), its
    onset in words and numbers, its rates."""

    fault_id: str
    name: str
    reps: int
    faulty: int
    first_in_rep: int
    onset: Onset
    words: str
    by_load: list[Rate]
    by_rep: list[Rate]
    by_week: list[Rate]
    by_variation: list[Rate]
    counted: Counted = "reps"

    @property
    def seen(self) -> str:
        """How often, in words."""
        return seen_words(self.faulty, self.reps, self.counted)


@dataclass(frozen=True)
class Cap:
    """The most that keeps the back's shape, and the fault that says so."""

    load_kg: float
    fault_id: str
    words: str


@dataclass(frozen=True)
class Trial:
    """A cue or a set-up against what was before it, for one fault."""

    what: str
    fault_id: str
    name: str
    comparison: Comparison
    counted: Counted = "reps"


@dataclass(frozen=True)
class Findings:
    """Everything that the log of one lift says; ``max_kg`` is today's of the competition lift."""

    sets: int
    reps: int
    trend: list[tuple[str, float, AbilityDay]]
    """(day, estimate of its best set, smoothed) of the competition lift."""
    faults: list[FaultFindings]
    together: list[Together]
    cap: Cap | None

    @property
    def max_kg(self) -> float | None:
        return self.trend[-1][2].kg if self.trend else None


def competition_trend(sets: Sequence[TrainingSet], age: str) -> list[tuple[str, float, AbilityDay]]:
    """Estimates of the competition lift from clean dead-stop sets, its own and those of variations
    by their share, day by day."""
    return trend_of(ability_series(sets_of_the_max(sets), age))


def trend_of(series: Sequence[AbilityDay]) -> list[tuple[str, float, AbilityDay]]:
    """Day, the estimate of its best set in kg, and what was known then."""
    return [(one.day, one.says.kg, one) for one in series]


def counted_by(table: RepTable, catalogue: Catalogue, fault_id: str) -> tuple[RepTable, Counted]:
    """What a fault is counted in: sets where it can be seen once in a set only, else reps."""
    if catalogue.is_once_a_set(fault_id):
        return table.by_set(fault_id), "sets"
    return table, "reps"


def _fault(
    table: RepTable, catalogue: Catalogue, fault_id: str, first: int, max_kg: float | None
) -> FaultFindings:
    table, counted = counted_by(table, catalogue, fault_id)
    name, seen = catalogue.name_of(fault_id), table.seen(fault_id)
    onset = fit_onset(table.share, seen)
    return FaultFindings(
        fault_id,
        name,
        len(table),
        int(np.count_nonzero(seen)),
        first,
        onset,
        onset_words(name, onset, max_kg, counted),
        by_load(table, fault_id),
        by_rep(table, fault_id),
        by_week(table, fault_id),
        by_variation(table, fault_id),
        counted,
    )


def _lowest_fifth(
    onsets: Mapping[str, Onset], catalogue: Catalogue, max_kg: float | None
) -> Cap | None:
    if max_kg is None:
        return None
    known = [
        (onset.fifth.share * max_kg, fault_id)
        for fault_id, onset in onsets.items()
        if fault_id in BACK_FAULTS and onset.verdict == "known" and onset.fifth
    ]
    if not known:
        return None
    load, fault_id = min(known)
    name = catalogue.name_of(fault_id).lower()
    return Cap(load, fault_id, say("faults.rep_five_from_kg", name=name, load=load))


def technique_cap(sets: Sequence[TrainingSet], catalogue: Catalogue, age: str) -> Cap | None:
    """The lowest load at which one rep in five shows a fault of the back, None where none does: of
    ``findings`` the cap alone, for who reads it of everybody."""
    series = ability_series(sets_of_the_max(sets), age)
    table = rep_table(sets, age, series)
    onsets = {}
    for fault_id in sorted(set(table.faulty).intersection(BACK_FAULTS)):
        counted, _ = counted_by(table, catalogue, fault_id)
        onsets[fault_id] = fit_onset(counted.share, counted.seen(fault_id))
    return _lowest_fifth(onsets, catalogue, series[-1].kg if series else None)


def findings(sets: Sequence[TrainingSet], catalogue: Catalogue, lift: str, age: str) -> Findings:
    """What the log says; sets of one lift, oldest first, of a lifter of a training age."""
    phases = catalogue.phases[lift]
    series = ability_series(sets_of_the_max(sets), age)
    table, trend = rep_table(sets, age, series), trend_of(series)
    max_kg = trend[-1][2].kg if trend else None
    first = first_of_reps(sets, phases)
    faults = [
        _fault(table, catalogue, fault_id, first.get(fault_id, 0), max_kg)
        for fault_id in table.faulty
    ]
    faults.sort(key=lambda fault: (-fault.first_in_rep, -fault.faulty, fault.fault_id))
    return Findings(
        len(sets), len(table), trend, faults, seen_together(sets, phases),
        _lowest_fifth({fault.fault_id: fault.onset for fault in faults}, catalogue, max_kg),
    )  # fmt: skip


def cue_trials(
    sets: Sequence[TrainingSet], catalogue: Catalogue, cues: Sequence[str], age: str
) -> list[Trial]:
    """Every cue tried against the sets before its first one, for the faults it is meant for."""
    reps, found = rep_table(sets, age), []
    for cue in dict.fromkeys(cues):
        started = next((i for i, s in enumerate(sets) if s.cue == cue), None)
        if started is None or cue not in catalogue.remedies:
            continue
        for fault_id in reps.faulty:
            if fault_id not in catalogue.faults:
                continue
            if cue not in {r.id for r in catalogue.remedies_of(fault_id)}:
                continue
            table, counted = counted_by(reps, catalogue, fault_id)
            with_cue = np.array([s.cue == cue for s in sets])[table.of_set]
            taken = with_cue | (table.of_set < started)
            compared = compare(table.share[taken], table.seen(fault_id)[taken], with_cue[taken])
            text = catalogue.remedies[cue].text
            found.append(Trial(text, fault_id, catalogue.name_of(fault_id), compared, counted))
    return found


def setup_trial(
    sets: Sequence[TrainingSet], catalogue: Catalogue, what: str, since: str, before: str | None,
    age: str,
) -> list[Trial]:  # fmt: skip
    """Sets of the competition lift since a set-up was settled (ISO day) against those from
    ``before`` up to it, for every fault that was seen."""
    own = [s for s in sets if s.variation == COMPETITION and (before is None or s.day >= before)]
    reps, found = rep_table(own, age), []
    since_then = np.array([s.day >= since for s in own], dtype=bool)
    for fault_id in reps.faulty:
        table, counted = counted_by(reps, catalogue, fault_id)
        compared = compare(table.share, table.seen(fault_id), since_then[table.of_set])
        found.append(Trial(what, fault_id, catalogue.name_of(fault_id), compared, counted))
    return found
