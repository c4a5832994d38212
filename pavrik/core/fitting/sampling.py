"""Bodies, screens and strengths drawn from their errors, and how sure a ranking is on them.

A tape errs, a screen errs, strengths and the model's own numbers are guesses.
"""

from dataclasses import dataclass, replace
from typing import Any

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.segments import SEGMENTS, Body, Number
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import Screens
from pavrik.core.strength.capacities import Capacities
from pavrik.core.units import Floats, radians

BAND_PERCENT = (10.0, 90.0)
OFFSETS = ("hip_crease_m", "knee_top_m")
STEP = 32
"""Bodies drawn at once: small enough to report progress, large enough to be fast."""


@dataclass(frozen=True)
class Sureness:
    """Median and 80 % band of the predicted max in kg, and the chance of being best by 1 %."""

    median_kg: float
    band_kg: tuple[float, float]
    chance_best: float


def _sample_body(lifter: Lifter, count: int, random: np.random.Generator, axes: int) -> Body:
    assumed, body = lifter.assumed, lifter.body
    drawn: dict[str, Any] = {}
    for name in SEGMENTS:
        length = float(getattr(body, name))
        tape = min(assumed.tape_error_m, 0.05 * length)
        guess = assumed.offset_error_m if name in OFFSETS else assumed.length_error * length
        error = tape if name in lifter.measured else guess
        drawn[name] = np.maximum(length + error * random.standard_normal(count), 0.3 * length)
    return replace(body, **drawn).reshaped(count, *[1] * axes)


def _sample_screens(lifter: Lifter, count: int, random: np.random.Generator, axes: int) -> Screens:
    assumed, screens = lifter.assumed, lifter.screens

    def draw(name: str, value: Number) -> Floats:
        taken = name not in screens.assumed
        error = radians(assumed.screen_error_deg if taken else assumed.screen_guess_deg)
        drawn = value + error * random.standard_normal(count)
        return drawn.reshape(count, *[1] * axes)

    return screens.with_limits(
        dorsiflexion=np.maximum(draw("dorsiflexion", screens.dorsiflexion), 0.0),
        closing=draw("closing", screens.closing),
        abduction=draw("abduction", screens.abduction),
        rotation=draw("rotation", screens.rotation),
    )


def _sample_capacities(
    known: Capacities, assumed: Assumptions, count: int, random: np.random.Generator, axes: int
) -> Capacities:
    names = (
        "hip_extensors", "hamstrings", "knee_extensors", "adductors", "lower_back", "upper_back",
    )  # fmt: skip
    factors = np.exp(
        assumed.capacity_error * random.standard_normal((len(names), count, *[1] * axes))
    )
    return replace(
        known,
        **{
            name: getattr(known, name) * factor for name, factor in zip(names, factors, strict=True)
        },
    )


def draw_lifters(lifter: Lifter, count: int, random: np.random.Generator, axes: int = 3) -> Lifter:
    """``count`` lifters as one, their fields laid out along a leading axis with ``axes`` behind."""
    return replace(
        lifter,
        body=_sample_body(lifter, count, random, axes),
        screens=_sample_screens(lifter, count, random, axes),
        capacities=_sample_capacities(lifter.capacities, lifter.assumed, count, random, axes),
    )


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
