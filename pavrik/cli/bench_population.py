"""``pavrik bench --population``: what the model comes to over a population, beside its targets.

As the table of docs/model.md: one seed that the constants were fitted on, one held back.
"""

from pavrik.core.calibration.outcomes import Population, Target, outcomes, targets
from pavrik.core.calibration.population import population

A_SEX = 300
SEEDS = (1, 2)


def _mark(target: Target, value: float) -> str:
    if target.missed(value) == 0:
        return ""
    return "open" if target.open else "missed"


def run_population_bench(a_sex: int = A_SEX) -> None:
    """Print the table as Markdown, open targets with their reasons below it."""
    fitted, held = (
        outcomes(*(Population(population(sex, a_sex, seed)) for sex in ("male", "female")))
        for seed in SEEDS
    )
    print(
        f"| over {a_sex} lifters a sex | target | fitted on | held back | |\n|---|---|---|---|---|"
    )
    for one in targets():
        marks = {_mark(one, found[one.what]) for found in (fitted, held)} - {""}
        print(
            f"| {one.what} | {one.low:g} to {one.high:g} | {fitted[one.what]:.3g} "
            f"| {held[one.what]:.3g} | {' '.join(sorted(marks))} |"
        )
    print()
    for one in targets():
        if one.open:
            print(f"- *{one.what}*: {one.open}.")
