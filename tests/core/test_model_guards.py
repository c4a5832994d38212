"""Numbers that decide and that nothing else would notice: each test names the error it catches."""

from dataclasses import replace

import numpy as np
import pytest
from scipy.stats import norm

from pavrik.core.assumptions import DEFAULT
from pavrik.core.body.segments import make_body
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.faults import back_rounds
from pavrik.core.deadlift.path import deadlift_path
from pavrik.core.deadlift.start import place_starts, start_report
from pavrik.core.deadlift.styles import usual_setup
from pavrik.core.equipment.racks import Rack, fit_rack
from pavrik.core.faults.catalogue import shipped_catalogue
from pavrik.core.faults.evidence import Signal, rank_causes, shipped_evidence
from pavrik.core.faults.findings import BACK_FAULTS, findings, technique_cap
from pavrik.core.fitting.fault_cost import fault_costs
from pavrik.core.fitting.goals import goal_scores
from pavrik.core.fitting.search import evaluate
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.lifter.mobility import make_screens, neutral_flexion
from pavrik.core.lifter.schools import SquatSchools
from pavrik.core.lifts.limit import share_left, shut_deg
from pavrik.core.lifts.perturbation import Undisturbed
from pavrik.core.linkage.foot import place_foot
from pavrik.core.linkage.legs import legs_below_shoulder, squat_legs
from pavrik.core.linkage.rounded_trunk import trunk_of
from pavrik.core.log.onset import fit_logistic, fit_onset
from pavrik.core.log.training_set import LoggedFault, TrainingSet
from pavrik.core.prescription.plan import make_plan
from pavrik.core.squat import faults as disturb
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from pavrik.core.strength.capacities import assumed_capacities, hip_share, pelvis_flexion_deg
from pavrik.core.units import GRAVITY_M_S2
from tests.core.plans import ASK, GYM, a_state
from tests.population.made_up import draw_lifters

MAN = make_body("male", 83, 1.75)
LOW = SquatSetup("low", 0.42, np.deg2rad(20))
MANY = 4000
SPREAD = 4 / np.sqrt(2 * MANY)
"""Four standard errors of a standard deviation from that many draws."""


def drawn(**changes):
    return draw_lifters(default_lifter(MAN, **changes), MANY, np.random.default_rng(5))


def test_a_screen_that_was_taken_is_surer_than_one_that_was_guessed():
    screens = make_screens(ankle_dorsiflexion_deg=36.0)
    found = drawn(screens=screens).screens
    taken, guessed = (
        np.rad2deg(np.std(getattr(found, n))) for n in ("dorsiflexion", "hip_flexion")
    )
    assert taken == pytest.approx(2.0, rel=SPREAD), "deg, a screen that was taken"
    assert guessed == pytest.approx(4.0, rel=SPREAD), "deg, a screen that is missing"


def test_a_tape_errs_by_a_centimetre_and_an_estimate_by_a_share():
    body = drawn(measured=frozenset({"thigh_m"})).body
    assert np.std(body.thigh_m) == pytest.approx(0.010, rel=SPREAD)
    assert np.std(body.shank_m) == pytest.approx(0.035 * MAN.shank_m, rel=SPREAD)
    assert np.std(body.knee_top_m) == pytest.approx(0.005, rel=SPREAD)


def test_a_lifters_own_depth_is_where_the_squat_ends():
    lifter = default_lifter(MAN)
    own = replace(lifter, own_depth_m=0.06)
    found = [evaluate(SQUAT, SQUAT.kinematics.case(x, [LOW])) for x in (lifter, own)]
    depths = [float(np.squeeze(f.deepest.legs.hip.z - f.deepest.legs.knee.z)) for f in found]
    assert depths[1] == pytest.approx(0.06)
    assert depths[0] < 0
    maxes = [float(f.predicted_max_kg[0]) for f in found]
    assert maxes[1] > 1.02 * maxes[0], "a higher bottom lets more be lifted"


