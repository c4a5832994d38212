"""A lighter week is proposed to who needs it, and not to everyone whose days differ."""

from datetime import date, timedelta

import numpy as np
import pytest

from pavrik.core.log.training_set import TrainingSet
from pavrik.core.prescription.signals import light_week, light_week_because
from pavrik.core.simulation.lifter import draw_lifter
from pavrik.core.strength.estimated_max import load_for
from tests.sizes import tried

FIRST, DAYS, SLUMP_FROM = date(2026, 1, 5), 24, 18


def signs_of(sets):
    return light_week_because(sets, "trained")


def days_with_a_sign(seed: int, lost_per_day: float = 0.0) -> np.ndarray:
    """Whether each of 24 days of fives gave a sign (bool, (24,)); from the 19th on the lifter
    loses that share of his max a day."""
    random = np.random.default_rng(seed)
    lifter = draw_lifter(200.0, random, gain_per_week=0.004)
    sets: list[TrainingSet] = []
    signs = []
    for number in range(DAYS):
        on = FIRST + timedelta(days=3.5 * number)
        form = lifter.form(random) * (1 - lost_per_day * max(0, number - SLUMP_FROM + 1))
        load_kg = 2.5 * round(200 * load_for(1.0, 5, 7.5) * random.choice([0.94, 1.0, 1.0]) / 2.5)
        for _ in range(3):
            done = lifter.do(load_kg, 5, (on - FIRST).days, form, random)
            sets.append(
                TrainingSet(
                    f"s{len(sets)}", on.isoformat(), load_kg, done.made, done.rpe, done.missed
                )
            )
        signs.append(bool(signs_of(sets)))
    return np.array(signs)


def test_who_holds_his_level_is_left_alone():
    told = np.array([days_with_a_sign(seed)[6:] for seed in range(60)])
    assert told.mean() < 0.04, "no more than one day in twenty-five"


@pytest.mark.parametrize(("lost_per_day", "found"), [(0.02, 0.85), (0.03, 0.93)])
def test_who_loses_strength_is_told_within_four_days(lost_per_day, found):
    told = [
        days_with_a_sign(seed, lost_per_day)[SLUMP_FROM : SLUMP_FROM + 4].any()
        for seed in range(tried(60, 20))
    ]
    assert np.mean(told) > found


def fives(number: int, rpe: float, load_kg: float = 140.0, reps: int = 5) -> TrainingSet:
    return TrainingSet(f"s{number}", f"2026-10-{number:02d}", load_kg, reps, rpe)


def test_one_easy_day_before_makes_no_sign_of_the_next():
    """Held against the mean of equal days, not against the last alone."""
    assert signs_of([fives(1, 8), fives(5, 8), fives(9, 7), fives(12, 8)]) == []
    (found,) = light_week_because(
        [fives(1, 7), fives(5, 7.5), fives(9, 7), fives(12, 8.5)], "trained"
    )
    assert "5 × 140 kg felt like RPE 8.5 on 12 Oct 2026" in found.text
    assert "like 7.2 on the 3 such days before it" in found.text
    assert found.facts == ("s1", "s5", "s9", "s12")


def test_other_loads_and_reps_say_nothing_of_effort():
    assert signs_of([fives(1, 6, 130.0), fives(5, 8)]) == []
    assert signs_of([fives(1, 6, reps=3), fives(5, 8)]) == []
    assert signs_of([fives(1, 7)]) == []


def test_a_fall_within_the_noise_of_days_is_none():
    def falling(step_kg: float) -> list[TrainingSet]:
        return [fives(3 * i + 1, 8.0, 150 - step_kg * i) for i in range(4)]

    assert signs_of(falling(1.0)) == []
    (found,) = light_week(signs_of(falling(5.0)))
    assert found.text.startswith("a lighter week would be wise: the trend fell 2 exposures running")
