"""Attempts at a meet and the test of an open block."""

from dataclasses import replace
from datetime import timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st

from pavrik.core.log.training_set import TrainingSet
from pavrik.core.prescription.attempts import attempts
from pavrik.core.prescription.caps import Cap
from pavrik.core.prescription.plan import make_plan
from tests.core.plans import ASK, GYM, MONDAY, a_state


def test_a_meet_gets_three_attempts_and_an_easy_last_week():
    ask = replace(ASK, meet=MONDAY + timedelta(days=54))
    plan = make_plan(ask, {"squat": a_state(), "deadlift": a_state("deadlift")}, GYM)
    tries = plan.attempts["squat"]
    assert [a.number for a in tries] == [1, 2, 3]
    assert tries[0].load_kg < tries[1].load_kg < tries[2].load_kg
    assert all(a.load_kg % 2.5 == 0 for a in tries)
    assert all((x.rpe or 0) <= 7 for day in plan.weeks[-1].days for x in day.lines)


@pytest.mark.parametrize("max_kg", [120.0, 147.0, 183.0, 266.0, 311.0])
def test_attempts_come_from_the_max_expected_on_the_day(max_kg):
    """Common practice, no source; half a step of 2.5 kg is the rounding."""
    bands = ((0.90, 0.92), (0.95, 0.975), (0.99, 1.02))
    light = [TrainingSet("a", "2026-11-01", 0.6 * max_kg, 3, 9.0)]
    for tried, (low, high) in zip(attempts(max_kg, light), bands, strict=True):
        assert low * max_kg - 1.25 <= tried.load_kg <= high * max_kg + 1.25


def test_a_jump_over_everything_done_is_named():
    done = [TrainingSet("a", "2026-11-01", 150.0, 3, 9.0)]
    opener, second, third = attempts(175.0, done)
    assert "jump" not in " ".join(b.text for b in opener.reasons)
    assert "a jump of 13% over the best clean set, 150 kg" in second.reasons[-1].text
    assert third.reasons[-1].facts == ("a",)
    assert "no clean set is logged" in attempts(175.0, [])[0].reasons[-1].text


@given(st.floats(60, 400), st.lists(st.tuples(st.floats(50, 380), st.integers(1, 5)), max_size=6))
def test_attempts_rise_whatever_the_log_says(max_kg, done):
    sets = [TrainingSet(str(i), "2026-11-01", kg, reps, 9.0) for i, (kg, reps) in enumerate(done)]
    loads = [a.load_kg for a in attempts(max_kg, sets)]
    assert loads[0] < loads[1] < loads[2]


def test_a_single_held_far_below_the_max_is_called_no_test():
    states = {"squat": replace(a_state(), caps=(Cap(110.0, "the back rounds"),))}
    single = make_plan(ASK, states, GYM).weeks[-1].days[0].lines[0]
    assert single.reps == 1
    assert single.load_kg <= 110.0
    assert "this single is not a test" in single.reasons[0].text
    free = make_plan(ASK, {"squat": a_state()}, GYM).weeks[-1].days[0].lines[0]
    assert "not a test" not in " ".join(b.text for b in free.reasons)


def test_attempts_above_a_cap_of_training_say_so():
    cap = Cap(150.0, "the back rounds", ("fault:low-round",))
    opener, second, third = attempts(160.0, [], [cap])
    assert opener.load_kg <= 150.0
    assert "above the cap" not in opener.reasons[0].text
    for tried in (second, third):
        assert "above the cap of 150 kg, the back rounds" in tried.reasons[0].text
        assert tried.reasons[0].facts == ("fault:low-round",)
