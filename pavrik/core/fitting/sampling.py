"""Bodies, screens and strengths drawn from their errors, and set-ups fitted again on them.

A tape errs, a screen errs, strengths and the model's own numbers are guesses. On every drawn lifter
a set-up may move the feet a little and finds its best shank anew.
"""

from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import partial
from typing import Any

import numpy as np

from pavrik.core.body.segments import SEGMENTS, Body
from pavrik.core.fitting.candidates import groups
from pavrik.core.fitting.known_bests import KnownBest, doubts_of, doubts_of_tests
from pavrik.core.fitting.search import Evaluation, evaluate
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import ANGLE_SCREENS, Screens
from pavrik.core.lifts.case import Case
from pavrik.core.lifts.lift import Lift, Unknown
from pavrik.core.lifts.limit import broken_deg, own_share_left
from pavrik.core.strength.capacities import Capacities
from pavrik.core.strength.inverse import MUSCLES, OBSERVATION_SD, PRIOR_COVARIANCE
from pavrik.core.strength.isolated_tests import KnownTest, asked_nm, held_nm
from pavrik.core.units import Floats, radians

BAND_PERCENT = (10.0, 90.0)
OFFSETS = ("hip_crease_m", "knee_top_m")
STEP = 64
"""Bodies drawn at once: small enough to report progress, large enough to be fast."""
LEAST_KG = 1.0
AXES = (1, 1, 1)
"""Set-up, shank and step: behind the lifters' own axis."""


@dataclass(frozen=True)
class PredictionInterval:
    """Median and 80 % band of the predicted max in kg."""

    median_kg: float
    band_kg: tuple[float, float]


@dataclass(frozen=True)
class Ask:
    """How many bodies to draw, from which seed, and the bests and isolated tests that are known of
    the lifter."""

    samples: int
    seed: int = 1
    known: tuple[KnownBest, ...] = ()
    tests: tuple[KnownTest, ...] = ()


@dataclass(frozen=True)
class Draws:
    """Drawn bodies: predicted maxes in kg, shape (bodies, set-ups), what they hold in the set-ups
    of the known bests (kg) and in the known tests (N m), shape (bodies, bests and tests), the doubt
    (log) whether those were done so, and what each reading of the body came to."""

    maxes_kg: Floats
    told: Floats
    doubt: Floats
    readings: Mapping[str, Floats]

    def __len__(self) -> int:
        return len(self.maxes_kg)

    @staticmethod
    def joined(parts: Sequence["Draws"]) -> "Draws":
        """All parts as one, in their order."""
        return Draws(
            np.concatenate([part.maxes_kg for part in parts]),
            np.concatenate([part.told for part in parts]),
            parts[0].doubt,
            {name: np.concatenate([part.readings[name] for part in parts])
             for name in parts[0].readings},
        )  # fmt: skip


def reading_errors(lifter: Lifter) -> dict[str, float]:
    """Error (sd) of every length (m) and screen (rad) as it is known now."""
    assumed, body = lifter.assumed, lifter.body
    errors = {}
    for name in SEGMENTS:
        length = float(getattr(body, name))
        guess = assumed.offset_error_m if name in OFFSETS else assumed.length_error * length
        taped = min(assumed.tape_error_m, 0.05 * length)
        errors[name] = taped if name in lifter.measured else guess
    for screen in ANGLE_SCREENS:
        taken = screen.field not in lifter.screens.assumed
        error = assumed.screen_error_deg if taken else assumed.screen_guess_deg
        errors[screen.field] = float(radians(error))
    return errors


def explained_by_one_more(lifter: Lifter, name: str, error: float) -> float:
    """Share of a reading's variance that taking it once more would explain."""
    assumed = lifter.assumed
    again = assumed.tape_error_m if name in SEGMENTS else float(radians(assumed.screen_error_deg))
    return error**2 / (error**2 + again**2)


def _sample_body(lifter: Lifter, count: int, random: np.random.Generator) -> Body:
    errors = reading_errors(lifter)
    drawn: dict[str, Any] = {}
    for name in SEGMENTS:
        length = float(getattr(lifter.body, name))
        varied = length + errors[name] * random.standard_normal(count)
        drawn[name] = np.maximum(varied, 0.3 * length)
    return replace(lifter.body, **drawn).reshaped(count, *AXES)


def _sample_screens(lifter: Lifter, count: int, random: np.random.Generator) -> Screens:
    errors, screens = reading_errors(lifter), lifter.screens

    def draw(name: str) -> Floats:
        drawn = getattr(screens, name) + errors[name] * random.standard_normal(count)
        return np.asarray(np.maximum(drawn, 0.0).reshape(count, *AXES))

    return screens.with_limits(**{screen.field: draw(screen.field) for screen in ANGLE_SCREENS})


