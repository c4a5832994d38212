"""The eye's arithmetic: camera, linkage, reps, findings, speed, on places without a picture."""

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from pavrik.core.tracking.camera import (
    SLEEVE_END_M,
    Anchor,
    Camera,
    find_camera,
    obliqueness,
    plate_face_m,
)
from pavrik.core.tracking.clip import Clip, Taps
from pavrik.core.tracking.detectors import DETECTORS, LEAST_OWN
from pavrik.core.tracking.findings import find
from pavrik.core.tracking.linkage_solve import Seen, solve
from pavrik.core.tracking.measured import slope
from pavrik.core.tracking.reps import deadlift_reps, squat_reps
from pavrik.demo.made_up import BODIES, made_up, shot, told_of
from pavrik.film.camera.motion import Pace
from pavrik.film.camera.seen import seen_clip
from pavrik.film.camera.shoot import Stand
from pavrik.services.watch.simulated import off_taps
from tests.film.filmed import true_findings
from tests.sizes import tried

CAMERAS = st.builds(
    Camera,
    st.floats(500, 2500),
    st.just((640.0, 360.0)),
    st.floats(-0.6, 0.6),
    st.floats(3.0, 7.0),
    st.floats(0.2, 1.6),
    st.floats(-0.35, 0.35),
    st.floats(-0.06, 0.06),
    st.sampled_from([1, -1]),
)


class TestCamera:
    @given(CAMERAS, st.floats(-0.6, 0.6), st.floats(-0.3, 1.1), st.floats(0, 2))
    def test_what_is_projected_comes_back(self, camera, x, y, z):
        u, v = camera.project(x, y, z)
        back = camera.unproject(u, v, y)
        assert (float(back[0]), float(back[1])) == pytest.approx((x, z), abs=1e-9)

    @given(CAMERAS)
    def test_it_sees_what_opencv_s_pinhole_sees(self, camera):
        """Against OpenCV's own projection (opencv-python-headless)."""
        import cv2

        places = np.random.default_rng(1).uniform([-0.5, -0.3, 0], [0.5, 1.1, 2], (20, 3))
        u, v = camera.project(*places.T)
        sine, cosine = np.sin(camera.yaw), np.cos(camera.yaw)
        right = camera.facing * np.array([cosine, -sine, 0.0])
        turn = np.stack([right, [0, 0, -1.0], [-sine, -cosine, 0.0]])
        s, c = np.sin(camera.roll), np.cos(camera.roll)
        turn = np.array([[c, -s, 0], [s, c, 0], [0, 0, 1]]) @ turn
        at = np.array([camera.x_m, camera.y_m, camera.height_m])
        seen = places @ turn.T - turn @ at
        lens = np.array([[camera.focal_px, 0, 640], [0, camera.focal_px, 360], [0, 0, 1]])
        theirs, _ = cv2.projectPoints(seen, np.zeros(3), np.zeros(3), lens, None)
        assert np.stack([u, v], -1) == pytest.approx(theirs.reshape(-1, 2), abs=1e-6)

    @given(CAMERAS, st.integers(1, 4))
    def test_it_is_found_again_from_plate_ankle_and_sleeve(self, camera, plates):
        face, bar, ankle = plate_face_m(plates), (0.02, 1.3), (-0.06, 0.2, 0.07)

        def at(x, y, z):
            return tuple(float(p) for p in camera.project(x, y, z))

        depth = float(camera.depth(bar[0], face))
        taps = Taps(
            plate=at(bar[0], face, bar[1]),
            plate_radius=camera.focal_px * 0.225 / depth,
            knee=(0.0, 0.0),
            hip=(0.0, 0.0),
            ankle=at(*ankle),
            sleeve_end=at(bar[0], SLEEVE_END_M, bar[1]),
        )
        found = find_camera(
            taps, (1280, 720), Anchor(taps.ankle, ankle), large_plates=plates, roll=camera.roll,
            focal_px=camera.focal_px, faces_right=camera.facing == 1,
        )  # fmt: skip
        told = {name: value for name, value in vars(found).items() if name != "middle"}
        assert told == pytest.approx({name: vars(camera)[name] for name in told}, abs=1e-6)

    def test_the_plate_is_nearer_than_the_body_and_would_shorten_a_thigh_by_a_fifth(self):
        camera = Camera(1000.0, (640.0, 360.0), 0.0, 3.2 + 0.0, 0.6)
        plate_px = 1000.0 * 0.225 / float(camera.depth(0.0, plate_face_m(1)))
        thigh_px = 1000.0 * 0.43 / float(camera.depth(0.0, 0.15))
        by_the_plate = thigh_px * 0.225 / plate_px
        assert 1 - by_the_plate / 0.43 == pytest.approx(0.18, abs=0.02)

    def test_a_view_from_the_front_is_told_with_its_sign(self):
        told = [obliqueness(1000.0, 0.0, across, 4.0, 0.7) for across in (-30.0, 0.0, 30.0)]
        assert told[0] > 0.05
        assert told[1] == pytest.approx(0.0, abs=1e-12)
        assert told[2] < -0.05

    def test_a_plate_without_size_is_refused(self):
        taps = Taps((0, 0), 0.0, (0, 0), (0, 0), (0, 0))
        with pytest.raises(ValueError, match="rim"):
            find_camera(taps, (1280, 720), Anchor((0, 0), (0, 0, 0)))


