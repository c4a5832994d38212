"""What a pull's fault costs at this lifter's load, as the squat's costs do: the disturbed start is
loaded until the first capacity is used up.
"""

from collections.abc import Callable
from dataclasses import dataclass, replace

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.deadlift.cases import PullCase, pull_case
from pavrik.core.deadlift.evaluation import evaluate_pulls
from pavrik.core.deadlift.report import with_shank
from pavrik.core.deadlift.start import HeldPull, start_pose
from pavrik.core.deadlift.styles import PullSetup
from pavrik.core.fitting.price import Price, one_leg_share
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.strength.predicted_max import load_at_full_use
from pavrik.core.strength.use import LIMITERS

Disturb = Callable[[PullCase, HeldPull, float], HeldPull]
_SHANKS = 161


def _start(case: PullCase, shank: np.ndarray | None = None) -> HeldPull:
    return replace(case, shank=shank if shank is not None else case.shank).held()


def hips_rise(case: PullCase, start: HeldPull, rise_m: float) -> HeldPull:
    """Hips ``rise_m`` up before the plates leave: knees straighten, the back gets flatter."""
    now = float(np.squeeze(start.legs.shank))
    shank = np.linspace(now - 0.7, now + 0.02, _SHANKS)[None, :]
    heights = _start(case, shank).legs.hip.z.reshape(-1)
    wanted = float(np.squeeze(start.legs.hip.z)) + rise_m
    order = np.argsort(heights)
    found = np.interp(wanted, heights[order], shank[0, order])
    return _start(case, np.full((1, 1), found))


def bar_off_shins(case: PullCase, start: HeldPull, away_m: float) -> HeldPull:
    """The bar ``away_m`` in front of the shins, the shins where they were."""
    moved = replace(case, bar_offset_m=np.asarray(case.bar_offset_m) + away_m)
    return _start(moved, start.legs.shank)


def feet_moved(case: PullCase, _: HeldPull, away_m: float) -> HeldPull:
    """The whole start with the feet ``away_m`` further from the bar; negative: nearer."""
    return replace(case, bar_offset_m=np.asarray(case.bar_offset_m) + away_m).held()


def hips_low(case: PullCase, _: HeldPull, behind_m: float) -> HeldPull:
    """Squatting the pull: shoulders ``behind_m`` behind the bar."""
    return replace(case, shoulder_offset_m=np.full((1, 1), -behind_m)).held()


def back_rounds(case: PullCase, start: HeldPull, by_m: float) -> HeldPull:
    """The upper back rounds: trunk ``by_m`` shorter, arms as much longer."""
    body = case.body
    rounded = replace(body, trunk_m=body.trunk_m - by_m, upper_arm_m=body.upper_arm_m + by_m)
    return start_pose(
        rounded, case.stance_m, case.toe_out, case.grip_m, np.asarray(case.bar_offset_m),
        np.asarray(case.bar_height_m), case.shoulder_offset_m, case.capacities, case.assumed,
        start.legs.shank,
    )  # fmt: skip


def stance_moved(case: PullCase, _: HeldPull, wider_m: float) -> HeldPull:
    """Feet ``wider_m`` further apart."""
    return replace(case, stance_m=np.asarray(case.stance_m) + wider_m).held()


def hands_moved(case: PullCase, _: HeldPull, wider_m: float) -> HeldPull:
    """Hands ``wider_m`` further apart: a lower start, a longer way."""
    return replace(case, grip_m=np.asarray(case.grip_m) + wider_m).held()


@dataclass(frozen=True)
class PricedPull:
    """A fault with a price, its usual amount in m, and the words for it."""

    disturb: Disturb
    amount_m: float
    words: str


