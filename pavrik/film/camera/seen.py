"""A clip as a good tracker would have seen a shot, without a picture drawn: projected places with
small errors. For the demo club's history and for proofs over hundreds of reps."""

import numpy as np

from pavrik.core.tracking.camera import plate_face_m
from pavrik.core.tracking.clip import Clip
from pavrik.core.units import Floats
from pavrik.film.camera.shoot import Shot

BAR_ERROR_PX = 0.4
JOINT_ERROR_PX = 1.5
_SLOW = 9
"""Joints err together over so many pictures: a tracker drifts, it does not jump."""
HEEL_BEHIND_M = 0.05
HEEL_UP_M = 0.03


def seen_clip(shot: Shot, seed: int = 1) -> Clip:
    """The shot's clip with errors of a seed; the taps are the shot's own."""
    random = np.random.default_rng(seed)
    camera, points = shot.stand.camera(), shot.motion.points
    frames = len(shot.motion.times_s)

    def seen(place: Floats, error_px: float, y: float | None = None) -> Floats:
        at_y = place[:, 1] if y is None else y
        u, v = camera.project(place[:, 0], at_y, place[:, 2])
        return np.stack([u, v], -1) + drifting(random, frames, error_px)

    ankle = points["ankle"]
    heel = np.stack(
        [ankle[:, 0] - HEEL_BEHIND_M, ankle[:, 1], HEEL_UP_M + shot.motion.heel_m], -1
    )  # fmt: skip
    unseen = np.full((frames, 2), np.nan)
    pulls = shot.taps.ankle is None
    return Clip(
        times_s=shot.motion.times_s,
        width=shot.stand.size[0],
        height=shot.stand.size[1],
        bar=seen(points["bar"], BAR_ERROR_PX, plate_face_m(shot.large_plates)),
        knee=seen(points["knee"], JOINT_ERROR_PX),
        hip=seen(points["hip"], JOINT_ERROR_PX),
        shoulder=seen(points["shoulder"], JOINT_ERROR_PX) if pulls else unseen,
        heel=unseen if pulls else seen(heel, BAR_ERROR_PX),
        taps=shot.taps,
        roll=shot.stand.roll,
    )


def drifting(random: np.random.Generator, frames: int, error_px: float) -> Floats:
    """Slowly changing errors of a standard deviation in pixels."""
    rough = random.normal(0, error_px, (frames + _SLOW - 1, 2)) * np.sqrt(_SLOW)
    kernel = np.ones(_SLOW) / _SLOW
    return np.stack([np.convolve(column, kernel, "valid") for column in rough.T], -1)
