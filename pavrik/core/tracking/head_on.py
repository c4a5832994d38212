"""A film from the front or from behind: places in the picture, the camera, and metres in every
frame.

From the front the knees are seen, from behind the hips, from both whether the bar is level. Left
and right in the picture change with the view; here everything is told in the lifter's own left (+)
and right (-).
"""

from dataclasses import dataclass, replace
from typing import Literal

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.tracking.camera import (
    FOCAL_OF_WIDTH,
    PLATE_RADIUS_M,
    PLATE_THICK_M,
    Camera,
    plate_face_m,
    upright,
)
from pavrik.core.tracking.clip import Pixel
from pavrik.core.tracking.expected import Expected
from pavrik.core.tracking.linkage import SideLinkage
from pavrik.core.tracking.measured import slope
from pavrik.core.tracking.reps import Rep, deadlift_reps, squat_reps
from pavrik.core.units import Floats
from pavrik.words import say

HeadOnView = Literal["front", "rear"]
BELT_OFF_HIP_M = assume("belt_off_hip_m", 0.10, "m", "belt behind the middle of the hips")
PLACES = ("plate_left", "plate_right", "knee_left", "knee_right", "belt")


@dataclass(frozen=True)
class Edge:
    """An outermost plate seen on its edge: the middle of its upper and of its lower end (u, v)."""

    top: Pixel
    bottom: Pixel

    @property
    def middle(self) -> Floats:
        return np.asarray((np.array(self.top) + np.array(self.bottom)) / 2)

    @property
    def half_px(self) -> float:
        """Half of its height."""
        return float(np.hypot(*(np.array(self.top) - np.array(self.bottom)))) / 2


@dataclass(frozen=True)
class HeadOnTaps:
    """What was tapped in one picture, in pixels; left and right are the picture's. Knees are asked
    for from the front, the middle of the belt from behind."""

    plate_left: Edge
    plate_right: Edge
    ankle_left: Pixel
    ankle_right: Pixel
    knee_left: Pixel | None = None
    knee_right: Pixel | None = None
    belt: Pixel | None = None


@dataclass(frozen=True)
class HeadOnClip:
    """One tracked film. ``times_s`` (frames,); the other series (frames, 2) in pixels of the tapped
    picture, left and right of the picture; NaN where not seen."""

    view: HeadOnView
    times_s: Floats
    width: int
    height: int
    plate_left: Floats
    plate_right: Floats
    knee_left: Floats
    knee_right: Floats
    belt: Floats
    taps: HeadOnTaps
    tapped: int = 0
    roll: float = 0.0


@dataclass(frozen=True)
class HeadOnMeasured:
    """In m: height of the bar's ends (frames, 2; the lifter's left, right), knees (frames, 2, 3),
    the hips' middle off the middle between the feet (frames,; left positive), each foot's ankle off
    that middle (2,; outward positive). ``off_deg`` is how far the camera stands off the lifter's
    own front or back."""

    times_s: Floats
    ends_m: Floats
    knees: Floats
    hips_off_m: Floats
    bar_off_m: Floats
    """The bar's middle off the middle between the feet, (frames,; left positive)."""
    feet_m: Floats
    camera: Camera
    view: HeadOnView
    linkage: SideLinkage
    off_deg: float
    middle_y_m: float
    """Where the middle between the feet stands in the camera's own frame, to its right."""

    @property
    def height_m(self) -> Floats:
        """Height of the bar's middle, (frames,)."""
        return np.asarray(self.ends_m.mean(axis=1))

    @property
    def tilt_m(self) -> Floats:
        """How far the lifter's left end of the bar is above the right one, (frames,)."""
        return np.asarray(self.ends_m[:, 0] - self.ends_m[:, 1])

    @property
    def knees_out_m(self) -> Floats:
        """How far each knee is outside the middle between the feet, (frames, 2)."""
        return np.asarray(self.knees[:, :, 1] * np.array([1.0, -1.0]))

    def speeds_m_s(self) -> Floats:
        """Upward speed of the bar's middle, (frames,)."""
        return slope(self.height_m, self.times_s)

    def reps(self) -> list[Rep]:
        """The whole reps, as the lift has them."""
        found = squat_reps if self.linkage.carried == "back" else deadlift_reps
        return found(self.times_s, self.height_m)


