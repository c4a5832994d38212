"""What a centimetre of each length is worth: signs that coaches expect, sizes that add up."""

from dataclasses import replace

import pytest

from pavrik.core.body.segments import SEGMENTS
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.styles import usual_setup
from pavrik.core.fitting.candidates import quick_maxes_kg
from pavrik.core.fitting.levers import kg_per_centimetre, worth_of_reading_kg
from pavrik.core.fitting.unknowns import reading_errors
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from tests.core.bodies import DEFAULT_MAN

MAN = default_lifter(DEFAULT_MAN)
LOW = SquatSetup("low", 0.44, 0.35)


def test_longer_thighs_cost_both_lifts_and_longer_arms_help_the_pull():
    """Common practice, no source."""
    squat = kg_per_centimetre(SQUAT, MAN, LOW)
    pull = kg_per_centimetre(DEADLIFT, MAN, usual_setup("conventional"))
    assert set(squat) == set(pull) == set(SEGMENTS)
    assert -10 < squat["thigh_m"] < -2
    assert pull["thigh_m"] < 0
    assert pull["forearm_m"] > 0.3
    assert squat["forearm_m"] == pytest.approx(0.0, abs=0.3)


def test_it_is_the_slope_of_the_max():
    longer = replace(DEFAULT_MAN, thigh_m=DEFAULT_MAN.thigh_m + 0.01)
    more, now = (
        max(quick_maxes_kg(SQUAT, default_lifter(body), SQUAT.neighbours(LOW)))
        for body in (longer, DEFAULT_MAN)
    )
    assert kg_per_centimetre(SQUAT, MAN, LOW)["thigh_m"] == pytest.approx(more - now, abs=1.0)


def test_a_closed_setup_is_worth_nothing():
    assert kg_per_centimetre(SQUAT, MAN, replace(LOW, stance_m=1.3)) == {}


def test_a_reading_is_worth_what_it_is_likely_to_move_a_lift_by():
    by_lift = {
        "squat": kg_per_centimetre(SQUAT, MAN, LOW),
        "deadlift": kg_per_centimetre(DEADLIFT, MAN, usual_setup("conventional")),
    }
    guessed = worth_of_reading_kg(MAN, by_lift)
    taped = worth_of_reading_kg(replace(MAN, measured=frozenset({"thigh_m"})), by_lift)
    assert set(guessed) == set(SEGMENTS)
    assert max(guessed, key=guessed.get) in ("thigh_m", "trunk_m", "shank_m")
    whole = abs(by_lift["squat"]["thigh_m"]) * 100 * reading_errors(MAN)["thigh_m"]
    assert 0.4 * whole < guessed["thigh_m"] < whole, "a tape errs too: it never takes all"
    assert taped["thigh_m"] < guessed["thigh_m"]
    assert {k: v for k, v in taped.items() if k != "thigh_m"} == {
        k: v for k, v in guessed.items() if k != "thigh_m"
    }
    assert worth_of_reading_kg(MAN, {"squat": {}})["thigh_m"] == 0.0
