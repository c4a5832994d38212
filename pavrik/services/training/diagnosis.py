"""Why a fault is there: causes ranked by evidence, tests, the floor questions, the repaired fit."""

from collections.abc import Sequence
from datetime import datetime
from typing import Any
from uuid import UUID

from pavrik.core.competition_lifts import LIFT_IDS
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.faults.catalogue import Catalogue, Remedy
from pavrik.core.faults.evidence import RankedCause, rank_causes
from pavrik.core.faults.findings import FaultFindings, Findings, competition_trend
from pavrik.core.faults.off_the_floor import FloorFacts, floor_walk
from pavrik.core.log.repeatability import repeatability
from pavrik.core.log.training_set import COMPETITION, TrainingSet
from pavrik.core.squat.squat import SQUAT
from pavrik.errors import InvalidError
from pavrik.formats.wire.review import (
    CauseTestAnswer,
    CueRef,
    DiagnosisAnswer,
    DrillRef,
    DrillResultRequest,
    FloorFactsAnswer,
    FloorFactsRequest,
    FloorStepAnswer,
    FloorWalkAnswer,
    RankedCauseAnswer,
    RemedyToDo,
    TestRef,
)
from pavrik.services.club.library import catalogue_of
from pavrik.services.context import Who
from pavrik.services.lifters.model_inputs import load_inputs
from pavrik.services.lifters.profile import get_profile
from pavrik.services.training.causes import CauseFacts, causes_of, read_cause_facts, results_of
from pavrik.services.training.fit_signals import fit_signals, read_record, start_facts
from pavrik.services.training.history import history
from pavrik.services.training.review import known_of
from pavrik.services.writes import write_once
from pavrik.store import library
from pavrik.store.database import Connection, Database
from pavrik.words import all_of, say

ALL_OUT_RPE = 10.0


def _remedy(remedy: Remedy, lift: str) -> RemedyToDo:
    known = {k: v for k, v in vars(remedy).items() if k in RemedyToDo.model_fields}
    return RemedyToDo(**known, changes_setup=bool(remedy.change), lift=lift)


def _cause(cause: RankedCause, catalogue: Catalogue, lift: str) -> RankedCauseAnswer:
    todo = [r for r in cause.remedies if r not in catalogue.hidden]
    return RankedCauseAnswer(
        **{k: v for k, v in vars(cause).items() if k != "remedies"},
        remedies=[_remedy(catalogue.remedies[r], lift) for r in todo],
    )


def _fault_known(faults: list[FaultFindings], fault_id: str) -> FaultFindings | None:
    return next((fault for fault in faults if fault.fault_id == fault_id), None)


def _leads(known: Findings, fault_id: str, catalogue: Catalogue) -> list[str]:
    """Faults that usually come before this one in the same rep."""
    return [
        say(
            "training.comes_first_reps_show",
            name_of=catalogue.name_of(pair.first),
            led=pair.led,
            both=pair.both,
        )
        for pair in known.together
        if pair.second == fault_id and pair.led > pair.both / 2
    ]


def _read_causes(
    connection: Connection, lifter_id: UUID, lift: str, fault_id: str
) -> tuple[CauseFacts, Findings]:
    """What the record says of a fault of a lift, and what its log comes to."""
    sets, catalogue, known = known_of(connection, lifter_id, lift)
    fault = catalogue.faults.get(fault_id)
    if fault is None or fault.lift != lift:
        raise InvalidError(
            say("training.no_fault_called", lift=lift, fault_id=fault_id), "fault_id"
        )
    inputs = load_inputs(connection, lifter_id)
    of_lifts: dict[str, list[TrainingSet]] = {
        other: history(connection, lifter_id, other) for other in LIFT_IDS if other != lift
    }
    of_lifts[lift] = sets
    return read_cause_facts(connection, catalogue, inputs, of_lifts), known


