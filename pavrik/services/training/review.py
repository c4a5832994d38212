"""Review: what the log of a lifter knows of one lift."""

from collections.abc import Sequence
from uuid import UUID

from pavrik.core.faults.catalogue import Catalogue
from pavrik.core.faults.findings import (
    FaultFindings,
    Findings,
    Trial,
    cue_trials,
    findings,
    setup_trial,
)
from pavrik.core.log.onset import Onset, OnsetLevel
from pavrik.core.log.rates import Rate
from pavrik.core.log.repeatability import MEASURES, Repeatability, repeatability
from pavrik.core.log.training_set import TrainingSet
from pavrik.formats.wire.review import (
    CapAnswer,
    CurvePoint,
    FaultKnowledgeAnswer,
    LevelAnswer,
    OnsetAnswer,
    RateAnswer,
    RepeatabilityAnswer,
    ReviewAnswer,
    TogetherAnswer,
    TrendPoint,
    TrialAnswer,
)
from pavrik.services import stored
from pavrik.services.club.library import catalogue_of
from pavrik.services.context import Who
from pavrik.services.lifters.profile import get_profile
from pavrik.services.training.history import history
from pavrik.store.database import Connection, Database
from pavrik.words import say

WEEKS_SHOWN = 16


def known_of(
    connection: Connection, lifter_id: UUID, lift: str
) -> tuple[list[TrainingSet], Catalogue, Findings]:
    """The whole log of a lift and what it says. Raises NotFoundError."""
    age = get_profile(connection, lifter_id).training_age
    catalogue = catalogue_of(connection)
    sets = history(connection, lifter_id, lift, most=None)
    return sets, catalogue, findings(sets, catalogue, lift, age)


def _rate(rate: Rate) -> RateAnswer:
    return RateAnswer(**vars(rate), rate=rate.rate)


def _level(level: OnsetLevel | None, max_kg: float | None) -> LevelAnswer | None:
    if level is None:
        return None
    kg = None if max_kg is None else level.share * max_kg
    low = None if max_kg is None else level.low * max_kg
    high = None if max_kg is None or level.high is None else level.high * max_kg
    return LevelAnswer(**vars(level), load_kg=kg, low_kg=low, high_kg=high)


def _onset(onset: Onset, max_kg: float | None) -> OnsetAnswer:
    return OnsetAnswer(
        verdict=onset.verdict,
        rises=onset.rises,
        heaviest_share=onset.heaviest_share,
        half=_level(onset.half, max_kg),
        fifth=_level(onset.fifth, max_kg),
        curve=[
            CurvePoint(share=share, chance=chance, low=low, high=high)
            for share, chance, low, high in onset.curve
        ],
    )


def _fault(fault: FaultFindings, max_kg: float | None) -> FaultKnowledgeAnswer:
    return FaultKnowledgeAnswer(
        fault_id=fault.fault_id,
        name=fault.name,
        reps=fault.reps,
        faulty=fault.faulty,
        counted=fault.counted,
        first_in_rep=fault.first_in_rep,
        words=fault.words,
        onset=_onset(fault.onset, max_kg),
        by_load=[_rate(r) for r in fault.by_load],
        by_rep=[_rate(r) for r in fault.by_rep],
        by_week=[_rate(r) for r in fault.by_week[-WEEKS_SHOWN:]],
        by_variation=[_rate(r) for r in fault.by_variation],
    )


def _trial(trial: Trial) -> TrialAnswer:
    found = trial.comparison
    return TrialAnswer(
        what=trial.what,
        fault_id=trial.fault_id,
        name=trial.name,
        outcome=found.outcome,
        words=found.words(trial.counted),
        chance_lower=found.chance_lower,
    )


def _repeat(found: Repeatability) -> RepeatabilityAnswer:
    return RepeatabilityAnswer(
        kind=found.kind, name=MEASURES[found.kind].name, verdict=found.verdict
    )


def _setup_trials(
    connection: Connection, lifter_id: UUID, lift: str, sets: Sequence[TrainingSet],
    catalogue: Catalogue, age: str,
) -> list[Trial]:  # fmt: skip
    """The newest settled set-up against the one before it."""
    settled = [s for s in stored.list_settled(connection, lifter_id) if s.lift == lift]
    if len(settled) < 2:
        return []
    newest, before = settled[0], settled[1]
    since = newest.settled_at.date().isoformat()
    what = say("training.set_up", settled_at=newest.settled_at)
    return setup_trial(sets, catalogue, what, since, before.settled_at.date().isoformat(), age)


def _decision(found: Findings, trials: Sequence[Trial]) -> str:
    """What to decide next, in one sentence."""
    if not found.sets:
        return say("training.nothing_logged_yet_log")
    if found.cap:
        return say(
            "training.technique_work_stays_below", load_kg=found.cap.load_kg, words=found.cap.words
        )
    helped = next((t for t in trials if t.comparison.outcome == "helped"), None)
    if helped:
        return say("training.keep_rarer", what=helped.what, name=helped.name)
    known = next((f for f in found.faults if f.onset.verdict == "known"), None)
    if known:
        return say(
            "training.mend_before_rest_opens",
            name=known.name.lower(),
            first_in_rep=known.first_in_rep,
        )
    if found.faults:
        return say("training.keep_logging", words=found.faults[0].words)
    return say("training.no_fault_seen_next")


def review(database: Database, who: Who, lifter_id: UUID, lift: str) -> ReviewAnswer:
    """Everything that the Review screen shows. Raises NotFoundError."""
    with database.reading(who.club_id) as connection:
        sets, catalogue, found = known_of(connection, lifter_id, lift)
        cues = [s.cue for s in sets if s.cue]
        age = get_profile(connection, lifter_id).training_age
        trials = cue_trials(sets, catalogue, cues, age)
        trials += _setup_trials(connection, lifter_id, lift, sets, catalogue, age)
    return ReviewAnswer(
        lift=lift,
        sets=found.sets,
        reps=found.reps,
        max_kg=found.max_kg,
        decision=_decision(found, trials),
        trend=[
            TrendPoint(
                day=day, estimate_kg=kg, level_kg=level.kg, low_kg=level.low_kg,
                high_kg=level.high_kg,
            )
            for day, kg, level in found.trend
        ],
        faults=[_fault(fault, found.max_kg) for fault in found.faults],
        together=[
            TogetherAnswer(
                **vars(pair),
                first_name=catalogue.name_of(pair.first),
                second_name=catalogue.name_of(pair.second),
            )
            for pair in found.together
        ],
        cap=CapAnswer(**vars(found.cap)) if found.cap else None,
        trials=[_trial(trial) for trial in trials],
        repeatability=[_repeat(r) for r in repeatability(sets)],
    )  # fmt: skip
