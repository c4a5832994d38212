import numpy as np
import pytest

from pavrik.core.body.masses import SEGMENT_MASSES
from pavrik.core.body.measurement import (
    LANDMARKS,
    needs_third_reading,
    segments_from_readings,
    settled_length_m,
    technical_error_m,
)
from pavrik.core.body.plausibility import doubts, z_score
from pavrik.core.body.segments import SEGMENTS, STATURE_FRACTION, make_body


def test_what_is_not_measured_is_estimated_from_stature():
    body = make_body("male", 83, 1.75, {"thigh_m": 0.45})
    assert body.thigh_m == 0.45
    assert body.shank_m == pytest.approx(0.246 * 1.75)
    assert body.arm_m == pytest.approx((0.186 + 0.146 + 0.0594) * 1.75)


@pytest.mark.parametrize(
    ("change", "words"),
    [
        ({"stature_m": 1.20}, "grown lifters only"),
        ({"mass_kg": 20}, "body mass"),
        ({"segments": {"tail_m": 0.4}}, "no segment called tail_m"),
        ({"segments": {"thigh_m": float("nan")}}, "above 0"),
        ({"sex": "other"}, "segment masses need it"),
    ],
)
def test_impossible_bodies_are_refused_with_the_remedy(change, words):
    given = {"sex": "male", "mass_kg": 83, "stature_m": 1.75} | change
    with pytest.raises(ValueError, match=words):
        make_body(**given)


def test_all_problems_are_told_at_once():
    with pytest.raises(ValueError, match=r"stature.*\n.*body mass"):
        make_body("male", 10, 1.0)


@pytest.mark.parametrize("sex", ["male", "female"])
def test_mass_fractions_sum_to_one(sex):
    masses = SEGMENT_MASSES[sex]
    trunk = sum(part for part, _ in masses.trunk)
    total = masses.head + masses.arms + masses.thighs + masses.shanks + masses.feet + trunk
    assert total == pytest.approx(1.0, abs=1e-12)


def test_sampled_bodies_broadcast():
    body = make_body("male", 83, 1.75)
    sampled = type(body)(**{**vars(body), "thigh_m": np.array([0.4, 0.42])}).reshaped(2, 1)
    assert sampled.thigh_m.shape == (2, 1)
    assert sampled.shank_m == body.shank_m


def test_every_landmark_gives_a_segment_of_the_model():
    assert {landmark.segment for landmark in LANDMARKS} <= set(SEGMENTS)
    assert len({landmark.id for landmark in LANDMARKS}) == len(LANDMARKS)


@pytest.mark.parametrize(
    ("first", "second", "wanted"),
    [(0.430, 0.436, False), (0.430, 0.442, True), (0.100, 0.103, True), (0.60, 0.609, False)],
)
def test_a_third_reading_beyond_a_centimetre_or_two_percent(first, second, wanted):
    assert needs_third_reading(first, second) is wanted


def test_two_readings_are_averaged_and_of_three_the_middle_counts():
    assert settled_length_m([0.43, 0.44]) == pytest.approx(0.435)
    assert settled_length_m([0.43, 0.50, 0.44]) == pytest.approx(0.44)
    assert segments_from_readings({"knee_trochanter": [0.43, 0.44], "foot_length": []}) == {
        "thigh_m": pytest.approx(0.435)
    }
    with pytest.raises(ValueError, match="at least one"):
        settled_length_m([])


def test_technical_error_of_measurement():
    """sqrt(sum d^2 / 2n): differences of 4 and 2 mm give sqrt(20/4) mm."""
    assert technical_error_m([(0.430, 0.434), (0.5, 0.502)]) == pytest.approx(0.001 * 5**0.5)
    assert technical_error_m([]) is None


def test_a_reading_beyond_three_deviations_is_doubted_with_numbers():
    found = doubts({"thigh_m": 0.55}, 1.75)
    assert [doubt.segment for doubt in found] == ["thigh_m"]
    assert "55.0 cm" in found[0].sentence
    assert "measure it again" in found[0].sentence
    assert doubts({"thigh_m": 0.44}, 1.75) == []


def test_lengths_that_do_not_add_up_to_the_stature_are_doubted():
    standing = ("ankle_height_m", "shank_m", "thigh_m", "trunk_m")
    long = {name: STATURE_FRACTION[name] * 1.75 * 1.11 for name in standing}
    assert [doubt.segment for doubt in doubts(long, 1.75)] == ["stature_m"]
    fitting = {name: STATURE_FRACTION[name] * 1.75 for name in standing}
    assert doubts(fitting, 1.75) == []


def test_z_score_is_zero_at_the_expected_length():
    assert z_score("thigh_m", 0.245 * 1.8, 1.8) == pytest.approx(0)
