"""What stands and hangs at the bar: the shin against it, straight arms, the upper body's masses."""

from collections.abc import Callable
from typing import NamedTuple

import numpy as np

from pavrik.core.assumptions import Assumptions, assume
from pavrik.core.body.masses import SEGMENT_MASSES
from pavrik.core.body.segments import Body, Number
from pavrik.core.linkage.foot import FootPlacement
from pavrik.core.linkage.geometry import Point, safe_root
from pavrik.core.linkage.rounded_trunk import RoundedTrunk
from pavrik.core.units import Floats, Mask

SHIN_M = assume("shin_m", 0.04, "m", "shank axis to the front of the shin")
BAR_RADIUS_M = 0.014
SECANTS = 3
REACH_M = (-0.1, 0.2)
"""Where over the foot the bar is looked for."""
MOST_STEP_M = 0.05

Place = tuple[Floats, Floats]
"""x and z in m."""


class UpperMass(NamedTuple):
    """A point mass of the upper body in kg, its x and z in m, and its place along the trunk in
    trunk lengths."""

    name: str
    kg: Number
    x: Floats
    z: Floats
    along: float


def effective_arm(body: Body, grip_m: Number) -> tuple[Floats, Mask]:
    """Height of the shoulder over straight arms with the hands that far apart, in m."""
    sideways = (np.asarray(grip_m) - body.shoulder_spacing_m) / 2
    return safe_root(np.asarray(body.arm_m) ** 2 - sideways**2)


def shin_on_bar(foot: FootPlacement, bar_x: Floats, bar_z: Floats) -> tuple[Floats, Mask]:
    """Shank lean in rad (along the toes) at which the shin touches the bar, and where the bar is
    too close over the ankle for any."""
    ahead, above = bar_x - foot.ankle.x, bar_z - foot.ankle.z
    size = np.hypot(ahead, above)
    share = (SHIN_M + BAR_RADIUS_M) / np.maximum(size, 1e-6)
    seen = np.arccos(np.clip(share, -1.0, 1.0)) - np.arctan2(above, ahead)
    return np.arctan(np.tan(seen) / np.cos(foot.toe_out)), share > 1.0


def upper_masses(
    body: Body, lean: Floats, hip: Point, bar: Place, shoulder: Place, assumed: Assumptions,
    rounded: RoundedTrunk | None = None,
) -> list[UpperMass]:  # fmt: skip
    """Trunk, head and arms as point masses; ``rounded`` where the trunk is not straight."""
    masses = SEGMENT_MASSES[body.sex]
    sine, cosine = np.sin(lean), np.cos(lean)

    def on_trunk(name: str, share: float, along_m: Number, place: float) -> UpperMass:
        x, z = rounded.at(along_m, lean) if rounded else (along_m * sine, along_m * cosine)
        return UpperMass(name, share * body.mass_kg, hip.x + x, hip.z + z, place)

    names = ("lower trunk", "middle trunk", "upper trunk")
    found = [
        on_trunk(name, share, place * body.trunk_m, place)
        for name, (share, place) in zip(names, masses.trunk, strict=True)
    ]
    head = body.trunk_m + assumed.head_centre * body.head_neck_m
    found.append(on_trunk("head", masses.head, head, 2.0))
    middle = (shoulder[0] + bar[0]) / 2, (shoulder[1] + bar[1]) / 2
    found.append(UpperMass("arms", masses.arms * body.mass_kg, *middle, 2.0))
    return found


def standing_shoulder_m(body: Body, foot: FootPlacement) -> Floats:
    """Height of the shoulders with legs and trunk straight in a stance, in m."""
    aside = foot.ankle.y - np.asarray(body.hip_spacing_m) / 2
    leg = body.shank_m + body.thigh_m
    hip = foot.ankle.z + np.sqrt(np.maximum(leg**2 - aside**2, 0.0))
    shoulder: Floats = np.asarray(hip + body.trunk_m)
    return shoulder


def balanced_offset_m(centre: Callable[[Floats], Floats], near_m: Floats) -> Floats:
    """Place of the bar in front of mid-foot in m at which the mass centre of lifter and bar is over
    it, near a first guess. ``centre`` gives the mass centre (m) with the bar at a place."""
    before, after = near_m, near_m - centre(near_m)
    was = centre(before)
    for _ in range(SECANTS):
        now = centre(after)
        apart = np.abs(now - was) > 1e-9
        step = np.where(apart, now * (after - before) / np.where(apart, now - was, 1.0), 0.0)
        before, was, after = after, now, after - np.clip(step, -MOST_STEP_M, MOST_STEP_M)
    return np.clip(after, *REACH_M)
