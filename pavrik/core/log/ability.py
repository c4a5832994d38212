"""The competition max of a lift on every day of its log, as a distribution: a filter over days.

The log of the max is a level that grows slowly; what a set says of it is off by how this lifter's
reps fall with load, by how he rates, by the day and by chance. The first two stay the same from
day to day and are learnt where lifts disagree, so many sets are not many witnesses. A variation
speaks by its share of the max, which stays nearly the same too and is learnt beside it; so does the
line of bar speed against load, off by how slow this lifter's slowest rep is. Light work
is a lower bound and a miss an upper one: they enter by the moments of a truncated normal.
"""

import math
from collections.abc import Sequence
from datetime import date
from functools import lru_cache
from typing import NamedTuple

from pavrik.core.assumptions import assume, assume_each
from pavrik.core.log.known import Known, Look
from pavrik.core.log.load_velocity import LoadVelocity, lines_by_day
from pavrik.core.log.logged_day import FORMULA_SD, LoggedDay, Whole, days_of_log
from pavrik.core.log.training_set import Evidence, TrainingSet

GROWTH = assume_each(
    "ability_growth", {"novice": 0.010, "trained": 0.0035, "advanced": 0.0012}, "log per week",
    "expected growth of the max by training age",
)  # fmt: skip
GROWTH_SD_SHARE = 1.0
"""Of the expected growth: how far a lifter's own may lie from it (sd)."""
LEVEL_DRIFT = assume("ability_drift", 0.006, "log per week", "how the level strays in a week (sd)")
DAY_SD = assume("ability_day_sd", 0.015, "log", "good and bad days (sd)")
CURVE_SD = assume(
    "ability_curve_sd", 0.005, "log per rep", "how lifters' reps fall with load otherwise (sd)"
)
RATING_SD = assume("ability_rating_sd", 0.017, "log", "half a point of RPE that one always errs by")
SET_SD = assume("ability_set_sd", 0.015, "log", "what one rating is off by chance (sd)")
VARIATION_SD = assume(
    "ability_variation_sd",
    0.03,
    "log",
    "what a day of a variation is off by beyond a usual day (sd)",
)
SHARE_DRIFT = assume(
    "ability_share_drift", 0.004, "log per day", "how a variation's share of the max strays (sd)"
)
SPEED = ""
"""Where the bar's speed stands among the shares: no variation is called so."""
SPEED_SD = assume(
    "ability_speed_sd", 0.05, "log", "how far a lifter's slowest rep puts the max by speed off (sd)"
)
LINE_SD = assume("ability_line_sd", 0.02, "log", "error of a line of speed that is drawn well (sd)")
FIRST_SD = 0.25
"""Of the level before anything is known, round the first thing that is said of it."""
AWAY_DAYS = 14
AWAY_LOSS = assume("away_loss", 0.005, "log per week", "lost in a week without the lift, after two")
AWAY_MOST = assume("away_most", 0.12, "log", "most that time away takes")
AWAY_SD_SHARE = 0.5
"""Of what time away took: how unsure that is (sd)."""
BAND = 1.2816
FAR = 4.0
"""Spreads from a bound at which it says nothing."""

REMEMBERED_SETS = 1000
"""A log up to so long is remembered: one study asks for the same series from several sides."""


class AbilityDay(NamedTuple):
    """The max after a day's sets: kg with its 80 % band, growth (log per week), how far the day
    moved it in kg, and the set of the day that says most (of a variation, at its usual share, where
    the lift was not done); ``level`` and ``spread`` are its log."""

    day: str
    says: Evidence
    level: float
    spread: float
    growth_per_week: float
    last_step_kg: float
    by: str = ""
    """The variation by whose share alone the day spoke."""
    speed_kg: float | None = None
    """The max that the day's line of speed against load points at."""

    @property
    def kg(self) -> float:
        return math.exp(self.level)

    @property
    def low_kg(self) -> float:
        return math.exp(self.level - BAND * self.spread)

    @property
    def high_kg(self) -> float:
        return math.exp(self.level + BAND * self.spread)

    def after(self, days: int) -> "AbilityDay":
        """The same so many days later without the lift: from two weeks on some of it is lost."""
        lost = _lost(days)
        spread = math.hypot(self.spread, AWAY_SD_SHARE * lost)
        return AbilityDay(
            self.day, self.says, self.level - lost, spread, self.growth_per_week, self.last_step_kg
        )


def _lost(days: int) -> float:
    """Log that is lost after so many days without an exposure."""
    return min(max(days - AWAY_DAYS, 0) / 7 * AWAY_LOSS, AWAY_MOST)


