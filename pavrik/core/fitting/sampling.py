"""Bodies, screens and strengths drawn from their errors, and set-ups fitted again on them.

A tape errs, a screen errs, strengths and the model's own numbers are guesses. On every drawn lifter
a set-up may move the feet a little and finds its best shank anew.
"""

from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import partial
from typing import Any

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.segments import SEGMENTS
from pavrik.core.fitting.candidates import groups
from pavrik.core.fitting.known_bests import KnownBest, doubts_of, doubts_of_tests
from pavrik.core.fitting.search import Evaluation, evaluate
from pavrik.core.fitting.unknowns import AXES, StyleOfLift, Unknowns
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.case import Case
from pavrik.core.lifts.lift import Lift, Unknown
from pavrik.core.lifts.limit import broken_deg, own_share_left
from pavrik.core.strength.capacities import assumed_capacities
from pavrik.core.strength.inverse import OBSERVATION_SD
from pavrik.core.strength.isolated_tests import KnownTest, asked_nm, held_nm
from pavrik.core.units import Floats, radians

BAND_PERCENT = (10.0, 90.0)
STEP = 64
"""Bodies drawn at once: small enough to report progress, large enough to be fast."""
LEAST_KG = 1.0
LEAST_ABLE = 0.5
"""Share of the drawn bodies that must be able to take a best's set-up for it to be heard."""
MOST_ERROR = 1.0
"""Log error of a best that is heard: by more than a factor of nearly three it is no measure."""
ROUNDS = 2
"""How often drawn bodies are asked what they lift, and moved."""
RIDGE = 0.01
"""Of a spread squared: keeps slopes quiet where few bodies are drawn."""


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
    """Drawn bodies: predicted maxes in kg, shape (bodies, set-ups), 0 where no such posture exists,
    and what each reading of the body came to."""

    maxes_kg: Floats
    readings: Mapping[str, Floats]

    def __len__(self) -> int:
        return len(self.maxes_kg)

    @staticmethod
    def joined(parts: Sequence["Draws"]) -> "Draws":
        """All parts as one, in their order."""
        return Draws(
            np.concatenate([part.maxes_kg for part in parts]),
            {name: np.concatenate([part.readings[name] for part in parts])
             for name in parts[0].readings},
        )  # fmt: skip


def explained_by_one_more(lifter: Lifter, name: str, error: float) -> float:
    """Share of a reading's variance that taking it once more would explain."""
    assumed = lifter.assumed
    again = assumed.tape_error_m if name in SEGMENTS else float(radians(assumed.screen_error_deg))
    return error**2 / (error**2 + again**2)


@dataclass(frozen=True)
class _Part:
    """Some of the drawn bodies: their places, and what of each lift's kinematics is not known and
    no lift tells."""

    rows: slice
    put: Mapping[str, Unknown]


def _parts(
    lifts: Mapping[str, Lift[Any]], assumed: Assumptions, samples: int, seed: np.random.SeedSequence
) -> list[_Part]:
    parts, starts = [], range(0, samples, STEP)
    for start, own in zip(starts, seed.spawn(len(starts)), strict=True):
        random, count = np.random.default_rng(own), min(STEP, samples - start)
        put = {
            name: lift.kinematics.unknown(assumed, random, (count, *AXES))
            for name, lift in sorted(lifts.items())
        }
        parts.append(_Part(slice(start, start + count), put))
    return parts


@dataclass(frozen=True)
class _Told:
    """What bests and tests say of drawn bodies, as logs of kg and N m: what was ``done``, with what
    ``error``, and what the bodies do in the same."""

    unknowns: Unknowns
    ask: Ask
    parts: Sequence[_Part]
    done: Floats
    error: Floats

    @staticmethod
    def of(unknowns: Unknowns, ask: Ask, parts: Sequence[_Part]) -> "_Told":
        lifter = unknowns.lifter
        kg = [best.estimated_max_kg for best in ask.known]
        doubt = np.concatenate([doubts_of(lifter, ask.known), doubts_of_tests(ask.tests)])
        rep = np.array([*(b.rep_error for b in ask.known), *(t.rep_error for t in ask.tests)])
        done = np.concatenate([kg, asked_nm(lifter.body, ask.tests, lifter.assumed)])
        error = np.sqrt(OBSERVATION_SD**2 + rep**2 + doubt**2)
        return _Told(unknowns, ask, parts, np.log(done), error)

    def by(self, deviates: Floats) -> Floats:
        """Shape (bodies, bests and tests); -inf where no such posture exists. What was lifted was
        lifted: screens, schools and what must be kept today did not bind it, as in the strengths
        that are inferred from it."""
        found = [self._part(deviates[part.rows], part) for part in self.parts]
        with np.errstate(divide="ignore"):
            return np.log(np.concatenate(found))

    def _part(self, deviates: Floats, part: _Part) -> Floats:
        known, of = self.ask.known, self.unknowns
        drawn = of.lifters(deviates)
        drawn = replace(drawn, screens=replace(drawn.screens, hard=frozenset()))
        told = np.zeros((len(deviates), len(known)))
        for lift in {best.lift.id: best.lift for best in known}.values():
            places = [at for at, best in enumerate(known) if best.lift.id == lift.id]
            setups = [known[at].setup for at in places]
            kg = _best_of_neighbours(
                lift, drawn, setups, part.put[lift.id], partial(_lifted_kg, lift), held_there=True
            )
            told[:, places] = kg * of.missed(deviates, _styles(lift, setups))
        if not self.ask.tests:
            return told
        return np.hstack([told, held_nm(drawn.capacities, self.ask.tests, of.lifter.assumed)])


