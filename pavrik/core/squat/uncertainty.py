"""How sure the ranking is: the leading candidates re-fitted on sampled bodies.

A tape errs, a screen errs, strengths and the model's own numbers are guesses. All are drawn from
their spreads; every candidate keeps its set-up and finds its best shank anew on each body.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Any

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.segments import SEGMENTS, Body, Number
from pavrik.core.squat.cases import case_for
from pavrik.core.squat.evaluation import SAMPLING, evaluate
from pavrik.core.squat.lifter import SquatLifter
from pavrik.core.squat.screens import Screens
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.strength.capacities import Capacities
from pavrik.core.units import Floats, radians

BAND_PERCENT = (10.0, 90.0)
OFFSETS = ("hip_crease_m", "knee_top_m")
STANCE_STEPS_M = (-0.08, -0.04, 0.0, 0.04)


@dataclass(frozen=True)
class Sureness:
    """Median and 80 % band of the predicted max in kg, and the chance of being best by 1 %."""

    median_kg: float
    band_kg: tuple[float, float]
    chance_best: float


def _sample_body(lifter: SquatLifter, count: int, random: np.random.Generator) -> Body:
    assumed, body = lifter.assumed, lifter.body
    drawn: dict[str, Any] = {}
    for name in SEGMENTS:
        length = float(getattr(body, name))
        tape = min(assumed.tape_error_m, 0.05 * length)
        guess = assumed.offset_error_m if name in OFFSETS else assumed.length_error * length
        error = tape if name in lifter.measured else guess
        drawn[name] = np.maximum(length + error * random.standard_normal(count), 0.3 * length)
    return replace(body, **drawn).reshaped(count, 1, 1, 1)


def _sample_screens(lifter: SquatLifter, count: int, random: np.random.Generator) -> Screens:
    assumed, screens = lifter.assumed, lifter.screens

    def draw(name: str, value: Number) -> Floats:
        taken = name not in screens.assumed
        error = radians(assumed.screen_error_deg if taken else assumed.screen_guess_deg)
        drawn = value + error * random.standard_normal(count)
        return drawn.reshape(count, 1, 1, 1)

    return screens.with_limits(
        dorsiflexion=np.maximum(draw("dorsiflexion", screens.dorsiflexion), 0.0),
        closing=draw("closing", screens.closing),
        abduction=draw("abduction", screens.abduction),
        rotation=draw("rotation", screens.rotation),
    )


def _sample_capacities(
    known: Capacities, assumed: Assumptions, count: int, random: np.random.Generator
) -> Capacities:
    names = (
        "hip_extensors", "hamstrings", "knee_extensors", "adductors", "lower_back", "upper_back",
    )  # fmt: skip
    factors = np.exp(assumed.capacity_error * random.standard_normal((len(names), count, 1, 1, 1)))
    return replace(
        known,
        **{
            name: getattr(known, name) * factor for name, factor in zip(names, factors, strict=True)
        },
    )


def neighbours(setup: SquatSetup) -> list[SquatSetup]:
    """The set-up a little narrower and wider: a re-fit on another body may move the feet."""
    return [replace(setup, stance_m=setup.stance_m + step) for step in STANCE_STEPS_M]


STEP = 32
"""Bodies drawn at once: small enough to report progress, large enough to be fast."""


def sample_in_steps(
    lifter: SquatLifter, setups: Sequence[SquatSetup], samples: int, seed: int
) -> Iterator[Floats]:
    """The rows of ``sample_maxes_kg``, a few bodies at a time."""
    for start in range(0, samples, STEP):
        random = np.random.default_rng([seed, start])
        yield _sample_step(lifter, setups, min(STEP, samples - start), random)


def sample_maxes_kg(
    lifter: SquatLifter, setups: Sequence[SquatSetup], samples: int, seed: int
) -> Floats:
    """Predicted max in kg of each set-up on each sampled lifter, shape (samples, set-ups);
    0 where it is not feasible there. Each is re-fitted: it may stand a little narrower or wider
    and finds its own shank angle. Same seed, same answer."""
    return np.concatenate(list(sample_in_steps(lifter, setups, samples, seed)))


def _sample_step(
    lifter: SquatLifter, setups: Sequence[SquatSetup], samples: int, random: np.random.Generator
) -> Floats:
    assumed = lifter.assumed
    drawn = replace(
        lifter,
        body=_sample_body(lifter, samples, random),
        screens=_sample_screens(lifter, samples, random),
        capacities=_sample_capacities(lifter.capacities, assumed, samples, random),
    )
    refits = [near for setup in setups for near in neighbours(setup)]
    case = case_for(drawn, refits, before=(1,))
    spread = random.uniform(assumed.spread_low, assumed.spread_high, (samples, 1, 1, 1))
    hold = radians(assumed.hold_error_deg) * random.standard_normal((samples, 1, 1, 1))
    sampled = replace(case, floor_spread=spread, holds_lean=case.holds_lean + hold)
    maxes = evaluate(sampled, SAMPLING).predicted_max_kg
    per_setup = maxes.reshape(samples, len(setups), len(STANCE_STEPS_M))
    return np.asarray(per_setup.max(axis=2))


def how_sure(maxes_kg: Floats, clear_lead: float) -> list[Sureness]:
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
            Sureness(
                float(medians[column]),
                (float(bands[0, column]), float(bands[1, column])),
                float(np.mean(best)),
            )
        )
    return result
