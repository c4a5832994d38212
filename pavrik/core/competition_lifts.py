"""The competition lifts, in the order of the day: the one place that lists them."""

from collections.abc import Mapping
from typing import Any, Literal, get_args

from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.lifts.lift import Lift
from pavrik.core.squat.squat import SQUAT

LiftId = Literal["squat", "deadlift"]
LIFT_IDS: tuple[LiftId, ...] = get_args(LiftId)
LIFTS: Mapping[str, Lift[Any]] = {lift.id: lift for lift in (SQUAT, DEADLIFT)}
assert tuple(LIFTS) == LIFT_IDS


def lift_of(setup: Any) -> Lift[Any]:
    """The lift that a set-up is of. Raises KeyError for what is no set-up."""
    return {lift.setup_type: lift for lift in LIFTS.values()}[type(setup)]