class _Filter:
    """What is known of the lifter on a day, and how days and sets change it."""

    def __init__(self, known: Known, day: int) -> None:
        self.known, self.day = known, day
        self.seen = False
        """Whether anything counted in full."""

    def to(self, day: int) -> None:
        """Time passes: the level grows and strays, and falls where the lift was left alone."""
        days = day - self.day
        if days <= 0:
            return
        self.day = day
        lost = _lost(days)
        strayed = LEVEL_DRIFT**2 * days / 7 + (AWAY_SD_SHARE * lost) ** 2
        self.known.passes(min(days, AWAY_DAYS), lost, strayed)
        self.known.shares_stray(SHARE_DRIFT**2 * days)

    def hears(self, value: float, look: Look, noise: float) -> None:
        """An observation in full."""
        expected, variance, along = self.known.expects(look)
        self.known.learns(along, variance + noise, value - expected, 1.0)

    def hears_sets(self, whole: Whole, share: int | None = None) -> None:
        """A day's sets of one kind; ``share`` is where the variation's share stands."""
        n = whole.sets
        noise = DAY_SD**2 + SET_SD**2 / n + whole.noise / n
        if share is not None:
            noise += VARIATION_SD**2
        self.hears(whole.value / n, Look(whole.beyond / n, whole.rated / n, share), noise)

    def hears_speed(self, line: LoadVelocity, share: int) -> None:
        """The max that a line of speed against load points at."""
        noise = DAY_SD**2 + max(line.max_sd_kg / line.max_kg, LINE_SD) ** 2
        self.hears(math.log(line.max_kg), Look(0.0, share=share), noise)
        self.seen = True

    def bounded(self, value: float, beyond: float, *, below: bool) -> bool:
        """A bound: the max lies above ``value``, or below it, told by so many reps beyond one.
        False where it is so far off that it says nothing."""
        noise = DAY_SD**2 + (FORMULA_SD * beyond) ** 2
        expected, variance, along = self.known.expects(Look(beyond))
        variance += noise
        root, sign = math.sqrt(variance), -1.0 if below else 1.0
        at = sign * (value - expected) / root
        if at < -FAR:
            return False
        hazard = _hazard(at)
        self.known.learns(along, variance, sign * root * hazard, hazard * (hazard - at))
        return True


def _hazard(at: float) -> float:
    """Density over the tail of a standard normal from ``at`` on."""
    if at > 30.0:
        return at + 1.0 / at
    density = math.exp(-0.5 * at * at) / math.sqrt(2 * math.pi)
    return density / (0.5 * math.erfc(at / math.sqrt(2)))


Shares = dict[str, tuple[float, float]]
"""By variation: its usual share of the max and the share's sd."""


def _first_level(day: LoggedDay, shares: Shares) -> float | None:
    """The first thing that is said of the max, as its log."""
    if day.whole is not None:
        return day.whole.value / day.whole.sets
    if day.at_least is not None:
        return day.at_least[0]
    if day.of_variation:
        name, whole = next(iter(day.of_variation.items()))
        return whole.value / whole.sets - math.log(shares[name][0])
    if day.before_a_miss is not None:
        return math.log(day.before_a_miss.kg)
    return None


def _begin(day: LoggedDay, on: int, age: str, shares: Shares) -> _Filter | None:
    """A filter round the first thing that is said of the max."""
    first = _first_level(day, shares)
    if first is None:
        return None
    growth = GROWTH[age] / 7
    sds = (FIRST_SD, GROWTH_SD_SHARE * growth, CURVE_SD, RATING_SD)
    of_max = [(math.log(share), sd / share) for share, sd in shares.values()]
    return _Filter(Known(first, growth, sds, of_max), on)


def _take(state: _Filter, day: LoggedDay, at: dict[str, int]) -> bool:
    """A day's sets into the filter; False where they say nothing."""
    told = False
    if day.whole is not None:
        state.hears_sets(day.whole)
        state.seen = told = True
    for name, whole in day.of_variation.items():
        state.hears_sets(whole, at[name])
        state.seen = told = True
    if day.at_least is not None:
        value, beyond = day.at_least
        if not state.seen:
            told = value >= state.known.level - 1e-12
            state.known.level = max(state.known.level, value)
        else:
            told |= state.bounded(value, beyond, below=False)
    if day.at_most is not None and state.seen:
        told |= state.bounded(*day.at_most, below=True)
    if day.lifted and math.log(day.lifted) > state.known.level + DAY_SD:
        state.known.level = math.log(day.lifted) - DAY_SD
        told = True
    return told


def ability_series(sets: Sequence[TrainingSet], age: str = "trained") -> list[AbilityDay]:
    """The max after every day that counts, oldest first, from sets of one lift or variation, and of
    variations of it whose share is known (``of_max``).

    Bounds raise or lower it and nothing else; before anything counts in full a lower bound stands
    for the max. What was on the bar cleanly cannot lie above the max by more than a good day.
    """
    if len(sets) > REMEMBERED_SETS:
        return _series(sets, age)
    return list(_remembered(tuple(sets), age))


@lru_cache(maxsize=64)
def _remembered(sets: tuple[TrainingSet, ...], age: str) -> tuple[AbilityDay, ...]:
    return tuple(_series(sets, age))


def _series(sets: Sequence[TrainingSet], age: str) -> list[AbilityDay]:
    shares: Shares = {s.variation: s.of_max for s in sets if s.of_max is not None}
    lines = lines_by_day(sets)
    if lines:
        shares[SPEED] = (1.0, SPEED_SD)
    at = {name: number for number, name in enumerate(shares)}
    state: _Filter | None = None
    found: list[AbilityDay] = []
    for day, said in days_of_log(sets).items():
        on = date.fromisoformat(day).toordinal()
        if state is None:
            state = _begin(said, on, age, shares)
            if state is None:
                continue
            before = state.known.level
        else:
            state.to(on)
            before = state.known.level
        line = lines.get(day)
        if line is not None:
            state.hears_speed(line, at[SPEED])
        if not _take(state, said, at) and line is None and found:
            continue
        own = said.own
        says = own or said.instead or (found[-1].says if found else said.before_a_miss)
        assert says is not None
        level = state.known.level
        found.append(
            AbilityDay(
                day, says, level, math.sqrt(max(state.known.variance, 0.0)),
                7 * state.known.growth, math.exp(level) - math.exp(before) if found else 0.0,
                "" if own else "".join([*said.of_variation][:1]),
                line.max_kg if line else None,
            )
        )  # fmt: skip
    return found
