"""From a lifter and set-ups to cases that can be evaluated, with two trailing axes of length 1."""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import product

import numpy as np

from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import BAR_POSITIONS, BarPosition
from pavrik.core.squat.bar_positions import bar_places, held_leans
from pavrik.core.squat.depth import depth_target_m
from pavrik.core.squat.evaluation import SquatCase
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.units import radians


@dataclass(frozen=True)
class SetupGrid:
    """The axes of a search: lengths in metres, toe-out in degrees."""

    bar_positions: tuple[BarPosition, ...] = BAR_POSITIONS
    stance_m: tuple[float, ...] = tuple(round(0.28 + 0.04 * i, 2) for i in range(11))
    toe_out_deg: tuple[float, ...] = (8.0, 15.0, 22.0, 29.0, 36.0)
    heel_lift_m: tuple[float, ...] = (0.0, 0.01, 0.02)

    def __len__(self) -> int:
        return (
            len(self.bar_positions) * len(self.stance_m)
            * len(self.toe_out_deg) * len(self.heel_lift_m)
        )  # fmt: skip

    def setups(self) -> list[SquatSetup]:
        """Every set-up of the grid, bar position slowest."""
        return [
            SquatSetup(bar, stance, float(radians(toe)), heel)
            for bar, stance, toe, heel in product(
                self.bar_positions, self.stance_m, self.toe_out_deg, self.heel_lift_m
            )
        ]


def case_for(
    lifter: Lifter, setups: Sequence[SquatSetup], before: tuple[int, ...] = ()
) -> SquatCase:
    """One case holding all set-ups along one axis.

    ``before`` lists leading axes of length 1 that sampled bodies are laid out on.
    """
    shape = (*before, len(setups), 1, 1)

    def column(values: Sequence[float]) -> np.ndarray:
        return np.reshape(np.array(values, dtype=np.float64), shape)

    shelves = [setup.shelf for setup in setups]
    own_depth = column(
        [np.nan if s.hip_above_knee_m is None else s.hip_above_knee_m for s in setups]
    )
    schools = lifter.schools
    return SquatCase(
        body=lifter.body,
        capacities=lifter.capacities,
        screens=lifter.screens,
        bar=bar_places(lifter.body, shelves, shape, lifter.assumed),
        holds_lean=held_leans(shelves, shape),
        stance_m=column([setup.stance_m for setup in setups]),
        toe_out=column([setup.toe_out for setup in setups]),
        heel_lift_m=column([setup.heel_lift_m for setup in setups]),
        hip_above_knee_m=np.where(np.isnan(own_depth), depth_target_m(lifter), own_depth),
        balance=schools.balance,
        break_school=schools.break_school,
        width=schools.width,
        knees=schools.knees,
        assumed=lifter.assumed,
    )
