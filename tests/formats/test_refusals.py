from typing import Annotated

import pytest
from pydantic import BaseModel, Field, ValidationError

from pavrik.formats.model.requests import BodyIn, SquatSetupIn
from pavrik.formats.refusals import sentence

SETUP = {"bar_position": "low", "stance_m": 0.42, "toe_out_deg": 20}


def words(model, given):
    with pytest.raises(ValidationError) as refused:
        model.model_validate(given)
    return [sentence(error) for error in refused.value.errors()]


@pytest.mark.parametrize(
    ("change", "expected"),
    [
        ({"stance_m": 3}, "300 cm (118 in) is more than the most that is taken, 160 cm (63 in)"),
        ({"toe_out_deg": -60}, "-60° is less than the least that is taken, -20°"),
        ({"stance_m": "wide"}, "“wide” is not a number: write it like 82.5"),
        ({"bar_position": "neck"}, "“neck” is not one of 'front', 'high', 'middle' or 'low'"),
        ({"colour": "red"}, "there is no field of this name here"),
    ],
)
def test_a_failure_names_fact_number_and_remedy(change, expected):
    assert words(SquatSetupIn, SETUP | change)[0].startswith(expected)


def test_all_failures_are_collected():
    assert words(BodyIn, {"sex": "male", "mass_kg": -3}) == [
        "-3 kg (-6.61 lb) is not above 0 kg (0 lb): check the number and its unit",
        "this is missing: give it",
    ]


def test_a_text_is_too_short_by_letters_and_a_list_by_entries():
    class Two(BaseModel):
        word: Annotated[str, Field(min_length=3)] = "abc"
        things: Annotated[list[int], Field(min_length=2)] = [1, 2]

    assert words(Two, {"word": "a", "things": [1]}) == [
        "this takes at least 3 letters",
        "this takes at least 2 entries",
    ]