def edge_y_m(large_plates: int) -> float:
    """Middle of the outermost large plate, m from the middle of the bar."""
    return plate_face_m(large_plates) - PLATE_THICK_M / 2


UPPER_SHARE = assume(
    "upper_body_share",
    0.60,
    "share",
    "of body mass in trunk, arms and head",
    "de Leva, from memory",
)


def mass_aside_m(hips_m: float, bar_m: float, load_kg: float, mass_kg: float) -> float:
    """How far the mass centre of lifter and bar is to a side where the hips and the bar are so far:
    the trunk stands between them, the legs between hips and feet."""
    upper, lower = (hips_m + bar_m) / 2, hips_m / 2
    body = UPPER_SHARE * upper + (1 - UPPER_SHARE) * lower
    return (load_kg * bar_m + mass_kg * body) / (load_kg + mass_kg)


def head_on_camera(
    taps: HeadOnTaps, size: tuple[int, int], bar_toward_m: float, ankle: tuple[float, float],
    large_plates: int = 1, roll: float = 0.0,
) -> Camera:  # fmt: skip
    """The camera in the frame of the view: x toward it, y to the right of the picture. ``ankle`` is
    where the ankles are toward it and above the floor (m). How oblique it stands is told by how
    much larger one plate is seen than the other. Raises ValueError for plates without size or on
    the wrong side of each other."""
    left, right = taps.plate_left, taps.plate_right
    if min(left.half_px, right.half_px) <= 2:
        raise ValueError(say("tracking.plate_no_height_tap"))
    focal, middle = FOCAL_OF_WIDTH * max(size), (size[0] / 2, size[1] / 2)
    y = edge_y_m(large_plates)
    plates = np.stack([left.middle, right.middle])
    (at_left, at_right), _ = upright(plates[:, 0], plates[:, 1], roll, middle)
    apart = float(at_right - at_left)
    if apart <= 0:
        raise ValueError(say("tracking.left_plate_tapped_right"))
    near = [focal * PLATE_RADIUS_M / edge.half_px for edge in (right, left)]
    sine = float(np.clip((near[0] - near[1]) / (2 * y), -0.6, 0.6))
    cosine = float(np.sqrt(1 - sine**2))
    depth = (2 * focal * y * cosine - y * sine * (float(at_left + at_right))) / apart
    across = y * cosine - float(at_right) * (depth + y * sine) / focal
    x = bar_toward_m + depth * cosine + across * sine
    camera = Camera(
        focal, middle, float(x), float(across * cosine - depth * sine), 0.0,
        float(np.pi / 2 + np.arcsin(sine)), roll, -1,
    )  # fmt: skip
    ankles = np.array([taps.ankle_left, taps.ankle_right])
    _, lower = upright(ankles[:, 0], ankles[:, 1], roll, middle)
    height = ankle[1] + float(np.mean(lower)) * float(camera.depth(ankle[0], 0.0)) / focal
    return replace(camera, height_m=height)