def _ranked(
    facts: CauseFacts, lift: str, fault_id: str, seen: FaultFindings | None
) -> Sequence[RankedCause]:
    """Causes by evidence, of a fault that was logged or never."""
    if seen is not None:
        return causes_of(facts, lift)(seen)
    signals = fit_signals(facts.fit, lift, facts.sets)
    return rank_causes(facts.catalogue, fault_id, signals, results_of(facts.tests, fault_id))


def diagnose(
    database: Database, who: Who, lifter_id: UUID, lift: str, fault_id: str
) -> DiagnosisAnswer:
    """Causes of a fault with evidence, tests and remedies. Raises NotFoundError, InvalidError."""
    with database.reading(who.club_id) as connection:
        facts, known = _read_causes(connection, lifter_id, lift, fault_id)
    catalogue, flags = facts.catalogue, facts.fit.pain
    tests = [t for t in facts.tests if t.fault_id == fault_id]
    seen = _fault_known(known.faults, fault_id)
    ranked = _ranked(facts, lift, fault_id, seen)
    fault = catalogue.faults[fault_id]
    return DiagnosisAnswer(
        fault_id=fault_id,
        lift=lift,
        name=fault.name,
        seen=fault.seen,
        caution=fault.caution,
        words=seen.words if seen else say("training.never_logged_lifter", name=fault.name),
        leads=_leads(known, fault_id, catalogue),
        stop=say("training.pain_flag_no_test", flags=all_of(flags)) if flags else None,
        causes=[_cause(cause, catalogue, lift) for cause in ranked],
        tests=[CauseTestAnswer(**vars(t)) for t in tests],
        is_floor_stall=fault_id == "floor-stall",
    )


def record_test(
    database: Database, who: Who, key: UUID, lifter_id: UUID, test: library.CauseTest
) -> TestRef:
    """Log what a test said. Raises InvalidError where the cause is not one of the fault's."""

    def action(connection: Connection) -> TestRef:
        catalogue = catalogue_of(connection)
        fault = catalogue.faults.get(test.fault_id)
        if fault is None or test.cause_id not in fault.causes:
            raise InvalidError(
                say(
                    "training.not_cause_choose_causes",
                    cause_id=test.cause_id,
                    fault_id=test.fault_id,
                ),
                "cause_id",
            )
        library.add_cause_test(connection, who.club_id, lifter_id, who.coach_id, test)
        return TestRef(test_id=test.test_id)

    request = {"lifter": str(lifter_id), "test": vars(test)}
    return write_once(
        database, who, key, "cause test", request, TestRef, action, subject=str(lifter_id)
    )


def try_cue(
    database: Database, who: Who, key: UUID, lifter_id: UUID, choice_id: UUID, lift: str,
    cue: str, at: datetime,
) -> CueRef:  # fmt: skip
    """Try one cue from now on; an empty one ends the trial."""

    def action(connection: Connection) -> CueRef:
        remedy = catalogue_of(connection).remedies.get(cue)
        if cue and (remedy is None or remedy.kind != "cue"):
            raise InvalidError(say("training.there_no_cue_called", cue=cue), "cue")
        choice = library.CueChoice(lift, cue, at)
        library.add_cue_choice(connection, who.club_id, choice_id, lifter_id, who.coach_id, choice)
        return CueRef(cue=cue)

    request = {"lifter": str(lifter_id), "lift": lift, "cue": cue, "choice": str(choice_id)}
    return write_once(
        database, who, key, "try cue", request, CueRef, action, subject=str(lifter_id)
    )


def record_drill(
    database: Database, who: Who, key: UUID, lifter_id: UUID, said: DrillResultRequest
) -> DrillRef:
    """Record whether a stage of a drill was passed; the plan goes on by it."""

    def action(connection: Connection) -> DrillRef:
        get_profile(connection, lifter_id)
        library.add_drill_result(
            connection, who.club_id, lifter_id, who.coach_id, **said.model_dump()
        )
        return DrillRef(result_id=said.result_id)

    request = {"lifter": str(lifter_id), "drill": said.model_dump(mode="json")}
    return write_once(
        database, who, key, "drill result", request, DrillRef, action, subject=str(lifter_id)
    )


