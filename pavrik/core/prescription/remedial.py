"""What the faults of a log ask for beside loads and variations: set-ups to try, drills.

Every open cause's remedies do something: a set-up is a task for the bench, a drill a line of the
plan. Checks before the set and cues are told by the catalogue alone (``faults.rituals``).
"""

from collections.abc import Callable, Collection, Sequence
from dataclasses import dataclass

from pavrik.core.faults.catalogue import Catalogue, Remedy
from pavrik.core.faults.evidence import RankedCause, worked_on
from pavrik.core.faults.findings import FaultFindings
from pavrik.core.prescription.drills import (
    Drill,
    grip_drill,
    one_stage_drill,
    ritual_drill,
    slack_drill,
)
from pavrik.core.prescription.reason import Reason
from pavrik.words import say

MOST_TASKS, MOST_DRILLS = 3, 2
SLACK_SHARE, SLACK_STEP_KG = 0.6, 2.5
"""The bar of the slack drill as a share of the lifter's own max: common practice."""


CausesOf = Callable[[FaultFindings], Sequence[RankedCause]]
"""Ranked causes of a fault."""


@dataclass(frozen=True)
class Care:
    """Set-ups and questions to take up, and drills to do."""

    tasks: tuple[Reason, ...] = ()
    drills: tuple[Drill, ...] = ()


@dataclass(frozen=True)
class _Wanted:
    """A remedy that is wanted for a fault, and why."""

    remedy: Remedy
    fault_id: str
    why: str


def _wanted(
    faults: Sequence[FaultFindings], causes_of: CausesOf, catalogue: Catalogue
) -> list[_Wanted]:
    found, known = [], set[str]()
    for fault in faults:
        for cause in worked_on(causes_of(fault)):
            text = f"{cause.text[0].lower()}{cause.text[1:]}"
            seen = say("prescription.name_in_seen", name=fault.name.lower(), seen=fault.seen)
            for name in cause.remedies:
                if name not in catalogue.hidden and name not in known:
                    known.add(name)
                    why = f"{seen}; {cause.standing}: {text}"
                    found.append(_Wanted(catalogue.remedies[name], fault.fault_id, why))
    return found


def _task(wanted: _Wanted, lift: str) -> Reason:
    """What is to be tried; its fact names the lift and the remedy."""
    text = f"{wanted.remedy.text.rstrip('.')}: {wanted.why}"
    kind = "walk" if wanted.remedy.kind == "question" else "repair"
    return Reason(text, (f"{kind}:{lift}:{wanted.remedy.id}",))


def _is_task(remedy: Remedy) -> bool:
    return remedy.kind == "question" or (remedy.kind == "set-up" and remedy.change is not None)


def _slack_bar_kg(max_kg: float | None) -> float | None:
    """A bar that stays on the floor under nine tenths of its weight, sized to the lifter."""
    return None if max_kg is None else SLACK_STEP_KG * int(SLACK_SHARE * max_kg / SLACK_STEP_KG)


def _drill(wanted: _Wanted, max_kg: float | None) -> Drill:
    why, facts = wanted.why, (f"fault:{wanted.fault_id}",)
    remedy = wanted.remedy
    if remedy.staged == "slack":
        return slack_drill(_slack_bar_kg(max_kg), why, facts)
    if remedy.staged == "ritual":
        return ritual_drill(why, facts, max_kg)
    if remedy.staged == "grip":
        return grip_drill(why, facts)
    name = remedy.id.replace("-", " ")
    return one_stage_drill(name, remedy.text, remedy.dose, remedy.passed, why, facts)


def care_of(
    lift: str, faults: Sequence[FaultFindings], causes_of: CausesOf, catalogue: Catalogue,
    max_kg: float | None, passed: Collection[str], *, learns_slack: bool = False,
) -> Care:  # fmt: skip
    """What faults that are still seen ask for, the first fault of the rep first; one drill
    for each fault, without those that are behind. A novice puller learns the slack anyway."""
    wanted = _wanted(faults, causes_of, catalogue)
    tasks = [_task(one, lift) for one in wanted if _is_task(one.remedy)]
    drills = [_drill(one, max_kg) for one in wanted if one.remedy.kind == "drill"]
    if learns_slack:
        drills.append(
            slack_drill(_slack_bar_kg(max_kg), say("prescription.novice_learns_slack_step"))
        )
    left, named, served = list[Drill](), set[str](), set[tuple[str, ...]]()
    for drill in (one.after(passed) for one in drills):
        done = drill.stage(0) is None or drill.name in named
        if not done and (not drill.facts or drill.facts not in served):
            left.append(drill)
            named.add(drill.name)
            served.add(drill.facts)
    return Care(tuple(tasks[:MOST_TASKS]), tuple(left[:MOST_DRILLS]))