def _sample_capacities(lifter: Lifter, count: int, random: np.random.Generator) -> Capacities:
    """Strengths drawn round those that are taken, as widely as while no lift is known."""
    spread = np.linalg.cholesky(PRIOR_COVARIANCE)
    factors = np.exp(spread @ random.standard_normal((len(MUSCLES), count)))
    known = lifter.capacities
    return replace(
        known,
        **{
            name: getattr(known, name) * factor.reshape(count, *AXES)
            for name, factor in zip(MUSCLES, factors, strict=True)
        },
    )


def draw_lifters(lifter: Lifter, count: int, random: np.random.Generator) -> Lifter:
    """``count`` lifters as one, their fields laid out along a leading axis, those of set-up, shank
    and step behind it."""
    return replace(
        lifter,
        body=_sample_body(lifter, count, random),
        screens=_sample_screens(lifter, count, random),
        capacities=_sample_capacities(lifter, count, random),
    )


def _readings_of(drawn: Lifter, count: int) -> dict[str, Floats]:
    lengths = {name: getattr(drawn.body, name) for name in SEGMENTS}
    screens = {screen.field: getattr(drawn.screens, screen.field) for screen in ANGLE_SCREENS}
    return {name: np.reshape(values, count) for name, values in (lengths | screens).items()}


@dataclass(frozen=True)
class _Missed:
    """What the model misses in each style of each lift: one factor for each drawn body."""

    error: float
    count: int
    random: np.random.Generator
    factors: dict[tuple[str, str], Floats] = field(default_factory=dict)

    def of(self, lift: Lift[Any], setups: Sequence[Any]) -> Floats:
        """Factors of shape (bodies, set-ups); the same style always has the same."""
        for setup in setups:
            if (lift.id, setup.style) not in self.factors:
                drawn = np.exp(self.error * self.random.standard_normal(self.count))
                self.factors[lift.id, setup.style] = drawn
        return np.stack([self.factors[lift.id, setup.style] for setup in setups], axis=1)


def _told_kg(
    drawn: Lifter, known: Sequence[KnownBest], missed: _Missed, unknown: Mapping[str, Unknown]
) -> Floats:
    """What the drawn bodies lift in the very set-ups of the known bests, shape (bodies, bests); 0
    where no such posture exists. What was lifted was lifted: screens, schools and what must be kept
    today did not bind it, as in the strengths that are inferred from it."""
    told = np.zeros((missed.count, len(known)))
    drawn = replace(drawn, screens=replace(drawn.screens, hard=frozenset()))
    for lift in {best.lift.id: best.lift for best in known}.values():
        places = [at for at, best in enumerate(known) if best.lift.id == lift.id]
        setups = [known[at].setup for at in places]
        put = unknown[lift.id]
        kg = _best_of_neighbours(lift, drawn, setups, put, partial(_lifted_kg, lift), refit=False)
        told[:, places] = kg * missed.of(lift, setups)
    return told


def sample_in_steps(
    lift: Lift[Any], lifter: Lifter, setups: Sequence[Any], ask: Ask
) -> Iterator[Draws]:
    """Drawn bodies, a few at a time; ``conditioned`` on the bests that are known when all are
    there. Same seed, same answer."""
    doubt = np.concatenate([doubts_of(lifter, ask.known), doubts_of_tests(ask.tests)])
    for start in range(0, ask.samples, STEP):
        random = np.random.default_rng([ask.seed, start])
        count = min(STEP, ask.samples - start)
        drawn = draw_lifters(lifter, count, random)
        lifts = {lift.id: lift} | {best.lift.id: best.lift for best in ask.known}
        unknown = {
            name: one.kinematics.unknown(lifter.assumed, random, (count, *AXES))
            for name, one in sorted(lifts.items())
        }
        missed = _Missed(lifter.assumed.style_error, count, random)
        maxes = soft_maxes_kg(lift, drawn, setups, unknown[lift.id]) * missed.of(lift, setups)
        told = _told_kg(drawn, ask.known, missed, unknown)
        if ask.tests:
            told = np.hstack([told, held_nm(drawn.capacities, ask.tests, lifter.assumed)])
        yield Draws(maxes, told, doubt, _readings_of(drawn, count))


