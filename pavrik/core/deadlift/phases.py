"""The phases of a deadlift. The words are common practice."""

from pavrik.core.lifts.phases import Phase

PHASES: tuple[Phase, ...] = (
    Phase("approach", once_a_set=True),
    Phase("grip"),
    Phase("slack"),
    Phase("off the floor", True),
    Phase("below the knee", True),
    Phase("at the knee", True),
    Phase("lockout", True),
    Phase("lowering"),
    Phase("between reps"),
)
