"""The search against slow references, its uncertainty, and strengths from lifts."""

from dataclasses import replace

import numpy as np
import pytest

from pavrik.core.body.segments import SEGMENTS, make_body
from pavrik.core.fitting.candidates import quick_maxes_kg
from pavrik.core.fitting.explorer import exact_setup, explorer_grid
from pavrik.core.fitting.fit import fit as fit_lift
from pavrik.core.fitting.known_bests import KnownBest, strengths_from
from pavrik.core.fitting.sampling import Ask, explained_by_one_more, intervals, sample
from pavrik.core.fitting.search import evaluate, evaluate_at
from pavrik.core.fitting.staleness import changes_since
from pavrik.core.fitting.unknowns import reading_errors
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.lifter.mobility import make_screens
from pavrik.core.lifter.schools import SquatSchools
from pavrik.core.lifts.case import Pass
from pavrik.core.lifts.grid import SetupGrid
from pavrik.core.squat.kinematics import lower_half, whole_progress
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT, THOROUGH
from pavrik.core.strength.predicted_max import load_at_full_utilization
from tests.core.bodies import DEFAULT_MAN
from tests.sizes import tried

BRUTE = (Pass(800, lower_half()),)
SETUPS = [SquatSetup(p, 0.42, 0.35, h) for p in ("front", "high", "low") for h in (0.0, 0.02)]


def _random_bodies(count: int) -> list:
    random = np.random.default_rng(3)
    return [
        make_body(
            random.choice(["male", "female"]),
            random.uniform(55, 120),
            stature := random.uniform(1.55, 1.92),
            {
                "thigh_m": 0.245 * stature * random.normal(1, 0.05),
                "trunk_m": 0.288 * stature * random.normal(1, 0.04),
            },
        )
        for _ in range(count)
    ]


@pytest.mark.parametrize("body", _random_bodies(tried(12, 3)))
def test_the_fast_search_equals_brute_force_within_half_a_percent(body):
    case = SQUAT.kinematics.case(default_lifter(body), SETUPS)
    fast, slow = evaluate(SQUAT, case, THOROUGH), evaluate(SQUAT, case, BRUTE)
    both = fast.feasible & slow.feasible
    assert np.array_equal(fast.feasible, slow.feasible)
    assert fast.predicted_max_kg[both] == pytest.approx(slow.predicted_max_kg[both], rel=0.005)


@pytest.mark.parametrize("body", _random_bodies(tried(4, 2)))
def test_the_steps_left_out_at_the_end_of_the_search_were_never_the_hardest(body):
    setups = SetupGrid(SQUAT).setups()
    found = evaluate(SQUAT, SQUAT.kinematics.case(default_lifter(body), setups))
    case = SQUAT.kinematics.case(default_lifter(body), setups)
    along_all = evaluate_at(SQUAT, case, found.shank[:, None, None])
    assert found.held_max_kg == pytest.approx(along_all.held_max_kg, rel=1e-3)


def test_where_nothing_limits_the_most_is_tried_at_once():
    asked = []

    def use(load: np.ndarray) -> np.ndarray:
        asked.append(load)
        return np.array([0.0008, 0.006]) * load

    held = load_at_full_utilization(use, 83.0)
    assert held == pytest.approx([830.0, 1 / 0.006], rel=1e-3)
    assert len(asked) <= 5


def test_a_rough_search_does_not_look_at_its_last_step():
    asked = []

    def use(load: np.ndarray) -> np.ndarray:
        asked.append(load)
        return (load / 200.0) ** 1.2

    rough = load_at_full_utilization(use, 83.0, steps=3)
    assert len(asked) == 4
    assert rough == pytest.approx(200.0, rel=1e-3)


def test_the_predicted_max_is_where_bisection_finds_full_use():
    case = SQUAT.kinematics.case(default_lifter(DEFAULT_MAN), SETUPS)
    pose = case.posture(np.full((1, 1, 1), 0.42), np.ones(1))

    def most(load):
        return pose.at_load(load).utilization.most

    found = load_at_full_utilization(most, 83.0)
    low, high = np.zeros_like(found), np.full_like(found, 830.0)
    for _ in range(60):
        middle = (low + high) / 2
        over = most(middle) > 1
        low, high = np.where(over, low, middle), np.where(over, middle, high)
    assert found == pytest.approx(low, abs=0.05)


def test_a_body_too_weak_for_itself_has_a_max_of_nothing():
    lifter = default_lifter(DEFAULT_MAN)
    weak = replace(lifter.capacities, knee_extensors=30.0, hip_extensors=20.0, hamstrings=30.0)
    found = evaluate(SQUAT, SQUAT.kinematics.case(replace(lifter, capacities=weak), SETUPS))
    assert not found.feasible.any()
    assert np.all(found.predicted_max_kg == 0)
    assert found.excess["strength"].all()


