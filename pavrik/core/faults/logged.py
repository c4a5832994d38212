"""What the platform log says of one lift: sets with the faults seen in them."""

from collections.abc import Sequence
from dataclasses import dataclass

from pavrik.core.strength.estimated_max import EstimatedMax, estimate_max

COMPETITION = "competition"


@dataclass(frozen=True)
class LoggedFault:
    """One observation: catalogue id, its name in words, rep number, severity 1 to 3."""

    fault_id: str
    name: str
    rep: int
    severity: int
    phase: str = ""
    side: str | None = None


@dataclass(frozen=True)
class LoggedSet:
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
    setup_id: str | None = None
    measures: tuple[tuple[str, float], ...] = ()

    @property
    def all_reps(self) -> int:
        """Reps begun, made or missed."""
        return self.reps + self.missed_reps

    @property
    def counts_for_max(self) -> bool:
        """Sets with a miss or a lift-ending fault, or a cut depth, say nothing about the max."""
        return self.missed_reps == 0 and not any(
            fault.severity == 3 or fault.fault_id == "high" for fault in self.faults
        )

    def estimate(self) -> EstimatedMax | None:
        """Estimated max of a set that counts and can be trusted, else None."""
        if not self.counts_for_max or self.reps < 1:
            return None
        found = estimate_max(self.load_kg, self.reps, self.rpe)
        return found if found.trusted else None


def best_of_days(history: Sequence[LoggedSet]) -> list[tuple[LoggedSet, EstimatedMax]]:
    """The best counting set of each day, oldest first."""
    best: dict[str, tuple[LoggedSet, EstimatedMax]] = {}
    for logged in history:
        found = logged.estimate()
        if found and (logged.day not in best or found.kg > best[logged.day][1].kg):
            best[logged.day] = (logged, found)
    return [best[day] for day in sorted(best)]
