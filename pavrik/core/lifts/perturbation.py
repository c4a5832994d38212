"""What a fault does to a posture: one small change each, at the set-up in force."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from typing import Any, Generic, Literal, TypeVar

from pavrik.core.lifts.case import DEEPEST, Case
from pavrik.core.lifts.posture import Posture
from pavrik.core.units import Floats

C = TypeVar("C", bound=Case)


@dataclass(frozen=True)
class Undisturbed(Generic[C]):
    """The set-up in force: its case, its shank (rad, shape (1, shanks, 1)) and the load on the
    bar."""

    case: C
    shank: Floats
    load_kg: float

    def at(self, progress: Floats, **changes: object) -> Posture:
        """The posture at a progress, its shank kept, with fields of the case changed."""
        changed: Case = replace(self.case, **changes)  # type: ignore[arg-type]
        return changed.posture(self.shank, progress)

    def started_anew(self, **changes: object) -> Posture:
        """The deepest point with fields of the case changed and the shank that then follows."""
        changed: Case = replace(self.case, **changes)  # type: ignore[arg-type]
        return changed.posture(changed.shank_range()[0], DEEPEST)


Disturb = Callable[[Any, float], Posture]
"""(undisturbed, amount in m, rad or a share) -> the posture where the fault bites."""


@dataclass(frozen=True)
class Perturbation:
    """A fault with a price: the disturbance, its usual amount, its unit, and the words for it.

    ``against`` says what the disturbed posture is compared with: the predicted max ("max"), the
    same posture undisturbed ("itself"), or the ratio of the two ("ratio"). ``shanks`` (undisturbed,
    size) -> those (rad, shape (1, shanks, 1)) among which the lifter finds the best that the fault
    leaves; None where the fault itself says where the shank is.
    """

    disturb: Disturb
    amount: float
    unit: Literal["m", "deg", "share", "none"]
    words: str
    against: Literal["max", "itself", "ratio"] = "itself"
    shanks: Callable[[Any, float], Floats] | None = None
    consequence: Callable[[Posture, Posture, float], str] | None = None
    """(undisturbed posture, disturbed one, load in kg) -> what else it does, in words."""
    twists_knee: bool = False
    """Whether the knee has to bear sideways and in twist what it does not in the set-up itself."""


@dataclass(frozen=True)
class OneSided:
    """A fault that loads one leg and bends the trunk to its side: how far off the middle (m), and
    what is off: the bar, or all."""

    amount: float
    words: str
    of_bar: bool = True
