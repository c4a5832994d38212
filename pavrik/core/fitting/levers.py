"""What one centimetre more of each length is worth in kilograms, everything else as it is."""

import math
from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import Any

import numpy as np

from pavrik.core.body.segments import SEGMENTS
from pavrik.core.fitting.sampling import best_maxes_kg, explained_by_one_more
from pavrik.core.fitting.unknowns import AXES, reading_errors
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.lift import Lift

STEP_M = 0.01


def _varied(lifter: Lifter, lengths: Sequence[str]) -> Lifter:
    """The lifter with each length in turn a step longer, then each a step shorter, along a leading
    axis."""
    count = 2 * len(lengths)
    steps = np.vstack([np.eye(len(lengths)), -np.eye(len(lengths))]) * STEP_M
    own: dict[str, Any] = {
        name: (float(getattr(lifter.body, name)) + steps[:, at]).reshape(count, *AXES)
        for at, name in enumerate(lengths)
    }
    return replace(lifter, body=replace(lifter.body, **own))


def kg_per_centimetre(lift: Lift[Any], lifter: Lifter, setup: Any) -> dict[str, float]:
    """By length, the kg of the max of a set-up and its neighbours that a centimetre more of it
    brings or takes; empty where the set-up is closed a centimetre to either side."""
    maxes = best_maxes_kg(lift, _varied(lifter, SEGMENTS), [setup])[:, 0]
    if np.any(maxes <= 0):
        return {}
    longer, shorter = np.split(maxes, 2)
    return dict(zip(SEGMENTS, ((longer - shorter) / 2).tolist(), strict=True))


def worth_of_reading_kg(
    lifter: Lifter, kg_per_cm: Mapping[str, Mapping[str, float]]
) -> dict[str, float]:
    """By length, how far reading it once more is likely to move (sd, kg) the lift that it moves
    most: what its error, as it is known now, would lose. ``kg_per_cm`` by lift and length."""
    errors = reading_errors(lifter)
    moves = {
        name: errors[name] * math.sqrt(explained_by_one_more(lifter, name, errors[name]))
        for name in SEGMENTS
    }
    return {
        name: max(
            (abs(of[name]) * moves[name] / STEP_M for of in kg_per_cm.values() if name in of),
            default=0.0,
        )
        for name in SEGMENTS
    }
