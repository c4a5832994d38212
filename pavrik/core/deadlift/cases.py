"""From a lifter and set-ups to starts that are evaluated at once, a trailing axis for the shank."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.segments import Body, Number
from pavrik.core.deadlift.start import HeldPull, start_pose
from pavrik.core.deadlift.styles import SHANK_SET, TRAP, PullSetup
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import Screens
from pavrik.core.strength.capacities import Capacities
from pavrik.core.units import Floats, Mask, radians

SHANKS_DEG = np.linspace(2.0, 34.0, 9)
ROMANIAN_SHANK_DEG = 6.0


@dataclass(frozen=True)
class PullCase:
    """What is evaluated: arrays over set-ups with a trailing axis of length 1; ``shank`` (rad,
    trailing axis of its own length) is None where the bar against the shin decides it."""

    body: Body
    capacities: Capacities
    screens: Screens
    stance_m: Number
    toe_out: Number
    grip_m: Number
    bar_offset_m: Number
    shoulder_offset_m: Number
    bar_height_m: Number
    inside: Mask
    beside: Mask
    shank: Floats | None
    assumed: Assumptions
    floor_spread: Number | None = None

    def held(self) -> HeldPull:
        """The starts, ready to be loaded."""
        return start_pose(
            self.body, self.stance_m, self.toe_out, self.grip_m, np.asarray(self.bar_offset_m),
            np.asarray(self.bar_height_m), self.shoulder_offset_m, self.capacities, self.assumed,
            self.shank, self.floor_spread,
        )  # fmt: skip


def pull_strengths(lifter: Lifter) -> Capacities:
    """The lifter's strengths with the mid-back's where the arms hang."""
    known = lifter.capacities
    return replace(known, upper_back=known.upper_back * lifter.assumed.upper_back_in_pulls)


def needs_shank(setup: PullSetup) -> bool:
    """True where the shank is searched: no bar against the shin and no angle given."""
    return setup.style in SHANK_SET


KNOWN_SHANK = ("leans", "given")


def alike(setups: Sequence[PullSetup]) -> dict[str, list[int]]:
    """Places of the set-ups that one case can hold, by what is known of the shank: it leans on the
    bar, is given, or is searched for (``trap``, ``romanian``)."""
    groups: dict[str, list[int]] = {}
    for place, setup in enumerate(setups):
        searched = "romanian" if setup.style == "romanian" else "trap"
        kind = "given" if setup.shank is not None else searched if needs_shank(setup) else "leans"
        groups.setdefault(kind, []).append(place)
    return groups


def pull_case(
    lifter: Lifter, setups: Sequence[PullSetup], before: tuple[int, ...] = ()
) -> PullCase:
    """One case of set-ups that all lean on the bar, or all have their shank searched or given.

    ``before`` lists leading axes of length 1 that sampled bodies are laid out on.
    """
    shape = (*before, len(setups), 1)

    def column(values: Sequence[float]) -> Floats:
        return np.reshape(np.array(values, dtype=np.float64), shape)

    shank: Floats | None = None
    if any(setup.shank is not None for setup in setups):
        shank = column([0.0 if s.shank is None else s.shank for s in setups])
    elif any(setup.style in TRAP for setup in setups):
        shank = radians(SHANKS_DEG)
    elif any(setup.style == "romanian" for setup in setups):
        shank = radians(np.array([ROMANIAN_SHANK_DEG]))
    return PullCase(
        body=lifter.body,
        capacities=pull_strengths(lifter),
        screens=lifter.screens,
        stance_m=column([setup.stance_m for setup in setups]),
        toe_out=column([setup.toe_out for setup in setups]),
        grip_m=column([setup.grip_m for setup in setups]),
        bar_offset_m=column([setup.bar_offset_m for setup in setups]),
        shoulder_offset_m=column([setup.shoulder_offset_m for setup in setups]),
        bar_height_m=column([setup.bar_height_m for setup in setups]),
        inside=np.reshape([setup.kind.hands == "inside" for setup in setups], shape),
        beside=np.reshape([setup.kind.hands == "beside" for setup in setups], shape),
        shank=shank,
        assumed=lifter.assumed,
    )
