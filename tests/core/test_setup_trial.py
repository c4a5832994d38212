"""Trials of two set-ups: turns, honest words, and what is found of made-up lifters."""

from datetime import date, timedelta

import numpy as np
import pytest

from pavrik.core.log.setup_trial import SetupTrial, arm_of, judge
from pavrik.core.log.training_set import LoggedFault, TrainingSet
from pavrik.core.simulation.lifter import draw_lifter

START = date(2026, 9, 1)
KG = 157.5


def session(k: int, kg: float, rpe: float | None = 8.0, **changes) -> TrainingSet:
    day = (START + timedelta(days=4 * k)).isoformat()
    return TrainingSet(f"s{k}", day, kg, 3, rpe, **changes)


def trial(sessions_each: int) -> SetupTrial:
    return SetupTrial(START.isoformat(), sessions_each, KG, 3)


def trained(step: float, seed: int, sessions_each: int = 6) -> list[TrainingSet]:
    """A made-up lifter who is ``step`` (share) stronger in B and gains steadily in both."""
    random = np.random.default_rng(seed)
    lifter = draw_lifter(180.0, random, gain_per_week=0.004)
    done = []
    for k in range(2 * sessions_each):
        form = lifter.form(random) * (1 + step * (arm_of(k) == "b"))
        effort = lifter.do(KG, 3, 4 * k, form, random)
        done.append(session(k, KG, effort.rpe))
    return done


def test_turns_cancel_a_steady_gain():
    """Every four sessions both set-ups have the same middle day."""
    turns = [arm_of(k) for k in range(8)]
    assert turns == ["a", "b", "b", "a"] * 2
    assert sum(k for k in range(8) if arm_of(k) == "a") == sum(
        k for k in range(8) if arm_of(k) == "b"
    )


def test_days_before_the_start_and_after_the_end_do_not_belong_to_it():
    test = trial(4)
    early = TrainingSet("e", "2026-08-30", KG, 3, 8.0)
    other = [session(1, KG, variation="front squat"), session(1, 110.0)]
    arms = test.arms([early, *(session(k, KG) for k in (0, *range(2, 14))), *other])
    assert len(arms) == 8
    assert early.day not in arms
    assert other[0].day not in arms


def test_too_little_says_so():
    test = trial(4)
    found = judge(test, [session(0, KG), session(1, KG), session(2, KG)])
    assert found.outcome == "too few sessions"
    assert "3 done" in found.words("low bar", "high bar")


def test_sets_without_a_rating_say_nothing_of_the_max_and_still_count_as_sessions():
    test = trial(4)
    found = judge(test, [session(k, KG, None) for k in range(8)])
    assert found.outcome == "too few sessions"
    assert found.finished
    assert found.seen["a"].sessions == found.seen["b"].sessions == 4


def test_nothing_is_decided_before_the_end():
    test = trial(8)
    found = judge(test, trained(0.08, 1)[:8])
    assert found.outcome == "cannot tell"
    assert found.chance_b > 0.9
    assert "yet" in found.words("A", "B")


def outcomes(step: float, count: int = 60) -> list[str]:
    test = trial(6)
    return [judge(test, trained(step, seed)).outcome for seed in range(count)]


@pytest.mark.parametrize(("step", "winner"), [(0.06, "b"), (-0.06, "a")])
def test_a_clear_difference_is_found_and_never_the_wrong_way_round(step, winner):
    found = outcomes(step)
    assert found.count(winner) > 0.8 * len(found)
    assert found.count("a" if winner == "b" else "b") == 0


def test_two_equal_set_ups_seldom_have_a_winner():
    """A winner is named at 90 % sure: of equal ones in about a fifth at most."""
    found = outcomes(0.0)
    assert sum(o in ("a", "b") for o in found) <= 0.25 * len(found)


def test_the_band_covers_the_true_difference_as_often_as_it_says():
    test = trial(6)
    inside = 0
    for seed in range(120):
        found = judge(test, trained(0.03, 1000 + seed))
        inside += found.band[0] <= np.log(1.03) <= found.band[1]
    assert 0.7 <= inside / 120 <= 0.95


def test_faults_are_told_beside_the_max():
    test = trial(4)
    fault = LoggedFault("hips-rise", "hips rise", 2, 2)
    slight = LoggedFault("hips-rise", "hips rise", 1, 1)
    sets = [session(k, KG, faults=(fault, slight) if arm_of(k) == "b" else ()) for k in range(8)]
    seen = judge(test, sets).seen
    assert (seen["a"].faulty, seen["b"].faulty) == (0, 4)
    assert seen["a"].reps == 12


def test_which_is_stronger_is_told_first_and_how_sure_that_is():
    found = judge(trial(6), trained(0.08, 1))
    assert found.outcome == "b"
    told = found.words("low bar", "high bar")
    assert told.startswith("high bar is the stronger one")
    assert f"{found.chance_b:.0%} sure" in told
