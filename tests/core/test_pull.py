"""The pull: start, fit, path, lockout, bend, costs, natural start: closed forms, bands, rules."""

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.integrate import solve_bvp
from scipy.optimize import brentq

from pavrik.core.body.segments import make_body
from pavrik.core.competition_lifts import lift_of
from pavrik.core.deadlift.advice import coach_rule, one_bad_week, squat_to_deadlift_gap
from pavrik.core.deadlift.bar_bend import STEEL_PA, bar_bend, second_moment_m4
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.kinematics import BAR_RADIUS_M, SHIN_M
from pavrik.core.deadlift.limits import FORWARD_M
from pavrik.core.deadlift.lockout import lockout
from pavrik.core.deadlift.path import deadlift_path, sticking
from pavrik.core.deadlift.start import start_report
from pavrik.core.deadlift.styles import COMPETING, STYLES, usual_setup
from pavrik.core.fitting.candidates import assess
from pavrik.core.fitting.fault_cost import fault_costs
from pavrik.core.fitting.fit import fit as fit_lift
from pavrik.core.fitting.known_bests import KnownBest, strengths_from
from pavrik.core.fitting.remedies import why_not
from pavrik.core.fitting.report import one
from pavrik.core.fitting.sampling import Ask
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.lifter.mobility import make_screens
from pavrik.core.lifts.grid import SetupGrid
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from pavrik.core.strength.predicted_max import load_at_full_utilization
from pavrik.core.units import GRAVITY_M_S2
from tests.core.bodies import DEFAULT_MAN, DEFAULT_WOMAN, adults

MAN = default_lifter(DEFAULT_MAN)
CONVENTIONAL = usual_setup("conventional")


def best(lifter, *styles):
    fit = fit_lift(DEADLIFT, lifter, SetupGrid(DEADLIFT, styles=styles))
    assert fit.leaders, [r.reasons for r in fit.rejected[:3]]
    return fit.leaders[0]


def with_arms(change_m):
    body = replace(
        DEFAULT_MAN,
        upper_arm_m=DEFAULT_MAN.upper_arm_m + change_m / 2,
        forearm_m=DEFAULT_MAN.forearm_m + change_m / 2,
    )
    return default_lifter(body)


@settings(max_examples=80, deadline=None)
@given(
    body=adults(),
    style=st.sampled_from(sorted(STYLES)),
    offset=st.floats(0.0, 0.05),
    shoulders=st.floats(0.0, 0.06),
    load=st.floats(0.0, 400.0),
)
def test_starts_keep_lengths_and_stay_finite(body, style, offset, shoulders, load):
    setup = replace(usual_setup(style), bar_offset_m=offset, shoulder_offset_m=shoulders)
    lifter = default_lifter(body)
    report = start_report(lifter, setup, load)
    assert bool(report.placed.reasons) == (report.placed.predicted_max_kg == 0)
    pose = report.placed.posture
    if np.any(pose.impossible):
        return
    hip, knee, ankle = (np.array([one(v) for v in p]) for p in (
        pose.legs.hip, pose.legs.knee, pose.legs.foot.ankle))  # fmt: skip
    assert np.linalg.norm(knee - ankle) == pytest.approx(body.shank_m, abs=1e-9)
    assert np.linalg.norm(hip - knee) == pytest.approx(body.thigh_m, abs=1e-9)
    shoulder = np.array([*map(one, pose.shoulder)])
    assert np.hypot(*(shoulder - hip[[0, 2]])) == pytest.approx(body.trunk_m, abs=1e-9)
    bar = np.array([one(pose.bar[0]), (setup.grip_m - body.shoulder_spacing_m) / 2,
                    one(pose.bar[1])])  # fmt: skip
    arm = np.array([shoulder[0], 0.0, shoulder[1]]) - bar
    assert np.linalg.norm(arm) == pytest.approx(body.arm_m, abs=1e-9)
    assert all(np.isfinite(np.squeeze(u)).all() for u in pose.at_load(load).utilization)


