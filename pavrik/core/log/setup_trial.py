"""A trial of two set-ups: the same work in turn, and which one the lifter is stronger in.

Sessions go A, B, B, A and again, so that a steady gain helps neither. What a day says of the max is
compared by a straight line with a gain of its own and a step between the set-ups; its noise is
learnt from the days themselves round what is usual.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Literal

import numpy as np
from scipy.special import stdtr, stdtrit

from pavrik.core.assumptions import assume
from pavrik.core.log.ability import GROWTH
from pavrik.core.log.training_set import TrainingSet, competition_sets
from pavrik.core.strength.estimated_max import MOST_REPS, estimate_max
from pavrik.core.units import Floats
from pavrik.words import say

Arm = Literal["a", "b"]
Outcome = Literal["a", "b", "no difference worth having", "cannot tell", "too few sessions"]
LEAST_SESSIONS, MOST_SESSIONS = 4, 8
"""Each way."""
LEAST_TOLD = 2
"""Sessions of each set-up before anything is said."""
SURE = 0.9
WORTH_HAVING = assume(
    "trial_worth_having", 0.02, "share of the max", "a difference between set-ups that matters"
)
DAY_NOISE = assume("trial_day_noise", 0.022, "log", "error (sd) of one day's estimated max")
NOISE_DAYS = 4.0
"""How many days' worth the usual noise counts for."""
EFFECT_SD = assume("trial_effect_sd", 0.05, "log", "how far two set-ups may lie apart (sd)")
GAIN_PER_DAY = GAIN_SD = GROWTH["trained"] / 7
ALONE_SD = 10.0
"""Of the level: nothing is known of it beforehand."""
CLEAR = 2
SAME_KG = 1.25


def arm_of(session: int) -> Arm:
    """The set-up of a session, the first is 0."""
    return "a" if session % 4 in (0, 3) else "b"


@dataclass(frozen=True)
class SetupTrial:
    """A trial that was begun on ``started`` (ISO day): so many sessions each way of sets of
    ``reps`` with ``load_kg``. Other work of the lift does not belong to it."""

    started: str
    sessions_each: int
    load_kg: float
    reps: int

    @property
    def sessions(self) -> int:
        """Of both."""
        return 2 * self.sessions_each

    def sets(self, history: Sequence[TrainingSet]) -> list[TrainingSet]:
        """The sets of the lift that are the trial's work, of as many days as it has."""
        own = [s for s in competition_sets(history) if s.day >= self.started and self._is_work(s)]
        days = sorted({logged.day for logged in own})[: self.sessions]
        return [logged for logged in own if logged.day in days]

    def _is_work(self, logged: TrainingSet) -> bool:
        return abs(logged.load_kg - self.load_kg) <= SAME_KG and logged.all_reps == self.reps

    def arms(self, history: Sequence[TrainingSet]) -> dict[str, Arm]:
        """The set-up of every day that belongs to the trial."""
        days = sorted({logged.day for logged in self.sets(history)})
        return {day: arm_of(at) for at, day in enumerate(days)}


@dataclass(frozen=True)
class ArmSeen:
    """What was seen of one set-up: sessions, reps, those with a clear fault."""

    sessions: int
    reps: int
    faulty: int


@dataclass(frozen=True)
class TrialResult:
    """``gain`` is the log of what B lifts over A with its 80 % ``band``, ``chance_b`` the chance
    that B is the stronger; None where nothing can be told yet."""

    seen: Mapping[Arm, ArmSeen]
    gain: float | None
    band: tuple[float, float] | None
    chance_b: float | None
    outcome: Outcome
    finished: bool

    def words(self, a: str, b: str) -> str:
        """One sentence, honest about what is not known; the set-ups by their names."""
        done = sum(arm.sessions for arm in self.seen.values())
        if self.gain is None or self.band is None or self.chance_b is None:
            return say("log.too_few_sessions_yet", done=done, least_told=LEAST_TOLD)
        low, high = (np.expm1(edge) for edge in self.band)
        told = say("log.against_80_sure", b=b, a=a, change=np.expm1(self.gain), low=low, high=high)
        if self.outcome in ("a", "b"):
            better = b if self.outcome == "b" else a
            sure = self.chance_b if self.outcome == "b" else 1.0 - self.chance_b
            return say("log.stronger_sure", better=better, sure=sure, told=told)
        if self.outcome == "no difference worth having":
            return say("log.no_difference_worth_having", told=told)
        return say(
            "log.cannot_tell_them_apart",
            words="yet" if not self.finished else say("log.in_this_trial"),
            told=told,
        )


