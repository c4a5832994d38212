"""A made-up population: bodies, strengths and screens drawn as they differ among lifters.

It says whether a judgement is right where no single body can: how styles, stances and limiters
spread. Same seed, same population.
"""

from typing import Any

import numpy as np

from pavrik.core.assumptions import DEFAULT, Assumptions, assume
from pavrik.core.body.segments import SEGMENTS, STATURE_FRACTION, Body, Sex
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import make_screens
from pavrik.core.lifter.schools import SquatSchools
from pavrik.core.strength.capacities import GROUPS, assumed_capacities, scaled_by
from pavrik.core.units import Floats, radians

LENGTH_SD = assume(
    "population_length_sd", 0.0375, "share", "how proportions differ from lifter to lifter"
)
LENGTH_SHARED = assume(
    "population_length_shared", 0.3, "correlation", "between the proportions of one lifter"
)
OWN_STRENGTH_SD = assume(
    "population_strength_sd", 0.08, "log", "how single muscle groups differ from what is usual"
)
STATURE_M: dict[Sex, tuple[float, float]] = {"male": (1.76, 0.07), "female": (1.64, 0.065)}
MASS_KG: dict[Sex, tuple[float, float]] = {"male": (87.0, 12.0), "female": (67.0, 9.0)}
"""Mean and sd of lifters (common practice, no source)."""
SCREENS_DEG = {"dorsiflexion": (38.0, 5.0), "abduction": (52.0, 7.0), "hip_flexion": (156.0, 7.0)}
AXES = (1, 1, 1)
"""Set-up, shank and step: behind the lifters' own axis."""


def population(sex: Sex, count: int, seed: int, assumed: Assumptions = DEFAULT) -> Lifter:
    """``count`` lifters of one sex as one, their fields laid out as (count, 1, 1, 1)."""
    random = np.random.default_rng([seed, len(sex)])

    def normal(mean: float, sd: float) -> Floats:
        return mean + sd * np.clip(random.standard_normal((count, *AXES)), -2.5, 2.5)

    stature = normal(*STATURE_M[sex])
    usual_mass = MASS_KG[sex][0] * (stature / STATURE_M[sex][0]) ** 2
    mass = usual_mass * np.exp(normal(0.0, 0.8 * MASS_KG[sex][1] / MASS_KG[sex][0]))
    shared = normal(0.0, 1.0)
    lengths: dict[str, Any] = {}
    for name in SEGMENTS:
        own = normal(0.0, 1.0)
        z = np.sqrt(LENGTH_SHARED) * shared + np.sqrt(1 - LENGTH_SHARED) * own
        lengths[name] = STATURE_FRACTION[name] * stature * (1.0 + LENGTH_SD * z)
    body = Body(sex=sex, mass_kg=mass, stature_m=stature, **lengths)
    capacities = assumed_capacities(body, assumed)
    for group in GROUPS:
        capacities = scaled_by(capacities, np.exp(normal(0.0, OWN_STRENGTH_SD)), (group,))
    angles = {name: radians(normal(*SCREENS_DEG[name])) for name in SCREENS_DEG}
    screens = make_screens().with_limits(**angles)
    return Lifter(body, capacities, screens, SquatSchools(width="wide"), assumed=assumed)
