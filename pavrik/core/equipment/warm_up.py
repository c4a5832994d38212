"""The way up to the first work set: from the empty bar, jumps shrinking, few discs handled."""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from functools import lru_cache
from itertools import combinations_with_replacement, pairwise

from pavrik.core.assumptions import assume
from pavrik.core.equipment.plates import Loading, PlatePair, load_bar, loadings_between

SHARES = (0.40, 0.55, 0.70, 0.82, 0.92)
REPS = (5, 5, 3, 2, 1)
EMPTY_REPS = 8
WINDOW = assume(
    "warm_up_window",
    0.06,
    "share",
    "share of the work load that a step may lie beside its usual share",
)
DISC_SHARE = assume(
    "warm_up_disc_share",
    0.02,
    "share",
    "a disc handled on each side is worth as much as a step that lies this far off",
)
TRIED, KEPT = 15, 40
"""Loadings tried for a step; cheapest ways kept after it, beside those with the longest jumps."""
LONG_JUMP = assume(
    "warm_up_long_jump",
    0.35,
    "share of the work load",
    "a longer jump counts as so far off its place",
)
LEFT_OUT = 5.0
"""Discs that a step left out is worth."""
MOST_ADDED = 2
"""Discs added to part of the work set's own for a step."""


@dataclass(frozen=True)
class _Way:
    """Steps so far: the last jump in kg, and what handling and offset have cost."""

    steps: tuple[tuple[int, Loading], ...]
    jump_kg: float
    cost: float


def plate_changes(before: Loading, after: Loading) -> int:
    """Discs taken off and put on, on one side; the heaviest sit inside and stay as long as they
    can."""
    same = 0
    for one, other in zip(before.per_side, after.per_side, strict=False):
        if one != other:
            break
        same += 1
    return len(before.per_side) + len(after.per_side) - 2 * same


def _extended(way: _Way, reps: int, loading: Loading, offset: float, work_kg: float) -> _Way | None:
    """The way with one more step; None where it would not rise or its jump would grow."""
    last = way.steps[-1][1]
    jump_kg = loading.total_kg - last.total_kg
    if jump_kg <= 0 or jump_kg > way.jump_kg + 1e-9:
        return None
    too_long = max(jump_kg / work_kg - LONG_JUMP, 0.0)
    cost = plate_changes(last, loading) + (offset / DISC_SHARE) ** 2 + (too_long / DISC_SHARE) ** 2
    return _Way((*way.steps, (reps, loading)), jump_kg, way.cost + cost)


def _parts(work: Loading, stock: tuple[PlatePair, ...]) -> set[tuple[float, ...]]:
    """The innermost discs of the work set with up to two lighter ones added."""
    pairs = {plate.kg: plate.pairs for plate in stock}
    found = set()
    for kept in range(len(work.per_side) + 1):
        inside = work.per_side[:kept]
        for added in range(MOST_ADDED + 1):
            for outside in combinations_with_replacement(sorted(pairs, reverse=True), added):
                side = inside + outside
                falls = all(a >= b for a, b in pairwise(side))
                if falls and all(side.count(kg) <= pairs[kg] for kg in outside):
                    found.add(side)
    return found


def _worth_keeping(ways: Iterable[_Way]) -> list[_Way]:
    """Of the ways to one loading those that nothing beats: a dearer one is kept only where its last
    jump was longer, as no jump may be longer than the one before it."""
    kept: list[_Way] = []
    longest: dict[tuple[float, ...], float] = {}
    for way in sorted(ways, key=lambda way: (way.cost, -way.jump_kg)):
        at = way.steps[-1][1].per_side
        if way.jump_kg > longest.get(at, 0.0) + 1e-9:
            longest[at] = way.jump_kg
            kept.append(way)
    return kept[:KEPT] + sorted(kept[KEPT:], key=lambda way: -way.jump_kg)[:KEPT]


@lru_cache(maxsize=512)
def warm_up(
    work_kg: float, bar_kg: float, collars_kg: float, stock: tuple[PlatePair, ...]
) -> tuple[tuple[int, Loading], ...]:
    """(reps, loading) of each warm-up set, rising strictly, all below the work set.

    Of the loadings near each usual share those are taken that need few discs handled. A step is
    left out where jumps would grow with it.
    """
    empty = Loading((), bar_kg + collars_kg, 0.0)
    if work_kg <= empty.total_kg:
        return ()
    work = load_bar(work_kg, bar_kg, collars_kg, stock, never_above=True)
    if not work.per_side:
        return ()
    parts = [Loading(side, empty.total_kg + 2 * sum(side), 0.0) for side in _parts(work, stock)]
    ways = [_Way(((EMPTY_REPS, empty),), work_kg, 0.0)]
    for share, reps in zip(SHARES, REPS, strict=True):
        low, high = (share - WINDOW) * work_kg, (share + WINDOW) * work_kg
        near = [
            *(part for part in parts if low <= part.total_kg <= high),
            *loadings_between(low, high, bar_kg, collars_kg, stock),
        ]
        between = {
            one.per_side: one for one in near if empty.total_kg < one.total_kg < work.total_kg
        }
        near = sorted(
            between.values(),
            key=lambda one: (len(one.per_side), abs(one.total_kg - share * work_kg)),
        )
        further = [
            extended
            for way in ways
            for one in near[:TRIED]
            if (extended := _extended(way, reps, one, one.total_kg / work_kg - share, work_kg))
        ]
        resting = [replace(way, cost=way.cost + LEFT_OUT) for way in ways]
        ways = _worth_keeping([*further, *resting])
    ends = [end for way in ways if (end := _extended(way, 0, work, 0.0, work_kg))]
    return min(ends, key=lambda end: end.cost).steps[:-1]
