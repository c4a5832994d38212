"""Set-ups between the core's terms and the wire's: the only place where radians become degrees."""

from collections.abc import Mapping, Set
from typing import Any, TypeVar

from pydantic import BaseModel

from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.styles import STYLES, DeadliftSetup
from pavrik.core.squat.bar_positions import Shelf
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from pavrik.core.units import degrees, radians
from pavrik.formats.model.requests import DeadliftSetupIn, SpecialtyBarIn, SquatSetupIn
from pavrik.words import say

W = TypeVar("W", bound=BaseModel)
DEGREE_DIGITS = 6
SAID_BY_SCHOOLS = frozenset({"balance"})
"""What a kept set-up holds that its lifter's schools decide."""
SAID_BY_RANKING = SAID_BY_SCHOOLS | {"hip_above_knee_m"}
"""The same of a set-up in a ranking, which has the depth in force in it."""
WIRE: dict[str, type[SquatSetupIn | DeadliftSetupIn]] = {
    SQUAT.id: SquatSetupIn,
    DEADLIFT.id: DeadliftSetupIn,
}
"""The wire's form of each lift's set-ups."""
_USUAL_HANDS_M = 0.22
"""Beyond the shoulders, for a bar of the club's own."""


def read_setup(form: type[W], kept: Mapping[str, Any], without: Set[str] = SAID_BY_SCHOOLS) -> W:
    """A kept set-up as the wire has it today: fields that later versions dropped are left out, and
    ``without``."""
    known = form.model_fields.keys() - without
    return form(**{name: value for name, value in kept.items() if name in known})


def degrees_of(angle: float) -> float:
    """An angle in rad as it stands on the wire."""
    return round(float(degrees(angle)), DEGREE_DIGITS)


def squat_from_wire(setup: SquatSetupIn) -> SquatSetup:
    """A squat's set-up in the core's terms."""
    special = setup.specialty
    return SquatSetup(
        bar_position=setup.bar_position,
        stance_m=setup.stance_m,
        toe_out=float(radians(setup.toe_out_deg)),
        heel_lift_m=setup.heel_lift_m,
        hip_above_knee_m=setup.hip_above_knee_m,
        grip_m=setup.grip_m,
        specialty=Shelf(**special.model_dump(), hands_beyond_shoulders_m=_USUAL_HANDS_M)
        if special
        else None,
    )


def deadlift_from_wire(setup: DeadliftSetupIn) -> DeadliftSetup:
    """A deadlift's set-up in the core's terms."""
    height = setup.bar_height_m
    return DeadliftSetup(
        style=setup.style,
        stance_m=setup.stance_m,
        toe_out=float(radians(setup.toe_out_deg)),
        grip_m=setup.grip_m,
        bar_offset_m=setup.bar_offset_m,
        shoulder_offset_m=setup.shoulder_offset_m,
        bar_height_m=STYLES[setup.style].height_m() if height is None else height,
        shank=None if setup.shank_deg is None else float(radians(setup.shank_deg)),
    )


def from_wire(setup: BaseModel) -> SquatSetup | DeadliftSetup:
    """A set-up of either lift in the core's terms."""
    if isinstance(setup, SquatSetupIn):
        return squat_from_wire(setup)
    if isinstance(setup, DeadliftSetupIn):
        return deadlift_from_wire(setup)
    raise TypeError(say("model.no_set_up", name__=type(setup).__name__))


def squat_to_wire(setup: SquatSetup) -> SquatSetupIn:
    """A squat's set-up in the wire's terms."""
    special = setup.specialty
    return SquatSetupIn(
        bar_position=setup.bar_position,
        stance_m=setup.stance_m,
        toe_out_deg=degrees_of(setup.toe_out),
        heel_lift_m=setup.heel_lift_m,
        hip_above_knee_m=setup.hip_above_knee_m,
        grip_m=setup.grip_m,
        specialty=SpecialtyBarIn.model_validate(special, from_attributes=True) if special else None,
    )


def to_wire(setup: SquatSetup | DeadliftSetup) -> SquatSetupIn | DeadliftSetupIn:
    """A set-up of either lift in the wire's terms."""
    return squat_to_wire(setup) if isinstance(setup, SquatSetup) else deadlift_to_wire(setup)


def deadlift_to_wire(setup: DeadliftSetup) -> DeadliftSetupIn:
    """A deadlift's set-up in the wire's terms."""
    return DeadliftSetupIn(
        style=setup.style,
        stance_m=setup.stance_m,
        toe_out_deg=round(float(degrees(setup.toe_out)), 3),
        grip_m=setup.grip_m,
        bar_offset_m=setup.bar_offset_m,
        shoulder_offset_m=setup.shoulder_offset_m,
        bar_height_m=setup.bar_height_m,
        shank_deg=None if setup.shank is None else round(float(degrees(setup.shank)), 3),
    )
