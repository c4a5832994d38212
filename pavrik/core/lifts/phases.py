"""The phases of both lifts in their order: the one list that core, API, files and page use.

The words are common practice. Of the squat's descent, out of the hole is 0.95 to 0.75, middle 0.75
to 0.35, finish below.
"""

from dataclasses import dataclass

from pavrik.core.assumptions import assume


@dataclass(frozen=True)
class Phase:
    """A part of a lift. ``computed``: the model has poses in it. ``progress`` is where a squat is
    judged in it, 0 standing to 1 at the bottom; a pull is judged at its hardest point in a phase.
    """

    id: str
    computed: bool = False
    progress: float | None = None


PHASES: dict[str, tuple[Phase, ...]] = {
    "squat": (
        Phase("rack"),
        Phase("unrack"),
        Phase("walk-out"),
        Phase("set", True, 0.0),
        Phase("descent", True, 0.5),
        Phase("bottom", True, 1.0),
        Phase("out of the hole", True, 0.85),
        Phase("middle", True, 0.55),
        Phase("finish", True, 0.25),
        Phase("re-rack"),
    ),
    "deadlift": (
        Phase("approach"),
        Phase("grip"),
        Phase("slack"),
        Phase("off the floor", True),
        Phase("below the knee", True),
        Phase("at the knee", True),
        Phase("lockout", True),
        Phase("lowering"),
        Phase("between reps"),
    ),
}


for _phase in PHASES["squat"]:
    if _phase.progress is not None:
        assume(
            f"judged_at_{_phase.id}".replace(" ", "_"), _phase.progress, "share of the descent",
            f"where a squat is judged in the phase {_phase.id}",
        )  # fmt: skip


def phase_ids(lift: str) -> tuple[str, ...]:
    """Names of a lift's phases in their order."""
    return tuple(phase.id for phase in PHASES[lift])


def computed_phases(lift: str) -> tuple[str, ...]:
    """Names of the phases that the model has poses in."""
    return tuple(phase.id for phase in PHASES[lift] if phase.computed)


def progress_at(phase_id: str) -> float:
    """Progress of the descent at which a squat is judged in a phase. Raises KeyError."""
    found = {phase.id: phase.progress for phase in PHASES["squat"]}[phase_id]
    if found is None:
        raise KeyError(f"the model has no pose in the phase {phase_id}")
    return found
