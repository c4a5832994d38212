"""A film followed from the picture that was tapped: from there to its end, and from there back to
its start."""

from collections import deque
from collections.abc import Callable, Generator
from dataclasses import dataclass
from pathlib import Path
from typing import Generic, Protocol, TypeVar

import cv2
import numpy as np
from numpy.typing import NDArray

from pavrik.film.decode import FilmError, Frame, See, open_film
from pavrik.film.opencv import Picture
from pavrik.words import say

MOST_BEFORE = 300
"""Pictures before the tapped one that are kept, to be followed backward; what lies before them is
the way to the bar."""
BEYOND = say("film.tapped_picture_beyond_end")
Places = NDArray[np.float64]
T = TypeVar("T")


@dataclass(frozen=True)
class Row:
    """One picture's answer, (parts, 2) in pixels of the tapped picture; NaN where not seen."""

    time_s: float
    places: Places


class Follower(Protocol):
    """Follows everything from the tapped picture on, picture by picture."""

    def at_start(self, time_s: float) -> Row:
        """The tapped picture itself."""
        ...

    def follow(self, frame: Frame) -> Row:
        """The next picture."""
        ...


@dataclass(frozen=True)
class Tracked(Generic[T]):
    """What was followed: times (frames,), places (frames, parts, 2), which picture was tapped and
    with what taps, and the size of the pictures."""

    times_s: NDArray[np.float64]
    places: Places
    tapped: int
    taps: T
    size: tuple[int, int]
    start: Frame


def both_ways(
    path: Path, tapped_s: float, small: Callable[[float], T],
    begin: Callable[[Frame, T], tuple[T, Callable[[], Follower]]], see: See,
) -> Generator[float, None, Tracked[T]]:  # fmt: skip
    """Follow a film both ways from the picture shown at ``tapped_s``; yields its progress.
    ``small`` gives the taps in the pictures' own scale, ``begin`` puts them in place in the tapped
    picture and makes followers. Raises FilmError with a sentence where the film cannot be used."""
    with open_film(path) as film:
        expected = max(film.capture.get(cv2.CAP_PROP_FRAME_COUNT), 1.0)
        taps = small(film.scale)
        earlier: deque[Frame] = deque(maxlen=MOST_BEFORE)
        rows: list[Row] = []
        forward: Follower | None = None
        start: Frame | None = None
        for number, frame in enumerate(film.frames(see)):
            if forward is not None:
                rows.append(forward.follow(frame))
            elif frame.time_s >= tapped_s - 1e-3:
                start = frame
                taps, make = begin(frame, taps)
                forward = make()
                rows.append(forward.at_start(frame.time_s))
            else:
                earlier.append(frame)
            yield min(0.95, 0.95 * (number + 1) / expected)
        if start is None:
            raise FilmError(BEYOND)
        backward = make()
        before = [backward.follow(frame) for frame in reversed(earlier)][::-1]
        rows = before + rows
        return Tracked(
            np.array([row.time_s for row in rows]), np.stack([row.places for row in rows]),
            len(before), taps, (film.width, film.height), start,
        )  # fmt: skip


def tapped_colours(path: Path, tapped_s: float) -> tuple[Picture, float]:
    """The tapped picture in colour (height, width, 3) and its scale. Raises FilmError."""
    with open_film(path) as film:
        for time_s, picture in film.colours():
            if time_s >= tapped_s - 1e-3:
                return picture, film.scale
    raise FilmError(BEYOND)
