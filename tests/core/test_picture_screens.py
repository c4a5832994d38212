"""Screens from a picture: against a lifter who was drawn by a camera, whichever way he looks."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from pavrik.core.lifter.mobility import hip_flexion_from_angles_deg
from pavrik.core.tracking.camera import Camera
from pavrik.core.tracking.picture_screens import PICTURE_SCREENS, read_picture

SHANK_M, THIGH_M, TRUNK_M, STATURE_M = 0.41, 0.43, 0.52, 1.74


def seen(camera, **at_m):
    """Pixels of places (x, y, z) in m."""
    return {name: tuple(map(float, camera.project(*at))) for name, at in at_m.items()}


def beside(facing=1, roll=0.0, distance=5.0):
    return Camera(1000.0, (640.0, 360.0), 0.05, distance, 0.6, 0.0, roll, facing)


def squatting(shank_deg, thigh_deg, lean_deg):
    """Ankle, knee, hip and shoulder in the plane of the lifter's side."""
    shank, thigh, lean = np.radians([shank_deg, thigh_deg, lean_deg])
    ankle = np.array([-0.05, 0.0, 0.08])
    knee = ankle + SHANK_M * np.array([np.sin(shank), 0.0, np.cos(shank)])
    hip = knee - THIGH_M * np.array([np.cos(thigh), 0.0, np.sin(thigh)])
    shoulder = hip + TRUNK_M * np.array([np.sin(lean), 0.0, np.cos(lean)])
    return {"ankle": ankle, "knee": knee, "hip": hip, "shoulder": shoulder}


ANGLES = st.tuples(st.floats(5, 50), st.floats(-15, 45), st.floats(5, 60))


@given(ANGLES, st.sampled_from([1, -1]))
@settings(max_examples=40, deadline=None)
def test_the_angles_of_a_drawn_squat_come_back_whichever_way_he_looks(angles, facing):
    shank, thigh, lean = angles
    points = seen(beside(facing), **squatting(*angles))
    assert read_picture("ankle", points, STATURE_M)[0] == pytest.approx(shank, abs=1e-6)
    closing = read_picture("neutral_depth", points, STATURE_M)[0]
    assert closing == pytest.approx(hip_flexion_from_angles_deg(thigh, lean), abs=1e-6)


def test_a_phone_held_askew_moves_the_ankle_and_not_the_hip():
    points = seen(beside(roll=np.radians(2.0)), **squatting(30, 10, 40))
    assert abs(read_picture("ankle", points, STATURE_M)[0] - 30) == pytest.approx(2.0, abs=0.01)
    assert read_picture("neutral_depth", points, STATURE_M)[0] == pytest.approx(140, abs=0.01)


@given(st.floats(0.2, 0.6), st.floats(3, 6))
@settings(max_examples=20, deadline=None)
def test_where_the_feet_land_is_told_by_the_stature(apart, distance):
    camera = beside(distance=distance)
    points = seen(
        camera, crown=(0.0, 0.0, STATURE_M), floor=(0.0, 0.0, 0.0),
        ankle_left=(-apart / 2, 0.0, 0.08), ankle_right=(apart / 2, 0.0, 0.08),
    )  # fmt: skip
    assert read_picture("hop", points, STATURE_M)[0] == pytest.approx(apart, abs=1e-6)


@pytest.mark.parametrize(("kind", "truth"), [("ankle", 30.0), ("neutral_depth", 140.0)])
def test_the_error_that_is_told_is_the_one_that_taps_make(kind, truth):
    """Taps that are a centimetre and a half beside the joint, a thousand times."""
    random, camera = np.random.default_rng(3), beside()
    metre_px = 1000.0 / 5.0
    exact = seen(camera, **squatting(30, 10, 40))
    found = []
    for _ in range(1000):
        beside_it = random.normal(0, 0.015 * metre_px, (4, 2))
        points = {
            name: (at[0] + off[0], at[1] + off[1])
            for (name, at), off in zip(exact.items(), beside_it, strict=True)
        }
        found.append(read_picture(kind, points, STATURE_M))
    values = np.array([value for value, _ in found])
    assert values.mean() == pytest.approx(truth, abs=0.5)
    assert found[0][1] == pytest.approx(values.std(), rel=0.2)


def test_what_cannot_be_read_is_told_with_the_remedy():
    with pytest.raises(ValueError, match="not tapped yet: shoulder"):
        read_picture("neutral_depth", {"hip": (0, 0), "knee": (90, 0)}, STATURE_M)
    with pytest.raises(ValueError, match="ankle and knee are 5 pixels apart: tap them"):
        read_picture("ankle", {"ankle": (0, 0), "knee": (3, -4)}, STATURE_M)


def test_every_picture_screen_is_a_screen_of_the_lifter():
    from pavrik.formats.wire.lifters import SCREEN_KINDS

    assert set(PICTURE_SCREENS) <= set(SCREEN_KINDS)
