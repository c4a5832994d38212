"""Back from pain, week by week after a coach has cleared a flag: the plan and the next load."""

from dataclasses import replace
from datetime import timedelta

import pytest

from pavrik.core.prescription.caps import Cap
from pavrik.core.prescription.next_load import Target, next_load
from pavrik.core.prescription.pain import (
    LONGEST_WAY_BACK_DAYS,
    PAIN_CAP_SHARE,
    WAY_BACK,
    Clearance,
    PainFlag,
    way_back_caps,
)
from pavrik.core.prescription.plan import make_plan
from pavrik.core.strength.estimated_max import estimate_max
from tests.core.plans import ASK, GYM, a_state

CLEARED = ASK.start - timedelta(days=2)
MAX_KG = estimate_max(140.0, 5, 8.0).kg


def after(stood_days: int) -> Clearance:
    return Clearance("f1", "knee", CLEARED - timedelta(days=stood_days), CLEARED)


@pytest.mark.parametrize(
    ("stood", "days", "share"),
    [
        (21, 0, 0.80), (21, 6, 0.80), (21, 7, 0.90), (21, 13, 0.90), (21, 14, None),
        (4, 0, 0.90), (4, 6, 0.90), (4, 7, None), (0, 0, None),
    ],
)  # fmt: skip
def test_what_is_let_through_grows_by_the_week(stood, days, share):
    assert after(stood).share_on(CLEARED + timedelta(days=days)) == share


def test_every_step_back_is_above_the_flag_and_below_the_max():
    assert PAIN_CAP_SHARE < WAY_BACK[0] < WAY_BACK[1] < 1.0
    assert after(21).share_on(CLEARED + timedelta(days=LONGEST_WAY_BACK_DAYS)) is None


def test_a_plan_goes_back_step_by_step_and_says_so():
    states = {"squat": a_state(), "deadlift": a_state("deadlift")}
    ask = replace(ASK, weeks=4)
    free, back = make_plan(ask, states, GYM), make_plan(ask, states, GYM, cleared=(after(21),))
    held = 0
    for was, now in zip(free.days(), back.days(), strict=True):
        share = after(21).share_on(now.on)
        for one, other in zip(was.lines, now.lines, strict=True):
            if share is None or one.load_kg is None:
                assert other == one
                continue
            if one.kind in ("main", "second"):
                assert other.load_kg <= share * MAX_KG + 1e-6
            if other.load_kg < one.load_kg:
                held += 1
                (told,) = [r for r in other.reasons if "was cleared on" in r.text]
                assert told.facts == ("flag:f1",)
                assert f"up to {share:.0%} of the estimated max this week" in told.text
    assert held
    assert any(x.load_kg and x.load_kg > 0.9 * MAX_KG for x in free.lines() if x.kind == "main")
    assert "flag" not in " ".join(back.refused), "tests are for those who are well again"


def test_the_next_load_goes_back_too():
    sets = a_state().history
    on = CLEARED + timedelta(days=1)
    caps: list[Cap] = way_back_caps((after(21),), MAX_KG, on)
    target = Target(reps=1, rpe=9.0, sets=1)
    wide, held = next_load(sets, target, GYM), next_load(sets, target, GYM, caps=caps)
    assert wide.loading.total_kg > held.loading.total_kg
    assert held.loading.total_kg <= 0.8 * MAX_KG
    assert any("the knee was cleared on" in reason.text for reason in held.reasons)


def test_a_flag_that_stands_goes_before_one_that_was_cleared():
    states = {"squat": a_state()}
    flags = (PainFlag("f2", "hip"),)
    both = make_plan(ASK, states, GYM, pain=flags, cleared=(after(21),))
    assert both.weeks == make_plan(ASK, states, GYM, pain=flags).weeks


def test_nothing_is_capped_where_no_max_is_known():
    assert way_back_caps((after(21),), None, CLEARED) == []
