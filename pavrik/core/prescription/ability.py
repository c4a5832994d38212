"""What a lifter can lift today, from evidence of strength alone.

Nothing that holds a session back (a fault, pain, a cap, light work) ever enters it.
"""

from collections.abc import Sequence
from dataclasses import dataclass

from pavrik.core.log.training_set import Evidence, TrainingSet, best_of_days, competition_sets
from pavrik.core.prescription.reason import Reason, in_kg, reps_words
from pavrik.core.strength.estimated_max import trend


@dataclass(frozen=True)
class Ability:
    """The estimated max of a competition lift from its log, and what it rests on."""

    kg: float
    days: tuple[Evidence, ...]
    reason: Reason


def ability_of(history: Sequence[TrainingSet]) -> Ability | None:
    """Ability from the sets of a lift, oldest first; None where nothing counts."""
    days = best_of_days(competition_sets(history))
    level = trend([day.reading for day in days])
    if level is None:
        return None
    newest = next((day for day in reversed(days) if not day.at_least), days[-1])
    done = newest.logged
    at = f" at RPE {done.rpe:g}" if done.rpe is not None else ""
    counted = "1 day" if len(days) == 1 else f"{len(days)} days"
    text = (
        f"estimated max {in_kg(level.kg)} ({in_kg(level.low_kg)} to {in_kg(level.high_kg)}) from "
        f"{counted}, the last {reps_words(done.reps)} with {in_kg(done.load_kg)}{at} "
        f"giving {'at least ' if newest.at_least else ''}{in_kg(newest.kg)}"
    )
    facts = tuple(day.logged.set_id for day in days[-3:])
    return Ability(level.kg, tuple(days), Reason(text, facts))
