"""What each fault of a squat does to the posture, its usual size and its words."""

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.lifter.schools import BreakSchool
from pavrik.core.lifts.case import DEEPEST
from pavrik.core.lifts.perturbation import Disturb, OneSided, Perturbation, Undisturbed
from pavrik.core.lifts.posture import Posture
from pavrik.core.linkage.upper_body import BarPlace
from pavrik.core.squat.kinematics import SquatCase, SquatPosture, lower_half
from pavrik.core.squat.phases import progress_at
from pavrik.core.squat.setup import BREAK_EXPONENT
from pavrik.core.strength.capacities import weaker_when_rounded
from pavrik.core.units import Floats, radians
from pavrik.words import say

Squat = Undisturbed[SquatCase]
OUT_OF_THE_HOLE = np.array([progress_at("out of the hole")])
_SHANKS = 121
_NEAR_DEG = np.linspace(-12.0, 12.0, 49)
"""From the settled shank: what a lifter may find under a fault."""


def _bar_height(posture: SquatPosture, load_kg: float) -> Floats:
    return posture.upper(posture.at_load(load_kg).balanced).bar[1]


def hips_early(squat: Squat, rise_m: float) -> Posture:
    """The hips are ``rise_m`` above the bottom and the bar still is where it was there: the knees
    give way backward until lean and balance agree."""
    case = squat.case
    normal = case.posture(squat.shank, DEEPEST)
    wanted = float(np.squeeze(_bar_height(normal, squat.load_kg)))
    hip = float(np.squeeze(normal.legs.hip.z)) + rise_m
    shank = np.linspace(-0.35, float(np.squeeze(normal.legs.shank)) + 0.1, _SHANKS)[:, None]
    gap = _bar_height(case.hip_at(shank, hip), squat.load_kg).reshape(-1) - wanted
    order = np.argsort(gap)
    found = np.interp(0.0, gap[order], shank[order, 0])
    return case.hip_at(np.full((1, 1, 1), found), hip)


def balance(squat: Squat, forward_m: float) -> Posture:
    """Weight ``forward_m`` in front of mid-foot at the bottom (heels light), or behind it."""
    return squat.at(DEEPEST, shift_m=forward_m)


def bar_forward(squat: Squat, forward_m: float) -> Posture:
    """Out of the hole the bar is ``forward_m`` in front of its computed path for this load."""
    case = squat.case
    share = squat.load_kg / (squat.load_kg + float(np.asarray(case.body.mass_kg)))
    moved = share if case.balance == "system" else 1.0
    return squat.at(OUT_OF_THE_HOLE, shift_m=forward_m * moved)


def depth(squat: Squat, deeper_m: float) -> Posture:
    """The bottom ``deeper_m`` deeper; negative: higher."""
    return squat.at(DEEPEST, hip_above_knee_m=squat.case.hip_above_knee_m - deeper_m)


def stance(squat: Squat, wider_m: float) -> Posture:
    """Feet ``wider_m`` further apart than settled."""
    return squat.at(DEEPEST, stance_m=squat.case.stance_m + wider_m)


def toes(squat: Squat, turned_out: float) -> Posture:
    """Toes turned out by rad more than settled."""
    return squat.at(DEEPEST, toe_out=squat.case.toe_out + turned_out)


def knee_in(squat: Squat, inward: float) -> Posture:
    """Knees inward of the toes by rad."""
    return squat.at(DEEPEST, knee_in=inward)


def bar_slides(squat: Squat, down_m: float) -> Posture:
    """The bar ``down_m`` lower on the back than settled."""
    bar = squat.case.bar
    return squat.at(DEEPEST, bar=BarPlace(bar.along_m - down_m, bar.forward_m))


