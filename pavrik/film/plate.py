"""The plate: found near where it is expected by its looks, then placed by its rim."""

from dataclasses import dataclass, field

import cv2
import numpy as np
from numpy.typing import NDArray

from pavrik.film.opencv import Picture, Place, likeness, patch
from pavrik.film.stack import RAYS, Stack

_BAND = 0.14
"""The rim is looked for within this share of the radius."""
_LEAST_RIM = 0.35
_SURE_RIM = 0.6


@dataclass(frozen=True)
class Disc:
    """Centre (2,) and radius in pixels; ``rim`` is the share of the rim that was seen, ``sharp``
    how sharp its edge is (grey levels per step)."""

    centre: Place
    radius: float
    rim: float
    sharp: float = 0.0


def fit_rim(
    picture: Picture, centre: Place, radius: float, stack: Stack, band: float = _BAND
) -> Disc:
    """The face through the sharpest edges near a guess; the guess where too little is seen."""
    steps = np.arange(radius * (1 - band), radius * (1 + band), 0.5)
    start = centre + stack.bow(centre, radius)
    rays = start[:, None, :] + RAYS[:, None, :] * steps[None, :, None]
    grey = cv2.remap(
        picture, rays[..., 0].astype(np.float32), rays[..., 1].astype(np.float32),
        cv2.INTER_LINEAR, borderMode=cv2.BORDER_REPLICATE,
    ).astype(float)  # fmt: skip
    sharp = np.abs(np.gradient(cv2.blur(grey, (3, 1)), axis=1))
    inner = sharp[:, 1:-1]
    at = np.argmax(inner, axis=1) + 1
    strength = np.take_along_axis(sharp, at[:, None], 1)[:, 0]
    left, right = (np.take_along_axis(sharp, (at + off)[:, None], 1)[:, 0] for off in (-1, 1))
    bend = left - 2 * strength + right
    off = np.where(np.abs(bend) > 1e-9, 0.5 * (left - right) / np.where(bend == 0, 1.0, bend), 0.0)
    reach = steps[at] + np.clip(off, -0.5, 0.5) * 0.5
    own = stack.own_rim(centre, radius)
    found = _circle(centre, radius, RAYS[own], reach[own], strength[own])
    if found.rim >= _SURE_RIM or own.all():
        return found
    return max(found, _circle(centre, radius, RAYS, reach, strength), key=lambda disc: disc.rim)


def _circle(centre: Place, radius: float, rays: Place, reach: Place, strength: Place) -> Disc:
    """Robust fit of a circle to a distance along each ray."""
    points = centre + rays * reach[:, None]
    kept = strength > 0.25 * np.percentile(strength, 90)
    if not kept.any():
        return Disc(centre, radius, 0.0)
    kept &= np.abs(reach - np.median(reach[kept])) < 0.06 * radius
    found = np.array([*centre, float(np.median(reach[kept]))])
    for within in (0.05, 0.03, 0.02):
        if kept.mean() < _LEAST_RIM:
            return Disc(centre, radius, float(kept.mean()))
        u, v = points[kept].T
        sides = np.stack([2 * u, 2 * v, np.ones_like(u)], -1)
        a, b, c = np.linalg.lstsq(sides, u**2 + v**2, rcond=None)[0]
        found = np.array([a, b, np.sqrt(max(c + a * a + b * b, 1e-6))])
        apart = np.abs(np.hypot(*(points - found[:2]).T) - found[2])
        kept = apart < max(within * radius, 1.0)
    sharp = float(np.mean(strength[kept])) if kept.any() else 0.0
    return Disc(found[:2], float(found[2]), float(kept.mean()), sharp)


_TAP_OFF = 0.20
"""Of the radius: so far off a careful tap may be. A thick plate shows two rims."""
_STARTS = [np.array([u, v]) for u in (-0.1, 0.0, 0.1) for v in (-0.1, 0.0, 0.1)]


def find_disc(picture: Picture, centre: Place, radius: float, stack: Stack) -> Disc:
    """The plate near a tap that may be a tenth of its radius off: of the circles that are found
    from round about, the one with the sharpest and most complete rim."""
    tried = [
        fit_rim(picture, centre + radius * off, radius * size, stack, _BAND / 2)
        for off in _STARTS
        for size in (0.92, 1.0, 1.08)
    ]

    def trust(disc: Disc) -> float:
        off = float(np.hypot(*(disc.centre - centre))) + abs(disc.radius - radius)
        return disc.rim * disc.sharp * float(np.exp(-((off / (_TAP_OFF * radius)) ** 2)))

    found = max(tried, key=trust)
    if found.rim < _LEAST_RIM:
        return Disc(centre, radius, found.rim)
    return fit_rim(picture, found.centre, found.radius, stack, _BAND / 3)


@dataclass
class PlateTracker:
    """Follows one plate from a picture in which it was tapped."""

    first: Picture
    disc: Disc
    stack: Stack
    speed: Place = field(default_factory=lambda: np.zeros(2))

    def __post_init__(self) -> None:
        self.usual = self.disc.radius
        half = round(self.usual * 1.05)
        self.looks = patch(self.first, self.disc.centre, 2 * half + 1)

    def follow(self, picture: Picture) -> Disc:
        """The plate in the next picture: by its rim from where its speed carries it, by its looks
        where that fails; a plate that turns looks like itself only at its rim."""
        expected = self.disc.centre + self.speed
        disc = self._by_rim(picture, expected, _BAND / 2)
        if disc.rim < _SURE_RIM:
            near = self._by_looks(picture, expected)
            others = (self._by_rim(picture, expected, _BAND), self._by_rim(picture, near, _BAND))
            disc = max((disc, *others), key=lambda found: self._trust(found, expected))
        self.speed = 0.7 * (disc.centre - self.disc.centre) + 0.3 * self.speed
        self.disc = disc
        return disc

    def _trust(self, found: Disc, expected: Place) -> float:
        """The rim that was seen, less for a place far from where it was expected."""
        return found.rim - float(np.hypot(*(found.centre - expected))) / self.usual

    def _by_rim(self, picture: Picture, near: Place, band: float) -> Disc:
        """The rim round a guess, fitted twice: the second time from where the first one found it;
        the guess where it is no plate of the usual size."""
        first = fit_rim(picture, near, self.usual, self.stack, band)
        disc = fit_rim(picture, first.centre, self.usual, self.stack, _BAND / 2)
        off = abs(disc.radius / self.usual - 1)
        if disc.rim < _LEAST_RIM or off > 0.08:
            return Disc(near, self.usual, 0.0)
        return disc

    def _by_looks(self, picture: Picture, expected: Place) -> Place:
        reach = round(0.25 * self.usual + 1.5 * float(np.hypot(*self.speed)) + 4)
        half = self.looks.shape[0] // 2
        corner = np.round(expected).astype(int) - half - reach
        side = self.looks.shape[0] + 2 * reach
        padded = _window(picture, corner, side)
        _, _, best = likeness(padded, self.looks)
        return np.asarray(corner + np.array(best, dtype=float) + half)


def _window(picture: Picture, corner: NDArray[np.int_], side: int) -> Picture:
    """A square piece of a picture; what lies beyond its edge repeats the edge."""
    rows = np.clip(np.arange(corner[1], corner[1] + side), 0, picture.shape[0] - 1)
    columns = np.clip(np.arange(corner[0], corner[0] + side), 0, picture.shape[1] - 1)
    return np.ascontiguousarray(picture[rows][:, columns])