@pytest.mark.parametrize("lift", ["squat", "deadlift"])
@pytest.mark.parametrize("body", BODIES)
class TestLinkage:
    def test_places_without_error_give_the_angles_back(self, lift, body):
        of = made_up(lift, body)
        motion = shot(of, stand=Stand(rate_hz=30.0), pace=Pace(reps=1)).motion
        places = {name: at[:, [0, 2]] for name, at in motion.points.items()}
        seen = Seen(places["bar"], places["knee"], places["hip"], places["shoulder"])
        solved = solve(of.linkage, motion.times_s, seen)
        assert solved.misfit_m < 0.004
        for name in ("knee", "hip"):
            off = getattr(solved, name) - places[name]
            assert np.sqrt(np.mean(off**2)) < 0.006, name

    def test_limbs_keep_their_length(self, lift, body):
        of = made_up(lift, body)
        motion = shot(of, stand=Stand(rate_hz=30.0), pace=Pace(reps=1)).motion
        thigh = motion.points["hip"] - motion.points["knee"]
        shank = motion.points["knee"] - motion.points["ankle"]
        assert np.linalg.norm(thigh, axis=1) == pytest.approx(of.linkage.thigh_m, abs=2e-3)
        assert np.linalg.norm(shank, axis=1) == pytest.approx(of.linkage.shank_m, abs=1e-6)

    def test_honest_reps_are_not_accused(self, lift, body):
        of = made_up(lift, body)
        for seed in range(tried(3, 1)):
            taken = shot(of, pace=Pace(reps=3))
            clip = replace(seen_clip(taken, seed), taps=off_taps(taken.taps, 2.0, seed))
            _, reps, found = told_of(of, clip)
            assert len(reps) == 3
            told = [one.state for name, one in found.items() if name != "depth"]
            assert set(told) <= {"holds", "slight"}
            assert told.count("slight") <= 1
            if lift == "squat":
                assert found["depth"].state == "cannot tell", "to depth and no deeper"


def test_a_joint_that_was_seen_nowhere_is_asked_for():
    of = made_up("squat")
    taken = shot(of)
    clip = seen_clip(taken)
    with pytest.raises(ValueError, match="the hip was seen in no picture"):
        told_of(of, replace(clip, hip=np.full_like(clip.hip, np.nan)))


def test_a_clip_whose_times_stand_still_is_refused():
    clip = seen_clip(shot(made_up("squat")))
    with pytest.raises(ValueError, match="must grow"):
        replace(clip, times_s=np.zeros_like(clip.times_s))
    with pytest.raises(ValueError, match="one place in the picture for each frame"):
        replace(clip, bar=clip.bar[:-1])
    with pytest.raises(ValueError, match="not one of the film"):
        replace(clip, tapped=100_000)


FAULTY = [
    ("squat", {"hips-rise": 0.05}, "hips-rise"),
    ("squat", {"bar-forward": 0.04}, "bar-forward"),
    ("squat", {"heels-up": 0.025}, "heels-up"),
    ("squat", {"dive": 0.8}, "dive"),
    ("deadlift", {"hips-shoot": 0.05}, "hips-before-plates"),
    ("deadlift", {"bar-away": 0.04}, "bar-away"),
]


@pytest.mark.parametrize(("lift", "faults", "detector"), FAULTY)
@pytest.mark.parametrize("body", ["usual man", "small woman"][: tried(2, 1)])
class TestFaults:
    def test_it_is_found_at_its_size(self, lift, faults, detector, body):
        of = made_up(lift, body)
        taken = shot(of, faults, Stand(yaw=0.05))
        clip = replace(seen_clip(taken, 2), taps=off_taps(taken.taps, 1.0, 2))
        measured, _, found = told_of(of, clip)
        true = true_findings(of, taken.motion, measured)[detector]
        told = found[detector]
        assert told.state == "fails"
        if detector == "dive":
            assert told.value == pytest.approx(true.value, abs=0.08)
        else:
            assert told.value == pytest.approx(true.value, abs=0.007)

    def test_from_too_far_off_the_side_no_place_is_told(self, lift, faults, detector, body):
        of = made_up(lift, body)
        taken = shot(of, faults, Stand(yaw=0.35))
        _, _, found = told_of(of, seen_clip(taken, 2))
        states = {name: one.state for name, one in found.items()}
        if detector == "dive":
            assert states.pop("dive") == "fails"
        else:
            states.pop("dive", None)
        assert set(states.values()) == {"cannot tell"}


