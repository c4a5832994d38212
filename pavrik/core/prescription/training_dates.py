"""On which dates a week is trained: on the asked weekdays, around dates that are blocked."""

from dataclasses import dataclass
from datetime import date, timedelta

from pavrik.core.prescription.plan_parts import PlanAsk
from pavrik.words import say

LAST_BEFORE_MEET = 2
"""Days before a meet on which the last work stands."""


@dataclass(frozen=True)
class TrainingDate:
    """A day that is trained, and the blocked day whose place it takes."""

    on: date
    instead_of: date | None = None

    @property
    def told(self) -> str:
        """Why it is not on its usual day."""
        return (
            say("prescription.blocked_trained_here", instead_of=self.instead_of)
            if self.instead_of
            else ""
        )


def _span(ask: PlanAsk, week: int) -> list[date]:
    return [ask.start + timedelta(days=7 * week + offset) for offset in range(7)]


def training_dates(ask: PlanAsk, week: int) -> list[TrainingDate]:
    """The training dates of a week from 0, counted from the start day; none in a meet's last days.
    A blocked day's work goes to the nearest free day of its week, the later one of two; without
    one the week is a day shorter."""
    span = _span(ask, week)
    if ask.meet is not None:
        span = [day for day in span if (ask.meet - day).days >= LAST_BEFORE_MEET]
    usual = [day for day in span if day.weekday() in ask.weekdays]
    free = [day for day in span if day not in usual and day not in ask.blocked]
    found = [TrainingDate(day) for day in usual if day not in ask.blocked]
    for day in usual:
        if day in ask.blocked and free:
            nearest = min(free, key=lambda other: (abs(other - day), other < day))
            free.remove(nearest)
            found.append(TrainingDate(nearest, day))
    return sorted(found, key=lambda one: one.on)


def days_left(ask: PlanAsk, week: int) -> int:
    """How many of a week's training days its blocked dates leave; 0 where it is a week away."""
    return min(len(ask.weekdays), sum(day not in ask.blocked for day in _span(ask, week)))
