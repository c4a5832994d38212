"""A film file as grey pictures with true times, within budgets; what cannot be read is told.

OpenCV applies the rotation that a phone notes beside the picture.
"""

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from pathlib import Path

import cv2
import numpy as np
from numpy.typing import NDArray

from pavrik.film.opencv import Picture
from pavrik.words import say

LONGEST_S = 60.0
MOST_FRAMES = 3600
MOST_PIXELS = 3840 * 2160
LEAST_SIDE = 240
STILL_QUALITY = 88
WORKING_SIDE = 1280
"""The longer side of the pictures that are tracked; larger ones are made smaller."""


class FilmError(ValueError):
    """A film that cannot be used, in one sentence with the remedy."""


Light = int | None
"""One of blue, green and red; None as the eye weighs them."""
LIGHTS: tuple[Light, ...] = (None, 0, 1, 2)


See = Callable[[Picture], Picture]
"""How a coloured picture becomes grey levels."""


def in_light(picture: Picture, light: Light) -> Picture:
    """A coloured picture as grey levels, in one light: a red plate before a brown floor is seen in
    red light alone."""
    if light is None:
        return np.asarray(cv2.cvtColor(picture, cv2.COLOR_BGR2GRAY), dtype=np.uint8)
    return np.asarray(cv2.extractChannel(picture, light), dtype=np.uint8)


def grey(picture: Picture) -> Picture:
    """A coloured picture as the eye weighs it."""
    return in_light(picture, None)


def unlike(colour: NDArray[np.float32]) -> See:
    """Grey levels by how far a colour (blue, green, red) is from one: what has it is dark, whatever
    is behind it."""

    def see(picture: Picture) -> Picture:
        off = picture.astype(np.float32) - colour
        return np.asarray(cv2.convertScaleAbs(np.sqrt((off**2).sum(axis=2))), dtype=np.uint8)

    return see


@dataclass(frozen=True)
class Frame:
    """One picture (height, width) and its time from the start of the film."""

    time_s: float
    picture: Picture


@dataclass(frozen=True)
class Film:
    """An open film: the size of the pictures that it gives and ``scale``, theirs to its own."""

    capture: cv2.VideoCapture
    width: int
    height: int
    scale: float

    def frames(self, see: See = grey) -> Iterator[Frame]:
        """Every picture in order, seen so. Raises FilmError where there are too many."""
        for time_s, picture in self.colours():
            yield Frame(time_s, see(picture))

    def colours(self) -> Iterator[tuple[float, Picture]]:
        """Time and picture (height, width, 3) in order. Raises FilmError where there are too
        many."""
        for time_s, picture in self.as_filmed():
            yield time_s, self._small(picture)

    def as_filmed(self) -> Iterator[tuple[float, Picture]]:
        """The same in the film's own size."""
        last, count = -1.0, 0
        while True:
            got, picture = self.capture.read()
            if not got or picture is None:
                break
            time_s = self.capture.get(cv2.CAP_PROP_POS_MSEC) / 1000
            if time_s <= last:
                continue
            last, count = time_s, count + 1
            if count > MOST_FRAMES or time_s > LONGEST_S:
                raise FilmError(
                    say("film.film_longer_s_pictures", longest_s=LONGEST_S, most_frames=MOST_FRAMES)
                )
            yield time_s, np.asarray(picture, dtype=np.uint8)
        if count < 2:
            raise FilmError(say("film.film_no_moving_picture"))

    def _small(self, picture: Picture) -> Picture:
        if self.scale == 1.0:
            return picture
        size = (self.width, self.height)
        return np.asarray(cv2.resize(picture, size, interpolation=cv2.INTER_AREA), dtype=np.uint8)


@contextmanager
def open_film(path: Path) -> Iterator[Film]:
    """Open a film file. Raises FilmError where it is none, or too large or small to measure."""
    capture = cv2.VideoCapture(str(path), cv2.CAP_FFMPEG)
    try:
        width = int(capture.get(cv2.CAP_PROP_FRAME_WIDTH))
        height = int(capture.get(cv2.CAP_PROP_FRAME_HEIGHT))
        if not capture.isOpened() or width <= 0 or height <= 0:
            raise FilmError(say("film.not_film_can_read"))
        if width * height > MOST_PIXELS:
            raise FilmError(
                say(
                    "film.picture_x_points_most",
                    width=width,
                    height=height,
                    most_pixels=MOST_PIXELS / 1000000.0,
                )
            )
        if min(width, height) < LEAST_SIDE:
            raise FilmError(say("film.picture_x_points_too", width=width, height=height))
        scale = min(1.0, WORKING_SIDE / max(width, height))
        yield Film(capture, round(width * scale), round(height * scale), scale)
    finally:
        capture.release()


def still(path: Path, time_s: float) -> tuple[bytes, float]:
    """The picture shown at a time as JPEG, in the film's own size, and its own time in s; the last
    one after the end. Raises FilmError where nothing can be read."""
    with open_film(path) as film:
        shown: tuple[float, Picture] | None = None
        for at in film.as_filmed():
            if shown is not None and at[0] > time_s:
                break
            shown = at
    assert shown is not None
    _, jpeg = cv2.imencode(".jpg", shown[1], [cv2.IMWRITE_JPEG_QUALITY, STILL_QUALITY])
    return jpeg.tobytes(), shown[0]
