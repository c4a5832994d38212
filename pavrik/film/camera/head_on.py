"""A set seen from the front or from behind: both legs, the bar's two ends, and faults to a side."""

from collections.abc import Generator, Mapping
from dataclasses import dataclass, field
from pathlib import Path

import numpy as np

from pavrik.core.lifts.lift import Carried
from pavrik.core.tracking.camera import FOCAL_OF_WIDTH, PLATE_RADIUS_M, Camera
from pavrik.core.tracking.clip import Pixel
from pavrik.core.tracking.head_on import (
    BELT_OFF_HIP_M,
    Edge,
    HeadOnClip,
    HeadOnTaps,
    HeadOnView,
    edge_y_m,
)
from pavrik.core.tracking.linkage import SideLinkage
from pavrik.core.units import Floats
from pavrik.film.camera.head_on_scene import HeadOnScene
from pavrik.film.camera.motion import Motion
from pavrik.film.camera.scene import Image, Looks
from pavrik.film.camera.seen import BAR_ERROR_PX, JOINT_ERROR_PX, drifting
from pavrik.film.camera.shoot import Stand, expose

FAULTS: dict[str, tuple[Carried, str, float]] = {
    "knees-in": ("back", "knees in out of the hole", 0.05),
    "hip-shift": ("back", "hips to the left out of the hole", 0.05),
    "uneven-bar": ("back", "bar uneven out of the hole", 0.05),
    "one-side-down": ("hands", "right end down first", 0.05),
}
"""What can be asked for: where the bar is carried, the words, the usual size in m."""
BELT_UP_M = 0.06


def side_faults_of(carried: Carried) -> dict[str, str]:
    """What can be asked for where the bar is carried so: words by fault."""
    return {fault: words for fault, (where, words, _) in FAULTS.items() if where == carried}


@dataclass(frozen=True)
class BothSides:
    """A motion in both halves: places (frames, 3) by "left knee" and the like, x forward, y to the
    lifter's left, z up, in m."""

    times_s: Floats
    points: dict[str, Floats]
    turns_s: list[float]


def both_sides(
    motion: Motion, linkage: SideLinkage, faults: Mapping[str, float] | None = None
) -> BothSides:
    """A motion mirrored, with faults to a side by id in m. Raises ValueError for a fault that the
    camera does not know."""
    asked, known = dict(faults or {}), side_faults_of(linkage.carried)
    for fault in asked:
        if fault not in known:
            raise ValueError(
                f"the simulated phone cannot film “{fault}” from here: choose of {', '.join(known)}"
            )
    aside = motion.aside[:, None]
    shift = aside * np.array([0.0, asked.get("hip-shift", 0.0), 0.0])
    tilt = asked.get("uneven-bar", 0.0) + asked.get("one-side-down", 0.0)
    points: dict[str, Floats] = {}
    for side, sign in (("left", 1.0), ("right", -1.0)):
        mirror = np.array([1.0, sign, 1.0])
        ankle = motion.points["ankle"] * mirror
        inward = aside * np.array([0.0, -sign * asked.get("knees-in", 0.0), 0.0])
        shank = motion.points["knee"] * mirror + inward + 0.5 * shift - ankle
        length = np.linalg.norm(motion.points["knee"] - motion.points["ankle"], axis=1)
        knee = ankle + shank * (length / np.linalg.norm(shank, axis=1))[:, None]
        end = motion.points["bar"] + np.array([0.0, sign, 0.0])
        lift = aside[:, 0] * sign * tilt / 2
        points |= {
            f"{side} ankle": ankle,
            f"{side} knee": knee,
            f"{side} hip": motion.points["hip"] * mirror + shift,
            f"{side} shoulder": motion.points["shoulder"] * mirror + 0.4 * shift,
            f"{side} bar": end + np.stack([0 * lift, 0 * lift, lift], -1),
        }
    hips = (points["left hip"] + points["right hip"]) / 2
    points["belt"] = hips + np.array([0.0, 0.0, BELT_UP_M])
    points["head"] = motion.points["head"] + 0.4 * shift
    return BothSides(motion.times_s, points, motion.turns_s)


