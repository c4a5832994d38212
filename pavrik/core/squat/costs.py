"""What a fault costs at this lifter's load: kilograms, share, limiter, and the pose as a ghost.

The disturbed pose is loaded until the first capacity is used up; the difference to the undisturbed
squat is the price. Amounts are usual sizes of the fault, changed by the coach.
"""

from dataclasses import dataclass

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.fitting.price import Price, one_leg_share
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.drawn import Drawn
from pavrik.core.squat import disturbances as disturb
from pavrik.core.squat.bench import draw
from pavrik.core.squat.cases import case_for
from pavrik.core.squat.evaluation import evaluate
from pavrik.core.squat.held_pose import HeldPose
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.strength.predicted_max import load_at_full_use
from pavrik.core.strength.use import LIMITERS
from pavrik.core.units import radians


@dataclass(frozen=True)
class Priced:
    """A fault with a price: the disturbance, its usual amount, its unit, and the words for it."""

    disturb: disturb.Disturb
    amount: float
    unit: str
    words: str


FAULTS: dict[str, Priced] = {
    "hips-rise": Priced(
        disturb.hips_early, 0.05, "m", "hips {amount} up before the bar leaves the bottom"
    ),
    "bar-forward": Priced(disturb.bar_forward, 0.04, "m", "bar {amount} in front of its path"),
    "heels-up": Priced(disturb.balance, 0.05, "m", "weight {amount} toward the toes"),
    "toes-up": Priced(disturb.balance, -0.04, "m", "weight {amount} toward the heels"),
    "too-deep": Priced(disturb.depth, 0.04, "m", "{amount} deeper than needed"),
    "high": Priced(disturb.depth, -0.03, "m", "{amount} short of depth: no lift at all"),
    "false-depth": Priced(
        disturb.depth, -0.03, "m", "feels deep, is {amount} short of depth: no lift at all"
    ),
    "butt-wink": Priced(
        disturb.depth, -0.02, "m", "stopping {amount} higher, before the lower back turns"
    ),
    "knees-in": Priced(disturb.knee_in, 10.0, "deg", "knees {amount} inside the toes"),
    "knees-stay": Priced(
        disturb.knees_stay, 1.0, "share", "shins stay where they were at the bottom"
    ),
    "knees-first": Priced(disturb.breaks("knees_first"), 0.0, "none", "knees break well first"),
    "hips-first": Priced(disturb.breaks("hips_first"), 0.0, "none", "hips break well first"),
    "bar-rolls": Priced(disturb.bar_slides, 0.03, "m", "bar {amount} down the back"),
    "upper-round": Priced(
        disturb.upper_back_rounds, 0.02, "m", "upper back rounds, bar {amount} forward on it"
    ),
    "stance-off": Priced(disturb.stance, 0.05, "m", "feet {amount} wider than settled"),
    "toes-off": Priced(disturb.toes, 8.0, "deg", "toes {amount} further out than settled"),
}
for _fault_id, _priced in FAULTS.items():
    assume(f"usual_{_fault_id}", _priced.amount, _priced.unit, f"usual size: {_priced.words}")
UNEVEN: dict[str, tuple[float, str]] = {
    "uneven-bar": (0.03, "bar {amount} off centre"),
    "hip-shift": (0.03, "hips {amount} to one side"),
    "off-centre": (0.02, "bar {amount} off centre from the rack"),
}


@dataclass(frozen=True)
class FaultCost(Price):
    """``unit`` is that of the amount; ``knee_inward_nm`` what opens each knee inward; ``drawn``
    the disturbed pose at the load, for a ghost."""

    unit: str
    knee_inward_nm: float
    drawn: Drawn | None


def _amount_words(amount: float, unit: str) -> str:
    if unit == "m":
        return f"{abs(amount) * 100:g} cm"
    return f"{abs(amount):g}°" if unit == "deg" else f"{abs(amount):g}"


def _max_of(pose: HeldPose, mass_kg: float) -> tuple[float, str]:
    """Load in kg that the worst of the poses still holds, and the limiter there."""
    loads = load_at_full_use(lambda load: pose.under(load).use.most, mass_kg)
    use = pose.under(loads).use
    worst = int(np.argmin(loads.reshape(-1)))
    limiters = np.broadcast_to(use.limiter, loads.shape).reshape(-1)
    return float(loads.reshape(-1)[worst]), LIMITERS[int(limiters[worst])]


