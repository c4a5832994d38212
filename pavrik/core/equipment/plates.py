"""Which plates go on the bar: smallest error first, then fewest plates, heaviest inside."""

from bisect import bisect_left
from dataclasses import dataclass
from functools import lru_cache

GRAMS = 1000
MOST_PER_SIDE_KG = 600


@dataclass(frozen=True)
class PlatePair:
    """A kind of plate and how many pairs the gym owns."""

    kg: float
    pairs: int


@dataclass(frozen=True)
class Loading:
    """Plates of one side, heaviest first; total and its error against the target, in kg."""

    per_side: tuple[float, ...]
    total_kg: float
    error_kg: float

    @property
    def exact(self) -> bool:
        return abs(self.error_kg) < 1e-6


def _check(target_kg: float, empty_kg: float, stock: tuple[PlatePair, ...]) -> None:
    problems = []
    if not 0 < target_kg <= 2 * MOST_PER_SIDE_KG:
        problems.append(
            f"target {target_kg:g} kg is outside 0 to {2 * MOST_PER_SIDE_KG} kg: check the unit"
        )
    if empty_kg <= 0:
        problems.append(f"bar and collars weigh {empty_kg:g} kg: give the bar's weight in kg")
    problems += [
        f"plate {plate.kg:g} kg x {plate.pairs} pairs is no stock: weights are above 0, pairs 0 "
        "or more"
        for plate in stock
        if plate.kg <= 0 or plate.pairs < 0
    ]
    if problems:
        raise ValueError("\n".join(problems))


@lru_cache(maxsize=64)
def _reachable(stock: tuple[PlatePair, ...]) -> tuple[list[int], list[tuple[float, ...]]]:
    """Every weight in grams that one side can hold, sorted, with its fewest plates."""
    fewest: dict[int, tuple[float, ...]] = {0: ()}
    for plate in sorted(stock, key=lambda p: -p.kg):
        step = round(plate.kg * GRAMS)
        for weight, plates in list(fewest.items()):
            for count in range(1, plate.pairs + 1):
                heavier = weight + count * step
                if heavier > MOST_PER_SIDE_KG * GRAMS:
                    break
                known = fewest.get(heavier)
                if known is None or len(plates) + count < len(known):
                    fewest[heavier] = plates + (plate.kg,) * count
    weights = sorted(fewest)
    return weights, [fewest[weight] for weight in weights]


def load_bar(
    target_kg: float,
    bar_kg: float,
    collars_kg: float,
    stock: tuple[PlatePair, ...],
    *,
    never_above: bool = False,
) -> Loading:
    """The loading nearest to the target; of two equally near the lighter one.

    ``collars_kg`` is the weight of both collars. ``never_above`` rounds down, as far as the empty
    bar allows. Raises ValueError on impossible input.
    """
    empty_kg = bar_kg + collars_kg
    _check(target_kg, empty_kg, stock)
    weights, plates = _reachable(stock)
    wanted = (target_kg - empty_kg) / 2 * GRAMS
    after = bisect_left(weights, wanted)
    near = [i for i in (after - 1, after) if 0 <= i < len(weights)]
    if never_above:
        near = [i for i in near if weights[i] <= wanted + 0.5] or near[:1]
    best = min(near, key=lambda i: (abs(weights[i] - wanted), weights[i]))
    total = empty_kg + 2 * weights[best] / GRAMS
    return Loading(plates[best], total, total - target_kg)
