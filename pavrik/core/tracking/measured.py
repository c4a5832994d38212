"""From places in the picture to metres and angles in every frame."""

from dataclasses import dataclass

import numpy as np

from pavrik.core.tracking.camera import (
    PLATE_RADIUS_M,
    Anchor,
    Camera,
    find_camera,
    plate_face_m,
)
from pavrik.core.tracking.clip import Clip
from pavrik.core.tracking.linkage import SideLinkage
from pavrik.core.tracking.linkage_solve import Seen, Solved, solve
from pavrik.core.units import Floats

_SMOOTHED_S = 0.18
"""Span of the window that speeds are taken over."""


@dataclass(frozen=True)
class Measured:
    """A clip in m, x in front of mid-foot and z above the floor: (frames, 2) each; angles in rad,
    (frames,). ``heel_rise_m`` is the heel above where it stood in the tapped frame. ``yaw_known``:
    the view was told by the sleeve's end and not just taken for square."""

    times_s: Floats
    bar: Floats
    solved: Solved
    heel_rise_m: Floats
    camera: Camera
    linkage: SideLinkage
    yaw_known: bool

    @property
    def hip(self) -> Floats:
        return self.solved.hip

    @property
    def knee(self) -> Floats:
        return self.solved.knee

    def speeds_m_s(self) -> Floats:
        """Upward speed of the bar, (frames,)."""
        return slope(self.bar[:, 1], self.times_s)


def slope(values: Floats, times_s: Floats) -> Floats:
    """Change per second of a series, smoothed over a fifth of a second; even times or not."""
    if len(values) < 5:
        return np.gradient(values, times_s) if len(values) > 1 else np.zeros(len(values))
    step = float(np.median(np.diff(times_s)))
    even = np.arange(times_s[0], times_s[-1] + step / 2, step)
    window = max(5, round(_SMOOTHED_S / step) | 1)
    if window > len(even):
        return np.gradient(values, times_s)
    from scipy.signal import savgol_filter  # takes as long to load as all of the model

    found = savgol_filter(np.interp(even, times_s, values), window, 2, deriv=1, delta=step)
    return np.interp(times_s, even, found)


def _anchor(clip: Clip, linkage: SideLinkage, large_plates: int) -> Anchor:
    """What was tapped and is known: the ankle, else the plates on the floor."""
    if clip.taps.ankle is not None:
        return Anchor(clip.taps.ankle, linkage.ankle)
    return Anchor(
        clip.taps.plate, (linkage.bar_start_x_m, plate_face_m(large_plates), PLATE_RADIUS_M)
    )


def camera_of(
    clip: Clip, linkage: SideLinkage, *, large_plates: int = 1, focal_px: float | None = None
) -> Camera:
    """The camera that saw a clip. Raises ValueError where the taps make none."""
    return find_camera(
        clip.taps, (clip.width, clip.height), _anchor(clip, linkage, large_plates),
        large_plates=large_plates, roll=clip.roll, focal_px=focal_px, faces_right=clip.faces_right,
    )  # fmt: skip


def measure(
    clip: Clip, linkage: SideLinkage, *, large_plates: int = 1, focal_px: float | None = None
) -> Measured:
    """Everything that a tracked clip shows of a lifter with a linkage. Raises ValueError with a
    sentence where taps do not make a camera, or a joint was seen nowhere."""
    camera = camera_of(clip, linkage, large_plates=large_plates, focal_px=focal_px)

    def in_m(places: Floats, y_m: float) -> Floats:
        return np.stack(camera.unproject(places[:, 0], places[:, 1], y_m), -1)

    seen = Seen(
        bar=in_m(clip.bar, plate_face_m(large_plates)),
        knee=in_m(clip.knee, float(np.mean(linkage.knee(np.array([0.1, 0.5]))[1]))),
        hip=in_m(clip.hip, linkage.hip_y_m),
        shoulder=in_m(clip.shoulder, linkage.shoulder_y_m),
    )
    heel = in_m(clip.heel, linkage.ankle[1])[:, 1]
    return Measured(
        times_s=clip.times_s,
        bar=seen.bar,
        solved=solve(linkage, clip.times_s, seen),
        heel_rise_m=np.asarray(heel - heel[clip.tapped]),
        camera=camera,
        linkage=linkage,
        yaw_known=clip.taps.sleeve_end is not None,
    )
