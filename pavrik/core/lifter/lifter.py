"""Everything about one lifter that the models need, in one place."""

from dataclasses import dataclass, field

from pavrik.core.assumptions import DEFAULT, Assumptions
from pavrik.core.body.segments import Body, Number
from pavrik.core.lifter.mobility import Screens, make_screens
from pavrik.core.lifter.schools import DeadliftSchools, SquatSchools
from pavrik.core.strength.capacities import Capacities, assumed_capacities


@dataclass(frozen=True)
class Lifter:
    """Body, what was measured of it, strengths, screens, schools and stance limit."""

    body: Body
    capacities: Capacities
    screens: Screens
    schools: SquatSchools = field(default_factory=SquatSchools)
    measured: frozenset[str] = frozenset()
    stance_limit_m: float = DEFAULT.stance_limit_walkout_m
    assumed: Assumptions = DEFAULT
    deadlift_schools: DeadliftSchools = field(default_factory=DeadliftSchools)
    suit_nm: float = 0.0
    """What a supportive suit holds at both hips, in N m; 0 without one."""
    own_depth_m: Number | None = None
    """Hip above knee where the depth target is this lifter's own: deepest neutral, or a box."""


def default_lifter(body: Body, **changes: object) -> Lifter:
    """A lifter of whom only the body is known."""
    known: dict[str, object] = {
        "capacities": assumed_capacities(body, DEFAULT),
        "screens": make_screens(),
    }
    return Lifter(body=body, **(known | changes))  # type: ignore[arg-type]
