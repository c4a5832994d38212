"""The shipped catalogue of faults, checked when it is read.

Common practice, no source. A fault has likely causes, a cause has a test that tells it from the
others and remedies. A broken catalogue is a programming error and stops the start.
"""

import json
from collections import Counter
from collections.abc import Mapping, Set
from dataclasses import dataclass
from functools import cache
from importlib.resources import files
from typing import Any

from pavrik.core.competition_lifts import LIFTS, LiftId
from pavrik.core.lifts.phases import phase_ids, phases_once_a_set
from pavrik.words import say

PURPOSES = ("brace", "descent", "bottom", "drive", "slack", "bar path", "finish")
REMEDY_KINDS = frozenset(
    {"set-up", "ritual", "cue", "drill", "variation", "load", "work", "question"}
)
STAGED = frozenset({"slack", "ritual", "grip"})
"""Drills in several stages."""


@dataclass(frozen=True)
class Remedy:
    """One thing to do. A cue says whether it is aimed at the bar or at the body, what it is for
    and from which level (1 beginner to 3 advanced); a set-up change may say how it moves the
    set-up, in the units of the public JSON."""

    id: str
    kind: str
    text: str
    aim: str | None = None
    purpose: str | None = None
    level: int = 1
    change: dict[str, float | str] | None = None
    variation: str | None = None
    """Name of the variation that it prescribes."""
    dose: tuple[int, int] | None = None
    """Sets and reps of a drill of one stage."""
    passed: str = ""
    """What passes a drill of one stage."""
    staged: str = ""
    """Name of the drill in stages that it is a part of."""


@dataclass(frozen=True)
class Cause:
    """A likely cause, the test that separates it, and what helps."""

    id: str
    text: str
    test: str
    remedies: tuple[str, ...]


@dataclass(frozen=True)
class Fault:
    """What is seen, in which phases. ``watch`` says what to look at where the model has no price
    for it; empty where it has one."""

    id: str
    lift: LiftId
    name: str
    seen: str
    phases: tuple[str, ...]
    causes: tuple[str, ...]
    watch: str = ""
    caution: str = ""
    """Where it can hurt: shown beside it."""


@dataclass(frozen=True)
class Catalogue:
    """Faults, causes and remedies by id, and the phases of each lift in order."""

    version: int
    phases: dict[str, tuple[str, ...]]
    faults: dict[str, Fault]
    causes: dict[str, Cause]
    remedies: dict[str, Remedy]
    once: Mapping[str, frozenset[str]]
    """Phases that happen once in a set, by lift."""
    own: frozenset[str] = frozenset()
    hidden: frozenset[str] = frozenset()

    def name_of(self, fault_id: str) -> str:
        """A fault's name; its id where the catalogue no longer has it."""
        fault = self.faults.get(fault_id)
        return fault.name if fault else fault_id

    def is_once_a_set(self, fault_id: str) -> bool:
        """Whether a fault can be seen once in a set only: all its phases happen once."""
        fault = self.faults.get(fault_id)
        return fault is not None and set(fault.phases) <= self.once[fault.lift]

    def remedies_of(self, fault_id: str, ruled_out: Set[str] = frozenset()) -> list[Remedy]:
        """Everything that may help a fault, in the order of its causes, without what is hidden and
        without causes that were ruled out."""
        return [
            self.remedies[remedy]
            for cause in self.faults[fault_id].causes
            for remedy in self.causes[cause].remedies
            if not {cause, remedy} & self.hidden and cause not in ruled_out
        ]


