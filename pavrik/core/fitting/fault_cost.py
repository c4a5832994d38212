"""What a fault costs at this lifter's load: kilograms, share, limiter, and the posture as a ghost.

The disturbed posture is loaded until the first capacity is used up; what is missing to the
undisturbed lift is the price. Amounts are usual sizes of the fault, changed by the coach.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

import numpy as np

from pavrik.core.fitting.search import evaluate
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.candidate import S
from pavrik.core.lifts.drawn import Drawn, draw
from pavrik.core.lifts.lift import Lift
from pavrik.core.lifts.perturbation import OneSided, Perturbation, Undisturbed
from pavrik.core.lifts.posture import Posture
from pavrik.core.strength.predicted_max import load_at_full_utilization
from pavrik.core.strength.utilization import LIMITERS
from pavrik.core.units import radians


@dataclass(frozen=True)
class FaultCost:
    """One fault at its amount in ``unit`` (m, deg, a share, or none): before and after in kg and
    what limits; ``most_moved`` the capacity whose use at the load rises most, with its share before
    and after; ``knee_inward_nm`` what opens each knee inward; ``drawn`` the disturbed posture at
    the load, None where one leg bears more of the same one."""

    fault_id: str
    words: str
    amount: float
    unit: str
    before_kg: float
    after_kg: float
    limiter_before: str
    limiter_after: str
    most_moved: tuple[str, float, float]
    knee_inward_nm: float
    drawn: Drawn | None

    @property
    def lost_kg(self) -> float:
        return self.before_kg - self.after_kg

    @property
    def lost_share(self) -> float:
        return self.lost_kg / self.before_kg if self.before_kg > 0 else 0.0


@dataclass(frozen=True)
class _Priced:
    """The undisturbed lift, as it is judged: its max in kg and what limits it there."""

    undisturbed: Undisturbed[Any]
    judged: Posture
    before_kg: float
    limiter: str

    @property
    def load_kg(self) -> float:
        return self.undisturbed.load_kg

    @property
    def mass_kg(self) -> float:
        return float(np.asarray(self.undisturbed.case.body.mass_kg))


def one_leg_share(shift_m: float, stance_m: float) -> float:
    """What one leg bears when the mass centre is that far off the middle of the stance."""
    return min(0.5 + shift_m / max(stance_m, 0.1), 1.0)


def amount_words(amount: float, unit: str) -> str:
    """The size of a fault as a coach says it."""
    if unit == "m":
        return f"{abs(amount) * 100:g} cm"
    return f"{abs(amount):g}°" if unit == "deg" else f"{abs(amount):g}"


def _max_of(posture: Posture) -> tuple[float, str]:
    """Load in kg that the worst step of a posture still holds, and the limiter there."""
    loads = load_at_full_utilization(
        lambda load: posture.at_load(load).utilization.most, posture.body.mass_kg
    )
    use = posture.at_load(loads).utilization
    worst = int(np.argmin(loads.reshape(-1)))
    limiters = np.broadcast_to(use.limiter, loads.shape).reshape(-1)
    return float(loads.reshape(-1)[worst]), LIMITERS[int(limiters[worst])]


def _knee_inward_nm(posture: Posture, reference: Posture, load_kg: float) -> float:
    """How much more (N m) opens each knee inward than without the fault."""
    moved, still = posture.leg_lines, reference.leg_lines
    if moved is None or still is None:
        return 0.0
    after, before = moved.knee_frontal.at(load_kg), still.knee_frontal.at(load_kg)
    return float(np.max(np.abs(after)) - np.max(np.abs(before))) / 2


def _most_moved(posture: Posture, reference: Posture, load_kg: float) -> tuple[str, float, float]:
    """The capacity whose use at the load rises most: name, share before, share after."""
    after = [float(np.max(use)) for use in posture.at_load(load_kg).utilization]
    before = [float(np.max(use)) for use in reference.at_load(load_kg).utilization]
    most = int(np.argmax(np.subtract(after, before)))
    return LIMITERS[most], before[most], after[most]


def _left_kg(fault: Perturbation, before_kg: float, after_kg: float, reference: Posture) -> float:
    """What the fault leaves of the max, compared as the fault says."""
    if fault.against == "max or more":
        return after_kg
    if fault.against == "max":
        return min(before_kg, after_kg)
    without, _ = _max_of(reference)
    if fault.against == "ratio":
        return before_kg * after_kg / without if without > 0 else 0.0
    return min(before_kg, after_kg) if after_kg < without else before_kg


def _cost(priced: _Priced, fault_id: str, fault: Perturbation, amount: float) -> FaultCost | None:
    """None where the fault leaves no posture at all."""
    size = float(radians(amount)) if fault.unit == "deg" else amount
    posture = fault.disturb(priced.undisturbed, size)
    if np.all(posture.impossible):
        return None
    alone = fault.against in ("max", "max or more")
    reference = priced.judged if alone else fault.disturb(priced.undisturbed, 0.0)
    load_kg, before = priced.load_kg, priced.before_kg
    after, limits = _max_of(posture)
    left = _left_kg(fault, before, after, reference)
    also = fault.consequence(reference, posture, load_kg) if fault.consequence else ""
    words = fault.words.format(amount=amount_words(amount, fault.unit))
    return FaultCost(
        fault_id=fault_id,
        words=f"{words}; {also}" if also else words,
        amount=amount,
        unit=fault.unit,
        before_kg=before,
        after_kg=left,
        limiter_before=priced.limiter,
        limiter_after=limits if left != before else priced.limiter,
        most_moved=_most_moved(posture, reference, load_kg),
        knee_inward_nm=_knee_inward_nm(posture, reference, load_kg),
        drawn=draw(posture, posture.at_load(load_kg)),
    )


def _one_sided(
    priced: _Priced, fault_id: str, fault: OneSided, off_m: float, stance_m: float
) -> FaultCost:
    """One leg's share of everything grows by the mass centre's shift over the stance."""
    of_all = priced.load_kg / (priced.load_kg + priced.mass_kg) if fault.of_bar else 1.0
    share = one_leg_share(off_m * of_all, stance_m)
    words = fault.words.format(amount=amount_words(off_m, "m"))
    return FaultCost(
        fault_id=fault_id,
        words=f"{words}: one leg bears {share:.0%}",
        amount=off_m,
        unit="m",
        before_kg=priced.before_kg,
        after_kg=priced.before_kg * 0.5 / share,
        limiter_before=priced.limiter,
        limiter_after=priced.limiter,
        most_moved=(priced.limiter, 0.0, 0.0),
        knee_inward_nm=0.0,
        drawn=None,
    )


def fault_costs(
    lift: Lift[S], lifter: Lifter, setup: S, load_kg: float,
    amounts: Mapping[str, float] | None = None,
) -> list[FaultCost]:  # fmt: skip
    """The price of every fault of the lift that has one, the dearest first.

    ``amounts`` (m, deg or a share, as the fault's unit says) replaces the usual ones. Empty where
    the set-up is not feasible.
    """
    found = evaluate(lift, lift.kinematics.case(lifter, [setup]))
    before = float(found.predicted_max_kg[0])
    if before <= 0:
        return []
    stood = lift.kinematics.with_shank(setup, float(found.shank[0]))
    case = lift.kinematics.case(lifter, [stood])
    undisturbed = Undisturbed(case, found.shank[:, None, None], load_kg)
    priced = _Priced(
        undisturbed, undisturbed.at(lift.judged), before, LIMITERS[int(found.limiter[0])]
    )
    given = amounts or {}
    costs = [
        _cost(priced, fault_id, fault, given.get(fault_id, fault.amount))
        for fault_id, fault in lift.perturbations.items()
    ]
    costs += [
        _one_sided(priced, fault_id, fault, given.get(fault_id, fault.amount), setup.stance_m)
        for fault_id, fault in lift.one_sided.items()
    ]
    return sorted((cost for cost in costs if cost), key=lambda cost: -cost.lost_kg)
