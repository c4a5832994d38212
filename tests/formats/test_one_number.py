"""One set-up, one number: ranking, exact set-up, path and prices tell the same predicted max."""

import pytest
from pydantic import TypeAdapter

from pavrik.core.deadlift.costs import pull_costs
from pavrik.core.deadlift.report import pull_report
from pavrik.core.squat.bench import exact_setup
from pavrik.core.squat.costs import fault_costs
from pavrik.formats.computations import AnyFitRequest
from pavrik.formats.model_requests import SquatSetupIn
from pavrik.services import model, pull_public
from pavrik.services.model import lifter_from, pull_setup_from, setup_from, with_own_strengths
from pavrik.services.pull import start_answer
from tests.golden.requests import made_up

SAME = 1e-6
"""The searches are the same; only the grouping of set-ups into arrays differs."""


def fitted(number: int, lift: str):
    request = TypeAdapter(AnyFitRequest).validate_python(
        made_up(number)[f"{lift} fit"] | {"uncertainty": None}
    )
    lifter = lifter_from(request.body, request.screens, request.schools)
    lifter, _ = with_own_strengths(lifter, request)
    found = (model.fit if lift == "squat" else pull_public.fit)(request)
    return lifter, [one for one in found.best_of_style.values() if one is not None]


@pytest.mark.parametrize("number", range(0, 40, 4))
def test_a_squat(number):
    lifter, leaders = fitted(number, "squat")
    assert leaders
    for leader in leaders:
        fields = {k: v for k, v in leader.setup.model_dump().items() if k != "balance"}
        setup = setup_from(SquatSetupIn(**fields))
        exact = exact_setup(lifter, setup, 50.0).predicted_max_kg
        assert exact == pytest.approx(leader.predicted_max_kg, rel=SAME)
        prices = {cost.before_kg for cost in fault_costs(lifter, setup, 50.0)}
        assert prices == {exact}


@pytest.mark.parametrize("number", range(1, 37, 4))
def test_a_pull(number):
    lifter, leaders = fitted(number, "deadlift")
    assert leaders
    for leader in leaders:
        setup = pull_setup_from(leader.setup)
        report = pull_report(lifter, setup, 50.0)
        assert report.predicted_max_kg == pytest.approx(leader.predicted_max_kg, rel=SAME)
        told = start_answer(lifter, setup, 50.0, ())
        assert told.predicted_max_kg == told.path_max_kg == report.predicted_max_kg
        before = {cost.before_kg for cost in pull_costs(lifter, setup, 50.0)}
        assert [*before] == [pytest.approx(report.predicted_max_kg, rel=SAME)]
