"""Loads that are not passed, from what the log says of the back's shape."""

from dataclasses import dataclass

from pavrik.core.faults.findings import BACK_FAULTS, Findings


@dataclass(frozen=True)
class Cap:
    """A load that is not passed. ``technique``: it binds second days only; the others bind all."""

    load_kg: float
    words: str
    facts: tuple[str, ...] = ()
    technique: bool = False


def caps_of(known: Findings, lift: str) -> list[Cap]:
    """Caps that the log sets: second days stay below the load where one rep in five shows a fault
    of the back, everything below the load where every second one does."""
    caps = []
    if known.cap is not None:
        fact = (f"fault:{known.cap.fault_id}",)
        caps.append(Cap(known.cap.load_kg, known.cap.words, fact, technique=True))
    if known.max_kg is None:
        return caps
    for fault in known.faults:
        half = fault.onset.half
        if fault.fault_id in BACK_FAULTS and fault.onset.verdict == "known" and half is not None:
            words = f"{fault.name.lower()} in every second rep of the {lift} from there"
            caps.append(Cap(half.share * known.max_kg, words, (f"fault:{fault.fault_id}",)))
    return caps
