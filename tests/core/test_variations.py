"""Variations: what is computed of them, and the ratio that is learnt from the lifter's own days."""

from dataclasses import replace
from datetime import date, timedelta

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from pavrik.core.body.segments import make_body
from pavrik.core.deadlift.styles import usual_setup
from pavrik.core.lifter.lifter import Lifter, default_lifter
from pavrik.core.lifter.mobility import make_screens
from pavrik.core.log.training_set import TrainingSet
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.strength.utilization import LIMITERS
from pavrik.core.variations.catalogue import (
    read_variation,
    shipped_variations,
    with_own,
)
from pavrik.core.variations.goals import goal_share
from pavrik.core.variations.loading import Loading, place_pulls, place_squats
from pavrik.core.variations.ratio import DAY_ERROR, daily_ratios, learn_ratio
from tests.core.bodies import adults
from tests.sizes import tried

SHIPPED = shipped_variations()
MAX_KG = 170.0
LIFTER = default_lifter(make_body("male", 83, 1.75))


def loadings(lift: str, lifter=LIFTER, max_kg: float = MAX_KG) -> dict[str, Loading]:
    chosen = [v for v in SHIPPED.of(lift) if v.knob is not None]
    ratios = [v.ratio[0] for v in chosen if v.ratio]
    if lift == "squat":
        found = place_squats(lifter, SquatSetup("low", 0.42, 0.35), chosen).at(max_kg, ratios)
    else:
        found = place_pulls(lifter, usual_setup("conventional"), chosen).at(max_kg, ratios)
    return {one.name: one for one in found}


def test_every_computed_variation_has_numbers_in_every_phase():
    for lift in ("squat", "deadlift"):
        for one in loadings(lift).values():
            assert one.utilization.shape == (len(one.phases), len(LIMITERS)), one.name
            assert np.all(np.isfinite(one.utilization)), one.name
            assert one.load_kg > 0


def test_directions_that_coaches_expect_at_equal_effort():
    """Common practice, no source."""
    squat, pull = loadings("squat"), loadings("deadlift")
    own = squat["competition"]
    assert squat["front squat"].at("bottom", "upper_back") > own.at("bottom", "upper_back")
    assert squat["front squat"].at("bottom", "hips") < own.at("bottom", "hips")
    assert squat["high-bar squat"].at("bottom", "quads") > own.at("bottom", "quads")
    assert squat["good morning"].at("bottom", "quads") < 0.1
    wide, narrow = squat["wide-stance squat"], squat["narrow-stance squat"]
    assert wide.load_kg == narrow.load_kg
    assert wide.at("bottom", "hips") > narrow.at("bottom", "hips")
    assert wide.at("bottom", "quads") < narrow.at("bottom", "quads")
    start = pull["competition"]
    assert pull["trap bar, low"].at("off the floor", "quads") > start.at("off the floor", "quads")
    assert pull["trap bar, low"].at(None, "lower_back") < start.at(None, "lower_back")
    assert pull["sumo deadlift"].at(None, "lower_back") < start.at(None, "lower_back")
    assert pull["sumo deadlift"].at(None, "quads") > start.at(None, "quads")
    assert pull["Romanian deadlift"].at(None, "quads") < start.at(None, "quads")


def test_a_phase_that_is_not_drawn_counts_as_its_neighbour():
    one = loadings("squat")["pause squat"]
    assert one.at("descent", "hips") == one.at("bottom", "hips")
    assert one.at("no such phase", "hips") == one.at(None, "hips") == np.max(one.utilization[:, 0])


@settings(deadline=None, max_examples=tried(40, 3))
@given(adults())
def test_no_body_yields_a_gap_in_the_table(body):
    lifter = default_lifter(body)
    for lift in ("squat", "deadlift"):
        for one in loadings(lift, lifter, 1.5 * float(body.mass_kg)).values():
            assert np.all(np.isfinite(one.utilization)), (lift, one.name)


def screened(**limits) -> Lifter:
    body = make_body("male", 83, 1.75)
    return replace(default_lifter(body), screens=make_screens(**limits))


def test_a_variation_beyond_the_screens_says_why():
    free = loadings("squat")
    stiff = loadings("squat", screened(hip_abduction_deg=12.0, ankle_dorsiflexion_deg=10.0))
    assert not free["wide-stance squat"].reasons
    told = stiff["wide-stance squat"].reasons
    assert told
    assert any("hip" in text for text in told), told


def test_what_the_shoulders_cannot_hold_is_ruled_out():
    shy = loadings("squat", screened(narrowest_grip_m={"front": None, "low": 0.4}))
    assert any("shoulder screen" in text for text in shy["front squat"].reasons)
    assert not shy["pause squat"].reasons
    assert not shy["safety-bar squat"].reasons, "its handles ask nothing of the shoulders"
    sore = loadings("squat", screened(narrowest_grip_m={"low": None}))
    for name in ("pause squat", "good morning", "competition"):
        assert any("shoulder screen" in text for text in sore[name].reasons), name


def test_every_shipped_entry_is_whole():
    assert len(SHIPPED.of("squat")) >= 12
    assert len(SHIPPED.of("deadlift")) >= 18
    for one in SHIPPED.by_name.values():
        assert one.knob is None or one.ratio is not None, one.name


