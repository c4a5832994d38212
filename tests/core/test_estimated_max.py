import pytest

from pavrik.core.strength.estimated_max import (
    brzycki_kg,
    effective_reps,
    epley_kg,
    estimate_max,
    load_for,
)


def test_epley():
    """Epley (1985), from memory: w (1 + r / 30); 10 reps with 150 kg are 200 kg."""
    assert epley_kg(150, 10) == pytest.approx(200)


def test_brzycki():
    """Brzycki (1993), from memory: 36 w / (37 - r); 10 reps with 150 kg are 200 kg."""
    assert brzycki_kg(150, 10) == pytest.approx(200)


def test_reps_in_reserve_make_effective_reps():
    """Zourdos et al. (2016), from memory: RPE 8 leaves two reps."""
    assert effective_reps(5, 8) == 7
    assert effective_reps(5, None) == 5


def test_an_all_out_single_is_its_own_max():
    single = estimate_max(200, 1, 10)
    assert (single.kg, single.least_kg, single.most_kg) == (200, 200, 200)
    assert estimate_max(200, 1, 9).kg > 200


@pytest.mark.parametrize("reps", range(2, 11))
def test_the_median_lies_in_the_spread_and_grows_with_reps(reps):
    found = estimate_max(100, reps, 10)
    assert found.least_kg <= found.kg <= found.most_kg
    assert found.kg > estimate_max(100, reps - 1, 10).kg
    assert found.trusted
    assert found.log_error > 0


def test_beyond_ten_effective_reps_nothing_is_trusted():
    assert not estimate_max(100, 9, 8).trusted


@pytest.mark.parametrize(("load", "reps"), [(100, 0), (100, 30), (0, 5), (-5, 5)])
def test_what_gives_no_max_says_so(load, reps):
    with pytest.raises(ValueError, match="no max"):
        estimate_max(load, reps)


@pytest.mark.parametrize(("reps", "rpe"), [(1, 10), (3, 8), (5, 7.5), (8, 9)])
def test_the_load_for_a_target_is_the_inverse(reps, rpe):
    load = load_for(200, reps, rpe)
    assert estimate_max(load, reps, rpe).kg == pytest.approx(200)
