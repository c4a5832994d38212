"""The way of a pull to lockout: path, travel, work, balance at every height; the bar's bend."""

from dataclasses import replace

import numpy as np
import pytest
from scipy.integrate import solve_bvp

from pavrik.core.deadlift.bar_bend import STEEL_PA, bar_bend, second_moment_m4
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.lockout import lockout
from pavrik.core.deadlift.path import deadlift_path, sticking
from pavrik.core.deadlift.styles import usual_setup
from pavrik.core.deadlift.under_the_bar import SHIN_M
from pavrik.core.fitting.fit import fit as fit_lift
from pavrik.core.fitting.report import one
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.lifts.grid import SetupGrid
from pavrik.core.units import GRAVITY_M_S2
from tests.core.bodies import DEFAULT_MAN, DEFAULT_WOMAN

MAN = default_lifter(DEFAULT_MAN)
CONVENTIONAL = replace(usual_setup("conventional"), bar_offset_m=0.035)


def test_the_way_rises_to_lockout_with_the_bar_on_the_legs():
    for style in ("conventional", "sumo", "trap_low"):
        leader = fit_lift(DEADLIFT, MAN, SetupGrid(DEADLIFT, styles=(style,))).leaders[0]
        case, shank = DEADLIFT.kinematics.case(MAN, [leader.setup]).placed()
        way = deadlift_path(case, shank)
        heights = way.bar_height_m()
        assert np.all(np.diff(heights) > 0)
        assert heights[0] == pytest.approx(leader.setup.bar_height_m, abs=2e-3)
        end = lockout(case, case.start(), 150.0)
        assert heights[-1] == pytest.approx(end.bar_height_m, abs=0.03)
        step, use = sticking(way, 0.9 * leader.predicted_max_kg)
        assert use[step] == use[way.progress >= DEADLIFT.judged[0]].max()
        assert way.phase[0] == "off the floor"
        assert way.phase[-1] == "lockout"


def standing_bar_m(body, setup) -> float:
    """The bar's height at lockout, built up from the segments: ankle, straight leg slanting to the
    hip, plumb trunk, straight arms slanting to the hands, blades 2 cm down."""
    ankle_aside = setup.stance_m / 2 - body.hip_spacing_m / 2
    leg = np.hypot(0, np.sqrt((body.shank_m + body.thigh_m) ** 2 - ankle_aside**2))
    hand_aside = setup.grip_m / 2 - body.shoulder_spacing_m / 2
    arm = body.upper_arm_m + body.forearm_m + body.grip_m
    return float(body.ankle_height_m + leg + body.trunk_m - np.sqrt(arm**2 - hand_aside**2) - 0.02)


@pytest.mark.parametrize("style", ["conventional", "sumo"])
@pytest.mark.parametrize("body", [DEFAULT_MAN, DEFAULT_WOMAN])
def test_the_bar_travels_from_the_floor_to_a_body_stacked_up_from_its_segments(body, style):
    setup = usual_setup(style)
    case, _ = DEADLIFT.kinematics.case(default_lifter(body), [setup]).placed()
    end = lockout(case, case.start(), 180.0)
    assert end.bar_height_m == pytest.approx(standing_bar_m(body, setup), abs=1e-9)
    assert end.travel_m == pytest.approx(standing_bar_m(body, setup) - 0.225, abs=1e-9)


def test_work_is_what_potential_energy_was_gained():
    """Twice the load is more work by its weight times the travel; what is left at no load is the
    body's own rise, a fifth to a half of its height over the hips."""
    case = DEADLIFT.kinematics.case(MAN, [CONVENTIONAL])
    none, once, twice = (lockout(case, case.start(), kg) for kg in (0.0, 150.0, 300.0))
    assert twice.work_j - once.work_j == pytest.approx(150.0 * 9.80665 * once.travel_m)
    assert once.work_j - none.work_j == pytest.approx(150.0 * 9.80665 * once.travel_m)
    start, up = case.start(), none.work_j / (9.80665 * float(DEFAULT_MAN.mass_kg))
    hip_rise = DEFAULT_MAN.ankle_height_m + DEFAULT_MAN.shank_m + DEFAULT_MAN.thigh_m
    hip_rise -= float(np.squeeze(start.legs.hip.z))
    assert 0.8 * hip_rise < up < 1.4 * hip_rise, "the trunk rises with the hips and stands up"


