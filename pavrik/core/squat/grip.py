"""Hands and elbows on the bar: how far the elbow folds, where the forearm points.

The hand is on the bar, the elbow on the circle of upper arm and forearm round the line from
shoulder to hand; it hangs as low as it can.
"""

from dataclasses import dataclass

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.body.segments import Body
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.squat.bar_positions import Shelf, bar_places
from pavrik.words import say

MOST_FOLD_DEG = assume(
    "elbow_most_fold_deg",
    160.0,
    "deg",
    "elbow flexion that most reach with the shoulder girdle's help",
)
FRONT_FOLD_DEG = 165.0
PALM_M = 0.08
"""In the front rack the wrist is bent back: the bar lies this far off the forearm's line."""
WIDEST_M = 1.31


@dataclass(frozen=True)
class GripPose:
    """Elbow flexion and the forearm's tilt from vertical in degrees, with the lean; None where
    the hands cannot hold the bar so. ``narrowest_m`` is the least distance that the folded elbow
    allows, by geometry alone."""

    elbow_flexion_deg: float | None
    forearm_tilt_deg: float | None
    narrowest_m: float
    problem: str | None


def _lengths(body: Body, shelf: Shelf) -> tuple[float, float]:
    """Upper arm, and elbow to bar, in m."""
    in_front = shelf.forward_m > 0
    straight = float(body.forearm_m) + float(body.grip_m)
    fore = float(np.hypot(body.forearm_m, PALM_M)) if in_front else straight
    return float(body.upper_arm_m), fore


def _most_fold_deg(shelf: Shelf) -> float:
    return FRONT_FOLD_DEG if shelf.forward_m > 0 else MOST_FOLD_DEG


def _reach_m(body: Body, shelf: Shelf, grip_m: float, lifter: Lifter) -> float:
    bar = bar_places(body, [shelf], (), lifter.assumed)
    along = float(np.asarray(bar.along_m)) - float(body.trunk_m)
    forward = float(np.asarray(bar.forward_m))
    sideways = (grip_m - float(body.shoulder_spacing_m)) / 2
    return float(np.sqrt(along**2 + forward**2 + sideways**2))


def narrowest_by_elbow_m(lifter: Lifter, shelf: Shelf) -> float:
    """Hands as near as the most folded elbow allows, in m."""
    upper, fore = _lengths(lifter.body, shelf)
    folded = np.radians(180.0 - _most_fold_deg(shelf))
    least = float(np.sqrt(upper**2 + fore**2 - 2 * upper * fore * np.cos(folded)))
    in_plane = _reach_m(lifter.body, shelf, float(lifter.body.shoulder_spacing_m), lifter)
    sideways = np.sqrt(max(least**2 - in_plane**2, 0.0))
    return float(lifter.body.shoulder_spacing_m) + 2 * float(sideways)


def grip_pose(lifter: Lifter, shelf: Shelf, grip_m: float, lean: float) -> GripPose:
    """Elbow and forearm with the hands ``grip_m`` apart and the trunk leaning (rad)."""
    body = lifter.body
    narrowest = narrowest_by_elbow_m(lifter, shelf)
    if shelf.handles:
        return GripPose(None, None, narrowest, None)
    upper, fore = _lengths(body, shelf)
    reach = _reach_m(body, shelf, grip_m, lifter)
    if reach > upper + fore:
        return GripPose(None, None, narrowest, say("squat.hands_wider_arms_reach"))
    if reach < abs(upper - fore) or grip_m < narrowest - 1e-9:
        return GripPose(
            None,
            None,
            narrowest,
            say(
                "squat.elbow_would_fold_beyond",
                most_fold_deg=_most_fold_deg(shelf),
                narrowest=narrowest * 100,
            ),
        )
    inside = np.arccos(np.clip((upper**2 + fore**2 - reach**2) / (2 * upper * fore), -1, 1))
    bar = bar_places(body, [shelf], (), lifter.assumed)
    along = float(np.asarray(bar.along_m)) - float(body.trunk_m)
    forward = float(np.asarray(bar.forward_m))
    hand = np.array([
        along * np.sin(lean) + forward * np.cos(lean),
        (grip_m - float(body.shoulder_spacing_m)) / 2,
        along * np.cos(lean) - forward * np.sin(lean),
    ])  # fmt: skip
    unit = hand / reach
    from_shoulder = (upper**2 - fore**2 + reach**2) / (2 * reach)
    radius = np.sqrt(max(upper**2 - from_shoulder**2, 0.0))
    down = np.array([0.0, 0.0, -1.0])
    lowest = down - (down @ unit) * unit
    lowest /= max(float(np.linalg.norm(lowest)), 1e-9)
    forearm = hand - (from_shoulder * unit + radius * lowest)
    tilt = np.degrees(np.arccos(np.clip(forearm[2] / fore, -1, 1)))
    return GripPose(float(180 - np.degrees(inside)), float(tilt), narrowest, None)