def _best_single(pulls: list[TrainingSet]) -> float | None:
    clean = [s.load_kg for s in pulls if s.variation == COMPETITION and s.counts_for_max and s.reps]
    singles = [s.load_kg for s in pulls if s.variation == COMPETITION and s.counts_for_max
               and s.reps == 1]  # fmt: skip
    return max(singles or clean, default=None)


def _missed(pulls: list[TrainingSet]) -> TrainingSet | None:
    """The newest pull that stayed on the floor, else the newest miss."""
    for logged in reversed(pulls):
        if any(f.fault_id == "floor-stall" for f in logged.faults):
            return logged
    return next((s for s in reversed(pulls) if s.missed_reps), None)


def _waits(pulls: list[TrainingSet]) -> tuple[float | None, float | None]:
    for found in repeatability(pulls):
        if found.kind == "hands_to_pull_s" and found.light and found.heavy:
            return found.light.mean, found.heavy.mean
    return None, None


def _rebound(pulls: list[TrainingSet]) -> tuple[float | None, float | None]:
    """Share of rebound reps, and by how much their best flatters the dead-stop best."""
    styled = [s for s in pulls if s.pull_style and s.variation == COMPETITION]
    reps = sum(s.all_reps for s in styled)
    if not reps:
        return None, None
    bests = {
        style: max(
            (e.kg for s in styled if s.pull_style == style and (e := s.estimate())), default=None
        )
        for style in ("rebound", "dead_stop")
    }
    rebound, dead = bests["rebound"], bests["dead_stop"]
    gap = rebound / dead - 1 if rebound and dead else None
    return sum(s.all_reps for s in styled if s.pull_style == "rebound") / reps, gap


def _all_out_before(pulls: list[TrainingSet], missed: TrainingSet | None) -> bool | None:
    if missed is None:
        return None
    same_day = [s for s in pulls if s.day == missed.day]
    before = same_day[: same_day.index(missed)]
    return any(s.rpe is not None and s.rpe >= ALL_OUT_RPE for s in before)


def floor_questions(
    database: Database, who: Who, lifter_id: UUID, said: FloorFactsRequest
) -> FloorWalkAnswer:
    """The walk of questions for a pull that will not leave the floor; ``said`` overrides what the
    record knows. Raises NotFoundError."""
    with database.reading(who.club_id) as connection:
        pulls = history(connection, lifter_id, DEADLIFT.id)
        squats = history(connection, lifter_id, SQUAT.id)
        catalogue = catalogue_of(connection)
        record = read_record(connection, load_inputs(connection, lifter_id))
    facts: dict[str, Any] = start_facts(record)
    age = record.inputs.profile.training_age
    squat, pull = competition_trend(squats, age), competition_trend(pulls, age)
    light, heavy = _waits(pulls)
    share, gap = _rebound(pulls)
    missed = _missed(pulls)
    facts |= {
        "attempt_kg": missed.load_kg if missed else None,
        "best_single_kg": _best_single(pulls),
        "squat_kg": squat[-1][2].kg if squat else None,
        "pull_kg": pull[-1][2].kg if pull else None,
        "rebound_share": share,
        "rebound_gap": gap,
        "wait_light_s": light,
        "wait_heavy_s": heavy,
        "all_out_before": _all_out_before(pulls, missed),
    }
    facts |= {k: v for k, v in said.model_dump().items() if v is not None}
    walk = floor_walk(FloorFacts(**facts, hurts=record.pain))
    return FloorWalkAnswer(
        facts=FloorFactsAnswer(**facts),
        verdict=walk.verdict,
        likely=walk.likely,
        stop=walk.stop,
        steps=[
            FloorStepAnswer(
                **{k: v for k, v in vars(step).items() if k != "remedies"},
                remedies=[_remedy(catalogue.remedies[r], DEADLIFT.id) for r in step.remedies],
            )
            for step in walk.steps
        ],
    )
