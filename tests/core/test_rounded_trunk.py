"""A rounded trunk: straight over the lower back, then an arc."""

import numpy as np
import pytest

from pavrik.core.assumptions import DEFAULT
from pavrik.core.linkage.rounded_trunk import RoundedTrunk, trunk_of
from pavrik.core.strength.capacities import assumed_capacities, weaker_when_rounded
from tests.core.bodies import DEFAULT_MAN

TRUNK = RoundedTrunk(0.5, 0.09, 0.4)


def spine(trunk: RoundedTrunk, lean: float, steps: int = 20001) -> np.ndarray:
    """The spine's line by adding up small steps along its heading, starting at the hip."""
    s = np.linspace(0.0, float(trunk.length_m), steps)
    middle = (s[1:] + s[:-1]) / 2
    share = (middle - trunk.straight_m) / (trunk.length_m - trunk.straight_m)
    heading = lean - float(trunk.pelvis_turn) + trunk.turn * np.maximum(share, 0.0)
    steps_xz = np.diff(s) * np.stack([np.sin(heading), np.cos(heading)])
    return np.concatenate([np.zeros((2, 1)), np.cumsum(steps_xz, axis=1)], axis=1)


@pytest.mark.parametrize("along_m", [0.0, 0.05, 0.09, 0.2, 0.37, 0.5])
def test_every_place_is_where_small_steps_along_the_spine_lead(along_m):
    lean = np.asarray(0.8)
    line = spine(TRUNK, 0.8)
    expected = line[:, round(along_m / 0.5 * 20000)]
    assert TRUNK.at(along_m, lean) == pytest.approx(tuple(expected), abs=1e-8)


def test_the_shoulder_stands_on_the_line_that_lean_is_told_of():
    x, z = TRUNK.at(0.5, np.asarray(0.8))
    assert np.arctan2(x, z) == pytest.approx(0.8)
    assert np.hypot(x, z) == pytest.approx(float(TRUNK.chord_m))
    assert TRUNK.chord_m < 0.5


def test_a_trunk_that_is_not_round_is_a_line():
    flat = trunk_of(DEFAULT_MAN, 0.0, DEFAULT)
    assert flat.chord_m == pytest.approx(DEFAULT_MAN.trunk_m)
    assert flat.pelvis_turn == pytest.approx(0.0)
    x, z = flat.at(0.6, np.asarray(0.3))
    assert (x, z) == pytest.approx((0.6 * np.sin(0.3), 0.6 * np.cos(0.3)))


def test_the_head_goes_on_in_the_direction_of_the_neck():
    lean, heading = np.asarray(0.8), 0.8 - float(TRUNK.pelvis_turn) + 0.4
    neck, head = np.array(TRUNK.at(0.5, lean)), np.array(TRUNK.at(0.6, lean))
    assert head - neck == pytest.approx(0.1 * np.array([np.sin(heading), np.cos(heading)]))


def test_rounding_takes_a_hundredth_a_degree_off_the_mid_back_alone():
    own = assumed_capacities(DEFAULT_MAN, DEFAULT)
    rounded = weaker_when_rounded(own, np.radians(15))
    assert rounded.upper_back == pytest.approx(0.85 * own.upper_back)
    assert rounded.lower_back == own.lower_back
