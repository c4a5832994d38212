"""What holds for every body: lengths, balance, linearity, finite answers, reasons."""

import numpy as np
import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from scipy.optimize import brentq

from pavrik.core.assumptions import DEFAULT
from pavrik.core.body.masses import SEGMENT_MASSES
from pavrik.core.body.segments import Body
from pavrik.core.fitting.candidates import assess
from pavrik.core.fitting.fit import fit as fit_lift
from pavrik.core.fitting.report import PoseReport, pose_report
from pavrik.core.fitting.sampling import Ask
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.lifter.mobility import BAR_POSITIONS, make_screens
from pavrik.core.lifter.schools import SquatSchools
from pavrik.core.lifts.grid import SetupGrid
from pavrik.core.linkage.foot import place_foot
from pavrik.core.linkage.geometry import Point
from pavrik.core.squat.bar_positions import SHELVES
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from tests.core.bodies import DEFAULT_MAN, adults

setups = st.builds(
    SquatSetup,
    bar_position=st.sampled_from(BAR_POSITIONS),
    stance_m=st.floats(0.15, 0.8),
    toe_out=st.floats(0.0, 0.8),
    heel_lift_m=st.floats(0.0, 0.03),
)
shanks = st.floats(0.05, 0.75)
loads = st.floats(0.0, 350.0)
many = settings(max_examples=120, deadline=None, suppress_health_check=[HealthCheck.too_slow])
some = settings(max_examples=12, deadline=None)


def _numbers(report: PoseReport) -> list[float]:
    groups = (report.angles, report.moments_nm, report.arms_m, report.use)
    return [value for group in groups for value in group.values()]


def _distance(a: tuple[float, ...], b: tuple[float, ...]) -> float:
    return float(np.linalg.norm(np.subtract(a, b)))


@many
@given(body=adults(), setup=setups, load=loads, shank=shanks)
def test_poses_keep_lengths_balance_and_stay_finite(body, setup, load, shank):
    report = pose_report(SQUAT, default_lifter(body), setup, load, shank)
    if not report.points:
        assert report.reasons
        assert not report.feasible
        return
    points = report.points
    assert _distance(points["ankle"], points["knee"]) == pytest.approx(body.shank_m, abs=1e-9)
    assert _distance(points["knee"], points["hip"]) == pytest.approx(body.thigh_m, abs=1e-9)
    trunk = np.subtract(points["shoulder"], points["hip"])
    assert np.hypot(trunk[0], trunk[2]) == pytest.approx(body.trunk_m, abs=1e-9)
    assert sum(m.kg * m.x_m for m in report.masses) == pytest.approx(0.0, abs=1e-8)
    assert sum(m.kg for m in report.masses) == pytest.approx(body.mass_kg + load, abs=1e-9)
    assert np.all(np.isfinite(_numbers(report)))
    assert report.feasible == (not report.reasons)


@many
@given(body=adults(), setup=setups, shank=shanks)
def test_in_the_bar_school_the_bar_is_over_midfoot_and_moments_are_linear(body, setup, shank):
    """All but those that the feet's push changes, which is chosen anew for every load."""
    lifter = default_lifter(body, schools=SquatSchools(balance="bar"))
    reports = [pose_report(SQUAT, lifter, setup, load, shank) for load in (0.0, 100.0, 200.0)]
    if not reports[0].points:
        return
    assert reports[0].points["bar"][0] == pytest.approx(0.0, abs=1e-9)
    for name in ("hip_sagittal", "lumbar", "midback"):
        none, one, two = (report.moments_nm[name] for report in reports)
        assert two - one == pytest.approx(one - none, abs=1e-6)


@many
@given(body=adults(), setup=setups, load=loads, shank=shanks)
def test_the_closed_form_lean_is_the_root_that_scipy_finds(body, setup, load, shank):
    """The upper body is built anew from the segment table, leaning by an angle that is sought;
    only the legs, which the lean does not move, are taken from the pose."""
    report = pose_report(SQUAT, default_lifter(body), setup, load, shank)
    if not report.points:
        return
    hip_x, table = report.points["hip"][0], SEGMENT_MASSES[body.sex]
    lower = sum(m.kg * m.x_m for m in report.masses if m.name in ("feet", "shanks", "thighs"))
    scale, shelf = body.trunk_m / 0.504, SHELVES[setup.bar_position]
    bar = body.trunk_m + scale * shelf.beyond_shoulder_m, scale * shelf.forward_m
    arms = (body.trunk_m + bar[0]) / 2, bar[1] / 2
    parts = [(share, (at * body.trunk_m, 0.0)) for share, at in table.trunk]
    parts += [(table.head, (body.trunk_m + 0.55 * body.head_neck_m, 0.0)), (table.arms, arms)]
    placed = [(share * body.mass_kg, at) for share, at in parts] + [(load, bar)]

    def first_moment(lean: float) -> float:
        return lower + sum(
            kg * (hip_x + along * np.sin(lean) + forward * np.cos(lean))
            for kg, (along, forward) in placed
        )

    lean = np.deg2rad(report.angles["trunk_lean_deg"])
    assert first_moment(lean) == pytest.approx(0.0, abs=1e-9 * (body.mass_kg + load))
    around = lean - 0.2, lean + 0.2
    if first_moment(around[0]) * first_moment(around[1]) < 0:
        assert lean == pytest.approx(brentq(first_moment, *around, xtol=1e-13), abs=1e-9)


