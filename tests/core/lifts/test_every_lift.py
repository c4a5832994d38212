"""What holds for every lift, those that are competed in and one that only the tests know."""

from dataclasses import replace
from itertools import pairwise

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.optimize import brentq

from pavrik.core.body.segments import make_body
from pavrik.core.competition_lifts import LIFTS, lift_of
from pavrik.core.faults.catalogue import shipped_catalogue
from pavrik.core.fitting.candidates import assess, maxes_kg, quick_maxes_kg
from pavrik.core.fitting.explorer import exact_setup, explorer_grid
from pavrik.core.fitting.fault_cost import fault_costs
from pavrik.core.fitting.fit import closed_styles, fit
from pavrik.core.fitting.goals import goal_scores, weights_for
from pavrik.core.fitting.known_bests import KnownBest, strengths_from
from pavrik.core.fitting.maps import setup_map
from pavrik.core.fitting.remedies import why_not
from pavrik.core.fitting.report import one, pose_report
from pavrik.core.fitting.sampling import Ask, best_maxes_kg
from pavrik.core.fitting.search import evaluate
from pavrik.core.fitting.sensitivity import STEPS, sensitivity
from pavrik.core.fitting.unknowns import reading_errors
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.lifter.mobility import make_screens
from pavrik.core.lifts.case import DEEPEST
from pavrik.core.lifts.grid import SetupGrid
from pavrik.core.lifts.limit import broken_deg, excesses, share_left
from pavrik.core.strength.inverse import MUSCLES
from tests.core.bodies import DEFAULT_MAN, adults
from tests.core.lifts.hug.hug import HUG

EVERY = [*LIFTS.values(), HUG]
every_lift = pytest.mark.parametrize("lift", EVERY, ids=lambda lift: lift.id)
FROM_THE_BAR = {"hips-low"}
"""Faults whose size is told from the bar and not from the settled start."""
MAN = default_lifter(DEFAULT_MAN)
STIFF = default_lifter(
    make_body("male", 92, 1.80, {"thigh_m": 0.47}),
    screens=make_screens(ankle_dorsiflexion_deg=22, neutral_closing_deg=117, hip_abduction_deg=30),
)


