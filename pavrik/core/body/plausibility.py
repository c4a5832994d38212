"""Can a measurement be right? Checked against stature and against the other measurements."""

from collections.abc import Mapping
from dataclasses import dataclass

from pavrik.core.assumptions import assume_each
from pavrik.core.body.segments import STATURE_FRACTION
from pavrik.words import say

_SPREADS = {
    "foot_m": 0.040,
    "ankle_height_m": 0.110,
    "shank_m": 0.045,
    "thigh_m": 0.055,
    "trunk_m": 0.045,
    "upper_arm_m": 0.045,
    "forearm_m": 0.045,
    "grip_m": 0.120,
    "head_neck_m": 0.060,
    "hip_spacing_m": 0.110,
    "shoulder_spacing_m": 0.080,
    "hip_crease_m": 0.200,
    "knee_top_m": 0.200,
}
SPREAD_SHARE = assume_each(
    "length_spread", _SPREADS, "share",
    "standard deviation of a length over what is expected at that stature",
)  # fmt: skip

ASK_AGAIN_SD = 3.0
_STANDING = ("ankle_height_m", "shank_m", "thigh_m", "trunk_m", "head_neck_m")
_STANDING_SD_SHARE = 0.022


@dataclass(frozen=True)
class Doubt:
    """One thing that cannot well be right, as a sentence with fact, number and remedy."""

    segment: str
    z_score: float
    sentence: str


def z_score(segment: str, length_m: float, stature_m: float) -> float:
    """How many standard deviations a length lies from people of that stature."""
    expected = STATURE_FRACTION[segment] * stature_m
    return (length_m - expected) / (SPREAD_SHARE[segment] * expected)


def _label(segment: str) -> str:
    return segment.removesuffix("_m").replace("_", " ")


def _single_doubts(segments: Mapping[str, float], stature_m: float) -> list[Doubt]:
    doubts = []
    for name, length in segments.items():
        z = z_score(name, length, stature_m)
        if abs(z) > ASK_AGAIN_SD:
            side = "longer" if z > 0 else "shorter"
            doubts.append(
                Doubt(
                    name,
                    z,
                    say(
                        "body.cm_standard_deviations_people",
                        label=_label(name),
                        length=length * 100,
                        z=abs(z),
                        side=side,
                        stature_m=stature_m * 100,
                        stature_fraction=STATURE_FRACTION[name] * stature_m * 100,
                    ),
                )
            )
    return doubts


def _sum_doubt(segments: Mapping[str, float], stature_m: float) -> list[Doubt]:
    if not all(name in segments for name in _STANDING if name != "head_neck_m"):
        return []
    complete = {name: STATURE_FRACTION[name] * stature_m for name in _STANDING} | dict(segments)
    total = sum(complete[name] for name in _STANDING)
    z = (total - stature_m) / (_STANDING_SD_SHARE * stature_m)
    if abs(z) <= ASK_AGAIN_SD:
        return []
    return [
        Doubt(
            "stature_m",
            z,
            say("body.ankle_shank_thigh_trunk", total=total * 100, stature_m=stature_m * 100),
        )
    ]


def doubts(segments: Mapping[str, float], stature_m: float) -> list[Doubt]:
    """Every measured segment (name -> metres) that asks for a new reading, and broken sums."""
    return _single_doubts(segments, stature_m) + _sum_doubt(segments, stature_m)
