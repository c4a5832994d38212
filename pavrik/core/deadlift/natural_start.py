"""Where the hips go by themselves, and what is left when the bar is let go."""

from dataclasses import dataclass, replace

import numpy as np

from pavrik.core.deadlift.kinematics import DeadliftCase, DeadliftPosture

LOW_BEHIND_M = 0.04
"""A start that is too low: shoulders this far behind the bar."""
HEEL_SHARE = 0.5


@dataclass(frozen=True)
class NaturalStart:
    """Hips of a too-low start and how far they rise to the natural one, in m. Letting go of the
    bar: the body's mass centre in front of the heel in m; negative falls backward."""

    low_hip_m: float
    natural_hip_m: float
    rise_m: float
    let_go_m: float
    low_let_go_m: float
    low: DeadliftPosture


def natural_start(case: DeadliftCase, start: DeadliftPosture) -> NaturalStart:
    """Of one set-up: its own start is the natural one."""
    low = replace(case, shoulder_offset_m=np.full((1, 1, 1), -LOW_BEHIND_M)).start()
    heel = -HEEL_SHARE * float(np.asarray(case.body.foot_m))

    def one(value: object) -> float:
        return float(np.asarray(value).reshape(-1)[0])

    natural, low_hip = one(start.legs.hip.z), one(low.legs.hip.z)
    return NaturalStart(
        low_hip, natural, natural - low_hip, one(start.body_centre_x_m) - heel,
        one(low.body_centre_x_m) - heel, low,
    )  # fmt: skip
