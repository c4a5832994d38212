"""What a squat may not overstep, and the sentences: the fact, the number, the remedy."""

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.limit import (
    FLAG_DEG,
    Limit,
    Told,
    beyond_abduction,
    beyond_hip_flexion,
    beyond_knee_track,
    beyond_rotation,
    hip_flexion_sentence,
    knee_track_price,
    knee_track_sentence,
    lean_price,
    screen_price,
    strength_sentence,
    without_strength,
)
from pavrik.core.lifts.posture import LoadedPosture
from pavrik.core.squat.depth import hip_above_knee_m
from pavrik.core.squat.kinematics import SquatCase, SquatPosture
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.units import Floats, degrees

_ROUNDING_DEG = 1e-6


NO_SHELF = {
    "fails": "the bar does not rest on the back without the hands: no {shelf} until it does; rows "
    "and high bar build the shelf",
    "not_screened": "a beginner's shelf is not screened: let the bar rest on the back, hands off "
    "and a spotter near; {shelf} opens when it stays",
}


def gate_reasons(lifter: Lifter, setup: SquatSetup) -> list[str]:
    """What rules a set-up out before any posture is computed: shoulders, hands, stance limit."""
    shelf = setup.shelf
    reasons = []
    if not shelf.handles and not lifter.screens.bearable(setup.bar_position):
        reasons.append(f"the shoulder screen says {shelf.name} cannot be held: {shelf.instead}")
    if shelf.school == "low" and lifter.screens.shelf != "holds":
        reasons.append(NO_SHELF[lifter.screens.shelf].format(shelf=shelf.name))
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


def _without_balance(_: SquatCase, __: SquatPosture, loaded: LoadedPosture) -> Floats:
    return np.where(loaded.balanced.impossible, FLAG_DEG, 0.0)


def _without_reach(_: SquatCase, posture: SquatPosture, __: LoadedPosture) -> Floats:
    return np.where(posture.legs.unreachable, FLAG_DEG, 0.0)


def _too_wide(case: SquatCase, posture: SquatPosture, _: LoadedPosture) -> Floats:
    abduction = posture.legs.abduction
    if case.width == "wide":
        return np.zeros_like(abduction)
    return np.asarray(degrees(abduction) - case.assumed.moderate_abduction_deg)


def _knee_too_far(case: SquatCase, posture: SquatPosture, _: LoadedPosture) -> Floats:
    """Degrees of shank by which the knee passes the ball too far where it is held back."""
    knee = posture.legs.knee
    if case.knees == "free":
        return np.zeros_like(knee.x)
    ball = case.assumed.ball_before_midfoot * case.body.foot_m
    aside = knee.y - posture.legs.foot.ankle.y
    along = knee.x * np.cos(case.toe_out) + aside * np.sin(case.toe_out)
    return degrees((along - ball - case.assumed.held_knee_m) / case.body.shank_m)


def _beyond_ankle(case: SquatCase, posture: SquatPosture, _: LoadedPosture) -> Floats:
    """Degrees that the ankle bends beyond its screen; the search keeps to it, rounding aside."""
    return degrees(posture.legs.dorsiflexion - case.screens.dorsiflexion) - _ROUNDING_DEG


def _too_much_lean(case: SquatCase, _: SquatPosture, loaded: LoadedPosture) -> Floats:
    return degrees(loaded.balanced.lean - case.holds_lean)


def _beside_knee(above_m: float) -> str:
    where = "below" if above_m < 0 else "above"
    return f"{abs(above_m) * 100:.0f} cm {where} the knee"


def _balance(_: Told) -> str:
    return (
        "no lean of the trunk balances over mid-foot at this depth: more ankle bend, a higher heel "
        "or a shallower target is needed"
    )


def _reach(told: Told) -> str:
    hip = _beside_knee(hip_above_knee_m(told.lifter, told.setup))
    return (
        f"with the feet {told.setup.stance_m * 100:.0f} cm apart the thigh does not reach a hip "
        f"{hip}: stand narrower, or choose another depth"
    )


def _ankle(told: Told) -> str:
    screen = float(degrees(told.lifter.screens.dorsiflexion))
    return (
        f"the ankle would bend {screen + told.over:.0f}°, {told.over:.1f}° more than the "
        f"{screen:.0f}° of the screen: raise the heel or let the shank stand steeper"
    )


def _lean(told: Told) -> str:
    ankle = float(degrees(told.lifter.screens.dorsiflexion))
    return (
        f"the trunk would lean {told.lean_deg:.0f}°, {told.over:.1f}° beyond what "
        f"{told.setup.shelf.name} holds well, with the ankle at its {ankle:.0f}°: raise the heel, "
        "carry the bar lower or widen"
    )


LEAN_STRAIGHT_DEG = assume(
    "lean_straight_deg", 2.0, "deg", "excess lean from which each further degree costs the same"
)
LEAN_MOST_DEG = assume(
    "lean_most_deg", 12.0, "deg", "excess lean at which a bar no longer stays where it lies"
)
_OF_THE_TRUNK = frozenset({"hip_flexion", "lean", "strength"})
"""What cannot be told of a body that has no posture: angles of the trunk without a balance, any
without a leg that reaches."""
LIMITS: tuple[Limit, ...] = (
    Limit("balance", _without_balance, _balance, hides=_OF_THE_TRUNK),
    Limit(
        "reach", _without_reach, _reach,
        hides=_OF_THE_TRUNK
        | {"balance", "knee_forward", "abduction", "rotation", "width", "knee_track"},
    ),
    Limit("ankle", _beyond_ankle, _ankle, price=screen_price, screened=True),
    Limit("strength", without_strength, strength_sentence),
    Limit(
        "hip_flexion", beyond_hip_flexion,
        hip_flexion_sentence("raise the heel, widen, turn the toes out or carry the bar higher"),
        price=screen_price, screened=True,
    ),
    Limit(
        "abduction", beyond_abduction,
        lambda told: f"the thighs would open {told.over:.1f}° further than the hip screen allows "
        "at this depth: stand narrower",
        price=screen_price, screened=True,
    ),
    Limit(
        "rotation", beyond_rotation,
        lambda told: f"the thighs would turn out {told.over:.1f}° further than the hip rotation "
        "screen allows: turn the toes in, or work on the hips and screen again",
        price=screen_price, screened=True,
    ),
    Limit(
        "width", _too_wide,
        lambda told: f"the thighs would open {told.over:.1f}° further than the moderate-width "
        "school allows: stand narrower, or choose the wide school",
    ),
    Limit("knee_track", beyond_knee_track, knee_track_sentence, price=knee_track_price),
    Limit(
        "knee_forward", _knee_too_far,
        lambda told: f"the knees would travel past the toes, {told.over:.1f}° of shin more than "
        "the held-back school allows: sit back further, or free the knees",
    ),
    Limit("lean", _too_much_lean, _lean, price=lean_price, straight_deg=LEAN_STRAIGHT_DEG,
          most_deg=LEAN_MOST_DEG),
)  # fmt: skip