def _seen(work: Sequence[TrainingSet], arms: Mapping[str, Arm], arm: Arm) -> ArmSeen:
    sets = [s for s in work if arms[s.day] == arm]
    faulty = sum(len({f.rep for f in s.faults if f.severity >= CLEAR}) for s in sets)
    days = [day for day, of in arms.items() if of == arm]
    return ArmSeen(len(days), sum(s.all_reps for s in sets), faulty)


def _days_kg(sets: Sequence[TrainingSet]) -> dict[str, float]:
    """What each day says of the max in kg. The work is the same in both set-ups, so a rating that
    is too easy to tell a max still tells which one it was easier in."""
    best: dict[str, float] = {}
    for logged in sets:
        if logged.rpe is not None and logged.counts_for_max and logged.reps <= MOST_REPS:
            kg = estimate_max(logged.load_kg, logged.reps, logged.rpe).kg
            best[logged.day] = max(kg, best.get(logged.day, 0.0))
    return best


def _step_between(days: Floats, in_b: Floats, log_kg: Floats) -> tuple[float, float, float]:
    """Median, spread (log) and degrees of freedom of the step from A to B: a normal prior on level,
    gain and step, an inverse-gamma one on the noise, in closed form."""
    design = np.stack([np.ones_like(days), days - days.mean(), in_b], axis=1)
    expected = np.array([log_kg.mean(), GAIN_PER_DAY, 0.0])
    precision = np.diag(DAY_NOISE**2 / np.array([ALONE_SD, GAIN_SD, EFFECT_SD]) ** 2)
    after = design.T @ design + precision
    found = np.linalg.solve(after, design.T @ log_kg + precision @ expected)
    missed = log_kg @ log_kg + expected @ precision @ expected - found @ after @ found
    freedom = NOISE_DAYS + len(days)
    noise = np.sqrt((NOISE_DAYS * DAY_NOISE**2 + max(missed, 0.0)) / freedom)
    return float(found[2]), float(noise * np.sqrt(np.linalg.inv(after)[2, 2])), freedom


def judge(trial: SetupTrial, history: Sequence[TrainingSet]) -> TrialResult:
    """What the sessions so far say; ``history`` of the lift, oldest first."""
    arms, work = trial.arms(history), trial.sets(history)
    seen: dict[Arm, ArmSeen] = {arm: _seen(work, arms, arm) for arm in ("a", "b")}
    told = _days_kg(work)
    sides: list[Arm] = [arms[day] for day in told]
    finished = len(arms) >= trial.sessions
    if min(sides.count("a"), sides.count("b")) < LEAST_TOLD:
        return TrialResult(seen, None, None, None, "too few sessions", finished)
    days = np.array([date.fromisoformat(day).toordinal() for day in told], float)
    in_b = np.array([float(side == "b") for side in sides])
    gain, spread, freedom = _step_between(days, in_b, np.log(list(told.values())))
    low, high = (gain + spread * float(stdtrit(freedom, edge)) for edge in (0.1, 0.9))
    chance = float(stdtr(freedom, gain / spread))
    return TrialResult(
        seen, gain, (low, high), chance, _outcome(chance, low, high, finished), finished
    )


def _outcome(chance_b: float, low: float, high: float, finished: bool) -> Outcome:
    if max(chance_b, 1.0 - chance_b) >= SURE and finished:
        return "b" if chance_b >= 0.5 else "a"
    if finished and max(-low, high) < WORTH_HAVING:
        return "no difference worth having"
    return "cannot tell"