def test_same_seed_same_answer_and_bands_hold_the_point_estimate():
    lifter = default_lifter(DEFAULT_MAN)
    grid = SetupGrid(
        SQUAT, chosen={"stance_m": (0.42,), "toe_out_deg": (20.0,), "heel_lift_m": (0.0,)}
    )
    first, again = (fit_lift(SQUAT, lifter, grid, ask=Ask(64, 5)) for _ in range(2))
    assert first.intervals == again.intervals
    assert first.choice == again.choice
    for leader, sure in zip(first.leaders, first.intervals, strict=True):
        assert sure.band_kg[0] < leader.predicted_max_kg < sure.band_kg[1]


def width(lifter, setups, *known):
    band = intervals(sample(SQUAT, lifter, setups, Ask(128, 1, known)).maxes_kg)[0].band_kg
    return (band[1] - band[0]) / sum(band)


LOW, HIGH = SquatSetup("low", 0.42, 0.35), SquatSetup("high", 0.42, 0.35)


def test_an_unmeasured_body_is_drawn_more_widely():
    measured, unknown = (
        default_lifter(DEFAULT_MAN, measured=names) for names in (frozenset(SEGMENTS), frozenset())
    )
    drawn = {}
    for name, lifter in (("measured", measured), ("unknown", unknown)):
        drawn[name] = sample(SQUAT, lifter, [LOW], Ask(256)).readings
        for segment in ("thigh_m", "trunk_m", "hip_crease_m"):
            error = reading_errors(lifter)[segment]
            assert np.std(drawn[name][segment]) == pytest.approx(error, rel=0.15)
    assert np.std(drawn["unknown"]["thigh_m"]) > 1.4 * np.std(drawn["measured"]["thigh_m"])
    assert explained_by_one_more(unknown, "thigh_m", 0.02) > 0.75
    assert explained_by_one_more(measured, "thigh_m", 0.01) == pytest.approx(0.5)


def test_own_lifts_narrow_the_band_most_where_they_were_done():
    lifter = default_lifter(DEFAULT_MAN, measured=frozenset(SEGMENTS))
    best = KnownBest(SQUAT, LOW, 170.0, 0.01)
    assert width(lifter, [LOW], best) < 0.4 * width(lifter, [LOW])
    assert width(lifter, [LOW], best) < width(lifter, [HIGH], best) < 0.7 * width(lifter, [HIGH])
    doubtful = KnownBest(SQUAT, LOW, 170.0, 0.10)
    assert width(lifter, [LOW], best) < width(lifter, [LOW], doubtful) < width(lifter, [LOW])


def test_after_a_best_the_middle_of_the_band_is_what_was_lifted():
    lifter = default_lifter(DEFAULT_MAN)
    best = KnownBest(SQUAT, LOW, 200.0, 0.01)
    found = replace(lifter, capacities=strengths_from(lifter, [best]).capacities)
    told = np.median(sample(SQUAT, found, [LOW], Ask(256, 1, (best,))).maxes_kg)
    assert told == pytest.approx(200.0, rel=0.02)


def test_a_best_that_no_body_could_do_moves_next_to_nothing():
    lifter = default_lifter(DEFAULT_MAN)
    impossible = KnownBest(SQUAT, replace(LOW, stance_m=1.4), 200.0, 0.01)
    free = sample(SQUAT, lifter, [LOW], Ask(64)).maxes_kg
    told = sample(SQUAT, lifter, [LOW], Ask(64, 1, (impossible,))).maxes_kg
    assert np.median(told) == pytest.approx(np.median(free), rel=0.01)


def test_a_screen_that_may_be_overstepped_costs_instead_of_shutting_out():
    setups = [SquatSetup("low", 0.42, 0.35)]
    stiff = default_lifter(DEFAULT_MAN, screens=make_screens(neutral_closing_deg=141.0))
    drawn = sample(SQUAT, stiff, setups, Ask(64)).maxes_kg
    free = sample(SQUAT, default_lifter(DEFAULT_MAN), setups, Ask(64)).maxes_kg
    assert np.all(drawn > 0)
    assert np.median(drawn) < 0.99 * np.median(free)


def test_a_leader_is_as_good_over_its_range_and_not_beyond():
    lifter = default_lifter(DEFAULT_MAN)
    found = fit_lift(SQUAT, lifter)
    leader, ranges = found.leaders[0], found.ranges[0]
    low, high = ranges.stance_m
    assert low <= leader.setup.stance_m <= high

    def kg(stance_m):
        return quick_maxes_kg(SQUAT, lifter, [replace(leader.setup, stance_m=stance_m)])[0]

    here = kg(leader.setup.stance_m)
    assert min(kg(low), kg(high)) >= 0.98 * here
    assert kg(low - 0.021) < 0.98 * here


