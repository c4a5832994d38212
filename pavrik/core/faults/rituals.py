"""What a lifter is told for the faults of the log: checks before the set, cues by level."""

from collections.abc import Iterable, Sequence, Set

from pavrik.core.faults.catalogue import Catalogue, Remedy

MOST_CHECKS = 4


def checks_of(faults: Iterable[tuple[str, Set[str]]], catalogue: Catalogue) -> list[str]:
    """Checks for faults, given with the causes that a test ruled out, the most pressing first."""
    found = [
        remedy.text
        for fault_id, ruled_out in faults
        if fault_id in catalogue.faults
        for remedy in catalogue.remedies_of(fault_id, ruled_out)
        if remedy.kind == "ritual"
    ]
    return list(dict.fromkeys(found))[:MOST_CHECKS]


def cues_for(remedies: Sequence[Remedy], *, novice: bool) -> list[Remedy]:
    """Cues in the order in which they are tried: for a novice the plain ones, the body's first; for
    others those that speak of the bar (attention on the effect: Wulf's reviews, from memory)."""
    cues = [remedy for remedy in remedies if remedy.kind == "cue"]
    if novice:
        return sorted(cues, key=lambda cue: (cue.level, cue.aim != "body"))
    return sorted(cues, key=lambda cue: (cue.aim != "bar", cue.level))
