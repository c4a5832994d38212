"""What a fault costs at this lifter's load: kilograms, share, limiter, and the posture as a ghost.

The disturbed posture is loaded until the first capacity is used up; what is missing to the
undisturbed lift is the price. Amounts are usual sizes of the fault, changed by the coach.
"""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from typing import Any

import numpy as np

from pavrik.core.body.segments import Number
from pavrik.core.fitting.search import evaluate
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.candidate import S
from pavrik.core.lifts.case import DEEPEST
from pavrik.core.lifts.drawn import Drawn, draw
from pavrik.core.lifts.lift import Lift
from pavrik.core.lifts.limit import excesses, share_left
from pavrik.core.lifts.perturbation import OneSided, Perturbation, Undisturbed
from pavrik.core.lifts.posture import Posture
from pavrik.core.strength.capacities import knee_sideways_nm
from pavrik.core.strength.predicted_max import load_at_full_utilization
from pavrik.core.strength.utilization import LIMITERS, Utilization
from pavrik.core.units import GRAVITY_M_S2, Floats, radians
from pavrik.words import say

LEG_LIMITERS = ("hips", "legs", "quads", "knee_flexors")


@dataclass(frozen=True)
class FaultCost:
    """One fault at its amount in ``unit`` (m, deg, a share, or none): before and after in kg and
    what limits; ``most_moved`` the capacity whose use at the load rises most, with its share before
    and after; ``knee_inward_nm`` what opens each knee inward; ``drawn`` the disturbed posture at
    its hardest point, None where one leg bears more of the same one."""

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


Use = Callable[[Posture, Floats], Floats]
"""(posture, load in kg) -> the largest use of anything in it."""


def most_use(posture: Posture, load_kg: Floats) -> Floats:
    """The largest use of any capacity at a load in kg."""
    return posture.at_load(load_kg).utilization.most


@dataclass(frozen=True)
class _Priced:
    """The undisturbed lift, as it is judged: its max in kg and what limits it there."""

    lift: Lift[Any]
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

    def judge(self, fault: Perturbation, size: float) -> "_Judged":
        """A fault of a size (m, rad or a share) with the best shank that it leaves."""
        use = self._with_knee if fault.twists_knee else most_use
        if fault.shanks is None:
            return self.max_of(fault.disturb(self.undisturbed, size), use)
        shank = fault.shanks(self.undisturbed, size)
        tried = fault.disturb(replace(self.undisturbed, shank=shank), size)
        kg = np.where(tried.impossible, 0.0, self._kg(tried, use)[0]).reshape(-1)
        best = np.reshape(shank.reshape(-1)[int(np.argmax(kg))], (1, 1, 1))
        return self.max_of(fault.disturb(replace(self.undisturbed, shank=best), size), use)

    def _with_knee(self, posture: Posture, load_kg: Floats) -> Floats:
        """The largest use, where the knee bears what comes sideways and in twist beside what its
        extensors hold."""
        extra = 2 * knee_inward_nm(posture, self.undisturbed.at(DEEPEST), load_kg)
        sideways = np.maximum(extra, 0.0) / knee_sideways_nm(posture.body, posture.assumed)
        used = posture.at_load(load_kg).utilization
        return np.maximum(used.most, np.hypot(used.quads, sideways))

    def _kg(self, posture: Posture, use: Use) -> tuple[Floats, Floats]:
        """What every shank of a posture holds, less what soft limits cost at its deepest, and the
        load that each of its steps holds."""
        loads = load_at_full_utilization(lambda load: use(posture, load), posture.body.mass_kg)
        held = np.min(loads, axis=-1, keepdims=True)
        case, limits = self.undisturbed.case, self.lift.limits
        left = share_left(limits, case, excesses(limits, case, posture, posture.at_load(held)))
        return np.asarray(held * left[..., -1:]), loads

    def max_of(self, posture: Posture, use: Use = most_use) -> "_Judged":
        """A posture of one shank, judged as the undisturbed one is."""
        kg, loads = self._kg(posture, use)
        loaded = posture.at_load(np.min(loads, axis=-1, keepdims=True))
        limiters = np.broadcast_to(loaded.utilization.limiter, loads.shape).reshape(-1)
        limiter = LIMITERS[int(limiters[int(np.argmin(loads.reshape(-1)))])]
        return _Judged(posture, float(kg.reshape(-1)[0]), limiter)


@dataclass(frozen=True)
class _Judged:
    """A posture, its max in kg and what limits there."""

    posture: Posture
    kg: float
    limiter: str


def one_leg_share(shift_m: Number, stance_m: float) -> Floats:
    """What one leg bears when the mass centre is that far off the middle of the stance."""
    return np.minimum(0.5 + np.asarray(shift_m) / max(stance_m, 0.1), 1.0)


def amount_words(amount: float, unit: str) -> str:
    """The size of a fault as a coach says it."""
    if unit == "m":
        return f"{abs(amount) * 100:g} cm"
    return f"{abs(amount):g}°" if unit == "deg" else f"{abs(amount):g}"


