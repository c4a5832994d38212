"""What the platform log says of one lift: sets with the faults seen in them."""

from collections.abc import Hashable, Iterable, Sequence
from dataclasses import dataclass
from typing import NamedTuple, TypeVar

from pavrik.core.strength.estimated_max import (
    TRUSTED_REPS,
    EstimatedMax,
    counted_in_full,
    estimate_max,
)

COMPETITION = "competition"
REBOUND = "rebound"
Key = TypeVar("Key", bound=Hashable)


@dataclass(frozen=True)
class LoggedFault:
    """One observation: catalogue id, its name in words, rep number, severity 1 to 3."""

    fault_id: str
    name: str
    rep: int
    severity: int
    phase: str = ""
    side: str | None = None


@dataclass(frozen=True, slots=True)
class TrainingSet:
    """A set as the platform log has it; ``day`` is the ISO date, for the because-lines.

    ``cue`` is the cue tried that day, ``measures`` what was measured in it (seconds, metres,
    counts) by kind.
    """

    set_id: str
    day: str
    load_kg: float
    reps: int
    rpe: float | None
    missed_reps: int = 0
    faults: tuple[LoggedFault, ...] = ()
    aimed_rpe: float | None = None
    variation: str = COMPETITION
    pull_style: str | None = None
    cue: str | None = None
    measures: tuple[tuple[str, float], ...] = ()
    of_max: tuple[float, float] | None = None
    """Of a variation: its usual share of the competition lift's max and the share's sd; None where
    it says nothing of that max."""
    over_slowest_m_s: float | None = None
    """Mean speed of the fastest rep over the slowest at which the lift is still made."""
    told: bool = False
    """A best that was told: it says what can be lifted, not that anything was trained."""

    @property
    def all_reps(self) -> int:
        """Reps begun, made or missed."""
        return self.reps + self.missed_reps

    @property
    def is_rebound(self) -> bool:
        """Rebound pulls train everything but the start: they say nothing of a dead-stop max."""
        return self.pull_style == REBOUND

    @property
    def counts_for_max(self) -> bool:
        """A miss, a lift-ending fault, a cut depth and a rebound say nothing about the max."""
        if self.reps == 0 or self.missed_reps or self.pull_style == REBOUND:
            return False
        return not self.faults or not any(
            fault.severity == 3 or fault.fault_id == "high" for fault in self.faults
        )

    def estimate(self) -> EstimatedMax | None:
        """Estimated max of a set that counts in full: an RPE of 6 or more was stated and no more
        than 10 effective reps were done. Else None."""
        if not self.counts_for_max:
            return None
        if counted_in_full(self.load_kg, self.reps, self.rpe) is None:
            return None
        return estimate_max(self.load_kg, self.reps, self.rpe)

    def at_least(self) -> EstimatedMax | None:
        """What a set proves whatever was left in the tank: the max if it had been all-out, with
        no more than 10 reps counted. None where the set does not count."""
        if not self.counts_for_max:
            return None
        return estimate_max(self.load_kg, min(self.reps, TRUSTED_REPS), 10.0)


class Evidence(NamedTuple):
    """What a set says of the max; ``at_least``: it is a lower bound only."""

    logged: TrainingSet
    estimate: EstimatedMax
    at_least: bool

    @property
    def kg(self) -> float:
        return self.estimate.kg


def evidence_of(logged: TrainingSet) -> Evidence | None:
    """What a set says of the max, in full or as a lower bound; None where it does not count. The
    only rule of what counts: a red-lighted or lift-ending set, a miss and a rebound do not."""
    full = logged.estimate()
    if full is not None:
        return Evidence(logged, full, False)
    bound = logged.at_least()
    return Evidence(logged, bound, True) if bound is not None else None


def best_sets(sets: Iterable[tuple[Key, TrainingSet]]) -> dict[Key, Evidence]:
    """The set of each key that says most of the max."""
    best: dict[Key, Evidence] = {}
    for key, logged in sets:
        says = evidence_of(logged)
        if says and (key not in best or says.kg > best[key].kg):
            best[key] = says
    return best


def best_of_days(history: Sequence[TrainingSet]) -> list[Evidence]:
    """The set of each day that says most of the max, oldest first."""
    best = best_sets((logged.day, logged) for logged in history)
    return [best[day] for day in sorted(best)]


def sets_of_the_max(history: Sequence[TrainingSet]) -> list[TrainingSet]:
    """The sets that say something of the competition lift's max: its own, and those of variations
    whose share of it is known well enough. Rebound pulls do not."""
    return [
        s for s in history
        if not s.is_rebound and (s.variation == COMPETITION or s.of_max is not None)
    ]  # fmt: skip


def competition_sets(history: Sequence[TrainingSet]) -> list[TrainingSet]:
    """The sets that may set a load of the competition lift: rebound pulls may not."""
    return [s for s in history if s.variation == COMPETITION and not s.is_rebound]