def test_the_held_back_school_keeps_the_knee_over_the_ball_of_the_foot():
    setup = SquatSetup("high", 0.42, np.deg2rad(20), 0.03)
    mobile, knees = make_screens(ankle_dorsiflexion_deg=48.0), []
    for school in ("free", "held"):
        lifter = default_lifter(MAN, schools=SquatSchools(knees=school), screens=mobile)
        found = evaluate(SQUAT, SQUAT.kinematics.case(lifter, [setup]))
        knee = found.deepest.legs.knee
        ankle_y = found.deepest.legs.foot.ankle.y
        along = knee.x * np.cos(setup.toe_out) + (knee.y - ankle_y) * np.sin(setup.toe_out)
        knees.append(float(along.reshape(-1)[0]) - DEFAULT.ball_before_midfoot * MAN.foot_m)
    assert knees[1] <= DEFAULT.held_knee_m + 1e-6
    assert knees[0] > knees[1] + 0.005


def test_the_most_neutral_flexion_is_at_a_middling_opening():
    screens = make_screens(neutral_closing_deg=150.0)
    neutral_deg = [
        float(np.rad2deg(neutral_flexion(screens, np.deg2rad(opened), DEFAULT)))
        for opened in (0.0, 17.5, 37.5)
    ]
    assert neutral_deg == pytest.approx(
        [150 - DEFAULT.neutral_lost_per_deg2 * away**2 for away in (17.5, 0.0, 20.0)]
    )


def test_strength_takes_the_hip_joints_part_and_screens_the_whole_flexion():
    """Beyond 60 deg the lower back gives a quarter (common practice, no source)."""
    joint = [float(pelvis_flexion_deg(np.deg2rad(d), DEFAULT)) for d in (40.0, 60.0, 140.0)]
    assert joint == pytest.approx([40.0, 60.0, 120.0])
    best = np.deg2rad(DEFAULT.hip_best_deg)
    near = 60 + (DEFAULT.hip_best_deg - 60) / 0.75
    assert float(hip_share(np.deg2rad(near), DEFAULT)) == pytest.approx(1.0)
    assert float(hip_share(np.deg2rad(140.0), DEFAULT)) == pytest.approx(
        np.cos(DEFAULT.hip_width * (np.deg2rad(120.0) - best))
    )


def test_opening_a_deep_hip_does_not_close_it():
    """Seen from the side the flexion stays; only the angle in space shrinks."""
    closings = []
    for stance, toes in ((0.20, 0.0), (0.56, 35.0)):
        setup = SquatSetup("low", stance, float(np.deg2rad(toes)))
        case = SQUAT.kinematics.case(default_lifter(MAN), [setup])
        posture = case.posture(np.full((1, 1, 1), 0.4), np.ones(1))
        loaded = posture.at_load(150.0)
        thigh = posture.legs.thigh_direction
        elevation = np.arctan2(thigh.z, thigh.x)
        seen = np.pi / 2 + float(np.squeeze(loaded.balanced.lean + elevation))
        closings.append((float(np.squeeze(loaded.hip_flexion)), seen))
    for found, seen in closings:
        assert found == pytest.approx(seen, abs=1e-9)


def test_a_straight_knee_holds_by_itself():
    """On the way up the same moment asks the knee flexors less the straighter the knee."""
    case, shank = DEADLIFT.kinematics.case(
        default_lifter(MAN), [usual_setup("conventional")]
    ).placed()
    way = case.posture(shank, np.array([0.05, 0.5, 1.0])).at_load(180.0)
    rho = DEFAULT.hamstring_at_knee
    hamstrings = float(np.squeeze(case.capacities.hamstrings)) * way.hip_share
    full = np.ravel(np.maximum(-way.moments.knee, 0) / (rho * hamstrings))
    assert full[0] > 0
    assert np.ravel(way.utilization.knee_flexors)[0] < full[0]


def test_a_start_below_the_floor_costs_and_one_above_gains_but_not_where_the_bar_only_turns():
    lifter = default_lifter(MAN)
    quads = {
        style: float(
            np.squeeze(
                DEADLIFT.kinematics.case(lifter, [usual_setup(style)]).capacities.knee_extensors
            )
        )
        / lifter.capacities.knee_extensors
        for style in ("conventional", "deficit", "block", "romanian")
    }
    assert quads == pytest.approx({
        "conventional": 1.0, "deficit": 1 - 5 * DEFAULT.deficit_per_cm,
        "block": 1 + 10 * DEFAULT.block_per_cm, "romanian": 1.0,
    })  # fmt: skip


