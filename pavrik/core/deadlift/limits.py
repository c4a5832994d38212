"""What a start may not overstep, and the sentences: the fact, the number, the remedy.

The mass centre must stand over mid-foot at the predicted max, the hands must pass the legs, the
hips must reach the hips' height with a flat back.
"""

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.deadlift.kinematics import DeadliftCase, DeadliftPosture
from pavrik.core.lifts.limit import (
    Limit,
    Told,
    balance_price,
    beyond_abduction,
    beyond_hip_flexion,
    beyond_knee_track,
    beyond_rotation,
    hip_flexion_sentence,
    knee_track_price,
    knee_track_sentence,
    screen_price,
    strength_sentence,
    without_strength,
)
from pavrik.core.lifts.posture import LoadedPosture
from pavrik.core.units import Floats, degrees
from pavrik.words import say

STEADY_M = assume(
    "steady_over_midfoot_m", 0.01, "m", "mass centre from mid-foot that a pull bears for nothing"
)
LEG_HALF_M = 0.05
HAND_HALF_M = 0.045
PRESS_M = assume("hand_press_m", 0.025, "m", "how far hands may press into the legs")
_NO_POSE_M = 0.05


def leg_at_bar_m(start: DeadliftPosture) -> Floats:
    """How far outward the left shank's axis is at the bar's height, in m."""
    legs = start.legs
    ankle, knee = legs.foot.ankle, legs.knee
    share = np.clip((start.bar[1] - ankle.z) / (knee.z - ankle.z), 0.0, 1.0)
    return np.asarray(ankle.y + share * (knee.y - ankle.y))


def room_m(case: DeadliftCase, start: DeadliftPosture) -> Floats:
    """Free room between hand and leg at the bar in m; negative presses."""
    hand, leg = np.asarray(case.grip_m) / 2, leg_at_bar_m(start)
    outside = (hand - HAND_HALF_M) - (leg + LEG_HALF_M)
    inside = (leg - LEG_HALF_M) - (hand + HAND_HALF_M)
    return np.where(case.beside, 1.0, np.where(case.inside, inside, outside))


def _reach(_: DeadliftCase, start: DeadliftPosture, __: LoadedPosture) -> Floats:
    return np.asarray(start.reach_gap_m + np.where(start.no_pose, _NO_POSE_M, 0.0))


def _ankle(case: DeadliftCase, start: DeadliftPosture, _: LoadedPosture) -> Floats:
    return degrees(start.legs.dorsiflexion - case.screens.dorsiflexion)


def _too_far_back(_: DeadliftCase, __: DeadliftPosture, loaded: LoadedPosture) -> Floats:
    return -STEADY_M - loaded.centre_x_m


def _too_far_forward(_: DeadliftCase, __: DeadliftPosture, loaded: LoadedPosture) -> Floats:
    return loaded.centre_x_m - STEADY_M


def _no_room(case: DeadliftCase, start: DeadliftPosture, _: LoadedPosture) -> Floats:
    return -room_m(case, start) - PRESS_M


def _above_knees(case: DeadliftCase, start: DeadliftPosture, _: LoadedPosture) -> Floats:
    return np.where(case.beside, 0.0, start.bar[1] - start.legs.knee.z)


def _room(told: Told) -> str:
    hands = "narrower" if told.setup.kind.hands == "inside" else "wider"
    return say("deadlift.cm_missing_between_hands", over=told.over * 100, hands=hands)


LIMITS: tuple[Limit, ...] = (
    Limit(
        "reach", _reach,
        lambda told: say("deadlift.cm_reach_missing_flat", over=told.over * 100),
        "m",
    ),
    Limit(
        "hip_flexion", beyond_hip_flexion,
        hip_flexion_sentence(say("deadlift.raise_bar_blocks_turn")),
        price=screen_price, screened=True,
    ),
    Limit(
        "abduction", beyond_abduction,
        lambda told: say("deadlift.thighs_would_open_further", over=told.over),
        price=screen_price, screened=True,
    ),
    Limit(
        "rotation", beyond_rotation,
        lambda told: say("deadlift.thighs_would_turn_out", over=told.over),
        price=screen_price, screened=True,
    ),
    Limit(
        "ankle", _ankle,
        lambda told: say("deadlift.shins_would_lean_further", over=told.over),
        price=screen_price, screened=True,
    ),
    Limit("knee_track", beyond_knee_track, knee_track_sentence, price=knee_track_price),
    Limit(
        "balance_back", _too_far_back,
        lambda told: say("deadlift.bar_max_weight_stands", over=told.over * 100),
        "m", price=balance_price,
    ),
    Limit(
        "balance_forward", _too_far_forward,
        lambda told: say("deadlift.bar_max_weight_stands_cm", over=told.over * 100),
        "m", price=balance_price,
    ),
    Limit("room", _no_room, _room, "m"),
    Limit(
        "shins", _above_knees,
        lambda told: say("deadlift.bar_would_start_cm", over=told.over * 100),
        "m",
    ),
    Limit("strength", without_strength, strength_sentence),
)  # fmt: skip
