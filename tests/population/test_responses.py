"""Answers change smoothly, no axis piles up on an edge, every fault costs more when it grows."""

from typing import Any

import numpy as np
import pytest

from pavrik.core.body.segments import make_body
from pavrik.core.calibration.population import population
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.styles import DeadliftSetup
from pavrik.core.fitting.fault_cost import fault_costs
from pavrik.core.fitting.search import evaluate
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.lifts.lift import Lift
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from tests.sizes import tried

MOST_JUMP = 0.02
BODIES = {
    "usual man": make_body("male", 83, 1.75),
    "short man": make_body("male", 68, 1.60),
    "tall man": make_body("male", 112, 1.95),
    "woman": make_body("female", 61, 1.63),
    "long thighs": make_body("male", 83, 1.75, {"thigh_m": 0.455, "trunk_m": 0.48}),
}
SQUATS = [SquatSetup(position, 0.44, float(np.deg2rad(20))) for position in ("low", "high")]
PULLS = [
    DeadliftSetup("conventional", 0.34, float(np.deg2rad(12)), 0.52),
    DeadliftSetup("sumo", 0.66, float(np.deg2rad(40)), 0.44),
]


def steps(name: str) -> list[Any]:
    """Set-ups of one lift, one centimetre or two degrees apart."""
    wide, narrow = np.arange(0.58, 0.78, 0.01), np.arange(0.34, 0.60, 0.01)
    return {
        "squat by stance": [SquatSetup("low", float(s), 0.35) for s in narrow],
        "squat by toes": [SquatSetup("high", 0.46, float(t)) for t in np.deg2rad(range(8, 37, 2))],
        "conventional by stance": [
            DeadliftSetup("conventional", float(s), 0.2, 0.54) for s in np.arange(0.26, 0.40, 0.01)
        ],
        "sumo by stance": [DeadliftSetup("sumo", float(s), 0.7, 0.44) for s in wide],
        "sumo by toes": [
            DeadliftSetup("sumo", 0.66, float(t), 0.44) for t in np.deg2rad(range(32, 47, 2))
        ],
    }[name]


@pytest.mark.parametrize(
    ("lift", "name"),
    [
        (SQUAT, "squat by stance"), (SQUAT, "squat by toes"), (DEADLIFT, "conventional by stance"),
        (DEADLIFT, "sumo by stance"), (DEADLIFT, "sumo by toes"),
    ],
)  # fmt: skip
def test_a_centimetre_or_two_degrees_are_no_jump(lift: Lift[Any], name: str):
    """Where no screen is overstepped; what a screen costs may be steep."""
    lifters = population("male", 12, 5)
    found = evaluate(lift, lift.kinematics.case(lifters, steps(name), before=(1,)))
    kg = np.where(found.left > 0.99, found.predicted_max_kg, np.nan)
    jumps = np.abs(np.diff(np.log(np.where(kg > 0, kg, np.nan)), axis=1))
    assert np.isfinite(jumps).mean() > 0.3, "enough of them are open"
    assert np.nanmax(jumps) <= MOST_JUMP


def test_no_axis_piles_up_on_one_value_or_an_edge():
    """Low bar, stance and toes free. A value is 4 cm or 4 deg wide here."""
    stances, toes = np.arange(0.28, 0.73, 0.04), np.deg2rad(range(4, 45, 4))
    setups = [SquatSetup("low", float(s), float(t)) for s in stances for t in toes]
    best = np.concatenate([
        evaluate(SQUAT, SQUAT.kinematics.case(population(sex, 30, 6), setups, before=(1,)),
                 SQUAT.quick).predicted_max_kg.argmax(axis=1)
        for sex in ("male", "female")
    ])  # fmt: skip
    for at, axis in zip(np.unravel_index(best, (len(stances), len(toes))), (stances, toes),
                        strict=True):  # fmt: skip
        counted = np.bincount(at, minlength=len(axis)) / len(best)
        assert counted.max() <= 0.35, counted
        assert counted[0] + counted[-1] <= 0.15, counted


@pytest.mark.parametrize("setup", [*SQUATS, *PULLS], ids=lambda setup: setup.style)
@pytest.mark.parametrize("who", [*BODIES][-tried(len(BODIES), 1) :])
def test_a_fault_never_pays_and_costs_more_when_it_is_larger(who, setup):
    lift: Lift[Any] = SQUAT if isinstance(setup, SquatSetup) else DEADLIFT
    lifter = default_lifter(BODIES[who])
    usual = {f: p.amount for f, p in {**lift.perturbations, **lift.one_sided}.items()}
    before = dict.fromkeys(usual, 0.0)
    for size in (0.4, 1.0, 1.6):
        for cost in fault_costs(lift, lifter, setup, 120.0, {f: size * usual[f] for f in usual}):
            assert cost.lost_kg >= before[cost.fault_id] - 0.5, (cost.fault_id, size)
            assert cost.lost_share <= 0.6 or size > 1, (cost.fault_id, size)
            before[cost.fault_id] = cost.lost_kg
    dear = sum(lost > 0.5 for lost in before.values())
    assert dear >= len(before) / 3, "a third of them cost something"
