"""Trials of two set-ups: begun from the verdict, judged from the log, ended with a winner."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, datetime
from typing import Any
from uuid import UUID

from pydantic import BaseModel
from uuid6 import uuid7

from pavrik.core.competition_lifts import LIFTS
from pavrik.core.log.setup_trial import Arm, SetupTrial, TrialResult, arm_of, judge
from pavrik.core.log.training_set import TrainingSet
from pavrik.core.prescription.trial_lines import PlannedTrial
from pavrik.errors import InvalidError, NotFoundError, RefusedError
from pavrik.formats.model.setup_codec import WIRE, from_wire, read_setup
from pavrik.formats.stored_json import JSON_VERSION
from pavrik.formats.wire.lifters import Acknowledged
from pavrik.formats.wire.setups import (
    ArmAnswer,
    EndTrialRequest,
    SetupTrialAnswer,
    TrialRequest,
)
from pavrik.services.context import Who
from pavrik.services.lifters.profile import get_profile
from pavrik.services.setups.fits import Fitting, lifter_model, settled_record
from pavrik.services.training.history import history
from pavrik.services.writes import compute_and_write
from pavrik.store import setups, trials
from pavrik.store.accounts import today
from pavrik.store.database import Connection, Database
from pavrik.words import say


def _setup(record: trials.TrialRecord, arm: Arm) -> BaseModel:
    return read_setup(WIRE[record.lift], record.setup_a if arm == "a" else record.setup_b)


def _words(record: trials.TrialRecord, arm: Arm) -> str:
    return LIFTS[record.lift].in_words(from_wire(_setup(record, arm)))


def _trial(record: trials.TrialRecord) -> SetupTrial:
    return SetupTrial(
        record.started_on.isoformat(), record.sessions_each, record.load_kg, record.reps
    )


@dataclass(frozen=True)
class Running:
    """A trial that has not ended, with what its log says."""

    record: trials.TrialRecord
    result: TrialResult

    @property
    def done(self) -> int:
        """Sessions of both set-ups."""
        return sum(seen.sessions for seen in self.result.seen.values())

    def planned(self) -> PlannedTrial:
        """As a plan takes it up."""
        names: dict[Arm, str] = {arm: _words(self.record, arm) for arm in ("a", "b")}
        return PlannedTrial(
            str(self.record.trial_id), self.record.lift, _trial(self.record), self.record.sets,
            names, self.done,
        )  # fmt: skip

    def sentence(self) -> str:
        """What stands in a line of the board."""
        names = [LIFTS[self.record.lift].name, *(_words(self.record, arm) for arm in ("a", "b"))]
        if self.result.finished:
            return say(
                "training.trial_done", names=names[0], words=self.result.words(names[1], names[2])
            )
        arm = arm_of(self.done)
        total = _trial(self.record).sessions
        return say(
            "training.trial_session_next_set",
            lift=names[0],
            done=self.done + 1,
            total=total,
            arm=arm.upper(),
            place=names[1 + (arm == "b")],
        )


def running(
    connection: Connection, lifter_id: UUID, lift: str, sets: Sequence[TrainingSet] | None = None
) -> Running | None:
    """The trial of a lift that runs, if there is one; ``sets`` of the lift where they were read."""
    open_ones = [
        record
        for record in trials.list_trials(connection, lifter_id)
        if record.lift == lift and record.outcome is None
    ]
    if not open_ones:
        return None
    own = history(connection, lifter_id, lift) if sets is None else sets
    return Running(open_ones[0], judge(_trial(open_ones[0]), own))


def arms_of_sets(connection: Connection, lifter_id: UUID) -> dict[UUID, Arm]:
    """The set-up of every logged set that is the work of a trial, ended or not."""
    found: dict[UUID, Arm] = {}
    for record in trials.list_trials(connection, lifter_id):
        trial, sets = _trial(record), history(connection, lifter_id, record.lift)
        arms = trial.arms(sets)
        found |= {UUID(logged.set_id): arms[logged.day] for logged in trial.sets(sets)}
    return found


def _shown(record: trials.TrialRecord, sets: Sequence[TrainingSet]) -> SetupTrialAnswer:
    found = Running(record, judge(_trial(record), sets))
    result, names = found.result, {arm: _words(record, arm) for arm in ("a", "b")}
    left = record.outcome is None and not result.finished
    return SetupTrialAnswer(
        trial_id=record.trial_id,
        lift=record.lift,
        a=ArmAnswer(words=names["a"], **vars(result.seen["a"])),
        b=ArmAnswer(words=names["b"], **vars(result.seen["b"])),
        sessions_each=record.sessions_each,
        sets=record.sets,
        reps=record.reps,
        load_kg=record.load_kg,
        started_on=record.started_on,
        next_session=found.done + 1 if left else None,
        next_arm=arm_of(found.done) if left else None,
        gain=result.gain,
        band=result.band,
        chance_b=result.chance_b,
        verdict=result.outcome,
        sentence=result.words(names["a"], names["b"]),
        outcome=record.outcome,
        reason=record.reason,
    )


def shown_trials(database: Database, who: Who, lifter_id: UUID) -> list[SetupTrialAnswer]:
    """Every trial of a lifter with what it says, newest first. Raises NotFoundError."""
    with database.club(who.club_id) as connection:
        get_profile(connection, lifter_id)
        records = trials.list_trials(connection, lifter_id)
        lifts = {record.lift for record in records}
        sets = {lift: history(connection, lifter_id, lift) for lift in lifts}
    return [_shown(record, sets[record.lift]) for record in records]


def begin(
    fitting: Fitting, database: Database, who: Who, key: UUID, lifter_id: UUID,
    asked: TrialRequest[Any],
) -> Acknowledged:  # fmt: skip
    """Begin a trial. Raises InvalidError where a set-up is not feasible or both are the same,
    RefusedError while another one runs."""

    def compute() -> trials.TrialRecord:
        lifter = lifter_model(database, who, lifter_id)
        if asked.setup_a == asked.setup_b:
            raise InvalidError(say("training.both_set_ups_same"), "setup_b")
        for field in ("setup_a", "setup_b"):
            reasons = fitting.predict(lifter, getattr(asked, field)).reasons
            if reasons:
                told = say("setups.set_up_cannot_held", reasons="; ".join(reasons))
                raise InvalidError(told, field)
        with database.club(who.club_id) as connection:
            on = today(connection)
        return trials.TrialRecord(
            asked.trial_id, lifter_id, fitting.lift, asked.setup_a.model_dump(),
            asked.setup_b.model_dump(), asked.sessions_each, asked.sets, asked.reps, asked.load_kg,
            on, datetime.now(UTC), JSON_VERSION,
        )  # fmt: skip

    def action(connection: Connection, record: trials.TrialRecord) -> Acknowledged:
        if running(connection, lifter_id, fitting.lift) is not None:
            raise RefusedError(say("training.trial_lift_runs_already"), "trial_id")
        trials.add_trial(connection, who.club_id, who.coach_id, record)
        return Acknowledged()

    request = {"lifter": str(lifter_id), **asked.model_dump(mode="json")}
    return compute_and_write(
        database, who, key, "begin trial", request, Acknowledged, compute, action,
        subject=str(lifter_id),
    )  # fmt: skip


def end(
    fittings: dict[str, Fitting], database: Database, who: Who, key: UUID, trial_id: UUID,
    asked: EndTrialRequest,
) -> Acknowledged:  # fmt: skip
    """End a trial; a winner is settled on at once. Raises NotFoundError, RefusedError where it has
    ended already."""

    def compute() -> setups.Settled | None:
        with database.club(who.club_id) as connection:
            every = trials.list_trials(connection)
        record = next((one for one in every if one.trial_id == trial_id), None)
        if record is None:
            raise NotFoundError(say("training.trial_not_your_club"))
        if record.outcome is not None:
            raise RefusedError(say("training.trial_ended_already"), "outcome")
        if asked.outcome not in ("a", "b"):
            return None
        setup = _setup(record, asked.outcome)
        reason = asked.reason or say("training.winner_trial")
        fitting = fittings[record.lift]
        return settled_record(fitting, database, who, record.lifter_id, uuid7(), setup, reason)

    def action(connection: Connection, settled: setups.Settled | None) -> Acknowledged:
        trials.end_trial(
            connection, who.club_id, who.coach_id, trial_id, asked.outcome, asked.reason,
            datetime.now(UTC),
        )  # fmt: skip
        if settled is not None:
            setups.add_settled(connection, who.club_id, who.coach_id, settled)
        return Acknowledged()

    request = {"trial": str(trial_id), **asked.model_dump()}
    return compute_and_write(
        database, who, key, "end trial", request, Acknowledged, compute, action,
        subject=str(trial_id),
    )  # fmt: skip
