"""Strengths from a lifter's own lifts: they explain the lifts, and the short cut keeps its word."""

from dataclasses import replace
from functools import cache

import numpy as np
import pytest

from pavrik.core.body.segments import make_body
from pavrik.core.competition_lifts import lift_of
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.styles import usual_setup
from pavrik.core.fitting.candidates import assess, maxes_kg
from pavrik.core.fitting.known_bests import KnownBest, bests_in_load, strengths_from
from pavrik.core.fitting.sampling import Ask, sample
from pavrik.core.fitting.search import angles_between, evaluate
from pavrik.core.lifter.lifter import Lifter, default_lifter
from pavrik.core.lifter.mobility import hard_limits
from pavrik.core.lifts.case import DEEPEST
from pavrik.core.lifts.limit import posture_left
from pavrik.core.squat.kinematics import lower_half
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from pavrik.core.strength import inverse
from pavrik.core.strength.in_load import in_load
from pavrik.core.strength.inverse import MUSCLES, scaled
from pavrik.core.strength.predicted_max import load_at_full_utilization
from pavrik.core.units import radians
from tests.core.bodies import DEFAULT_MAN
from tests.sizes import tried

SQUATS = [
    SquatSetup("low", 0.42, 0.35),
    SquatSetup("high", 0.4, 0.35),
    SquatSetup("front", 0.36, 0.3),
]
PULLS = [usual_setup("conventional"), usual_setup("sumo")]


def made_up(seed: int) -> tuple[Lifter, list[KnownBest]]:
    """A lifter of unknown strengths and what they would lift, give or take a few percent."""
    random = np.random.default_rng(seed)
    body = make_body(
        "male" if seed % 2 else "female", random.uniform(55, 120), random.uniform(1.55, 1.95)
    )
    lifter = default_lifter(body)
    strong = strengths(lifter, random.normal(0, 0.25) + random.normal(0, 0.15, len(MUSCLES)))
    squats, pulls = SQUATS[: random.integers(1, 4)], PULLS[: random.integers(0, 3)]
    maxes = list(held_kg(strong, squats))
    if pulls:
        maxes += list(evaluate(DEADLIFT, DEADLIFT.kinematics.case(strong, pulls)).held_max_kg)
    return lifter, [
        KnownBest(lift_of(setup), setup, float(kg * np.exp(random.normal(0, 0.03))), 0.02)
        for setup, kg in zip([*squats, *pulls], maxes, strict=True)
    ]


def strengths(lifter: Lifter, log_factors) -> Lifter:
    """The lifter with capacities times exp of the factors."""
    changed = scaled(lifter.capacities, np.reshape(log_factors, (1, -1)))
    plain = {name: float(getattr(changed, name).item()) for name in MUSCLES}
    return replace(lifter, capacities=replace(lifter.capacities, **plain))


def held_kg(lifter: Lifter, setups: list[SquatSetup]) -> np.ndarray:
    """The max over 400 shank angles, whatever screens and schools allow."""
    case = SQUAT.kinematics.case(lifter, setups)
    shank, _ = angles_between(*case.shank_range(), 400)
    way, bottom = case.posture(shank, lower_half()), case.posture(shank, DEEPEST)
    load = load_at_full_utilization(
        lambda kg: way.at_load(kg).utilization.most, lifter.body.mass_kg
    )
    load = load.min(axis=-1, keepdims=True)
    left = posture_left(SQUAT.limits, case, bottom, bottom.at_load(load))
    return np.max(load * left, axis=(-2, -1))


@cache
def lifters():
    return [made_up(seed) for seed in range(tried(24, 3))]


def test_squats_in_load_hold_what_brute_force_finds():
    for seed, (lifter, _) in enumerate(lifters()):
        wide = [replace(setup, stance_m=setup.stance_m + 0.1) for setup in SQUATS]
        brute = held_kg(lifter, [*SQUATS, *wide])
        bests = [
            KnownBest(SQUAT, setup, kg) for setup, kg in zip([*SQUATS, *wide], brute, strict=True)
        ]
        one = scaled(lifter.capacities, np.zeros((1, len(MUSCLES))))
        held = bests_in_load(lifter, bests).nearer(one).held_max_kg(one)[0]
        assert held == pytest.approx(brute, rel=0.005), seed


