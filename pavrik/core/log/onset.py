"""The load at which a fault begins: a logistic fit of fault against load with a weak prior.

The load enters as a share of the estimated max of that time, so that a year of getting stronger
does not smear the onset. Reps of one set resemble each other, so the spread is widened by the
Pearson dispersion where it is above 1 (McCullagh and Nelder 1989, from memory).
"""

from dataclasses import dataclass
from functools import cache

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.log.rep_table import Booleans
from pavrik.core.units import Floats
from pavrik.words import say

CENTRE, STEP = 0.85, 0.10
"""The slope is per tenth of the max, seen from 85 %."""
PRIOR_MEAN = np.array([-1.5, 1.0])
PRIOR_SD = np.array(
    [
        assume("onset_prior_level_sd", 2.5, "log odds", "weak prior of a fault's level at the max"),
        assume(
            "onset_prior_slope_sd", 1.5, "log", "weak prior of how fast a fault comes with load"
        ),
    ]
)
BIN = 0.005
LEAST_REPS = 15
LEAST_FAULTS = 3
SURE_RISE = 0.95
LEAST_SLOPE = 0.2
"""A rise of the odds by less than a fifth per tenth of the max is no tie to the load."""
DRAWS = 4000
_TENTH, _NINETENTHS = 0.1, 0.9


@dataclass(frozen=True)
class OnsetLevel:
    """Share of the max at which the fault has a given chance, with an 80 % band; ``high`` is None
    where the log does not bound it."""

    chance: float
    share: float
    low: float
    high: float | None


@dataclass(frozen=True)
class Onset:
    """What the log says about a fault and the load.

    ``verdict`` is "known", "too few", "not with load" or "beyond"; the levels are there only
    where it is "known". ``rises`` is the chance that the fault comes with load.
    """

    verdict: str
    reps: int
    faulty: int
    rises: float
    heaviest_share: float
    half: OnsetLevel | None = None
    fifth: OnsetLevel | None = None
    curve: tuple[tuple[float, float, float, float], ...] = ()
    """(share, chance, low, high) of the fitted curve, for drawing."""


@dataclass(frozen=True)
class LogisticFit:
    """Intercept and slope per ``STEP`` at ``CENTRE`` (most probable), and their covariance."""

    mean: Floats
    covariance: Floats


def _design(share: Floats) -> Floats:
    return np.stack([np.ones_like(share), (share - CENTRE) / STEP], axis=-1)


def _chance(eta: Floats) -> Floats:
    return np.asarray(1.0 / (1.0 + np.exp(-np.clip(eta, -40.0, 40.0))))


def fit_logistic(
    share: Floats, faulty: Floats, reps: Floats, prior_sd: Floats = PRIOR_SD
) -> LogisticFit:
    """Most probable coefficients from counts at each load, by Newton's method.

    With an infinite ``prior_sd`` this is plain maximum likelihood. A step that would lower the
    posterior is halved.
    """
    x, weight = _design(share), 1.0 / np.asarray(prior_sd) ** 2

    def log_posterior(beta: Floats) -> float:
        eta = x @ beta
        likelihood = np.sum(faulty * eta - reps * np.logaddexp(0.0, eta))
        return float(likelihood - np.sum(weight * (beta - PRIOR_MEAN) ** 2) / 2)

    beta = PRIOR_MEAN.copy()
    for _ in range(60):
        p = _chance(x @ beta)
        gradient = x.T @ (faulty - reps * p) - weight * (beta - PRIOR_MEAN)
        information = (x * (reps * p * (1 - p))[:, None]).T @ x + np.diag(weight)
        step = np.linalg.solve(information + 1e-12 * np.eye(2), gradient)
        while log_posterior(beta + step) < log_posterior(beta) - 1e-9:
            step = step / 2
        beta = beta + step
        if np.max(np.abs(step)) < 1e-10:
            break
    p = _chance(x @ beta)
    variance = np.maximum(reps * p * (1 - p), 1e-9)
    spare = len(share) - 2
    pearson = float(np.sum((faulty - reps * p) ** 2 / variance)) / spare if spare >= 8 else 1.0
    covariance = np.asarray(np.linalg.inv(information) * max(pearson, 1.0), dtype=np.float64)
    return LogisticFit(beta, covariance)


@cache
def _normals() -> Floats:
    return np.random.default_rng(1).standard_normal((DRAWS, 2))


