"""The leading squats fitted again on drawn bodies.

Every candidate keeps its set-up, may stand a little narrower or wider, and finds its best shank
anew on each body.
"""

from collections.abc import Iterator, Sequence
from dataclasses import replace

import numpy as np

from pavrik.core.fitting.sampling import STEP, draw_lifters
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.squat.cases import case_for
from pavrik.core.squat.evaluation import SAMPLING, evaluate
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.units import Floats, radians

STANCE_STEPS_M = (-0.08, -0.04, 0.0, 0.04)


def neighbours(setup: SquatSetup) -> list[SquatSetup]:
    """The set-up a little narrower and wider: a re-fit on another body may move the feet."""
    return [replace(setup, stance_m=setup.stance_m + step) for step in STANCE_STEPS_M]


def sample_in_steps(
    lifter: Lifter, setups: Sequence[SquatSetup], samples: int, seed: int
) -> Iterator[Floats]:
    """The rows of ``sample_maxes_kg``, a few bodies at a time."""
    for start in range(0, samples, STEP):
        random = np.random.default_rng([seed, start])
        yield _sample_step(lifter, setups, min(STEP, samples - start), random)


def sample_maxes_kg(
    lifter: Lifter, setups: Sequence[SquatSetup], samples: int, seed: int
) -> Floats:
    """Predicted max in kg of each set-up on each sampled lifter, shape (samples, set-ups);
    0 where it is not feasible there. Each is re-fitted: it may stand a little narrower or wider
    and finds its own shank angle. Same seed, same answer."""
    return np.concatenate(list(sample_in_steps(lifter, setups, samples, seed)))


def _sample_step(
    lifter: Lifter, setups: Sequence[SquatSetup], samples: int, random: np.random.Generator
) -> Floats:
    assumed = lifter.assumed
    drawn = draw_lifters(lifter, samples, random)
    refits = [near for setup in setups for near in neighbours(setup)]
    case = case_for(drawn, refits, before=(1,))
    spread = random.uniform(assumed.spread_low, assumed.spread_high, (samples, 1, 1, 1))
    hold = radians(assumed.hold_error_deg) * random.standard_normal((samples, 1, 1, 1))
    sampled = replace(case, floor_spread=spread, holds_lean=case.holds_lean + hold)
    maxes = evaluate(sampled, SAMPLING).predicted_max_kg
    per_setup = maxes.reshape(samples, len(setups), len(STANCE_STEPS_M))
    return np.asarray(per_setup.max(axis=2))


def best_maxes_kg(lifters: Lifter, setups: Sequence[SquatSetup]) -> Floats:
    """Best predicted max in kg of each set-up and its neighbours, for many lifters laid out along
    a leading axis; shape (lifters, set-ups)."""
    refits = [near for setup in setups for near in neighbours(setup)]
    maxes = evaluate(case_for(lifters, refits, before=(1,)), SAMPLING).predicted_max_kg
    return np.asarray(maxes.reshape(maxes.shape[0], len(setups), -1).max(axis=-1))
