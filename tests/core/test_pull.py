"""The pull: start, fit, costs, natural start: closed forms, bands, rules."""

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.optimize import brentq

from pavrik.core.body.segments import make_body
from pavrik.core.competition_lifts import lift_of
from pavrik.core.deadlift.advice import (
    coach_rule,
    one_bad_week,
    shoulders_words,
    squat_to_deadlift_gap,
)
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.start import start_report
from pavrik.core.deadlift.styles import COMPETING, STYLES, usual_setup
from pavrik.core.deadlift.under_the_bar import BAR_RADIUS_M, SHIN_M
from pavrik.core.fitting.candidates import assess
from pavrik.core.fitting.fault_cost import fault_costs
from pavrik.core.fitting.fit import fit as fit_lift
from pavrik.core.fitting.known_bests import KnownBest, strengths_from
from pavrik.core.fitting.remedies import why_not
from pavrik.core.fitting.report import one
from pavrik.core.fitting.sampling import Ask
from pavrik.core.fitting.search import evaluate
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.lifter.mobility import make_screens
from pavrik.core.lifts.grid import SetupGrid
from pavrik.core.lifts.limit import excesses, share_left
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from pavrik.core.strength.predicted_max import load_at_full_utilization
from pavrik.core.units import GRAVITY_M_S2
from tests.core.bodies import DEFAULT_MAN, DEFAULT_WOMAN, adults
from tests.sizes import tried

MAN = default_lifter(DEFAULT_MAN)
CONVENTIONAL = replace(usual_setup("conventional"), bar_offset_m=0.035)


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
    low, middle, high = (pose.at_load(kg).unpushed for kg in (0.0, 100.0, 200.0))
    for name in low._fields:
        a, b, c = (one(getattr(m, name)) for m in (low, middle, high))
        assert c - b == pytest.approx(b - a, abs=1e-8)


def test_bands_of_the_default_body():
    """Bands that the assumptions are tuned for; common practice, no source."""
    low = SquatSetup("low", 0.42, float(np.deg2rad(20)))
    squat = assess(SQUAT, MAN, [low])[0][0].predicted_max_kg
    conventional, sumo = best(MAN, "conventional"), best(MAN, "sumo")
    assert 1.0 <= conventional.predicted_max_kg / squat <= 1.30
    assert 0.92 <= sumo.predicted_max_kg / conventional.predicted_max_kg <= 1.12
    assert 45 <= np.rad2deg(conventional.lean) <= 70
    assert sumo.lean < conventional.lean
    trap = best(MAN, "trap_low", "trap_high")
    assert 1.03 <= trap.predicted_max_kg / conventional.predicted_max_kg <= 1.20


def test_long_arms_raise_both_pulls():
    """Common practice, no source."""
    found = {}
    for name, change in (("short", -0.03), ("default", 0.0), ("long", 0.03)):
        lifter = with_arms(change)
        found[name] = best(lifter, "conventional"), best(lifter, "sumo")
    for pull in (0, 1):
        maxes = [found[name][pull].predicted_max_kg for name in ("short", "default", "long")]
        assert maxes == sorted(maxes)


