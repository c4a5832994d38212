"""One set-up, one number: ranking, exact set-up, path and prices tell the same predicted max."""

import pytest
from pydantic import TypeAdapter

from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.start import start_report
from pavrik.core.fitting.explorer import exact_setup
from pavrik.core.fitting.fault_cost import fault_costs
from pavrik.core.squat.squat import SQUAT
from pavrik.formats.model.computations import AnyFitRequest
from pavrik.formats.model.requests import SquatSetupIn
from pavrik.formats.model.setup_codec import deadlift_from_wire, squat_from_wire
from pavrik.services.compute import deadlift, model
from pavrik.services.lifters.model_lifter import lifter_from, with_own_strengths
from pavrik.services.setups.deadlift import start_answer
from tests.golden.requests import made_up
from tests.sizes import tried

SAME = 1e-6
"""The searches are the same; only the grouping of set-ups into arrays differs."""


def fitted(number: int, lift: str):
    request = TypeAdapter(AnyFitRequest).validate_python(
        made_up(number)[f"{lift} fit"] | {"uncertainty": None}
    )
    lifter = lifter_from(request.body, request.screens, request.schools)
    lifter, _ = with_own_strengths(lifter, request)
    found = (model.fit if lift == "squat" else deadlift.fit)(request)
    return lifter, [one for one in found.best_of_style.values() if one is not None]


@pytest.mark.parametrize("number", range(0, 40, tried(4, 20)))
def test_a_squat(number):
    lifter, leaders = fitted(number, "squat")
    assert leaders
    for leader in leaders:
        fields = {k: v for k, v in leader.setup.model_dump().items() if k != "balance"}
        setup = squat_from_wire(SquatSetupIn(**fields))
        exact = exact_setup(SQUAT, lifter, setup, 50.0).predicted_max_kg
        assert exact == pytest.approx(leader.predicted_max_kg, rel=SAME)
        prices = {cost.before_kg for cost in fault_costs(SQUAT, lifter, setup, 50.0)}
        assert prices == {exact}


@pytest.mark.parametrize("number", range(1, 37, tried(4, 20)))
def test_a_pull(number):
    lifter, leaders = fitted(number, "deadlift")
    assert leaders
    for leader in leaders:
        setup = deadlift_from_wire(leader.setup)
        report = start_report(lifter, setup, 50.0).placed
        assert report.predicted_max_kg == pytest.approx(leader.predicted_max_kg, rel=SAME)
        told = start_answer(lifter, setup, 50.0, ())
        assert told.predicted_max_kg == told.path_max_kg == report.predicted_max_kg
        before = {cost.before_kg for cost in fault_costs(DEADLIFT, lifter, setup, 50.0)}
        assert [*before] == [pytest.approx(report.predicted_max_kg, rel=SAME)]
