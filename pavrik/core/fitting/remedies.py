"""Why not this style: the limits that bind, in order, and the smallest change that lifts them.

Every lever is pulled alone, and in pairs where none opens the style alone, step by step over a
coarse grid; the smallest pull that makes the style feasible is the answer.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import product
from typing import Generic

import numpy as np

from pavrik.core.fitting.candidates import assess, quick_maxes_kg
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.candidate import S
from pavrik.core.lifts.grid import SetupGrid
from pavrik.core.lifts.lever import Lever
from pavrik.core.lifts.lift import Lift
from pavrik.words import say

PAIR_STEPS = 3
"""Steps of each lever that are tried in pairs."""


@dataclass(frozen=True)
class Remedy(Generic[S]):
    """The least change that makes the style feasible, the set-up where it does, and its max."""

    words: str
    setup: S
    predicted_max_kg: float
    effort: float


@dataclass(frozen=True)
class WhyNot(Generic[S]):
    """``gates`` no change of set-up lifts, so there is no remedy while one stands; ``binding`` are
    the other limits of the nearest set-up, most binding first; ``remedies`` the smallest changes,
    the easiest first."""

    style: str
    feasible: bool
    gates: list[str]
    binding: list[str]
    remedies: list[Remedy[S]]


@dataclass(frozen=True)
class _Closed(Generic[S]):
    """A style that is closed to a lifter, and the set-ups that levers are pulled on."""

    lift: Lift[S]
    lifter: Lifter
    setups: Sequence[S]

    def opened_by(self, pulls: Sequence[tuple[Lever, float]]) -> tuple[S, float] | None:
        """The best set-up, with its max in kg, once levers are pulled; None if still closed."""
        lifter, moved = self.lifter, list(self.setups)
        for lever, step in pulls:
            pairs = [lever.apply(lifter, setup, step) for setup in moved]
            lifter, moved = pairs[0][0], [setup for _, setup in pairs]
        kg = quick_maxes_kg(self.lift, lifter, moved)
        best = int(np.argmax(kg))
        return (moved[best], float(kg[best])) if kg[best] > 0 else None

    def single(self, lever: Lever) -> Remedy[S] | None:
        """The least pull of one lever that opens the style."""
        for count, step in enumerate(lever.steps, start=1):
            found = self.opened_by([(lever, step)])
            if found:
                return Remedy(lever.words.format(step=step), *found, effort=lever.effort * count)
        return None

    def pair(self, first: Lever, second: Lever) -> Remedy[S] | None:
        """The least pull of two levers that opens the style."""
        best: Remedy[S] | None = None
        steps = (enumerate(lever.steps[:PAIR_STEPS], 1) for lever in (first, second))
        for (i, a), (j, b) in product(*steps):
            effort = first.effort * i + second.effort * j
            if best and effort >= best.effort:
                continue
            found = self.opened_by([(first, a), (second, b)])
            if found:
                words = say(
                    "fitting.one_and_other",
                    first=first.words.format(step=a),
                    second=second.words.format(step=b),
                )
                best = Remedy(words, *found, effort=effort)
        return best


def _remedies(closed: _Closed[S]) -> list[Remedy[S]]:
    levers = {lever.id: lever for lever in closed.lift.levers}
    found = [closed.single(lever) for lever in levers.values()]
    if not any(found):
        found = [closed.pair(levers[a], levers[b]) for a, b in closed.lift.lever_pairs]
    return sorted((remedy for remedy in found if remedy), key=lambda remedy: remedy.effort)


def why_not(lift: Lift[S], lifter: Lifter, style: str) -> WhyNot[S]:
    """What keeps a style from this body, and what would open it."""
    whole = SetupGrid(lift, (style,), lift.chosen_by(lifter)).setups()
    open_ones, rejected = assess(lift, lifter, whole)
    if open_ones:
        return WhyNot(style, True, [], [], [])
    shut = [frozenset(lift.gates(lifter, setup)) for setup in whole]
    gates = [reason for reason in lift.gates(lifter, whole[0]) if all(reason in s for s in shut)]
    nearest = min(rejected, key=lambda r: len(r.reasons)).reasons
    binding = [reason for reason in nearest if reason not in gates]
    if gates:
        return WhyNot(style, False, gates, binding, [])
    closed = _Closed(lift, lifter, SetupGrid(lift, (style,), lift.chosen_by(lifter)).coarse())
    return WhyNot(style, False, gates, binding, _remedies(closed))
