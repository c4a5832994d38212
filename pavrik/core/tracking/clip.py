"""What is known of a film once it is tracked: places in the picture over time, and where the coach
tapped. Pixels count from the left upper corner; a place that was not seen is NaN."""

from dataclasses import dataclass
from typing import Literal

import numpy as np

from pavrik.core.units import Floats
from pavrik.words import say

Pixel = tuple[float, float]
JOINTS = ("knee", "hip", "shoulder", "heel")


@dataclass(frozen=True)
class Taps:
    """What was tapped in one frame, in pixels (u, v): the plate's centre and its radius, knee and
    hip of the near leg, and the end of the sleeve where it can be seen. Where the bar is on the
    back the ankle is seen, where the plates stand on the floor they hide it and the shoulder is
    seen."""

    plate: Pixel
    plate_radius: float
    knee: Pixel
    hip: Pixel
    ankle: Pixel | None = None
    shoulder: Pixel | None = None
    sleeve_end: Pixel | None = None


@dataclass(frozen=True)
class Clip:
    """One tracked film. ``times_s`` (frames,) from its start; ``bar``, ``knee``, ``hip``,
    ``shoulder`` and ``heel`` (frames, 2) in pixels of the tapped frame, the camera's own shaking
    taken out; ``taps`` were made in the frame ``tapped``. ``roll`` (rad) is how far the picture's
    upright leans."""

    times_s: Floats
    width: int
    height: int
    bar: Floats
    knee: Floats
    hip: Floats
    shoulder: Floats
    heel: Floats
    taps: Taps
    tapped: int = 0
    roll: float = 0.0

    def __post_init__(self) -> None:
        frames = len(self.times_s)
        for name in ("bar", *JOINTS):
            if np.shape(getattr(self, name)) != (frames, 2):
                raise ValueError(say("tracking.must_place_picture_each", name=name))
        if frames and not 0 <= self.tapped < frames:
            raise ValueError(say("tracking.frame_not_films", tapped=self.tapped, frames=frames))
        if np.any(np.diff(self.times_s) <= 0):
            raise ValueError(say("tracking.times_frames_must_grow"))

    @property
    def view(self) -> Literal["side"]:
        """Where the camera stood."""
        return "side"

    @property
    def faces_right(self) -> bool:
        """Whether the lifter looks to the right of the picture: over a lift the bar is in front of
        the hips."""
        ahead = self.bar[:, 0] - self.hip[:, 0]
        return bool(np.sum(ahead[np.isfinite(ahead)]) >= 0)
