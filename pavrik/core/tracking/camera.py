"""Where the camera stood, from the plate, the ankle and the end of the sleeve.

A pinhole that stands level beside the lifter. The plate is nearer to the lens than the middle of
the body, so that one picture has two scales; the plate tells the distance, the ankle the height,
and how far the sleeve's end is off the plate's centre tells how oblique the view is.
"""

from dataclasses import dataclass

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.tracking.clip import Taps
from pavrik.core.units import Floats
from pavrik.words import say

PLATE_RADIUS_M = 0.225
SLEEVE_END_M = assume("sleeve_end_m", 1.10, "m", "end of the sleeve from the middle of the bar")
INNER_PLATE_M = assume("inner_plate_m", 0.655, "m", "inner face of the first plate from the middle")
PLATE_THICK_M = assume("plate_thick_m", 0.03, "m", "thickness of a large plate")
FOCAL_OF_WIDTH = assume(
    "focal_of_width", 0.80, "picture widths", "focal length of a phone's film, from memory"
)
WARN_YAW_DEG = assume("oblique_warn_deg", 5.0, "deg", "from here an oblique view is told")
MOST_YAW_DEG = assume("oblique_most_deg", 15.0, "deg", "beyond it no angle is told")
SPEED_YAW_DEG = assume("oblique_speed_deg", 20.0, "deg", "beyond it no speed is told")


@dataclass(frozen=True)
class Camera:
    """A level pinhole: focal length and middle of the picture in pixels; where it stands in m (x in
    front of mid-foot, y to the lifter's near side, height above the floor); ``yaw`` and ``roll`` in
    rad. ``facing`` is 1 where the lifter looks to the right of the picture, -1 to the left."""

    focal_px: float
    middle: tuple[float, float]
    x_m: float
    y_m: float
    height_m: float
    yaw: float = 0.0
    roll: float = 0.0
    facing: int = 1

    def depth(self, x: Floats | float, y: Floats | float) -> Floats:
        """How far in front of the lens a place is, along its axis, in m."""
        sine, cosine = np.sin(self.yaw), np.cos(self.yaw)
        return np.asarray(-(x - self.x_m) * sine - (y - self.y_m) * cosine)

    def project(
        self, x: Floats | float, y: Floats | float, z: Floats | float
    ) -> tuple[Floats, Floats]:
        """Pixels (u, v) of places in m; arrays broadcast."""
        sine, cosine = np.sin(self.yaw), np.cos(self.yaw)
        depth = self.depth(x, y)
        across = (x - self.x_m) * cosine - (y - self.y_m) * sine
        right = self.facing * self.focal_px * across / depth
        down = -self.focal_px * (z - self.height_m) / depth
        return _turned(right, down, self.roll, self.middle)

    def unproject(
        self, u: Floats | float, v: Floats | float, y: Floats | float
    ) -> tuple[Floats, Floats]:
        """x and z in m of pixels, at a known distance ``y`` (m) to the near side."""
        right, down = upright(u, v, self.roll, self.middle)
        sine, cosine = np.sin(self.yaw), np.cos(self.yaw)
        slope = self.facing * right / self.focal_px
        x = self.x_m + (y - self.y_m) * (sine - slope * cosine) / (cosine + slope * sine)
        z = self.height_m - down * self.depth(x, y) / self.focal_px
        return np.asarray(x), np.asarray(z)

    def unproject_at_x(
        self, u: Floats | float, v: Floats | float, x: Floats | float
    ) -> tuple[Floats, Floats]:
        """y and z in m of pixels, at a known place ``x`` (m) ahead of mid-foot: for a camera that
        looks at the lifter's front or back."""
        right, down = upright(u, v, self.roll, self.middle)
        sine, cosine = np.sin(self.yaw), np.cos(self.yaw)
        slope = self.facing * right / self.focal_px
        y = self.y_m + (x - self.x_m) * (cosine + slope * sine) / (sine - slope * cosine)
        z = self.height_m - down * self.depth(x, y) / self.focal_px
        return np.asarray(y), np.asarray(z)


def _turned(
    right: Floats, down: Floats, roll: float, middle: tuple[float, float]
) -> tuple[Floats, Floats]:
    sine, cosine = np.sin(roll), np.cos(roll)
    return middle[0] + cosine * right - sine * down, middle[1] + sine * right + cosine * down


def upright(
    u: Floats | float, v: Floats | float, roll: float, middle: tuple[float, float]
) -> tuple[Floats, Floats]:
    """How far a pixel is right of and below the picture's middle, the roll taken out."""
    sine, cosine = np.sin(roll), np.cos(roll)
    right, down = np.asarray(u) - middle[0], np.asarray(v) - middle[1]
    return cosine * right + sine * down, -sine * right + cosine * down


def plate_face_m(large_plates: int) -> float:
    """Outer face of the outermost large plate, m from the middle of the bar."""
    return INNER_PLATE_M + PLATE_THICK_M * max(large_plates, 1)


def obliqueness(
    focal_px: float, across_plate: float, across_end: float, depth_m: float, plate_y_m: float
) -> float:
    """Yaw in rad from where plate and sleeve's end are across the picture (pixels from its middle,
    forward positive), iterated as the end's own depth depends on it."""
    yaw, along = 0.0, SLEEVE_END_M - plate_y_m
    for _ in range(20):
        end_depth = depth_m - along * np.cos(yaw)
        shifted = (across_end * end_depth - across_plate * depth_m) / focal_px
        yaw = float(np.arcsin(np.clip(-shifted / along, -0.9, 0.9)))
    return yaw


@dataclass(frozen=True)
class Anchor:
    """A place that was tapped (pixels) and is known in m (x, y, z): the ankle of a standing foot,
    or the middle of a plate that stands on the floor."""

    pixel: tuple[float, float]
    at_m: tuple[float, float, float]


def find_camera(
    taps: Taps, size: tuple[int, int], anchor: Anchor, *,
    large_plates: int = 1, roll: float = 0.0, focal_px: float | None = None,
    faces_right: bool = True,
) -> Camera:  # fmt: skip
    """The camera that sees the tapped places so. ``size`` is the picture's width and height in
    pixels. Without a sleeve's end the view counts as square. Raises ValueError for a plate without
    size."""
    if taps.plate_radius <= 0:
        raise ValueError(say("tracking.plate_no_size_tap"))
    focal = focal_px or FOCAL_OF_WIDTH * max(size)
    middle, facing = (size[0] / 2, size[1] / 2), 1 if faces_right else -1
    plate_y = plate_face_m(large_plates)

    def seen(place: tuple[float, float]) -> tuple[float, float]:
        right, down = upright(*place, roll, middle)
        return facing * float(right), float(down)

    plate, known = seen(taps.plate), seen(anchor.pixel)
    depth = focal * PLATE_RADIUS_M / taps.plate_radius
    yaw = 0.0
    if taps.sleeve_end is not None:
        yaw = obliqueness(focal, plate[0], seen(taps.sleeve_end)[0], depth, plate_y)
    sine, cosine = np.sin(yaw), np.cos(yaw)
    y = plate_y + depth * (cosine + plate[0] / focal * sine)
    slope, (at_x, at_y, at_z) = known[0] / focal, anchor.at_m
    x = at_x - (at_y - y) * (sine - slope * cosine) / (cosine + slope * sine)
    level = Camera(focal, middle, float(x), float(y), 0.0, yaw, roll, facing)
    height = at_z + known[1] * float(level.depth(at_x, at_y)) / focal
    return Camera(focal, middle, float(x), float(y), float(height), yaw, roll, facing)
