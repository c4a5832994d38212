"""Bests of any lift with their set-ups turned into one set of strengths.

What was lifted was lifted, so screens and schools do not count here, and no lean costs more than
the most that a fit allows: a screen read low must not turn into strength. Only what makes a posture
impossible does.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any

import numpy as np

from pavrik.core.assumptions import Assumptions, assume
from pavrik.core.fitting.candidates import groups
from pavrik.core.fitting.search import angles_between, angles_round
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.case import DEEPEST, Case
from pavrik.core.lifts.lift import Lift
from pavrik.core.lifts.limit import excesses, posture_left, screens_overstepped_deg
from pavrik.core.lifts.posture import Posture
from pavrik.core.strength.capacities import Capacities
from pavrik.core.strength.in_load import PosesInLoad, in_load
from pavrik.core.strength.inverse import (
    OBSERVATION_SD,
    Inferred,
    Observed,
    inferred,
    most_likely,
    nothing_known,
)
from pavrik.core.strength.isolated_tests import TEST_SD, KnownTest, asked_nm, held_nm
from pavrik.core.units import Floats, Indices
from pavrik.words import say

DOUBT_PER_DEG = assume(
    "best_doubt_per_deg",
    0.015,
    "log per deg",
    "log error of a best per degree by which its set-up oversteps what this body can hold",
)
LAGS = assume("lift_lags", 0.06, "log", "predicted over lifted from which a lift lags")
LEADS = assume("lift_leads", 0.12, "log", "lifted over predicted from which a lift stands out")

COARSE_ANGLES = 21
FINE_ANGLES = 25
FINE_SHARE = 1 / 8
"""Of the coarse spacing: fine angles reach 1.5 coarse spacings to either side."""


@dataclass(frozen=True)
class KnownBest:
    """An estimated max in kg in one set-up of a lift, and the log error of its formula."""

    lift: Lift[Any]
    setup: Any
    estimated_max_kg: float
    rep_error: float = 0.0


@dataclass(frozen=True)
class BestsInLoad:
    """Set-ups of one lift along one axis, shank angles (rad) along a second; ``ways`` are the
    postures of the way and ``deepest`` the deepest points."""

    lift: Lift[Any]
    case: Case
    shank: Floats
    spacing: Floats
    near_kg: Floats
    ways: PosesInLoad
    deepest: Posture

    def _held_kg(self, capacities: Capacities) -> Floats:
        """At every angle, less what the lean costs; 0 where no posture exists."""
        strengths = self.case.strengths(capacities)
        load = np.min(self.ways.held_kg(strengths), axis=-1, keepdims=True)
        loaded = self.deepest.at_load(load)
        impossible = loaded.balanced.impossible | self.deepest.impossible
        left = posture_left(self.lift.limits, self.case, self.deepest, loaded)
        held = np.where(impossible, 0.0, load * left)
        return np.asarray(held[..., 0])

    def held_max_kg(self, capacities: Capacities) -> Floats:
        """What the muscles hold at the best shank, shape (K, set-ups), for K strengths laid out as
        (K, 1, 1, 1)."""
        return _peak(self._held_kg(capacities))

    def doubt(self) -> Floats:
        """Log error of each best by how far the best shank oversteps screens and schools at
        ``near_kg``: a lift in a set-up that this body cannot hold was done some other way."""
        limits, loaded = self.lift.limits, self.deepest.at_load(self.near_kg)
        over = screens_overstepped_deg(limits, excesses(limits, self.case, self.deepest, loaded))
        return np.asarray(DOUBT_PER_DEG * np.min(over, axis=(-2, -1)))

    def nearer(self, capacities: Capacities) -> "BestsInLoad":
        """Finer angles round the best ones of one strength, laid out as (1, 1, 1, 1)."""
        if not np.any(self.spacing):
            return self
        held = self._held_kg(capacities)[0]
        spacing = FINE_SHARE * self.spacing
        shank = angles_round(
            self.shank[..., 0], _best(held), spacing, FINE_ANGLES, self.case.shank_range()
        )
        return _at(self.lift, self.case, (shank, spacing), self.near_kg)


def _best(held_kg: Floats) -> Indices:
    return np.asarray(np.argmax(held_kg, axis=-1))[..., None]


def _corner(first: Floats, second: Floats, third: Floats, fourth: Floats) -> Floats:
    """Height at which the line through two values meets the line through the next two."""
    rise, fall = second - first, fourth - third
    bends = rise > fall
    beyond = (third - second - fall) / np.where(bends, rise - fall, 1.0)
    return np.where(bends, second + rise * np.clip(beyond, 0.0, 1.0), second)


def _peak(held_kg: Floats) -> Floats:
    """The most over the last axis, between the angles tried: beside the best one, where the lines
    of either side meet. Different muscles limit there, so the peak is a corner; taken at the angles
    tried alone it would jump from one to the next as strengths change."""
    best, last = _best(held_kg), held_kg.shape[-1] - 1
    inside = ((best >= 2) & (best <= last - 2))[..., 0]
    far_left, left, top, right, far_right = (
        np.take_along_axis(held_kg, np.clip(best + by, 0, last), axis=-1)[..., 0]
        for by in range(-2, 3)
    )
    corners = np.maximum(_corner(far_left, left, top, right), _corner(left, top, right, far_right))
    return np.where(inside, np.maximum(corners, top), top)


def _at(lift: Lift[Any], case: Case, shanks: tuple[Floats, Floats], near_kg: Floats) -> BestsInLoad:
    shank, spacing = shanks
    ways = in_load(case.posture(shank, lift.known_along), near_kg)
    return BestsInLoad(lift, case, shank, spacing, near_kg, ways, case.posture(shank, DEEPEST))


def bests_in_load(lifter: Lifter, bests: Sequence[KnownBest]) -> BestsInLoad:
    """Bests of one lift that one case can hold, over the whole range of the shank."""
    lift = bests[0].lift
    case, _ = lift.kinematics.case(lifter, [best.setup for best in bests]).placed()
    shanks = angles_between(*case.shank_range(), COARSE_ANGLES)
    return _at(lift, case, shanks, np.reshape(_kg(bests), (-1, 1, 1)))


@dataclass(frozen=True)
class _Bests:
    """What the set-ups of all bests hold for other strengths, group by group, and then what those
    hold in isolated tests."""

    groups: tuple[BestsInLoad, ...]
    tests: tuple[KnownTest, ...]
    assumed: Assumptions

    def held(self, capacities: Capacities) -> Floats:
        """kg of bests and N m of tests, shape (K, bests and tests)."""
        columns = [group.held_max_kg(capacities) for group in self.groups]
        if self.tests:
            columns.append(held_nm(capacities, self.tests, self.assumed))
        return np.concatenate(columns, axis=-1)

    def doubt(self) -> Floats:
        """Log error of each beyond that of lifting a best, shape (bests and tests,)."""
        return np.concatenate(
            [*(group.doubt() for group in self.groups), doubts_of_tests(self.tests)]
        )

    def nearer(self, capacities: Capacities) -> "_Bests":
        """The same with searched shanks close round those of one strength."""
        return replace(self, groups=tuple(group.nearer(capacities) for group in self.groups))

    @property
    def searched(self) -> bool:
        """Whether any shank is searched for."""
        return any(bool(np.any(group.spacing)) for group in self.groups)


def _told(best: KnownBest, residual: float, doubt: float) -> str | None:
    """What a lift that stands out says; None where it fits the others."""
    name = f"{best.lift.name} ({best.lift.short_name(best.setup)})"
    lies = say("fitting.kg_lies", name=name, estimated_max_kg=best.estimated_max_kg)
    if residual < -LAGS:
        below = say("fitting.lies_below_what_body_can", share=1 - np.exp(residual))
        return say("fitting.skill_fear_fault", lies=lies, below=below)
    if residual > LEADS and doubt > 0:
        return say("fitting.above_what_set_up", lies=lies, share=np.exp(residual) - 1)
    return None


def _kg(bests: Sequence[KnownBest]) -> Floats:
    return np.array([best.estimated_max_kg for best in bests])


def _places(bests: Sequence[KnownBest]) -> list[list[int]]:
    """Places of the bests that tell something and that one case can hold, lift by lift."""
    by_lift: dict[str, list[int]] = {}
    for place, best in enumerate(bests):
        if not best.lift.style_of(best.setup).tells_strength:
            continue
        by_lift.setdefault(best.lift.id, []).append(place)
    return [
        [places[at] for at in alike]
        for places in by_lift.values()
        for alike in groups(bests[places[0]].lift, [bests[place].setup for place in places])
    ]


def doubts_of(lifter: Lifter, bests: Sequence[KnownBest]) -> Floats:
    """Log error of each best by how far its set-up oversteps what this body can hold, shape
    (bests,); 0 where it tells nothing of strength."""
    doubts = np.zeros(len(bests))
    for places in _places(bests):
        doubts[places] = bests_in_load(lifter, [bests[place] for place in places]).doubt()
    return doubts


def doubts_of_tests(tests: Sequence[KnownTest]) -> Floats:
    """Log error of isolated tests beyond that of lifting a best, shape (tests,)."""
    return np.full(len(tests), np.sqrt(max(TEST_SD**2 - OBSERVATION_SD**2, 0.0)))


def strengths_from(
    lifter: Lifter, bests: Sequence[KnownBest], tests: Sequence[KnownTest] = ()
) -> Inferred:
    """Strengths that explain bests and isolated tests, starting from the lifter's assumed ones.

    A best in a set-up that this body cannot hold counts for less. First over the whole range of the
    shank, where it is free, then with angles close round what that found.
    """
    alike = _places(bests)
    if not alike and not tests:
        return nothing_known(lifter.capacities)
    places = [place for group in alike for place in group]
    lifts = _Bests(
        tuple(bests_in_load(lifter, [bests[at] for at in group]) for group in alike),
        tuple(tests), lifter.assumed,
    )  # fmt: skip
    doubt = lifts.doubt()
    asked = asked_nm(lifter.body, tests, lifter.assumed)
    seen = Observed(
        np.concatenate([_kg([bests[place] for place in places]), asked]),
        np.array([*(bests[place].rep_error for place in places), *(t.rep_error for t in tests)]),
        doubt,
    )
    point = most_likely(lifter.capacities, lifts.held, seen)
    if lifts.searched:
        closer = lifts.nearer(point.capacities)
        point = most_likely(lifter.capacities, closer.held, seen, point)
    found = inferred(point)
    each = {place: (found.residual[at], doubt[at]) for at, place in enumerate(places)}
    order = sorted(places)
    told = (_told(bests[place], *each[place]) for place in order)
    residual = [each[place][0] for place in order]
    return replace(found, residual=residual, told=tuple(filter(None, told)))
