"""The plan that stands, as computed and with the coach's hand on it."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from functools import cached_property
from uuid import UUID

from pydantic import TypeAdapter

from pavrik.core.prescription.hand import with_hand
from pavrik.core.prescription.next_load import Gym
from pavrik.core.prescription.plan_parts import Day, Edit, Plan, PlanAsk
from pavrik.errors import NotFoundError
from pavrik.services import stored
from pavrik.services.plans.prescribing import recorded_gym
from pavrik.store import plans
from pavrik.store.database import Connection
from pavrik.words import say

PLAN = TypeAdapter(Plan)
ASK = TypeAdapter(PlanAsk)


@dataclass(frozen=True)
class Standing:
    """A plan as it is kept, what coaches did to it, and the gym whose plates it is loaded with."""

    record: plans.PlanRecord
    edits: Sequence[Edit]
    gym: Gym | None

    @cached_property
    def computed(self) -> Plan:
        """Without the hand."""
        return PLAN.validate_python(self.record.answer)

    @cached_property
    def ask(self) -> PlanAsk:
        """What was asked for."""
        return ASK.validate_python(self.record.ask)

    @cached_property
    def plan(self) -> Plan:
        """As it is to be done."""
        return self.lay(self.computed)

    def lay(self, computed: Plan) -> Plan:
        """The hand laid over a plan of the same series."""
        return with_hand(computed, self.edits, self.ask.start, self.gym)


def standing(connection: Connection, lifter_id: UUID) -> Standing | None:
    """The plan that stands for a lifter."""
    record = stored.newest_plan(connection, lifter_id)
    if record is None:
        return None
    return Standing(
        record, plans.list_edits(connection, record.series_id), recorded_gym(connection)
    )


def must_stand(connection: Connection, lifter_id: UUID) -> Standing:
    """The plan that stands for a lifter. Raises NotFoundError."""
    found = standing(connection, lifter_id)
    if found is None:
        raise NotFoundError(say("plans.no_plan_stands_lifter"))
    return found


def day_in(connection: Connection, lifter_id: UUID, on: date) -> Day | None:
    """The day of the standing plan on a date, if there is one."""
    found = standing(connection, lifter_id)
    return next((d for d in found.plan.days() if d.on == on), None) if found else None


def next_day_in(connection: Connection, lifter_id: UUID, on: date) -> Day | None:
    """The first day of the standing plan from a date on."""
    found = standing(connection, lifter_id)
    return next((d for d in found.plan.days() if d.on >= on), None) if found else None
