"""Strengths inferred from a lifter's own lifts: a MAP estimate round the priors, in log space.

A lifter who is stronger than assumed is mostly stronger everywhere, so one factor is shared by all
capacities and each has a smaller one of its own. Two bests are needed to say anything about single
muscles, four to say it firmly.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Literal

import numpy as np
from scipy.optimize import least_squares

from pavrik.core.strength.capacities import Capacities
from pavrik.core.units import Floats

MUSCLES = (
    "hip_extensors", "hamstrings", "knee_extensors", "adductors", "lower_back", "upper_back",
)  # fmt: skip
SHARED_SD = 0.25
OWN_SD = 0.15
OBSERVATION_SD = 0.05
_STEP = 3e-3
MOST_TRIALS = 6
"""After six trials the capacities lie within about a hundredth of where they end, a tenth of what
is known of them."""

Firmness = Literal["nothing", "scale only", "indicative", "firm"]
Predict = Callable[[Capacities], Floats]
"""Capacities with fields of shape (K, 1, 1, 1) -> predicted maxes in kg, shape (K, bests)."""


@dataclass(frozen=True)
class Inferred:
    """Capacities that explain the bests; ``log_sd`` per muscle (Laplace); ``residual`` per best
    is the log of lifted over predicted: clearly negative says skill, fear or a fault."""

    capacities: Capacities
    log_sd: dict[str, float]
    residual: list[float]
    firmness: Firmness


def scaled(prior: Capacities, log_factors: Floats) -> Capacities:
    """Capacities times exp of log factors of shape (K, muscles), laid out as (K, 1, 1, 1)."""
    factors = np.exp(log_factors)[..., None, None, None]
    return replace(
        prior, **{name: getattr(prior, name) * factors[:, i] for i, name in enumerate(MUSCLES)}
    )


def _log_factors(parameters: Floats) -> Floats:
    return parameters[..., :1] + parameters[..., 1:]


def _firmness(bests: int) -> Firmness:
    if bests == 0:
        return "nothing"
    if bests == 1:
        return "scale only"
    return "indicative" if bests < 4 else "firm"


def infer_capacities(
    prior: Capacities, predict: Predict, lifted_kg: Sequence[float], rep_error: Sequence[float]
) -> Inferred:
    """Capacities from estimated maxes in kg, each with the log error of its rep formula."""
    count = len(MUSCLES) + 1
    spread = np.hypot(OBSERVATION_SD, np.asarray(rep_error, dtype=np.float64))
    log_lifted = np.log(np.asarray(lifted_kg, dtype=np.float64))
    prior_spread = np.array([SHARED_SD, *[OWN_SD] * len(MUSCLES)])

    def residuals(parameters: Floats) -> Floats:
        """Shape (K, parameters) -> (K, bests + parameters)."""
        predicted = np.maximum(predict(scaled(prior, _log_factors(parameters))), 1.0)
        return np.hstack([(np.log(predicted) - log_lifted) / spread, parameters / prior_spread])

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

    if not len(log_lifted):
        return Inferred(
            prior, dict.fromkeys(MUSCLES, float(np.hypot(SHARED_SD, OWN_SD))), [], "nothing"
        )

    found = least_squares(of_one, np.zeros(count), jac=jacobian, xtol=1e-4, max_nfev=MOST_TRIALS)
    slope: Floats = np.asarray(found.jac)
    covariance = np.linalg.inv(slope.T @ slope)
    to_log = np.hstack([np.ones((len(MUSCLES), 1)), np.eye(len(MUSCLES))])
    variances = np.diag(to_log @ covariance @ to_log.T)
    best = scaled(prior, _log_factors(found.x[None]))
    plain = replace(best, **{name: float(getattr(best, name).item()) for name in MUSCLES})
    return Inferred(
        plain,
        {name: float(np.sqrt(v)) for name, v in zip(MUSCLES, variances, strict=True)},
        [float(r) for r in -found.fun[: len(log_lifted)] * spread],
        _firmness(len(log_lifted)),
    )
