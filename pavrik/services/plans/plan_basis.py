"""What a plan is made from: read in one transaction, computed after it."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from uuid import UUID

from pavrik.core.prescription.analysis import LiftAnalysis
from pavrik.core.prescription.next_load import Gym
from pavrik.core.prescription.pain import Clearance, PainFlag
from pavrik.core.prescription.plan import make_plan
from pavrik.core.prescription.plan_parts import Moved, Plan, PlanAsk, Underway
from pavrik.core.prescription.reflow import current_week, missed_weeks
from pavrik.core.prescription.trial_lines import with_trial
from pavrik.errors import InvalidError
from pavrik.formats.wire.plans import PlanFrame
from pavrik.services import stored
from pavrik.services.lifters.profile import get_profile
from pavrik.services.plans.lift_state import PlanningFacts, read_planning_facts, studies_of
from pavrik.services.plans.prescribing import (
    clearances,
    pain_flags,
    recorded_gym,
    required,
)
from pavrik.services.plans.shapes import own_shape
from pavrik.services.plans.standing import ASK
from pavrik.services.training.setup_trials import Running, running
from pavrik.store import plans
from pavrik.store.accounts import today
from pavrik.store.database import Connection


@dataclass(frozen=True)
class PlanBasis:
    """What a plan is made from, read in one transaction: facts of the lifter, the gym, flags; of a
    plan that stands its versions."""

    ask: PlanAsk
    facts: PlanningFacts
    gym: Gym | None
    pain: tuple[PainFlag, ...]
    cleared: tuple[Clearance, ...] = ()
    trials: tuple[Running, ...] = ()
    versions: Sequence[plans.PlanRecord] = ()

    @cached_property
    def studies(self) -> dict[str, LiftAnalysis]:
        """Both lifts."""
        return studies_of(self.facts)

    def make(self, moved: Sequence[Moved] = (), week: int | None = None) -> Plan:
        """The plan from a week (the current one) on. Raises InvalidError."""
        first = current_week(self.ask, self.facts.on) if week is None else week
        gym = required(self.gym)
        logged = {lift: study.state.history for lift, study in self.studies.items()}
        try:
            plan = make_plan(
                self.ask,
                {lift: study.state for lift, study in self.studies.items()},
                gym,
                pain=self.pain,
                cleared=self.cleared,
                underway=Underway(
                    first,
                    self.facts.on,
                    tuple(moved),
                    missed_weeks(self.ask, logged, self.facts.on),
                ),
            )
        except ValueError as error:
            raise InvalidError("; ".join(str(error).splitlines()), "ask") from error
        for trial in self.trials:
            planned = replace(trial.planned(), meet=self.ask.meet)
            plan = with_trial(plan, planned, gym, self.facts.on)
        return plan


def _trials(connection: Connection, lifter_id: UUID, facts: PlanningFacts) -> tuple[Running, ...]:
    """Trials of either lift that run."""
    sets = facts.causes.sets
    found = [running(connection, lifter_id, lift, sets[lift]) for lift in sets]
    return tuple(trial for trial in found if trial is not None)


def read_anew(connection: Connection, lifter_id: UUID, frame: PlanFrame) -> PlanBasis:
    """What a new plan is made from. Raises InvalidError, NotFoundError."""
    facts = read_planning_facts(connection, lifter_id)
    return PlanBasis(
        _ask(connection, lifter_id, frame),
        facts,
        recorded_gym(connection),
        pain_flags(connection, lifter_id),
        clearances(connection, lifter_id),
        _trials(connection, lifter_id, facts),
    )


def read_standing(connection: Connection, record: plans.PlanRecord) -> PlanBasis:
    """What the plan that stands would be made from today."""
    facts = read_planning_facts(connection, record.lifter_id)
    return PlanBasis(
        ASK.validate_python(record.ask),
        facts,
        recorded_gym(connection),
        pain_flags(connection, record.lifter_id),
        clearances(connection, record.lifter_id),
        _trials(connection, record.lifter_id, facts),
        stored.list_versions(connection, record.series_id),
    )


def _ask(connection: Connection, lifter_id: UUID, frame: PlanFrame) -> PlanAsk:
    """What a coach asks for, with the lifter's goal and training age."""
    profile = get_profile(connection, lifter_id)
    return PlanAsk(
        frame.start, frame.weeks, tuple(frame.weekdays), frame.meet, profile.goal,
        profile.training_age, frame.shape, frame.strategy, tuple(sorted(set(frame.blocked))),
        profile.years_in(today(connection).year) or 0, own_shape(connection, frame.shape),
    )  # fmt: skip