def test_a_wider_stance_a_narrower_grip_and_blades_down_shorten_the_travel():
    """Common practice, no source."""
    case = DEADLIFT.kinematics.case(MAN, [CONVENTIONAL])
    here = lockout(case, case.start(), 150.0).travel_m
    for changed in (
        replace(CONVENTIONAL, stance_m=CONVENTIONAL.stance_m + 0.2),
        replace(CONVENTIONAL, grip_m=CONVENTIONAL.grip_m - 0.08),
    ):
        other = DEADLIFT.kinematics.case(MAN, [changed])
        assert lockout(other, other.start(), 150.0).travel_m < here
    assert lockout(case, case.start(), 150.0, blades_down=False).travel_m > here


def test_the_bend_agrees_with_a_numerical_beam():
    """scipy's solve_bvp of E I w'''' = 0 on half the bar, clamped by symmetry in the middle and
    carried at the hand, is the reference of the closed form."""
    grip, shaft = 0.5, 28.0
    load, bar = 180.0, 20.0
    found = bar_bend(load, bar, shaft, grip, 0.225)
    stiffness = STEEL_PA * second_moment_m4(shaft)
    force = (load - bar) / 2 * GRAVITY_M_S2
    stack = (load - bar) / 2 * 0.0012
    end = 1.31 / 2 + stack / 2

    def curvature(x):
        arm = np.where(x < grip / 2, end - grip / 2, end - x)
        return force * arm / stiffness

    solution = solve_bvp(
        lambda x, y: np.vstack([y[1], curvature(x)]),
        lambda a, _: np.array([a[0], a[1]]),
        np.linspace(0, end, 400), np.zeros((2, 400)), tol=1e-8, max_nodes=40_000,
    )  # fmt: skip
    drop = solution.sol(end)[0] - solution.sol(grip / 2)[0]
    assert found.bend_m == pytest.approx(drop, rel=2e-3)
    assert 0.008 < found.bend_m < 0.014
    assert bar_bend(load, bar, 29.0, grip, 0.225).bend_m < found.bend_m
    assert bar_bend(load, bar, 50.0, grip, 0.225).bend_m < 0.4 * found.bend_m
    assert bar_bend(load, bar, shaft, grip, 0.225, at_sleeve_ends=True).bend_m > found.bend_m
    assert found.pull_kg[0] == bar
    assert found.pull_kg[-1] == pytest.approx(load)


def test_on_the_way_up_lifter_and_bar_stay_over_midfoot_and_the_bar_never_passes_the_shin():
    for style in ("conventional", "sumo", "frog"):
        case, shank = DEADLIFT.kinematics.case(MAN, [usual_setup(style)]).placed()
        way = deadlift_path(case, shank).posture
        centre = np.ravel(way.at_load(case.balanced_kg).centre_x_m)
        assert np.all(np.abs(centre[:-4]) < 0.01), style
        bar_z, knee = np.ravel(way.bar[1]), way.legs.knee
        ankle = way.legs.foot.ankle
        below = bar_z < np.ravel(knee.z) - 0.02
        along = (bar_z - one(ankle.z)) / (np.ravel(knee.z) - one(ankle.z))
        shin_x = one(ankle.x) + along * (np.ravel(knee.x) - one(ankle.x))
        assert np.all((one(way.bar[0]) - shin_x)[below] > SHIN_M)
        back = np.ravel(way.back_angle)
        assert back[-6] > back[0], "the back rises"
        assert np.all(np.diff(np.rad2deg(np.ravel(way.legs.knee_flexion)))[:20] < 1.0)
