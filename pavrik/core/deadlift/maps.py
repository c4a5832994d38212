"""A map of the pull's predicted max over stance and toes or foot-to-bar distance."""

from dataclasses import replace
from typing import Literal

import numpy as np

from pavrik.core.deadlift.cases import needs_shank, pull_case
from pavrik.core.deadlift.evaluation import evaluate_pulls
from pavrik.core.deadlift.styles import PullSetup
from pavrik.core.fitting.setup_map import SetupMap
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.strength.use import LIMITERS
from pavrik.core.units import radians

PullAcross = Literal["toe_out_deg", "bar_offset_m", "grip_m"]
STANCES_M = tuple(round(0.16 + 0.03 * i, 2) for i in range(26))
ROWS: dict[PullAcross, tuple[float, ...]] = {
    "toe_out_deg": tuple(float(d) for d in range(0, 55, 3)),
    "bar_offset_m": tuple(round(0.005 * i, 3) for i in range(-2, 15)),
    "grip_m": tuple(round(0.36 + 0.02 * i, 2) for i in range(16)),
}


def _moved(around: PullSetup, across: PullAcross, value: float, stance: float) -> PullSetup:
    changed = {"toe_out": float(radians(value))} if across == "toe_out_deg" else {across: value}
    shank = None if needs_shank(around) else around.shank
    return replace(around, stance_m=stance, shank=shank, **changed)  # type: ignore[arg-type]


def pull_map(lifter: Lifter, around: PullSetup, across: PullAcross) -> SetupMap:
    """The map round a start: stance against another axis, the rest as it is."""
    rows = ROWS[across]
    setups = [_moved(around, across, value, stance) for value in rows for stance in STANCES_M]
    found = evaluate_pulls(pull_case(lifter, setups))
    names = list(found.short)
    over = np.argmax(np.stack([found.short[name] for name in names]), axis=0)
    limit = [
        LIMITERS[int(limiter)] if feasible else names[worst]
        for limiter, feasible, worst in zip(found.limiter, found.feasible, over, strict=True)
    ]
    shape = len(rows), len(STANCES_M)
    return SetupMap(
        across=across,
        rows=[f"{value * 100:g}" if across != "toe_out_deg" else f"{value:g}" for value in rows],
        stance_m=list(STANCES_M),
        kg=found.predicted_max_kg.reshape(shape).tolist(),
        limit=np.array(limit, dtype=object).reshape(shape).tolist(),
    )
