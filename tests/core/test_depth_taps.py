"""Depth by two taps: true to a centimetre wherever the lens stands, and silent near level."""

import numpy as np
import pytest

from pavrik.core.tracking.depth import TAPPED_UNSURE_M, depth_by_taps, told
from pavrik.core.tracking.measured import camera_of
from pavrik.demo.made_up import BODIES, LARGE_PLATES, made_up, shot
from pavrik.film.camera.motion import Pace
from pavrik.film.camera.seen import seen_clip
from pavrik.film.camera.shoot import Stand


def taps_of(taken, frame, crease_m, knee_top_m):
    """Where crease and knee top stand in the picture, each beside its joint on the near leg."""
    camera = taken.stand.camera()
    found = []
    for joint, up in (("hip", crease_m), ("knee", knee_top_m)):
        x, y, z = taken.motion.points[joint][frame]
        u, v = camera.project(x, y, z + up)
        found.append((float(u), float(v)))
    return found


@pytest.mark.parametrize("height_m", [0.3, 0.55, 1.5])
@pytest.mark.parametrize("body", list(BODIES))
def test_the_lens_s_height_does_not_decide(body, height_m):
    of = made_up("squat", body)
    taken = shot(of, stand=Stand(height_m=height_m, yaw=0.04), pace=Pace(reps=1))
    clip = seen_clip(taken)
    camera = camera_of(clip, of.linkage, large_plates=LARGE_PLATES)
    frame = int(np.argmin(taken.motion.points["bar"][:, 2]))
    crease, knee_top = taps_of(taken, frame, 0.04, 0.05)
    places = taken.motion.points
    true = float(places["knee"][frame, 2] + 0.05 - places["hip"][frame, 2] - 0.04)
    assert depth_by_taps(camera, of.linkage, crease, knee_top) == pytest.approx(true, abs=0.015)


def test_within_the_band_nothing_is_told():
    assert [told(m) for m in (0.03, -0.03, 0.02, -0.02, 0.0)] == [
        "deep", "high", "cannot tell", "cannot tell", "cannot tell",
    ]  # fmt: skip
    assert TAPPED_UNSURE_M < 0.035, "surer than what is tracked alone"
