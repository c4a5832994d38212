"""Bests of both lifts with their set-ups turned into one set of strengths."""

from collections.abc import Sequence
from dataclasses import dataclass, fields, replace
from typing import Any

import numpy as np

from pavrik.core.deadlift.cases import needs_shank, pull_case
from pavrik.core.deadlift.styles import PullSetup
from pavrik.core.fitting.lifter import Lifter
from pavrik.core.squat.cases import case_for
from pavrik.core.squat.in_load import SquatsInLoad, squats_in_load
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.strength.capacities import Capacities
from pavrik.core.strength.in_load import PosesInLoad, in_load
from pavrik.core.strength.inverse import Inferred, Observed, inferred, most_likely, nothing_known
from pavrik.core.units import Floats

DOUBT_PER_DEG = 0.015
"""Log error of a best per degree by which its set-up oversteps what this body can hold: the set-up
on record is not what was done, or not to depth. Assumption."""


LAGS, LEADS = 0.06, 0.12
"""Log of lifted over predicted from which a lift stands out: assumption."""


@dataclass(frozen=True)
class KnownBest:
    """An estimated max in kg in one set-up of either lift, and the log error of its formula."""

    setup: SquatSetup | PullSetup
    estimated_max_kg: float
    rep_error: float = 0.0


def _for_pulls(capacities: Capacities, upper_back_in_pulls: float) -> Capacities:
    """Capacities of shape (K, 1, 1, 1) laid out for pulls, (K, 1, 1), the arms hanging."""
    flat: dict[str, Any] = {
        f.name: value[..., 0]
        for f in fields(capacities)
        if isinstance(value := getattr(capacities, f.name), np.ndarray)
    }
    return replace(capacities, **flat | {"upper_back": flat["upper_back"] * upper_back_in_pulls})


@dataclass(frozen=True)
class _Lifts:
    """What set-ups hold for other strengths: squats, then pulls group by group."""

    lifter: Lifter
    squats: SquatsInLoad | None
    pulls: tuple[PosesInLoad, ...]

    def held_max_kg(self, capacities: Capacities) -> Floats:
        """Shape (K, bests)."""
        found = []
        if self.squats:
            found.append(self.squats.held_max_kg(capacities))
        hanging = _for_pulls(capacities, self.lifter.assumed.upper_back_in_pulls)
        found += [group.held_kg(hanging)[..., 0] for group in self.pulls]
        return np.concatenate(found, axis=-1)

    def nearer(self, capacities: Capacities) -> "_Lifts":
        """The same with the squats' shank angles close round those of one strength."""
        return replace(self, squats=self.squats and self.squats.nearer(capacities))


def _name(setup: SquatSetup | PullSetup) -> str:
    if isinstance(setup, PullSetup):
        return f"{setup.style.replace('_', ' ')} pull"
    if setup.specialty is not None:
        return "squat with a bar of its own"
    return "front squat" if setup.bar_position == "front" else f"{setup.bar_position}-bar squat"


def _told(best: KnownBest, residual: float) -> str | None:
    """What a lift that stands out says; None where it fits the others."""
    name = f"the {_name(best.setup)} of {best.estimated_max_kg:.0f} kg lies"
    if residual < -LAGS:
        return (
            f"{name} {1 - np.exp(residual):.0%} below what the body can do: skill, fear or a fault"
        )
    if residual > LEADS:
        return (
            f"{name} {np.exp(residual) - 1:.0%} above what its set-up would hold for this body: it "
            "was done some other way than is on record, so it says less of the strengths"
        )
    return None


def _kg(bests: Sequence[KnownBest]) -> Floats:
    return np.array([best.estimated_max_kg for best in bests])


def _groups(bests: Sequence[KnownBest]) -> list[list[int]]:
    """Places of the squats, of the pulls that lean on the bar, of those with a shank given."""
    squats, leaning, given = [], [], []
    for place, best in enumerate(bests):
        if isinstance(best.setup, SquatSetup):
            squats.append(place)
        elif best.setup.shank is not None:
            given.append(place)
        elif not needs_shank(best.setup):
            leaning.append(place)
    return [squats, leaning, given]


def _in_load(lifter: Lifter, squats: Sequence[KnownBest], *pulls: Sequence[KnownBest]) -> _Lifts:
    bars = [best.setup for best in squats if isinstance(best.setup, SquatSetup)]
    starts = [[b.setup for b in group if isinstance(b.setup, PullSetup)] for group in pulls]
    return _Lifts(
        lifter,
        squats_in_load(case_for(lifter, bars), _kg(squats)) if bars else None,
        tuple(
            in_load(pull_case(lifter, setups).held(), _kg(group)[:, None])
            for setups, group in zip(starts, pulls, strict=True)
            if setups
        ),
    )


def strengths_from(lifter: Lifter, bests: Sequence[KnownBest]) -> Inferred:
    """Strengths that explain the bests, starting from the lifter's assumed ones.

    Pulls whose shank is searched are left out. A squat in a set-up that this body cannot hold
    counts for less. First over the whole range of the ankle, then with shank angles close round
    what that found.
    """
    groups = _groups(bests)
    known = [place for group in groups for place in group]
    if not known:
        return nothing_known(lifter.capacities)
    lifts = _in_load(lifter, *([bests[place] for place in group] for group in groups))
    doubt = np.zeros(len(known))
    if lifts.squats:
        doubt[: len(groups[0])] = DOUBT_PER_DEG * lifts.squats.overstepped_deg()
    seen = Observed(
        _kg([bests[place] for place in known]),
        np.array([bests[place].rep_error for place in known]),
        doubt,
    )
    point = most_likely(lifter.capacities, lifts.held_max_kg, seen)
    if groups[0]:
        closer = lifts.nearer(point.capacities)
        point = most_likely(lifter.capacities, closer.held_max_kg, seen, point)
    found = inferred(point)
    order = sorted(known)
    residual = [found.residual[known.index(place)] for place in order]
    told = [_told(bests[place], log) for place, log in zip(order, residual, strict=True)]
    return replace(found, residual=residual, told=tuple(filter(None, told)))
