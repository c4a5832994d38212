"""Before a season's next session: the max as the log told it, and the top set of each day."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from pavrik.core.log.training_set import TrainingSet, competition_sets
from pavrik.core.prescription.ability import ability_of


@dataclass(frozen=True)
class MaxOn:
    """The max of a day in kg with its 80 % band."""

    on: date
    kg: float
    low_kg: float
    high_kg: float


@dataclass(frozen=True)
class TopSet:
    """The heaviest set of a day; ``missed``: a rep of it failed."""

    on: date
    load_kg: float
    reps: int
    rpe: float | None
    missed: bool


@dataclass(frozen=True)
class SoFar:
    """One competition lift up to today."""

    lift: str
    max_on: tuple[MaxOn, ...]
    done: tuple[TopSet, ...]


def _top_sets(sets: Sequence[TrainingSet]) -> tuple[TopSet, ...]:
    top: dict[str, TrainingSet] = {}
    for logged in sets:
        if logged.day not in top or logged.load_kg > top[logged.day].load_kg:
            top[logged.day] = logged
    return tuple(
        TopSet(date.fromisoformat(day), s.load_kg, s.reps, s.rpe, s.missed_reps > 0)
        for day, s in sorted(top.items())
    )


def so_far(lift: str, history: Sequence[TrainingSet], age: str, since: date, today: date) -> SoFar:
    """The days from ``since`` to ``today``; what was told and not trained is in the max alone."""
    trained = [
        s
        for s in competition_sets(history)
        if not s.told and date.fromisoformat(s.day) >= since and s.all_reps
    ]
    ability = ability_of(history, age, today)
    if ability is None:
        return SoFar(lift, (), _top_sets(trained))
    known = [MaxOn(date.fromisoformat(d.day), d.kg, d.low_kg, d.high_kg) for d in ability.days]
    known.append(MaxOn(today, ability.kg, ability.low_kg, ability.high_kg))
    before = [day for day in known if day.on < since][-1:]
    inside = [day for day in known if day.on >= since]
    return SoFar(lift, (*before, *inside), _top_sets(trained))
