"""Maps of the predicted max and its limiter over two of the set-up's axes."""

from collections.abc import Sequence
from dataclasses import replace
from typing import Literal

import numpy as np

from pavrik.core.fitting.setup_map import SetupMap
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import BAR_POSITIONS
from pavrik.core.squat.cases import case_for
from pavrik.core.squat.evaluation import SAMPLING, Evaluation, evaluate, evaluate_at
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.strength.use import LIMITERS
from pavrik.core.units import radians

Across = Literal["bar_position", "shank_deg", "toe_out_deg"]
STANCES_M = tuple(round(0.26 + 0.02 * i, 2) for i in range(28))
SHANKS_DEG = tuple(float(d) for d in range(6, 45, 2))
TOES_DEG = tuple(float(d) for d in range(0, 46, 3))


def _most_overstepped(found: Evaluation) -> list[str]:
    names = list(found.shortfall_deg)
    over = np.stack([found.shortfall_deg[name] for name in names])
    return [names[i] for i in np.argmax(over, axis=0)]


def _laid_out(across: Across, rows: Sequence[str], found: Evaluation, stances: int) -> SetupMap:
    forbidden = _most_overstepped(found)
    limit = [
        LIMITERS[int(limiter)] if feasible else why
        for limiter, feasible, why in zip(found.limiter, found.feasible, forbidden, strict=True)
    ]
    kg = found.predicted_max_kg.reshape(len(rows), stances)
    names = np.array(limit, dtype=object).reshape(len(rows), stances)
    return SetupMap(across, list(rows), list(STANCES_M), kg.tolist(), names.tolist())


def setup_map(lifter: Lifter, around: SquatSetup, across: Across) -> SetupMap:
    """The map round a set-up: stance against bar position, shank or toes, the rest as it is."""
    if across == "bar_position":
        setups = [
            replace(around, bar_position=position, stance_m=stance, specialty=None)
            for position in BAR_POSITIONS
            for stance in STANCES_M
        ]
        return _laid_out(
            across, BAR_POSITIONS, evaluate(case_for(lifter, setups), SAMPLING), len(STANCES_M)
        )
    if across == "toe_out_deg":
        setups = [
            replace(around, toe_out=float(radians(toes)), stance_m=stance)
            for toes in TOES_DEG
            for stance in STANCES_M
        ]
        found = evaluate(case_for(lifter, setups), SAMPLING)
        return _laid_out(across, [f"{toes:g}" for toes in TOES_DEG], found, len(STANCES_M))
    setups = [replace(around, stance_m=stance) for _ in SHANKS_DEG for stance in STANCES_M]
    shanks = np.repeat(radians(SHANKS_DEG), len(STANCES_M))[:, None, None]
    case = case_for(lifter, setups)
    found = evaluate_at(case, shanks)
    most = float(lifter.screens.dorsiflexion) + case.foot().pitch[:, 0, 0]
    beyond = shanks[:, 0, 0] > most + 1e-9
    found = replace(
        found,
        feasible=found.feasible & ~beyond,
        predicted_max_kg=np.where(beyond, 0.0, found.predicted_max_kg),
        shortfall_deg=found.shortfall_deg
        | {"ankle": np.degrees(np.maximum(shanks[:, 0, 0] - most, 0.0))},
    )
    return _laid_out(across, [f"{shank:g}" for shank in SHANKS_DEG], found, len(STANCES_M))