def test_a_lift_that_the_screens_forbid_is_not_turned_into_strength():
    """The hips were screened too low: the lift was done all the same."""
    lifter = default_lifter(make_body("male", 83, 1.75))
    best = KnownBest(SQUAT, SQUATS[0], float(held_kg(lifter, SQUATS[:1])[0]))
    stiff = replace(lifter, screens=replace(lifter.screens, hip_flexion=float(radians(90.0))))
    assert not evaluate(SQUAT, SQUAT.kinematics.case(stiff, SQUATS[:1])).feasible[0]
    found = strengths_from(stiff, [best]).capacities
    for name in MUSCLES:
        assert getattr(found, name) == pytest.approx(getattr(lifter.capacities, name), rel=0.1)


def test_a_lifter_without_a_feasible_squat_is_not_taken_for_a_strong_one():
    """Stiff ankles and hips: every squat as recorded rounds the back, and far more was lifted than
    it would hold."""
    body = make_body("male", 92.7, 1.801, {"thigh_m": 0.459, "shank_m": 0.436, "trunk_m": 0.5})
    lifter = default_lifter(body)
    screens = replace(
        lifter.screens, dorsiflexion=float(radians(17.0)), hip_flexion=float(radians(100.0))
    )
    lifter = replace(lifter, screens=screens)
    setups = [SquatSetup("low", 0.43, 0.35), SquatSetup("front", 0.43, 0.35)]
    assert not np.any(evaluate(SQUAT, SQUAT.kinematics.case(lifter, setups)).feasible)
    pulled = evaluate(DEADLIFT, DEADLIFT.kinematics.case(default_lifter(body), PULLS[:1]))
    kg = [*held_kg(lifter, setups) * 1.3, float(pulled.held_max_kg[0])]
    bests = [
        KnownBest(lift_of(s), s, load) for s, load in zip([*setups, PULLS[0]], kg, strict=True)
    ]
    found = strengths_from(lifter, bests)
    assert abs(found.residual[2]) < 0.08, "the pull is what is known"
    assert found.residual[0] > 0
    assert found.told[0].startswith(f"the squat (low bar) of {kg[0]:.0f} kg lies")
    assert "done some other way than is on record" in found.told[0]
    for name in MUSCLES:
        assert getattr(found.capacities, name) < 1.05 * getattr(lifter.capacities, name), name


def test_pulls_in_load_are_exact():
    for lifter, _ in lifters():
        found = evaluate(DEADLIFT, DEADLIFT.kinematics.case(lifter, PULLS))
        way = found.case.posture(found.shank[:, None, None], DEADLIFT.known_along)
        held = in_load(way, found.held_max_kg[:, None, None]).held_kg(found.case.capacities)
        assert held[0, :, 0].min(axis=-1) == pytest.approx(found.held_max_kg, rel=1e-3)


def test_a_straight_knee_holds_itself_in_load_as_it_does_in_a_posture():
    """Near lockout, where its flexors would else seem to limit."""
    lifter = default_lifter(make_body("male", 83, 1.75))
    case, shank = DEADLIFT.kinematics.case(lifter, PULLS[:1]).placed()
    way = case.posture(shank, np.array([0.02, 0.05, 0.1]))
    assert np.all(np.rad2deg(way.legs.knee_flexion) < lifter.assumed.passive_knee_deg)
    held = in_load(way, np.full((1, 1, 1), 180.0)).held_kg(case.capacities)
    slow = load_at_full_utilization(
        lambda load: way.at_load(load).utilization.most, lifter.body.mass_kg
    )
    assert np.squeeze(held) == pytest.approx(np.squeeze(slow), rel=1e-3)


def test_the_search_for_strengths_ends_where_a_finer_one_ends(monkeypatch):
    found = [strengths_from(*made).capacities for made in lifters()]
    monkeypatch.setattr(inverse, "CLOSE_ENOUGH", 1e-8)
    for seed, (made, rough) in enumerate(zip(lifters(), found, strict=True)):
        fine = strengths_from(*made).capacities
        for name in MUSCLES:
            assert getattr(rough, name) == pytest.approx(getattr(fine, name), rel=0.01), (
                seed,
                name,
            )


def test_inferred_strengths_lift_what_was_lifted():
    for lifter, bests in lifters():
        found = strengths_from(lifter, bests)
        strong = replace(lifter, capacities=found.capacities)
        squats = [b for b in bests if isinstance(b.setup, SquatSetup)]
        held = held_kg(strong, [b.setup for b in squats])
        for best, kg, residual in zip(squats, held, found.residual, strict=False):
            assert np.log(best.estimated_max_kg / kg) == pytest.approx(residual, abs=0.015)
            assert abs(residual) < 0.12


