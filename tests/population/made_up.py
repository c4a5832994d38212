"""Made-up lifters whose truth is known: drawn round what is believed of one lifter."""

from dataclasses import replace
from typing import Any

import numpy as np

from pavrik.core.body.segments import SEGMENTS
from pavrik.core.fitting.known_bests import KnownBest, strengths_from
from pavrik.core.fitting.sampling import Ask, intervals, sample, soft_maxes_kg
from pavrik.core.fitting.unknowns import Unknowns
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import make_screens
from pavrik.core.lifts.lift import Lift
from pavrik.core.strength.inverse import OBSERVATION_SD

SAMPLES = 128
USUAL_SCREENS = {
    "ankle_dorsiflexion_deg": 38.0, "neutral_closing_deg": 156.0, "hip_abduction_deg": 52.0,
    "hip_rotation_deg": 50.0,
}  # fmt: skip


def draw_lifters(lifter: Lifter, count: int, random: np.random.Generator) -> Lifter:
    """``count`` lifters as one, drawn round what is believed of one."""
    unknowns = Unknowns(lifter, lifter.capacities, ())
    return unknowns.lifters(random.standard_normal((count, unknowns.count)))


def truths(lift: Lift[Any], lifter: Lifter, setups: list[Any], count: int, seed: int) -> np.ndarray:
    """True maxes of ``count`` lifters, shape (count, set-ups), the model's own errors included."""
    random = np.random.default_rng(seed)
    drawn = draw_lifters(lifter, count, random)
    unknown = lift.kinematics.unknown(lifter.assumed, random, (count, 1, 1, 1))
    kg = soft_maxes_kg(lift, drawn, setups, unknown)
    return kg * np.exp(lifter.assumed.style_error * random.standard_normal(kg.shape))


def coverage(
    lift: Lift[Any], lifter: Lifter, setups: list[Any], told: int, count: int, seed: int = 1
) -> tuple[float, float]:
    """Share of true maxes inside the 80 % bands of what is known after bests in the first ``told``
    set-ups, and the bands' mean width as a share of their middle."""
    random = np.random.default_rng([seed, told])
    inside, widths = [], []
    for true_kg in truths(lift, lifter, setups, count, seed):
        seen = true_kg[:told] * np.exp(OBSERVATION_SD * random.standard_normal(told))
        bests = tuple(KnownBest(lift, s, float(k)) for s, k in zip(setups, seen, strict=False))
        known = strengths_from(lifter, bests).capacities if bests else lifter.capacities
        drawn = sample(lift, replace(lifter, capacities=known), setups, Ask(SAMPLES, seed, bests))
        for kg, band in zip(true_kg, intervals(drawn.maxes_kg), strict=True):
            low, high = band.band_kg
            inside.append(low <= kg <= high)
            widths.append((high - low) / band.median_kg)
    return float(np.mean(inside)), float(np.mean(widths))


def measured(lifter: Lifter) -> Lifter:
    """The lifter with every length taped and every screen taken."""
    return replace(lifter, measured=frozenset(SEGMENTS), screens=make_screens(**USUAL_SCREENS))
