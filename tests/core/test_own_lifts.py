"""Strengths from a lifter's own lifts: they explain the lifts, and the short cut keeps its word."""

from dataclasses import replace

import numpy as np
import pytest

from pavrik.core.body.segments import make_body
from pavrik.core.deadlift.cases import pull_case
from pavrik.core.deadlift.evaluation import evaluate_pulls
from pavrik.core.deadlift.styles import usual_setup
from pavrik.core.fitting.lifter import Lifter, default_lifter
from pavrik.core.fitting.own_lifts import KnownBest, strengths_from
from pavrik.core.squat.cases import case_for
from pavrik.core.squat.evaluation import evaluate
from pavrik.core.squat.in_load import squats_in_load
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.strength import inverse
from pavrik.core.strength.in_load import in_load
from pavrik.core.strength.inverse import MUSCLES, scaled

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
    maxes = list(evaluate(case_for(strong, squats)).held_max_kg)
    if pulls:
        maxes += list(evaluate_pulls(pull_case(strong, pulls)).held_max_kg)
    return lifter, [
        KnownBest(setup, float(kg * np.exp(random.normal(0, 0.03))), 0.02)
        for setup, kg in zip([*squats, *pulls], maxes, strict=True)
    ]


def strengths(lifter: Lifter, log_factors) -> Lifter:
    """The lifter with capacities times exp of the factors."""
    changed = scaled(lifter.capacities, np.reshape(log_factors, (1, -1)))
    plain = {name: float(getattr(changed, name).item()) for name in MUSCLES}
    return replace(lifter, capacities=replace(lifter.capacities, **plain))


LIFTERS = [made_up(seed) for seed in range(24)]


def test_squats_in_load_hold_what_the_search_finds():
    for seed, (lifter, _) in enumerate(LIFTERS):
        case = case_for(lifter, SQUATS)
        found = evaluate(case)
        one = scaled(lifter.capacities, np.zeros((1, len(MUSCLES))))
        held = squats_in_load(case, found.held_max_kg).nearer(one).held_max_kg(one)[0]
        off = held / found.held_max_kg - 1
        assert np.all(np.abs(off)[found.feasible] < 0.007), (seed, off)
        assert np.all(np.abs(off) < 0.01), (seed, off)


def test_pulls_in_load_are_exact():
    for lifter, _ in LIFTERS:
        case = pull_case(lifter, PULLS)
        found = evaluate_pulls(case)
        held = in_load(case.held(), found.held_max_kg[:, None]).held_kg(case.capacities)
        assert held[0, :, 0] == pytest.approx(found.held_max_kg, rel=3e-4)


def test_the_search_for_strengths_ends_where_a_finer_one_ends(monkeypatch):
    found = [strengths_from(*made).capacities for made in LIFTERS]
    monkeypatch.setattr(inverse, "CLOSE_ENOUGH", 1e-8)
    for seed, (made, rough) in enumerate(zip(LIFTERS, found, strict=True)):
        fine = strengths_from(*made).capacities
        for name in MUSCLES:
            assert getattr(rough, name) == pytest.approx(getattr(fine, name), rel=0.01), (
                seed,
                name,
            )


def test_inferred_strengths_lift_what_was_lifted():
    for lifter, bests in LIFTERS:
        found = strengths_from(lifter, bests)
        strong = replace(lifter, capacities=found.capacities)
        squats = [b for b in bests if isinstance(b.setup, SquatSetup)]
        held = evaluate(case_for(strong, [b.setup for b in squats])).held_max_kg
        for best, kg, residual in zip(squats, held, found.residual, strict=False):
            assert np.log(best.estimated_max_kg / kg) == pytest.approx(residual, abs=0.01)
            assert abs(residual) < 0.12


def test_what_was_said_of_each_lift_keeps_its_place():
    lifter, bests = next(made for made in LIFTERS if len(made[1]) == 5)
    forward = strengths_from(lifter, bests)
    backward = strengths_from(lifter, bests[::-1])
    assert forward.residual == pytest.approx(backward.residual[::-1], abs=5e-3)
    given = replace(PULLS[0], shank=0.1)
    mixed = strengths_from(lifter, [KnownBest(given, 180.0), *bests])
    assert len(mixed.residual) == 6
    searched = KnownBest(usual_setup("trap_low"), 200.0)
    assert strengths_from(lifter, [searched]).firmness == "nothing"
    assert strengths_from(lifter, [searched, *bests]).residual == pytest.approx(forward.residual)