def test_the_wide_school_widens_the_choice():
    def widest(school):
        lifter = default_lifter(DEFAULT_MAN, schools=SquatSchools(width=school))
        return max(leader.setup.stance_m for leader in fit_lift(SQUAT, lifter).leaders)

    assert widest("wide") > widest("moderate")


def test_strengths_from_two_lifts_explain_them_better_than_the_prior():
    lifter = default_lifter(DEFAULT_MAN)
    strong = replace(
        lifter.capacities,
        hip_extensors=lifter.capacities.hip_extensors * 1.3,
        hamstrings=lifter.capacities.hamstrings * 1.3,
        knee_extensors=lifter.capacities.knee_extensors * 1.3,
    )
    setups = [SquatSetup("low", 0.42, 0.35), SquatSetup("high", 0.42, 0.35)]
    case = SQUAT.kinematics.case(replace(lifter, capacities=strong), setups)
    lifted = evaluate(SQUAT, case).predicted_max_kg
    bests = [KnownBest(SQUAT, s, float(kg)) for s, kg in zip(setups, lifted, strict=True)]
    inferred = strengths_from(lifter, bests)
    assert inferred.firmness == "indicative"
    assert np.abs(inferred.residual).max() < 0.05
    assert 1.1 < inferred.capacities.knee_extensors / lifter.capacities.knee_extensors < 1.5
    assert strengths_from(lifter, bests[:1]).firmness == "scale only"
    assert strengths_from(lifter, []).capacities == lifter.capacities


@pytest.mark.parametrize("school", ["together", "hips_first", "knees_first"])
def test_the_way_down_starts_standing_and_ends_at_the_bottom(school):
    lifter = default_lifter(DEFAULT_MAN, schools=SquatSchools(break_school=school))
    exact = exact_setup(SQUAT, lifter, SquatSetup("low", 0.42, 0.35), 120.0)
    knees = exact.path.angles_deg["knee_flexion"]
    assert knees[0] < 25.0, "unlocked, and bent inward by the stance, but standing"
    assert np.all(np.diff(knees) > 0)
    for joint in ("knee", "hip", "bar"):
        for axis in range(3):
            assert exact.path.points[joint][axis][-1] == pytest.approx(
                exact.deepest.points[joint][axis][0], abs=1e-9
            )
    assert len(exact.progress) == len(whole_progress()) >= 25


def test_break_schools_differ_half_way_down():
    def shank_half_way(school):
        lifter = default_lifter(DEFAULT_MAN, schools=SquatSchools(break_school=school))
        path = exact_setup(SQUAT, lifter, SquatSetup("low", 0.42, 0.35), 120.0).path
        return path.angles_deg["shank"][12]

    assert shank_half_way("hips_first") < shank_half_way("together")
    assert shank_half_way("together") < shank_half_way("knees_first")


def test_the_explorer_grid_agrees_with_the_exact_setup():
    lifter = default_lifter(DEFAULT_MAN)
    grid = explorer_grid(SQUAT, lifter, SquatSetup("low", 0.0, 0.0), 120.0)
    index = next(
        i
        for i, s in enumerate(grid.setups)
        if (s.stance_m, s.heel_lift_m) == (0.42, 0.0) and round(np.rad2deg(s.toe_out)) == 20
    )
    exact = exact_setup(SQUAT, lifter, grid.setups[index], 120.0)
    assert grid.predicted_max_kg[index] == pytest.approx(exact.predicted_max_kg, rel=0.01)
    assert exact.explanations["legs"].startswith("(knee ")
    infeasible = [bool(reasons) for reasons in grid.reasons]
    assert (grid.predicted_max_kg == 0).tolist() == infeasible


def test_what_changed_since_settling_is_named():
    then = {
        "body": {"mass_kg": 83, "segments": {"thigh_m": 0.43}},
        "screens": {"ankle_dorsiflexion_deg": 34, "narrowest_grip_m": {}},
        "schools": {"squat_width": "moderate"},
    }
    assert changes_since(then, then, SQUAT.schools) == []
    now = {
        "body": {"mass_kg": 87, "segments": {"thigh_m": 0.445, "shank_m": 0.43}},
        "screens": {"ankle_dorsiflexion_deg": 28, "narrowest_grip_m": {"low": 0.8}},
        "schools": {"squat_width": "wide"},
    }
    assert changes_since(then, now, SQUAT.schools) == [
        "body mass 83 → 87 kg",
        "shank now measured, 43.0 cm",
        "thigh 43.0 → 44.5 cm",
        "ankle dorsiflexion 34 → 28°",
        "shoulder screen",
        "school: width",
    ]
