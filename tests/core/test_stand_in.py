"""What stands in for the lift where it hurts: less on what hurts, allowed, with its reason."""

from dataclasses import replace

import pytest

from pavrik.core.prescription.choice import Circumstances, blocked_because
from pavrik.core.prescription.pain import PAIN_CAP_SHARE, PainFlag
from pavrik.core.prescription.plan import make_plan
from pavrik.core.prescription.stand_in import CLEARLY, StandIn, stand_in
from pavrik.core.strength.estimated_max import estimate_max
from pavrik.core.variations.ratio import learn_ratio
from tests.core.plans import ASK, GYM, KIT, a_state, loadings

MOMENTS = ("knee", "hip", "lower back", "upper back")


def found(lift: str, *regions: str, kit=frozenset(KIT)) -> StandIn | None:
    variations, computed = loadings(lift)
    about, own = Circumstances(kit, regions), computed["competition"]
    allowed = [
        v.name for v in variations if not blocked_because(v, computed.get(v.name), own, about)
    ]
    return stand_in(lift, variations, computed, allowed, regions)


@pytest.mark.parametrize("lift", ["squat", "deadlift"])
@pytest.mark.parametrize("region", MOMENTS)
def test_what_stands_in_has_clearly_less_on_what_hurts(lift, region):
    one = found(lift, region)
    if one is None:
        assert (lift, region) == ("deadlift", "knee"), "a conventional pull asks least of the knee"
        return
    computed = loadings(lift)[1]
    moment, own = (computed[n].moment_nm(region) for n in (one.variation, "competition"))
    assert moment <= CLEARLY * own
    assert f"{one.variation} stands in for the {lift}" in one.words
    assert f"{1 - moment / own:.0%} less" in one.words


def test_a_sore_back_gets_the_usual_sparer_styles_and_a_sore_knee_none_of_them():
    """Common practice, no source."""
    assert found("squat", "lower back").variation == "safety-bar squat"
    assert found("deadlift", "lower back").variation == "trap bar, low"
    assert found("squat", "knee").variation == "box squat"
    assert found("squat", "shoulder").variation == "safety-bar squat"
    assert "next to nothing there" in found("squat", "shoulder").words


def test_what_the_gym_does_not_own_stands_in_for_nothing():
    bare = found("squat", "lower back", kit=frozenset())
    assert bare is not None
    assert bare.variation in ("high-bar squat", "front squat")
    assert found("deadlift", "shoulder") is None
    assert found("squat") is None


def test_where_two_regions_hurt_each_of_them_is_spared():
    """A safety bar spares the back and asks more of the knee."""
    both = found("squat", "lower back", "knee")
    computed = loadings("squat")[1]
    if both is not None:
        for region in ("lower back", "knee"):
            moment, own = (computed[n].moment_nm(region) for n in (both.variation, "competition"))
            assert moment <= CLEARLY * own
    assert both is None or both.variation != "safety-bar squat"


def test_it_is_the_main_and_the_second_lift_of_the_plan_while_the_flag_stands():
    one = found("squat", "knee")
    ratios = {"box squat": learn_ratio((0.85, 0.07), [])}
    state = replace(a_state(), stand_in=one, ratios=ratios)
    flags = (PainFlag("f1", "knee"),)
    plan = make_plan(ASK, {"squat": state}, GYM, pain=flags)
    worked = [x for x in plan.lines() if x.kind in ("main", "second")]
    assert {x.variation for x in worked} == {"box squat"}
    cap = 0.85 * PAIN_CAP_SHARE * estimate_max(140.0, 5, 8.0).kg
    for line in worked:
        assert line.load_kg <= cap + 1e-6
        told = next(r for r in line.reasons if r.text == one.words)
        assert told.facts == ("flag:f1",)
    well = make_plan(ASK, {"squat": state}, GYM)
    assert {x.variation for x in well.lines() if x.kind == "main"} == {"competition"}
