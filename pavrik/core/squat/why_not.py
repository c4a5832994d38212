"""Why not this style: the limits that bind, in order, and the smallest change that lifts them.

Every lever is pulled alone and in pairs, step by step, over the stances and toe angles of the grid;
the smallest pull that makes the style feasible is the answer.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from itertools import product

import numpy as np

from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import BarPosition
from pavrik.core.squat.bar_positions import SHELVES
from pavrik.core.squat.candidates import best_max_of
from pavrik.core.squat.depth import hip_above_knee_m
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.units import radians

STANCES_M = (0.32, 0.40, 0.48, 0.56)
TOES_DEG = (12.0, 22.0, 32.0)


Applied = tuple[Lifter, SquatSetup]


@dataclass(frozen=True)
class Lever:
    """One thing that can be changed: its steps in their unit, and how a step is applied."""

    id: str
    steps: tuple[float, ...]
    words: str
    effort: float
    """Weight of one step against those of other levers: a wedge is quick, mobility is months."""
    apply: Callable[[Lifter, SquatSetup, float], Applied]


def _screen(
    name: str,
) -> Callable[[Lifter, SquatSetup, float], Applied]:
    def apply(lifter: Lifter, setup: SquatSetup, step: float) -> Applied:
        screens = lifter.screens
        wider = replace(screens, **{name: getattr(screens, name) + float(radians(step))})
        return replace(lifter, screens=wider), setup

    return apply


def _heel(lifter: Lifter, setup: SquatSetup, step: float) -> Applied:
    return lifter, replace(setup, heel_lift_m=setup.heel_lift_m + step / 100)


def _shallower(lifter: Lifter, setup: SquatSetup, step: float) -> Applied:
    higher = hip_above_knee_m(lifter, setup) + step / 100
    return lifter, replace(setup, hip_above_knee_m=higher)


LEVERS = (
    Lever("heel", (1.0, 2.0, 3.0, 4.0), "heel raised {step:g} cm", 1.0, _heel),
    Lever("closing", (3.0, 6.0, 9.0, 12.0, 16.0, 20.0), "{step:g}° more neutral depth", 3.0,
          _screen("closing")),
    Lever("ankle", (3.0, 6.0, 9.0, 12.0, 16.0), "{step:g}° more ankle bend", 3.0,
          _screen("dorsiflexion")),
    Lever("depth", (2.0, 4.0, 6.0, 8.0), "stopping {step:g} cm higher", 2.0, _shallower),
)  # fmt: skip


@dataclass(frozen=True)
class Remedy:
    """The least change that makes the style feasible, the set-up where it does, and its max."""

    words: str
    setup: SquatSetup
    predicted_max_kg: float
    effort: float


@dataclass(frozen=True)
class WhyNot:
    """``gates`` no change of set-up lifts; ``binding`` are the limits of the nearest set-up, most
    binding first; ``remedies`` the smallest changes, the easiest first."""

    position: BarPosition
    feasible: bool
    gates: list[str]
    binding: list[str]
    remedies: list[Remedy]


def _setups(position: BarPosition, heel_m: float = 0.0) -> list[SquatSetup]:
    return [
        SquatSetup(position, stance, float(radians(toes)), heel_m)
        for stance, toes in product(STANCES_M, TOES_DEG)
    ]


def _best(
    lifter: Lifter, setups: Sequence[SquatSetup], pulls: Sequence[tuple[Lever, float]]
) -> tuple[SquatSetup, float] | None:
    changed = lifter
    moved = list(setups)
    for lever, step in pulls:
        pairs = [lever.apply(lifter, setup, step) for setup in moved]
        moved = [setup for _, setup in pairs]
        if lever.id in ("closing", "ankle"):
            changed = lever.apply(changed, moved[0], step)[0]
    kg = best_max_of(changed, moved)
    best = int(np.argmax(kg))
    return (moved[best], float(kg[best])) if kg[best] > 0 else None


def _single(lifter: Lifter, setups: list[SquatSetup], lever: Lever) -> Remedy | None:
    for count, step in enumerate(lever.steps, start=1):
        found = _best(lifter, setups, [(lever, step)])
        if found:
            return Remedy(lever.words.format(step=step), *found, effort=lever.effort * count)
    return None


def _pair(lifter: Lifter, setups: list[SquatSetup], first: Lever, second: Lever
          ) -> Remedy | None:  # fmt: skip
    best: Remedy | None = None
    for (i, a), (j, b) in product(enumerate(first.steps[:3], 1), enumerate(second.steps[:3], 1)):
        effort = first.effort * i + second.effort * j
        if best and effort >= best.effort:
            continue
        found = _best(lifter, setups, [(first, a), (second, b)])
        if found:
            words = f"{first.words.format(step=a)} and {second.words.format(step=b)}"
            best = Remedy(words, *found, effort=effort)
    return best


def why_not(lifter: Lifter, position: BarPosition, nearest_reasons: Sequence[str]) -> WhyNot:
    """What keeps a style from this body, and what would open it."""
    setups = _setups(position)
    bearable = lifter.screens.bearable(position)
    gates = [] if bearable else [
        f"the shoulder screen says {SHELVES[position].name} cannot be held: no change of feet or "
        "depth helps; shoulder work, or another bar"
    ]  # fmt: skip
    if np.max(best_max_of(lifter, setups + _setups(position, 0.02))) > 0 and bearable:
        return WhyNot(position, True, [], [], [])
    singles = [_single(lifter, setups, lever) for lever in LEVERS]
    remedies = [found for found in singles if found]
    if not remedies:
        heel, closing, ankle, depth = LEVERS
        tried = [(heel, closing), (heel, ankle), (heel, depth), (ankle, closing)]
        pairs = [_pair(lifter, setups, a, b) for a, b in tried]
        remedies = [found for found in pairs if found]
    return WhyNot(
        position, False, gates, list(nearest_reasons), sorted(remedies, key=lambda r: r.effort)
    )
