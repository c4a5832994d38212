"""From the floor to lockout: knees first while the back angle holds, then the hips.

Off the floor the shank turns back from its start lean; the bar stays against the shin and the arms
stay straight, which fixes the bar's height in closed form (a quadratic). From the knee on, shank,
thigh and trunk run to standing in equal steps.
"""

from dataclasses import dataclass

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.deadlift.kinematics import (
    BAR_RADIUS_M,
    SHIN_M,
    DeadliftCase,
    DeadliftPosture,
    effective_arm,
)
from pavrik.core.deadlift.phases import PHASES as ALL_PHASES
from pavrik.core.lifts.phases import computed_phases
from pavrik.core.linkage.foot import place_foot
from pavrik.core.linkage.legs import legs_below_shoulder, squat_legs
from pavrik.core.units import Floats

TO_KNEE = 14
TO_LOCKOUT = 14
THIGH_M = assume(
    "bar_before_shoulder_at_lockout_m",
    0.08,
    "m",
    "at lockout the bar hangs this far in front of the shoulder line, on the thighs",
)
_DENSE = 160
PHASES = computed_phases(ALL_PHASES)


@dataclass(frozen=True)
class DeadliftPath:
    """The posture along the way (last axis), each step's phase, and where the knee is passed."""

    posture: DeadliftPosture
    phase: list[str]
    knee_step: int

    def bar_height_m(self) -> Floats:
        """The bar's height along the way."""
        return np.asarray(self.posture.bar[1]).reshape(-1)


def _one(value: Floats | float) -> float:
    return float(np.asarray(value).reshape(-1)[0])


def _bar_to_knee(case: DeadliftCase, start: DeadliftPosture) -> tuple[Floats, Floats, Floats]:
    """Shank, bar x and bar z from the start until the bar passes the knee, in even bar steps."""
    foot = place_foot(case.body, _one(case.stance_m), _one(case.toe_out), 0.0, case.assumed)
    beside = bool(np.asarray(case.beside).reshape(-1)[0])
    lean, offset = _one(start.lean), _one(case.shoulder_offset_m)
    arm = _one(effective_arm(case.body, _one(case.grip_m))[0])
    rise = float(np.sqrt(max(arm**2 - offset**2, 0.0)))
    shank = np.linspace(_one(start.legs.shank), -0.12, _DENSE)
    seen = np.arctan(np.tan(shank) * np.cos(_one(case.toe_out)))
    ankle_x, ankle_z = _one(foot.ankle.x), _one(foot.ankle.z)
    slope = np.zeros_like(shank) if beside else np.tan(seen)
    at_zero = (
        np.full_like(shank, _one(start.bar[0]))
        if beside
        else ankle_x + (SHIN_M + BAR_RADIUS_M) / np.cos(seen) - ankle_z * np.tan(seen)
    )
    knee_x = ankle_x + case.body.shank_m * np.sin(shank) * np.cos(_one(case.toe_out))
    knee_y = _one(foot.ankle.y) + case.body.shank_m * np.sin(shank) * np.sin(_one(case.toe_out))
    knee_z = ankle_z + case.body.shank_m * np.cos(shank)
    sideways = knee_y - float(case.body.hip_spacing_m) / 2
    thigh_sq = np.maximum(float(case.body.thigh_m) ** 2 - sideways**2, 0.0)
    u = at_zero + offset - case.body.trunk_m * np.sin(lean) - knee_x
    v = rise - case.body.trunk_m * np.cos(lean) - knee_z
    a, b, c = slope**2 + 1, slope * u + v, u**2 + v**2 - thigh_sq
    height = (-b + np.sqrt(np.maximum(b**2 - a * c, 0.0))) / a
    height = np.maximum.accumulate(height)
    below = max(int(np.searchsorted(height >= knee_z, True)), 2)
    wanted = np.linspace(height[0], height[min(below, _DENSE - 1)], TO_KNEE)
    shanks = np.interp(wanted, height[: below + 1], shank[: below + 1])
    bars = np.interp(wanted, height[: below + 1], (at_zero + slope * height)[: below + 1])
    return shanks, bars, wanted


def deadlift_path(case: DeadliftCase, start: DeadliftPosture) -> DeadliftPath:
    """The whole way of one set-up from its start; ``case`` holds that set-up alone."""
    shank, bar_x, bar_z = _bar_to_knee(case, start)
    offset, arm = _one(case.shoulder_offset_m), effective_arm(case.body, _one(case.grip_m))[0]
    foot = place_foot(case.body, _one(case.stance_m), _one(case.toe_out), 0.0, case.assumed)
    rise = np.sqrt(np.maximum(arm**2 - offset**2, 0.0))
    lower, _ = legs_below_shoulder(case.body, foot, shank, bar_x + offset, bar_z + rise)
    elevation = np.arctan2(lower.hip.z - lower.knee.z, lower.knee.x - lower.hip.x)[-1]
    lean = _one(start.lean)

    share = np.linspace(0.0, 1.0, TO_LOCKOUT + 1)[1:]
    upper_shank = shank[-1] * (1 - share)
    upper_legs = squat_legs(
        case.body, foot, upper_shank, elevation + (np.pi / 2 - elevation) * share
    )
    upper_lean = lean * (1 - share)
    behind = offset + (-THIGH_M - offset) * share
    shoulder_x = np.concatenate(
        [bar_x + offset, upper_legs.hip.x + case.body.trunk_m * np.sin(upper_lean)]
    )
    shoulder_z = np.concatenate(
        [bar_z + rise, upper_legs.hip.z + case.body.trunk_m * np.cos(upper_lean)]
    )
    behind_all = np.concatenate([np.full(TO_KNEE, offset), behind])
    bars_x = shoulder_x - behind_all
    bars_z = shoulder_z - np.sqrt(np.maximum(arm**2 - behind_all**2, 0.0))
    legs = squat_legs(
        case.body, foot, np.concatenate([shank, upper_shank]),
        np.concatenate([
            np.arctan2(lower.hip.z - lower.knee.z, lower.knee.x - lower.hip.x),
            elevation + (np.pi / 2 - elevation) * share,
        ]),
    )  # fmt: skip
    posture = case.hold(legs, (shoulder_x, shoulder_z), (bars_x, bars_z))
    return DeadliftPath(posture, _phases(), TO_KNEE - 1)


def _phases() -> list[str]:
    first = TO_KNEE // 2
    names = [PHASES[0]] * first + [PHASES[1]] * (TO_KNEE - first - 2) + [PHASES[2]] * 3
    rest = TO_KNEE + TO_LOCKOUT - len(names)
    return names + [PHASES[3]] * rest


def sticking(path: DeadliftPath, load_kg: float) -> tuple[int, Floats]:
    """Step of the hardest point at a load, and the largest use along the way."""
    use = np.asarray(path.posture.at_load(load_kg).utilization.most).reshape(-1)
    return int(np.argmax(use)), use
