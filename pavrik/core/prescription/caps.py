"""Loads that are not passed, from what the log says of the back's shape."""

from dataclasses import dataclass

from pavrik.core.faults.findings import BACK_FAULTS, Findings
from pavrik.words import say


@dataclass(frozen=True)
class Cap:
    """A load that is not passed, and how that ends. ``technique``: it binds second days only; the
    others bind all."""

    load_kg: float
    words: str
    facts: tuple[str, ...] = ()
    technique: bool = False
    ends: str = say("prescription.rises_reps_there_stay")


@dataclass(frozen=True)
class RepCap:
    """Reps of a set that are not passed: what breaks down after them is no matter of load."""

    reps: int
    words: str
    facts: tuple[str, ...]


LOWER_BACK = ("low-round", "butt-wink")
"""Rounding there is trained through by nobody: it caps all work, not technique alone."""
EARLY_RATE, LATE_RATE = 0.10, 0.50
"""Up to the first a rep is clean, from the second on it has broken down: common practice."""
LEAST_SETS, LEAST_REPS = 6, 2


def rep_cap_of(known: Findings) -> RepCap | None:
    """The rep after which the back loses its shape in every second set while the ones before are
    clean; None where it is not so."""
    found = []
    for fault in known.faults:
        rates = fault.by_rep if fault.fault_id in BACK_FAULTS else []
        for last in range(LEAST_REPS, len(rates)):
            before, late = rates[:last], rates[last]
            early = sum(r.faulty for r in before) / max(sum(r.reps for r in before), 1)
            if late.reps < LEAST_SETS:
                continue
            if early <= EARLY_RATE and late.faulty / late.reps >= LATE_RATE:
                words = say(
                    "prescription.from_rep_reps_before",
                    name=fault.name.lower(),
                    last=last + 1,
                    end=last,
                )
                found.append(RepCap(last, words, (f"fault:{fault.fault_id}",)))
                break
    return min(found, key=lambda cap: cap.reps, default=None)


def caps_of(known: Findings, lift: str) -> list[Cap]:
    """Caps that the log sets: second days stay below the load where one rep in five shows a fault
    of the back; everything stays below it where that is the lower back, and below the load where
    every second rep shows it for the others."""
    caps = []
    if known.cap is not None:
        fact = (f"fault:{known.cap.fault_id}",)
        caps.append(Cap(known.cap.load_kg, known.cap.words, fact, technique=True))
    if known.max_kg is None:
        return caps
    for fault in known.faults:
        if fault.fault_id not in BACK_FAULTS or fault.onset.verdict != "known":
            continue
        lower = fault.fault_id in LOWER_BACK
        onset, often = (
            (fault.onset.fifth, say("prescription.rep_five"))
            if lower
            else (fault.onset.half, say("prescription.every_second_rep"))
        )
        if onset is not None:
            words = say("prescription.from_there", name=fault.name.lower(), often=often, lift=lift)
            caps.append(Cap(onset.share * known.max_kg, words, (f"fault:{fault.fault_id}",)))
    return caps