def knee_inward_nm(posture: Posture, reference: Posture, load_kg: Number) -> Floats:
    """How much more (N m) opens and twists each knee than in a reference, at its worst step."""
    moved, still = posture.leg_lines, reference.leg_lines
    if moved is None or still is None:
        return np.zeros(())
    after, before = moved.knee_frontal.at(load_kg), still.knee_frontal.at(load_kg)
    worst = [np.max(np.abs(side), axis=-1, keepdims=True) for side in (after, before)]
    return np.asarray(worst[0] - worst[1]) / 2


def _most_moved(posture: Posture, reference: Posture, load_kg: float) -> tuple[str, float, float]:
    """The capacity whose use at the load rises most: name, share before, share after."""
    after = [float(np.max(use)) for use in posture.at_load(load_kg).utilization]
    before = [float(np.max(use)) for use in reference.at_load(load_kg).utilization]
    most = int(np.argmax(np.subtract(after, before)))
    return LIMITERS[most], before[most], after[most]


def _hardest(drawn: Drawn) -> Drawn:
    """The hardest of the drawn points of the way."""
    return drawn.at(int(np.argmax(drawn.utilization.most)))


def _left_kg(priced: _Priced, fault: Perturbation, after_kg: float, without_kg: float) -> float:
    """What the fault leaves of the max, compared as the fault says; never more than all of it."""
    before_kg = left = priced.before_kg
    if fault.against == "max":
        left = after_kg
    elif after_kg < without_kg:
        left = before_kg * after_kg / without_kg if fault.against == "ratio" else after_kg
    return min(left, before_kg)


def _cost(priced: _Priced, fault_id: str, fault: Perturbation, amount: float) -> FaultCost | None:
    """None where the fault leaves no posture at all."""
    size = float(radians(amount)) if fault.unit == "deg" else amount
    after = priced.judge(fault, size)
    posture, load_kg, before = after.posture, priced.load_kg, priced.before_kg
    if np.all(posture.impossible):
        return None
    without = priced.max_of(priced.judged) if fault.against == "max" else priced.judge(fault, 0.0)
    left = _left_kg(priced, fault, after.kg, without.kg)
    also = (
        fault.consequence(priced.undisturbed.at(DEEPEST), posture, load_kg)
        if fault.consequence
        else ""
    )
    words = fault.words.format(amount=amount_words(amount, fault.unit))
    return FaultCost(
        fault_id=fault_id,
        words=f"{words}; {also}" if also else words,
        amount=amount,
        unit=fault.unit,
        before_kg=before,
        after_kg=left,
        limiter_before=priced.limiter,
        limiter_after=after.limiter if left != before else priced.limiter,
        most_moved=_most_moved(posture, without.posture, load_kg),
        knee_inward_nm=float(np.max(knee_inward_nm(posture, without.posture, load_kg))),
        drawn=_hardest(draw(posture, posture.at_load(load_kg))),
    )


def _one_sided(
    priced: _Priced, fault_id: str, fault: OneSided, off_m: float, stance_m: float
) -> FaultCost:
    """One leg bears a larger share of what the legs hold, and the lower back holds the bar's weight
    to the side as well; arms and upper back stay as they are."""

    def share_at(load_kg: Number) -> Floats:
        of_all = load_kg / (load_kg + priced.mass_kg) if fault.of_bar else 1.0
        return one_leg_share(off_m * of_all, stance_m)

    def use(posture: Posture, load_kg: Number) -> Utilization:
        used, held = posture.at_load(load_kg).utilization, posture.capacities.lower_back
        legs = {name: getattr(used, name) * 2 * share_at(load_kg) for name in LEG_LIMITERS}
        aside = GRAVITY_M_S2 * np.asarray(load_kg) * off_m / held
        return used._replace(**legs, lower_back=np.hypot(used.lower_back, aside))

    def lifted_kg(most: Use) -> Floats:
        return load_at_full_utilization(
            lambda load: most(priced.judged, load), priced.undisturbed.case.body.mass_kg
        ).reshape(-1)

    after, before = lifted_kg(lambda p, kg: use(p, kg).most), lifted_kg(most_use)
    limiting = use(priced.judged, float(after.min())).limiter.reshape(-1)[int(np.argmin(after))]
    share = float(share_at(priced.load_kg))
    words = fault.words.format(amount=amount_words(off_m, "m"))
    aside_nm = GRAVITY_M_S2 * priced.load_kg * off_m
    return FaultCost(
        fault_id=fault_id,
        words=say("fitting.leg_bears_back_n", words=words, share=share, aside_nm=aside_nm),
        amount=off_m,
        unit="m",
        before_kg=priced.before_kg,
        after_kg=priced.before_kg * float(after.min() / before.min()),
        limiter_before=priced.limiter,
        limiter_after=LIMITERS[int(limiting)],
        most_moved=(LIMITERS[int(limiting)], 0.0, 0.0),
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
    stood = lift.kinematics.as_found(setup, found.case, float(found.shank[0]), 0)
    case, _ = lift.kinematics.case(lifter, [stood]).placed()
    undisturbed = Undisturbed(case, found.shank[:, None, None], load_kg)
    priced = _Priced(
        lift, undisturbed, undisturbed.at(lift.judged), before, LIMITERS[int(found.limiter[0])]
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
