"""Bodies, screens and strengths drawn from their errors, and set-ups fitted again on them.

A tape errs, a screen errs, strengths and the model's own numbers are guesses. On every drawn lifter
a set-up may move the feet a little and finds its best shank anew.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Any

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.segments import SEGMENTS, Body
from pavrik.core.fitting.candidates import groups
from pavrik.core.fitting.search import evaluate
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import ANGLE_SCREENS, Screens
from pavrik.core.lifts.case import Case
from pavrik.core.lifts.lift import Lift, Unknown
from pavrik.core.strength.capacities import Capacities
from pavrik.core.units import Floats, radians

BAND_PERCENT = (10.0, 90.0)
OFFSETS = ("hip_crease_m", "knee_top_m")
STEP = 32
"""Bodies drawn at once: small enough to report progress, large enough to be fast."""
AXES = (1, 1, 1)
"""Set-up, shank and step: behind the lifters' own axis."""


@dataclass(frozen=True)
class PredictionInterval:
    """Median and 80 % band of the predicted max in kg, and the chance of being best by 1 %."""

    median_kg: float
    band_kg: tuple[float, float]
    chance_best: float


def _sample_body(lifter: Lifter, count: int, random: np.random.Generator) -> Body:
    assumed, body = lifter.assumed, lifter.body
    drawn: dict[str, Any] = {}
    for name in SEGMENTS:
        length = float(getattr(body, name))
        tape = min(assumed.tape_error_m, 0.05 * length)
        guess = assumed.offset_error_m if name in OFFSETS else assumed.length_error * length
        error = tape if name in lifter.measured else guess
        drawn[name] = np.maximum(length + error * random.standard_normal(count), 0.3 * length)
    return replace(body, **drawn).reshaped(count, *AXES)


def _sample_screens(lifter: Lifter, count: int, random: np.random.Generator) -> Screens:
    assumed, screens = lifter.assumed, lifter.screens

    def draw(name: str) -> Floats:
        taken = name not in screens.assumed
        error = radians(assumed.screen_error_deg if taken else assumed.screen_guess_deg)
        drawn = getattr(screens, name) + error * random.standard_normal(count)
        return np.asarray(np.maximum(drawn, 0.0).reshape(count, *AXES))

    drawn = {screen.field: draw(screen.field) for screen in ANGLE_SCREENS}
    return screens.with_limits(**drawn)


def _sample_capacities(
    known: Capacities, assumed: Assumptions, count: int, random: np.random.Generator
) -> Capacities:
    names = (
        "hip_extensors", "hamstrings", "knee_extensors", "adductors", "lower_back", "upper_back",
    )  # fmt: skip
    factors = np.exp(assumed.capacity_error * random.standard_normal((len(names), count, *AXES)))
    return replace(
        known,
        **{
            name: getattr(known, name) * factor for name, factor in zip(names, factors, strict=True)
        },
    )


def draw_lifters(lifter: Lifter, count: int, random: np.random.Generator) -> Lifter:
    """``count`` lifters as one, their fields laid out along a leading axis, those of set-up, shank
    and step behind it."""
    return replace(
        lifter,
        body=_sample_body(lifter, count, random),
        screens=_sample_screens(lifter, count, random),
        capacities=_sample_capacities(lifter.capacities, lifter.assumed, count, random),
    )


def sample_in_steps(
    lift: Lift[Any], lifter: Lifter, setups: Sequence[Any], samples: int, seed: int
) -> Iterator[Floats]:
    """The rows of ``sample_maxes_kg``, a few lifters at a time."""
    for start in range(0, samples, STEP):
        random, count = np.random.default_rng([seed, start]), min(STEP, samples - start)
        drawn = draw_lifters(lifter, count, random)
        unknown = lift.kinematics.unknown(lifter.assumed, random, (count, *AXES))
        yield best_maxes_kg(lift, drawn, setups, unknown)


def sample_maxes_kg(
    lift: Lift[Any], lifter: Lifter, setups: Sequence[Any], samples: int, seed: int
) -> Floats:
    """Predicted max in kg of each set-up on each drawn lifter, shape (samples, set-ups); 0 where
    it is not feasible there. Same seed, same answer."""
    return np.concatenate(list(sample_in_steps(lift, lifter, setups, samples, seed)))


def _as_assumed(case: Case) -> Case:
    return case


def best_maxes_kg(
    lift: Lift[Any], lifters: Lifter, setups: Sequence[Any], unknown: Unknown = _as_assumed
) -> Floats:
    """Best predicted max in kg of each set-up and its neighbours, for many lifters laid out along
    a leading axis; shape (lifters, set-ups)."""
    best = np.zeros((np.shape(lifters.body.thigh_m)[0], len(setups)))
    for places in groups(lift, setups):
        refits = [near for place in places for near in lift.neighbours(setups[place])]
        case = unknown(lift.kinematics.case(lifters, refits, before=(1,)))
        maxes = evaluate(lift, case, lift.quick).predicted_max_kg
        best[:, places] = maxes.reshape(len(best), len(places), -1).max(axis=-1)
    return best


def intervals(maxes_kg: Floats, clear_lead: float) -> list[PredictionInterval]:
    """Band and chance of best of each column of sampled maxes, shape (samples, set-ups)."""
    bands = np.percentile(maxes_kg, BAND_PERCENT, axis=0)
    medians = np.median(maxes_kg, axis=0)
    result = []
    for column in range(maxes_kg.shape[1]):
        others = np.delete(maxes_kg, column, axis=1)
        rival = others.max(axis=1) if others.shape[1] else np.zeros(maxes_kg.shape[0])
        own = maxes_kg[:, column]
        best = (own > 0) & (own >= rival * (1.0 + clear_lead))
        result.append(
            PredictionInterval(
                float(medians[column]),
                (float(bands[0, column]), float(bands[1, column])),
                float(np.mean(best)),
            )
        )
    return result