def test_the_shin_touches_the_bar_where_root_finding_says():
    """scipy's brentq on the distance from bar to shank axis is the reference of the closed form."""
    pose = DEADLIFT.kinematics.case(MAN, [CONVENTIONAL]).start()
    ankle = [one(v) for v in pose.legs.foot.ankle]
    ahead, above = CONVENTIONAL.bar_offset_m - ankle[0], CONVENTIONAL.bar_height_m - ankle[2]
    seen = brentq(
        lambda a: ahead * np.cos(a) - above * np.sin(a) - SHIN_M - BAR_RADIUS_M, -0.2, 0.9
    )
    shank = np.arctan(np.tan(seen) / np.cos(CONVENTIONAL.toe_out))
    assert one(pose.legs.shank) == pytest.approx(shank, abs=1e-10)


def test_the_hip_is_the_rear_crossing_of_two_circles():
    """scipy's brentq along the circle round the knee is the reference of the crossing."""
    pose = DEADLIFT.kinematics.case(MAN, [CONVENTIONAL]).start()
    knee = np.array([one(pose.legs.knee.x), one(pose.legs.knee.z)])
    thigh = np.hypot(one(pose.legs.hip.x) - knee[0], one(pose.legs.hip.z) - knee[1])
    shoulder = np.array([*map(one, pose.shoulder)])

    def gap(angle):
        hip = knee + thigh * np.array([-np.cos(angle), np.sin(angle)])
        return np.hypot(*(shoulder - hip)) - DEFAULT_MAN.trunk_m

    angle = brentq(gap, -0.6, 1.2)
    assert one(pose.legs.hip.x) == pytest.approx(knee[0] - thigh * np.cos(angle), abs=1e-9)


def test_moments_are_straight_lines_in_the_load():
    pose = DEADLIFT.kinematics.case(MAN, [CONVENTIONAL]).start()
    low, middle, high = (pose.at_load(kg).moments for kg in (0.0, 100.0, 200.0))
    for name in low._fields:
        a, b, c = (one(getattr(m, name)) for m in (low, middle, high))
        assert c - b == pytest.approx(b - a, abs=1e-8)


def test_bands_of_the_default_body():
    """Bands that the assumptions are tuned for; common practice, no source."""
    low = SquatSetup("low", 0.42, float(np.deg2rad(20)))
    squat = assess(SQUAT, MAN, [low])[0][0].predicted_max_kg
    conventional, sumo = best(MAN, "conventional"), best(MAN, "sumo")
    assert 1.05 <= conventional.predicted_max_kg / squat <= 1.30
    assert 0.95 <= sumo.predicted_max_kg / conventional.predicted_max_kg <= 1.10
    assert 45 <= np.rad2deg(conventional.lean) <= 70
    assert sumo.lean < conventional.lean
    trap = best(MAN, "trap_low", "trap_high")
    assert 1.03 <= trap.predicted_max_kg / conventional.predicted_max_kg <= 1.20


def test_long_arms_raise_both_pulls_and_short_arms_favour_sumo():
    """Common practice, no source."""
    found = {}
    for name, change in (("short", -0.03), ("default", 0.0), ("long", 0.03)):
        lifter = with_arms(change)
        found[name] = best(lifter, "conventional"), best(lifter, "sumo")
    for pull in (0, 1):
        maxes = [found[name][pull].predicted_max_kg for name in ("short", "default", "long")]
        assert maxes == sorted(maxes)
    ratio = {n: s.predicted_max_kg / c.predicted_max_kg for n, (c, s) in found.items()}
    assert ratio["short"] > ratio["default"] > ratio["long"]


