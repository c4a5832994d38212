"""Limbs by the flow of what is seen on them, the plate left out; joints found again by their looks
whenever the bar is back where it was tapped."""

from dataclasses import dataclass
from itertools import pairwise

import cv2
import numpy as np

from pavrik.core.tracking.clip import Taps
from pavrik.film.opencv import (
    Affine,
    Picture,
    Place,
    corners,
    flow_there_and_back,
    inverse,
    likeness,
    moved,
    patch,
    peak,
    similarity,
)
from pavrik.film.plate import Disc

_LEAST = 6
_CORNERS = 80
_WINDOW = 15
_WIDTH_SHARE = 0.20
"""Half of a limb's width over its length."""
_LOST_AFTER = 8
"""Pictures without a limb that tells it: a joint is lost until it is found again."""
_BACK_WITHIN = 0.15
"""Of the plate's radius: the bar is back where it was tapped."""
_LOOKS_LIKE = 0.55


def _corner(places: list[Place], shape: tuple[int, ...], room: float) -> tuple[int, int, int, int]:
    """A box (u0, v0, u1, v1) round places inside the picture."""
    at = np.stack(places)
    low = np.floor(at.min(axis=0) - room).astype(int)
    high = np.ceil(at.max(axis=0) + room).astype(int)
    return (
        int(np.clip(low[0], 0, shape[1] - 1)), int(np.clip(low[1], 0, shape[0] - 1)),
        int(np.clip(high[0], 1, shape[1])), int(np.clip(high[1], 1, shape[0])),
    )  # fmt: skip


def limb_motion(
    before: Picture, now: Picture, upper: Place, lower: Place, plate: Disc
) -> Affine | None:
    """How a limb between two joints (pixels) moved from one picture to the next; None where too
    little of it was seen."""
    length = float(np.hypot(*(upper - lower)))
    u0, v0, u1, v1 = _corner([upper, lower], before.shape, 0.35 * length + 24)
    if min(u1 - u0, v1 - v0) < 2 * _WINDOW:
        return None
    corner = np.array([u0, v0], dtype=float)
    piece, next_piece = before[v0:v1, u0:u1], now[v0:v1, u0:u1]
    mask = _mask(piece.shape, upper - corner, lower - corner, plate, corner)
    start = corners(piece, _CORNERS, 0.01, 4, mask)
    if len(start) < _LEAST:
        return None
    there, good = flow_there_and_back(piece, next_piece, start, _WINDOW)
    if good.sum() < _LEAST:
        return None
    made, agree = similarity(start[good] + corner, there[good] + corner, 1.0)
    return made if agree >= _LEAST else None


def _mask(
    shape: tuple[int, ...], upper: Place, lower: Place, plate: Disc, corner: Place
) -> Picture:
    mask = np.zeros(shape, np.uint8)
    inset = 0.08 * (lower - upper)
    ends = [tuple(np.round(p).astype(int).tolist()) for p in (upper + inset, lower - inset)]
    wide = max(3, round(2 * _WIDTH_SHARE * float(np.hypot(*(upper - lower)))))
    cv2.line(mask, ends[0], ends[1], 255, wide)
    middle = tuple(np.round(plate.centre - corner).astype(int).tolist())
    cv2.circle(mask, middle, round(plate.radius * 1.06), 0, -1)
    return mask


@dataclass
class Looks:
    """A place known by what it looked like when it was tapped."""

    place: Place
    patch: Picture
    near: int

    @classmethod
    def tapped(cls, picture: Picture, place: Place, half: float, near: float) -> "Looks":
        """A piece of so many pixels to each side, looked for so near."""
        side = 2 * max(8, round(half)) + 1
        return cls(place, patch(picture, place, side), max(6, round(near)))

    def find(self, picture: Picture, expected: Place, plate: Disc) -> Place | None:
        """Where it is near a place; None where the plate hides it or nothing looks like it."""
        half = self.patch.shape[0] / 2
        if np.hypot(*(expected - plate.centre)) < plate.radius + half:
            return None
        piece = patch(picture, expected, self.patch.shape[0] + 2 * self.near)
        score, best, at = likeness(piece, self.patch)
        if best < _LOOKS_LIKE:
            return None
        off = np.array([peak(score[at[1], :], at[0]), peak(score[:, at[0]], at[1])])
        return np.asarray(expected + off - self.near)


class Joints:
    """The joints that were tapped, in a chain from the floor up, each limb between two of them."""

    def __init__(self, picture: Picture, taps: Taps) -> None:
        chain = ("ankle", "knee", "hip", "shoulder")
        given = {name: np.array(at) for name in chain if (at := getattr(taps, name)) is not None}
        self.at: dict[str, Place] = given
        self.limbs = list(pairwise(given))
        self.missed = dict.fromkeys(given, 0)
        self.tapped_plate = np.array(taps.plate)
        self.foot = Looks.tapped(picture, *self._foot()) if "ankle" in given else None
        size = float(np.hypot(*(given["hip"] - given["knee"])))
        self.looks = {
            name: Looks.tapped(picture, place, 0.22 * size, 0.16 * size)
            for name, place in given.items()
        }

    def _foot(self) -> tuple[Place, float, float]:
        """The heel: below the tapped ankle."""
        size = float(np.hypot(*(self.at["ankle"] - self.at["knee"])))
        return self.at["ankle"] + np.array([0.0, 0.10 * size]), 0.16 * size, 0.10 * size

    def follow(self, before: Picture, now: Picture, previous: Disc, disc: Disc,
               to_first: Affine) -> None:  # fmt: skip
        """Carry the joints on to the next picture."""
        told: dict[str, list[Place]] = {name: [] for name in self.at}
        for lower, upper in self.limbs:
            made = limb_motion(before, now, self.at[upper], self.at[lower], previous)
            if made is not None:
                for name in (lower, upper):
                    told[name].append(moved(self.at[name], made))
        back = inverse(to_first)
        if "ankle" in self.at:
            told["ankle"] = [moved(self.looks["ankle"].place, back)]
        for name, places in told.items():
            self.missed[name] = 0 if places and not self.lost(name) else self.missed[name] + 1
            if places:
                self.at[name] = np.mean(places, axis=0)
        if self._bar_is_back(disc, to_first):
            self._find_again(now, disc, back)

    def _bar_is_back(self, disc: Disc, to_first: Affine) -> bool:
        off = moved(disc.centre, to_first) - self.tapped_plate
        return bool(np.hypot(*off) < _BACK_WITHIN * disc.radius)

    def _find_again(self, now: Picture, disc: Disc, back: Affine) -> None:
        for name, looks in self.looks.items():
            found = looks.find(now, moved(looks.place, back), disc)
            if found is not None:
                self.at[name], self.missed[name] = found, 0

    def lost(self, name: str) -> bool:
        """Whether a joint has not been told for so long that it must be found again first."""
        return self.missed[name] > _LOST_AFTER

    def seen(self, name: str) -> Place:
        """Where a joint is; NaN where it was not tapped or not seen in this picture."""
        if name not in self.at or self.missed[name] > 0:
            return np.full(2, np.nan)
        return self.at[name]

    def heel(self, now: Picture, disc: Disc, to_first: Affine) -> Place:
        """Where the heel is; NaN where it was not tapped, is hidden or not found."""
        if self.foot is None:
            return np.full(2, np.nan)
        back = inverse(to_first)
        found = self.foot.find(now, moved(self.foot.place, back), disc)
        return np.full(2, np.nan) if found is None else found
