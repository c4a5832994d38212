"""Segment lengths of one lifter, or of many sampled ones at once.

Lengths run between joint centres. A field may be a scalar or an array; every function that takes
a ``Body`` broadcasts over its fields.
"""

from collections.abc import Mapping
from dataclasses import dataclass, fields
from typing import Literal

import numpy as np

from pavrik.core.assumptions import OWN, assume
from pavrik.core.units import Floats
from pavrik.words import say

Sex = Literal["male", "female"]
Number = float | Floats

_PUBLISHED = {
    "foot_m",
    "ankle_height_m",
    "shank_m",
    "thigh_m",
    "trunk_m",
    "upper_arm_m",
    "forearm_m",
}
STATURE_FRACTION: dict[str, float] = {
    "foot_m": 0.152,
    "ankle_height_m": 0.039,
    "shank_m": 0.246,
    "thigh_m": 0.245,
    "trunk_m": 0.288,
    "upper_arm_m": 0.186,
    "forearm_m": 0.146,
    "grip_m": 0.108 * 0.55,
    "head_neck_m": 0.182,
    "hip_spacing_m": 0.10,
    "shoulder_spacing_m": 0.22,
    "hip_crease_m": 0.043,
    "knee_top_m": 0.031,
}
"""Drillis & Contini (1966), from memory; grip, head_neck, the spacings and the two offsets (hip
crease above the hip centre, top of the knee above the knee centre) are Pavrik's own."""
for _segment, _share in STATURE_FRACTION.items():
    assume(
        f"{_segment.removesuffix('_m')}_of_stature", _share, "share",
        f"{_segment.removesuffix('_m').replace('_', ' ')} over stature where it was not measured",
        "Drillis & Contini (1966), from memory" if _segment in _PUBLISHED else OWN,
    )  # fmt: skip

SEGMENTS = tuple(STATURE_FRACTION)

STATURE_RANGE_M = (1.40, 2.20)
MASS_RANGE_KG = (35.0, 250.0)


@dataclass(frozen=True)
class Body:
    """One body: lengths in metres, mass in kilograms, scalars or broadcastable arrays."""

    sex: Sex
    mass_kg: Number
    stature_m: Number
    foot_m: Number
    ankle_height_m: Number
    shank_m: Number
    thigh_m: Number
    trunk_m: Number
    upper_arm_m: Number
    forearm_m: Number
    grip_m: Number
    head_neck_m: Number
    hip_spacing_m: Number
    shoulder_spacing_m: Number
    hip_crease_m: Number
    knee_top_m: Number

    @property
    def arm_m(self) -> Number:
        """Shoulder centre to bar along a straight arm."""
        return self.upper_arm_m + self.forearm_m + self.grip_m

    def reshaped(self, *shape: int) -> "Body":
        """The same body with every array field reshaped, to broadcast against a grid."""
        changed = {
            f.name: np.reshape(value, shape)
            for f in fields(self)
            if isinstance(value := getattr(self, f.name), np.ndarray)
        }
        return Body(**{f.name: changed.get(f.name, getattr(self, f.name)) for f in fields(self)})


def _check_size(mass_kg: float, stature_m: float) -> list[str]:
    problems = []
    for name, value, (low, high), unit in (
        ("stature", stature_m, STATURE_RANGE_M, "m"),
        (say("body.body_mass"), mass_kg, MASS_RANGE_KG, "kg"),
    ):
        if not low <= value <= high:
            problems.append(
                say(
                    "body.outside_model_holds_grown",
                    name=name,
                    value=value,
                    unit=unit,
                    low=low,
                    high=high,
                )
            )
    return problems


def _check_segments(segments: Mapping[str, float]) -> list[str]:
    problems = [
        say("body.there_no_segment_called", name=name) for name in segments if name not in SEGMENTS
    ]
    problems += [
        say("body.must_length_above_0", name=name, value=value)
        for name, value in segments.items()
        if not (np.isfinite(value) and value > 0)
    ]
    return problems


def make_body(
    sex: Sex, mass_kg: float, stature_m: float, segments: Mapping[str, float] | None = None
) -> Body:
    """Body from what was measured; the rest is estimated from stature.

    Raises ValueError with one sentence per problem, joined by newlines.
    """
    measured = dict(segments or {})
    problems = _check_size(mass_kg, stature_m) + _check_segments(measured)
    if sex not in ("male", "female"):
        problems.append(say("body.sex_must_male_female", sex=sex))
    if problems:
        raise ValueError("\n".join(problems))
    lengths = {
        name: float(measured.get(name, fraction * stature_m))
        for name, fraction in STATURE_FRACTION.items()
    }
    return Body(sex=sex, mass_kg=float(mass_kg), stature_m=float(stature_m), **lengths)
