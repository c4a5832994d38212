"""A film tracked from a few taps: the bar, knee, hip and heel in every picture.

The taps stand in one picture of the film; it is followed from there to its end, and from there back
to its start.
"""

from collections import deque
from collections.abc import Generator
from dataclasses import dataclass, replace
from pathlib import Path

import cv2
import numpy as np
from numpy.typing import NDArray

from pavrik.core.tracking.clip import JOINTS, Clip, Pixel, Taps
from pavrik.film.background import Background, roll_of
from pavrik.film.decode import GREY, LIGHTS, FilmError, Frame, Light, in_light, open_film
from pavrik.film.limbs import Joints
from pavrik.film.opencv import Affine, Picture, moved
from pavrik.film.plate import Disc, PlateTracker, find_disc

MOST_BEFORE = 300
"""Pictures before the tapped one that are kept, to be followed backward; what lies before them is
the way to the bar."""
Places = NDArray[np.float64]


@dataclass(frozen=True)
class _Row:
    """One picture's answer, in pixels of the tapped picture: the bar, then ``JOINTS``."""

    time_s: float
    places: Places


def _scaled(taps: Taps, by: float) -> Taps:
    def at(place: Pixel | None) -> Pixel | None:
        return (place[0] * by, place[1] * by) if place is not None else None

    moved_taps = {name: at(place) for name, place in vars(taps).items() if name != "plate_radius"}
    return Taps(**moved_taps, plate_radius=taps.plate_radius * by)  # type: ignore[arg-type]


class _Follower:
    """Follows everything from the tapped picture, forward or backward."""

    def __init__(self, start: Frame, taps: Taps) -> None:
        self.before = start.picture
        self.background = Background(start.picture, _around(taps, start.picture.shape))
        disc = Disc(np.array(taps.plate), taps.plate_radius, 1.0)
        self.plate = PlateTracker(start.picture, disc)
        self.joints = Joints(start.picture, taps)

    def at_start(self, time_s: float) -> _Row:
        """The tapped picture itself."""
        disc = self.plate.follow(self.before)
        return self._row(time_s, disc, self.background.to_first)

    def follow(self, frame: Frame) -> _Row:
        """The next picture."""
        to_first: Affine = self.background.follow(frame.picture)
        previous = self.plate.disc
        disc = self.plate.follow(frame.picture)
        self.joints.follow(self.before, frame.picture, previous, disc, to_first)
        self.before = frame.picture
        return self._row(frame.time_s, disc, to_first)

    def _row(self, time_s: float, disc: Disc, to_first: Affine) -> _Row:
        joints = self.joints
        heel = joints.heel(self.before, disc, to_first)
        found = {name: heel if name == "heel" else joints.seen(name) for name in JOINTS}
        places = [disc.centre, *found.values()]
        return _Row(time_s, np.stack([moved(place, to_first) for place in places]))


def _around(taps: Taps, shape: tuple[int, ...]) -> tuple[float, float, float, float]:
    """A box that the lifter and the bar stay in, with room to either side."""
    across = [taps.plate[0], taps.knee[0], taps.hip[0]]
    room = 1.6 * taps.plate_radius
    return (
        min(across) - room, min(taps.plate[1], taps.hip[1]) - 3.2 * taps.plate_radius,
        max(across) + room, float(shape[0]),
    )  # fmt: skip


def track(
    path: Path, taps: Taps, tapped_s: float, found: list[Clip]
) -> Generator[float, None, None]:
    """Track a film; yields its progress from 0 to 1 and at the end puts the clip into ``found``.

    ``taps`` are in pixels of the film's own size, in the picture shown at ``tapped_s``. Raises
    FilmError with a sentence where the film cannot be used.
    """
    light = _best_light(path, taps, tapped_s)
    with open_film(path) as film:
        expected = max(film.capture.get(cv2.CAP_PROP_FRAME_COUNT), 1.0)
        small = _scaled(taps, film.scale)
        earlier: deque[Frame] = deque(maxlen=MOST_BEFORE)
        rows: list[_Row] = []
        follower: _Follower | None = None
        start: Frame | None = None
        for number, frame in enumerate(film.frames(light)):
            if follower is not None:
                rows.append(follower.follow(frame))
            elif frame.time_s >= tapped_s - 1e-3:
                start = frame
                small = _rimmed(frame, small)
                follower = _Follower(frame, small)
                rows.append(follower.at_start(frame.time_s))
            else:
                earlier.append(frame)
            yield min(0.95, 0.95 * (number + 1) / expected)
        if start is None:
            raise FilmError("the tapped picture is beyond the end of the film: tap again")
        backward = _Follower(start, small)
        before = [backward.follow(frame) for frame in reversed(earlier)][::-1]
        found.append(_clip(before + rows, len(before), (film.width, film.height), small, start))
        yield 1.0


def _best_light(path: Path, taps: Taps, tapped_s: float) -> Light:
    """The light in which the tapped plate's rim stands out most."""
    with open_film(path) as film:
        small = _scaled(taps, film.scale)
        for time_s, picture in film.colours():
            if time_s >= tapped_s - 1e-3:
                return max(LIGHTS, key=lambda light: _rim_in(in_light(picture, light), small))
    return GREY


def _rim_in(picture: Picture, taps: Taps) -> float:
    disc = find_disc(picture, np.array(taps.plate), taps.plate_radius)
    return disc.rim * disc.sharp


def _rimmed(frame: Frame, taps: Taps) -> Taps:
    """The taps with the plate put onto its rim."""
    disc = find_disc(frame.picture, np.array(taps.plate), taps.plate_radius)
    centre = (float(disc.centre[0]), float(disc.centre[1]))
    return replace(taps, plate=centre, plate_radius=disc.radius)


def _clip(rows: list[_Row], tapped: int, size: tuple[int, int], taps: Taps, start: Frame) -> Clip:
    places = np.stack([row.places for row in rows])
    return Clip(
        times_s=np.array([row.time_s for row in rows]),
        width=size[0],
        height=size[1],
        bar=places[:, 0],
        **{name: places[:, 1 + row] for row, name in enumerate(JOINTS)},
        taps=taps,
        tapped=tapped,
        roll=roll_of(start.picture),
    )
