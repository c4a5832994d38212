"""What marks a settled set-up as out of date."""

import pytest

from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.fitting.staleness import changes_since, stored_wrong
from pavrik.core.squat.squat import SQUAT

INPUTS = {"body": {"mass_kg": 80.0}, "screens": {}, "schools": {"squat_balance": "bar"}}


@pytest.mark.parametrize(
    ("setup", "school", "told"),
    [
        ({"balance": "system"}, "bar", 1), ({"balance": "bar"}, "bar", 0),
        ({"balance": None}, "bar", 0), ({}, "bar", 0), ({"balance": "system"}, None, 0),
    ],
)  # fmt: skip
def test_a_squat_stored_under_the_wrong_balance_says_so(setup, school, told):
    schools = {"squat_balance": school} if school else {}
    found = stored_wrong(setup, {"schools": schools})
    assert len(found) == told
    assert all("“system” while the school was “bar”" in text for text in found)


def test_mass_lengths_screens_and_schools_of_the_lift_are_compared():
    now = {
        "body": {"mass_kg": 82.0, "segments": {"thigh_m": 0.43}},
        "screens": {"ankle_dorsiflexion_deg": 40.0},
        "schools": {"squat_balance": "system", "pull_shoulders": "over"},
    }
    then = INPUTS | {"schools": {"squat_balance": "bar", "pull_shoulders": "in_front"}}
    told = changes_since(then, now, SQUAT.schools)
    assert told == [
        "body mass 80 → 82 kg", "thigh now measured, 43.0 cm", "ankle dorsiflexion now screened",
        "school: balance",
    ]  # fmt: skip
    assert "school: shoulders" in changes_since(then, now, DEADLIFT.schools)
    assert changes_since(INPUTS, INPUTS | {"body": {"mass_kg": 81.5}}, SQUAT.schools) == []