def test_strength_grows_with_body_mass_to_less_than_the_first_power():
    light, heavy = (assumed_capacities(make_body("male", kg, 1.75), DEFAULT) for kg in (60, 120))
    assert heavy.knee_extensors / light.knee_extensors == pytest.approx(2**0.75)
    assert heavy.lats / light.lats == pytest.approx(2**0.75)


def test_soft_limits_cost_by_the_square_and_close_where_half_is_gone():
    case = SQUAT.kinematics.case(default_lifter(MAN), [LOW])
    over = {limit.id: np.zeros(1) for limit in SQUAT.limits}
    half = DEFAULT.overstep_half_deg
    assert share_left(SQUAT.limits, case, over | {"ankle": np.array([half / 2])}) == pytest.approx(
        1 - 0.5 / 4
    )
    assert shut_deg(SQUAT.limits, case, over | {"ankle": np.array([half - 0.01])}) == 0
    assert shut_deg(SQUAT.limits, case, over | {"ankle": np.array([half + 0.01])}) > 0
    both = over | {"ankle": np.array([0.8 * half]), "hip_flexion": np.array([0.8 * half])}
    assert shut_deg(SQUAT.limits, case, both) > 0, "two together close sooner"
    hard = replace(case, screens=replace(case.screens, hard=frozenset({"ankle"})))
    assert shut_deg(SQUAT.limits, hard, over | {"ankle": np.array([0.1])}) > 0
    assert share_left(SQUAT.limits, hard, over | {"ankle": np.array([0.1])}) == 1.0


def test_a_hard_ankle_is_not_bent_beyond_its_screen():
    stiff = make_screens(ankle_dorsiflexion_deg=20.0)
    shanks = []
    for hard in (frozenset(), frozenset({"ankle"})):
        lifter = default_lifter(MAN, screens=replace(stiff, hard=hard))
        case = SQUAT.kinematics.case(lifter, [SquatSetup("low", 0.44, 0.35)])
        shanks.append(float(np.rad2deg(np.squeeze(case.shank_range()[1]))))
    assert shanks == pytest.approx([20.0 + DEFAULT.overstep_half_deg, 20.0])


def test_the_muscle_goal_counts_the_hip_as_much_as_the_knee():
    setups = [LOW, SquatSetup("high", 0.42, np.deg2rad(20), 0.02)]
    lifter = default_lifter(MAN)
    low, high = (s.parts["muscle"] for s in goal_scores(SQUAT, lifter, setups, {"muscle": 1.0}))
    held = evaluate(SQUAT, SQUAT.kinematics.case(lifter, setups))
    loaded = held.deepest.at_load(0.8 * float(np.min(held.predicted_max_kg)))
    hip = np.hypot(loaded.moments.hip_sagittal, loaded.moments.hip_frontal) * loaded.hip_flexion
    knee = np.maximum(loaded.moments.knee, 0) * held.deepest.legs.knee_flexion
    hip, knee = (np.broadcast_to(x, (2, 1, 1)).reshape(-1) for x in (hip, knee))
    expected = (hip / hip.max() + knee / knee.max()) / 2
    assert [low, high] == pytest.approx(list(expected))
    assert low > 0.5 * (knee / knee.max())[0] + 0.3, "the hip's half is there"


def test_learning_counts_what_ankle_hip_and_opening_leave_free():
    setups = [LOW, SquatSetup("front", 0.52, np.deg2rad(20), 0.02)]
    lifter = default_lifter(MAN)
    told = [s.parts["learning"] for s in goal_scores(SQUAT, lifter, setups, {"learning": 1.0})]
    found = evaluate(SQUAT, SQUAT.kinematics.case(lifter, setups))
    equal = found.deepest.at_load(0.8 * float(np.min(found.predicted_max_kg)))
    legs, screens = found.deepest.legs, lifter.screens
    shares = [
        np.broadcast_to(range_ / limit, (2, 1, 1)).reshape(-1)
        for range_, limit in (
            (legs.dorsiflexion, screens.dorsiflexion),
            (equal.hip_flexion, screens.hip_flexion),
            (legs.abduction, screens.abduction),
        )
    ]
    free = np.clip(1.0 - np.mean(shares, axis=0), 0.0, 1.0)
    easy = free + [SQUAT.style_of(setup).ease for setup in setups]
    assert told == pytest.approx(list(easy / easy.max()))


