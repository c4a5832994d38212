"""From landmarks on the lifter to segment lengths: two readings, their error, a third if needed."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from pavrik.words import say

THIRD_READING_M = 0.010
THIRD_READING_SHARE = 0.02


@dataclass(frozen=True)
class Landmark:
    """One thing that is measured: what it gives and how it is taken."""

    id: str
    name: str
    segment: str
    how: str


LANDMARKS: tuple[Landmark, ...] = (
    Landmark(
        "foot_length", say("body.foot_length"), "foot_m",
        say("body.heel_against_wall_barefoot"),
    ),
    Landmark(
        "floor_malleolus", say("body.floor_ankle_bone"), "ankle_height_m",
        say("body.standing_floor_up_middle"),
    ),
    Landmark(
        "malleolus_knee", say("body.ankle_bone_knee_line"), "shank_m",
        say("body.seated_knee_right_angle"),
    ),
    Landmark(
        "knee_trochanter", say("body.knee_line_hip_bone"), "thigh_m",
        say("body.standing_outer_joint_line"),
    ),
    Landmark(
        "trochanter_acromion", say("body.hip_bone_shoulder"), "trunk_m",
        say("body.standing_tall_arms_hanging"),
    ),
    Landmark(
        "acromion_elbow", say("body.shoulder_elbow"), "upper_arm_m",
        say("body.arm_hanging_corner_shoulder"),
    ),
    Landmark(
        "elbow_wrist", say("body.elbow_wrist"), "forearm_m",
        say("body.elbow_bent_palm_outer"),
    ),
    Landmark(
        "wrist_bar", say("body.wrist_bar"), "grip_m",
        say("body.hand_closed_round_bar"),
    ),
    Landmark(
        "shoulder_breadth", say("body.shoulder_joint_spacing"), "shoulder_spacing_m",
        say("body.from_behind_between_middles"),
    ),
    Landmark(
        "hip_breadth", say("body.hip_joint_spacing"), "hip_spacing_m",
        say("body.from_front_between_two"),
    ),
    Landmark(
        "hip_crease", say("body.hip_crease_above_hip"), "hip_crease_m",
        say("body.side_picture_bottom_scaled"),
    ),
    Landmark(
        "knee_top", say("body.top_knee_above_joint"), "knee_top_m",
        say("body.same_picture_joint_line"),
    ),
)  # fmt: skip

LANDMARK_BY_ID = {landmark.id: landmark for landmark in LANDMARKS}


def needs_third_reading(first_m: float, second_m: float) -> bool:
    """True when two readings differ by more than 1.0 cm or 2 % of their mean."""
    difference = abs(first_m - second_m)
    mean = (first_m + second_m) / 2
    return difference > min(THIRD_READING_M, THIRD_READING_SHARE * mean) + 1e-12


def settled_length_m(readings_m: Sequence[float]) -> float:
    """The length that readings in metres give: the mean of two, the median of three."""
    if not readings_m:
        raise ValueError(say("body.length_needs_least_reading"))
    return float(np.median(readings_m) if len(readings_m) > 2 else np.mean(readings_m))


def technical_error_m(pairs_m: Sequence[tuple[float, float]]) -> float | None:
    """Technical error of measurement sqrt(sum d^2 / 2n) in metres; None without any pair."""
    if not pairs_m:
        return None
    differences = np.array([first - second for first, second in pairs_m])
    return float(np.sqrt(np.sum(differences**2) / (2 * len(pairs_m))))


def segments_from_readings(readings: Mapping[str, Sequence[float]]) -> dict[str, float]:
    """Landmark id -> readings in metres becomes segment name -> length in metres."""
    return {
        LANDMARK_BY_ID[landmark].segment: settled_length_m(values)
        for landmark, values in readings.items()
        if values
    }