@pytest.mark.parametrize("seed", range(tried(6, 1)))
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
    closed = {rejected.setup for rejected in fast.rejected}
    slow = 0.0
    for setup in grid.setups():
        if setup in closed:
            continue
        case, shank = DEADLIFT.kinematics.case(lifter, [setup]).placed()
        way = [case.posture(shank, DEADLIFT.judged[[step]]) for step in range(len(DEADLIFT.judged))]
        full = min(
            brentq(lambda kg, p=pose: one(p.at_load(kg).utilization.most) - 1, 0, 900)
            for pose in way
        )
        over = excesses(DEADLIFT.limits, case, way[-1], way[-1].at_load(full))
        slow = max(slow, full * one(share_left(DEADLIFT.limits, case, over)))
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
    assert any("the hip would bend" in reason for reason in closed.binding)
    assert closed.remedies[0].words.startswith("the bar raised")
    assert closed.remedies[0].predicted_max_kg > 0


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
                for name in ("hip_extensors", "hamstrings", "knee_extensors",
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
    case, shank = DEADLIFT.kinematics.case(MAN, [CONVENTIONAL]).placed()
    way = case.posture(shank, DEADLIFT.judged)
    held = load_at_full_utilization(lambda kg: way.at_load(kg).utilization.most, 83.0)
    assert found.left == pytest.approx(1.0)
    assert found.predicted_max_kg == pytest.approx(float(np.min(held)), rel=1e-3)
    assert one(np.max(way.at_load(found.predicted_max_kg).utilization.most)) == pytest.approx(
        1.0, abs=1e-3
    )


def test_balance_over_midfoot_is_where_root_finding_puts_the_bar():
    """scipy's brentq over the bar's place, at the load that is held there, is the reference."""
    for style in ("conventional", "sumo", "semi_sumo", "deficit"):
        case, _ = DEADLIFT.kinematics.case(MAN, [usual_setup(style)]).placed()
        load = one(case.balanced_kg)

        def centre(place, style=style, load=load):
            setup = replace(usual_setup(style), bar_offset_m=place)
            return one(DEADLIFT.kinematics.case(MAN, [setup]).start().at_load(load).centre_x_m)

        assert one(case.bar_offset_m) == pytest.approx(brentq(centre, -0.05, 0.15), abs=2e-4)


def test_a_start_without_a_place_of_the_bar_is_refused_in_words():
    case = DEADLIFT.kinematics.case(MAN, [usual_setup("conventional")])
    with pytest.raises(ValueError, match="place it by balance"):
        case.start()
    known = DEADLIFT.kinematics.case(MAN, [CONVENTIONAL])
    with pytest.raises(ValueError, match="place the bar first"):
        known.posture(np.full((1, 1, 1), 0.3), np.array([0.5, 1.0]))


def test_shoulders_ahead_ask_the_lats_and_long_before_the_end_they_limit():
    """The lats hold weight times the shoulder's lead: at about 8 cm they give way first."""
    limits = {
        ahead: assess(
            DEADLIFT, MAN, [replace(usual_setup("conventional"), shoulder_offset_m=ahead)]
        )
        for ahead in (0.04, 0.12)
    }
    assert limits[0.04][0][0].limiter != "lats"
    assert limits[0.12][0][0].limiter == "lats"
    kg, use = limits[0.12][0][0].predicted_max_kg, limits[0.12][0][0].utilization["lats"]
    assert use == pytest.approx(kg * GRAVITY_M_S2 * 0.12 / MAN.capacities.lats, rel=1e-6)


def test_one_bad_week_is_called_just_that():
    assert "one bad week" in (one_bad_week([200, 201, 202, 185]) or "")
    assert one_bad_week([200, 201, 202, 199]) is None
    assert one_bad_week([200, 185, 202, 184]) is None
    assert one_bad_week([200, 180]) is None


def test_the_gap_between_the_lifts_points_somewhere_or_nowhere():
    assert "legs" in squat_to_deadlift_gap(150, 245)
    assert "slack" in squat_to_deadlift_gap(200, 205)
    assert "nowhere" in squat_to_deadlift_gap(180, 220)


@pytest.mark.parametrize(
    ("ahead_m", "words"),
    [(0.04, "4 cm in front of the bar"), (0.0, "0 cm in front"), (-0.04, "4 cm behind the bar")],
)
def test_where_the_shoulders_start_is_said_and_behind_is_warned_of(ahead_m, words):
    told = shoulders_words(ahead_m)
    assert words in told
    assert ("nothing is gained" in told) == (ahead_m < 0)


def test_shoulders_behind_never_win():
    for body in (DEFAULT_MAN, DEFAULT_WOMAN):
        for style in ("conventional", "sumo"):
            setup = usual_setup(style)
            both = [replace(setup, shoulder_offset_m=ahead) for ahead in (0.04, -0.04)]
            case = DEADLIFT.kinematics.case(default_lifter(body), both)
            ahead, behind = evaluate(DEADLIFT, case).predicted_max_kg
            assert behind < ahead, (body.sex, style)
