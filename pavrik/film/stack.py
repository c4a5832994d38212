"""How a stack of plates shows in a picture: its near face is a circle in space and no circle in the
picture, and where the stack goes back its edge is the far rim."""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from pavrik.core.tracking.camera import (
    FOCAL_OF_WIDTH,
    PLATE_RADIUS_M,
    SLEEVE_END_M,
    obliqueness,
    plate_face_m,
)
from pavrik.core.tracking.clip import Pixel
from pavrik.film.opencv import Place

USUAL_PLATES = 2
"""Large plates that are taken to hang on either side, to judge how oblique the view is."""
_RAYS = 96
_ANGLES = np.linspace(0, 2 * np.pi, _RAYS, endpoint=False)
RAYS = np.stack([np.cos(_ANGLES), np.sin(_ANGLES)], -1)
"""Directions from the centre of a plate to its rim, shape (rays, 2)."""
_TOWARD_THE_BACK = 0.1
"""Cosine to the way that the stack goes back, above which its edge is the far rim."""
_STRAIGHT = 0.03
"""Of the radius: a sleeve's end so near to the centre hides what lies behind it."""


@dataclass(frozen=True)
class Stack:
    """Plates as they were tapped: ``toward`` is where the sleeve's end is seen from the centre
    ``at``, ``nearer`` how much more than the plate the end moves in the picture when the bar does;
    ``yaw`` is how oblique the view is, the picture's right side nearer where it is above 0."""

    focal_px: float
    middle: Place
    yaw: float = 0.0
    nearer: float = 0.0
    at: Place | None = None
    toward: Place | None = None

    def bow(self, centre: Place, radius: float) -> Place:
        """How far the face's rim lies off a circle, in pixels along every ray: shape (rays, 2)."""
        off, share = centre - self.middle, radius / self.focal_px
        scale = 1.0 / (1.0 - share * RAYS[:, 0] * np.sin(self.yaw))
        along = RAYS * radius * np.array([np.cos(self.yaw), 1.0])
        return np.asarray((off + along) * scale[:, None] - off - RAYS * radius)

    def own_rim(self, centre: Place, radius: float) -> NDArray[np.bool_]:
        """The rays along which the near face's own rim is the edge, shape (rays,)."""
        if self.toward is None or self.at is None:
            return np.ones(_RAYS, dtype=bool)
        toward = self.toward + self.nearer * (centre - self.at)
        off = float(np.hypot(*toward))
        if off < _STRAIGHT * radius:
            return np.ones(_RAYS, dtype=bool)
        return np.asarray(RAYS @ (-toward / off) < _TOWARD_THE_BACK)


def stack_of(size: tuple[int, int], plate: Pixel, radius: float, sleeve_end: Pixel | None) -> Stack:
    """A stack from its taps; straight on where the sleeve's end was not tapped."""
    middle = np.array([size[0] / 2, size[1] / 2])
    focal = FOCAL_OF_WIDTH * max(size)
    if sleeve_end is None:
        return Stack(focal, middle)
    at, end, face = np.array(plate), np.array(sleeve_end), plate_face_m(USUAL_PLATES)
    depth = focal * PLATE_RADIUS_M / radius
    yaw = obliqueness(focal, at[0] - middle[0], end[0] - middle[0], depth, face)
    along = (SLEEVE_END_M - face) * np.cos(yaw)
    return Stack(focal, middle, yaw, float(along / max(depth - along, along)), at, end - at)
