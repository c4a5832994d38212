"""The push of the feet: least use by the closed form against slow independent searches."""

import numpy as np
import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st
from scipy.optimize import linprog

from pavrik.core.strength.capacities import Capacities
from pavrik.core.strength.push import Push
from pavrik.core.strength.utilization import JointMoments, hold

ZERO = np.zeros(())
numbers = st.floats(-400, 900)


def held(case, most=1.0):
    """One pose from plain numbers: moments, pushes and capacities in N m."""
    knee, sagittal, frontal, by_knee, lever, glutes, hamstrings, quads, rho, weight = case
    moments = JointMoments(ZERO, *map(np.asarray, (knee, sagittal, frontal)), ZERO, ZERO, ZERO)
    push = Push(ZERO, np.asarray(by_knee), np.asarray(-lever), np.asarray(most))
    strengths = Capacities(glutes, hamstrings, quads, 1e9, 1e9, 1e9, rho, 0.3, weight)
    return hold(moments, push, strengths, np.ones(()), np.ones(()), np.ones(()))


cases = st.tuples(
    numbers, st.floats(0, 900), st.floats(0, 700), st.floats(0, 400), st.floats(1, 700),
    st.floats(200, 700), st.floats(100, 400), st.floats(320, 800), st.floats(0.3, 0.8),
    st.floats(0.8, 1.6),
)  # fmt: skip
"""Quads are stronger than what all hamstrings ask of the knee, as in every lifter."""


def most_use(case, share):
    knee, sagittal, frontal, by_knee, lever, glutes, hamstrings, quads, rho, weight = case
    k = knee + by_knee * share
    r = np.hypot(sagittal, weight * (frontal - lever * share))
    return np.max([
        r / (glutes + hamstrings), (k + rho * r) / (quads + rho * glutes), k / quads,
        -k / (rho * hamstrings),
    ], axis=0)  # fmt: skip


@settings(max_examples=300, deadline=None)
@given(cases, st.floats(0, 1))
def test_no_push_on_a_fine_grid_needs_less(case, most):
    found = held(case, most)
    frontal, lever = case[2], case[4]
    end = min(most, frontal / lever)
    grid = most_use(case, np.linspace(0.0, end, 4001))
    assert float(found.utilization.most) <= grid.min() + 1e-9
    assert float(found.utilization.most) == pytest.approx(grid.min(), abs=2e-3)
    assert -1e-12 <= float(found.push) <= end + 1e-12


@settings(max_examples=100, deadline=None)
@given(cases)
def test_use_is_that_of_a_linear_programme_over_the_muscles(case):
    """Quads, glutes and hamstrings share out knee and hip moment so that the most used is used
    least: scipy's linear programme finds the same number."""
    found = held(case)
    _, _, _, _, _, glutes, hamstrings, quads, rho, weight = case
    knee = float(found.moments.knee)
    assume(knee >= 0)
    hip = np.hypot(float(found.moments.hip_sagittal), weight * float(found.moments.hip_frontal))
    # quads q, glutes g, hamstrings h (N m at hip), use u: q - rho h = knee, g + h = hip
    programme = linprog(
        [0, 0, 0, 1], A_eq=[[1, 0, -rho, 0], [0, 1, 1, 0]], b_eq=[knee, hip],
        A_ub=[[1, 0, 0, -quads], [0, 1, 0, -glutes], [0, 0, 1, -hamstrings]], b_ub=[0, 0, 0],
        bounds=[(0, None)] * 4,
    )  # fmt: skip
    assert programme.success
    assert float(found.utilization.most) == pytest.approx(programme.fun, rel=1e-6, abs=1e-9)


def test_toes_straight_ahead_push_the_whole_lever_away_and_grip_may_end_it():
    """With straight toes pushing costs the knee nothing, so all of it is taken that can be."""
    case = (300.0, 500.0, 200.0, 0.0, 220.0, 568.0, 310.0, 456.0, 0.68, 1.3)
    assert float(held(case).push) == pytest.approx(200 / 220)
    assert float(held(case, 0.4).push) == pytest.approx(0.4)
    assert float(held(case).moments.hip_frontal) == pytest.approx(0.0, abs=1e-9)


def test_turned_out_toes_stop_the_push_where_the_knee_would_pay_more():
    case = (380.0, 500.0, 200.0, 160.0, 220.0, 568.0, 310.0, 456.0, 0.68, 1.3)
    free = float(held(case).push)
    assert 0.0 <= free < 200 / 220
    weaker = held((*case[:7], 350.0, *case[8:]))
    assert float(weaker.push) <= free


@pytest.mark.parametrize(
    ("knee_nm", "ankle_nm", "use"),
    [(-100.0, 0.0, 0.5), (-100.0, 200.0, 0.2), (-100.0, -200.0, 0.5), (-40.0, 200.0, 0.0)],
)
def test_the_calves_help_to_bend_a_knee_and_never_burden_one_that_is_extended(
    knee_nm, ankle_nm, use
):
    """Gastrocnemius gives 0.3 of the ankle's moment at the knee; flexors of 0.5 x 400 N m."""
    strengths = Capacities(600.0, 400.0, 500.0, 1e9, 1e9, 1e9, 0.5, 0.3, 1.3)
    still, none = np.ones(()), Push(ZERO, ZERO, ZERO, ZERO)

    def at(knee):
        moments = JointMoments(np.asarray(ankle_nm), np.asarray(knee), *[np.asarray(100.0)] * 5)
        return hold(moments, none, strengths, still, still, still).utilization

    assert float(at(knee_nm).knee_flexors) == pytest.approx(use)
    bent = at(-knee_nm)
    assert float(bent.knee_flexors) == 0.0
    assert float(bent.quads) == pytest.approx(-knee_nm / 500.0)
