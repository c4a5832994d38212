"""Limits of a lift: by how much a posture oversteps them, and the sentence that says so."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from typing import Any, Literal

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import neutral_flexion
from pavrik.core.lifts.case import Case
from pavrik.core.lifts.posture import LoadedPosture, Posture
from pavrik.core.units import Floats, degrees
from pavrik.words import say

DEGREES_PER = {"deg": 1.0, "m": 400.0}
"""So that limits can be compared: 1 cm counts like 4 deg."""
FLAG_DEG = 90.0
"""What a limit counts that has no degrees of its own: no balance, no reach, no strength."""

CLOSED_SHARE = 0.5
"""Share of the max that soft limits take together before a set-up is closed."""
Excess = Callable[[Any, Any, LoadedPosture], Floats]
"""(case, posture, loaded) -> by how much a limit is overstepped; negative or 0 where it is kept."""


@dataclass(frozen=True)
class Told:
    """What a sentence about an overstepped limit may say: by how much (deg, or m), of whom, in
    which set-up, and the trunk's lean and hip flexion there."""

    over: float
    lifter: Lifter
    setup: Any
    lean_deg: float
    hip_flexion_deg: float


@dataclass(frozen=True)
class Limit:
    """One thing that a body, a rule or a school does not allow. ``hides`` names the limits of which
    nothing can be told once this one is overstepped.

    A limit with a ``price`` (share of the max per squared degree beyond it) is soft: it costs the
    more the further it is overstepped, unless it is hard for this lifter; where half of the max is
    gone a set-up is closed, and wherever it is overstepped by more than ``most_deg``. From
    ``straight_deg`` beyond it the price goes on in a straight line.
    ``screened``: it is the reading of a screen, not of the posture.
    """

    id: str
    excess: Excess
    sentence: Callable[[Told], str]
    unit: Literal["deg", "m"] = "deg"
    hides: frozenset[str] = frozenset()
    price: Callable[[Assumptions], float] | None = None
    straight_deg: float = np.inf
    most_deg: float = np.inf
    screened: bool = False

    def soft(self, case: Case) -> bool:
        """Whether it only costs, for the lifters of a case."""
        return self.price is not None and self.id not in case.screens.hard

    def broken_deg(self, case: Case, over: Floats) -> Floats:
        """Degrees of overstepping that no price pays for."""
        free = self.most_deg if self.soft(case) else 0.0
        return np.asarray(np.maximum(over * DEGREES_PER[self.unit] - free, 0.0))

    def cost(self, case: Case, over: Floats) -> Floats:
        """Share of the max that overstepping by so much (in the limit's unit) takes."""
        if self.price is None or not self.soft(case):
            return np.zeros_like(over)
        by_deg = over * DEGREES_PER[self.unit]
        bent = np.minimum(by_deg, self.straight_deg)
        return np.asarray(self.price(case.assumed) * bent * (2.0 * by_deg - bent))


def screen_price(assumed: Assumptions) -> float:
    """Of a screen, share per squared degree: half of the max some degrees beyond it."""
    return 0.5 / assumed.overstep_half_deg**2


def lean_price(assumed: Assumptions) -> float:
    """Of lean beyond what a bar position holds well, share per squared degree."""
    return assumed.lean_cost


def balance_price(assumed: Assumptions) -> float:
    """Of a mass centre off mid-foot, share per squared degree."""
    return 0.5 / (DEGREES_PER["m"] * assumed.off_balance_half_m) ** 2


def knee_track_price(assumed: Assumptions) -> float:
    """Of knees that do not follow the toes, share per squared degree."""
    return assumed.knee_track_cost


def excesses(
    limits: Sequence[Limit], case: Case, posture: Posture, loaded: LoadedPosture
) -> dict[str, Floats]:
    """By how much each limit is overstepped at the deepest point, in its unit; 0 where kept."""
    return {limit.id: np.maximum(limit.excess(case, posture, loaded), 0.0) for limit in limits}


def shut_deg(limits: Sequence[Limit], case: Case, over: Mapping[str, Floats]) -> Floats:
    """How far a set-up is closed, as one number of degrees, so that the least infeasible can be
    found; 0 where it is open: nothing hard is overstepped, and what is soft takes half at most."""
    too_dear = np.maximum(_lost(limits, case, over) - CLOSED_SHARE, 0.0)
    return broken_deg(limits, case, over) + FLAG_DEG * too_dear