FAULTS: dict[str, PricedPull] = {
    "hips-shoot": PricedPull(hips_rise, 0.06, "hips {cm} up before the plates leave"),
    "stiff-leg": PricedPull(hips_rise, 0.10, "knees lock early, hips {cm} up below the knee"),
    "bar-away": PricedPull(bar_off_shins, 0.04, "bar {cm} off the shins"),
    "feet-far": PricedPull(feet_moved, 0.03, "feet {cm} too far from the bar"),
    "feet-close": PricedPull(feet_moved, -0.03, "feet {cm} too close to the bar"),
    "toes-heavy": PricedPull(feet_moved, 0.05, "weight carried {cm} toward the toes"),
    "hips-low": PricedPull(hips_low, 0.04, "shoulders {cm} behind the bar"),
    "pull-upper-round": PricedPull(
        back_rounds, 0.03, "upper back rounds by {cm}: the spine pays, not the hips"
    ),
    "pull-stance-off": PricedPull(stance_moved, 0.05, "feet {cm} wider than settled"),
    "grip-off": PricedPull(hands_moved, 0.06, "hands {cm} wider than settled"),
}
for _fault_id, _priced in FAULTS.items():
    assume(f"usual_{_fault_id}", _priced.amount_m, "m", f"usual size: {_priced.words}")
ONE_SIDED: dict[str, tuple[float, str]] = {
    "bar-swings": (0.02, "bar {cm} to one side in a mixed grip"),
    "one-side-down": (0.02, "hands {cm} off centre"),
}


@dataclass(frozen=True)
class PullCost(Price):
    """The amount is in m; ``hip_rise_m`` is how far the hips still rise before the plates leave;
    ``pose`` the disturbed start."""

    hip_rise_m: float
    pose: HeldPull | None


def _held_kg(pose: HeldPull, mass_kg: float) -> float:
    load = load_at_full_use(lambda kg: pose.under(kg).use.most, mass_kg)
    return float(np.squeeze(load))


def _words(text: str, amount_m: float) -> str:
    return text.format(cm=f"{abs(amount_m) * 100:g} cm")


def pull_costs(
    lifter: Lifter, setup: PullSetup, load_kg: float, amounts: dict[str, float] | None = None
) -> list[PullCost]:
    """The price of every pull fault that has one, the dearest first; empty where the start is not
    feasible. ``amounts`` in m replaces the usual ones."""
    case = pull_case(lifter, with_shank(lifter, [setup]))
    found = evaluate_pulls(case)
    before = float(found.predicted_max_kg[0])
    if before <= 0:
        return []
    given, limiter = amounts or {}, LIMITERS[int(found.limiter[0])]
    start, mass = found.pose, float(np.asarray(lifter.body.mass_kg))
    uses = [float(np.squeeze(u)) for u in start.under(load_kg).use]
    costs = []
    for fault_id, priced in FAULTS.items():
        amount = given.get(fault_id, priced.amount_m)
        pose = priced.disturb(case, start, amount)
        if np.any(pose.impossible):
            continue
        after = _held_kg(pose, mass)
        if fault_id not in ("pull-stance-off", "grip-off"):
            after = min(after, before)
        moved = [float(np.squeeze(u)) for u in pose.under(load_kg).use]
        most = int(np.argmax(np.subtract(moved, uses)))
        rise = float(np.squeeze(start.legs.hip.z)) - float(np.squeeze(pose.legs.hip.z))
        costs.append(
            PullCost(
                fault_id, _words(priced.words, amount), amount, before, after, limiter,
                LIMITERS[int(np.squeeze(pose.under(after).use.limiter))],
                (LIMITERS[most], uses[most], moved[most]),
                rise if fault_id == "hips-low" else 0.0, pose,
            )
        )  # fmt: skip
    for fault_id, (usual, text) in ONE_SIDED.items():
        off = given.get(fault_id, usual)
        share = one_leg_share(off * load_kg / (load_kg + mass), setup.stance_m)
        words = f"{_words(text, off)}: one leg bears {share:.0%}"
        costs.append(
            PullCost(fault_id, words, off, before, before * 0.5 / share, limiter, limiter,
                     (limiter, 0.0, 0.0), 0.0, None)
        )  # fmt: skip
    return sorted(costs, key=lambda cost: -cost.lost_kg)
