"""Which set-up to take: chances, expected losses, readings, verdicts."""

from dataclasses import replace

import numpy as np
import pytest

from pavrik.core.fitting.choice import (
    Choice,
    Family,
    Reading,
    chances,
    choose,
    expected_losses_kg,
    family_maxes_kg,
    reading_gain_kg,
)

RANDOM = np.random.default_rng(3)
TWO = np.array([[100.0, 90.0], [100.0, 104.0]])


def test_styles_of_a_family_share_their_chance():
    maxes = np.array([[100.0, 101.5, 95.0], [98.0, 97.0, 104.0]])
    best, members = family_maxes_kg(maxes, ["back", "back", "front"])
    assert best.tolist() == [[101.5, 95.0], [98.0, 104.0]]
    assert members == [(0, 1), (2,)]
    chosen = choose(maxes, ["back", "back", "front"], ["low", "middle", "front"], {}, 0.01)
    assert {family.styles: family.chance_best for family in chosen.families} == {
        ("low", "middle"): 0.5,
        ("front",): 0.5,
    }


def test_chances_and_what_nobody_clearly_wins_add_up_to_one():
    maxes = np.array([[100.0, 90.0], [100.0, 100.5], [0.0, 0.0], [80.0, 90.0]])
    assert chances(maxes, 0.01).tolist() == [0.25, 0.25]
    chosen = choose(maxes, ["a", "b"], ["a", "b"], {}, 0.01)
    assert sum(f.chance_best for f in chosen.families) + chosen.none_clearly_best == 1.0
    assert chosen.none_clearly_best == 0.5


def test_the_expected_loss_is_what_the_best_of_each_body_would_have_been_more():
    assert expected_losses_kg(TWO).tolist() == [2.0, 5.0]
    assert choose(TWO, ["a", "b"], ["a", "b"], {}, 0.01).families[0].styles == ("a",)


def test_a_reading_that_decides_gains_and_one_that_does_not_gains_nothing():
    thigh = RANDOM.standard_normal(4000)
    maxes = np.stack([100 + 3 * thigh, 100 - 3 * thigh], axis=1)
    whole = reading_gain_kg(maxes, Reading(thigh, 1.0))
    assert whole == pytest.approx(3 * np.sqrt(2 / np.pi), rel=0.03)
    half = reading_gain_kg(maxes, Reading(thigh, 0.25))
    assert half == pytest.approx(whole / 2, rel=0.04)
    other = RANDOM.standard_normal(4000)
    assert reading_gain_kg(maxes, Reading(other, 1.0)) < 0.1 * whole
    assert reading_gain_kg(maxes, Reading(np.ones(4000), 1.0)) == 0.0


BASE = Choice((Family(("a",), 0.5, 2.0), Family(("b",), 0.4, 5.0)), 0.1, 200.0, "thigh_m", 0.2)


def lost(first: float, second: float, chance: float = 0.5) -> Choice:
    families = (Family(("a",), chance, first), Family(("b",), 0.9 - chance, second))
    return replace(BASE, families=families)


@pytest.mark.parametrize(
    ("choice", "kind"),
    [
        (lost(1.5, 1.9), "does_not_matter"),
        (lost(0.9, 5.0), "clear"),
        (lost(1.5, 5.0, 0.71), "clear"),
        (replace(lost(1.5, 5.0), gain_kg=1.1), "measure_first"),
        (lost(1.5, 5.0), "worth_a_trial"),
        (replace(BASE, families=BASE.families[:1]), "only_one"),
    ],
)
def test_what_a_wrong_choice_costs_comes_before_who_leads(choice, kind):
    assert choice.kind == kind


def test_a_chance_of_seventy_percent_is_enough_and_a_loss_of_one_percent_matters():
    assert lost(1.5, 5.0, 0.70).kind == "clear"
    assert lost(1.5, 5.0, 0.69).kind == "worth_a_trial"
    assert lost(1.5, 2.0).kind == "worth_a_trial"
    assert replace(lost(1.5, 5.0), gain_kg=1.0).kind == "measure_first"
