"""The two lifts together: what holds between them and the catalogue is checked here."""

from collections.abc import Mapping, Set

from pavrik.core.deadlift import costs as deadlift_costs
from pavrik.core.faults.catalogue import Catalogue
from pavrik.core.squat import costs as squat_costs

PRICED: Mapping[str, frozenset[str]] = {
    "squat": frozenset({*squat_costs.FAULTS, *squat_costs.UNEVEN}),
    "deadlift": frozenset({*deadlift_costs.FAULTS, *deadlift_costs.ONE_SIDED}),
}
"""Ids of the faults that the model has a price for, by lift."""


def check_prices(catalogue: Catalogue, priced: Mapping[str, Set[str]] = PRICED) -> None:
    """Raise ValueError where the catalogue and the prices disagree, one way or the other."""
    problems = []
    for lift, known in priced.items():
        claimed = {f.id for f in catalogue.faults.values() if f.lift == lift and not f.watch}
        problems += [
            f"{fault}: the {lift} has no price for it, and nothing says what to watch"
            for fault in sorted(claimed - known)
        ]
        problems += [
            f"{fault}: the {lift} has a price for it, and the catalogue does not say so"
            for fault in sorted(known - claimed)
        ]
    if problems:
        raise ValueError("prices and catalogue disagree: " + "; ".join(problems))