def some(lift, most=400):
    """A spread of the set-ups that a fit looks at."""
    setups = SetupGrid(lift).setups()
    return setups[:: max(len(setups) // most, 1)]


def open_ones(lift, lifter=MAN, most=12):
    candidates, _ = assess(lift, lifter, some(lift))
    assert candidates
    return candidates[:: max(len(candidates) // most, 1)]


def stood(lift, candidate, lifter=MAN):
    """Case, shank and deepest posture of a candidate."""
    case, _ = lift.kinematics.case(lifter, [candidate.setup]).placed()
    shank = np.full((1, 1, 1), candidate.shank)
    return case, shank, case.posture(shank, DEEPEST)


@every_lift
def test_a_lift_says_everything_that_the_house_asks(lift):
    assert set(lift.searched) <= set(lift.styles)
    assert all(style.id == name for name, style in lift.styles.items())
    assert {a.id for a in lift.axes} >= {"stance_m", "toe_out_deg"}
    assert {b for pair in lift.lever_pairs for b in pair} <= {lever.id for lever in lift.levers}
    assert lift.judged[-1] == lift.known_along[-1] == 1.0
    named = {limit.id for limit in lift.limits}
    assert all(limit.hides <= named for limit in lift.limits)
    usual = lift.usual(1.75)
    assert isinstance(usual, lift.setup_type)
    assert usual.style in lift.styles
    assert lift.short_name(usual)
    assert f"{usual.stance_m * 100:.0f}" in lift.in_words(usual)


@every_lift
def test_a_grid_holds_every_set_up_once_and_within_the_axes(lift):
    grid = SetupGrid(lift)
    setups = grid.setups()
    assert len(grid) == len(setups) == len(set(setups))
    for axis in lift.axes:
        values = [v for setup in setups if (v := getattr(setup, axis.field)) is not None]
        if not values:
            continue
        assert axis.inside(axis.low) - 1e-9 <= min(values)
        assert max(values) <= axis.inside(axis.high) + 1e-9
    chosen = SetupGrid(lift, lift.searched[:1], {"stance_m": (0.4,)}).setups()
    assert {setup.stance_m for setup in chosen} == {0.4}
    assert {setup.style for setup in chosen} == {lift.searched[0]}


@every_lift
@settings(max_examples=15, deadline=None)
@given(body=adults(), pick=st.integers(0, 10_000), load=st.floats(0.0, 400.0))
def test_postures_keep_the_segments_lengths_and_stay_finite(lift, body, pick, load):
    setups = some(lift)
    lifter = default_lifter(body)
    case = lift.kinematics.case(lifter, [setups[pick % len(setups)]])
    case, shank = case.placed(case.shank_range()[1])
    posture = case.posture(shank, DEEPEST)
    loaded = posture.at_load(load)
    assert all(np.isfinite(np.squeeze(share)).all() for share in loaded.utilization)
    if np.any(posture.impossible) or np.any(loaded.balanced.impossible):
        return
    legs = posture.legs
    hip, knee, ankle = (np.ravel(list(map(one, p))) for p in (legs.hip, legs.knee, legs.foot.ankle))
    assert np.linalg.norm(knee - ankle) == pytest.approx(body.shank_m, abs=1e-9)
    assert np.linalg.norm(hip - knee) == pytest.approx(body.thigh_m, abs=1e-9)
    shoulder = np.ravel(list(map(one, posture.upper(loaded.balanced).shoulder)))
    assert np.hypot(*(shoulder - hip[[0, 2]])) == pytest.approx(body.trunk_m, abs=1e-9)


@every_lift
def test_the_mass_centre_is_that_of_the_masses_and_stands_over_the_foot(lift):
    for candidate in open_ones(lift):
        report = pose_report(lift, MAN, candidate.setup, candidate.predicted_max_kg)
        kg = sum(mass.kg for mass in report.masses)
        centre = sum(mass.kg * mass.x_m for mass in report.masses) / kg
        assert kg == pytest.approx(83.0 + candidate.predicted_max_kg)
        if not candidate.oversteps:
            assert centre == pytest.approx(candidate.centre_x_m, abs=2e-3)
            assert centre == pytest.approx(0.0, abs=3e-3)


@every_lift
def test_the_predicted_max_is_where_root_finding_finds_full_use(lift):
    """scipy's brentq at the candidate's own shank, the worst of the way that is judged."""
    for candidate in open_ones(lift, most=5):
        case, shank, deepest = stood(lift, candidate)

        def over(load, step, case=case, shank=shank):
            posture = case.posture(shank, lift.judged[[step]])
            return float(np.squeeze(posture.at_load(load).utilization.most)) - 1.0

        held = min(brentq(over, 0.0, 1500.0, args=(i,)) for i in range(len(lift.judged)))
        over_by = excesses(lift.limits, case, deepest, deepest.at_load(held))
        left = float(np.squeeze(share_left(lift.limits, case, over_by)))
        assert candidate.predicted_max_kg == pytest.approx(held * left, rel=2e-3)


@every_lift
def test_more_load_asks_more_and_more_strength_lifts_more(lift):
    loads = np.linspace(20.0, 300.0, 15)
    for candidate in open_ones(lift, most=5):
        _, __, posture = stood(lift, candidate)
        most = [float(np.squeeze(posture.at_load(kg).utilization.most)) for kg in loads]
        assert all(b >= a - 1e-9 for a, b in pairwise(most))
    setups = some(lift)
    weak = maxes_kg(lift, MAN, setups, lift.thorough)
    for muscle in ("hip_extensors", "knee_extensors", "lower_back", "upper_back"):
        more = replace(MAN.capacities, **{muscle: 1.2 * getattr(MAN.capacities, muscle)})
        strong = maxes_kg(lift, replace(MAN, capacities=more), setups, lift.thorough)
        both = (weak > 0) & (strong > 0)
        assert np.all(strong[both] >= 0.995 * weak[both]), muscle


@every_lift
def test_what_a_body_cannot_take_says_why_and_what_it_can_oversteps_little_and_says_so(lift):
    for lifter in (MAN, STIFF):
        candidates, rejected = assess(lift, lifter, some(lift))
        assert len(candidates) + len(rejected) == len(some(lift))
        for refused in rejected:
            assert refused.reasons
            assert len(set(refused.reasons)) == len(refused.reasons)
            assert not any("nan" in reason.lower() for reason in refused.reasons)
        if candidates:
            setups = [candidate.setup for candidate in candidates]
            fixed = [s for s in setups if not lift.kinematics.free_shank(s)] or setups
            found = evaluate(lift, lift.kinematics.case(lifter, fixed))
            assert set(found.excess) == {limit.id for limit in lift.limits}
            assert np.all(broken_deg(lift.limits, found.case, found.excess) == 0)
            assert np.all(found.left >= 0.5)
        assert all(candidate.predicted_max_kg > 0 for candidate in candidates)
        soft = sum(limit.price is not None for limit in lift.limits)
        assert all(c.oversteps for c in candidates if c.left < 1 - 0.01 * soft)
        assert not any(c.oversteps for c in candidates if c.left > 0.99)


@every_lift
def test_every_overstepped_limit_has_a_number_or_a_remedy(lift):
    rejected = assess(lift, STIFF, some(lift, 900))[1]
    told = {reason for refused in rejected for reason in refused.reasons}
    assert told
    assert all(":" in reason or "," in reason for reason in told), "the fact, then the remedy"


@every_lift
def test_wider_screens_never_close_what_was_open(lift):
    setups = some(lift, 300)
    before = quick_maxes_kg(lift, STIFF, setups) > 0
    wider = {
        name: getattr(STIFF.screens, name) + 0.5
        for name in ("hip_flexion", "abduction", "rotation")
    }
    after = (
        quick_maxes_kg(lift, replace(STIFF, screens=replace(STIFF.screens, **wider)), setups) > 0
    )
    assert np.all(after[before])
    assert after.sum() > before.sum()


@every_lift
def test_the_way_begins_or_ends_where_the_deepest_point_is(lift):
    for candidate in open_ones(lift, most=6):
        case, shank, deepest = stood(lift, candidate)
        way = lift.way(case, shank)
        steps = np.diff(way.progress)
        assert np.all(steps > 0) or np.all(steps < 0)
        assert {round(float(way.progress.min()), 6), round(float(way.progress.max()), 6)} == {0, 1}
        at = int(np.argmax(way.progress))
        for joint in ("knee", "hip"):
            along = np.reshape(getattr(way.posture.legs, joint).z, -1)
            there = float(np.squeeze(getattr(deepest.legs, joint).z))
            assert along[at] == pytest.approx(there, abs=2e-3), joint
        hips = np.reshape(way.posture.legs.hip.z, -1)
        assert hips.argmin() == at or hips[at] < hips.max() - 0.1


@every_lift
def test_a_fault_of_no_size_costs_nothing_and_every_price_is_told(lift):
    for candidate in open_ones(lift, most=3):
        at_kg = 0.8 * candidate.predicted_max_kg
        sized = {f: 0.0 for f, p in lift.perturbations.items() if p.unit in ("m", "deg")}
        for cost in fault_costs(lift, MAN, candidate.setup, at_kg, sized):
            if cost.fault_id in sized and cost.fault_id not in FROM_THE_BAR:
                assert cost.lost_share == pytest.approx(0.0, abs=0.005), cost.fault_id
        usual = fault_costs(lift, MAN, candidate.setup, at_kg)
        assert {c.fault_id for c in usual} <= {*lift.perturbations, *lift.one_sided}
        lost = [c.lost_kg for c in usual]
        assert lost == sorted(lost, reverse=True)
        for cost in usual:
            assert np.isfinite([cost.after_kg, cost.knee_inward_nm, *cost.most_moved[1:]]).all()
            assert "{" not in cost.words


@pytest.mark.parametrize("lift", LIFTS.values(), ids=lambda lift: lift.id)
def test_prices_and_catalogue_name_the_same_faults(lift):
    catalogue = shipped_catalogue()
    priced = {*lift.perturbations, *lift.one_sided}
    assert priced == {f.id for f in catalogue.faults.values() if f.lift == lift.id and not f.watch}
    assert lift_of(lift.usual(1.75)) is lift


@every_lift
def test_a_fit_ranks_one_leader_of_each_open_style(lift):
    first, again = (fit(lift, MAN, ask=Ask(40, 3)) for _ in range(2))
    styles = [leader.setup.style for leader in first.leaders]
    assert len(set(styles)) == len(styles)
    assert not set(styles) & set(closed_styles(first))
    assert first.intervals == again.intervals
    assert first.verdict == again.verdict
    beside = [not lift.styles[style].rival for style in styles]
    assert beside == sorted(beside), "what is no rival stands behind"
    for leader, interval in zip(first.leaders, first.intervals, strict=True):
        low, high = interval.band_kg
        assert low < leader.predicted_max_kg < high
    choice = first.choice
    assert choice is not None
    assert {style for family in choice.families for style in family.styles} == {
        style for style, alone in zip(styles, beside, strict=True) if not alone
    }
    told = sum(family.chance_best for family in choice.families) + choice.none_clearly_best
    assert told == pytest.approx(1.0)
    losses = [family.expected_loss_kg for family in choice.families]
    assert losses == sorted(losses)
    assert min(losses) >= 0


@every_lift
def test_an_explorer_shows_what_the_exact_set_up_says(lift):
    """A grid is searched quickly: within 2.5 % of its best."""
    around = open_ones(lift)[0].setup
    grid = explorer_grid(lift, MAN, around, 100.0)
    near_kg = 0.025 * float(grid.predicted_max_kg.max())
    open_at = np.flatnonzero(grid.predicted_max_kg)
    assert len(open_at) > 0
    for at in open_at[:: max(len(open_at) // 4, 1)]:
        exact = exact_setup(lift, MAN, grid.setups[at], 100.0)
        assert exact.predicted_max_kg == pytest.approx(grid.predicted_max_kg[at], abs=near_kg)
        assert exact.explanations["predicted_max"].startswith(f"{exact.predicted_max_kg:.1f} kg")
        assert len(exact.path.points["hip"][0]) == len(exact.progress)
    for at in np.flatnonzero(grid.predicted_max_kg == 0)[:20]:
        assert grid.reasons[at]


@every_lift
def test_maps_agree_with_single_set_ups(lift):
    around = open_ones(lift)[0].setup
    for across in lift.maps:
        found = setup_map(lift, MAN, around, across)
        kg = np.array(found.kg)
        assert kg.shape == (len(found.rows), len(found.stance_m))
        assert np.any(kg > 0), across
    axis = lift.axis("toe_out_deg")
    found = setup_map(lift, MAN, around, "toe_out_deg")
    row, column = np.argwhere(np.array(found.kg) > 0)[0]
    setup = axis.put(around, axis.rows[row])
    setup = lift.axis("stance_m").put(setup, found.stance_m[column])
    alone = quick_maxes_kg(lift, MAN, [lift.kinematics.without_shank(setup)])[0]
    assert found.kg[row][column] == pytest.approx(alone)


@every_lift
def test_remedies_open_what_is_closed_with_the_least_pull_first(lift):
    closed = [found for s in lift.styles if not (found := why_not(lift, STIFF, s)).feasible]
    assert closed, "the stiff lifter has a closed style in every lift"
    for found in closed:
        assert found.binding
        efforts = [remedy.effort for remedy in found.remedies]
        assert efforts == sorted(efforts)
        assert all(remedy.predicted_max_kg > 0 for remedy in found.remedies)
        assert all(remedy.setup.style == found.style for remedy in found.remedies)
    assert any(found.remedies for found in closed)


@every_lift
@pytest.mark.parametrize("goal", ["competition", "health", "muscle"])
def test_goals_score_every_leader_between_none_and_all(lift, goal):
    setups = [leader.setup for leader in fit(lift, MAN).leaders]
    scores = goal_scores(lift, MAN, setups, weights_for(goal, False, ()))
    assert len(scores) == len(setups)
    assert all(0.0 < score.total <= 1.0 + 1e-9 for score in scores)
    if goal == "competition":
        best = int(np.argmax([score.total for score in scores]))
        kg = maxes_kg(lift, MAN, setups, lift.thorough)
        assert kg[best] == kg.max()


@every_lift
def test_what_the_answer_is_sensitive_to_comes_first(lift):
    rivals = fit(lift, MAN).rivals()
    flips = sensitivity(lift, MAN, [leader.setup for leader in rivals])
    errors = [flip.errors for flip in flips if flip.errors is not None]
    assert errors == sorted(errors)
    setups = [r.setup for r in rivals]
    for flip in flips:
        if flip.by is not None:
            assert leads_after(lift, setups, flip) == flip.to, flip
    assert sensitivity(lift, MAN, [rivals[0].setup]) == []


def leads_after(lift, setups, flip) -> str:
    """The style that leads one step of the input beyond the flip."""
    sign = np.sign(flip.by)
    step = sign * min(abs(s) for s in STEPS if abs(s) >= flip.errors - 1e-9)
    where = "body" if flip.unit == "m" else "screens" if flip.unit == "deg" else "capacities"
    held = getattr(MAN, where)
    now = getattr(held, flip.name)
    error = MAN.assumed.capacity_error if flip.unit == "share" else reading_errors(MAN)[flip.name]
    moved = now * np.exp(step * error) if flip.unit == "share" else now + step * error
    other = replace(MAN, **{where: replace(held, **{flip.name: moved})})
    thigh = np.full((1, 1, 1, 1), other.body.thigh_m)
    other = replace(other, body=replace(other.body, thigh_m=thigh))
    maxes = best_maxes_kg(lift, other, setups)[0]
    return setups[int(np.argmax(maxes))].style


@every_lift
def test_a_lifter_stronger_everywhere_is_found_from_the_own_bests(lift):
    more = {name: 1.2 * getattr(MAN.capacities, name) for name in MUSCLES}
    strong = replace(MAN, capacities=replace(MAN.capacities, **more))
    rivals = [leader.setup for leader in fit(lift, strong).rivals()]
    kg = maxes_kg(lift, strong, rivals, lift.thorough)
    bests = [KnownBest(lift, s, float(k)) for s, k in zip(rivals, kg, strict=True)]
    found = strengths_from(MAN, bests)
    assert max(abs(residual) for residual in found.residual) < 0.05
    assert found.capacities.knee_extensors > 1.08 * MAN.capacities.knee_extensors
