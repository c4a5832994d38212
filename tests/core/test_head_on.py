"""Films from the front and from behind, as a good tracker would have followed them: what they tell,
how far off it is, and what they do not tell."""

from dataclasses import replace

import cv2
import numpy as np
import pytest

from pavrik.core.tracking.findings import find_head_on, head_on_view
from pavrik.core.tracking.head_on import Edge, head_on_camera, mass_aside_m, measure_head_on
from pavrik.demo.made_up import BODIES, LARGE_PLATES, made_up
from pavrik.film.camera.head_on import HeadOnShot, both_sides, seen_head_on
from pavrik.film.camera.motion import Pace, perform
from pavrik.film.camera.shoot import Stand
from pavrik.services.watch.simulated import off_head_on_taps

NAMES = tuple(BODIES)


def head_on_shot(lift="squat", view="front", faults=None, body="usual man", reps=2, **stand):
    of = made_up(lift, body)
    motion = perform(of.exact.path, of.exact.progress, of.linkage, Pace(reps=reps))
    both = both_sides(motion, of.linkage, faults or {})
    return of, HeadOnShot(both, of.linkage, Stand(**stand), view, LARGE_PLATES)


def taps_on_ends(taps, seed):
    """Taps off by a hand, plates put onto their ends to a quarter of a pixel as the film does."""
    random = np.random.default_rng(seed)

    def edge(one):
        return Edge(*(tuple(np.array(at) + random.normal(0, 0.25, 2)) for at in vars(one).values()))

    off = off_head_on_taps(taps, 1.5, seed)
    return replace(off, plate_left=edge(taps.plate_left), plate_right=edge(taps.plate_right))


def told(lift="squat", view="front", faults=None, body="usual man", seed=1, **stand):
    of, shot = head_on_shot(lift, view, faults, body, **stand)
    clip = replace(seen_head_on(shot, seed), taps=taps_on_ends(shot.taps(), seed))
    measured = measure_head_on(clip, of.linkage, of.expected, large_plates=LARGE_PLATES)
    found = find_head_on(measured, of.expected, measured.reps())
    return shot, measured, {one.detector.id: one for one in found}


class TestCamera:
    @pytest.mark.parametrize("view", ["front", "rear"])
    @pytest.mark.parametrize("yaw", [-0.12, 0.0, 0.08])
    def test_perfect_taps_tell_where_it_stood(self, view, yaw):
        of, shot = head_on_shot(view=view, yaw=yaw, distance_m=4.2, height_m=0.8)
        toward = 1.0 if view == "front" else -1.0
        camera = head_on_camera(
            shot.taps(), shot.stand.size, toward * float(shot.motion.points["left bar"][0, 0]),
            (toward * of.linkage.ankle[0], of.linkage.ankle[2]), LARGE_PLATES,
        )  # fmt: skip
        assert camera.yaw - np.pi / 2 == pytest.approx(yaw, abs=0.005)
        assert camera.x_m == pytest.approx(toward * shot.camera.x_m, abs=0.03)
        assert camera.y_m == pytest.approx(toward * shot.camera.y_m, abs=0.03)
        assert camera.height_m == pytest.approx(0.8, abs=0.01)

    def test_it_sees_what_opencv_s_own_pinhole_sees(self):
        _, shot = head_on_shot(yaw=0.1, roll=0.02, height_m=0.7)
        camera = shot.camera
        places = np.array([[0.1, 0.6, 1.2], [-0.3, -0.4, 0.5], [0.2, 0.0, 0.0]])
        c, s = np.cos(0.1), np.sin(0.1)
        upright = np.array([[s, c, 0.0], [0.0, 0.0, -1.0], [-c, s, 0.0]])
        roll = cv2.Rodrigues(np.array([0.0, 0.0, 0.02]))[0]
        turn = roll @ upright
        lens = np.array([camera.x_m, camera.y_m, camera.height_m])
        matrix = np.array([[camera.focal_px, 0, camera.middle[0]],
                           [0, camera.focal_px, camera.middle[1]], [0, 0, 1]])  # fmt: skip
        theirs, _ = cv2.projectPoints(
            places, cv2.Rodrigues(turn)[0], -turn @ lens, matrix, np.zeros(5)
        )
        assert shot.pixels(places) == pytest.approx(theirs[:, 0], abs=1e-6)

    def test_plates_tapped_the_wrong_way_round_are_told(self):
        of, shot = head_on_shot()
        taps = shot.taps()
        turned = replace(taps, plate_left=taps.plate_right, plate_right=taps.plate_left)
        clip = replace(seen_head_on(shot), taps=turned)
        with pytest.raises(ValueError, match="right of the right one"):
            measure_head_on(clip, of.linkage, of.expected, large_plates=LARGE_PLATES)

    def test_a_plate_that_is_hardly_seen_is_told_with_its_share(self):
        of, shot = head_on_shot()
        clip = seen_head_on(shot)
        clip.plate_left[::3] = np.nan
        with pytest.raises(ValueError, match="seen in 67% of the pictures"):
            measure_head_on(clip, of.linkage, of.expected, large_plates=LARGE_PLATES)
        few = seen_head_on(shot)
        few.plate_left[30:36] = np.nan
        measured = measure_head_on(few, of.linkage, of.expected, large_plates=LARGE_PLATES)
        assert len(measured.reps()) == 2


