"""Limits of a lift: by how much a posture oversteps them, and the sentence that says so."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from typing import Any, Literal

import numpy as np

from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import abduction_limit
from pavrik.core.lifts.case import Case
from pavrik.core.lifts.posture import LoadedPosture, Posture
from pavrik.core.units import Floats, degrees

DEGREES_PER = {"deg": 1.0, "m": 400.0}
"""So that limits can be compared: 1 cm counts like 4 deg."""
FLAG_DEG = 90.0
"""What a limit counts that has no degrees of its own: no balance, no reach, no strength."""

Excess = Callable[[Any, Any, LoadedPosture], Floats]
"""(case, posture, loaded) -> by how much a limit is overstepped; negative or 0 where it is kept."""


@dataclass(frozen=True)
class Told:
    """What a sentence about an overstepped limit may say: by how much (deg, or m), of whom, in
    which set-up, and the trunk's lean and hip flexion there."""

    over: float
    lifter: Lifter
    setup: Any
    lean_deg: float
    hip_flexion_deg: float


@dataclass(frozen=True)
class Limit:
    """One thing that a body, a rule or a school does not allow. ``hides`` names the limits of which
    nothing can be told once this one is overstepped."""

    id: str
    excess: Excess
    sentence: Callable[[Told], str]
    unit: Literal["deg", "m"] = "deg"
    hides: frozenset[str] = frozenset()


def excesses(
    limits: Sequence[Limit], case: Case, posture: Posture, loaded: LoadedPosture
) -> dict[str, Floats]:
    """By how much each limit is overstepped at the deepest point, in its unit; 0 where kept."""
    return {limit.id: np.maximum(limit.excess(case, posture, loaded), 0.0) for limit in limits}


def overstepped_deg(limits: Sequence[Limit], over: Mapping[str, Floats]) -> Floats:
    """All overstepping as one number of degrees, so that the least infeasible can be found."""
    parts = [over[limit.id] * DEGREES_PER[limit.unit] for limit in limits]
    return np.asarray(sum(parts, np.zeros(())))


def reasons_for(
    limits: Sequence[Limit], over: Mapping[str, float], told: Callable[[float], Told]
) -> list[str]:
    """One sentence for every overstepped limit that can be told, the most binding first."""
    broken = [limit for limit in limits if over.get(limit.id, 0.0) > 0]
    moot = {hidden for limit in broken for hidden in limit.hides}
    binding = [limit for limit in broken if limit.id not in moot]
    binding.sort(key=lambda limit: (-over[limit.id] * DEGREES_PER[limit.unit], limit.id))
    return [limit.sentence(told(over[limit.id])) for limit in binding]


def beyond_hip_flexion(case: Case, _: Posture, loaded: LoadedPosture) -> Floats:
    """Degrees of hip flexion beyond the neutral depth that was screened."""
    return degrees(loaded.hip_flexion - case.screens.hip_flexion)


def beyond_abduction(case: Case, posture: Posture, loaded: LoadedPosture) -> Floats:
    """Degrees of abduction beyond what is left in a hip that is flexed so far."""
    limit = abduction_limit(case.screens, loaded.hip_flexion, case.assumed)
    return degrees(posture.legs.abduction - limit)


def beyond_rotation(case: Case, posture: Posture, _: LoadedPosture) -> Floats:
    """Degrees that the thigh turns out beyond the rotation screen."""
    return degrees(posture.legs.rotation - case.screens.rotation)


def beyond_knee_track(case: Case, posture: Posture, _: LoadedPosture) -> Floats:
    """Degrees that the thigh turns away from the toes beyond what knees bear."""
    legs = posture.legs
    away = degrees(np.abs(legs.azimuth - legs.foot.toe_out))
    return np.asarray(away - case.assumed.knee_track_deg)


def without_strength(_: Case, __: Posture, loaded: LoadedPosture) -> Floats:
    """A flag where the body alone is too much."""
    return np.where(np.asarray(loaded.load_kg) <= 0, FLAG_DEG, 0.0)


def strength_sentence(_: Told) -> str:
    """The same for every lift."""
    return (
        "the body alone asks more than the strengths allow here: check the strengths and the body "
        "mass"
    )


def hip_flexion_sentence(remedy: str) -> Callable[[Told], str]:
    """Of a hip that would flex further than the lower back allows; what helps differs by lift."""

    def sentence(told: Told) -> str:
        neutral = float(degrees(told.lifter.screens.hip_flexion))
        return (
            f"the hip would close {told.hip_flexion_deg:.0f}°, {told.over:.1f}° more than the "
            f"{neutral:.0f}° reached with an unchanged lower back: {remedy}"
        )

    return sentence


def knee_track_sentence(told: Told) -> str:
    """The same for every lift."""
    return (
        f"the thigh would turn {told.over:.1f}° more away from the toes than knees bear: match the "
        "toes to the stance"
    )
