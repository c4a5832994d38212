"""A film from the front or from behind: plates on their edge, knees or belt in every picture."""

from collections.abc import Callable, Generator
from dataclasses import dataclass, field, replace
from pathlib import Path

import numpy as np
from numpy.typing import NDArray

from pavrik.core.tracking.clip import Pixel
from pavrik.core.tracking.head_on import PLACES, Edge, HeadOnClip, HeadOnTaps, HeadOnView
from pavrik.core.units import Floats
from pavrik.film.background import Background, roll_of
from pavrik.film.decode import Frame, grey, unlike
from pavrik.film.follow import Row, both_ways, tapped_colours
from pavrik.film.limbs import Looks
from pavrik.film.opencv import (
    Affine,
    Picture,
    Place,
    corners,
    disc_mask,
    flow_there_and_back,
    inverse,
    likeness,
    moved,
    patch,
    peak,
)
from pavrik.film.plate import Disc

_WIDE_OF_HALF = 0.20
"""Half width of the piece that shows a plate on its edge, over half of its height."""
_LEAST_LIKE = 0.75
_MOST_TILT = 0.6
"""Of half a plate's height: no bar that is lifted tilts more."""
_LEAST_SHARP = 0.3
"""Of how sharp the ends of a plate were when it was tapped: they are seen."""
_TAP_OFF_PX = 4.0
_NEAR_KNEE = 0.26
"""Round the knee, over the shank's length: what moves with it."""
_WINDOW = 13
_CORNERS = 60
_LEAST = 5
_NOWHERE = Disc(np.array([-1e6, -1e6]), 1.0, 0.0)
"""No plate before the limb: seen from the front they stand beside it."""


def find_end(picture: Picture, near: Pixel) -> tuple[Pixel, float]:
    """An upper or lower end of a plate on the sharpest edge above or below a guess, and how sharp
    it is (grey levels per step); what is further from the guess counts less."""
    reach = round(2 * _TAP_OFF_PX)
    column = patch(picture, np.array(near), 5, 2 * reach + 1).astype(float).mean(axis=1)
    steps = np.arange(-reach, reach + 1)
    sharp = np.abs(np.gradient(column)) * np.exp(-0.5 * (steps / _TAP_OFF_PX) ** 2)
    at = 1 + int(np.argmax(sharp[1:-1]))
    return (near[0], near[1] + peak(sharp.astype(np.float32), at) - reach), float(sharp[at])


def _on_its_ends(picture: Picture, edge: Edge) -> Edge:
    return Edge(find_end(picture, edge.top)[0], find_end(picture, edge.bottom)[0])


@dataclass
class EdgeTracker:
    """Follows one plate on its edge: along the picture by what it looked like when it was tapped
    (it turns about its own axis, which cannot be seen from here), up and down by its two ends,
    which stay as far apart as they were."""

    first: Picture
    edge: Edge
    speed: Place = field(default_factory=lambda: np.zeros(2))

    def __post_init__(self) -> None:
        self.place = self.edge.middle
        self.half = self.edge.half_px
        self.size = (2 * round(_WIDE_OF_HALF * self.half) + 1, 2 * round(1.15 * self.half) + 1)
        self.looks = patch(self.first, self.place, *self.size)
        self.usual = self._ends(self.first, self.place, 2)[1]

    def follow(self, picture: Picture) -> float:
        """Find it in the next picture as ``place``; how surely (0 to 1, 0 where it is not seen)."""
        expected = self.place + self.speed
        reach = round(0.15 * self.half + 1.5 * float(np.hypot(*self.speed)) + 4)
        place, like = self._by_looks(picture, expected, reach)
        at, sharp = self._ends(picture, np.array([place[0], expected[1]]), reach)
        sure = min(sharp / self.usual, 1.0)
        if sure > _LEAST_SHARP:
            place = np.array([place[0], at])
        elif like < _LEAST_LIKE:
            return 0.0
        self.put(place)
        return max(sure, 0.1)

    def put(self, place: Place) -> None:
        """Set it somewhere, with the speed that took it there."""
        self.speed = 0.7 * (place - self.place) + 0.3 * self.speed
        self.place = place

    def _by_looks(self, picture: Picture, expected: Place, reach: int) -> tuple[Place, float]:
        piece = patch(picture, expected, self.size[0] + 2 * reach, self.size[1] + 2 * reach)
        score, best, at = likeness(piece, self.looks)
        off = np.array([peak(score[at[1], :], at[0]), peak(score[:, at[0]], at[1])]) - reach
        return np.asarray(expected + off), best

    def _ends(self, picture: Picture, near: Place, reach: int) -> tuple[float, float]:
        """Height at which both ends are sharpest, and how sharp the weaker of them is."""
        sharp = []
        for sign in (-1.0, 1.0):
            end = near + np.array([0.0, sign * self.half])
            column = patch(picture, end, 5, 2 * reach + 3).astype(float).mean(axis=1)
            sharp.append(np.abs(np.gradient(column))[1:-1])
        steps = np.arange(-reach, reach + 1)
        both = np.minimum(*sharp) * np.exp(-0.5 * (steps / reach) ** 2)
        at = int(np.argmax(both))
        there = np.mean([peak(one.astype(np.float32), at) for one in sharp])
        return float(near[1] + np.clip(there - at, -1, 1) + at - reach), float(
            np.minimum(*sharp)[at]
        )


