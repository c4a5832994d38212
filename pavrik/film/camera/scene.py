"""One picture of a lifter: limbs, plates, rack and wall drawn through a pinhole."""

from dataclasses import dataclass, field

import cv2
import numpy as np
from numpy.typing import NDArray

from pavrik.core.tracking.camera import PLATE_RADIUS_M, SLEEVE_END_M, Camera, plate_face_m

Colour = tuple[float, float, float]
Image = NDArray[np.uint8]
Place = NDArray[np.float64]
_ROUND = np.linspace(0, 2 * np.pi, 72, endpoint=False)
_WALL_M = -2.2
_SHIFT = 4
"""Bits below the pixel: OpenCV draws to a sixteenth of one."""


@dataclass(frozen=True)
class Looks:
    """What is worn and how it is lit: colours as blue, green, red; ``light`` as a factor."""

    skin: Colour = (130, 160, 205)
    shirt: Colour = (70, 60, 52)
    tights: Colour = (62, 52, 46)
    shoes: Colour = (220, 220, 225)
    plate: Colour = (60, 60, 190)
    wall: Colour = (168, 172, 170)
    light: float = 1.0
    seed: int = 1


RADII_M = {"shank": 0.055, "thigh": 0.085, "trunk": 0.13, "arm": 0.042, "head": 0.10}
_SPECKS = 46


