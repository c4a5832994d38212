"""Everything about one lifter that the squat model needs, in one place."""

from dataclasses import dataclass, field

from pavrik.core.assumptions import DEFAULT, Assumptions
from pavrik.core.body.segments import Body, Number
from pavrik.core.fitting.screens import Screens, make_screens
from pavrik.core.squat.depth import hip_above_knee_at
from pavrik.core.squat.setup import SquatSchools, SquatSetup
from pavrik.core.strength.capacities import Capacities, assumed_capacities


@dataclass(frozen=True)
class PullSchools:
    """The schools that change what the model computes for pulls."""

    shoulder_offset_m: float = 0.04
    blades_down: bool = True


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
    pull: PullSchools = field(default_factory=PullSchools)
    own_depth_m: float | None = None
    """Hip above knee where the depth target is this lifter's own: deepest neutral, or a box."""

    def depth_target_m(self) -> Number:
        """Hip above knee in metres at the depth target in force; an array for sampled bodies."""
        if self.own_depth_m is not None:
            return self.own_depth_m
        return hip_above_knee_at(self.body, self.schools.depth, self.assumed)

    def hip_above_knee_m(self, setup: SquatSetup) -> float:
        """The set-up's own depth in metres, else that of the depth target in force."""
        if setup.hip_above_knee_m is not None:
            return setup.hip_above_knee_m
        return float(self.depth_target_m())


def default_lifter(body: Body, **changes: object) -> Lifter:
    """A lifter of whom only the body is known."""
    known: dict[str, object] = {
        "capacities": assumed_capacities(body, DEFAULT),
        "screens": make_screens(DEFAULT),
    }
    return Lifter(body=body, **(known | changes))  # type: ignore[arg-type]
