"""What schools, shoes, suit and monolift change in a fit."""

from dataclasses import replace

import numpy as np
import pytest

from pavrik.core.assumptions import DEFAULT
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.fitting.fit import fit
from pavrik.core.fitting.sampling import Ask
from pavrik.core.fitting.staleness import changes_since, model_changes
from pavrik.core.lifter.lifter import Lifter, default_lifter
from pavrik.core.lifts.grid import SetupGrid
from pavrik.core.squat.squat import SQUAT
from pavrik.core.strength.suit import SLACK_DEG, SUIT_NM, TAUT_DEG, left_by_suit, suit_nm
from pavrik.core.units import degrees
from tests.core.bodies import DEFAULT_MAN

MAN = default_lifter(DEFAULT_MAN)


def of_school(**schools: str) -> Lifter:
    return replace(MAN, schools=replace(MAN.schools, **schools))


def suited(lifter: Lifter = MAN) -> Lifter:
    return replace(lifter, suit_nm=suit_nm(lifter.body, DEFAULT))


@pytest.mark.parametrize("school", ["upright", "low"])
def test_a_bar_school_puts_its_own_positions_first(school):
    found = fit(SQUAT, of_school(bar=school), ask=Ask(32, 1))
    own = [leader.setup.shelf.school == school for leader in found.leaders]
    assert own == sorted(own, reverse=True)
    assert own[0]


def test_a_school_that_overrules_the_model_says_what_that_costs():
    plain = fit(SQUAT, MAN, ask=Ask(32, 1))
    found = fit(SQUAT, of_school(bar="upright"), ask=Ask(32, 1))
    lost = plain.leaders[0].predicted_max_kg - found.leaders[0].predicted_max_kg
    assert "the school comes first (upright for nearly all): high bar" in found.verdict.sentence
    assert f"{lost:.1f} kg" in found.verdict.sentence
    assert found.verdict.kind == plain.verdict.kind
    assert "school" not in plain.verdict.sentence


def test_the_school_of_the_upright_back_orders_pulls_by_their_back():
    upright = replace(MAN.deadlift_schools, style="upright")
    found = fit(DEADLIFT, replace(MAN, deadlift_schools=upright))
    leans = [round(float(degrees(rival.lean)) / 3) for rival in found.rivals()]
    assert leans == sorted(leans)
    assert found.rivals()[0].setup.style != fit(DEADLIFT, MAN).rivals()[0].setup.style


@pytest.mark.parametrize(("shoes", "allowed"), [("flat", {0.0}), ("raised", {0.01, 0.02, 0.03})])
def test_shoes_decide_which_heels_are_looked_at(shoes, allowed):
    found = fit(SQUAT, of_school(shoes=shoes))
    assert {c.setup.heel_lift_m for c in (*found.leaders, *found.rest)} <= allowed


def test_a_suit_lifts_more_at_the_bottom_of_every_bar_position_on_the_back():
    raw = {c.setup.style: c.predicted_max_kg for c in fit(SQUAT, MAN).leaders}
    suit = {c.setup.style: c.predicted_max_kg for c in fit(SQUAT, suited()).leaders}
    for style in ("low", "middle", "high"):
        assert 1.05 < suit[style] / raw[style] < 1.3, style


def test_a_suit_hangs_loose_where_the_hips_are_straight_and_never_lifts_by_itself():
    hip_nm = np.array([500.0, 500.0, 50.0])
    left = left_by_suit(150.0, np.radians([30.0, 160.0, 160.0]), hip_nm)
    assert left == pytest.approx([1.0, 0.7, 0.0])
    small = replace(DEFAULT_MAN, mass_kg=60.0)
    halfway = np.radians((SLACK_DEG + TAUT_DEG) / 2)
    assert left_by_suit(150.0, halfway, np.array([300.0])) == pytest.approx(0.75)
    grows = (small.mass_kg / DEFAULT.reference_mass_kg) ** DEFAULT.mass_exponent
    assert suit_nm(small, DEFAULT) == pytest.approx(SUIT_NM * grows)


def test_a_monolift_opens_wider_stances():
    lifter = replace(MAN, stance_limit_m=DEFAULT.stance_limit_monolift_m)
    walked = SetupGrid(SQUAT, chosen=SQUAT.chosen_by(MAN)).setups()
    handed = SetupGrid(SQUAT, chosen=SQUAT.chosen_by(lifter)).setups()
    assert max(s.stance_m for s in handed) > max(s.stance_m for s in walked) + 0.15


def test_a_set_up_of_an_older_model_says_what_the_model_has_learnt():
    assert model_changes("2026.11.20.1") == [
        "the model: strength counts in space, pulls stand in balance, screens cost instead of "
        "shutting out"
    ]
    assert model_changes("2026.11.26.5") == []
    assert model_changes("2026.11.26.10") == []


def test_another_gear_makes_a_set_up_stale():
    then = {"body": {"mass_kg": 83.0}, "screens": {}, "schools": {}}
    assert changes_since(then, {**then, "gear": "suit"}, ()) == ["gear: raw → suit"]
    assert changes_since({**then, "gear": "raw"}, then, ()) == []
