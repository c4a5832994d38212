"""Stored JSON of every version is read in today's form."""

import pytest

from pavrik.formats.stored_json import JSON_VERSION, current

BEFORE = {
    "weeks": [{"because": "first build week", "days": [{"lines": [{"because": [{"text": "x"}]}]}]}],
    "note": "because of the meet",
}


def test_version_1_calls_one_reason_and_several_by_their_names():
    week = current(BEFORE, 1)["weeks"][0]
    assert week["reason"] == "first build week"
    assert week["days"][0]["lines"][0] == {"reasons": [{"text": "x"}]}


def test_version_2_says_toss_up_and_version_3_what_to_do_about_it():
    before = {"verdict": "toss-up: try both", "toss_up": True, "predicted_max_kg": 190.0}
    assert current(before, 2) == {
        "verdict": {"kind": "worth_a_trial", "sentence": "toss-up: try both"},
        "predicted_max_kg": 190.0,
    }
    assert current({**before, "toss_up": False}, 2)["verdict"]["kind"] == "clear"


def test_values_are_left_alone():
    assert current(BEFORE, 1)["note"] == "because of the meet"


def test_todays_form_is_read_as_it_is():
    assert current(BEFORE, JSON_VERSION) is BEFORE


def test_a_newer_form_is_refused_with_what_to_do():
    with pytest.raises(ValueError, match=f"form {JSON_VERSION + 1} .* start the newer one"):
        current({}, JSON_VERSION + 1)
