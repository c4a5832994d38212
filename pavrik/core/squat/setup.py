"""One squat set-up, fully specified."""

from dataclasses import dataclass

from pavrik.core.assumptions import assume_each
from pavrik.core.lifter.mobility import BarPosition
from pavrik.core.lifter.schools import BreakSchool
from pavrik.core.squat.bar_positions import SHELVES, Shelf

_EXPONENTS: dict[BreakSchool, float] = {"together": 1.0, "hips_first": 1.8, "knees_first": 0.6}
BREAK_EXPONENT = assume_each(
    "break_exponent", _EXPONENTS, "power", "shank lean follows the thigh's progress to this power"
)


@dataclass(frozen=True)
class SquatSetup:
    """What the coach can set; ``toe_out`` in rad. ``hip_above_knee_m`` None is the depth target."""

    bar_position: BarPosition
    stance_m: float
    toe_out: float
    heel_lift_m: float = 0.0
    hip_above_knee_m: float | None = None
    grip_m: float | None = None
    specialty: Shelf | None = None
    """A bar with a centre of its own; it then counts instead of the position's usual one."""

    @property
    def style(self) -> str:
        """The bar position, which is a squat's style."""
        return self.bar_position

    @property
    def shelf(self) -> Shelf:
        """Where the bar's centre is and the lean it holds."""
        return self.specialty or SHELVES[self.bar_position]
