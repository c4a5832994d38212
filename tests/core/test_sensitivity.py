"""Which measurement decides between the leaders, by how much, and in which words."""

from dataclasses import replace

import numpy as np
import pytest

from pavrik.core.fitting.sensitivity import STEPS, Flip, _inputs, sensitivity_words
from pavrik.core.lifter.lifter import default_lifter
from tests.core.bodies import DEFAULT_MAN

MAN = default_lifter(DEFAULT_MAN)
NAMES = {"high": "high bar"}


def flip(name: str, unit: str, by: float, measured: bool = False) -> Flip:
    return Flip(name, unit, measured, by, 1.0, "high")


@pytest.mark.parametrize(
    ("decides", "said"),
    [
        (flip("thigh_m", "m", 0.0125), "thigh decides: 1.2 cm longer and high bar would lead low"),
        (flip("shank_m", "m", -0.02), "shank decides: 2.0 cm shorter"),
        (flip("hip_crease_m", "m", 0.01), "hip crease decides: 1.0 cm longer"),
        (flip("dorsiflexion", "deg", 4.0), "4° more"),
        (flip("dorsiflexion", "deg", -0.5), "0.5° less"),
    ],
)
def test_the_move_that_hands_the_lead_over_is_told_in_its_unit_and_direction(decides, said):
    told = sensitivity_words([decides], "low bar", NAMES)
    assert said in told
    assert told.endswith("measure it before settling")


def test_what_was_measured_is_taken_once_more_and_strength_is_nothing_to_measure():
    again = sensitivity_words([flip("thigh_m", "m", 0.01, measured=True)], "low bar", NAMES)
    assert "take it once more" in again
    strong = flip("knee_extensors", "share", 0.1)
    assert "no single measurement" in sensitivity_words([strong], "low bar", NAMES)


def test_every_input_moves_by_its_own_error():
    assumed = MAN.assumed
    errors = {one.name: one.error for one in _inputs(MAN)}
    assert errors["thigh_m"] == pytest.approx(assumed.length_error * DEFAULT_MAN.thigh_m)
    assert errors["hip_crease_m"] == errors["knee_top_m"] == assumed.offset_error_m
    assert errors["dorsiflexion"] == assumed.screen_guess_deg
    assert errors["lower_back"] == assumed.capacity_error
    taped = replace(MAN, measured=frozenset({"thigh_m", "hip_crease_m"}))
    measured = {one.name: one.error for one in _inputs(taped)}
    assert measured["thigh_m"] == measured["hip_crease_m"] == assumed.tape_error_m


def test_the_steps_go_both_ways_alike_and_are_dense_about_nothing():
    assert np.all(np.diff(STEPS) > 0)
    assert STEPS.tolist() == (-STEPS[::-1]).tolist()
