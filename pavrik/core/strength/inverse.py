"""Strengths inferred from a lifter's own lifts: a MAP estimate round the priors, in log space.

A lifter who is stronger than assumed is mostly stronger everywhere, so one factor is shared by all
capacities and each has a smaller one of its own. Two bests are needed to say anything about single
muscles, four to say it firmly.
"""

from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Literal

import numpy as np
from scipy.optimize import least_squares

from pavrik.core.strength.capacities import GROUPS, Capacities
from pavrik.core.units import Floats

MUSCLES = GROUPS
SHARED_SD = 0.20
OWN_SD = 0.15
OBSERVATION_SD = 0.05
_STEP = 1e-2
"""Of a log factor for a slope: wide enough to see past the corners of the predicted maxes."""
_ALONE = (-0.3, -0.2, -0.1, 0.1)
"""Log factors that one group alone is tried with before a search."""
CLOSE_ENOUGH = 1e-3
"""A search ends when its last step was shorter than this share of the log factors."""

Firmness = Literal["nothing", "scale only", "indicative", "firm"]
Predict = Callable[[Capacities], Floats]
"""Capacities with fields of shape (K, 1, 1, 1) -> predicted maxes in kg, shape (K, bests)."""


@dataclass(frozen=True)
class Inferred:
    """Capacities that explain the bests; ``residual`` per best is the log of lifted over predicted;
    ``told`` says in words which of them stand out."""

    capacities: Capacities
    residual: list[float]
    firmness: Firmness
    told: tuple[str, ...] = ()


def scaled(prior: Capacities, log_factors: Floats) -> Capacities:
    """Capacities times exp of log factors of shape (K, muscles), laid out as (K, 1, 1, 1)."""
    factors = np.exp(log_factors)[..., None, None, None]
    return replace(
        prior, **{name: getattr(prior, name) * factors[:, i] for i, name in enumerate(MUSCLES)}
    )


def _log_factors(parameters: Floats) -> Floats:
    return parameters[..., :1] + parameters[..., 1:]


def _firmness(bests: int) -> Firmness:
    if bests == 1:
        return "scale only"
    return "indicative" if bests < 4 else "firm"


@dataclass(frozen=True)
class Observed:
    """Estimated maxes in kg, each with the log error of its rep formula and of the set-up that it
    is said to have been done in."""

    lifted_kg: Floats
    rep_error: Floats
    setup_error: Floats

    @property
    def spread(self) -> Floats:
        """Log error of each."""
        return np.sqrt(OBSERVATION_SD**2 + self.rep_error**2 + self.setup_error**2)


@dataclass(frozen=True)
class Point:
    """Where a search ended: log factors, capacities of shape (1, 1, 1, 1), residuals and slope."""

    prior: Capacities
    seen: Observed
    parameters: Floats
    residuals: Floats
    slope: Floats

    @property
    def capacities(self) -> Capacities:
        """The strengths there."""
        return scaled(self.prior, _log_factors(self.parameters[None]))


def most_likely(
    prior: Capacities, predict: Predict, seen: Observed, start: Point | None = None
) -> Point:
    """The strengths that explain what was lifted best while they stay near the prior."""
    count = len(MUSCLES) + 1
    prior_spread = np.array([SHARED_SD, *[OWN_SD] * len(MUSCLES)])

    def residuals(parameters: Floats) -> Floats:
        """Shape (K, parameters) -> (K, bests + parameters)."""
        predicted = np.maximum(predict(scaled(prior, _log_factors(parameters))), 1.0)
        missed = np.log(predicted / seen.lifted_kg) / seen.spread
        return np.hstack([missed, parameters / prior_spread])

    @lru_cache(maxsize=1)
    def around(parameters: tuple[float, ...]) -> Floats:
        """Residuals a step along every parameter and, last, at the point itself: one computation
        serves the value and the slope."""
        steps = _STEP * np.vstack([np.eye(count), np.zeros(count)])
        return residuals(np.array(parameters) + steps)

    def of_one(parameters: Floats) -> Floats:
        return np.asarray(around(tuple(parameters))[count])

    def jacobian(parameters: Floats) -> Floats:
        values = around(tuple(parameters))
        return np.asarray((values[:count] - values[count]).T / _STEP)

    first = _likeliest(residuals, count) if start is None else start.parameters
    found = least_squares(of_one, first, jac=jacobian, xtol=CLOSE_ENOUGH)
    return Point(prior, seen, found.x, found.fun, np.asarray(found.jac))


def _likeliest(residuals: Callable[[Floats], Floats], count: int) -> Floats:
    """Where a search begins: the prior, or one muscle group alone weaker or stronger. A group that
    limits no lift yet has no slope, so none would ever be found weak from the prior alone."""
    alone = [by * step for step in np.eye(count)[1:] for by in _ALONE]
    tried = np.vstack([np.zeros(count), *alone])
    return np.asarray(tried[np.argmin(np.sum(residuals(tried) ** 2, axis=1))])


def inferred(point: Point) -> Inferred:
    """What a point says."""
    best, bests = point.capacities, len(point.seen.lifted_kg)
    plain = replace(best, **{name: float(getattr(best, name).item()) for name in MUSCLES})
    return Inferred(
        plain,
        [float(r) for r in -point.residuals[:bests] * point.seen.spread],
        _firmness(bests),
    )


PRIOR_COVARIANCE = SHARED_SD**2 + OWN_SD**2 * np.eye(len(MUSCLES))
"""Of the log capacities while no lift is known."""


def nothing_known(prior: Capacities) -> Inferred:
    """The prior, where nothing was lifted."""
    return Inferred(prior, [], "nothing")
