"""One picture of a lifter from the front or from behind, drawn from far to near."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import partial

import cv2
import numpy as np

from pavrik.core.tracking.camera import (
    INNER_PLATE_M,
    PLATE_RADIUS_M,
    SLEEVE_END_M,
    plate_face_m,
)
from pavrik.core.tracking.head_on import BELT_OFF_HIP_M
from pavrik.film.camera.scene import RADII_M, Image, Place, Scene

_ROUND = np.linspace(0, 2 * np.pi, 48, endpoint=False)
_HANDS_M = {True: 0.38, False: 0.24}
"""Hands from the middle of the bar: on the back, or hanging."""


@dataclass
class HeadOnScene(Scene):
    """A lifter before a wall. ``toward`` is 1 where he looks at the camera, -1 where away."""

    toward: float = 1.0

    def drawn(self, points: Mapping[str, Place]) -> Image:
        """One picture of joints in m by "left knee" and the like."""
        image = self.backdrop.copy()
        parts: list[tuple[float, Callable[[], None]]] = []

        def add(places: list[Place], draw: Callable[[], None]) -> None:
            depth = np.mean([float(self.camera.depth(p[0], p[1])) for p in places])
            parts.append((float(depth), draw))

        left, right = points["left bar"], points["right bar"]
        middle, along = (left + right) / 2, (left - right) / 2
        add([middle], lambda: self._line(image, left, right, 0.014, (150, 150, 155)))
        add([left], lambda: self._stack(image, middle, along))
        add([right], lambda: self._stack(image, middle, -along))
        hands = _HANDS_M[self.rests_on_back]
        chest = (points["left shoulder"] + points["right shoulder"]) / 2
        hips = (points["left hip"] + points["right hip"]) / 2
        add([chest, hips], lambda: self._trunk(image, chest, hips, points))
        head = points["head"]
        add([head], lambda: self._circle(image, head, RADII_M["head"], self.looks.skin))
        for side, sign in (("left", 1.0), ("right", -1.0)):
            hand = middle + sign * hands * along
            self._half(image, add, points, side, hand)
        for _, draw in sorted(parts, key=lambda part: -part[0]):
            draw()
        return image

    def _half(
        self, image: Image, add: Callable[[list[Place], Callable[[], None]], None],
        points: Mapping[str, Place], side: str, hand: Place,
    ) -> None:  # fmt: skip
        hip, knee, ankle = (points[f"{side} {joint}"] for joint in ("hip", "knee", "ankle"))
        shoulder = points[f"{side} shoulder"]
        looks = self.looks
        add([shoulder, hand], lambda: self._limb(image, shoulder, hand, "arm", looks.skin, 1.0))
        add([hip, knee], lambda: self._leg_below_hip(image, hip, knee, ankle))
        heel = ankle * np.array([1.0, 1.0, 0.0]) + np.array([-0.05, 0.0, 0.03])
        toe = ankle * np.array([1.0, 1.0, 0.0]) + np.array([0.20, 0.0, 0.03])
        add([heel, toe], lambda: self._line(image, heel, toe, 0.04, looks.shoes))

    def _leg_below_hip(self, image: Image, hip: Place, knee: Place, ankle: Place) -> None:
        """Thigh and shank, the nearer one last: the knee looks the same however deep it bends."""
        thigh = partial(self._limb, image, knee, hip, "thigh", self.looks.tights, 1.0)
        shank = partial(self._limb, image, ankle, knee, "shank", self.looks.skin, 1.0)
        for draw in (thigh, shank) if self.toward > 0 else (shank, thigh):
            draw()

    def _trunk(self, image: Image, chest: Place, hips: Place, points: Mapping[str, Place]) -> None:
        self._limb(image, chest, hips, "trunk", self.looks.shirt, 1.0)
        left, right = points["left hip"], points["right hip"]
        self._line(image, left, right, 0.10, self.looks.tights)
        belt = points["belt"] + np.array([self.toward * BELT_OFF_HIP_M, 0.0, 0.0])
        self._line(image, belt + 0.09 * _across(left, right), belt - 0.09 * _across(left, right),
                   0.045, (40, 40, 120))  # fmt: skip
        self._circle(image, belt, 0.02, (210, 210, 215))
        for off in (-0.06, 0.055):
            self._circle(image, belt + off * _across(left, right), 0.012, (150, 150, 90))

    def _stack(self, image: Image, middle: Place, along: Place) -> None:
        """A stack of plates on its edge, and the sleeve beyond it."""
        unit = along / np.linalg.norm(along)
        inner, face = INNER_PLATE_M, plate_face_m(self.large_plates)
        self._line(image, middle + face * unit, middle + SLEEVE_END_M * unit, 0.025,
                   (165, 165, 170))  # fmt: skip
        for start in np.arange(inner, face - 1e-6, (face - inner) / self.large_plates):
            a, b = middle + start * unit, middle + (start + 0.027) * unit
            ring = np.stack([np.cos(_ROUND), np.zeros_like(_ROUND), np.sin(_ROUND)], -1)
            both = np.concatenate([a + PLATE_RADIUS_M * ring, b + PLATE_RADIUS_M * ring])
            hull = cv2.convexHull(self._pixels(both).astype(np.float32))[:, 0, :]
            self._fill(image, np.asarray(hull, dtype=np.float64), self._lit(self.looks.plate))

    def _box(self, x0: float, x1: float, z0: float, z1: float) -> Place:
        corners = np.array([[x0, z1], [x1, z1], [x1, z0], [x0, z0]])
        away = np.full(4, -2.2 * self.toward)
        places = np.stack([away, self.toward * corners[:, 0], corners[:, 1]], -1)
        return np.asarray(self._pixels(places))


def _across(left: Place, right: Place) -> Place:
    return np.asarray((left - right) / np.linalg.norm(left - right))
