"""The bar's path for a ladder of loads: light bars bow forward, heavy ones run plumb.

The bar's share of the system is load / (load + body mass). From about 1.5 times body mass the path
should be close to vertical (common practice, no source).
"""

from dataclasses import dataclass

import numpy as np

from pavrik.core.fitting.search import evaluate
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.squat.kinematics import whole_progress
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT

BODY_MASSES = (0.25, 0.5, 1.0, 1.5, 2.0, 3.0)
PLUMB_FROM_BODY_MASSES = 1.5


@dataclass(frozen=True)
class BarPath:
    """One load's path, standing first; range is how far it strays sideways, in m."""

    load_kg: float
    share_of_system: float
    x_m: list[float]
    z_m: list[float]

    @property
    def range_m(self) -> float:
        return max(self.x_m) - min(self.x_m)


def path_ladder(lifter: Lifter, setup: SquatSetup, today_kg: float) -> list[BarPath]:
    """Paths at fixed shares of body mass and at today's load, lightest first."""
    mass = float(np.asarray(lifter.body.mass_kg))
    loads = np.array(sorted({*(round(mass * share, 1) for share in BODY_MASSES), today_kg}))
    case = SQUAT.kinematics.case(lifter, [setup])
    shank = evaluate(SQUAT, case).shank
    posture = case.posture(shank[:, None, None], whole_progress())
    x, z = posture.upper(posture.at_load(loads[:, None]).balanced).bar
    x, z = (np.broadcast_to(v, (1, len(loads), len(whole_progress())))[0] for v in (x, z))
    return [
        BarPath(float(load), float(load / (load + mass)), list(map(float, a)), list(map(float, b)))
        for load, a, b in zip(loads, x, z, strict=True)
    ]
