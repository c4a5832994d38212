"""Back after time away: the first sessions are eased in, then the season goes on. Common practice,
no source."""

from collections.abc import Sequence
from dataclasses import replace
from datetime import date

from pavrik.core.assumptions import assume_each
from pavrik.core.log.ability import AWAY_DAYS
from pavrik.core.log.training_set import TrainingSet
from pavrik.core.prescription.effort import LEAST_RPE
from pavrik.core.prescription.reason import Reason
from pavrik.core.prescription.shape import Dose
from pavrik.words import say

LONG_AWAY_DAYS = 28
SHORT_EASE, LONG_EASE = (1.0, 0.5), (2.5, 2.0, 1.0, 0.5)
"""Less RPE in the first, second ... session after more than two weeks, and from four weeks on."""
for _weeks, _ease in ((2, SHORT_EASE), (4, LONG_EASE)):
    assume_each(
        f"eased_in_after_{_weeks}_weeks", {f"session_{i + 1}": v for i, v in enumerate(_ease)},
        "RPE", "less effort after time away",
    )  # fmt: skip
SET_LESS = 1.0
"""From so much less effort on a set falls away as well."""


def days_away(history: Sequence[TrainingSet], on: date) -> int:
    """Days from the last logged set of a lift, of any variation, to a day; 0 without a log: nobody
    knows when one who only told bests trained last."""
    last = next((s for s in reversed(history) if not s.told), None)
    return (on - date.fromisoformat(last.day)).days if last else 0


def eased(
    doses: tuple[Dose, ...], away_days: int, session: int
) -> tuple[tuple[Dose, ...], Reason | None]:
    """Main work of the so-manieth session (0 is the first) after so many days away, and why."""
    steps = LONG_EASE if away_days >= LONG_AWAY_DAYS else SHORT_EASE
    if away_days <= AWAY_DAYS or session >= len(steps):
        return doses, None
    less = steps[session]
    kept = tuple(_eased(dose, less) for dose in doses if dose.reps > 1) or doses
    weeks = away_days // 7
    told = say("prescription.weeks_without_lift_eased", weeks=weeks, less=less)
    return kept, Reason(told)


def _eased(dose: Dose, less: float) -> Dose:
    if dose.share is not None:
        return dose
    sets = max(dose.sets - 1, 1) if less >= SET_LESS else dose.sets
    return replace(dose, sets=sets, rpe=max(dose.rpe - less, LEAST_RPE))