@pytest.mark.parametrize("seed", range(12))
def test_the_fast_search_equals_brute_force_within_half_a_percent(seed):
    """Every start of the grid one by one, its max by bisection, is the reference."""
    random = np.random.default_rng(seed)
    stature = random.uniform(1.58, 1.92)
    body = make_body(
        ["male", "female"][seed % 2], random.uniform(58, 115), stature,
        {"thigh_m": 0.245 * stature * random.normal(1, 0.04)},
    )  # fmt: skip
    lifter = default_lifter(body)
    style = ["conventional", "sumo", "semi_sumo"][seed % 3]
    grid = SetupGrid(DEADLIFT, (style,), {"stance_m": STYLES[style].grid["stance_m"][::3]})
    fast = fit_lift(DEADLIFT, lifter, grid)
    slow = 0.0
    for setup in grid.setups():
        if assess(DEADLIFT, lifter, [setup])[1]:
            continue
        pose = DEADLIFT.kinematics.case(lifter, [setup]).start()
        full = brentq(
            lambda kg, p=pose: float(np.squeeze(p.at_load(kg).utilization.most)) - 1, 0, 900
        )
        if one(pose.at_load(full).centre_x_m) <= FORWARD_M:
            slow = max(slow, full)
    assert (fast.leaders[0].predicted_max_kg if fast.leaders else 0.0) == pytest.approx(
        slow, rel=0.005
    )


def test_feet_too_close_and_too_far_are_named():
    near = replace(CONVENTIONAL, bar_offset_m=-0.02)
    far = replace(CONVENTIONAL, bar_offset_m=0.10)
    said = [" ".join(assess(DEADLIFT, MAN, [s])[1][0].reasons) for s in (near, far)]
    assert "too close" in said[0]
    assert "too far" in said[1]


def test_a_stiff_body_reads_why_and_which_blocks_open_the_pull():
    stiff = default_lifter(DEFAULT_MAN, screens=make_screens(neutral_closing_deg=112))
    fit = fit_lift(DEADLIFT, stiff, SetupGrid(DEADLIFT, styles=("conventional",)))
    assert not fit.leaders
    assert fit.verdict.kind == "none_open"
    assert "no start from the floor" in fit.verdict.sentence
    closed = why_not(DEADLIFT, stiff, "conventional")
    assert any("the hip would close" in reason for reason in closed.binding)
    assert closed.remedies[0].words.startswith("the bar raised")
    assert closed.remedies[0].predicted_max_kg > 0


def test_the_way_rises_to_lockout_with_the_bar_on_the_legs():
    for style in ("conventional", "sumo", "trap_low"):
        found = best(MAN, style)
        case = DEADLIFT.kinematics.case(MAN, [found.setup])
        way = deadlift_path(case, case.start())
        heights = way.bar_height_m()
        assert np.all(np.diff(heights) > 0)
        assert heights[0] == pytest.approx(found.setup.bar_height_m, abs=2e-3)
        end = lockout(case, case.start(), 150.0)
        assert heights[-1] == pytest.approx(end.bar_height_m, abs=0.03)
        step, use = sticking(way, 0.9 * found.predicted_max_kg)
        assert use[step] == use.max()


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
    case = DEADLIFT.kinematics.case(default_lifter(body), [setup])
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


def test_hips_below_the_natural_start_rise_for_nothing():
    """Common practice, no source: a squatted pull rises before the plates leave."""
    report = start_report(MAN, CONVENTIONAL, 150.0)
    assert report.natural.rise_m > 0.03
    assert report.natural.low_let_go_m != report.natural.let_go_m
    low = next(
        c for c in fault_costs(DEADLIFT, MAN, CONVENTIONAL, 150.0) if c.fault_id == "hips-low"
    )
    assert f"the hips still rise {report.natural.rise_m * 100:.0f} cm" in low.words


