"""Why a set-up does not work, in sentences: the fact, the number, the remedy."""

from collections.abc import Mapping

import numpy as np

from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import BarPosition
from pavrik.core.squat.depth import hip_above_knee_m
from pavrik.core.squat.setup import SquatSetup

_INSTEAD: dict[BarPosition, str] = {
    "front": "cross the arms or hold straps, or take the bar on the back",
    "high": "try a bar with handles, or work on the shoulders and screen again",
    "middle": "carry the bar higher, or work on the shoulders and screen again",
    "low": "carry the bar higher, or work on the shoulders and screen again",
}


_OF_THE_TRUNK = frozenset({"closing", "lean", "strength"})
MOOT: dict[str, frozenset[str]] = {
    "balance": _OF_THE_TRUNK,
    "reach": _OF_THE_TRUNK
    | {"balance", "knee_forward", "abduction", "rotation", "width", "knee_track"},
}
"""What cannot be told of a body that has no pose: angles of the trunk without a balance, any
without a leg that reaches."""


def gate_reasons(lifter: Lifter, setup: SquatSetup) -> list[str]:
    """What rules a set-up out before any pose is computed: shoulders, hands, stance limit."""
    shelf = setup.shelf
    reasons = []
    if not shelf.handles and not lifter.screens.bearable(setup.bar_position):
        reasons.append(
            f"the shoulder screen says {shelf.name} cannot be held: {_INSTEAD[setup.bar_position]}"
        )
    narrowest = lifter.screens.narrowest_grip_m.get(setup.bar_position)
    if setup.grip_m is not None and narrowest is not None and setup.grip_m < narrowest:
        reasons.append(
            f"hands {setup.grip_m * 100:.0f} cm apart are narrower than the "
            f"{narrowest * 100:.0f} cm that the shoulders bear in {shelf.name}: widen the grip"
        )
    if setup.stance_m > lifter.stance_limit_m:
        reasons.append(
            f"a stance of {setup.stance_m * 100:.0f} cm is wider than the "
            f"{lifter.stance_limit_m * 100:.0f} cm that can be walked out: stand narrower or use "
            "a monolift"
        )
    return reasons


def _beside_knee(hip_above_knee_m: float) -> str:
    where = "below" if hip_above_knee_m < 0 else "above"
    return f"{abs(hip_above_knee_m) * 100:.0f} cm {where} the knee"


def limit_reasons(
    lifter: Lifter,
    setup: SquatSetup,
    shortfall_deg: Mapping[str, float],
    lean_deg: float,
    closing_deg: float,
) -> list[str]:
    """One sentence for every limit that the bottom oversteps and that can be told, the most
    binding first."""
    shelf = setup.shelf
    ankle = float(np.rad2deg(lifter.screens.dorsiflexion))
    closing = float(np.rad2deg(lifter.screens.closing))
    sentences = {
        "balance": "no lean of the trunk balances over mid-foot at this depth: more ankle bend, "
        "a higher heel or a shallower target is needed",
        "reach": f"with the feet {setup.stance_m * 100:.0f} cm apart the thigh does not reach a "
        f"hip {_beside_knee(hip_above_knee_m(lifter, setup))}: stand narrower, or choose another "
        "depth",
        "strength": "the body alone asks more than the strengths allow here: check the strengths "
        "and the body mass",
        "closing": f"the hip would close {closing_deg:.0f}°, {{over:.1f}}° more than the "
        f"{closing:.0f}° reached with an unchanged lower back: raise the heel, widen, turn the "
        "toes out or carry the bar higher",
        "abduction": "the thighs would open {over:.1f}° further than the hip screen allows at "
        "this depth: stand narrower",
        "rotation": "the thighs would turn out {over:.1f}° further than the hip rotation "
        "screen allows: turn the toes in, or work on the hips and screen again",
        "knee_forward": "the knees would travel past the toes, {over:.1f}° of shin more than the "
        "held-back school allows: sit back further, or free the knees",
        "width": "the thighs would open {over:.1f}° further than the moderate-width school "
        "allows: stand narrower, or choose the wide school",
        "knee_track": "the thigh would turn {over:.1f}° more away from the toes than knees bear: "
        "match the toes to the stance",
        "lean": f"the trunk would lean {lean_deg:.0f}°, {{over:.1f}}° beyond the most that "
        f"{shelf.name} is held at, with the ankle at its {ankle:.0f}°: raise the heel, carry the "
        "bar lower or widen",
    }
    overstepped = {name: over for name, over in shortfall_deg.items() if over > 0}
    moot = frozenset[str]().union(*(MOOT.get(name, ()) for name in overstepped))
    told = [(over, name) for name, over in overstepped.items() if name not in moot]
    return [sentences[name].format(over=over) for over, name in sorted(told, reverse=True)]