def rounding(fault: str, lift: str, phase: str) -> list[TrainingSet]:
    return [
        TrainingSet(
            f"{day}-{kg}", f"2026-{9 + day // 28:02d}-{day % 28 + 1:02d}", float(kg), 3,
            8.5 if kg > 150 else 7.0, 0,
            tuple(LoggedFault(fault, fault, rep, 2, phase) for rep in (1, 2, 3) if kg > 150),
        )
        for day in range(0, 56, 4)
        for kg in (120, 140, 160, 170)
    ]  # fmt: skip


@pytest.mark.parametrize(
    ("fault", "lift", "phase"),
    [
        ("butt-wink", "squat", "bottom"), ("upper-round", "squat", "middle"),
        ("low-round", "deadlift", "off the floor"),
        ("pull-upper-round", "deadlift", "off the floor"),
    ],
)  # fmt: skip
def test_every_fault_of_the_backs_shape_caps(fault, lift, phase):
    assert fault in BACK_FAULTS
    sets = rounding(fault, lift, phase)
    known = findings(sets, shipped_catalogue(), lift, "trained")
    assert known.cap is not None
    assert technique_cap(sets, shipped_catalogue(), "trained") == known.cap
    assert known.cap.fault_id == fault
    assert 140 <= known.cap.load_kg <= 160


def test_reps_of_one_set_are_not_so_many_witnesses():
    """Overdispersed counts widen the onset by the Pearson dispersion (McCullagh and Nelder 1989,
    from memory): whole sets clean or faulty tell less than independent reps."""
    random = np.random.default_rng(2)
    share = np.repeat(np.linspace(0.60, 0.98, 40), 10)
    chance = norm.cdf((share - 0.82) / 0.08)
    alone = random.random(len(share)) < chance
    by_set = np.repeat(random.random(40) < chance[::10], 10)
    counts = np.full(40, 10.0)
    loads = np.linspace(0.60, 0.98, 40)
    narrow, wide = (
        np.sqrt(fit_logistic(loads, faulty.reshape(40, 10).sum(axis=1), counts).covariance[0, 0])
        for faulty in (alone, by_set)
    )
    assert wide > 2 * narrow
    bands = []
    for faulty in (alone, by_set):
        half = fit_onset(share, faulty).half
        bands.append(half.high - half.low)
    assert bands[1] > 2 * bands[0]


def test_what_does_not_hold_speaks_against_a_cause_at_half_weight():
    fault, cause = "hips-rise", "quads-limit"
    weights = shipped_evidence()[cause]
    name, weight = next((n, w) for n, w in weights.items() if w > 0)
    scores = {
        holds: next(
            c.score
            for c in rank_causes(shipped_catalogue(), fault, [Signal(name, holds, "told")])
            if c.cause_id == cause
        )
        for holds in (True, None, False)
    }
    assert scores == {True: weight, None: 0.0, False: -0.5 * weight}


def test_the_hook_is_low_enough_to_clear_its_lip():
    rack = Rack("R", 0.50, 0.05, 30, 0.03, 1.2)
    assert fit_rack(rack, 0.50 + 0.05 * 16 + 0.03 + 0.021, 0.9).hook_hole == 17
    assert fit_rack(rack, 0.50 + 0.05 * 16 + 0.03 + 0.019, 0.9).hook_hole == 16


def test_specials_are_lighter_in_light_weeks():
    states = {lift: a_state(lift) for lift in ("squat", "deadlift")}
    plan = make_plan(replace(ASK, weeks=12), states, GYM)
    loads = {
        role: {
            x.variation: (x.load_kg, x.sets)
            for w in plan.weeks if w.role == role
            for d in w.days for x in d.lines if x.kind == "special" and x.load_kg
        }
        for role in ("build", "light")
    }  # fmt: skip
    both = set(loads["build"]) & set(loads["light"])
    assert both
    for name in both:
        (usual_kg, usual_sets), (light_kg, light_sets) = loads["build"][name], loads["light"][name]
        assert light_kg == pytest.approx(0.92 * usual_kg, rel=0.02), name
        assert light_sets < usual_sets


