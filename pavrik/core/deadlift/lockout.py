"""Standing with the bar: how high it ends, how far it travels, and the work that takes."""

from dataclasses import dataclass

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.body.segments import Number
from pavrik.core.deadlift.kinematics import DeadliftCase, DeadliftPosture
from pavrik.core.deadlift.under_the_bar import effective_arm, standing_shoulder_m, upper_masses
from pavrik.core.linkage.foot import place_foot
from pavrik.core.linkage.legs import leg_masses, squat_legs
from pavrik.core.units import GRAVITY_M_S2, Floats

BLADES_DOWN_M = assume(
    "blades_down_m", 0.02, "m", "how much lower the bar ends with the blades held down"
)


@dataclass(frozen=True)
class Lockout:
    """Heights and travel of the bar in m, the body's own rise (m), and the work in J at a load, one
    of each for every set-up, shape (set-up,)."""

    bar_height_m: Floats
    travel_m: Floats
    body_rise_m: Floats
    work_j: Floats


def _centre_z(start: DeadliftPosture) -> Floats:
    legs = start.masses
    total = legs.foot_kg * legs.foot.z + legs.shank_kg * legs.shank.z + legs.thigh_kg * legs.thigh.z
    upper = sum(mass.kg * mass.z for mass in start.upper_masses)
    return np.asarray((total + upper) / start.body.mass_kg)


def _standing_centre_z(case: DeadliftCase, shoulder_z: Floats, bar_z: Floats) -> Floats:
    foot = place_foot(case.body, case.stance_m, case.toe_out, 0.0, case.assumed)
    legs = squat_legs(case.body, foot, 0.0, np.pi / 2)
    masses = leg_masses(case.body, legs)
    upper = upper_masses(
        case.body, np.zeros(()), legs.hip, (legs.hip.x, bar_z), (legs.hip.x, shoulder_z),
        case.assumed,
    )  # fmt: skip
    total = (
        masses.foot_kg * masses.foot.z
        + masses.shank_kg * masses.shank.z
        + masses.thigh_kg * masses.thigh.z
    )
    return (total + sum(mass.kg * mass.z for mass in upper)) / case.body.mass_kg


def lockout(
    case: DeadliftCase, start: DeadliftPosture, load_kg: Number, blades_down: bool = True
) -> Lockout:
    """Lockout of every set-up: hips and knees straight in the stance, arms hanging. ``load_kg`` is
    one load or one for each."""
    foot = place_foot(case.body, case.stance_m, case.toe_out, 0.0, case.assumed)
    shoulder_z = standing_shoulder_m(case.body, foot)
    lower = BLADES_DOWN_M if blades_down else 0.0
    bar_z = shoulder_z - effective_arm(case.body, case.grip_m)[0] - lower
    count = len(np.asarray(case.stance_m))

    def each(value: Floats) -> Floats:
        return np.broadcast_to(np.ravel(value), count)

    travel = each(bar_z - start.bar[1])
    rise = each(_standing_centre_z(case, shoulder_z, bar_z) - _centre_z(start))
    work = GRAVITY_M_S2 * (load_kg * travel + np.ravel(case.body.mass_kg) * rise)
    return Lockout(each(bar_z), travel, rise, work)