def test_every_priced_fault_of_the_pull_has_a_price():
    costs = fault_costs(DEADLIFT, MAN, CONVENTIONAL, 150.0)
    assert {c.fault_id for c in costs} == set(DEADLIFT.perturbations) | set(DEADLIFT.one_sided)
    lost = [c.lost_kg for c in costs]
    assert lost == sorted(lost, reverse=True)
    shoots = {
        rise: next(
            c.lost_kg
            for c in fault_costs(DEADLIFT, MAN, CONVENTIONAL, 150.0, {"hips-shoot": rise})
            if c.fault_id == "hips-shoot"
        )
        for rise in (0.02, 0.08)
    }
    assert shoots[0.08] > shoots[0.02] > 0
    assert fault_costs(DEADLIFT, MAN, replace(CONVENTIONAL, bar_offset_m=0.15), 100.0) == []


def test_the_verdict_and_the_coachs_rule_speak_and_sampling_repeats():
    first, again = (fit_lift(DEADLIFT, MAN, ask=Ask(64, 4)) for _ in range(2))
    assert first.intervals == again.intervals
    assert {c.setup.style for c in first.leaders} == set(COMPETING)
    assert first.verdict == again.verdict
    assert first.choice is not None
    families = {frozenset(family.styles) for family in first.choice.families}
    assert families == {frozenset(("conventional", "frog")), frozenset(("semi_sumo", "sumo"))}
    assert "upright back" in coach_rule(first.rivals())
    told = sum(family.chance_best for family in first.choice.families)
    assert told + first.choice.none_clearly_best == pytest.approx(1.0)
    for leader, sure in zip(first.leaders, first.intervals, strict=True):
        assert sure.band_kg[0] < leader.predicted_max_kg < sure.band_kg[1]


def test_one_set_of_strengths_explains_both_lifts():
    """A lifter stronger everywhere by a fifth: squats and pulls together find it."""
    strong = replace(
        MAN,
        capacities=replace(
            MAN.capacities,
            **{
                name: getattr(MAN.capacities, name) * 1.2
                for name in ("hip_extensors", "hamstrings", "knee_extensors", "adductors",
                             "lower_back", "upper_back")
            },
        ),
    )  # fmt: skip
    squats = [SquatSetup(p, 0.42, 0.35) for p in ("low", "front")]
    pulls = [CONVENTIONAL]
    lifted = [c.predicted_max_kg for c in assess(SQUAT, strong, squats)[0]]
    pulled = [c.predicted_max_kg for c in assess(DEADLIFT, strong, pulls)[0]]
    bests = [
        KnownBest(lift_of(s), s, kg) for s, kg in zip(squats + pulls, lifted + pulled, strict=True)
    ]
    inferred = strengths_from(MAN, bests)
    assert inferred.firmness == "indicative"
    assert max(abs(r) for r in inferred.residual) < 0.03
    assert inferred.capacities.hip_extensors > 1.1 * MAN.capacities.hip_extensors


def test_predicted_max_is_where_use_is_whole():
    found = assess(DEADLIFT, MAN, [CONVENTIONAL])[0][0]
    pose = DEADLIFT.kinematics.case(MAN, [CONVENTIONAL]).start()
    held = load_at_full_utilization(lambda kg: pose.at_load(kg).utilization.most, 83.0)
    assert found.predicted_max_kg == pytest.approx(float(np.squeeze(held)))
    assert max(found.utilization.values()) == pytest.approx(1.0, abs=2e-4)


def test_one_bad_week_is_called_just_that():
    assert "one bad week" in (one_bad_week([200, 201, 202, 185]) or "")
    assert one_bad_week([200, 201, 202, 199]) is None
    assert one_bad_week([200, 185, 202, 184]) is None
    assert one_bad_week([200, 180]) is None


def test_the_gap_between_the_lifts_points_somewhere_or_nowhere():
    assert "legs" in squat_to_deadlift_gap(150, 245)
    assert "slack" in squat_to_deadlift_gap(200, 205)
    assert "nowhere" in squat_to_deadlift_gap(180, 220)