class TestPlaces:
    @pytest.mark.parametrize("body", NAMES)
    def test_knees_hips_and_bar_are_where_they_were(self, body):
        shot, measured, _ = told(body=body, faults={"knees-in": 0.04}, yaw=0.05)
        true = np.stack([shot.motion.points[f"{s} knee"][:, 1] for s in ("left", "right")], -1)
        assert np.sqrt(np.mean((measured.knees[:, :, 1] - true) ** 2)) <= 0.015
        shot, measured, _ = told(view="rear", body=body, faults={"hip-shift": 0.04}, yaw=0.05)
        true = shot.motion.points["belt"][:, 1]
        assert np.sqrt(np.mean((measured.hips_off_m - true) ** 2)) <= 0.012
        bar = shot.motion.points["left bar"][:, 2]
        assert np.sqrt(np.mean((measured.height_m - bar) ** 2)) <= 0.02

    def test_speeds_are_those_of_the_bar(self):
        shot, measured, _ = told()
        (rep, *_) = measured.reps()
        heights = shot.motion.points["left bar"][[rep.up[0], rep.up[1]], 2]
        true = float(heights[1] - heights[0]) / rep.up_s
        assert rep.mean_m_s == pytest.approx(true, abs=0.015)


class TestTold:
    @pytest.mark.parametrize(
        ("lift", "view", "fault", "detector", "side"),
        [
            ("squat", "front", "knees-in", "knees-cave", None),
            ("squat", "rear", "hip-shift", "hips-aside", "left"),
            ("squat", "rear", "uneven-bar", "bar-tilts", "right"),
            ("squat", "front", "uneven-bar", "bar-tilts", "right"),
            ("deadlift", "front", "one-side-down", "lands-uneven", "right"),
        ],
    )
    def test_a_fault_is_found_at_its_size_on_its_side(self, lift, view, fault, detector, side):
        for seed, body in enumerate(NAMES):
            _, _, found = told(lift, view, {fault: 0.05}, body, seed, yaw=0.04 * (seed % 3 - 1))
            one = found[detector]
            assert one.state == "fails", (body, one)
            assert one.value == pytest.approx(0.05, abs=0.025 if fault == "knees-in" else 0.012)
            assert side is None or one.side == side
            others = [o for name, o in found.items() if name != detector and o.value == o.value]
            assert not [o for o in others if o.state == "fails"], body

    @pytest.mark.parametrize(("lift", "view"), [("squat", "front"), ("squat", "rear"),
                                                ("deadlift", "front")])  # fmt: skip
    def test_honest_sets_are_not_accused(self, lift, view):
        accused = [
            (seed, name)
            for seed in range(24)
            for name, one in told(lift, view, {}, NAMES[seed % 4], seed, yaw=0.03 * (seed % 5 - 2))[
                2
            ].items()
            if one.state == "fails"
        ]
        assert not accused

    def test_hips_that_go_alone_are_priced_by_the_mass_that_goes_with_them(self):
        _, _, found = told(view="rear", faults={"hip-shift": 0.05}, body="usual man")
        assert found["hips-aside"].bar_aside_m == pytest.approx(0.0, abs=0.005)
        assert mass_aside_m(0.05, 0.05, 100, 80) > 2.5 * mass_aside_m(0.05, 0.0, 100, 80) > 0.01
        assert mass_aside_m(0.04, 0.04, 1e6, 80) == pytest.approx(0.04, abs=1e-4), (
            "a heavy bar decides"
        )
        assert mass_aside_m(0.05, 0.0, 100, 80) == pytest.approx(0.05 * 80 / 180 / 2)

    def test_from_behind_nothing_is_told_of_knees_and_from_the_front_nothing_of_hips(self):
        _, _, found = told(view="rear", faults={"knees-in": 0.06})
        assert {found[n].state for n in ("knees-cave", "knees-inside")} == {"cannot tell"}
        _, _, found = told(view="front", faults={"hip-shift": 0.06})
        assert found["hips-aside"].state == "cannot tell"

    def test_an_oblique_view_tells_no_place(self):
        _, measured, found = told(view="rear", faults={"hip-shift": 0.06}, yaw=np.deg2rad(14))
        assert {one.state for one in found.values()} == {"cannot tell"}
        view = head_on_view(measured)
        assert "behind the lifter" in view.words
        assert view.speeds_told

    def test_a_fault_of_another_view_is_refused(self):
        with pytest.raises(ValueError, match="choose of knees-in, hip-shift, uneven-bar"):
            head_on_shot(faults={"hips-rise": 0.05})