@pytest.mark.parametrize("offset", [0.04, -0.03])
def test_the_lats_hold_the_weight_times_the_shoulders_distance(offset):
    setup = replace(usual_setup("conventional"), shoulder_offset_m=offset)
    report = start_report(default_lifter(MAN), setup, 150.0)
    assert report.lat_moment_nm == pytest.approx(150.0 * GRAVITY_M_S2 * abs(offset))


def test_a_rounding_upper_back_in_the_squat_turns_the_bar_forward_round_mid_back():
    lifter = default_lifter(MAN)
    case = SQUAT.kinematics.case(lifter, [LOW])
    squat = Undisturbed(case, evaluate(SQUAT, case).shank[:, None, None], 150.0)
    straight, rounded = (disturb.upper_back_rounds(squat, x).trunk.bar for x in (0.0, 0.2))
    kink = case.assumed.midback_cut * lifter.body.trunk_m
    before, after = (
        complex(np.squeeze(bar.along_m) - kink, np.squeeze(bar.forward_m))
        for bar in (straight, rounded)
    )
    assert after == pytest.approx(before * np.exp(0.2j))
    cost = next(c for c in fault_costs(SQUAT, lifter, LOW, 150.0) if c.fault_id == "upper-round")
    name, before_use, after_use = cost.most_moved
    assert name == "upper_back"
    assert after_use > before_use


def test_a_rounding_back_in_the_pull_brings_hip_and_shoulder_nearer():
    setup = usual_setup("conventional")
    case, _ = DEADLIFT.kinematics.case(default_lifter(MAN), [setup]).placed()
    start = case.start()
    rounded = back_rounds(Undisturbed(case, start.legs.shank, 150.0), 0.3)

    def apart(posture) -> float:
        hip = np.ravel(posture.legs.hip.x)[-1], np.ravel(posture.legs.hip.z)[-1]
        shoulder = (np.ravel(place)[-1] for place in posture.shoulder)
        return float(np.hypot(*(s - h for s, h in zip(shoulder, hip, strict=True))))

    assert apart(start) == pytest.approx(MAN.trunk_m)
    assert apart(rounded) == pytest.approx(float(trunk_of(MAN, 0.3, case.assumed).chord_m))


@pytest.mark.parametrize("style", ["conventional", "sumo", "block"])
def test_the_bar_stays_in_front_of_the_thighs_on_the_way_up(style):
    placed = place_starts(default_lifter(MAN), [usual_setup(style)])[0]
    way = deadlift_path(placed.case, placed.posture.legs.shank).posture
    legs = way.legs
    share = np.clip((way.bar[1] - legs.knee.z) / (legs.hip.z - legs.knee.z), 0, 1)
    thigh_x = legs.knee.x + share * (legs.hip.x - legs.knee.x)
    above = way.bar[1] > legs.knee.z
    assert np.any(above)
    assert np.all((way.bar[0] - thigh_x)[above] > 0.0)


@pytest.mark.parametrize("metres_off", [-0.3, 0.0, 0.25])
def test_a_shoulder_out_of_reach_misses_by_its_own_distance(metres_off):
    """Straight up from the knee: what lies past thigh and trunk together is the gap, and a
    shoulder within reach leaves none."""
    foot = place_foot(MAN, 0.4, 0.0, 0.0, DEFAULT)
    straight = squat_legs(MAN, foot, np.deg2rad(20.0), 0.1)
    thigh_from_side = np.hypot(straight.knee.x - straight.hip.x, straight.knee.z - straight.hip.z)
    knee, up = straight.knee, thigh_from_side + MAN.trunk_m + metres_off
    legs, gap = legs_below_shoulder(MAN, foot, np.deg2rad(20.0), knee.x, knee.z + up)
    assert gap == pytest.approx(max(metres_off, 0.0), abs=1e-9)
    assert bool(legs.unreachable) == (metres_off > 0)
    if metres_off < 0:
        assert np.hypot(legs.hip.x - knee.x, legs.hip.z - knee.z) == pytest.approx(thigh_from_side)
        trunk = np.hypot(legs.hip.x - knee.x, legs.hip.z - knee.z - up)
        assert trunk == pytest.approx(MAN.trunk_m)
