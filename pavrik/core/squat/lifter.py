"""Everything about one lifter that the squat model needs, in one place."""

from dataclasses import dataclass, field

from pavrik.core.assumptions import DEFAULT, Assumptions
from pavrik.core.body.segments import Body
from pavrik.core.squat.depth import hip_above_knee_at
from pavrik.core.squat.screens import Screens, make_screens
from pavrik.core.squat.setup import SquatSchools, SquatSetup
from pavrik.core.strength.capacities import Capacities, assumed_capacities


@dataclass(frozen=True)
class SquatLifter:
    """Body, what was measured of it, strengths, screens, schools and stance limit."""

    body: Body
    capacities: Capacities
    screens: Screens
    schools: SquatSchools = field(default_factory=SquatSchools)
    measured: frozenset[str] = frozenset()
    stance_limit_m: float = DEFAULT.stance_limit_walkout_m
    assumed: Assumptions = DEFAULT

    def hip_above_knee_m(self, setup: SquatSetup | None = None) -> float:
        """The set-up's own depth in metres, else that of the depth target in force."""
        if setup is not None and setup.hip_above_knee_m is not None:
            return setup.hip_above_knee_m
        return float(hip_above_knee_at(self.body, self.schools.depth, self.assumed))


def default_lifter(body: Body, **changes: object) -> SquatLifter:
    """A lifter of whom only the body is known."""
    known: dict[str, object] = {
        "capacities": assumed_capacities(body, DEFAULT),
        "screens": make_screens(DEFAULT),
    }
    return SquatLifter(body=body, **(known | changes))  # type: ignore[arg-type]
