"""Drawn bodies that explain what was lifted: the posterior of the textbook where all is linear."""

from dataclasses import dataclass, field

import numpy as np
import pytest

from pavrik.core.fitting.sampling import _explained, _slopes

BODIES, UNKNOWNS = 4000, 6
SENSE = np.array([[0.20, 0.10, 0.0, 0.0, 0.05, 0.0], [0.18, 0.0, 0.12, 0.0, 0.0, 0.04]])
ERROR = np.array([0.05, 0.08])
DONE = np.array([0.30, 0.10])


@dataclass
class Linear:
    """Bests that follow straight from what is not known; a body below ``unable`` of the first
    unknown cannot take the second best's set-up."""

    unable: float = -np.inf
    done: np.ndarray = field(default_factory=lambda: np.log(100.0) + DONE)
    error: np.ndarray = field(default_factory=lambda: ERROR)

    def by(self, bodies: np.ndarray) -> np.ndarray:
        told = np.log(100.0) + bodies @ SENSE.T
        told[bodies[:, 0] < self.unable, 1] = -np.inf
        return told


@pytest.fixture
def believed() -> np.ndarray:
    return np.random.default_rng(1).standard_normal((BODIES, UNKNOWNS))


def posterior(sense: np.ndarray, error: np.ndarray, done: np.ndarray):
    gain = np.linalg.solve(sense @ sense.T + np.diag(error**2), sense)
    return done @ gain, np.eye(UNKNOWNS) - sense.T @ gain


@pytest.mark.parametrize("start", [np.zeros(UNKNOWNS), np.array([1.5, -1.0, 0.5, 0.0, 0.0, 0.0])])
def test_it_is_the_posterior_wherever_the_search_starts(believed, start):
    """What the strengths were inferred from is not heard a second time."""
    found = _explained(Linear(), believed, start, np.random.default_rng(3))
    mean, spread = posterior(SENSE, ERROR, DONE)
    assert found.mean(axis=0) == pytest.approx(mean, abs=0.05)
    assert np.cov(found.T) == pytest.approx(spread, abs=0.06)
    told = (found @ SENSE.T).std(axis=0)
    assert told == pytest.approx(np.sqrt(np.diag(SENSE @ spread @ SENSE.T)), rel=0.05)


def test_what_few_bodies_can_take_tells_nothing(believed):
    found = _explained(Linear(unable=0.5), believed, np.zeros(UNKNOWNS), np.random.default_rng(3))
    mean, _ = posterior(SENSE[:1], ERROR[:1], DONE[:1])
    assert found.mean(axis=0) == pytest.approx(mean, abs=0.05)


def test_a_body_that_cannot_take_it_hears_the_other_best_alone(believed):
    heard = _explained(Linear(unable=-1.5), believed, np.zeros(UNKNOWNS), np.random.default_rng(3))
    assert np.all(np.isfinite(heard))
    mean, _ = posterior(SENSE, ERROR, DONE)
    assert heard.mean(axis=0) == pytest.approx(mean, abs=0.15)


def test_slopes_are_quiet_where_few_bodies_are_drawn():
    bodies = np.random.default_rng(2).standard_normal((4, UNKNOWNS))
    slopes = _slopes(bodies, Linear().by(bodies))
    assert np.all(np.isfinite(slopes))
    assert np.abs(slopes).max() < 0.5
