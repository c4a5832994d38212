"""From the floor to lockout: the bar straight up, lifter and bar over mid-foot at every height.

The shoulder's offset shrinks to nothing at lockout; the shank turns back as balance asks and never
passes the bar. Near lockout the knee is nearly straight and holds by itself.
"""

from dataclasses import dataclass

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.deadlift.kinematics import DeadliftCase, DeadliftPosture
from pavrik.core.deadlift.phases import PHASES as ALL_PHASES
from pavrik.core.lifts.phases import computed_phases
from pavrik.core.units import Floats
from pavrik.words import all_of, say

STEPS = 28
AT_THE_KNEE_M = 0.05
"""The bar is at the knee while it is so near to the height of the knee's centre."""
PHASES = computed_phases(ALL_PHASES)
JUDGED = np.array([0.44, 0.56, 0.68, 0.76, 0.84, 0.92, 1.0])
"""Progress at which a pull is judged: from the bar at the thighs down to where the plates leave.
Higher up the bar rests on the thighs, which no static linkage knows."""


def whole_way(steps: int = STEPS) -> Floats:
    """Progress from the start to lockout in even steps of the bar."""
    return np.linspace(1.0, 0.0, steps)


@dataclass(frozen=True)
class DeadliftPath:
    """The posture along the way (last axis), each step's progress and phase."""

    posture: DeadliftPosture
    progress: Floats
    phase: list[str]

    def bar_height_m(self) -> Floats:
        """The bar's height along the way."""
        return np.asarray(self.posture.bar[1]).reshape(-1)


def deadlift_path(case: DeadliftCase, shank: Floats) -> DeadliftPath:
    """The whole way of one set-up from its start with a shank (rad); ``case`` holds that set-up
    alone, its bar placed."""
    progress = whole_way()
    posture = case.posture(shank, progress)
    return DeadliftPath(posture, progress, _phases(posture))


def _phases(posture: DeadliftPosture) -> list[str]:
    bar, knee = (
        np.broadcast_to(np.asarray(z).reshape(-1), STEPS)
        for z in (posture.bar[1], posture.legs.knee.z)
    )
    leaving = (bar - bar[0]) < (knee[0] - AT_THE_KNEE_M - bar[0]) / 2
    where = np.select(
        [leaving & (bar < knee - AT_THE_KNEE_M), bar < knee - AT_THE_KNEE_M,
         bar <= knee + AT_THE_KNEE_M],
        [0, 1, 2], 3,
    )  # fmt: skip
    where[0] = min(where[0], 2)
    return [PHASES[int(at)] for at in where]


SLOW_FROM = assume(
    "pace_slow_from", 0.92, "share", "of the hardest point's use: so little is left that it is slow"
)
QUICK_BELOW = assume("pace_quick_below", 0.80, "share", "of it: so much is left that it is quick")


def pace_by_phase(path: DeadliftPath, load_kg: float) -> dict[str, str]:
    """How fast each phase is to be expected against the hardest point: slow, steady or quick. What
    is left of the strengths is what speeds the bar up."""
    _, use = sticking(path, load_kg)
    hardest = float(np.max(use[path.progress >= JUDGED[0]]))
    found = {}
    for phase in dict.fromkeys(path.phase):
        here = [u for u, of, at in zip(use, path.phase, path.progress, strict=True)
                if of == phase and at >= JUDGED[0]]  # fmt: skip
        if not here:
            continue
        share = float(np.mean(here)) / hardest
        found[phase] = (
            "slow" if share >= SLOW_FROM else "quick" if share < QUICK_BELOW else "steady"
        )
    return found


def pace_words(path: DeadliftPath, load_kg: float) -> str:
    """The same as a coach says it, phases of one pace together."""
    told = pace_by_phase(path, load_kg)
    runs: list[tuple[str, list[str]]] = []
    for phase, pace in told.items():
        if runs and runs[-1][0] == pace:
            runs[-1][1].append(phase)
        else:
            runs.append((pace, [phase]))
    words = [f"{pace} {all_of(phases)}" for pace, phases in runs]
    patience = runs[0] == ("slow", runs[0][1][:1]) and "quick" in told.values()
    expected = say("deadlift.expect_it", paces=", ".join(words))
    return say("deadlift.patience_start", expected=expected) if patience else expected


def sticking(path: DeadliftPath, load_kg: float) -> tuple[int, Floats]:
    """Step of the hardest point at a load among those that are judged, and the largest use along
    the way."""
    use = np.asarray(path.posture.at_load(load_kg).utilization.most).reshape(-1)
    judged = path.progress >= JUDGED[0]
    return int(np.argmax(np.where(judged, use, 0.0))), use
