from itertools import pairwise, product

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from pavrik.core.equipment.hand_marks import ring_words
from pavrik.core.equipment.plates import Loading, PlatePair, load_bar
from pavrik.core.equipment.racks import Rack, fit_rack
from pavrik.core.equipment.warm_up import SHARES, plate_changes, warm_up
from tests.sizes import tried

GYM = tuple(
    PlatePair(kg, n) for kg, n in ((25, 4), (20, 2), (15, 1), (10, 2), (5, 1), (2.5, 1), (1.25, 1))
)
RACK = Rack("test", 0.60, 0.05, 20, 0.03, 1.2)

stocks = st.lists(
    st.builds(PlatePair, kg=st.sampled_from([1.25, 2.5, 5, 7.5, 10, 11.34, 20, 20.41, 25]),
              pairs=st.integers(0, 2)),
    max_size=5, unique_by=lambda plate: plate.kg,
)  # fmt: skip


def _every_side(stock: tuple[PlatePair, ...]) -> list[tuple[float, int]]:
    counts = product(*(range(plate.pairs + 1) for plate in stock))
    return [
        (sum(n * plate.kg for n, plate in zip(chosen, stock, strict=True)), sum(chosen))
        for chosen in counts
    ]


@settings(max_examples=150, deadline=None)
@given(stock=stocks, target=st.floats(15, 300))
def test_no_other_loading_is_nearer_or_has_fewer_plates(stock, target):
    stock = tuple(stock)
    found = load_bar(target, 20, 0, stock)
    error = abs(20 + 2 * sum(found.per_side) - target)
    assert found.total_kg == pytest.approx(20 + 2 * sum(found.per_side), abs=0.01)
    for side, count in _every_side(stock):
        other = abs(20 + 2 * side - target)
        assert other >= error - 0.01
        if abs(side - sum(found.per_side)) < 1e-6:
            assert count >= len(found.per_side)


def test_heaviest_inside_and_exact():
    found = load_bar(182.5, 20, 5, GYM)
    assert found.per_side == (25, 25, 25, 2.5, 1.25)
    assert found.exact


def test_a_target_that_cannot_be_made_says_by_how_much():
    found = load_bar(101.0, 20, 0, (PlatePair(20, 2), PlatePair(5, 1)))
    assert found.total_kg == 100
    assert found.error_kg == pytest.approx(-1.0)
    assert (
        load_bar(109.0, 20, 0, (PlatePair(20, 2), PlatePair(5, 1)), never_above=True).total_kg
        == 100
    )


def test_below_the_bar_the_empty_bar_is_nearest():
    assert load_bar(10, 20, 0, GYM).per_side == ()


@pytest.mark.parametrize(
    ("target", "bar", "stock", "words"),
    [
        (0, 20, GYM, "outside 0"),
        (100, 0, GYM, "give the bar's weight"),
        (100, 20, (PlatePair(-1, 1),), "no stock"),
    ],
)
def test_impossible_stock_and_targets_are_refused(target, bar, stock, words):
    with pytest.raises(ValueError, match=words):
        load_bar(target, bar, 0, stock)


def test_between_two_holes_the_lower_one():
    """Standing bar 1.42: hole 16 rests at 1.35, its lip and clearance need 1.40; 17 would not."""
    fit = fit_rack(RACK, 1.42, 0.80)
    assert fit.hook_hole == 16
    assert fit.dip_m == pytest.approx(0.07)
    assert fit.safety_hole == 4
    assert fit.safety_below_m == pytest.approx(0.05)
    assert fit.problem is None


@settings(max_examples=80)
@given(standing=st.floats(0.9, 1.8), bottom=st.floats(0.5, 1.1), pitch=st.floats(0.025, 0.1))
def test_the_bar_always_clears_the_lip_and_the_pins_stay_below(standing, bottom, pitch):
    rack = Rack("any", 0.5, pitch, 30, 0.03, 1.2)
    fit = fit_rack(rack, standing, bottom)
    if fit.hook_hole:
        assert 0.5 + (fit.hook_hole - 1) * pitch + rack.lip_m < standing
    if fit.safety_hole:
        assert fit.safety_below_m > 0


