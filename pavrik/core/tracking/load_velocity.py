"""A lifter's own line of speed against load, and the max where it meets the slowest speed."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.lifts.lift import Carried

LEAST_LOADS = 4
LEAST_SPAN = assume("load_velocity_span", 0.30, "share", "of the max that the loads must span")
SLOWEST_M_S: dict[Carried, float] = {
    "back": assume("slowest_squat_m_s", 0.30, "m/s", "mean speed of a max squat", "from memory"),
    "hands": assume(
        "slowest_deadlift_m_s", 0.15, "m/s", "mean speed of a max deadlift", "from memory"
    ),
}


@dataclass(frozen=True)
class LoadVelocity:
    """Speed = ``at_zero_m_s`` less ``per_kg`` times the load; the max in kg and its error (sd)."""

    at_zero_m_s: float
    per_kg: float
    max_kg: float
    max_sd_kg: float


def load_velocity(carried: Carried, sets: Sequence[tuple[float, float]]) -> LoadVelocity | str:
    """The line through (load in kg, best mean speed in m/s) of sets, or why there is none yet."""
    loads = np.array([load for load, _ in sets])
    speeds = np.array([speed for _, speed in sets])
    if len(set(loads.tolist())) < LEAST_LOADS:
        return f"{len(set(loads.tolist()))} of {LEAST_LOADS} different loads filmed"
    (slope, start), cov = np.polyfit(loads, speeds, 1, cov=True)
    if slope >= 0:
        return "heavier bars were not slower: the loads were not lifted as fast as they could be"
    slowest = SLOWEST_M_S[carried]
    top = (start - slowest) / -slope
    if np.ptp(loads) < LEAST_SPAN * top:
        return f"the loads span {np.ptp(loads) / top:.0%} of the max, {LEAST_SPAN:.0%} are needed"
    pulled = np.array([(start - slowest) / slope**2, -1.0 / slope])
    return LoadVelocity(
        float(start), float(-slope), float(top), float(np.sqrt(pulled @ cov @ pulled))
    )
