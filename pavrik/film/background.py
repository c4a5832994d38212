"""How the camera itself moved: corners of the background, found again from the first picture."""

from dataclasses import dataclass, field

import cv2
import numpy as np

from pavrik.film.opencv import Affine, Picture, corners, flow, inverse, moved, similarity

_CORNERS = 160
_LEAST = 8
_STRAY_PX = 1.5
_WINDOW = 21


def _still() -> Affine:
    return np.array([[1.0, 0.0, 0.0], [0.0, 1.0, 0.0]])


@dataclass
class Background:
    """Transforms from a picture into the first one. ``lifter`` (u0, v0, u1, v1) is left out."""

    first: Picture
    lifter: tuple[float, float, float, float]
    to_first: Affine = field(default_factory=_still)

    def __post_init__(self) -> None:
        mask = np.full(self.first.shape, 255, np.uint8)
        u0, v0, u1, v1 = (round(edge) for edge in self.lifter)
        mask[max(v0, 0) : max(v1, 0), max(u0, 0) : max(u1, 0)] = 0
        self.corners = corners(self.first, _CORNERS, 0.02, 12, mask)

    def follow(self, picture: Picture) -> Affine:
        """The transform of a picture; as before where too few corners are found again."""
        if len(self.corners) < _LEAST:
            return self.to_first
        guess = moved(self.corners.reshape(-1, 2).astype(float), inverse(self.to_first))
        found, seen = flow(
            self.first, picture, self.corners, _WINDOW,
            guess.astype(np.float32).reshape(-1, 1, 2),
        )  # fmt: skip
        if seen.sum() >= _LEAST:
            made, agree = similarity(found[seen], self.corners[seen], _STRAY_PX)
            if made is not None and agree >= max(_LEAST, 0.3 * seen.sum()):
                self.to_first = made
        return self.to_first


UPRIGHT_WITHIN_DEG = 8.0
_LEAST_LINES = 3


def roll_of(picture: Picture) -> float:
    """How far (rad) the upright lines of a background lean, clockwise positive; 0 where there are
    too few of them."""
    edges = cv2.Canny(picture, 50, 150)
    least = picture.shape[0] // 5
    lines = cv2.HoughLinesP(edges, 1, np.pi / 1440, 60, minLineLength=least, maxLineGap=6)
    if lines is None:
        return 0.0
    along = lines.reshape(-1, 4).astype(float)
    du, dv = along[:, 2] - along[:, 0], along[:, 3] - along[:, 1]
    length = np.hypot(du, dv)
    lean = np.arctan2(-du * np.sign(dv), np.abs(dv))
    upright = (np.abs(lean) < np.deg2rad(UPRIGHT_WITHIN_DEG)) & (length > 0)
    if upright.sum() < _LEAST_LINES:
        return 0.0
    order = np.argsort(lean[upright])
    weight = np.cumsum(length[upright][order])
    return float(lean[upright][order][np.searchsorted(weight, weight[-1] / 2)])