@many
@given(body=adults(), heel=st.floats(0.0, 0.04), toe=st.floats(0.0, 0.8))
def test_the_raised_heel_turns_the_foot_about_its_ball(body: Body, heel, toe):
    flat = place_foot(body, 0.4, toe, 0.0, DEFAULT)
    raised = place_foot(body, 0.4, toe, heel, DEFAULT)
    ball_x = 0.22 * body.foot_m

    def from_ball(ankle: Point) -> float:
        return float(np.hypot(ankle.x / np.cos(toe) - ball_x, ankle.z))

    assert from_ball(raised.ankle) == pytest.approx(from_ball(flat.ankle), abs=1e-12)


@some
@given(body=adults(), ankle=st.floats(8, 45), closing=st.floats(120, 165), hip=st.floats(25, 60))
def test_every_setup_is_a_candidate_or_has_its_reasons(body, ankle, closing, hip):
    screens = make_screens(
        ankle_dorsiflexion_deg=ankle,
        neutral_closing_deg=closing,
        hip_abduction_deg=hip,
    )
    lifter = default_lifter(body, screens=screens)
    chosen = {"stance_m": (0.3, 0.45, 0.6), "toe_out_deg": (10.0, 30.0), "heel_lift_m": (0.0, 0.02)}
    grid = SetupGrid(SQUAT, chosen=chosen)
    candidates, rejected = assess(SQUAT, lifter, grid.setups())
    assert len(candidates) + len(rejected) == len(grid.setups())
    assert all(entry.reasons for entry in rejected)
    for candidate in candidates:
        assert candidate.predicted_max_kg > 0
        beyond = np.rad2deg(candidate.hip_flexion) - closing
        assert beyond <= lifter.assumed.overstep_half_deg, "more would take half of the max"
        assert beyond <= 1.2 or candidate.oversteps, "from 1 % of the max on it is told"
        assert max(candidate.utilization.values()) <= 1.0 + 1e-3
        assert np.isfinite(list(candidate.utilization.values())).all()


@some
@given(body=adults())
def test_a_stiffer_ankle_never_raises_the_predicted_max(body):
    setup = [SquatSetup("high", 0.42, 0.35)]

    def best(ankle: float) -> float:
        screens = make_screens(ankle_dorsiflexion_deg=ankle)
        found = assess(SQUAT, default_lifter(body, screens=screens), setup)[0]
        return found[0].predicted_max_kg if found else 0.0

    loose, stiff = best(40.0), best(22.0)
    assert stiff <= loose * 1.004


def test_a_stance_wider_than_the_thigh_allows_says_so():
    report = pose_report(SQUAT, default_lifter(DEFAULT_MAN), SquatSetup("low", 1.3, 0.3), 100, 0.3)
    assert not report.feasible
    assert report.points == {}
    assert "130 cm apart the thigh does not reach" in " ".join(report.reasons)


def test_no_feasible_setup_is_an_answer():
    screens = make_screens(ankle_dorsiflexion_deg=5, neutral_closing_deg=100)
    fit = fit_lift(SQUAT, default_lifter(DEFAULT_MAN, screens=screens), ask=Ask(16))
    assert fit.leaders == []
    assert fit.verdict.kind == "none_open"
    assert "no set-up" in fit.verdict.sentence
    assert fit.rejected


def test_shoulders_and_stance_limit_gate():
    screens = make_screens(narrowest_grip_m={"low": None, "high": 0.8})
    lifter = default_lifter(DEFAULT_MAN, screens=screens, stance_limit_m=0.4)
    setups_given = [
        SquatSetup("low", 0.38, 0.35),
        SquatSetup("high", 0.38, 0.35, grip_m=0.6),
        SquatSetup("high", 0.46, 0.35),
    ]
    candidates, rejected = assess(SQUAT, lifter, setups_given)
    assert candidates == []
    words = [" ".join(entry.reasons) for entry in rejected]
    assert "cannot be held" in words[0]
    assert "widen the grip" in words[1]
    assert "walked out" in words[2]


@pytest.mark.parametrize(
    "bad", [{"ankle_dorsiflexion_deg": 90}, {"narrowest_grip_m": {"neck": 0.5}}]
)
def test_screens_that_no_body_has_are_refused(bad):
    with pytest.raises(ValueError, match=r"take the screen again|no bar position"):
        make_screens(**bad)


@pytest.mark.parametrize(("above_m", "open_"), [(0.45, False), (-0.45, False), (-0.03, True)])
def test_a_depth_that_the_thigh_does_not_reach_is_no_pose(above_m, open_):
    """It was once drawn at another depth."""
    setup = SquatSetup("low", 0.5, np.deg2rad(20), hip_above_knee_m=above_m)
    found = pose_report(SQUAT, default_lifter(DEFAULT_MAN), setup, 150, np.deg2rad(28))
    assert bool(found.points) == open_
    if open_:
        hip, knee = found.points["hip"][2], found.points["knee"][2]
        assert hip - knee == pytest.approx(above_m)
        return
    assert not found.feasible
    where = "above" if above_m > 0 else "below"
    assert f"does not reach a hip 45 cm {where} the knee" in found.reasons[0]
    assert not any("°" in reason for reason in found.reasons), "no angles of a pose that is none"
