"""From landmarks on the lifter to segment lengths: two readings, their error, a third if needed."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

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
        "foot_length", "Foot length", "foot_m",
        "Heel against a wall, barefoot, weight on the foot; wall to the tip of the longest toe.",
    ),
    Landmark(
        "floor_malleolus", "Floor to ankle bone", "ankle_height_m",
        "Standing; floor up to the middle of the outer ankle bone.",
    ),
    Landmark(
        "malleolus_knee", "Ankle bone to knee line", "shank_m",
        "Seated, knee at a right angle; outer ankle bone up to the joint line of the knee.",
    ),
    Landmark(
        "knee_trochanter", "Knee line to hip bone", "thigh_m",
        "Standing; outer joint line of the knee up to the bony point at the side of the hip.",
    ),
    Landmark(
        "trochanter_acromion", "Hip bone to shoulder", "trunk_m",
        "Standing tall, arms hanging; side of the hip up to the bony corner of the shoulder.",
    ),
    Landmark(
        "acromion_elbow", "Shoulder to elbow", "upper_arm_m",
        "Arm hanging; corner of the shoulder down to the outer elbow joint.",
    ),
    Landmark(
        "elbow_wrist", "Elbow to wrist", "forearm_m",
        "Elbow bent, palm in; outer elbow joint to the wrist bone on the thumb side.",
    ),
    Landmark(
        "wrist_bar", "Wrist to bar", "grip_m",
        "Hand closed round a bar; wrist bone to the middle of the bar.",
    ),
    Landmark(
        "shoulder_breadth", "Shoulder joint spacing", "shoulder_spacing_m",
        "From behind; between the middles of the two shoulder joints.",
    ),
    Landmark(
        "hip_breadth", "Hip joint spacing", "hip_spacing_m",
        "From the front; between the two hip joints, about two thirds of the pelvis's breadth.",
    ),
    Landmark(
        "hip_crease", "Hip crease above the hip bone", "hip_crease_m",
        "Side picture at the bottom, scaled by the plate; hip bone up to the fold of the hip.",
    ),
    Landmark(
        "knee_top", "Top of the knee above its joint line", "knee_top_m",
        "The same picture; joint line of the knee up to the top of the bent knee.",
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
        raise ValueError("a length needs at least one reading")
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
