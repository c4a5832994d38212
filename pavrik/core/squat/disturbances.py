"""What a fault does to the pose, one small change each, at the settled set-up.

Every disturbance takes the undisturbed squat and an amount (m or rad) and returns the pose where it
bites, ready to be loaded. The load that this pose still holds is what the fault leaves.
"""

from collections.abc import Callable
from dataclasses import dataclass, replace

import numpy as np

from pavrik.core.lifter.schools import BreakSchool
from pavrik.core.lifts.phases import progress_at
from pavrik.core.linkage.legs import elevation_at_depth, squat_legs
from pavrik.core.linkage.upper_body import BarPlace
from pavrik.core.squat.evaluation import BOTTOM, SquatCase
from pavrik.core.squat.held_pose import HeldPose, hold
from pavrik.core.squat.path import lower_half
from pavrik.core.units import Floats

OUT_OF_THE_HOLE = np.array([progress_at("out of the hole")])
_SHANKS = 121


@dataclass(frozen=True)
class Undisturbed:
    """The settled squat: its case, best shank (rad, shape (1, 1, 1)) and the load on the bar."""

    case: SquatCase
    shank: Floats
    load_kg: float

    def at(self, progress: Floats, **changes: object) -> HeldPose:
        """The pose at a progress with fields of the case changed."""
        return replace(self.case, **changes).held(self.shank, progress)  # type: ignore[arg-type]


Disturb = Callable[[Undisturbed, float], HeldPose]


def _bar_height(pose: HeldPose, load_kg: float) -> Floats:
    balanced = pose.under(load_kg).balanced
    bar = pose.upper.bar
    return pose.legs.hip.z + bar.along_m * balanced.cosine - bar.forward_m * balanced.sine


def hips_early(squat: Undisturbed, rise_m: float) -> HeldPose:
    """The hips are ``rise_m`` above the bottom and the bar still is where it was there: the knees
    give way backward until lean and balance agree."""
    case, normal = squat.case, squat.at(BOTTOM)
    wanted = float(np.squeeze(_bar_height(normal, squat.load_kg)))
    hip = float(np.squeeze(normal.legs.hip.z)) + rise_m
    shank = np.linspace(-0.35, float(np.squeeze(normal.legs.shank)) + 0.1, _SHANKS)[:, None]
    foot = case.foot()

    def standing_on(angle: Floats) -> HeldPose:
        knee = foot.ankle.z + case.body.shank_m * np.cos(angle)
        legs = squat_legs(
            case.body, foot, angle, *elevation_at_depth(case.body, foot, angle, hip - knee)
        )
        return hold(
            case.body, legs, case.bar, case.balance, case.capacities, case.assumed,
            case.floor_spread,
        )  # fmt: skip

    gap = _bar_height(standing_on(shank), squat.load_kg).reshape(-1) - wanted
    order = np.argsort(gap)
    found = np.interp(0.0, gap[order], shank[order, 0])
    return standing_on(np.full((1, 1, 1), found))


def balance(squat: Undisturbed, forward_m: float) -> HeldPose:
    """Weight ``forward_m`` in front of mid-foot at the bottom (heels light), or behind it."""
    return squat.at(BOTTOM, shift_m=forward_m)


def bar_forward(squat: Undisturbed, forward_m: float) -> HeldPose:
    """Out of the hole the bar is ``forward_m`` in front of its computed path for this load."""
    case = squat.case
    share = squat.load_kg / (squat.load_kg + float(np.asarray(case.body.mass_kg)))
    moved = share if case.balance == "system" else 1.0
    return squat.at(OUT_OF_THE_HOLE, shift_m=forward_m * moved)


def depth(squat: Undisturbed, deeper_m: float) -> HeldPose:
    """The bottom ``deeper_m`` deeper; negative: higher."""
    return squat.at(BOTTOM, hip_above_knee_m=squat.case.hip_above_knee_m - deeper_m)


def stance(squat: Undisturbed, wider_m: float) -> HeldPose:
    """Feet ``wider_m`` further apart than settled."""
    return squat.at(BOTTOM, stance_m=squat.case.stance_m + wider_m)


def toes(squat: Undisturbed, turned_out: float) -> HeldPose:
    """Toes turned out by rad more than settled."""
    return squat.at(BOTTOM, toe_out=squat.case.toe_out + turned_out)


def knee_in(squat: Undisturbed, inward: float) -> HeldPose:
    """Knees inward of the toes by rad."""
    return squat.at(BOTTOM, knee_in=inward)


def bar_slides(squat: Undisturbed, down_m: float) -> HeldPose:
    """The bar ``down_m`` lower on the back than settled."""
    bar = squat.case.bar
    return squat.at(BOTTOM, bar=BarPlace(bar.along_m - down_m, bar.forward_m))


def upper_back_rounds(squat: Undisturbed, forward_m: float) -> HeldPose:
    """Out of the hole the upper back gives: the bar ``forward_m`` further before the trunk's axis
    and half as much lower."""
    bar = squat.case.bar
    rounded = BarPlace(bar.along_m - forward_m / 2, bar.forward_m + forward_m)
    return squat.at(OUT_OF_THE_HOLE, bar=rounded)


def knees_stay(squat: Undisturbed, share: float) -> HeldPose:
    """Out of the hole the shins keep ``share`` of the way forward that they had at the bottom."""
    case, normal = squat.case, squat.at(OUT_OF_THE_HOLE)
    shank = normal.legs.shank + share * (squat.shank - normal.legs.shank)
    hip = normal.legs.hip.z
    foot = case.foot()
    knee = foot.ankle.z + case.body.shank_m * np.cos(shank)
    legs = squat_legs(
        case.body, foot, shank, *elevation_at_depth(case.body, foot, shank, hip - knee)
    )
    return hold(
        case.body, legs, case.bar, case.balance, case.capacities, case.assumed, case.floor_spread
    )


def breaks(school: BreakSchool) -> Disturb:
    """The way down and up after another break school, along the deeper half."""

    def disturb(squat: Undisturbed, _: float) -> HeldPose:
        return squat.at(lower_half(), break_school=school)

    return disturb