def catalogue_problems(catalogue: Catalogue) -> list[str]:
    """Every reference that leads nowhere and every entry that nothing leads to."""
    problems = [
        say("faults.no_lift", id=fault.id, lift=fault.lift)
        for fault in catalogue.faults.values()
        if fault.lift not in catalogue.phases
    ]
    for fault in catalogue.faults.values():
        known = catalogue.phases.get(fault.lift, ())
        problems += [
            say("faults.no_phase", id=fault.id, p=p, lift=fault.lift)
            for p in fault.phases
            if p not in known
        ]
        problems += [
            say("faults.no_cause", id=fault.id, c=c)
            for c in fault.causes
            if c not in catalogue.causes
        ]
        if not fault.causes or not fault.phases:
            problems.append(say("faults.needs_phase_cause", id=fault.id))
    for cause in catalogue.causes.values():
        problems += [
            say("faults.no_remedy", id=cause.id, r=r)
            for r in cause.remedies
            if r not in catalogue.remedies
        ]
    reached = {cause for fault in catalogue.faults.values() for cause in fault.causes}
    problems += [
        say("faults.cause_reached_no_fault", c=c) for c in catalogue.causes if c not in reached
    ]
    helped = {r for cause in catalogue.causes.values() for r in cause.remedies}
    problems += [
        say("faults.remedy_helps_no_cause", r=r) for r in catalogue.remedies if r not in helped
    ]
    problems += [
        say("faults.remedy_no_kind", id=r.id, kind=r.kind)
        for r in catalogue.remedies.values()
        if r.kind not in REMEDY_KINDS
    ]
    problems += [
        say("faults.remedy_no_drill", id=r.id, staged=r.staged)
        for r in catalogue.remedies.values()
        if r.staged and r.staged not in STAGED
    ]
    problems += [
        say("faults.remedy_cue_says_what", id=r.id, purposes=", ".join(PURPOSES))
        for r in catalogue.remedies.values()
        if r.kind == "cue" and r.purpose not in PURPOSES
    ]
    return problems


PRICED: Mapping[str, frozenset[str]] = {
    lift.id: frozenset({*lift.perturbations, *lift.one_sided}) for lift in LIFTS.values()
}
"""Ids of the faults that the model has a price for, by lift."""


def check_prices(catalogue: Catalogue, priced: Mapping[str, Set[str]] = PRICED) -> None:
    """Raise ValueError where the catalogue and the prices disagree, one way or the other."""
    problems = []
    for lift, known in priced.items():
        claimed = {f.id for f in catalogue.faults.values() if f.lift == lift and not f.watch}
        problems += [
            say("faults.no_price_nothing_says", fault=fault, lift=lift)
            for fault in sorted(claimed - known)
        ]
        problems += [
            say("faults.price_catalogue_does_not", fault=fault, lift=lift)
            for fault in sorted(known - claimed)
        ]
    if problems:
        raise ValueError(say("faults.prices_catalogue_disagree", problems="; ".join(problems)))


def parse_catalogue(data: dict[str, Any]) -> Catalogue:
    """Catalogue from its JSON. Raises ValueError listing every broken reference."""
    catalogue = Catalogue(
        version=data["version"],
        phases={lift.id: phase_ids(lift.phases) for lift in LIFTS.values()},
        faults={
            f["id"]: Fault(
                f["id"], f["lift"], f["name"], f["seen"],
                tuple(f["phases"]), tuple(f["causes"]), f.get("watch", ""), f.get("caution", ""),
            )
            for f in data["faults"]
        },
        causes={
            i: Cause(i, c["text"], c["test"], tuple(c["remedies"]))
            for i, c in data["causes"].items()
        },
        remedies={
            i: Remedy(
                i, r["kind"], r["text"], r.get("aim"), r.get("purpose"), r.get("level", 1),
                r.get("change"), r.get("variation"), tuple(r["dose"]) if "dose" in r else None,
                r.get("passed", ""), r.get("staged", ""),
            )
            for i, r in data["remedies"].items()
        },
        once={lift.id: phases_once_a_set(lift.phases) for lift in LIFTS.values()},
    )  # fmt: skip
    twice = [i for i, n in Counter(f["id"] for f in data["faults"]).items() if n > 1]
    problems = [say("faults.fault_stands_twice", i=i) for i in twice] + catalogue_problems(
        catalogue
    )
    if problems:
        raise ValueError(say("faults.fault_catalogue_broken", problems="; ".join(problems)))
    return catalogue


@cache
def shipped_catalogue() -> Catalogue:
    """The catalogue that ships with Pavrik."""
    return parse_catalogue(json.loads(files(__package__).joinpath("catalogue.json").read_text()))
