"""What a fault costs: the lifter does the best that it leaves, and nothing is gained by one."""

from dataclasses import replace

import numpy as np
import pytest

from pavrik.core.competition_lifts import LIFTS
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.faults import between
from pavrik.core.deadlift.styles import usual_setup
from pavrik.core.fitting.fault_cost import fault_costs
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.lifts.perturbation import Undisturbed
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from tests.core.bodies import DEFAULT_MAN

MAN = default_lifter(DEFAULT_MAN)
SETUPS = {"squat": SquatSetup("low", 0.44, 0.35), "deadlift": usual_setup("conventional")}


def lost_kg(lift, fault_id: str, **amounts: float) -> float:
    found = fault_costs(lift, MAN, SETUPS[lift.id], 140.0, amounts)
    return next(cost.lost_kg for cost in found if cost.fault_id == fault_id)


@pytest.mark.parametrize("lift", LIFTS.values(), ids=lambda lift: lift.id)
def test_a_lifter_who_finds_the_best_shank_never_loses_more_than_one_who_does_not(lift):
    """Against the same faults with the shank left where it was."""
    free = {c.fault_id: c for c in fault_costs(lift, MAN, SETUPS[lift.id], 140.0)}
    stiff = replace(lift, perturbations={
        name: replace(fault, shanks=None) for name, fault in lift.perturbations.items()
    })  # fmt: skip
    found = {c.fault_id: c for c in fault_costs(stiff, MAN, SETUPS[lift.id], 140.0)}
    searched = [name for name, fault in lift.perturbations.items() if fault.shanks]
    assert searched
    against_max = [n for n in searched if lift.perturbations[n].against == "max"]
    for name in against_max:
        assert free[name].after_kg >= found[name].after_kg - 0.01, name
    if lift is SQUAT:
        assert free["heels-up"].lost_kg < 0.5 * found["heels-up"].lost_kg


@pytest.mark.parametrize("fault_id", ["high", "false-depth", "butt-wink"])
def test_a_shallower_squat_lifts_more_and_is_no_gain(fault_id):
    assert lost_kg(SQUAT, fault_id) == 0.0


def test_prices_are_of_a_size_that_a_coach_believes():
    """Common practice, no source: a usual fault costs some per cent, hardly ever a third."""
    for lift in LIFTS.values():
        for cost in fault_costs(lift, MAN, SETUPS[lift.id], 140.0):
            assert cost.lost_share < 0.35, cost.fault_id
    assert lost_kg(SQUAT, "hips-rise") > lost_kg(SQUAT, "toes-off")
    assert lost_kg(DEADLIFT, "bar-away") > lost_kg(DEADLIFT, "grip-off")


def test_a_pull_off_balance_says_so_and_costs_with_its_distance():
    lost = [lost_kg(DEADLIFT, "toes-heavy", **{"toes-heavy": m}) for m in (0.01, 0.03, 0.05)]
    assert lost == sorted(lost)
    assert lost[0] < 5 < lost[-1]
    found = fault_costs(DEADLIFT, MAN, SETUPS["deadlift"], 140.0)
    words = {cost.fault_id: cost.words for cost in found}
    assert "out of balance" in words["toes-heavy"]
    assert "out of balance" not in words["grip-off"]


def test_a_lifter_too_far_from_the_bar_may_lean_the_shin_or_reach():
    case, shank = DEADLIFT.kinematics.case(MAN, [SETUPS["deadlift"]]).placed()
    shanks = between(Undisturbed(case, np.asarray(shank), 140.0), 0.03).reshape(-1)
    assert shanks[0] == pytest.approx(float(np.squeeze(shank)))
    moved = replace(case, bar_offset_m=case.bar_offset_m + 0.03)
    assert shanks[-1] == pytest.approx(float(np.squeeze(moved.shank_range()[0])))
    assert np.all(np.diff(shanks) > 0)


