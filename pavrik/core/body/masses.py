"""Segment masses and mass centres by sex.

de Leva (1996) J Biomech 29:1223, from memory. Fractions are normalised to sum to 1. The trunk is
three point masses on its axis whose sum reproduces de Leva's whole trunk.
"""

from dataclasses import dataclass

from pavrik.core.body.segments import Sex


@dataclass(frozen=True)
class SegmentMasses:
    """Fractions of body mass; paired segments are for both sides. Centres as fractions of length.

    ``trunk`` holds (fraction, place along the trunk from the hip) for lower, middle and upper.
    """

    head: float
    arms: float
    thighs: float
    shanks: float
    feet: float
    trunk: tuple[tuple[float, float], ...]
    thigh_centre_from_hip: float
    shank_centre_from_knee: float
    foot_centre_from_heel: float


DE_LEVA_PERCENT = {
    "male": {
        "head": 6.94, "trunk": 43.46, "upper_arm": 2.71, "forearm": 1.62, "hand": 0.61,
        "thigh": 14.16, "shank": 4.33, "foot": 1.37,
    },
    "female": {
        "head": 6.68, "trunk": 42.57, "upper_arm": 2.55, "forearm": 1.38, "hand": 0.56,
        "thigh": 14.78, "shank": 4.81, "foot": 1.29,
    },
}  # fmt: skip

_TRUNK_PARTS = {
    "male": ((11.17, 0.106), (16.33, 0.497), (15.96, 0.904)),
    "female": ((12.47, 0.174), (14.65, 0.556), (15.45, 0.944)),
}
_CENTRES = {"male": (0.4095, 0.4459, 0.4415), "female": (0.3612, 0.4416, 0.4014)}


def _normalised(sex: Sex) -> SegmentMasses:
    percent = DE_LEVA_PERCENT[sex]
    arm = percent["upper_arm"] + percent["forearm"] + percent["hand"]
    legs = percent["thigh"] + percent["shank"] + percent["foot"]
    trunk = sum(part for part, _ in _TRUNK_PARTS[sex])
    total = percent["head"] + trunk + 2 * (arm + legs)
    thigh_centre, shank_centre, foot_centre = _CENTRES[sex]
    return SegmentMasses(
        head=percent["head"] / total,
        arms=2 * arm / total,
        thighs=2 * percent["thigh"] / total,
        shanks=2 * percent["shank"] / total,
        feet=2 * percent["foot"] / total,
        trunk=tuple((part / total, place) for part, place in _TRUNK_PARTS[sex]),
        thigh_centre_from_hip=thigh_centre,
        shank_centre_from_knee=shank_centre,
        foot_centre_from_heel=foot_centre,
    )


SEGMENT_MASSES: dict[Sex, SegmentMasses] = {
    "male": _normalised("male"),
    "female": _normalised("female"),
}
