"""A film tracked from a few taps: the bar, knee, hip and heel in every picture.

The taps stand in one picture of the film.
"""

from collections.abc import Callable, Generator
from dataclasses import replace
from functools import partial
from pathlib import Path

import numpy as np

from pavrik.core.tracking.clip import JOINTS, Clip, Pixel, Taps
from pavrik.film.background import Background, roll_of
from pavrik.film.decode import LIGHTS, Frame, in_light
from pavrik.film.follow import Row, Tracked, both_ways, tapped_colours
from pavrik.film.limbs import Joints
from pavrik.film.opencv import Affine, Picture, moved
from pavrik.film.plate import Disc, PlateTracker, find_disc
from pavrik.film.stack import Stack, stack_of


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
        self.plate = PlateTracker(start.picture, disc, _stack(start.picture, taps))
        self.joints = Joints(start.picture, taps)

    def at_start(self, time_s: float) -> Row:
        """The tapped picture itself."""
        disc = self.plate.follow(self.before)
        return self._row(time_s, disc, self.background.to_first)

    def follow(self, frame: Frame) -> Row:
        """The next picture."""
        to_first: Affine = self.background.follow(frame.picture)
        previous = self.plate.disc
        disc = self.plate.follow(frame.picture)
        self.joints.follow(self.before, frame.picture, previous, disc, to_first)
        self.before = frame.picture
        return self._row(frame.time_s, disc, to_first)

    def _row(self, time_s: float, disc: Disc, to_first: Affine) -> Row:
        joints = self.joints
        heel = joints.heel(self.before, disc, to_first)
        found = {name: heel if name == "heel" else joints.seen(name) for name in JOINTS}
        places = [disc.centre, *found.values()]
        return Row(time_s, np.stack([moved(place, to_first) for place in places]))


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

    def begin(start: Frame, small: Taps) -> tuple[Taps, Callable[[], _Follower]]:
        rimmed = _rimmed(start, small)
        return rimmed, lambda: _Follower(start, rimmed)

    colours, scale = tapped_colours(path, tapped_s)
    small = _scaled(taps, scale)
    # The light in which the plate's rim stands out most.
    light = max(LIGHTS, key=lambda one: _rim_in(in_light(colours, one), small))
    see = partial(in_light, light=light)
    tracked = yield from both_ways(path, tapped_s, lambda by: _scaled(taps, by), begin, see)
    found.append(_clip(tracked))
    yield 1.0


def _stack(picture: Picture, taps: Taps) -> Stack:
    size = (picture.shape[1], picture.shape[0])
    return stack_of(size, taps.plate, taps.plate_radius, taps.sleeve_end)


def _found(picture: Picture, taps: Taps) -> Disc:
    stack = _stack(picture, taps)
    return find_disc(picture, np.array(taps.plate), taps.plate_radius, stack)


def _rim_in(picture: Picture, taps: Taps) -> float:
    disc = _found(picture, taps)
    return disc.rim * disc.sharp


def _rimmed(frame: Frame, taps: Taps) -> Taps:
    """The taps with the plate put onto its rim."""
    disc = _found(frame.picture, taps)
    centre = (float(disc.centre[0]), float(disc.centre[1]))
    return replace(taps, plate=centre, plate_radius=disc.radius)


def _clip(tracked: Tracked[Taps]) -> Clip:
    places = tracked.places
    return Clip(
        times_s=tracked.times_s,
        width=tracked.size[0],
        height=tracked.size[1],
        bar=places[:, 0],
        **{name: places[:, 1 + row] for row, name in enumerate(JOINTS)},
        taps=tracked.taps,
        tapped=tracked.tapped,
        roll=roll_of(tracked.start.picture),
    )
