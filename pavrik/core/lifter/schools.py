"""The schools that change what the models compute, as positions chosen for one lifter."""

from dataclasses import dataclass
from typing import Literal

from pavrik.core.linkage.balance import BalanceSchool

DepthTarget = Literal["competition", "parallel", "deepest", "box"]
BreakSchool = Literal["together", "hips_first", "knees_first"]
WidthSchool = Literal["moderate", "wide"]
KneesSchool = Literal["free", "held"]
BarSchool = Literal["model", "upright", "low"]
ShoesSchool = Literal["needed", "flat", "raised"]
PullStyleSchool = Literal["model", "upright"]


@dataclass(frozen=True)
class SquatSchools:
    """What the schools say of squats."""

    balance: BalanceSchool = "system"
    break_school: BreakSchool = "together"
    upright_break: BreakSchool | None = None
    """Of the high bar and the front squat; None is the same."""
    depth: DepthTarget = "competition"
    width: WidthSchool = "moderate"
    knees: KneesSchool = "free"
    bar: BarSchool = "model"
    shoes: ShoesSchool = "needed"


@dataclass(frozen=True)
class DeadliftSchools:
    """What the schools say of pulls."""

    shoulder_offset_m: float = 0.04
    blades_down: bool = True
    style: PullStyleSchool = "model"
