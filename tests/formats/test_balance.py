"""Balance and its school mean one thing wherever they are given."""

import pytest
from pydantic import TypeAdapter

from pavrik.formats.model.computations import AnyCostRequest, AtLoadRequest
from pavrik.formats.model.requests import SquatSetupIn
from pavrik.services.lifters.model_lifter import lifter_from, setup_for
from pavrik.services.setups import analysis
from tests.golden.requests import made_up

AT = {
    key: value
    for key, value in made_up(0)["squat path"].items()
    if key in ("lift", "body", "load_kg", "screens")
}
SETUP = {"bar_position": "low", "stance_m": 0.42, "toe_out_deg": 20}


def path(balance: str | None, school: str | None):
    setup = SETUP | ({"balance": balance} if balance else {})
    schools = {"squat_balance": school} if school else {}
    request = TypeAdapter(AtLoadRequest).validate_python(
        AT | {"setup": setup, "schools": schools, "load_kg": 60}
    )
    return analysis.path(request).drawn


def test_a_setup_balances_as_it_says_and_as_its_school_says():
    assert path("bar", None) == path(None, "bar") == path("bar", "bar")
    assert path("system", None) == path(None, None) == path(None, "system")
    assert path("bar", None) != path("system", None)


@pytest.mark.parametrize("compute", [analysis.path, analysis.cost])
def test_a_contradiction_is_refused(compute):
    request = TypeAdapter(AnyCostRequest if compute is analysis.cost else AtLoadRequest)
    asked = request.validate_python(
        AT | {"setup": SETUP | {"balance": "bar"}, "schools": {"squat_balance": "system"}}
    )
    with pytest.raises(ValueError, match="they mean the same thing, give one"):
        compute(asked)


def test_a_lifters_school_is_not_contradicted():
    lifter = lifter_from(
        TypeAdapter(AtLoadRequest).validate_python(AT | {"setup": SETUP}).body,
        TypeAdapter(AtLoadRequest).validate_python(AT | {"setup": SETUP}).screens,
        {"squat_balance": "bar"},
    )
    assert setup_for(lifter, SquatSetupIn(**SETUP)).stance_m == 0.42
    with pytest.raises(ValueError, match="squat_balance is “bar”"):
        setup_for(lifter, SquatSetupIn(**SETUP, balance="system"))