def _draws(fit: LogisticFit) -> Floats:
    return fit.mean + _normals() @ np.linalg.cholesky(fit.covariance).T


def _level(fit: LogisticFit, draws: Floats, chance: float) -> OnsetLevel:
    logit = float(np.log(chance / (1 - chance)))

    def at(a: Floats, b: Floats) -> Floats:
        with np.errstate(divide="ignore"):
            return np.where(b > 0, CENTRE + STEP * (logit - a) / np.where(b > 0, b, 1.0), np.inf)

    shares = np.sort(at(draws[:, 0], draws[:, 1]))
    low, high = (float(shares[int(q * (DRAWS - 1))]) for q in (_TENTH, _NINETENTHS))
    middle = float(at(fit.mean[:1], fit.mean[1:])[0])
    return OnsetLevel(chance, middle, max(low, 0.0), high if np.isfinite(high) else None)


def _curve(
    draws: Floats, fit: LogisticFit, low: float, high: float
) -> tuple[tuple[float, float, float, float], ...]:
    shares = np.linspace(low, high, 25)
    x = _design(shares)
    bands = np.quantile(_chance(x @ draws[::8].T), (_TENTH, _NINETENTHS), axis=1)
    middle = _chance(x @ fit.mean)
    return tuple(
        (float(s), float(m), float(lo), float(hi))
        for s, m, lo, hi in zip(shares, middle, *bands, strict=True)
    )


def fit_onset(share: Floats, faulty: Booleans) -> Onset:
    """Onset of one fault from reps: share of the estimated max (NaN rows are left out) and
    whether the fault was seen."""
    known = np.isfinite(share)
    share, faulty = share[known], faulty[known]
    reps, hits = len(share), int(np.count_nonzero(faulty))
    heaviest = float(np.max(share)) if reps else 0.0
    if reps < LEAST_REPS or hits < LEAST_FAULTS:
        return Onset("too few", reps, hits, 0.5, heaviest)
    binned, cell = np.unique(np.round(share / BIN).astype(np.intp), return_inverse=True)
    counts = np.bincount(cell).astype(np.float64)
    seen = np.bincount(cell[faulty], minlength=len(binned)).astype(np.float64)
    fit = fit_logistic(np.asarray(binned * BIN, dtype=np.float64), seen, counts)
    draws = _draws(fit)
    rises = float(np.mean(draws[:, 1] > LEAST_SLOPE))
    curve = _curve(draws, fit, float(np.min(share)), max(heaviest, 1.0))
    if rises < SURE_RISE:
        return Onset("not with load", reps, hits, rises, heaviest, curve=curve)
    half, fifth = _level(fit, draws, 0.5), _level(fit, draws, 0.2)
    verdict = "known" if fifth.share <= heaviest + 0.02 else "beyond"
    return Onset(verdict, reps, hits, rises, heaviest, half, fifth, curve)


def seen_words(faulty: int, reps: int, counted: str) -> str:
    """How often: faulty ones of all that were counted, reps or sets."""
    many = say("log.reps") if counted == "reps" else say("log.sets")
    return say("log.faulty_of_reps_counted", faulty=faulty, reps=reps, counted=many)


def onset_words(name: str, onset: Onset, max_kg: float | None, counted: str = "reps") -> str:
    """One sentence for a coach, in kg where today's max is known; what was ``counted`` are reps or
    sets."""

    def load(share: float) -> str:
        return f"{share * max_kg:.0f} kg" if max_kg else say("log.of_the_max", share=share)

    counts = seen_words(onset.faulty, onset.reps, counted)
    one = say("log.one_rep") if counted == "reps" else say("log.one_set")
    if onset.verdict == "too few":
        return say("log.too_few_tie_load", name=name, counts=counts)
    if onset.verdict == "not with load":
        return say("log.light_heavy_loads_alike", name=name, counts=counts)
    assert onset.fifth is not None
    assert onset.half is not None
    if onset.verdict == "beyond":
        return say("log.five_only_beyond_what", name=name, counts=counts, one=one)
    high = (
        say("log.to_load", load=load(onset.fifth.high))
        if onset.fifth.high is not None
        else say("log.or_more")
    )
    return say(
        "log.five_from_two_from",
        name=name,
        one=one,
        from_load=load(onset.fifth.share),
        low=load(onset.fifth.low),
        high=high,
        half=load(onset.half.share),
    )