def _knee_inward_nm(pose: HeldPose, reference: HeldPose, load_kg: float) -> float:
    moved, still = pose.plumb_moments, reference.plumb_moments
    if moved is None or still is None:
        return 0.0
    after, before = moved.knee_frontal.at(load_kg), still.knee_frontal.at(load_kg)
    return float(np.max(np.abs(after)) - np.max(np.abs(before))) / 2


def _most_moved(pose: HeldPose, reference: HeldPose, load_kg: float) -> tuple[str, float, float]:
    """The capacity whose use at the load rises most: name, share before, share after."""
    after = [float(np.max(use)) for use in pose.under(load_kg).use]
    before = [float(np.max(use)) for use in reference.under(load_kg).use]
    most = int(np.argmax(np.subtract(after, before)))
    return LIMITERS[most], before[most], after[most]


def _cost(
    squat: disturb.Undisturbed, fault_id: str, priced: Priced, amount: float, before: float,
    limiter: str,
) -> FaultCost:  # fmt: skip
    inside = float(radians(amount)) if priced.unit == "deg" else amount
    pose = priced.disturb(squat, inside)
    reference = priced.disturb(squat, 0.0)
    mass = float(np.asarray(squat.case.body.mass_kg))
    after, limits = _max_of(pose, mass)
    without, _ = _max_of(reference, mass)
    if priced.unit == "none":
        left = min(before, after)
    elif priced.disturb in (disturb.depth, disturb.stance, disturb.toes):
        left = before * after / without if without > 0 else 0.0
    else:
        left = min(before, after) if after < without else before
    return FaultCost(
        fault_id, priced.words.format(amount=_amount_words(amount, priced.unit)), amount,
        before, left, limiter, limits if left < before else limiter,
        _most_moved(pose, reference, squat.load_kg), priced.unit,
        _knee_inward_nm(pose, reference, squat.load_kg),
        draw(pose, pose.under(squat.load_kg)),
    )  # fmt: skip


def _uneven(fault_id: str, off_m: float, stance_m: float, load_kg: float, mass_kg: float,
            before: float, limiter: str) -> FaultCost:  # fmt: skip
    """One leg's share of everything grows by the mass centre's shift over the stance."""
    shift = off_m * (load_kg / (load_kg + mass_kg) if fault_id != "hip-shift" else 1.0)
    share = one_leg_share(shift, stance_m)
    after = before * 0.5 / share
    words = UNEVEN[fault_id][1].format(amount=_amount_words(off_m, "m"))
    return FaultCost(
        fault_id, f"{words}: one leg bears {share:.0%}", off_m, before, after, limiter, limiter,
        (limiter, 0.0, 0.0), "m", 0.0, None,
    )  # fmt: skip


def fault_costs(
    lifter: Lifter, setup: SquatSetup, load_kg: float, amounts: dict[str, float] | None = None
) -> list[FaultCost]:
    """The price of every squat fault that has one, the dearest first.

    ``amounts`` (m, deg or a share, as the fault's unit says) replaces the usual ones. Empty where
    the set-up is not feasible.
    """
    case = case_for(lifter, [setup])
    found = evaluate(case)
    before = float(found.predicted_max_kg[0])
    if before <= 0:
        return []
    limiter = LIMITERS[int(found.limiter[0])]
    squat = disturb.Undisturbed(case, found.shank[:, None, None], load_kg)
    given = amounts or {}
    costs = [
        _cost(squat, fault_id, priced, given.get(fault_id, priced.amount), before, limiter)
        for fault_id, priced in FAULTS.items()
    ]
    costs += [
        _uneven(
            fault_id, given.get(fault_id, usual), setup.stance_m, load_kg,
            float(np.asarray(lifter.body.mass_kg)), before, limiter,
        )
        for fault_id, (usual, _) in UNEVEN.items()
    ]  # fmt: skip
    return sorted(costs, key=lambda cost: -cost.lost_kg)
