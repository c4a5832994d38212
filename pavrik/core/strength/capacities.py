"""What each muscle group can hold, in N m for both sides, and how joint angle changes it.

The cosine form is that of published isometric curves (Anderson, Madigan & Nussbaum 2007, from
memory); its widths and places are Pavrik's own, from the calibration.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from pavrik.core.assumptions import Assumptions, assume
from pavrik.core.body.segments import Body, Number
from pavrik.core.units import Floats, degrees, radians

GROUPS = (
    "hip_extensors", "hamstrings", "knee_extensors", "lower_back", "upper_back", "lats",
)  # fmt: skip
LEAST_SHARE = 0.2
"""Of a capacity, at angles so far from its best that the cosine says nothing any more."""
WEAKER_PER_DEG = assume(
    "rounded_back_weaker", 0.01, "share per deg",
    "mid-back strength that a rounded upper back has less, by degree of rounding",
)  # fmt: skip
KNEE_SIDEWAYS_NM = assume(
    "knee_sideways_nm", 170.0, "N m",
    "what both knees of the 83 kg man bear sideways and in twist beyond a set-up's own",
)  # fmt: skip


@dataclass(frozen=True)
class Capacities:
    """Capacities in N m, both sides. ``hamstring_at_knee`` is knee moment per hip moment,
    ``calves_at_knee`` what the calves bend the knee by per ankle moment,
    ``hips_over_adductors`` how much stronger the hip extensors are than the adductors."""

    hip_extensors: Number
    hamstrings: Number
    knee_extensors: Number
    lower_back: Number
    upper_back: Number
    lats: Number
    hamstring_at_knee: float
    calves_at_knee: float
    hips_over_adductors: float


def scaled_by(capacities: Capacities, factor: Number, names: Sequence[str]) -> Capacities:
    """Capacities with some of them times a factor, which broadcasts against them."""
    return replace(capacities, **{name: getattr(capacities, name) * factor for name in names})


def assumed_capacities(body: Body, assumed: Assumptions) -> Capacities:
    """Starting capacities, scaled with body mass and sex, until lifts are known."""
    share = np.asarray(body.mass_kg) / assumed.reference_mass_kg
    scale = share**assumed.mass_exponent
    legs = scale * (assumed.female_legs if body.sex == "female" else 1.0)
    upper = scale * (assumed.female_upper_back if body.sex == "female" else 1.0)
    back = scale * (assumed.female_lower_back if body.sex == "female" else 1.0)
    return Capacities(
        hip_extensors=assumed.hip_extensors_nm * legs,
        hamstrings=assumed.hamstrings_nm * legs,
        knee_extensors=assumed.knee_extensors_nm * legs,
        lower_back=assumed.lower_back_nm * back,
        upper_back=assumed.upper_back_nm * upper,
        lats=assumed.lats_nm * upper,
        hamstring_at_knee=assumed.hamstring_at_knee,
        calves_at_knee=assumed.calves_at_knee,
        hips_over_adductors=assumed.hips_over_adductors,
    )


def weaker_when_rounded(capacities: Capacities, rounded: Number) -> Capacities:
    """Strengths with an upper back rounded by rad: at mid-back a part of them is gone."""
    left = np.maximum(1.0 - WEAKER_PER_DEG * degrees(np.asarray(rounded)), LEAST_SHARE)
    return scaled_by(capacities, left, ("upper_back",))


def knee_sideways_nm(body: Body, assumed: Assumptions) -> Floats:
    """What both knees bear sideways and in twist, in N m, scaled as the legs are."""
    share = np.asarray(body.mass_kg) / assumed.reference_mass_kg
    legs = assumed.female_legs if body.sex == "female" else 1.0
    return np.asarray(KNEE_SIDEWAYS_NM * legs * share**assumed.mass_exponent)


def _cosine(angle_deg: Floats, best_deg: float, width: float) -> Floats:
    return np.maximum(np.cos(width * radians(angle_deg - best_deg)), LEAST_SHARE)


def knee_share(knee_flexion: Floats, assumed: Assumptions) -> Floats:
    """Share of the knee extensors' capacity that is left at a knee flexion in rad."""
    return _cosine(degrees(knee_flexion), assumed.knee_best_deg, assumed.knee_width)


def pelvis_flexion_deg(hip_flexion: Floats, assumed: Assumptions) -> Floats:
    """Flexion in the hip joint itself, in degrees: beyond some flexion (rad) of the trunk over the
    thigh, seen from the side, the lower back gives a part of it."""
    flexion_deg = degrees(hip_flexion)
    excess = np.maximum(flexion_deg - assumed.lumbar_joins_deg, 0.0)
    return np.asarray(flexion_deg - assumed.lumbar_share * excess)


def hip_share(hip_flexion: Floats, assumed: Assumptions) -> Floats:
    """Share of the hip extensors' capacity that is left where the trunk is flexed so far (rad) over
    the thigh."""
    joint_deg = pelvis_flexion_deg(hip_flexion, assumed)
    return _cosine(joint_deg, assumed.hip_best_deg, assumed.hip_width)
