"""The phases of a squat. The words are common practice.

Of the descent, out of the hole is 0.95 to 0.75, middle 0.75 to 0.35, finish below.
"""

from pavrik.core.assumptions import assume
from pavrik.core.lifts.phases import Phase
from pavrik.words import say

PHASES: tuple[Phase, ...] = (
    Phase("rack", once_a_set=True),
    Phase("unrack", once_a_set=True),
    Phase("walk-out", once_a_set=True),
    Phase("set", True, 0.0),
    Phase("descent", True, 0.5),
    Phase("bottom", True, 1.0),
    Phase("out of the hole", True, 0.85),
    Phase("middle", True, 0.55),
    Phase("finish", True, 0.25),
    Phase("re-rack", once_a_set=True),
)
for _phase in PHASES:
    if _phase.progress is not None:
        assume(
            f"judged_at_{_phase.id}".replace(" ", "_"), _phase.progress, "share of the descent",
            f"where a squat is judged in the phase {_phase.id}",
        )  # fmt: skip


def progress_at(phase_id: str) -> float:
    """Progress of the descent at which a squat is judged in a phase. Raises KeyError."""
    found = {phase.id: phase.progress for phase in PHASES}[phase_id]
    if found is None:
        raise KeyError(say("squat.model_no_posture_phase", phase_id=phase_id))
    return found
