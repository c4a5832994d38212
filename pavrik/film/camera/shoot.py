"""A film shot: pictures of a motion from one place, shaken and grainy as wanted, as WebM."""

from collections.abc import Callable, Generator
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any, cast

import av
import cv2
import numpy as np
from av.container import OutputContainer
from av.video.stream import VideoStream
from numpy.typing import NDArray

from pavrik.core.tracking.camera import (
    FOCAL_OF_WIDTH,
    PLATE_RADIUS_M,
    SLEEVE_END_M,
    Camera,
    plate_face_m,
)
from pavrik.core.tracking.clip import Taps
from pavrik.core.units import Floats
from pavrik.film.camera.motion import Motion
from pavrik.film.camera.scene import Image, Looks, Scene

CODEC, PIXELS = "libvpx", "yuv420p"
STEADY = {"deadline": "realtime", "cpu-used": "-16", "threads": "1"}
"""A speed that does not ask how busy the machine is, and one thread: the same film wherever it is
made. Several threads wait for one another by counting, which beside other work is most they do."""


@dataclass(frozen=True)
class Stand:
    """Where the phone stands: distance and height in m, how far off the side and how tilted
    (rad), how much it shakes (pixels), how grainy it is (grey levels), and how many bits it
    writes for a pixel."""

    distance_m: float = 4.5
    height_m: float = 0.55
    yaw: float = 0.0
    roll: float = 0.0
    shake_px: float = 0.0
    grain: float = 3.0
    facing: int = 1
    size: tuple[int, int] = (1280, 720)
    rate_hz: float = 30.0
    bits_per_pixel: float = 0.14

    def camera(self) -> Camera:
        """The pinhole, level."""
        x = 0.12 + self.distance_m * np.sin(self.yaw)
        y = self.distance_m * np.cos(self.yaw)
        width, height = self.size
        middle = (width / 2, height / 2)
        return Camera(
            FOCAL_OF_WIDTH * max(self.size), middle, float(x), float(y), self.height_m, self.yaw,
            self.roll, self.facing,
        )  # fmt: skip


@dataclass(frozen=True)
class Shot:
    """A film that was made and the truth beside it: the motion, the camera that saw it, the frames'
    times, and where a faultless hand would tap."""

    motion: Motion
    stand: Stand
    taps: Taps
    tapped_s: float
    large_plates: int = 2
    looks: Looks = field(default_factory=Looks)


def perfect_taps(motion: Motion, camera: Camera, frame: int, large_plates: int) -> Taps:
    """Where joints, plate and sleeve's end stand in a picture, in pixels."""

    def at(place: Floats, y: float | None = None) -> tuple[float, float]:
        u, v = camera.project(place[0], place[1] if y is None else y, place[2])
        return float(u), float(v)

    points = {name: places[frame] for name, places in motion.points.items()}
    bar, face = points["bar"], plate_face_m(large_plates)
    depth = float(camera.depth(bar[0], face))
    hidden = bar[2] < PLATE_RADIUS_M + 0.3
    return Taps(
        plate=at(bar, face),
        plate_radius=camera.focal_px * PLATE_RADIUS_M / depth,
        knee=at(points["knee"]),
        hip=at(points["hip"]),
        ankle=None if hidden else at(points["ankle"]),
        shoulder=at(points["shoulder"]) if hidden else None,
        sleeve_end=at(bar, SLEEVE_END_M),
    )


def shot_of(
    motion: Motion, stand: Stand, frame: int = 0, large_plates: int = 2, looks: Looks | None = None
) -> Shot:
    """A shot ready to be filmed, with its truth."""
    taps = perfect_taps(motion, stand.camera(), frame, large_plates)
    time_s = frame / stand.rate_hz
    return Shot(motion, stand, taps, time_s, large_plates, looks or Looks())


def film(shot: Shot, path: Path, rests_on_back: bool) -> Generator[float, None, None]:
    """Write the film; yields its progress. Raises OSError where it cannot be written."""
    stand, motion = shot.stand, shot.motion
    scene = Scene(stand.camera(), stand.size, shot.looks, shot.large_plates, rests_on_back)

    def picture(frame: int) -> Image:
        points = {name: places[frame] for name, places in motion.points.items()}
        return scene.picture(points, float(motion.heel_m[frame]), 2.5 * float(points["bar"][2]))

    yield from expose(picture, len(motion.times_s), stand, shot.looks.seed, path)


def expose(
    picture: Callable[[int], Image], frames: int, stand: Stand, seed: int, path: Path
) -> Generator[float, None, None]:
    """Write pictures as a film, shaken and grainy; yields its progress. Raises OSError where it
    cannot be written."""
    random = np.random.default_rng(seed)
    grains = _grains(random, stand)
    shaking = _shaking(random, stand, frames)
    with av.open(str(path), "w") as container:
        stream = _stream(container, stand)
        for frame in range(frames):
            seen = _through_lens(picture(frame), stand, shaking[frame])
            if grains is not None:
                seen = cv2.add(seen, grains[frame % len(grains)], dtype=cv2.CV_8U)
            planes = cv2.cvtColor(seen, cv2.COLOR_BGR2YUV_I420)
            container.mux(stream.encode(av.VideoFrame.from_ndarray(planes, format=PIXELS)))
            yield (frame + 1) / frames
        container.mux(stream.encode())


def _stream(container: OutputContainer, stand: Stand) -> VideoStream:
    stream = cast(
        VideoStream, container.add_stream(CODEC, rate=round(stand.rate_hz), options=STEADY)
    )
    stream.width, stream.height = stand.size
    stream.pix_fmt = PIXELS
    stream.bit_rate = round(stand.bits_per_pixel * stand.rate_hz * stand.size[0] * stand.size[1])
    return stream


def _through_lens(picture: Image, stand: Stand, shaken: Floats) -> Any:
    """Shaken as the hand shakes, and a little soft."""
    seen: Any = picture
    if stand.shake_px:
        seen = cv2.warpAffine(seen, shaken, stand.size, borderMode=cv2.BORDER_REPLICATE)
    return cv2.GaussianBlur(seen, (0, 0), 0.6)


def _grains(random: np.random.Generator, stand: Stand) -> NDArray[np.int16] | None:
    if not stand.grain:
        return None
    shape = (6, stand.size[1], stand.size[0], 1)
    grain = np.round(random.normal(0, stand.grain, shape)).astype(np.int16)
    return np.repeat(grain, 3, axis=3)


def _shaking(random: np.random.Generator, stand: Stand, frames: int) -> Floats:
    """Small shifts and turns that wander and come back, none in the first picture."""
    times = np.arange(frames) / stand.rate_hz
    found = np.zeros((frames, 2, 3))
    sway = [
        sum(
            a * np.sin(2 * np.pi * f * times + p) - a * np.sin(p)
            for a, f, p in zip(
                random.uniform(0.3, 1.0, 3), random.uniform(0.3, 4.0, 3), random.uniform(0, 6, 3),
                strict=True,
            )
        )
        for _ in range(3)
    ]  # fmt: skip
    turn = 0.0004 * stand.shake_px * np.asarray(sway[2])
    middle = np.array(stand.size) / 2
    for frame in range(frames):
        c, s = np.cos(turn[frame]), np.sin(turn[frame])
        around = middle - np.array([[c, -s], [s, c]]) @ middle
        shift = stand.shake_px * np.array([sway[0][frame], sway[1][frame]])
        found[frame] = np.column_stack([[[c, -s], [s, c]], around + shift])
    return found
