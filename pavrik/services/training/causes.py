"""Causes of a fault ranked by everything on record: fit, screens, log, results of tests."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from pavrik.core.faults.catalogue import Catalogue
from pavrik.core.faults.evidence import RankedCause, TestResult, rank_causes
from pavrik.core.faults.findings import FaultFindings
from pavrik.core.faults.log_signals import signals_of_fault, signals_of_log
from pavrik.core.log.training_set import TrainingSet
from pavrik.core.prescription.remedial import CausesOf
from pavrik.services.lifters.model_inputs import LifterInputs
from pavrik.services.training.fit_signals import RecordOfFit, fit_signals, read_record
from pavrik.store import library
from pavrik.store.database import Connection


def results_of(tests: Sequence[library.CauseTest], fault_id: str) -> list[TestResult]:
    """What tests of a fault's causes said, newest first."""
    return [
        TestResult(t.cause_id, t.result)  # type: ignore[arg-type]
        for t in tests
        if t.fault_id == fault_id
    ]


@dataclass(frozen=True)
class CauseFacts:
    """What ranking causes needs from the record: the fit's own, results of tests, catalogue, sets
    of both lifts (oldest first)."""

    fit: RecordOfFit
    tests: Sequence[library.CauseTest]
    catalogue: Catalogue
    sets: Mapping[str, Sequence[TrainingSet]]


def read_cause_facts(
    connection: Connection, catalogue: Catalogue, inputs: LifterInputs,
    sets: Mapping[str, Sequence[TrainingSet]],
) -> CauseFacts:  # fmt: skip
    """Read, nothing computed yet."""
    tests = library.list_cause_tests(connection, inputs.profile.lifter_id)
    return CauseFacts(read_record(connection, inputs), tests, catalogue, sets)


def causes_of(facts: CauseFacts, lift: str) -> CausesOf:
    """Ranks the causes of any fault of a lift."""
    sets, catalogue = facts.sets[lift], facts.catalogue
    signals = [*fit_signals(facts.fit, lift, facts.sets), *signals_of_log(sets)]

    def ranked(fault: FaultFindings) -> Sequence[RankedCause]:
        if fault.fault_id not in catalogue.faults:
            return []
        told = [*signals, *signals_of_fault(sets, fault)]
        return rank_causes(catalogue, fault.fault_id, told, results_of(facts.tests, fault.fault_id))

    return ranked
