"""Fit the model's free constants to the targets of ``pavrik/core/calibration/targets.json``.

    .venv/bin/python tools/calibrate.py [--lifters 20] [--generations 40]

CMA-ES over the constants below on one population; then target, reached and missed on that one and
on a second. What it prints is put into ``core/assumptions`` and ``core/squat/bar_positions`` by
hand: a calibration is a decision.
"""

import argparse
from dataclasses import replace
from multiprocessing import Pool

import cma
import numpy as np

from pavrik.core.assumptions import DEFAULT, Assumptions
from pavrik.core.calibration.outcomes import Population, outcomes, targets
from pavrik.core.calibration.population import population
from pavrik.core.squat.bar_positions import SHELVES

CONSTANTS = (
    "hip_extensors_nm", "hamstrings_nm", "knee_extensors_nm", "lower_back_nm", "upper_back_nm",
    "upper_back_in_pulls", "hamstring_at_knee", "hips_over_adductors", "knee_best_deg",
    "knee_width", "hip_best_deg", "hip_width", "lean_cost", "deficit_per_cm", "block_per_cm",
    "knee_track_cost", "neutral_lost_per_deg2",
)  # fmt: skip
FREE = {"hip_width": (0.25, 0.6), "knee_width": (0.5, 0.9), "hips_over_adductors": (1.0, 1.6),
        "hamstring_at_knee": (0.5, 0.8), "hip_best_deg": (55, 95), "knee_best_deg": (65, 95),
        "upper_back_in_pulls": (1.1, 1.6), "deficit_per_cm": (0.002, 0.024),
        "block_per_cm": (0.001, 0.009), "knee_track_cost": (0.0008, 0.004),
        "neutral_lost_per_deg2": (0.004, 0.025)}  # fmt: skip
SHELF = ("factor", "holds_lean_deg")
SEEDS = (1, 2)
INWARD = 0.02
"""Weight of the distance from the middle of a target's band, so that nothing sits on an edge."""


def start() -> np.ndarray:
    """The constants as they stand."""
    own = [getattr(DEFAULT, name) for name in CONSTANTS]
    return np.array(own + [getattr(shelf, f) for shelf in SHELVES.values() for f in SHELF])


def put(values: np.ndarray) -> Assumptions:
    """Constants put in force; the largest style factor is 1."""
    own = {name: float(v) for name, v in zip(CONSTANTS, values, strict=False)}
    own = {n: float(np.clip(v, *FREE[n])) if n in FREE else v for n, v in own.items()}
    shelves = values[len(CONSTANTS) :].reshape(len(SHELVES), len(SHELF))
    top = shelves[:, 0].max()
    for position, (factor, holds) in zip(SHELVES, shelves, strict=True):
        SHELVES[position] = replace(
            SHELVES[position], factor=float(factor / top), holds_lean_deg=float(holds)
        )
    return replace(DEFAULT, **own)


def reached(values: np.ndarray, lifters: int, seed: int) -> dict[str, float]:
    """Outcomes of a population with those constants."""
    assumed = put(values)
    men, women = (population(sex, lifters, seed, assumed) for sex in ("male", "female"))
    return outcomes(Population(men), Population(women))


def missed(task: tuple[np.ndarray, int, int]) -> float:
    """Sum of squares of what is missed."""
    found, total = reached(*task), 0.0
    for target in targets():
        value = found[target.what]
        if not np.isfinite(value):
            return 1e3
        middle, half = (target.low + target.high) / 2, (target.high - target.low) / 2
        total += min(target.missed(value), 4.0) ** 2
        total += INWARD * min(abs(value - middle) / half, 2.0) ** 2
    return total


def main() -> None:
    """Fit, print constants and the table of both seeds."""
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--lifters", type=int, default=20)
    parser.add_argument("--generations", type=int, default=40)
    asked = parser.parse_args()
    first = start()
    search = cma.CMAEvolutionStrategy(
        np.ones(len(first)), 0.03, {"popsize": 14, "maxiter": asked.generations, "seed": 7}
    )
    with Pool(2) as pool:
        while not search.stop():
            tries = search.ask()
            tasks = [(first * np.array(t), asked.lifters, SEEDS[0]) for t in tries]
            search.tell(tries, pool.map(missed, tasks))
            print(f"{search.countiter:4d} {search.result.fbest:9.3f}", flush=True)
            if search.countiter % 5 == 0:
                report(first * search.result.xbest, 0)
    report(first * search.result.xbest, 100)


def report(values: np.ndarray, lifters: int) -> None:
    """The constants, and the table for a number of lifters on both seeds."""
    assumed = put(values)
    print({name: round(getattr(assumed, name), 4) for name in CONSTANTS})
    print({n: (round(s.factor, 4), round(s.holds_lean_deg, 2)) for n, s in SHELVES.items()},
          flush=True)  # fmt: skip
    if lifters:
        one, two = (reached(values, lifters, seed) for seed in SEEDS)
        for t in targets():
            marks = "".join("*" if t.missed(f[t.what]) > 0 else " " for f in (one, two))
            print(f"{t.what:60s} {one[t.what]:8.3f} {two[t.what]:8.3f} {marks} "
                  f"{t.low:g} to {t.high:g}")  # fmt: skip


if __name__ == "__main__":
    main()
