"""Lengths off a picture: against lifters drawn by a camera, near limbs nearer to the lens."""

import numpy as np
import pytest

from pavrik.core.tracking.camera import Camera
from pavrik.core.tracking.picture_lengths import ENDS, PictureLength, read_lengths

STATURE_M = 1.76
LENGTHS_M = {"shank_m": 0.42, "thigh_m": 0.45, "trunk_m": 0.50, "upper_arm_m": 0.33,
             "forearm_m": 0.26}  # fmt: skip
SKIN_M = {"ankle": 0.12, "knee": 0.13, "hip": 0.17, "shoulder": 0.19, "elbow": 0.2, "wrist": 0.2}


def standing(distance=4.0, height=0.9):
    """Pixels of an upright lifter, and how many there are to a metre of his middle plane."""
    camera = Camera(1000.0, (640.0, 360.0), 0.0, distance, height, 0.0, 0.0, 1)
    up = {"ankle": 0.08}
    up["knee"] = up["ankle"] + LENGTHS_M["shank_m"]
    up["hip"] = up["knee"] + LENGTHS_M["thigh_m"]
    up["shoulder"] = up["hip"] + LENGTHS_M["trunk_m"]
    up["elbow"] = up["shoulder"] - LENGTHS_M["upper_arm_m"]
    up["wrist"] = up["elbow"] - LENGTHS_M["forearm_m"]
    at = {name: (0.0, SKIN_M[name], z) for name, z in up.items()}
    at |= {"crown": (0.0, 0.0, STATURE_M), "floor": (0.0, 0.0, 0.0)}
    points = {name: tuple(map(float, camera.project(*place))) for name, place in at.items()}
    return points, 1000.0 / distance


def test_the_near_side_does_not_look_longer_than_it_is():
    points, _ = standing()
    found = read_lengths(points, STATURE_M)
    assert set(found) == set(LENGTHS_M)
    for name, length in LENGTHS_M.items():
        assert found[name].length_m == pytest.approx(length, abs=0.006), name


@pytest.mark.parametrize("distance", [3.0, 5.5])
def test_a_lens_that_stands_elsewhere_stays_within_the_error(distance):
    points, _ = standing(distance)
    thigh = read_lengths(points, STATURE_M)["thigh_m"]
    assert abs(thigh.length_m - LENGTHS_M["thigh_m"]) < thigh.error_m


def test_the_error_that_is_told_is_the_one_that_taps_make():
    points, metre_px = standing()
    random, found = np.random.default_rng(4), []
    for _ in range(1000):
        off = random.normal(0, 0.015 * metre_px, (len(points), 2))
        tapped = {
            name: (at[0] + by[0], at[1] + by[1])
            for (name, at), by in zip(points.items(), off, strict=True)
        }
        found.append(read_lengths(tapped, STATURE_M))
    for name in ENDS:
        spread = np.std([one[name].length_m for one in found])
        told = found[0][name].error_m
        assert spread == pytest.approx(told, rel=0.2)
        assert told >= 0.95 * spread, "the lens's place is in it too"


def test_a_tape_that_read_another_bone_is_told_and_one_that_is_a_little_off_is_not():
    thigh = PictureLength(0.45, 0.022)
    assert thigh.contradicts(0.51)
    assert thigh.contradicts(0.39)
    assert not thigh.contradicts(0.47)


def test_what_is_not_tapped_is_named():
    points, _ = standing()
    with pytest.raises(ValueError, match="not tapped yet: floor"):
        read_lengths({k: v for k, v in points.items() if k != "floor"}, STATURE_M)
    with pytest.raises(ValueError, match="both ends of a limb"):
        read_lengths({k: points[k] for k in ("crown", "floor", "knee")}, STATURE_M)
    legs = {k: points[k] for k in ("crown", "floor", "ankle", "knee")}
    assert set(read_lengths(legs, STATURE_M)) == {"shank_m"}
