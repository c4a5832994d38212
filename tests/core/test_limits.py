"""What may be overstepped a little and at what price, what may not, and what limits, as shares."""

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from pavrik.core.assumptions import DEFAULT
from pavrik.core.competition_lifts import LIFTS
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.styles import usual_setup
from pavrik.core.fitting.candidates import assess
from pavrik.core.fitting.limited_by import limit_shares, limited_by
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.lifter.mobility import SCREEN_LIMITS, hard_limits, make_screens
from pavrik.core.lifts.grid import SetupGrid
from pavrik.core.squat.closed import closed_because
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from pavrik.core.units import radians
from tests.core.bodies import DEFAULT_MAN, adults
from tests.sizes import tried

MAN = default_lifter(DEFAULT_MAN)
LOW = SquatSetup("low", 0.44, 0.35)


@pytest.mark.parametrize(
    ("pain", "back_turns", "years", "hard"),
    [
        ((), False, None, set()),
        ((), False, 18, set()),
        ((), False, 17, set(SCREEN_LIMITS)),
        ((), True, 30, {"hip_flexion"}),
        (("knee",), False, 30, {"ankle", "knee_track"}),
        (("lower back", "ankle"), False, None, {"hip_flexion", "lean", "ankle"}),
        (("shoulder",), False, None, set()),
    ],
)
def test_what_hurts_turns_under_or_grows_is_kept_to_the_degree(pain, back_turns, years, hard):
    assert hard_limits(pain, back_turns, years) == hard


def test_every_hard_limit_is_a_limit_of_some_lift():
    known = {limit.id for lift in LIFTS.values() for limit in lift.limits}
    regions = ("ankle", "knee", "hip", "lower back", "upper back")
    assert hard_limits(regions, True, 10) <= known


def limit_of(lift, name):
    return next(limit for limit in lift.limits if limit.id == name)


def test_a_screen_costs_half_at_its_stated_degrees_and_the_lean_goes_on_straight():
    case = SQUAT.kinematics.case(MAN, [LOW])
    hips, lean = limit_of(SQUAT, "hip_flexion"), limit_of(SQUAT, "lean")
    assert hips.cost(case, np.array(DEFAULT.overstep_half_deg)) == pytest.approx(0.5)
    prices = [float(lean.cost(case, np.array(float(d)))) for d in (1, 2, 3, 4, 5)]
    assert prices[0] == pytest.approx(DEFAULT.lean_cost)
    assert prices[1] == pytest.approx(4 * DEFAULT.lean_cost)
    assert np.diff(prices[1:]) == pytest.approx(4 * DEFAULT.lean_cost)


def test_a_pull_off_balance_loses_half_where_the_foot_ends():
    case = DEADLIFT.kinematics.case(MAN, [usual_setup("conventional")])
    off = limit_of(DEADLIFT, "balance_forward")
    assert off.cost(case, np.array(DEFAULT.off_balance_half_m)) == pytest.approx(0.5)


def test_a_setup_beyond_a_screen_says_so_costs_and_closes_where_it_hurts():
    stiff = make_screens(neutral_closing_deg=134.0)
    free = assess(SQUAT, MAN, [LOW])[0][0]
    beyond, _ = assess(SQUAT, default_lifter(DEFAULT_MAN, screens=stiff), [LOW])
    assert beyond[0].predicted_max_kg < 0.99 * free.predicted_max_kg
    assert beyond[0].left < 0.99
    assert any("unchanged lower back" in told for told in beyond[0].oversteps)
    kept = default_lifter(DEFAULT_MAN, screens=replace(stiff, hard=frozenset({"hip_flexion"})))
    within = assess(SQUAT, kept, [LOW])[0][0]
    assert within.predicted_max_kg <= beyond[0].predicted_max_kg
    assert not any("unchanged lower back" in told for told in within.oversteps)
    stiffer = replace(stiff, hip_flexion=float(radians(118.0)), hard=frozenset({"hip_flexion"}))
    closed, rejected = assess(SQUAT, replace(kept, screens=stiffer), [LOW])
    assert not closed
    assert any("unchanged lower back" in reason for reason in rejected[0].reasons)


def test_shares_of_what_limits_add_up_and_are_told_largest_first():
    lifts = [(SQUAT, [LOW]), (DEADLIFT, [usual_setup("conventional"), usual_setup("sumo")])]
    for lift, setups in lifts:
        for shares in limit_shares(lift, MAN, setups):
            assert sum(shares.values()) == pytest.approx(1.0)
            assert list(shares.values()) == sorted(shares.values(), reverse=True)
            assert limited_by(shares).startswith(next(iter(shares)))
    assert limited_by({"hips": 0.6, "quads": 0.36, "lats": 0.04}) == "hips 60%, quads 36%"


@given(adults(), st.floats(14, 34), st.floats(100, 155), st.floats(16, 44))
@settings(max_examples=tried(12, 3), deadline=None)
def test_a_body_is_closed_where_no_set_up_of_the_grid_is_open(body, ankle, closing, hip):
    screens = make_screens(
        ankle_dorsiflexion_deg=ankle, neutral_closing_deg=closing, hip_abduction_deg=hip
    )
    lifter, setup = default_lifter(body, screens=screens), SQUAT.usual(1.75)
    assert (closed_because(lifter, setup) == "") == bool(
        assess(SQUAT, lifter, [setup, *SetupGrid(SQUAT).setups()])[0]
    )