@dataclass
class Scene:
    """A lifter before a wall. ``size`` is the picture's width and height in pixels."""

    camera: Camera
    size: tuple[int, int]
    looks: Looks = field(default_factory=Looks)
    large_plates: int = 2
    rests_on_back: bool = True

    def __post_init__(self) -> None:
        random = np.random.default_rng(self.looks.seed)
        self.specks = {
            name: np.stack(
                [random.uniform(0.05, 0.95, _SPECKS), random.uniform(-0.8, 0.8, _SPECKS),
                 random.uniform(-32, 38, _SPECKS), random.uniform(0.004, 0.013, _SPECKS)], -1,
            )
            for name in ("shank", "thigh", "trunk", "arm")
        }  # fmt: skip
        self.backdrop = self._backdrop(random)

    def picture(self, points: dict[str, Place], heel_m: float, spin: float) -> Image:
        """One picture of joints in m (x, y, z; near side), the heel so far up, the plate turned by
        ``spin`` (rad)."""
        image = self.backdrop.copy()
        far = {name: place * np.array([1.0, -1.0, 1.0]) for name, place in points.items()}
        bar = points["bar"]
        self._disc(image, bar, -plate_face_m(self.large_plates), 0.0)
        self._leg(image, far, heel_m, 0.72)
        if not self.rests_on_back:
            self._limb(image, far["shoulder"], self._hand(far), "arm", self.looks.skin, 0.7)
        self._line(image, bar, bar + np.array([0.0, plate_face_m(0), 0.0]), 0.014, (150, 150, 155))
        chest = points["shoulder"] * np.array([1.0, 0.0, 1.0])
        belly = points["hip"] * np.array([1.0, 0.0, 1.0])
        self._limb(image, chest, belly, "trunk", self.looks.shirt, 1.0)
        self._circle(image, points["head"], RADII_M["head"], self.looks.skin)
        self._leg(image, points, heel_m, 1.0)
        self._limb(image, points["shoulder"], self._hand(points), "arm", self.looks.skin, 1.0)
        self._disc(image, bar, plate_face_m(self.large_plates), spin)
        return image

    def _hand(self, points: dict[str, Place]) -> Place:
        side = np.sign(points["shoulder"][1])
        apart = 0.38 if self.rests_on_back else 0.24
        return np.asarray(points["bar"] + np.array([0.0, side * apart, 0.0]))

    def _pixels(self, place: Place) -> Place:
        u, v = self.camera.project(place[..., 0], place[..., 1], place[..., 2])
        return np.stack([u, v], -1)

    def _per_metre(self, place: Place) -> float:
        return self.camera.focal_px / float(self.camera.depth(place[0], place[1]))

    def _lit(self, colour: Colour, by: float = 1.0) -> Colour:
        lit = [min(max(c * by * self.looks.light, 0.0), 255.0) for c in colour]
        return lit[0], lit[1], lit[2]

    def _fill(self, image: Image, outline: Place, colour: Colour) -> None:
        fixed = np.round(outline * (1 << _SHIFT)).astype(np.int32)
        cv2.fillPoly(image, [fixed], colour, cv2.LINE_AA, _SHIFT)

    def _circle(self, image: Image, middle: Place, radius_m: float, colour: Colour) -> None:
        at, radius = self._pixels(middle), radius_m * self._per_metre(middle)
        ring = at + radius * np.stack([np.cos(_ROUND), np.sin(_ROUND)], -1)
        self._fill(image, ring, self._lit(colour))

    def _line(self, image: Image, a: Place, b: Place, radius_m: float, colour: Colour) -> None:
        self._capsule(image, a, b, radius_m, self._lit(colour))

    def _capsule(
        self, image: Image, a: Place, b: Place, radius_m: float, colour: Colour
    ) -> tuple[Place, Place, Place, float]:
        start, end = self._pixels(a), self._pixels(b)
        radius = radius_m * (self._per_metre(a) + self._per_metre(b)) / 2
        along = end - start
        length = max(float(np.hypot(*along)), 1e-6)
        across = np.array([-along[1], along[0]]) / length
        turn = np.arctan2(across[1], across[0])
        half = np.linspace(0, np.pi, 20)
        cap = np.stack([np.cos(turn + half), np.sin(turn + half)], -1)
        outline = np.concatenate([start + radius * cap, end - radius * cap])
        self._fill(image, outline, colour)
        return start, along, across, radius

    def _limb(self, image: Image, a: Place, b: Place, name: str, colour: Colour, by: float) -> None:
        """A capsule with folds and specks that move along with it."""
        start, along, across, radius = self._capsule(
            image, a, b, RADII_M[name], self._lit(colour, by)
        )
        share, side, brighter, size = self.specks[name].T
        at = start + share[:, None] * along + (0.9 * radius * side)[:, None] * across
        spot = np.maximum(size * radius / RADII_M[name], 0.8)
        centres = np.round(at * (1 << _SHIFT)).astype(int).tolist()
        radii = np.round(spot * (1 << _SHIFT)).astype(int).tolist()
        lit = np.array(colour) * by * self.looks.light + (by * brighter)[:, None]
        shades = np.clip(lit, 0.0, 255.0).tolist()
        for centre, around, shade in zip(centres, radii, shades, strict=True):
            cv2.circle(image, centre, around, shade, -1, cv2.LINE_AA, _SHIFT)

    def _leg(self, image: Image, points: dict[str, Place], heel_m: float, by: float) -> None:
        ankle, knee, hip = points["ankle"], points["knee"], points["hip"]
        toe = np.array([ankle[0] + 0.20, ankle[1], 0.03])
        heel = np.array([ankle[0] - 0.055, ankle[1], 0.03 + heel_m])
        self._line(image, heel, toe, 0.032, self.looks.shoes)
        self._line(image, heel, ankle, 0.045, self.looks.shoes)
        mark = np.array([heel[0] + 0.04, heel[1], heel[2] + 0.03])
        self._circle(image, mark, 0.014, (90, 60, 60))
        self._limb(image, ankle, knee, "shank", self.looks.skin, by)
        self._limb(image, knee, hip, "thigh", self.looks.tights, by)

    def _disc(self, image: Image, bar: Place, y: float, spin: float) -> None:
        """A stack of large plates with the sleeve before it, seen through its outer face."""
        near = y > 0
        inner = bar + np.array([0.0, y - np.sign(y) * 0.03 * self.large_plates - bar[1], 0.0])
        outer = bar + np.array([0.0, y - bar[1], 0.0])
        for middle, colour in ((inner, (45, 45, 48)), (outer, self.looks.plate)):
            self._ring(image, middle, PLATE_RADIUS_M, self._lit(colour, 1.0 if near else 0.6))
        if not near:
            return
        self._ring(image, outer, 0.195, self._lit(self.looks.plate, 0.78))
        self._ring(image, outer, 0.075, self._lit((120, 120, 125)))
        for turn in (0.0, 2 * np.pi / 3, 4 * np.pi / 3):
            off = 0.135 * np.array([np.cos(spin + turn), 0.0, np.sin(spin + turn)])
            self._ring(image, outer + off, 0.028, self._lit((225, 225, 228)))
        end = bar + np.array([0.0, SLEEVE_END_M - bar[1], 0.0])
        self._line(image, outer, end, 0.025, (165, 165, 170))
        self._ring(image, end, 0.025, self._lit((205, 205, 210)))

    def _ring(self, image: Image, middle: Place, radius_m: float, colour: Colour) -> None:
        around = np.stack([np.cos(_ROUND), np.zeros_like(_ROUND), np.sin(_ROUND)], -1)
        self._fill(image, self._pixels(middle + radius_m * around), colour)

    def _backdrop(self, random: np.random.Generator) -> Image:
        """Wall, floor, posters and the uprights of a rack behind the lifter."""
        image = np.zeros((self.size[1], self.size[0], 3), np.uint8)
        image[:] = self._lit(self.looks.wall)
        floor = self._box(-6, 6, -0.02, 0.0)
        floor[2:] = np.array(
            [[self.size[0] * 2, self.size[1] * 2], [-self.size[0], self.size[1] * 2]]
        )
        self._fill(image, floor, self._lit((92, 100, 108)))
        for _ in range(26):
            x, z = random.uniform(-3.2, 3.0), random.uniform(0.15, 2.6)
            wide, high = random.uniform(0.06, 0.4), random.uniform(0.06, 0.35)
            shade = self._lit(tuple(int(c) for c in random.integers(60, 235, 3)))  # type: ignore[arg-type]
            self._fill(image, self._box(x, x + wide, z, z + high), shade)
        for x in (-2.3, -1.15, 1.2, 2.4):
            self._fill(image, self._box(x, x + 0.07, 0.0, 2.5), self._lit((58, 60, 66)))
        return np.asarray(cv2.GaussianBlur(image, (0, 0), 0.8), dtype=np.uint8)

    def _box(self, x0: float, x1: float, z0: float, z1: float) -> Place:
        corners = np.array([[x0, z1], [x1, z1], [x1, z0], [x0, z0]])
        places = np.stack([corners[:, 0], np.full(4, _WALL_M), corners[:, 1]], -1)
        return np.asarray(self._pixels(places))
