"""A coach's own faults, causes and remedies beside the shipped ones, which stay as they are.

An own entry names where it hangs: a fault its causes, a cause the faults it can explain, a remedy
the causes it helps. Any entry can be hidden; old logs keep its name.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any

from pavrik.core.faults.catalogue import (
    Catalogue,
    Cause,
    Fault,
    Remedy,
    catalogue_problems,
    shipped_catalogue,
)
from pavrik.words import say

OWN = "own-"
_FIELDS = {
    "fault": {"lift", "name", "seen", "phases", "causes"},
    "cause": {"text", "test", "remedies", "faults"},
    "remedy": {"kind", "text", "aim", "purpose", "level", "causes"},
}
_MAY_MISS = {"aim", "purpose", "level"}


@dataclass(frozen=True)
class OwnEntry:
    """One entry of the coach's: ``body`` None says only whether a shipped entry is hidden."""

    kind: str
    id: str
    body: dict[str, Any] | None
    hidden: bool = False


def _shape_problem(entry: OwnEntry) -> str | None:
    assert entry.body is not None
    fields = _FIELDS[entry.kind]
    missing = sorted(fields - _MAY_MISS - entry.body.keys())
    unknown = sorted(entry.body.keys() - fields)
    if missing:
        return say("faults.also_needs", id=entry.id, kind=entry.kind, missing=", ".join(missing))
    if unknown:
        return say("faults.a_has_no", id=entry.id, kind=entry.kind, unknown=", ".join(unknown))
    return None


def _fault(entry: OwnEntry, body: dict[str, Any]) -> Fault:
    return Fault(
        entry.id, body["lift"], body["name"], body["seen"], tuple(body["phases"]),
        tuple(body["causes"]), say("faults.what_does_lift_nobody"),
    )  # fmt: skip


def _with_cause(faults: dict[str, Fault], cause_id: str, names: Sequence[str]) -> list[str]:
    for name in names:
        if name in faults and cause_id not in faults[name].causes:
            faults[name] = replace(faults[name], causes=(*faults[name].causes, cause_id))
    return [
        say("faults.no_fault", cause_id=cause_id, name=name) for name in names if name not in faults
    ]


def _with_remedy(causes: dict[str, Cause], remedy_id: str, names: Sequence[str]) -> list[str]:
    for name in names:
        if name in causes and remedy_id not in causes[name].remedies:
            causes[name] = replace(causes[name], remedies=(*causes[name].remedies, remedy_id))
    return [
        say("faults.no_cause_3", remedy_id=remedy_id, name=name)
        for name in names
        if name not in causes
    ]


def merged(entries: Sequence[OwnEntry]) -> Catalogue:
    """The shipped catalogue with the coach's entries. Raises ValueError listing every problem."""
    shipped = shipped_catalogue()
    own = [entry for entry in entries if entry.body is not None]
    problems = [problem for entry in own if (problem := _shape_problem(entry))]
    problems += [say("faults.ids_your_own_begin", id=entry.id, own=OWN) for entry in own
                 if not entry.id.startswith(OWN)]  # fmt: skip
    if problems:
        raise ValueError("\n".join(problems))
    bodies = {(entry.kind, entry.id): (entry, entry.body or {}) for entry in own}
    faults, causes, remedies = dict(shipped.faults), dict(shipped.causes), dict(shipped.remedies)
    faults |= {i: _fault(e, body) for (kind, i), (e, body) in bodies.items() if kind == "fault"}
    for (kind, i), (_, body) in bodies.items():
        if kind == "cause":
            causes[i] = Cause(i, body["text"], body["test"], tuple(body["remedies"]))
        if kind == "remedy":
            remedies[i] = Remedy(
                i, body["kind"], body["text"], body.get("aim"), body.get("purpose"),
                body.get("level", 1),
            )  # fmt: skip
    for (kind, i), (_, body) in bodies.items():
        if kind == "cause":
            problems += _with_cause(faults, i, body["faults"])
        if kind == "remedy":
            problems += _with_remedy(causes, i, body["causes"])
    catalogue = Catalogue(
        shipped.version, shipped.phases, faults, causes, remedies, shipped.once,
        own=frozenset(entry.id for entry in own),
        hidden=frozenset(entry.id for entry in entries if entry.hidden),
    )  # fmt: skip
    problems += catalogue_problems(catalogue)
    if problems:
        raise ValueError("\n".join(problems))
    return catalogue