@dataclass
class Bar:
    """Both plates: where one is lost or runs off, the other carries it on until it is seen."""

    left: EdgeTracker
    right: EdgeTracker

    def follow(self, picture: Picture) -> tuple[Place, Place]:
        """Both in the next picture; NaN for one that is not seen."""
        before = [self.left.place, self.right.place]
        sure = [self.left.follow(picture), self.right.follow(picture)]
        most = _MOST_TILT * self.left.half
        if min(sure) > 0 and abs(self._tilt()) > most:
            sure[int(np.argmin(sure))] = 0.0
        plates = (self.left, self.right)
        for one, other, surely, old in zip(
            plates, plates[::-1], sure, zip(before, before[::-1], strict=True), strict=True
        ):
            if not surely:
                one.place = old[0]
                one.put(old[0] + other.place - old[1])
        left, right = (
            plate.place if surely else np.full(2, np.nan)
            for plate, surely in zip(plates, sure, strict=True)
        )
        return left, right

    def _tilt(self) -> float:
        started = self.left.edge.middle - self.right.edge.middle
        return float((self.left.place - self.right.place - started)[1])


@dataclass
class _Knee:
    """A knee that its shank carries from picture to picture, found again by its looks."""

    ankle: Place
    looks: Looks
    tapped_bar: Place
    place: Place

    def follow(self, before: Picture, now: Picture, bar: Place, to_first: Affine) -> Place:
        back = inverse(to_first)
        ankle = moved(self.ankle, back)
        shift = _shift_near(before, now, self.place, ankle)
        seen = shift is not None
        if shift is not None:
            self.place = self.place + shift
        if np.hypot(*(moved(bar, to_first) - self.tapped_bar)) < self.looks.near:
            found = self.looks.find(now, moved(self.looks.place, back), _NOWHERE)
            if found is not None:
                self.place, seen = found, True
        return self.place if seen else np.full(2, np.nan)


def _shift_near(before: Picture, now: Picture, knee: Place, ankle: Place) -> Place | None:
    """How what is seen round a knee moved to the next picture; None where too little is. A shank
    that is seen ever shorter tells the knee's own way badly."""
    size = _NEAR_KNEE * float(np.hypot(*(knee - ankle)))
    half = round(size + _WINDOW)
    corner = np.round(knee).astype(int) - half
    low = np.clip(corner, 0, None)
    high = np.minimum(corner + 2 * half, np.array(before.shape[::-1]))
    if np.any(high - low < 2 * _WINDOW):
        return None
    piece, next_piece = (p[low[1] : high[1], low[0] : high[0]] for p in (before, now))
    mask = disc_mask(piece.shape, knee - low, size)
    above = round(float(knee[1] - low[1] - 0.25 * size))
    mask[: max(above, 0)] = 0  # the thigh points at the camera: it moves otherwise
    start = corners(piece, _CORNERS, 0.01, 3, mask)
    if len(start) < _LEAST:
        return None
    there, good = flow_there_and_back(piece, next_piece, start, _WINDOW)
    if good.sum() < _LEAST:
        return None
    return np.asarray(np.median((there - start)[good].reshape(-1, 2), axis=0), dtype=float)


