"""Bests of both lifts with their set-ups turned into one set of strengths."""

from collections.abc import Sequence
from dataclasses import dataclass, fields, replace
from typing import Any

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.deadlift.cases import KNOWN_SHANK, alike, pull_case, pull_strengths
from pavrik.core.deadlift.styles import PullSetup
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.squat.cases import case_for
from pavrik.core.squat.in_load import SquatsInLoad, squats_in_load
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.strength.capacities import Capacities
from pavrik.core.strength.in_load import PosesInLoad, in_load
from pavrik.core.strength.inverse import Inferred, Observed, inferred, most_likely, nothing_known
from pavrik.core.units import Floats

DOUBT_PER_DEG = assume(
    "best_doubt_per_deg",
    0.015,
    "log per deg",
    "log error of a best per degree by which its set-up oversteps what this body can hold",
)


LAGS = assume("lift_lags", 0.06, "log", "predicted over lifted from which a lift lags")
LEADS = assume("lift_leads", 0.12, "log", "lifted over predicted from which a lift stands out")


@dataclass(frozen=True)
class KnownBest:
    """An estimated max in kg in one set-up of either lift, and the log error of its formula."""

    setup: SquatSetup | PullSetup
    estimated_max_kg: float
    rep_error: float = 0.0


def _for_pulls(lifter: Lifter, capacities: Capacities) -> Capacities:
    """Capacities of shape (K, 1, 1, 1) laid out for pulls, (K, 1, 1), the arms hanging."""
    flat: dict[str, Any] = {
        f.name: value[..., 0]
        for f in fields(capacities)
        if isinstance(value := getattr(capacities, f.name), np.ndarray)
    }
    return pull_strengths(replace(lifter, capacities=replace(capacities, **flat)))


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
        hanging = _for_pulls(self.lifter, capacities)
        found += [group.held_kg(hanging)[..., 0] for group in self.pulls]
        return np.concatenate(found, axis=-1)

    def nearer(self, capacities: Capacities) -> "_Lifts":
        """The same with the squats' shank angles close round those of one strength."""
        return replace(self, squats=self.squats and self.squats.nearer(capacities))


def _told(best: KnownBest, residual: float, doubt: float) -> str | None:
    """What a lift that stands out says; None where it fits the others."""
    name = (
        f"deadlift ({best.setup.kind.name})"
        if isinstance(best.setup, PullSetup)
        else f"squat ({best.setup.shelf.name})"
    )
    lies = f"the {name} of {best.estimated_max_kg:.0f} kg lies"
    if residual < -LAGS:
        below = f"{1 - np.exp(residual):.0%} below what the body can do"
        return f"{lies} {below}: skill, fear or a fault"
    if residual > LEADS and doubt > 0:
        return (
            f"{lies} {np.exp(residual) - 1:.0%} above what its set-up would hold for this body: it "
            "was done some other way than is on record, so it says less of the strengths"
        )
    return None


def _kg(bests: Sequence[KnownBest]) -> Floats:
    return np.array([best.estimated_max_kg for best in bests])


def _groups(bests: Sequence[KnownBest]) -> list[list[int]]:
    """Places of the squats, then of the pulls that one case can hold and whose shank is known."""
    pulls = {i: b.setup for i, b in enumerate(bests) if isinstance(b.setup, PullSetup)}
    places = list(pulls)
    known = [at for kind, at in alike(list(pulls.values())).items() if kind in KNOWN_SHANK]
    squats = [place for place in range(len(bests)) if place not in pulls]
    return [squats, *([places[at] for at in group] for group in known)]


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
    each = {place: (found.residual[at], doubt[at]) for at, place in enumerate(known)}
    order = sorted(known)
    told = (_told(bests[place], *each[place]) for place in order)
    residual = [each[place][0] for place in order]
    return replace(found, residual=residual, told=tuple(filter(None, told)))
