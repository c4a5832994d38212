"""What limits, as shares: by how much the max would grow with one per cent more of each muscle
group. The shares add up to 1; rarely is it one group alone.
"""

from collections.abc import Sequence
from dataclasses import replace
from typing import Any

import numpy as np

from pavrik.core.fitting.candidates import groups
from pavrik.core.fitting.search import evaluate
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.lift import Lift
from pavrik.core.strength.capacities import GROUPS, scaled_by
from pavrik.core.units import Floats

STEP = 0.01
TOGETHER = {
    "hips": ("hip_extensors", "hamstrings"),
    "quads": ("knee_extensors",),
    "lower back": ("lower_back",),
    "upper back": ("upper_back",),
    "lats": ("lats",),
}
"""Muscle groups as a coach calls them."""
LEAST_TOLD = 0.08


def _each_stronger(lifter: Lifter) -> Lifter:
    """The lifter as he is, then with each muscle group a little stronger, along a leading axis."""
    capacities = lifter.capacities
    for at, group in enumerate(GROUPS, start=1):
        factor = np.ones((len(GROUPS) + 1, 1, 1, 1))
        factor[at] += STEP
        capacities = scaled_by(capacities, factor, (group,))
    return replace(lifter, capacities=capacities)


def gains(lift: Lift[Any], lifter: Lifter, setups: Sequence[Any]) -> Floats:
    """d log max / d log strength, shape (set-ups, muscle groups as ``GROUPS``), of open set-ups."""
    found = np.zeros((len(setups), len(GROUPS)))
    for places in groups(lift, setups):
        alike = [setups[place] for place in places]
        case = lift.kinematics.case(_each_stronger(lifter), alike, before=(1,))
        kg = np.log(np.maximum(evaluate(lift, case).held_max_kg, 1.0))
        found[places] = ((kg[1:] - kg[0]) / np.log1p(STEP)).T
    return np.maximum(found, 0.0)


def limit_shares(lift: Lift[Any], lifter: Lifter, setups: Sequence[Any]) -> list[dict[str, float]]:
    """For each set-up what limits, the largest share first; the shares add up to 1."""
    shares = []
    for row in gains(lift, lifter, setups):
        whole = max(float(row.sum()), 1e-9)
        by_group = dict(zip(GROUPS, row / whole, strict=True))
        named = {
            name: float(sum(by_group[part] for part in parts)) for name, parts in TOGETHER.items()
        }
        shares.append(dict(sorted(named.items(), key=lambda item: -item[1])))
    return shares


def limited_by(shares: dict[str, float]) -> str:
    """Shares in words, small ones left out."""
    told = [f"{name} {share:.0%}" for name, share in shares.items() if share >= LEAST_TOLD]
    return ", ".join(told)