def test_a_bar_that_drifts_takes_the_hips_along_without_their_being_accused():
    of = made_up("squat")
    _, _, found = told_of(of, seen_clip(shot(of, {"bar-forward": 0.04}), 2))
    assert found["hips-rise"].value < -0.008


class TestThresholds:
    detector = next(d for d in DETECTORS if d.id == "hips-rise")

    def test_enough_light_reps_of_one_s_own_replace_the_first_one(self):
        own = [0.024, 0.030, 0.022, 0.027, 0.025, 0.026, 0.031, 0.022]
        assert len(own) == LEAST_OWN
        assert self.detector.told(own) == pytest.approx(np.mean(own) + 2.33 * np.std(own, ddof=1))
        assert self.detector.told(own[:-1]) == self.detector.told_from

    def test_it_is_never_finer_than_the_error_nor_much_finer_than_the_first(self):
        assert self.detector.told([0.0] * 20) == pytest.approx(0.8 * self.detector.told_from)
        blurred = replace(self.detector, error_sd=0.02)
        assert blurred.told([0.0] * 20) == pytest.approx(2.33 * 0.02)

    def test_a_time_keeps_its_own(self):
        dive = next(d for d in DETECTORS if d.id == "dive")
        assert dive.told([2.0] * 20) == dive.told_from

    def test_one_rep_over_it_is_slight_two_fail_and_one_far_over_fails_alone(self):
        of = made_up("squat")
        taken = shot(of, pace=Pace(reps=3))
        measured, reps, _ = told_of(of, seen_clip(taken, 2))

        def state(*values: float) -> str:
            given_values = iter(values)
            patched = replace(self.detector, estimate=lambda *_: next(given_values))
            with pytest.MonkeyPatch.context() as patch:
                patch.setattr("pavrik.core.tracking.findings.detectors_of", lambda _: [patched])
                return find(measured, of.expected, reps)[0].state

        assert state(0.01, 0.01, 0.01) == "holds"
        assert state(0.01, 0.031, 0.01) == "slight"
        assert state(0.025, 0.024, 0.01) == "slight"
        assert state(0.01, 0.031, 0.032) == "fails"
        assert state(0.01, 0.046, 0.01) == "fails"
        assert state(np.nan, np.nan, np.nan) == "cannot tell"


class TestReps:
    def test_a_set_s_reps_are_counted_with_their_seconds(self):
        of = made_up("squat")
        motion = shot(of, stand=Stand(rate_hz=60.0), pace=Pace(reps=4, down_s=1.4, up_s=1.6)).motion
        reps = squat_reps(motion.times_s, motion.points["bar"][:, 2])
        assert [rep.number for rep in reps] == [1, 2, 3, 4]
        for rep, turn_s in zip(reps, motion.turns_s, strict=True):
            assert motion.times_s[rep.turn] == pytest.approx(turn_s, abs=0.1)
            assert 1.0 < rep.down_s < 1.4
            assert 1.2 < rep.up_s < 1.6
            assert rep.least_m_s < rep.peak_m_s
            assert rep.mean_m_s == pytest.approx(0.54 / rep.up_s, abs=0.06)

    def test_pulls_begin_where_the_plates_leave(self):
        of = made_up("deadlift")
        motion = shot(of, stand=Stand(rate_hz=60.0), pace=Pace(reps=2)).motion
        height = motion.points["bar"][:, 2]
        reps = deadlift_reps(motion.times_s, height)
        assert len(reps) == 2
        for rep in reps:
            assert height[rep.first] == pytest.approx(height.min(), abs=0.01)
            assert height[rep.turn] > height.max() - 0.03

    def test_a_walk_out_is_no_rep(self):
        times = np.arange(0, 5, 1 / 30)
        assert squat_reps(times, 1.4 + 0.03 * np.sin(6 * times)) == []
        assert deadlift_reps(times, np.full(len(times), 0.225)) == []

    @given(st.floats(15, 120), st.floats(0.2, 1.5))
    @settings(max_examples=30)
    def test_the_slope_of_a_line_is_its_speed_at_any_rate(self, rate, speed):
        times = np.cumsum(np.random.default_rng(1).uniform(0.7, 1.3, 60) / rate)
        assert slope(speed * times, times) == pytest.approx(speed, rel=1e-6)


def test_a_clip_says_where_the_lifter_looks():
    of = made_up("squat")
    for facing, right in ((1, True), (-1, False)):
        clip: Clip = seen_clip(shot(of, stand=Stand(facing=facing)), 1)
        assert clip.faces_right is right
        _, reps, found = told_of(of, clip)
        assert len(reps) == 2
        assert found["hips-rise"].state == "holds"


def test_the_camera_of_a_pull_is_found_from_the_plates_on_the_floor():
    of = made_up("deadlift")
    taken = shot(of, stand=Stand(height_m=0.8))
    assert taken.taps.ankle is None
    measured, _, _ = told_of(of, seen_clip(taken, 1))
    assert measured.camera.height_m == pytest.approx(0.8, abs=0.02)
    assert measured.camera.y_m == pytest.approx(4.5, abs=0.1)
