"""Which plates go on the bar: smallest error first, then fewest plates, heaviest inside."""

from dataclasses import dataclass
from functools import lru_cache
from math import gcd

import numpy as np
from numpy.typing import NDArray

from pavrik.core.units import Indices
from pavrik.words import say

GRAMS = 1000
MOST_PER_SIDE_KG = 600
MOST_PER_SIDE_G = MOST_PER_SIDE_KG * GRAMS
LEAST_PLATE_KG = 0.05
UNREACHABLE = np.int16(30_000)


@dataclass(frozen=True)
class PlatePair:
    """A kind of plate and how many pairs the gym owns."""

    kg: float
    pairs: int


@dataclass(frozen=True)
class Loading:
    """Plates of one side, heaviest first; total and its error against the target, in kg."""

    per_side: tuple[float, ...]
    total_kg: float
    error_kg: float

    @property
    def exact(self) -> bool:
        return abs(self.error_kg) < 1e-6


def _check(target_kg: float, empty_kg: float, stock: tuple[PlatePair, ...]) -> None:
    problems = []
    if not 0 < target_kg <= 2 * MOST_PER_SIDE_KG:
        problems.append(
            say(
                "equipment.target_kg_outside_0",
                target_kg=target_kg,
                most_per_side_kg=2 * MOST_PER_SIDE_KG,
            )
        )
    if empty_kg <= 0:
        problems.append(say("equipment.bar_collars_weigh_kg", empty_kg=empty_kg))
    problems += [
        say(
            "equipment.plate_kg_x_pairs",
            kg=plate.kg,
            pairs=plate.pairs,
            least_plate_kg=LEAST_PLATE_KG,
        )
        for plate in stock
        if plate.kg < LEAST_PLATE_KG or plate.pairs < 0
    ]
    if problems:
        raise ValueError("\n".join(problems))


@dataclass(frozen=True)
class _Reachable:
    """Every weight that one side can hold, sorted, in steps of ``unit`` grams; ``taken[kind]`` is
    how many of that kind the fewest plates of the first kinds take, for every weight."""

    unit: int
    kinds_kg: tuple[float, ...]
    steps: tuple[int, ...]
    weights: Indices
    taken: tuple[NDArray[np.int16], ...]

    def plates(self, weight: int) -> tuple[float, ...]:
        """Plates of one side at a weight, heaviest first."""
        found: tuple[float, ...] = ()
        for kg, step, taken in reversed(
            list(zip(self.kinds_kg, self.steps, self.taken, strict=True))
        ):
            count = int(taken[weight])
            found = (kg,) * count + found
            weight -= count * step
        return found


def _take(fewest: NDArray[np.int16], step: int, pairs: int) -> NDArray[np.int16]:
    """Add a kind of plate to the fewest counts, in place; how many of it each weight takes."""
    taken = np.zeros_like(fewest)
    for count in range(1, pairs + 1):
        if step >= len(fewest):
            break
        one_more = np.where(taken[:-step] == count - 1, fewest[:-step] + 1, UNREACHABLE)
        better = np.flatnonzero(one_more < fewest[step:])
        if not len(better):
            break
        fewest[better + step] = one_more[better]
        taken[better + step] = count
    return taken


@lru_cache(maxsize=16)
def _reachable(stock: tuple[PlatePair, ...]) -> _Reachable:
    """Fewest plates for every weight, the heaviest kind first."""
    kinds = sorted((p for p in stock if p.pairs > 0), key=lambda p: -p.kg)
    grams = [round(p.kg * GRAMS) for p in kinds]
    unit = gcd(*grams) if grams else 1
    most = min(sum(g * p.pairs for g, p in zip(grams, kinds, strict=True)), MOST_PER_SIDE_G)
    fewest = np.full(most // unit + 1, UNREACHABLE, dtype=np.int16)
    fewest[0] = 0
    steps = tuple(g // unit for g in grams)
    taken = tuple(_take(fewest, step, p.pairs) for step, p in zip(steps, kinds, strict=True))
    weights = np.flatnonzero(fewest < UNREACHABLE)
    return _Reachable(unit, tuple(p.kg for p in kinds), steps, weights, taken)


def load_bar(
    target_kg: float,
    bar_kg: float,
    collars_kg: float,
    stock: tuple[PlatePair, ...],
    *,
    never_above: bool = False,
) -> Loading:
    """The loading nearest to the target; of two equally near the lighter one.

    ``collars_kg`` is the weight of both collars. ``never_above`` rounds down, as far as the empty
    bar allows. Raises ValueError on impossible input.
    """
    empty_kg = bar_kg + collars_kg
    _check(target_kg, empty_kg, stock)
    found = _reachable(stock)
    wanted = (target_kg - empty_kg) / 2 * GRAMS / found.unit
    weights = found.weights
    after = int(np.searchsorted(weights, wanted))
    near = [i for i in (after - 1, after) if 0 <= i < len(weights)]
    if never_above:
        near = [i for i in near if weights[i] <= wanted + 0.5 / found.unit] or near[:1]
    best = min(near, key=lambda i: (abs(weights[i] - wanted), weights[i]))
    total = empty_kg + 2 * float(weights[best]) * found.unit / GRAMS
    return Loading(found.plates(int(weights[best])), total, total - target_kg)


def loadings_between(
    least_kg: float,
    most_kg: float,
    bar_kg: float,
    collars_kg: float,
    stock: tuple[PlatePair, ...],
) -> list[Loading]:
    """Every total between two that the bar can be given, lightest first; no error is given."""
    found, empty_kg = _reachable(stock), bar_kg + collars_kg
    totals = empty_kg + 2 * found.weights * found.unit / GRAMS
    first, last = np.searchsorted(totals, (least_kg, most_kg + 1e-9))
    return [
        Loading(found.plates(int(weight)), float(total), 0.0)
        for weight, total in zip(found.weights[first:last], totals[first:last], strict=True)
    ]
