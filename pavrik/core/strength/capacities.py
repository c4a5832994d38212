"""What each muscle group can hold, in N m for both sides, and how joint angle changes it."""

from dataclasses import dataclass

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.segments import Body, Number
from pavrik.core.units import Floats, degrees


@dataclass(frozen=True)
class Capacities:
    """Capacities in N m, both sides; ``hamstring_at_knee`` is knee moment per hip moment."""

    hip_extensors: Number
    hamstrings: Number
    knee_extensors: Number
    adductors: Number
    lower_back: Number
    upper_back: Number
    hamstring_at_knee: float


def assumed_capacities(body: Body, assumed: Assumptions) -> Capacities:
    """Starting capacities, scaled with body mass and sex, until lifts are known."""
    scale = body.mass_kg / assumed.reference_mass_kg
    legs = scale * (assumed.female_legs if body.sex == "female" else 1.0)
    upper = scale * (assumed.female_upper_back if body.sex == "female" else 1.0)
    return Capacities(
        hip_extensors=assumed.hip_extensors_nm * legs,
        hamstrings=assumed.hamstrings_nm * legs,
        knee_extensors=assumed.knee_extensors_nm * legs,
        adductors=assumed.adductors_nm * legs,
        lower_back=assumed.lower_back_nm * scale,
        upper_back=assumed.upper_back_nm * upper,
        hamstring_at_knee=assumed.hamstring_at_knee,
    )


def knee_share(knee_flexion: Floats, assumed: Assumptions) -> Floats:
    """Share of the knee extensors' capacity that is left at a knee flexion in rad."""
    away = (degrees(knee_flexion) - assumed.knee_best_deg) / assumed.knee_width_deg
    return np.maximum(assumed.knee_least, 1.0 - away**2)


def wide_hip_share(abduction: Floats, assumed: Assumptions) -> Floats:
    """Squared excess of abduction that costs a deep hip strength; abduction in rad."""
    excess = np.maximum(degrees(abduction) - assumed.wide_hip_from_deg, 0.0)
    return (excess / assumed.wide_hip_width_deg) ** 2


def hip_share(hip_flexion: Floats, wide: Floats, assumed: Assumptions) -> Floats:
    """Share of the hip extensors' capacity left at a hip flexion in rad, in a wide deep hip."""
    flexion_deg = degrees(hip_flexion)
    away = (flexion_deg - assumed.hip_best_deg) / assumed.hip_width_deg
    deep = np.clip((flexion_deg - assumed.deep_hip_from_deg) / assumed.deep_hip_span_deg, 0.0, 1.0)
    return np.maximum(assumed.hip_least, 1.0 - away**2) * (1.0 - wide * deep)
