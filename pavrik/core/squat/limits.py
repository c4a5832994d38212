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
from pavrik.words import say

_ROUNDING_DEG = 1e-6


NO_SHELF = {
    "fails": say("squat.bar_does_not_rest"),
    "not_screened": say("squat.beginners_shelf_not_screened"),
}


def gate_reasons(lifter: Lifter, setup: SquatSetup) -> list[str]:
    """What rules a set-up out before any posture is computed: shoulders, hands, stance limit."""
    shelf = setup.shelf
    reasons = []
    if not shelf.handles and not lifter.screens.bearable(setup.bar_position):
        reasons.append(
            say("squat.shoulder_screen_says_cannot", name=shelf.name, instead=shelf.instead)
        )
    if shelf.school == "low" and lifter.screens.shelf != "holds":
        reasons.append(NO_SHELF[lifter.screens.shelf].format(shelf=shelf.name))
    narrowest = lifter.screens.narrowest_grip_m.get(setup.bar_position)
    if setup.grip_m is not None and narrowest is not None and setup.grip_m < narrowest:
        reasons.append(
            say(
                "squat.hands_cm_apart_narrower",
                grip_m=setup.grip_m * 100,
                narrowest=narrowest * 100,
                name=shelf.name,
            )
        )
    if setup.stance_m > lifter.stance_limit_m:
        reasons.append(
            say(
                "squat.stance_cm_wider_cm",
                stance_m=setup.stance_m * 100,
                stance_limit_m=lifter.stance_limit_m * 100,
            )
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
    return say("squat.cm_knee", above_m=abs(above_m) * 100, where=where)


def _balance(_: Told) -> str:
    return say("squat.no_lean_trunk_balances")


def _reach(told: Told) -> str:
    hip = _beside_knee(hip_above_knee_m(told.lifter, told.setup))
    return say("squat.feet_cm_apart_thigh", stance_m=told.setup.stance_m * 100, hip=hip)


def _ankle(told: Told) -> str:
    screen = float(degrees(told.lifter.screens.dorsiflexion))
    return say(
        "squat.ankle_would_bend_more", bent=screen + told.over, over=told.over, screen=screen
    )


def _lean(told: Told) -> str:
    ankle = float(degrees(told.lifter.screens.dorsiflexion))
    return say(
        "squat.trunk_would_lean_beyond",
        lean_deg=told.lean_deg,
        over=told.over,
        name=told.setup.shelf.name,
        ankle=ankle,
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
        hip_flexion_sentence(say("squat.raise_heel_widen_turn")),
        price=screen_price, screened=True,
    ),
    Limit(
        "abduction", beyond_abduction,
        lambda told: say("squat.thighs_would_open_further", over=told.over),
        price=screen_price, screened=True,
    ),
    Limit(
        "rotation", beyond_rotation,
        lambda told: say("squat.thighs_would_turn_out", over=told.over),
        price=screen_price, screened=True,
    ),
    Limit(
        "width", _too_wide,
        lambda told: say("squat.thighs_would_open_further_moderate", over=told.over),
    ),
    Limit("knee_track", beyond_knee_track, knee_track_sentence, price=knee_track_price),
    Limit(
        "knee_forward", _knee_too_far,
        lambda told: say("squat.knees_would_travel_past", over=told.over),
    ),
    Limit("lean", _too_much_lean, _lean, price=lean_price, straight_deg=LEAN_STRAIGHT_DEG,
          most_deg=LEAN_MOST_DEG),
)  # fmt: skip
