"""Causes of a fault ranked by everything on record: fit, screens, log, results of tests."""

from collections.abc import Mapping, Sequence
from uuid import UUID

from pavrik.core.faults.catalogue import Catalogue
from pavrik.core.faults.evidence import RankedCause, TestResult, rank_causes
from pavrik.core.faults.findings import FaultFindings
from pavrik.core.faults.log_signals import log_signals
from pavrik.core.log.training_set import TrainingSet
from pavrik.core.prescription.analysis import CausesOf
from pavrik.services.lifters.model_inputs import LifterInputs
from pavrik.services.training.fit_signals import fit_signals
from pavrik.store import library
from pavrik.store.database import Connection


def results_of(connection: Connection, lifter_id: UUID, fault_id: str) -> list[TestResult]:
    """What tests of a fault's causes said, newest first."""
    return [
        TestResult(t.cause_id, t.result)  # type: ignore[arg-type]
        for t in library.list_cause_tests(connection, lifter_id)
        if t.fault_id == fault_id
    ]


def causes_of(
    connection: Connection, catalogue: Catalogue, inputs: LifterInputs, lift: str,
    sets: Mapping[str, Sequence[TrainingSet]],
) -> CausesOf:  # fmt: skip
    """Ranks the causes of any fault of a lift; ``sets`` of both lifts, oldest first."""
    signals = fit_signals(connection, inputs, lift, sets)

    def ranked(fault: FaultFindings) -> Sequence[RankedCause]:
        if fault.fault_id not in catalogue.faults:
            return []
        both = [*signals, *log_signals(sets[lift], fault)]
        told = results_of(connection, inputs.profile.lifter_id, fault.fault_id)
        return rank_causes(catalogue, fault.fault_id, both, told)

    return ranked