def test_what_was_said_of_each_lift_keeps_its_place():
    lifter, bests = next(made for made in map(made_up, range(24)) if len(made[1]) == 5)
    forward = strengths_from(lifter, bests)
    backward = strengths_from(lifter, bests[::-1])
    assert forward.residual == pytest.approx(backward.residual[::-1], abs=5e-3)
    given = replace(PULLS[0], shank=0.1)
    mixed = strengths_from(lifter, [KnownBest(DEADLIFT, given, 180.0), *bests])
    assert len(mixed.residual) == 6
    for style in ("romanian", "trap_low"):
        silent = KnownBest(DEADLIFT, usual_setup(style), 200.0)
        assert strengths_from(lifter, [silent]).firmness == "nothing", style
        assert strengths_from(lifter, [silent, *bests]).residual == pytest.approx(forward.residual)


def test_a_deadlift_that_this_body_cannot_hold_counts_for_less():
    lifter, _ = lifters()[1]
    squat = KnownBest(SQUAT, SQUATS[0], float(held_kg(lifter, SQUATS[:1])[0]))
    stiff = replace(lifter, screens=replace(lifter.screens, hip_flexion=float(radians(95.0))))
    pull = KnownBest(DEADLIFT, PULLS[0], 1.3 * squat.estimated_max_kg * 1.3)
    trusted, doubted = (strengths_from(x, [squat, pull]).residual for x in (lifter, stiff))
    assert 0 < trusted[1] < doubted[1], "less of the surplus is believed"
    assert trusted[0] < doubted[0], "and the squat is listened to more"


def test_a_lift_that_lags_behind_the_others_is_named():
    lifter, _ = lifters()[1]
    kg = held_kg(lifter, SQUATS)
    bests = [
        KnownBest(SQUAT, s, float(k)) for s, k in zip(SQUATS, kg * [1.0, 0.8, 1.0], strict=True)
    ]
    told = strengths_from(lifter, bests).told
    assert len(told) == 1
    assert told[0].startswith(f"the squat (high bar) of {0.8 * kg[1]:.0f} kg lies")
    assert told[0].endswith("skill, fear or a fault"), "not the others, which it drags along"
    fits = [KnownBest(SQUAT, s, float(k)) for s, k in zip(SQUATS, kg, strict=True)]
    assert strengths_from(lifter, fits).told == ()


def test_a_front_squat_that_lags_alone_says_upper_back():
    """Where the knees are strong; a search from the prior alone would see no slope there."""
    man = default_lifter(make_body("male", 83, 1.75))
    lifter = replace(
        man, capacities=replace(man.capacities, knee_extensors=1.3 * man.capacities.knee_extensors)
    )
    kg = held_kg(lifter, SQUATS) * [1.0, 1.0, 0.8]
    bests = [KnownBest(SQUAT, s, float(k)) for s, k in zip(SQUATS, kg, strict=True)]
    found = strengths_from(lifter, bests).capacities
    assert found.upper_back < 0.85 * lifter.capacities.upper_back
    assert found.knee_extensors > 0.9 * lifter.capacities.knee_extensors


def test_what_hurts_today_does_not_rewrite_what_was_lifted():
    """A best in a set-up that a flag closes now says the same of the strengths as before."""
    setup = replace(usual_setup("semi_sumo"), toe_out=float(radians(18)))
    known = (
        KnownBest(DEADLIFT, setup, 190.0),
        KnownBest(SQUAT, SquatSetup("low", 0.52, 0.3), 165.0),
    )
    man = default_lifter(DEFAULT_MAN)
    sore = replace(man, screens=replace(man.screens, hard=hard_limits(["knee"])))
    assert assess(DEADLIFT, sore, [setup])[1], "closed where the knee hurts"
    wanted = [usual_setup("conventional")]
    for lifter in (man, sore):
        strong = replace(lifter, capacities=strengths_from(lifter, known).capacities)
        point_kg = float(maxes_kg(DEADLIFT, strong, wanted, DEADLIFT.quick)[0])
        drawn = sample(DEADLIFT, strong, wanted, Ask(128, 1, known)).maxes_kg
        assert float(np.median(drawn)) == pytest.approx(point_kg, rel=0.06)
