"""Which fault comes first in the rep, and which come together: the first is usually the cause."""

from collections import Counter, defaultdict
from collections.abc import Sequence
from dataclasses import dataclass

from pavrik.core.log.training_set import LoggedFault, TrainingSet

LEAST_TOGETHER = 3
LEAST_RATIO = 1.5


@dataclass(frozen=True)
class Together:
    """Two faults in one rep: how often, how often each, how many times more than by chance, and
    how often the first preceded the second."""

    first: str
    second: str
    both: int
    first_total: int
    second_total: int
    ratio: float
    led: int


def in_order(faults: Sequence[LoggedFault], phases: Sequence[str]) -> list[LoggedFault]:
    """The faults of one rep in the order of the phases."""
    place = {phase: i for i, phase in enumerate(phases)}
    return sorted(faults, key=lambda f: place.get(f.phase, len(place)))


def _reps(sets: Sequence[TrainingSet], phases: Sequence[str]) -> list[list[LoggedFault]]:
    reps: dict[tuple[str, int], list[LoggedFault]] = defaultdict(list)
    for logged in sets:
        for fault in logged.faults:
            reps[logged.set_id, fault.rep].append(fault)
    return [in_order(seen, phases) for seen in reps.values()]


def first_of_reps(sets: Sequence[TrainingSet], phases: Sequence[str]) -> dict[str, int]:
    """How often each fault was the first of its rep, the most frequent first."""
    return dict(Counter(seen[0].fault_id for seen in _reps(sets, phases)).most_common())


def seen_together(sets: Sequence[TrainingSet], phases: Sequence[str]) -> list[Together]:
    """Pairs of faults that share reps more often than chance, the strongest first."""
    reps = _reps(sets, phases)
    total = sum(logged.all_reps for logged in sets)
    single = Counter(fault_id for seen in reps for fault_id in {f.fault_id for f in seen})
    led = Counter(
        (a, b)
        for seen in reps
        for i, a in enumerate(dict.fromkeys(f.fault_id for f in seen))
        for b in list(dict.fromkeys(f.fault_id for f in seen))[i + 1 :]
    )
    found = []
    for a, b in {(min(pair), max(pair)) for pair in led}:
        first, second = (a, b) if led[a, b] >= led[b, a] else (b, a)
        both = led[a, b] + led[b, a]
        ratio = both * total / (single[a] * single[b])
        if both >= LEAST_TOGETHER and ratio >= LEAST_RATIO:
            found.append(
                Together(
                    first, second, both, single[first], single[second], ratio, led[first, second]
                )
            )
    return sorted(found, key=lambda pair: (-pair.ratio, pair.first))
