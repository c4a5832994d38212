"""For sport and health the main lift takes turns; whoever lifts on a platform keeps to his lift."""

from dataclasses import replace
from datetime import timedelta

import pytest

from pavrik.core.prescription.choice import Circumstances, blocked_because
from pavrik.core.prescription.plan import make_plan
from pavrik.core.prescription.plan_parts import Plan
from pavrik.core.variations.catalogue import shipped_variations
from tests.core.plans import ASK, GYM, KIT, MONDAY, a_state, loadings

TURNS = {
    "squat": {"competition", "front squat", "safety-bar squat"},
    "deadlift": {"competition", "trap bar, low", "sumo deadlift", "conventional deadlift"},
}


def states(ready: bool = True):
    """Both lifts, with everything open to the lifter or nothing but the lift itself."""
    found = {}
    for lift, names in TURNS.items():
        state, others = a_state(lift), names - {"competition"}
        ratio = next(iter(state.ratios.values()))
        found[lift] = replace(
            state,
            allowed=frozenset(others if ready else ()),
            ratios={**state.ratios, **dict.fromkeys(others, ratio)},
        )
    return found


def mains(plan: Plan, lift: str) -> list[set[str]]:
    """Main variations of a lift, week by week."""
    return [
        {x.variation for d in week.days for x in d.lines if (x.kind, x.lift) == ("main", lift)}
        for week in plan.weeks
    ]


@pytest.mark.parametrize("goal", ["sport", "health"])
@pytest.mark.parametrize("lift", TURNS)
def test_every_main_lift_has_its_weeks_and_one_week_has_one(goal, lift):
    plan = make_plan(replace(ASK, weeks=12, goal=goal), states(), GYM)
    weeks = mains(plan, lift)
    assert set.union(*weeks) == TURNS[lift]
    assert all(len(week) <= 1 for week in weeks)
    turned = next(
        x for x in plan.lines()
        if x.kind == "main" and x.lift == lift and x.variation != "competition"
    )  # fmt: skip
    assert any(f"for {goal} the main lift turns" in r.text for r in turned.reasons)
    assert turned.load_kg is not None, "its share of the max gives it kilos"
    assert turned.reps > 1, "nothing of it is tested"


def test_a_shape_that_turns_the_main_lift_keeps_its_heavy_singles():
    rotated = {"squat": a_state("squat", allowed=("front squat",))}
    plan = make_plan(replace(ASK, weeks=12, shape="rotating"), rotated, GYM)
    turned = [x for x in plan.lines() if x.kind == "main" and x.variation == "front squat"]
    assert {x.reps for x in turned} >= {1, 3}


@pytest.mark.parametrize("lift", TURNS)
def test_a_second_day_is_not_the_same_variation_again(lift):
    plan = make_plan(replace(ASK, weeks=12, goal="sport"), states(), GYM)
    for week in plan.weeks:
        of_lift = [x for d in week.days for x in d.lines if x.lift == lift]
        turned = {x.variation for x in of_lift if x.kind == "main"} - {"competition"}
        assert not turned & {x.variation for x in of_lift if x.kind == "second"}


@pytest.mark.parametrize(
    "changes",
    [
        {"goal": "competition"}, {"goal": "strength"}, {"goal": "muscle"},
        {"goal": "sport", "meet": MONDAY + timedelta(days=80)},
        {"goal": "health", "training_age": "novice"},
    ],
    ids=str,
)  # fmt: skip
@pytest.mark.parametrize("lift", TURNS)
def test_who_owes_the_lift_or_still_learns_it_keeps_to_it(changes, lift):
    plan = make_plan(replace(ASK, weeks=12, **changes), states(), GYM)
    assert set.union(*mains(plan, lift)) == {"competition"}


@pytest.mark.parametrize("lift", TURNS)
def test_what_is_closed_or_not_there_has_no_turn(lift):
    plan = make_plan(replace(ASK, weeks=12, goal="health"), states(ready=False), GYM)
    assert set.union(*mains(plan, lift)) == {"competition"}


@pytest.mark.parametrize(
    ("lift", "style", "own", "other"),
    [
        ("deadlift", "sumo", "sumo deadlift", "conventional deadlift"),
        ("deadlift", "conventional", "conventional deadlift", "sumo deadlift"),
        ("squat", "high", "high-bar squat", "front squat"),
    ],
)
def test_the_lift_itself_is_no_variation_of_it(lift, style, own, other):
    by_name, about = shipped_variations().by_name, Circumstances(frozenset(KIT), style=style)
    _, computed = loadings(lift)
    itself = computed["competition"]
    assert "the competition lift itself" in blocked_because(by_name[own], None, itself, about)
    assert blocked_because(by_name[other], None, itself, about) == ""