def measure_head_on(
    clip: HeadOnClip, linkage: SideLinkage, expected: Expected, *, large_plates: int = 1
) -> HeadOnMeasured:
    """Everything that a tracked clip shows of a lifter with a linkage. Where bar and hips stand
    toward the camera is taken from the way that was computed for him. Raises ValueError with a
    sentence where the taps do not make a camera."""
    toward = 1.0 if clip.view == "front" else -1.0
    top = float(expected.height_m[-1])
    standing = top if linkage.carried == "back" else float(expected.height_m[0])
    bar_x = toward * float(expected.point("bar", 0, standing))
    camera = head_on_camera(
        clip.taps, (clip.width, clip.height), bar_x, (toward * linkage.ankle[0], linkage.ankle[2]),
        large_plates, clip.roll,
    )  # fmt: skip
    plates = [_without_gaps(plate) for plate in (clip.plate_left, clip.plate_right)]
    seen = [_at_x(camera, plate, bar_x) for plate in plates]
    across, ends = (np.stack([place[axis] for place in seen], -1) for axis in range(2))
    feet = np.array([_foot(camera, place, toward * linkage.ankle[0])
                     for place in (clip.taps.ankle_left, clip.taps.ankle_right)])  # fmt: skip
    middle = float(feet.mean())
    height = ends.mean(axis=1)
    lowest = float(np.nanmin(height))
    hips_x = toward * expected.point("hip", 0, height - lowest + float(expected.height_m[0]))
    belt = _at_x(camera, clip.belt, hips_x + BELT_OFF_HIP_M)[0]
    knees = np.stack(
        [
            _knee(camera, place, np.array([toward * linkage.ankle[0], foot, linkage.ankle[2]]),
                  linkage.shank_m, toward)
            for place, foot in zip((clip.knee_left, clip.knee_right), feet, strict=True)
        ],
        1,
    )  # fmt: skip
    knees = (knees - np.array([0.0, middle, 0.0])) * np.array([toward, toward, 1.0])
    # The picture's right is the lifter's left from the front, and his right from behind.
    own = [1, 0] if clip.view == "front" else [0, 1]
    return HeadOnMeasured(
        times_s=clip.times_s,
        ends_m=ends[:, own],
        knees=knees[:, own],
        hips_off_m=np.asarray(toward * (belt - middle)),
        bar_off_m=np.asarray(toward * (across.mean(axis=1) - middle)),
        feet_m=np.abs(feet - middle),
        camera=camera,
        view=clip.view,
        linkage=linkage,
        off_deg=float(np.rad2deg(camera.yaw - np.pi / 2)),
        middle_y_m=middle,
    )


LEAST_SEEN = assume("plate_least_seen", 0.8, "share", "of the pictures in which a plate is seen")


def _without_gaps(plate: Floats) -> Floats:
    """A plate in every picture, gaps filled from their neighbours. Raises ValueError where it was
    seen too seldom."""
    seen = np.isfinite(plate[:, 0])
    if seen.mean() < LEAST_SEEN:
        raise ValueError(
            say("tracking.plate_seen_pictures_needed", mean=seen.mean(), least_seen=LEAST_SEEN)
        )
    every = np.arange(len(plate))
    return np.stack([np.interp(every, every[seen], column[seen]) for column in plate.T], -1)


def _at_x(camera: Camera, places: Floats, x_m: Floats | float) -> tuple[Floats, Floats]:
    """y and z (m) of pixels (frames, 2) at a place toward the camera."""
    return camera.unproject_at_x(places[:, 0], places[:, 1], x_m)


def _foot(camera: Camera, place: Pixel, x_m: float) -> float:
    return float(camera.unproject_at_x(place[0], place[1], x_m)[0])


def _knee(camera: Camera, seen: Floats, ankle: Floats, shank_m: float, toward: float) -> Floats:
    """Knees (frames, 3): where the ray of a pixel meets the sphere that the shank's end moves on,
    in front of the ankle; the nearest place where it just misses."""
    y, z = _at_x(camera, seen, ankle[0])
    through = np.stack([np.full_like(y, ankle[0]), y, z], -1)
    lens = np.array([camera.x_m, camera.y_m, camera.height_m])
    along = (lens - through) / np.linalg.norm(lens - through, axis=1)[:, None]
    off = through - ankle
    ahead = np.sum(off * along, axis=1)
    room = np.maximum(ahead**2 - np.sum(off**2, axis=1) + shank_m**2, 0.0)
    return np.asarray(through + (-ahead + toward * np.sqrt(room))[:, None] * along)
