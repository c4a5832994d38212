"""A variation's max over the competition lift's, learnt from the lifter's own days.

A local level in the log (Kalman filter in one dimension): it starts at the prior of common
practice, each day of the variation moves it by its weight, and time adds a little doubt, so that
recent days count more and practice may move the ratio. Never taken over from another lifter.
"""

from bisect import bisect_right
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.log.ability import SHARE_DRIFT, ability_series
from pavrik.core.log.training_set import (
    COMPETITION,
    Evidence,
    TrainingSet,
    best_of_days,
    competition_sets,
)

DAY_ERROR = assume(
    "ratio_day_error",
    0.045,
    "log",
    "error (sd, log) of one day's ratio: both estimates and the day's form",
)
_BAND_SD = 1.2816


@dataclass(frozen=True)
class RatioStep:
    """The ratio after a day with its 80 % band, and what that day alone said (None: the prior)."""

    day: str | None
    said: float | None
    ratio: float
    low: float
    high: float


@dataclass(frozen=True)
class LearntRatio:
    """The ratio of today, its 80 % band, and how it was learnt, prior first."""

    ratio: float
    low: float
    high: float
    days: int
    steps: tuple[RatioStep, ...]

    @property
    def sure(self) -> float:
        """Half the band's width as a share of the ratio."""
        return (self.high - self.low) / 2 / self.ratio


def _step(day: str | None, said: float | None, level: float, variance: float) -> RatioStep:
    band = _BAND_SD * float(np.sqrt(variance))
    return RatioStep(
        day, said, float(np.exp(level)), float(np.exp(level - band)), float(np.exp(level + band))
    )


def learn_ratio(
    prior: tuple[float, float], seen: Sequence[tuple[str, float]], today: str | None = None
) -> LearntRatio:
    """From (mean, sd) of the prior and (ISO day, ratio) oldest first; ``today`` adds the doubt of
    the time since."""
    level, variance = float(np.log(prior[0])), (prior[1] / prior[0]) ** 2
    prior_variance, steps = variance, [_step(None, None, level, variance)]
    before: str | None = None
    for day, ratio in seen:
        variance = _aged(variance, before, day, prior_variance)
        gain = variance / (variance + DAY_ERROR**2)
        level += gain * (float(np.log(ratio)) - level)
        variance *= 1 - gain
        steps.append(_step(day, ratio, level, variance))
        before = day
    if before is not None and today is not None:
        variance = _aged(variance, before, today, prior_variance)
    last = _step(today, None, level, variance)
    return LearntRatio(last.ratio, last.low, last.high, len(seen), tuple(steps))


def _aged(variance: float, before: str | None, day: str, most: float) -> float:
    """Variance after the time between two days; never more than the prior's."""
    if before is None:
        return variance
    days = max((date.fromisoformat(day) - date.fromisoformat(before)).days, 0)
    return min(variance + days * SHARE_DRIFT**2, max(most, variance))


DailyRatios = dict[str, list[tuple[str, float]]]


def daily_ratios(sets: Sequence[TrainingSet], age: str) -> DailyRatios:
    """By variation: (day, ratio) of every day with a counting set of it, against the trend of the
    competition lift at that time; days before the first competition set say nothing."""
    of_variation: dict[str, list[TrainingSet]] = {}
    for logged in sets:
        if logged.variation != COMPETITION:
            of_variation.setdefault(logged.variation, []).append(logged)
    own = ability_series(competition_sets(sets), age) if of_variation else []
    if not own:
        return {}
    days, levels = [found.day for found in own], [found.kg for found in own]

    def against_the_trend(one: Evidence) -> float:
        return one.kg / levels[bisect_right(days, one.logged.day) - 1]

    return {
        name: [
            (one.logged.day, against_the_trend(one))
            for one in best_of_days(of)
            if one.logged.day >= days[0] and not one.at_least
        ]
        for name, of in of_variation.items()
    }
