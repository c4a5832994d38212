"""Rendered films from the front and from behind with known truth, followed from careful taps."""

from dataclasses import replace

import numpy as np
import pytest

from pavrik.core.tracking.findings import find_head_on
from pavrik.core.tracking.head_on import Edge, measure_head_on
from pavrik.demo.made_up import LARGE_PLATES
from pavrik.film.camera.head_on import film_head_on
from pavrik.film.camera.scene import Looks
from pavrik.film.head_on import Bar, EdgeTracker, find_end, track_head_on
from pavrik.services.watch.simulated import off_head_on_taps
from tests.core.test_head_on import head_on_shot
from tests.sizes import in_whole

SIZE = (960, 540)


def followed(tmp_path, view, faults, looks, **stand):
    of, shot = head_on_shot("squat", view, faults, reps=1, size=SIZE, **stand)
    shot = replace(shot, looks=looks)
    path = tmp_path / "clip.webm"
    for _ in film_head_on(shot, path):
        pass
    found = []
    progress = list(track_head_on(path, view, off_head_on_taps(shot.taps(), 1.5, 2), 0.0, found))
    assert progress == sorted(progress)
    assert progress[-1] == 1.0
    measured = measure_head_on(found[0], of.linkage, of.expected, large_plates=LARGE_PLATES)
    told = find_head_on(measured, of.expected, measured.reps())
    return shot, measured, {one.detector.id: one for one in told}


@in_whole
def test_knees_are_followed_from_the_front_and_their_fault_told_at_its_size(tmp_path):
    shot, measured, found = followed(
        tmp_path, "front", {"knees-in": 0.05}, Looks(seed=3), yaw=0.05, shake_px=1.0
    )
    assert measured.off_deg == pytest.approx(np.rad2deg(0.05), abs=2.0)
    frames = len(measured.times_s)
    true = np.stack([shot.motion.points[f"{s} knee"][:frames, 1] for s in ("left", "right")], -1)
    assert np.sqrt(np.nanmean((measured.knees[:, :, 1] - true) ** 2)) <= 0.015
    assert found["knees-cave"].state == "fails"
    assert found["knees-cave"].value == pytest.approx(0.048, abs=0.012)
    assert found["knees-cave"].side is None, "both knees go in"
    assert found["bar-tilts"].state == "holds"


@in_whole
def test_hips_are_followed_from_behind_though_dark_plates_pass_a_dark_rack(tmp_path):
    shot, measured, found = followed(
        tmp_path, "rear", {"hip-shift": 0.05}, Looks(seed=6, plate=(52, 50, 48)), roll=0.01
    )
    frames = len(measured.times_s)
    off = measured.hips_off_m - shot.motion.points["belt"][:frames, 1]
    assert np.sqrt(np.nanmean(off**2)) <= 0.015
    assert (found["hips-aside"].state, found["hips-aside"].side) == ("fails", "left")
    assert found["hips-aside"].value == pytest.approx(0.048, abs=0.012)
    assert found["bar-tilts"].state == "holds"


class TestPlatesOnEdge:
    def picture(self, left, right, shade=60):
        image = np.full((300, 500), 170, np.uint8)
        for u, v in ((100, left), (400, right)):
            image[v - 40 : v + 41, u - 7 : u + 8] = shade
        return image

    def bar(self):
        first = self.picture(150, 150)
        edges = [Edge((u, 109.5), (u, 190.5)) for u in (100.0, 400.0)]
        return Bar(*(EdgeTracker(first, edge) for edge in edges))

    def test_an_end_is_put_onto_its_edge(self):
        (u, v), sharp = find_end(self.picture(150, 150), (100.0, 112.0))
        assert (u, v) == (100.0, pytest.approx(109.5, abs=0.6))
        assert sharp > 20

    def test_each_is_followed_on_its_own(self):
        bar = self.bar()
        for step in range(1, 11):
            left, right = bar.follow(self.picture(150 + 2 * step, 150 + step))
        assert left == pytest.approx([100, 170], abs=0.6)
        assert right == pytest.approx([400, 160], abs=0.6)

    def test_one_that_cannot_be_seen_is_carried_by_the_other_and_found_again(self):
        bar = self.bar()
        for step in range(1, 9):
            hidden = self.picture(150 + 3 * step, 150 + 3 * step)
            if 2 < step < 6:
                hidden[:, 380:420] = 60
            left, right = bar.follow(hidden)
            assert left == pytest.approx([100, 150 + 3 * step], abs=0.7)
            assert np.isnan(right).any() == (2 < step < 6)
        assert right == pytest.approx([400, 174], abs=0.7)