def broken_deg(limits: Sequence[Limit], case: Case, over: Mapping[str, Floats]) -> Floats:
    """All overstepping that is not only priced, as one number of degrees."""
    parts = [limit.broken_deg(case, over[limit.id]) for limit in limits]
    return np.asarray(sum(parts, np.zeros(())))


def screens_overstepped_deg(limits: Sequence[Limit], over: Mapping[str, Floats]) -> Floats:
    """All overstepping of what a body or a school allows as one number of degrees; what the posture
    itself costs is not counted."""
    parts = [
        over[limit.id] * DEGREES_PER[limit.unit]
        for limit in limits
        if limit.screened or limit.price is None
    ]
    return np.asarray(sum(parts, np.zeros(())))


def _lost(limits: Sequence[Limit], case: Case, over: Mapping[str, Floats]) -> Floats:
    return sum((limit.cost(case, over[limit.id]) for limit in limits), np.zeros(()))


def share_left(limits: Sequence[Limit], case: Case, over: Mapping[str, Floats]) -> Floats:
    """Share of the max that soft limits leave."""
    return np.maximum(1.0 - _lost(limits, case, over), 0.0)


def posture_left(
    limits: Sequence[Limit], case: Case, posture: Posture, loaded: LoadedPosture
) -> Floats:
    """Share of the max that a posture leaves by itself, whatever the screens say; at least half: a
    lift in it was done."""
    return own_share_left(limits, case, excesses(limits, case, posture, loaded))


def own_share_left(limits: Sequence[Limit], case: Case, over: Mapping[str, Floats]) -> Floats:
    """The same from what is overstepped."""
    own = [limit for limit in limits if limit.price is not None and not limit.screened]
    return np.maximum(share_left(own, case, over), CLOSED_SHARE)


def reasons_for(
    limits: Sequence[Limit], over: Mapping[str, float], told: Callable[[float], Told]
) -> list[str]:
    """One sentence for every overstepped limit that can be told, the most binding first."""
    broken = [limit for limit in limits if over.get(limit.id, 0.0) > 0]
    moot = {hidden for limit in broken for hidden in limit.hides}
    binding = [limit for limit in broken if limit.id not in moot]
    binding.sort(key=lambda limit: (-over[limit.id] * DEGREES_PER[limit.unit], limit.id))
    return [limit.sentence(told(over[limit.id])) for limit in binding]


def beyond_hip_flexion(case: Case, posture: Posture, loaded: LoadedPosture) -> Floats:
    """Degrees of flexion over the thigh beyond the neutral depth that was screened."""
    neutral = neutral_flexion(case.screens, posture.legs.abduction, case.assumed)
    return degrees(loaded.hip_flexion - neutral)


def beyond_abduction(case: Case, posture: Posture, _: LoadedPosture) -> Floats:
    """Degrees of abduction beyond what a flexed hip opens."""
    return degrees(posture.legs.abduction - case.screens.abduction)


def beyond_rotation(case: Case, posture: Posture, _: LoadedPosture) -> Floats:
    """Degrees that the thigh turns out beyond the rotation screen."""
    return degrees(posture.legs.rotation - case.screens.rotation)


def beyond_knee_track(case: Case, posture: Posture, _: LoadedPosture) -> Floats:
    """Degrees that the thigh turns away from the toes beyond what knees bear."""
    legs = posture.legs
    away = degrees(np.abs(legs.azimuth - legs.foot.toe_out))
    return np.asarray(away - case.assumed.knee_track_deg)


def without_strength(_: Case, __: Posture, loaded: LoadedPosture) -> Floats:
    """A flag where the body alone is too much."""
    return np.where(np.asarray(loaded.load_kg) <= 0, FLAG_DEG, 0.0)


def strength_sentence(_: Told) -> str:
    """The same for every lift."""
    return say("lifts.body_alone_asks_more")


def hip_flexion_sentence(remedy: str) -> Callable[[Told], str]:
    """Of a hip that would flex further than the lower back allows; what helps differs by lift."""

    def sentence(told: Told) -> str:
        neutral = float(degrees(told.lifter.screens.hip_flexion))
        return say(
            "lifts.hip_would_bend_more",
            hip_flexion_deg=told.hip_flexion_deg,
            over=told.over,
            neutral=neutral,
            remedy=remedy,
        )

    return sentence


def knee_track_sentence(told: Told) -> str:
    """The same for every lift."""
    return say("lifts.thigh_would_turn_more", over=told.over)
