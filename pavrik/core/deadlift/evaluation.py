"""Starts by the thousand: predicted max, limits, and which capacity gives way first.

The mass centre must stand over mid-foot at the predicted max, the hands must pass the legs, the
hips must reach the hips' height with a flat back.
"""

from dataclasses import dataclass
from typing import Any

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.deadlift.cases import PullCase
from pavrik.core.deadlift.start import HeldPull, LoadedPull
from pavrik.core.lifter.mobility import abduction_limit
from pavrik.core.strength.predicted_max import load_at_full_use
from pavrik.core.units import Floats, Indices, Mask, degrees

BACK_M, FORWARD_M = -0.03, 0.01
"""Window of the mass centre round mid-foot at the predicted max, where a fit looks."""
HELD_M = 0.005
"""How far in front of the window a settled start still holds: a little more strength must not tip
a lifter over."""
LEG_HALF_M = 0.05
HAND_HALF_M = 0.045
PRESS_M = assume("hand_press_m", 0.025, "m", "how far hands may press into the legs")
_FLAG = 90.0
_PER_METRE = 400.0
"""So that 1 cm counts like 4 deg when limits are compared."""


@dataclass(frozen=True)
class PullEvaluation:
    """Per set-up, with the shank axis already searched. ``short`` per limit is how far it is
    overstepped: m for reach, room, balance and shins, deg for the rest; 0 where it is kept."""

    pose: HeldPull
    loaded: LoadedPull
    feasible: Mask
    predicted_max_kg: Floats
    held_max_kg: Floats
    limiter: Indices
    short: dict[str, Floats]
    best_shank: Indices


def leg_at_bar_m(pose: HeldPull) -> Floats:
    """How far outward the left shank's axis is at the bar's height, in m."""
    legs = pose.legs
    share = np.clip((pose.bar_z - legs.foot.ankle.z) / (legs.knee.z - legs.foot.ankle.z), 0.0, 1.0)
    return np.asarray(legs.foot.ankle.y + share * (legs.knee.y - legs.foot.ankle.y))


def room_m(case: PullCase, pose: HeldPull) -> Floats:
    """Free room between hand and leg at the bar in m; negative presses."""
    hand, leg = np.asarray(case.grip_m) / 2, leg_at_bar_m(pose)
    outside = (hand - HAND_HALF_M) - (leg + LEG_HALF_M)
    inside = (leg - LEG_HALF_M) - (hand + HAND_HALF_M)
    return np.where(case.beside, 1.0, np.where(case.inside, inside, outside))


def _short(case: PullCase, pose: HeldPull, loaded: LoadedPull) -> dict[str, Floats]:
    assumed, legs, screens = case.assumed, pose.legs, case.screens
    centre = loaded.centre_x_m
    over = {
        "reach": pose.reach_gap_m + np.where(pose.impossible, 0.05, 0.0),
        "closing": degrees(pose.closing - screens.closing),
        "abduction": degrees(legs.abduction - abduction_limit(screens, pose.closing, assumed)),
        "rotation": degrees(legs.rotation - screens.rotation),
        "ankle": degrees(legs.dorsiflexion - screens.dorsiflexion),
        "knee_track": degrees(np.abs(legs.azimuth - legs.foot.toe_out)) - assumed.knee_track_deg,
        "balance_back": BACK_M - centre,
        "balance_forward": centre - FORWARD_M - HELD_M,
        "room": -room_m(case, pose) - PRESS_M,
        "shins": np.where(legs.knee.z < pose.bar_z, pose.bar_z - legs.knee.z, 0.0)
        * np.where(case.beside, 0.0, 1.0),
        "strength": np.where(np.asarray(loaded.load_kg) <= 0, _FLAG, 0.0),
    }
    return {name: np.maximum(value, 0.0) for name, value in over.items()}


_IN_METRES = frozenset({"reach", "balance_back", "balance_forward", "room", "shins"})


def weigh(short: dict[str, Floats]) -> Floats:
    """All overstepping as one number, so that the least infeasible can be found."""
    parts = [v * (_PER_METRE if name in _IN_METRES else 1.0) for name, v in short.items()]
    return np.asarray(sum(parts[1:], parts[0]))


def evaluate_pulls(case: PullCase) -> PullEvaluation:
    """Every start's predicted max; where the shank is free, its best feasible angle."""
    pose = case.held()
    load = load_at_full_use(lambda kg: pose.under(kg).use.most, case.body.mass_kg)
    loaded = pose.under(load)
    short = _short(case, pose, loaded)
    missing = weigh(short)
    feasible = missing <= 0
    shape = np.broadcast_shapes(load.shape, missing.shape)
    load, missing = np.broadcast_to(load, shape), np.broadcast_to(missing, shape)
    feasible = np.broadcast_to(feasible, shape)
    best = np.argmax(np.where(feasible, load, -1.0 - missing), axis=-1)[..., None]

    def pick(values: Any) -> Any:
        return np.take_along_axis(np.broadcast_to(values, shape), best, axis=-1)[..., 0]

    kept = pick(feasible)
    return PullEvaluation(
        pose=pose,
        loaded=loaded,
        feasible=kept,
        predicted_max_kg=np.where(kept, pick(load), 0.0),
        held_max_kg=pick(load),
        limiter=pick(loaded.use.limiter),
        short={name: pick(value) for name, value in short.items()},
        best_shank=best[..., 0],
    )