@dataclass(frozen=True)
class HeadOnShot:
    """A film from the front or from behind, with the truth beside it."""

    motion: BothSides
    linkage: SideLinkage
    stand: Stand
    view: HeadOnView
    large_plates: int = 2
    looks: Looks = field(default_factory=Looks)

    @property
    def camera(self) -> Camera:
        """The pinhole; ``stand.yaw`` is how far it stands off the middle."""
        stand, (width, height) = self.stand, self.stand.size
        toward = 1.0 if self.view == "front" else -1.0
        x = toward * stand.distance_m * np.cos(stand.yaw)
        y = -toward * stand.distance_m * np.sin(stand.yaw)
        yaw = toward * np.pi / 2 + stand.yaw
        return Camera(
            FOCAL_OF_WIDTH * max(stand.size), (width / 2, height / 2), float(x), float(y),
            stand.height_m, float(yaw), stand.roll, -1,
        )  # fmt: skip

    def pixels(self, place: Floats) -> Floats:
        """Places (..., 3) in the picture (..., 2)."""
        return np.stack(self.camera.project(place[..., 0], place[..., 1], place[..., 2]), -1)

    def end(self, side: str, up_m: float = 0.0) -> Floats:
        """The outermost plate's middle on a side of the lifter, (frames, 3)."""
        places = self.motion.points
        middle = (places["left bar"] + places["right bar"]) / 2
        out = (places[f"{side} bar"] - middle) * np.array([1.0, edge_y_m(self.large_plates), 1.0])
        return np.asarray(middle + out + np.array([0.0, 0.0, up_m]))

    @property
    def picture_left(self) -> str:
        """The lifter's own side that stands left in the picture."""
        return "right" if self.view == "front" else "left"

    @property
    def picture_right(self) -> str:
        """The other one."""
        return "left" if self.view == "front" else "right"

    def seen_belt(self) -> Floats:
        """The belt where the camera sees it: on the lifter's back."""
        return np.asarray(self.motion.points["belt"] - np.array([BELT_OFF_HIP_M, 0.0, 0.0]))

    def taps(self, frame: int = 0) -> HeadOnTaps:
        """Where a faultless hand taps in a picture."""

        def at(place: Floats) -> Pixel:
            u, v = self.pixels(place[frame])
            return float(u), float(v)

        def edge(side: str) -> Edge:
            return Edge(at(self.end(side, PLATE_RADIUS_M)), at(self.end(side, -PLATE_RADIUS_M)))

        left, right, points = self.picture_left, self.picture_right, self.motion.points
        front = self.view == "front"
        return HeadOnTaps(
            plate_left=edge(left),
            plate_right=edge(right),
            ankle_left=at(points[f"{left} ankle"]),
            ankle_right=at(points[f"{right} ankle"]),
            knee_left=at(points[f"{left} knee"]) if front else None,
            knee_right=at(points[f"{right} knee"]) if front else None,
            belt=None if front else at(self.seen_belt()),
        )


def seen_head_on(shot: HeadOnShot, seed: int = 1) -> HeadOnClip:
    """The shot's clip as a good tracker would have seen it, with errors of a seed."""
    random = np.random.default_rng(seed)
    frames, points = len(shot.motion.times_s), shot.motion.points
    left, right = shot.picture_left, shot.picture_right
    front = shot.view == "front"
    unseen = np.full((frames, 2), np.nan)

    def seen(place: Floats, error_px: float) -> Floats:
        return np.asarray(shot.pixels(place) + drifting(random, frames, error_px))

    return HeadOnClip(
        view=shot.view,
        times_s=shot.motion.times_s,
        width=shot.stand.size[0],
        height=shot.stand.size[1],
        taps=shot.taps(),
        roll=shot.stand.roll,
        plate_left=seen(shot.end(left), BAR_ERROR_PX),
        plate_right=seen(shot.end(right), BAR_ERROR_PX),
        knee_left=seen(points[f"{left} knee"], JOINT_ERROR_PX) if front else unseen,
        knee_right=seen(points[f"{right} knee"], JOINT_ERROR_PX) if front else unseen,
        belt=unseen if front else seen(shot.seen_belt(), JOINT_ERROR_PX),
    )


def film_head_on(shot: HeadOnShot, path: Path) -> Generator[float, None, None]:
    """Write the film; yields its progress. Raises OSError where it cannot be written."""
    scene = HeadOnScene(
        shot.camera, shot.stand.size, shot.looks, shot.large_plates,
        shot.linkage.carried == "back", 1.0 if shot.view == "front" else -1.0,
    )  # fmt: skip

    def picture(frame: int) -> Image:
        return scene.drawn({name: at[frame] for name, at in shot.motion.points.items()})

    yield from expose(picture, len(shot.motion.times_s), shot.stand, shot.looks.seed, path)
