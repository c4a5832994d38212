"""What is checked before the set: the rituals that a log's faults ask for."""

from collections.abc import Iterable, Set

from pavrik.core.faults.catalogue import Catalogue

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