def _styles(lift: Lift[Any], setups: Sequence[Any]) -> list[StyleOfLift]:
    return [(lift.id, setup.style) for setup in setups]


def _explained(
    told: _Told, believed: Floats, from_strengths: Floats, random: np.random.Generator
) -> Floats:
    """Drawn bodies moved until they lift what was lifted, as far as bests and tests can be trusted:
    each keeps near where it was drawn and explains what was done, give or take its own error
    (randomised maximum likelihood: Oliver, He & Reynolds 1996; slopes by regression over all drawn
    bodies as in the ensemble smoothers of Chen & Oliver 2013; both from memory). The search starts
    at the strengths that explain the lifts best, where the slopes are. A best in a set-up that a
    drawn body cannot take tells that body nothing, and nobody where hardly any can; one that may
    err by more than ``MOST_ERROR`` tells nobody."""
    start = believed + from_strengths
    first = told.by(start)
    noise = random.standard_normal(first.shape)
    wanted = told.done + told.error * (noise - noise.mean(axis=0))
    slopes = _slopes(start, first) * (told.error < MOST_ERROR)[:, None]
    gain = np.linalg.solve(slopes @ slopes.T + np.diag(told.error**2), slopes)

    def nearer(bodies: Floats, found: Floats) -> Floats:
        missed = np.where(found > np.log(LEAST_KG), wanted - found, 0.0)
        return np.asarray(believed + (missed + (bodies - believed) @ slopes.T) @ gain)

    bodies = nearer(start, first)
    for _ in range(ROUNDS - 1):
        bodies = nearer(bodies, told.by(bodies))
    return bodies


def _slopes(bodies: Floats, told: Floats) -> Floats:
    """What a spread of each unknown is worth, shape (bests and tests, unknowns): by least squares
    with a little weight on none. All 0 for what few bodies can do."""
    slopes = np.zeros((told.shape[1], bodies.shape[1]))
    for at, column in enumerate(told.T):
        able = column > np.log(LEAST_KG)
        if able.mean() < LEAST_ABLE:
            continue
        away, moved = bodies[able] - bodies[able].mean(axis=0), column[able] - column[able].mean()
        together = away.T @ away + RIDGE * len(away) * np.eye(away.shape[1])
        slopes[at] = np.linalg.solve(together, away.T @ moved)
    return slopes


def sample_in_steps(
    lift: Lift[Any], lifter: Lifter, setups: Sequence[Any], ask: Ask
) -> Iterator[Draws]:
    """Drawn bodies, as far as the known bests leave them, a few at a time. Same seed, same
    answer."""
    lifts = {lift.id: lift} | {best.lift.id: best.lift for best in ask.known}
    told_of = [(best.lift.id, best.setup.style) for best in ask.known]
    styles = tuple(dict.fromkeys([*_styles(lift, setups), *told_of]))
    heard = bool(ask.known or ask.tests)
    before = assumed_capacities(lifter.body, lifter.assumed) if heard else lifter.capacities
    unknowns = Unknowns(lifter, before, styles)
    of_bodies, of_bests, of_parts = np.random.SeedSequence(ask.seed).spawn(3)
    parts = _parts(lifts, lifter.assumed, ask.samples, of_parts)
    drawn = (ask.samples, unknowns.count)
    bodies = np.random.default_rng(of_bodies).standard_normal(drawn)
    if heard:
        told, away = _Told.of(unknowns, ask, parts), unknowns.away(lifter.capacities)
        bodies = _explained(told, bodies, away, np.random.default_rng(of_bests))
    for part in parts:
        rows = bodies[part.rows]
        maxes = soft_maxes_kg(lift, unknowns.lifters(rows), setups, part.put[lift.id])
        yield Draws(maxes * unknowns.missed(rows, _styles(lift, setups)), unknowns.readings(rows))


def sample(lift: Lift[Any], lifter: Lifter, setups: Sequence[Any], ask: Ask) -> Draws:
    """All drawn bodies at once; a max is 0 where no such posture exists."""
    return Draws.joined(list(sample_in_steps(lift, lifter, setups, ask)))


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
    kg_of: Callable[[Evaluation], Floats], *, held_there: bool = False,
) -> Floats:  # fmt: skip
    """Most kg of each set-up and its neighbours, shape (lifters, set-ups); 0 for lifters who cannot
    take the set-up itself where it must be ``held_there``."""
    best = np.zeros((np.shape(lifters.body.thigh_m)[0], len(setups)))
    for places in groups(lift, setups):
        alike = [setups[place] for place in places]
        refits = [near for setup in alike for near in lift.neighbours(setup)]
        case = unknown(lift.kinematics.case(lifters, refits, before=(1,)))
        kg = kg_of(evaluate(lift, case, lift.quick)).reshape(len(best), len(places), -1)
        there = kg[..., kg.shape[-1] // 2] > LEAST_KG if held_there else True
        best[:, places] = np.where(there, kg.max(axis=-1), 0.0)
    return best


def intervals(maxes_kg: Floats) -> list[PredictionInterval]:
    """Median and band of each column of drawn maxes, shape (bodies, set-ups)."""
    bands = np.percentile(maxes_kg, BAND_PERCENT, axis=0)
    medians = np.median(maxes_kg, axis=0)
    return [
        PredictionInterval(float(median), (float(low), float(high)))
        for median, low, high in zip(medians, *bands, strict=True)
    ]