@pytest.mark.parametrize(
    ("standing", "bottom", "words"),
    [(0.60, 0.4, "too high"), (1.90, 0.9, "taller rack"), (1.42, 0.55, "above the bottom")],
)
def test_a_rack_that_does_not_fit_says_why(standing, bottom, words):
    assert words in (fit_rack(RACK, standing, bottom).problem or "")


@pytest.mark.parametrize(
    ("grip", "words"),
    [
        (0.81, "ring finger on the ring"),
        (0.78, "ring finger on the ring"),
        (0.86, "index finger on the ring"),
        (0.60, "inside the ring"),
        (1.00, "outside the ring"),
    ],
)
def test_hands_in_ring_words(grip, words):
    assert words in ring_words(grip, 1.75)


def test_the_way_up_rises_with_shrinking_jumps():
    ladder = [step.total_kg for _, step in warm_up(180.0, 20, 5, GYM)]
    assert ladder[0] == 25
    jumps = [b - a for a, b in pairwise([*ladder, 180.0])]
    assert jumps == sorted(jumps, reverse=True)
    assert warm_up(20.0, 20, 5, GYM) == ()


@pytest.mark.parametrize("stock", [
    ((25.0, 5), (20.0, 2), (15.0, 2), (10.0, 3), (5.0, 3), (2.5, 2), (1.25, 2), (0.5, 1)),
    ((25.0, 8), (20.0, 2), (15.0, 2), (10.0, 2), (5.0, 2), (2.5, 2), (1.25, 2)),
])  # fmt: skip
def test_no_work_set_is_reached_by_a_leap(stock):
    pairs = tuple(PlatePair(kg, n) for kg, n in stock)
    for work in (2.5 * half for half in range(24, 120, tried(1, 5))):
        ladder = [step.total_kg for _, step in warm_up(work, 20, 5, pairs)]
        jumps = [b - a for a, b in pairwise([*ladder, work])]
        assert len(ladder) >= 5, f"{work} kg after {ladder}"
        assert max(jumps) <= 0.36 * work, f"{work} kg after {ladder}"
        assert jumps[-1] <= 0.12 * work, f"{work} kg after {ladder}"


def discs_handled(ladder: list[Loading], work: Loading) -> int:
    """Discs put on or taken off one side on the way up to the work set."""
    return sum(plate_changes(a, b) for a, b in pairwise([*ladder, work]))


def test_few_discs_are_handled_on_the_way_up():
    work = load_bar(135.0, 20, 5, GYM)
    ladder = [step for _, step in warm_up(135.0, 20, 5, GYM)]
    exact = [load_bar(share * 135.0, 20, 5, GYM, never_above=True) for share in SHARES]
    assert discs_handled(ladder, work) <= discs_handled(exact, work) / 2


@settings(max_examples=150, deadline=None)
@given(stock=stocks, work=st.floats(20, 320))
def test_a_way_up_rises_in_shrinking_jumps_made_of_the_gyms_plates(stock, work):
    stock = tuple(stock)
    made = load_bar(work, 20, 0, stock, never_above=True)
    ladder = warm_up(work, 20, 0, stock)
    totals = [20.0, *(step.total_kg for _, step in ladder[1:])]
    assert totals == sorted(set(totals))
    assert all(total < made.total_kg for total in totals) or not ladder
    reps = [r for r, _ in ladder]
    assert reps == sorted(reps, reverse=True)
    jumps = [b - a for a, b in pairwise([*totals, made.total_kg])] if ladder else []
    assert all(b <= a + 1e-6 for a, b in pairwise(jumps))
    for _, step in ladder:
        assert step.total_kg == pytest.approx(20 + 2 * sum(step.per_side))
        for plate in stock:
            assert step.per_side.count(plate.kg) <= plate.pairs
