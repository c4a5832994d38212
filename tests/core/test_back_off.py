"""Back-off sets by what the top single of the session showed."""

from dataclasses import replace

import pytest

from pavrik.core.log.training_set import TrainingSet
from pavrik.core.prescription.back_off import MOST_CHANGE, back_off
from pavrik.core.prescription.plan_parts import Line
from pavrik.core.strength.estimated_max import estimate_max
from tests.core.plans import GYM

TOP = Line("t", "squat", "competition", "main", 1, 1, 7.5, 180.0, (), 240, (), share=0.9)
SETS = Line("b", "squat", "competition", "main", 4, 3, 8.0, 170.0, (), 240, (), share=0.85)


def single(kg: float = 180.0, rpe: float | None = 8.0, missed: int = 0) -> TrainingSet:
    return TrainingSet("s", "2026-11-26", kg, 0 if missed else 1, rpe, missed)


def load_after(done: list[TrainingSet], line: Line = SETS, lines=None) -> float | None:
    found = back_off(line, lines or [TOP, line], done, GYM)
    return found.loading.total_kg if found else None


def test_a_single_as_expected_changes_nothing():
    """The day's single shows within 1 kg what was expected: less than half a step."""
    shown = estimate_max(180.0, 1, 8.0).kg
    for off_kg in (-1.0, 0.0, 1.0):
        top = replace(TOP, share=180.0 / (shown + off_kg))
        assert load_after([single(rpe=8.0)], SETS, [top, SETS]) is None


def test_a_harder_single_lowers_and_an_easier_one_raises_within_a_twentieth():
    low, high = load_after([single(rpe=9.5)]), load_after([single(rpe=6.0)])
    assert low < 170.0 < high
    assert low >= 170.0 * (1 - MOST_CHANGE) - 1.25
    assert high <= 170.0 * (1 + MOST_CHANGE) + 1.25


def test_a_missed_single_lowers_by_all_that_is_allowed():
    assert load_after([single(rpe=None, missed=1)]) == pytest.approx(170.0 * 0.95, abs=1.25)


def test_a_rep_missed_in_the_sets_after_it_is_no_missed_single():
    short = TrainingSet("s", "2026-11-26", 170.0, 2, None, 1)
    assert load_after([short]) is None


def test_a_cap_stays_a_cap():
    capped = replace(SETS, cap_kg=171.0)
    assert load_after([single(rpe=6.0)], capped) is None
    assert load_after([single(rpe=9.5)], capped) < 170.0


@pytest.mark.parametrize("done", [[], [single(rpe=None)], [single(rpe=5.0)]])
def test_a_single_that_says_nothing_changes_nothing(done):
    assert load_after(done) is None


def test_only_sets_behind_a_single_of_the_same_lift_follow_it():
    hard = [single(rpe=9.5)]
    assert load_after(hard, TOP, [TOP]) is None
    assert load_after(hard, SETS, [SETS]) is None
    assert load_after(hard, SETS, [replace(TOP, lift="deadlift"), SETS]) is None
    assert load_after(hard, replace(SETS, kind="second")) is None


def test_the_reason_names_what_was_done():
    found = back_off(SETS, [TOP, SETS], [single(rpe=9.5)], GYM)
    assert "1 rep with 180 kg at RPE 9.5 shows about" in found.reason.text
    assert "lighter than the 170 kg planned" in found.reason.text
    assert found.reason.facts == ("s",)
