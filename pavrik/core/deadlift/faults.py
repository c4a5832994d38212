"""What each fault of a deadlift does to the start, its usual size and its words."""

from dataclasses import replace

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.deadlift.kinematics import DeadliftCase
from pavrik.core.deadlift.limits import STEADY_M
from pavrik.core.deadlift.path import JUDGED
from pavrik.core.lifts.case import DEEPEST
from pavrik.core.lifts.perturbation import OneSided, Perturbation, Undisturbed
from pavrik.core.lifts.posture import Posture
from pavrik.core.units import Floats
from pavrik.words import say

Start = Undisturbed[DeadliftCase]
_SHANKS = 161
_BETWEEN = 9


def hips_rise(start: Start, rise_m: float) -> Posture:
    """Hips ``rise_m`` up before the plates leave: knees straighten, the back gets flatter."""
    now = float(np.squeeze(start.shank))
    shank = np.linspace(now - 0.7, now + 0.02, _SHANKS)[:, None]
    heights = start.case.posture(shank, DEEPEST).legs.hip.z.reshape(-1)
    wanted = float(np.squeeze(start.at(DEEPEST).legs.hip.z)) + rise_m
    order = np.argsort(heights)
    found = np.interp(wanted, heights[order], shank[order, 0])
    return start.case.posture(np.full((1, 1, 1), found), DEEPEST)


def bar_off_shins(start: Start, away_m: float) -> Posture:
    """The bar ``away_m`` in front of the shins, the shins where they were."""
    return start.at(DEEPEST, bar_offset_m=start.case.bar_offset_m + away_m, shank=start.shank)


def between(start: Start, away_m: float) -> Floats:
    """Shanks from the settled one to the one that reaches a bar ``away_m`` further off."""
    moved = replace(start.case, bar_offset_m=start.case.bar_offset_m + away_m)
    share = np.linspace(0.0, 1.0, _BETWEEN)[:, None]
    return np.asarray(start.shank + share * (moved.shank_range()[0] - start.shank))


def feet_moved(start: Start, away_m: float) -> Posture:
    """The whole start with the feet nearer to the bar (``away_m`` negative): the shins give way."""
    return start.started_anew(bar_offset_m=start.case.bar_offset_m + away_m)


def hips_low(start: Start, behind_m: float) -> Posture:
    """Squatting it up: shoulders ``behind_m`` behind the bar."""
    return start.started_anew(shoulder_offset_m=np.full((1, 1, 1), -behind_m))


def back_rounds(start: Start, rounded: float) -> Posture:
    """The upper back rounded by rad at the start and straightened with the way up."""
    return start.at(JUDGED, rounded=rounded)


def stance_moved(start: Start, wider_m: float) -> Posture:
    """Feet ``wider_m`` further apart."""
    return start.started_anew(stance_m=start.case.stance_m + wider_m)


def hands_moved(start: Start, wider_m: float) -> Posture:
    """Hands ``wider_m`` further apart: a lower start, a longer way."""
    return start.started_anew(grip_m=start.case.grip_m + wider_m)


def _hips_still_rise(before: Posture, after: Posture, _: float) -> str:
    rise = float(np.squeeze(before.legs.hip.z)) - float(np.squeeze(after.legs.hip.z))
    return say("deadlift.hips_still_rise_cm", rise=rise * 100) if rise > 0 else ""


def _out_of_balance(_: Posture, after: Posture, load_kg: float) -> str:
    centre = float(np.squeeze(after.at_load(load_kg).centre_x_m))
    if abs(centre) <= STEADY_M:
        return ""
    return say("deadlift.weight_stands_cm_from", centre=centre * 100)


def _spine_pays(before: Posture, after: Posture, load_kg: float) -> str:
    """A rounded back starts with less for the hips to hold and more for the spine."""
    was, now = (p.at_load(load_kg).utilization.upper_back.reshape(-1)[-1] for p in (before, after))
    return say("deadlift.hips_start_easier_upper", now=now, was=was)


PERTURBATIONS: dict[str, Perturbation] = {
    "hips-shoot": Perturbation(
        hips_rise, 0.06, "m", say("deadlift.hips_up_before_plates"), "max"
    ),
    "stiff-leg": Perturbation(
        hips_rise, 0.10, "m", say("deadlift.knees_lock_early_hips"), "max"
    ),
    "bar-away": Perturbation(bar_off_shins, 0.04, "m", say("deadlift.bar_off_shins"), "max"),
    "feet-far": Perturbation(
        bar_off_shins, 0.03, "m", say("deadlift.feet_too_far_from"), "max", between,
        _out_of_balance,
    ),
    "feet-close": Perturbation(
        feet_moved, -0.03, "m", say("deadlift.feet_too_close_bar"), "max", None,
        _out_of_balance,
    ),
    "toes-heavy": Perturbation(
        bar_off_shins, 0.05, "m", say("deadlift.weight_carried_toward_toes"), "max", between,
        _out_of_balance,
    ),
    "hips-low": Perturbation(
        hips_low, 0.04, "m", say("deadlift.shoulders_behind_bar"), "max", None, _hips_still_rise
    ),
    "pull-upper-round": Perturbation(
        back_rounds, 10.0, "deg", say("deadlift.upper_back_rounded_off"), "max", None,
        _spine_pays,
    ),
    "pull-stance-off": Perturbation(
        stance_moved, 0.05, "m", say("lifts.feet_wider_settled"), "ratio"
    ),
    "grip-off": Perturbation(
        hands_moved, 0.06, "m", say("deadlift.hands_wider_settled"), "ratio"
    ),
}  # fmt: skip
for _fault_id, _priced in PERTURBATIONS.items():
    assume(f"usual_{_fault_id}", _priced.amount, _priced.unit, f"usual size: {_priced.words}")
ONE_SIDED: dict[str, OneSided] = {
    "bar-swings": OneSided(0.02, say("deadlift.bar_side_mixed_grip")),
    "one-side-down": OneSided(0.02, say("deadlift.hands_off_centre")),
}