@pytest.mark.parametrize(
    ("entry", "problem"),
    [
        ({"name": "x", "lift": "bench", "for": "y"}, "the lift is squat or deadlift"),
        ({"name": "x", "lift": "squat", "for": "y", "trains": ["legs"], "role": "fun"}, "role"),
        ({"name": "x", "lift": "squat", "for": "y", "knob": {}, "place": "lockout"}, "no phase"),
        ({"name": "x", "lift": "squat", "for": "y", "knob": {}, "ratio": [3, 0.1]}, "outside"),
        ({"name": "x", "lift": "squat", "for": "y", "knob": {"bar": "back"}}, "the bar is one of"),
        ({"name": "x", "lift": "deadlift", "for": "y", "knob": {"style": "z"}}, "pulling style"),
        ({"name": "x", "lift": "squat", "for": "y"}, "say what it trains"),
        (
            {"name": "x", "lift": "squat", "for": "y", "trains": ["z"], "set_of": [9, "ft"]},
            "s or m",
        ),
        (
            {"name": "x", "lift": "squat", "for": "y", "trains": ["z"], "set_of": [0, "s"]},
            "1 to 120",
        ),
    ],
)
def test_a_broken_entry_says_what_is_wrong(entry, problem):
    with pytest.raises(ValueError, match=problem):
        read_variation(entry)


def test_own_variations_stand_beside_the_shipped_ones():
    own = read_variation(
        {
            "name": "Anderson start",
            "lift": "squat",
            "for": "start",
            "knob": {},
            "ratio": [0.8, 0.1],
        },
        own=True,
    )
    assert with_own(SHIPPED, [own]).by_name["Anderson start"].own
    taken = read_variation(
        {"name": "front squat", "lift": "squat", "for": "x", "knob": {}, "ratio": [0.8, 0.1]}
    )
    with pytest.raises(ValueError, match="shipped name"):
        with_own(SHIPPED, [taken])


def day(number: int) -> str:
    return (date(2026, 1, 1) + timedelta(days=number)).isoformat()


def test_without_days_the_prior_stands():
    found = learn_ratio((0.82, 0.06), [])
    assert found.ratio == pytest.approx(0.82)
    assert found.days == 0
    assert found.low < 0.82 < found.high


def test_the_band_narrows_with_every_day():
    found = learn_ratio((0.82, 0.06), [(day(7 * i), 0.86) for i in range(8)])
    widths = [step.high - step.low for step in found.steps]
    assert widths == sorted(widths, reverse=True)
    assert 0.82 < found.ratio < 0.861


def test_synthetic_lifters_are_found_within_their_band():
    """80 % bands hold the truth of lifters drawn from the prior four times out of five."""
    random, held, lifters = np.random.default_rng(5), 0, 400
    for _ in range(lifters):
        truth = np.exp(random.normal(np.log(0.85), 0.06 / 0.85))
        days = int(random.integers(1, 12))
        seen = [(day(7 * i), truth * np.exp(random.normal(0, DAY_ERROR))) for i in range(days)]
        found = learn_ratio((0.85, 0.06), seen)
        held += found.low <= truth <= found.high
    assert 0.74 <= held / lifters <= 0.92, "80 % within four standard errors, drift included"


def test_recent_days_count_more():
    early = learn_ratio((0.9, 0.05), [(day(0), 0.80), (day(200), 0.95)])
    late = learn_ratio((0.9, 0.05), [(day(0), 0.95), (day(200), 0.80)])
    assert early.ratio > late.ratio


def test_time_without_a_day_widens_the_band_up_to_the_prior():
    seen = [(day(7 * i), 0.85) for i in range(6)]
    now, later = learn_ratio((0.85, 0.06), seen, day(36)), learn_ratio((0.85, 0.06), seen, day(900))
    prior = learn_ratio((0.85, 0.06), [])
    assert now.sure < later.sure <= prior.sure + 1e-12


@given(st.lists(st.floats(0.6, 1.2), max_size=12))
def test_the_ratio_stays_between_what_was_said(said):
    found = learn_ratio((0.9, 0.05), [(day(3 * i), r) for i, r in enumerate(said)])
    assert min([0.9, *said]) - 1e-9 <= found.ratio <= max([0.9, *said]) + 1e-9


def a_set(number: int, load_kg: float, variation: str = "competition") -> TrainingSet:
    return TrainingSet(f"s{number}{variation}", day(number), load_kg, 1, 10.0, variation=variation)


def test_a_day_is_compared_with_the_trend_of_its_time():
    sets = [a_set(0, 200.0), a_set(3, 160.0, "front squat"), a_set(300, 240.0)]
    assert daily_ratios(sets, "trained") == {"front squat": [(day(3), pytest.approx(0.8))]}
    assert daily_ratios(sets[1:2], "trained") == {}


def test_every_goal_has_its_formula_and_the_competition_lift_is_one():
    for lift in ("squat", "deadlift"):
        found = loadings(lift)
        own = found["competition"]
        for goal in ("competition", "strength", "muscle", "sport", "health"):
            assert goal_share(own, own, goal).share == pytest.approx(1.0)
            for one in found.values():
                share = goal_share(one, own, goal)
                assert share.formula
                assert 0 <= share.share <= 3.0


def test_goals_rank_as_their_formulas_say():
    """Common practice, no source: sparing prefers the upright, muscle the most work per kg."""
    squat, pull = loadings("squat"), loadings("deadlift")
    assert goal_share(squat["front squat"], squat["competition"], "health").share > 1
    assert goal_share(pull["trap bar, low"], pull["competition"], "health").share > 1
    assert goal_share(squat["front squat"], squat["competition"], "muscle").share > 1
    assert _hips_per_kg(pull["Romanian deadlift"]) > _hips_per_kg(pull["competition"])


def _hips_per_kg(loading: Loading) -> float:
    return loading.at("at the knee", "hips") / loading.load_kg