def upper_back_rounds(squat: Squat, rounded: float) -> Posture:
    """Out of the hole the upper back rounds by rad: the bar turns forward round mid-back and what
    the mid-back holds gets less."""
    case = squat.case
    kink = case.assumed.midback_cut * case.body.trunk_m
    above, sine, cosine = case.bar.along_m - kink, np.sin(rounded), np.cos(rounded)
    turned = BarPlace(
        kink + above * cosine - case.bar.forward_m * sine,
        case.bar.forward_m * cosine + above * sine,
    )
    weaker = weaker_when_rounded(case.capacities, rounded)
    return squat.at(OUT_OF_THE_HOLE, bar=turned, capacities=weaker)


def knees_stay(squat: Squat, share: float) -> Posture:
    """Out of the hole the shins keep ``share`` of the way forward that they had at the bottom."""
    normal = squat.at(OUT_OF_THE_HOLE)
    shank = normal.legs.shank + share * (squat.shank - normal.legs.shank)
    return squat.case.hip_at(shank, normal.legs.hip.z)


def breaks(school: BreakSchool) -> Disturb:
    """The way down and up after another break school, along the deeper half."""

    def disturb(squat: Squat, _: float) -> Posture:
        return squat.at(lower_half(), break_power=BREAK_EXPONENT[school])

    return disturb


def near(squat: Squat, _: float) -> Floats:
    """Shanks round the settled one that the ankle allows."""
    return np.clip(squat.shank + radians(_NEAR_DEG)[:, None], *squat.case.shank_range())


PERTURBATIONS: dict[str, Perturbation] = {
    "hips-rise": Perturbation(hips_early, 0.05, "m", say("squat.hips_up_before_bar")),
    "bar-forward": Perturbation(bar_forward, 0.04, "m", say("squat.bar_front_path"), "ratio", near),
    "heels-up": Perturbation(balance, 0.05, "m", say("squat.weight_toward_toes"), shanks=near),
    "toes-up": Perturbation(balance, -0.04, "m", say("squat.weight_toward_heels"), shanks=near),
    "too-deep": Perturbation(depth, 0.04, "m", say("squat.deeper_needed"), "ratio", shanks=near),
    "high": Perturbation(depth, -0.03, "m", say("squat.short_depth_no_lift"), "ratio", shanks=near),
    "false-depth": Perturbation(
        depth,
        -0.03,
        "m",
        say("squat.feels_deep_short_depth"),
        "ratio",
        shanks=near,
    ),
    "butt-wink": Perturbation(
        depth,
        -0.02,
        "m",
        say("squat.stopping_higher_before_lower"),
        "ratio",
        shanks=near,
    ),
    "knees-in": Perturbation(
        knee_in, 10.0, "deg", say("squat.knees_inside_toes"), shanks=near, twists_knee=True
    ),
    "knees-stay": Perturbation(
        knees_stay, 1.0, "share", say("squat.shins_stay_where_they"), "ratio"
    ),
    "knees-first": Perturbation(
        breaks("knees_first"), 0.0, "none", say("squat.knees_break_well_first"), "max"
    ),
    "hips-first": Perturbation(
        breaks("hips_first"), 0.0, "none", say("squat.hips_break_well_first"), "max"
    ),
    "bar-rolls": Perturbation(bar_slides, 0.03, "m", say("squat.bar_down_back"), shanks=near),
    "upper-round": Perturbation(
        upper_back_rounds, 8.0, "deg", say("squat.upper_back_rounds_coming"), "ratio", near
    ),
    "stance-off": Perturbation(
        stance, 0.05, "m", say("lifts.feet_wider_settled"), "ratio", shanks=near
    ),
    "toes-off": Perturbation(
        toes, 8.0, "deg", say("squat.toes_further_out_settled"), "ratio", shanks=near
    ),
}
for _fault_id, _priced in PERTURBATIONS.items():
    assume(f"usual_{_fault_id}", _priced.amount, _priced.unit, f"usual size: {_priced.words}")
ONE_SIDED: dict[str, OneSided] = {
    "uneven-bar": OneSided(0.03, say("squat.bar_off_centre")),
    "hip-shift": OneSided(0.03, say("squat.hips_side"), of_bar=False),
    "off-centre": OneSided(0.02, say("squat.bar_off_centre_from")),
}
