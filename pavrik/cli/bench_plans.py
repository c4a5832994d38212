"""``pavrik bench --plans``: what comes of obeyed plans, shape by shape, over made-up lifters."""

import numpy as np

from pavrik.core.prescription.shape import shipped_shapes
from pavrik.core.simulation.proof import prove

STORIES = 30


def run_plans_bench(stories: int = STORIES) -> None:
    """Print the table as Markdown."""
    print(f"{stories} stories of twelve weeks in every shape; shares of the true max.\n")
    print("| shape | slots within 3 points (as the log can know) | ability off | attempts off "
          "| band holds | sets missed | reps at 85 % | heavy too near |")  # fmt: skip
    print("|---|---|---|---|---|---|---|---|")
    for shape in shipped_shapes().values():
        found = prove(shape, stories)
        ability, tries = (np.median(np.abs(x)) for x in (found.ability, found.attempts))
        print(
            f"| {shape.name} | {found.within_three:.0%} ({found.planned_within_three:.0%}) "
            f"| {ability:.1%} | {tries:.1%} | {found.covered:.0%} | {found.missed:.1%} "
            f"| {found.heavy:.0%} | {found.too_near} |"
        )