def conditioned(draws: Draws, ask: Ask, lifter: Lifter) -> Draws:
    """The draws as far as the known bests leave them: every body is moved by what its own lifts in
    those set-ups miss of what was lifted, as far as a best can be trusted (Burgers, van Leeuwen &
    Evensen 1998, from memory: ensemble update with perturbed observations). A best in a set-up
    that some drawn body cannot take at all says nothing here, one that this body can hardly hold
    says little."""
    heard = np.flatnonzero(np.all(draws.told > LEAST_KG, axis=0))
    if not len(heard):
        return draws
    of_formula = [*(best.rep_error for best in ask.known), *(t.rep_error for t in ask.tests)]
    rep_error = np.array(of_formula)[heard]
    errors = np.sqrt(OBSERVATION_SD**2 + rep_error**2 + draws.doubt[heard] ** 2)
    told = np.log(draws.told[:, heard])
    noise = errors * np.random.default_rng(ask.seed).standard_normal(told.shape)
    kg = [best.estimated_max_kg for best in ask.known]
    done = np.concatenate([kg, asked_nm(lifter.body, ask.tests, lifter.assumed)])
    lifted = np.log(done[heard])
    away = told - told.mean(axis=0)
    spread = away.T @ away / len(told) + np.diag(errors**2)
    missed = np.linalg.solve(spread, (lifted + noise - noise.mean(axis=0) - told).T).T

    def moved(values: Floats) -> Floats:
        columns = values.reshape(len(told), -1)
        together = (columns - columns.mean(axis=0)).T @ away / len(told)
        return np.asarray((columns + missed @ together.T).reshape(values.shape))

    none = draws.maxes_kg <= 0
    maxes = np.exp(moved(np.log(np.maximum(draws.maxes_kg, LEAST_KG))))
    return Draws(
        np.where(none, 0.0, maxes), draws.told, draws.doubt,
        {name: moved(values) for name, values in draws.readings.items()},
    )  # fmt: skip


def sample(lift: Lift[Any], lifter: Lifter, setups: Sequence[Any], ask: Ask) -> Draws:
    """All drawn bodies at once; a max is 0 where no such posture exists."""
    return conditioned(Draws.joined(list(sample_in_steps(lift, lifter, setups, ask))), ask, lifter)


def _as_assumed(case: Case) -> Case:
    return case


def best_maxes_kg(
    lift: Lift[Any], lifters: Lifter, setups: Sequence[Any], unknown: Unknown = _as_assumed
) -> Floats:
    """Best predicted max in kg of each set-up and its neighbours, for many lifters laid out along
    a leading axis; shape (lifters, set-ups), 0 where a limit is overstepped."""
    return _best_of_neighbours(lift, lifters, setups, unknown, lambda e: e.predicted_max_kg)


def _lifted_kg(lift: Lift[Any], found: Evaluation) -> Floats:
    """What the muscles hold, less what the posture itself costs."""
    axes = {name: over[..., None, None] for name, over in found.excess.items()}
    return found.held_max_kg * own_share_left(lift.limits, found.case, axes)[..., 0, 0]


def soft_maxes_kg(
    lift: Lift[Any], lifters: Lifter, setups: Sequence[Any], unknown: Unknown
) -> Floats:
    """The same where no limit closes: a screen is known to some degrees only, and a body that turns
    out stiffer is cut short, the more the further, rather than shut out."""
    half = lifters.assumed.overstep_half_deg

    def soft(found: Evaluation) -> Floats:
        over = broken_deg(lift.limits, found.case, found.excess) / half
        return found.held_max_kg * found.left * np.maximum(1.0 - 0.5 * over**2, 0.0)

    return _best_of_neighbours(lift, lifters, setups, unknown, soft)


def _best_of_neighbours(
    lift: Lift[Any], lifters: Lifter, setups: Sequence[Any], unknown: Unknown,
    kg_of: Callable[[Evaluation], Floats], refit: bool = True,
) -> Floats:  # fmt: skip
    best = np.zeros((np.shape(lifters.body.thigh_m)[0], len(setups)))
    for places in groups(lift, setups):
        alike = [setups[place] for place in places]
        refits = [near for setup in alike for near in lift.neighbours(setup)] if refit else alike
        case = unknown(lift.kinematics.case(lifters, refits, before=(1,)))
        maxes = kg_of(evaluate(lift, case, lift.quick))
        best[:, places] = maxes.reshape(len(best), len(places), -1).max(axis=-1)
    return best


def intervals(maxes_kg: Floats) -> list[PredictionInterval]:
    """Median and band of each column of drawn maxes, shape (bodies, set-ups)."""
    bands = np.percentile(maxes_kg, BAND_PERCENT, axis=0)
    medians = np.median(maxes_kg, axis=0)
    return [
        PredictionInterval(float(median), (float(low), float(high)))
        for median, low, high in zip(medians, *bands, strict=True)
    ]
