"""What a lift needs mended: the faults of its log with their likeliest causes, else the limiter."""

from collections import Counter
from collections.abc import Callable, Sequence

from pavrik.core.assumptions import assume
from pavrik.core.faults.catalogue import Catalogue
from pavrik.core.faults.evidence import RankedCause, worked_on
from pavrik.core.faults.findings import FaultFindings, Findings
from pavrik.core.log.training_set import TrainingSet
from pavrik.core.prescription.choice import CAPACITY_OF_CAUSE, Weakness
from pavrik.core.prescription.reason import Reason
from pavrik.core.strength.utilization import gives_out_first
from pavrik.words import say

MOST_FAULTS = 3
LEAST_FAULTY = 2
RECENT = 40
"""Sets in which a fault must still be seen to be worked on."""
LIMITER_WEIGHT = assume(
    "limiter_weight",
    0.6,
    "share",
    "a limiter that the fit names without any fault in the log is weaker evidence",
)


def _phase(sets: Sequence[TrainingSet], fault_id: str) -> str | None:
    counts = Counter(f.phase for s in sets for f in s.faults if f.fault_id == fault_id and f.phase)
    return counts.most_common(1)[0][0] if counts else None


def _of_fault(
    fault: FaultFindings, phase: str | None, causes: Sequence[RankedCause], catalogue: Catalogue
) -> list[Weakness]:
    open_causes = worked_on(causes)
    best = max((c.score for c in open_causes), default=0.0)
    found = []
    for cause in open_causes:
        named = frozenset(
            name
            for r in cause.remedies
            if r not in catalogue.hidden
            and catalogue.remedies[r].kind != "drill"
            and (name := catalogue.remedies[r].variation) is not None
        )
        weight = 1.0 if best <= 0 else 0.5 + 0.5 * max(cause.score, 0.0) / best
        words = say(
            "prescription.fault_and_standing",
            name=fault.name.lower(),
            seen=fault.seen,
            standing=cause.standing,
            words=cause.text[0].lower(),
            more=cause.text[1:],
        )
        found.append(
            Weakness(
                words, phase, CAPACITY_OF_CAUSE.get(cause.cause_id), named, weight,
                (f"fault:{fault.fault_id}",),
            )
        )  # fmt: skip
    return found


def live_faults(sets: Sequence[TrainingSet], known: Findings) -> list[FaultFindings]:
    """Faults that were seen more than once and are still seen, the first of the rep first."""
    recent = {f.fault_id for s in sets[-RECENT:] for f in s.faults}
    return [f for f in known.faults if f.fault_id in recent and f.faulty >= LEAST_FAULTY]


def weaknesses(
    sets: Sequence[TrainingSet], known: Findings, catalogue: Catalogue,
    causes_of: Callable[[FaultFindings], Sequence[RankedCause]], limiter: tuple[str, str] | None,
    tired: Sequence[Reason] = (),
) -> list[Weakness]:  # fmt: skip
    """Weaknesses of one lift, the first fault of the rep first; ``limiter`` is (capacity, words of
    where) from the fit, ``tired`` why the back wants a rest."""
    found: list[Weakness] = []
    for fault in live_faults(sets, known)[:MOST_FAULTS]:
        found += _of_fault(fault, _phase(sets, fault.fault_id), causes_of(fault), catalogue)
    if limiter is not None:
        capacity, where = limiter
        words = say(
            "prescription.in_the_fit", gives_out_first=gives_out_first(capacity), where=where
        )
        trained = any(w.capacity is not None or w.named for w in found)
        weight = LIMITER_WEIGHT if trained else 1.0
        found.append(Weakness(words, None, capacity, weight=weight, facts=("fit:limiter",)))
    if tired:
        facts = tuple(f for b in tired for f in b.facts)
        found.append(Weakness(tired[0].text, None, None, facts=facts, tired_back=True))
    return found