def test_a_styles_factor_is_a_share_of_every_strength():
    semi = DEADLIFT.kinematics.case(MAN, [usual_setup("semi_sumo")])
    plain = DEADLIFT.kinematics.case(MAN, [usual_setup("sumo")])
    share = semi.style_factor / plain.style_factor
    for group in ("hip_extensors", "knee_extensors", "lower_back", "upper_back", "lats"):
        ratio = getattr(semi.capacities, group) / getattr(plain.capacities, group)
        assert ratio == pytest.approx(share), group
    assert float(np.squeeze(share)) < 1


def costs_of(lift, fault_id: str, sizes) -> list:
    found = [fault_costs(lift, MAN, SETUPS[lift.id], 140.0, {fault_id: size}) for size in sizes]
    return [next(c for c in costs if c.fault_id == fault_id) for costs in found]


def test_a_rounded_upper_back_spares_the_hips_and_costs_the_spine():
    """Net 2 to 4 % at a usual size (common practice, no source)."""
    costs = costs_of(DEADLIFT, "pull-upper-round", (5.0, 10.0, 20.0, 30.0))
    lost = [cost.lost_share for cost in costs]
    assert lost == sorted(lost)
    assert 0.01 < lost[1] < 0.06 < lost[2]
    assert costs[2].limiter_after == "upper_back"
    assert "hips start easier" in costs[1].words


def test_a_rounded_back_starts_with_flatter_hips_and_a_dearer_mid_back():
    case, shank = DEADLIFT.kinematics.case(MAN, [SETUPS["deadlift"]]).placed()
    flat = case.posture(np.asarray(shank), np.ones(1))
    rounded = replace(case, rounded=np.radians(15)).posture(np.asarray(shank), np.ones(1))
    used, before = (p.at_load(180.0).utilization for p in (rounded, flat))
    assert rounded.hip_flexion < flat.hip_flexion
    assert used.hips < before.hips
    assert used.upper_back > before.upper_back / 0.85 - 1e-9


def test_knees_that_fall_in_cost_by_what_the_knee_bears_sideways():
    costs = costs_of(SQUAT, "knees-in", (5.0, 10.0, 15.0, 20.0))
    assert [c.lost_kg for c in costs] == sorted(c.lost_kg for c in costs)
    assert costs[-1].lost_kg > 5
    assert [c.knee_inward_nm for c in costs] == sorted(c.knee_inward_nm for c in costs)


def test_a_shift_loads_one_leg_and_bends_the_back_to_the_side_and_leaves_the_upper_back():
    small, large = costs_of(SQUAT, "hip-shift", (0.01, 0.06))
    assert 0 < small.lost_kg < large.lost_kg
    assert f"{9.80665 * 140 * 0.06:.0f} N m to the side" in large.words
    share = 0.5 + 0.06 / SETUPS["squat"].stance_m
    assert large.lost_share > 1 - 0.5 / share, "the lifter's own weight is borne one-sided too"


def test_a_back_that_holds_the_bar_to_the_side_too_has_less_left_to_hold_it_up():
    """In a lifter whose legs have so much to spare that one of them may bear more."""
    own = MAN.capacities
    legs = {name: 3.0 * getattr(own, name)
            for name in ("hip_extensors", "hamstrings", "knee_extensors")}  # fmt: skip
    lifter = replace(MAN, capacities=replace(own, lower_back=0.5 * own.lower_back, **legs))
    costs = fault_costs(SQUAT, lifter, SETUPS["squat"], 140.0, {"hip-shift": 0.06})
    shift = next(cost for cost in costs if cost.fault_id == "hip-shift")
    assert shift.limiter_before == shift.limiter_after == "lower_back"
    assert 0.1 < shift.lost_kg < 10


def test_a_bar_off_centre_moves_less_of_the_whole_than_hips_do():
    bar, hips = lost_kg(SQUAT, "uneven-bar"), lost_kg(SQUAT, "hip-shift")
    assert 0 < bar < hips
