"""The parts of a lift, in their order: the one list that core, API, files and page use."""

from collections.abc import Sequence
from dataclasses import dataclass


@dataclass(frozen=True)
class Phase:
    """A part of a lift. ``computed``: the model has postures in it. ``progress`` is where along
    the way (0 standing, 1 the deepest point) the lift is judged in it; None is its hardest point.
    ``once_a_set``: it happens once, however many reps follow.
    """

    id: str
    computed: bool = False
    progress: float | None = None
    once_a_set: bool = False


def phase_ids(phases: Sequence[Phase]) -> tuple[str, ...]:
    """Names of phases in their order."""
    return tuple(phase.id for phase in phases)


def phases_once_a_set(phases: Sequence[Phase]) -> frozenset[str]:
    """Names of the phases that happen once in a set."""
    return frozenset(phase.id for phase in phases if phase.once_a_set)


def computed_phases(phases: Sequence[Phase]) -> tuple[str, ...]:
    """Names of the phases that the model has postures in."""
    return tuple(phase.id for phase in phases if phase.computed)