class _Follower:
    """Follows everything from the tapped picture, forward or backward."""

    def __init__(self, start: Frame, taps: HeadOnTaps) -> None:
        self.before = start.picture
        left, right = taps.plate_left, taps.plate_right
        room = 2.2 * left.half_px
        self.background = Background(
            start.picture,
            (left.middle[0] - room, min(left.top[1], right.top[1]) - room,
             right.middle[0] + room, float(start.picture.shape[0])),
        )  # fmt: skip
        self.plates = Bar(EdgeTracker(start.picture, left), EdgeTracker(start.picture, right))
        bar = (left.middle + right.middle) / 2
        self.knees = [self._knee(start.picture, ankle, knee, bar)
                      for ankle, knee in ((taps.ankle_left, taps.knee_left),
                                          (taps.ankle_right, taps.knee_right))]  # fmt: skip
        half = 0.45 * left.half_px
        self.belt: Looks | None = None
        self.belt_at = np.full(2, np.nan)
        if taps.belt is not None:
            self.belt_at = np.array(taps.belt)
            self.belt = Looks.tapped(start.picture, self.belt_at, half, 0.7 * half)

    @staticmethod
    def _knee(picture: Picture, ankle: Pixel, knee: Pixel | None, bar: Place) -> _Knee | None:
        if knee is None:
            return None
        place, foot = np.array(knee), np.array(ankle)
        size = float(np.hypot(*(place - foot)))
        return _Knee(foot, Looks.tapped(picture, place, 0.22 * size, 0.16 * size), bar, place)

    def at_start(self, time_s: float) -> Row:
        """The tapped picture itself."""
        plates = [self.plates.left.edge.middle, self.plates.right.edge.middle]
        knees = [np.full(2, np.nan) if knee is None else knee.place for knee in self.knees]
        return Row(time_s, np.stack([*plates, *knees, self.belt_at]))

    def follow(self, frame: Frame) -> Row:
        """The next picture."""
        to_first = self.background.follow(frame.picture)
        plates = self.plates.follow(frame.picture)
        bar = (plates[0] + plates[1]) / 2
        knees = [
            np.full(2, np.nan) if knee is None
            else knee.follow(self.before, frame.picture, bar, to_first)
            for knee in self.knees
        ]  # fmt: skip
        belt = self._belt(frame.picture)
        self.before = frame.picture
        places = [moved(place, to_first) for place in (*plates, *knees, belt)]
        return Row(frame.time_s, np.stack(places))

    def _belt(self, picture: Picture) -> Place:
        if self.belt is None:
            return np.full(2, np.nan)
        found = self.belt.find(picture, self.belt_at, _NOWHERE)
        if found is None:
            return np.full(2, np.nan)
        self.belt_at = found
        return found


def track_head_on(
    path: Path, view: HeadOnView, taps: HeadOnTaps, tapped_s: float, found: list[HeadOnClip]
) -> Generator[float, None, None]:
    """Track a film; yields its progress from 0 to 1 and at the end puts the clip into ``found``.
    Raises FilmError with a sentence where the film cannot be used."""

    def begin(start: Frame, small: HeadOnTaps) -> tuple[HeadOnTaps, Callable[[], _Follower]]:
        on_ends = replace(
            small,
            plate_left=_on_its_ends(start.picture, small.plate_left),
            plate_right=_on_its_ends(start.picture, small.plate_right),
        )
        return on_ends, lambda: _Follower(start, on_ends)

    colours, scale = tapped_colours(path, tapped_s)
    see = unlike(_plate_colour(colours, scaled(taps, scale)))
    tracked = yield from both_ways(path, tapped_s, lambda by: scaled(taps, by), begin, see)
    series: dict[str, Floats] = {name: tracked.places[:, row] for row, name in enumerate(PLACES)}
    found.append(
        HeadOnClip(
            view=view, times_s=tracked.times_s, width=tracked.size[0], height=tracked.size[1],
            plate_left=series["plate_left"], plate_right=series["plate_right"],
            knee_left=series["knee_left"], knee_right=series["knee_right"], belt=series["belt"],
            taps=tracked.taps, tapped=tracked.tapped, roll=roll_of(grey(colours)),
        )
    )  # fmt: skip
    yield 1.0


def _plate_colour(colours: Picture, taps: HeadOnTaps) -> NDArray[np.float32]:
    """The usual colour (3,) of both plates between their ends."""
    found = []
    for edge in (taps.plate_left, taps.plate_right):
        at, half = edge.middle, edge.half_px
        rows = slice(round(float(at[1] - 0.8 * half)), round(float(at[1] + 0.8 * half)))
        found.append(
            colours[rows, round(float(at[0])) - 1 : round(float(at[0])) + 2].reshape(-1, 3)
        )
    return np.asarray(np.median(np.concatenate(found), axis=0), dtype=np.float32)


def scaled(taps: HeadOnTaps, by: float) -> HeadOnTaps:
    """Taps in a picture of another size."""

    def at(place: Pixel) -> Pixel:
        return place[0] * by, place[1] * by

    def maybe(place: Pixel | None) -> Pixel | None:
        return None if place is None else at(place)

    def edge(one: Edge) -> Edge:
        return Edge(at(one.top), at(one.bottom))

    return HeadOnTaps(
        edge(taps.plate_left), edge(taps.plate_right), at(taps.ankle_left), at(taps.ankle_right),
        maybe(taps.knee_left), maybe(taps.knee_right), maybe(taps.belt),
    )  # fmt: skip
