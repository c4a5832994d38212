"""A lifter's plan: made, met by what happened, withdrawn."""

from collections.abc import Sequence
from dataclasses import asdict
from datetime import UTC, datetime, timedelta
from functools import partial
from uuid import UUID

from pydantic import TypeAdapter
from uuid6 import uuid7

from pavrik.core import MODEL_VERSION
from pavrik.core.competition_lifts import LIFT_IDS
from pavrik.core.prescription.analysis import LiftAnalysis
from pavrik.core.prescription.next_load import Gym
from pavrik.core.prescription.plan_parts import Day, Plan, PlanAsk
from pavrik.core.prescription.reason import Reason
from pavrik.core.prescription.reflow import Change, reflow
from pavrik.core.prescription.so_far import so_far
from pavrik.core.prescription.volume import capacities_worked, is_hard
from pavrik.core.strength.utilization import LIMITERS
from pavrik.errors import InvalidError, RefusedError
from pavrik.formats.stored_json import JSON_VERSION
from pavrik.formats.wire.log import WarmUpStep
from pavrik.formats.wire.plans import (
    PlanFrame,
    PlanKept,
    PlanPreview,
    PlanVersion,
    StandingPlan,
    VariationKept,
    WeekVolume,
)
from pavrik.services.context import Who
from pavrik.services.lifters.profile import get_profile
from pavrik.services.plans.editing import hand_of
from pavrik.services.plans.lift_state import variations_of
from pavrik.services.plans.plan_basis import PlanBasis, read_anew, read_standing
from pavrik.services.plans.prescribing import ladder_to
from pavrik.services.plans.standing import ASK, PLAN, Standing, must_stand, standing
from pavrik.services.writes import compute_and_write, write_once
from pavrik.store import plans
from pavrik.store.database import Connection, Database
from pavrik.words import say

CHANGES = TypeAdapter(list[Change])
BEFORE = timedelta(weeks=4)
"""How much of the log stands in the picture of the season before it begins."""


def _record(
    lifter_id: UUID, plan_id: UUID, ask: PlanAsk, plan: Plan, *, replaces: plans.PlanRecord | None,
    told: Sequence[Change] = (),
) -> plans.PlanRecord:  # fmt: skip
    return plans.PlanRecord(
        plan_id=plan_id,
        lifter_id=lifter_id,
        series_id=replaces.series_id if replaces else plan_id,
        replaces=replaces.plan_id if replaces else None,
        withdrawn=False,
        json_version=JSON_VERSION,
        ask=ASK.dump_python(ask, mode="json"),
        answer=PLAN.dump_python(plan, mode="json"),
        changes=CHANGES.dump_python(list(told), mode="json"),
        model_version=MODEL_VERSION,
        made_at=datetime.now(UTC),
    )


def preview(database: Database, who: Who, lifter_id: UUID, frame: PlanFrame) -> PlanPreview:
    """The plan as it would be made; nothing is stored. Raises InvalidError, NotFoundError."""
    with database.reading(who.club_id) as connection:
        read_now = read_anew(connection, lifter_id, frame)
    plan = read_now.make()
    return PlanPreview(plan=plan, volume=volume_of(plan, read_now.studies))


def make(
    database: Database, who: Who, key: UUID, plan_id: UUID, lifter_id: UUID, frame: PlanFrame
) -> PlanKept:
    """Make and keep a plan; it takes the place of the one before. Raises InvalidError."""

    def compute() -> plans.PlanRecord:
        with database.reading(who.club_id) as connection:
            read_now = read_anew(connection, lifter_id, frame)
        return _record(lifter_id, plan_id, read_now.ask, read_now.make(), replaces=None)

    def action(connection: Connection, record: plans.PlanRecord) -> PlanKept:
        plans.add_plan(connection, who.club_id, who.coach_id, record)
        return PlanKept(plan_id=plan_id)

    request = {
        "lifter": str(lifter_id), "start": str(frame.start), "weeks": frame.weeks,
        "weekdays": frame.weekdays, "meet": str(frame.meet), "plan": str(plan_id),
        "shape": frame.shape, "strategy": frame.strategy,
        "blocked": [str(day) for day in frame.blocked],
    }  # fmt: skip
    return compute_and_write(
        database, who, key, "make plan", request, PlanKept, compute, action,
        subject=str(lifter_id),
    )  # fmt: skip


def _afresh(now: PlanBasis, old: Standing) -> tuple[Plan, list[Change], list[Reason]]:
    """The plan from today's state as computed, what differs, what is let go. Raises
    InvalidError."""
    logged = {lift: study.state.history for lift, study in now.studies.items()}
    since = now.versions[-1].made_at.date()
    return reflow(old.computed, now.ask, logged, now.facts.on, since, now.make, old.lay)


def read(database: Database, who: Who, lifter_id: UUID) -> StandingPlan:
    """The standing plan, what today's state would change in it, and its volume."""
    with database.reading(who.club_id) as connection:
        get_profile(connection, lifter_id)
        found = standing(connection, lifter_id)
        if found is None:
            return StandingPlan(plan=None)
        now = read_standing(connection, found.record)
    record, old = found.record, found.plan
    old_start, today = found.ask.start, now.facts.on
    try:
        fresh, told, let_go = _afresh(now, found)
    except InvalidError as error:
        fresh, told, let_go = old, [], [Reason(str(error))]
    return StandingPlan(
        plan_id=record.plan_id,
        ask=now.ask,
        made_at=record.made_at,
        plan=old,
        volume=volume_of(old, now.studies),
        pending=told,
        let_go=let_go,
        proposals=list(fresh.proposals),
        versions=[
            PlanVersion(
                plan_id=v.plan_id, made_at=v.made_at, changes=CHANGES.validate_python(v.changes)
            )
            for v in now.versions
        ],
        hand=hand_of(found),
        so_far=[
            so_far(lift, study.state.history, now.ask.training_age, old_start - BEFORE, today)
            for lift, study in now.studies.items()
        ],
    )


def take_up(database: Database, who: Who, key: UUID, plan_id: UUID, lifter_id: UUID) -> PlanKept:
    """Let the plan follow today's state: a new version with every change told."""

    def compute() -> plans.PlanRecord:
        with database.reading(who.club_id) as connection:
            old = must_stand(connection, lifter_id)
            now = read_standing(connection, old.record)
        fresh, told, _ = _afresh(now, old)
        return _record(lifter_id, plan_id, now.ask, fresh, replaces=old.record, told=told)

    request = {"lifter": str(lifter_id), "plan": str(plan_id)}
    return compute_and_write(
        database, who, key, "re-flow plan", request, PlanKept, compute,
        partial(_replace_with, who), subject=str(lifter_id),
    )  # fmt: skip


def _replace_with(who: Who, connection: Connection, kept: plans.PlanRecord) -> PlanKept:
    """Keep a version made from the one that stood. Raises RefusedError where another came first."""
    stands = must_stand(connection, kept.lifter_id).record
    if stands.plan_id != kept.replaces:
        raise RefusedError(say("plans.plan_changed_meanwhile_reload"))
    plans.add_plan(connection, who.club_id, who.coach_id, kept)
    return PlanKept(plan_id=kept.plan_id, changes=len(kept.changes))


def withdraw(database: Database, who: Who, key: UUID, plan_id: UUID, lifter_id: UUID) -> PlanKept:
    """Take the plan back; it stays on record."""

    def action(connection: Connection) -> PlanKept:
        record = must_stand(connection, lifter_id).record
        gone = plans.PlanRecord(
            **{
                **vars(record), "plan_id": plan_id, "replaces": record.plan_id,
                "withdrawn": True, "changes": [], "made_at": datetime.now(UTC),
            }
        )  # fmt: skip
        plans.add_plan(connection, who.club_id, who.coach_id, gone)
        return PlanKept(plan_id=plan_id)

    request = {"lifter": str(lifter_id), "plan": str(plan_id)}
    return write_once(
        database, who, key, "withdraw plan", request, PlanKept, action, subject=str(lifter_id)
    )


def say_of_variation(
    database: Database, who: Who, key: UUID, lifter_id: UUID, word: plans.VariationWord
) -> VariationKept:
    """Use a variation, leave it out, or take the word back; with a reason."""

    def action(connection: Connection) -> VariationKept:
        get_profile(connection, lifter_id)
        if word.variation not in variations_of(connection).by_name:
            raise InvalidError(
                say("plans.there_no_variation_called", variation=word.variation), "variation"
            )
        plans.add_variation_word(connection, who.club_id, who.coach_id, uuid7(), lifter_id, word)
        return VariationKept(variation=word.variation)

    request = {"lifter": str(lifter_id), "word": asdict(word)}
    return write_once(
        database,
        who,
        key,
        "word on variation",
        request,
        VariationKept,
        action,
        subject=str(lifter_id),
    )


def volume_of(plan: Plan, studies: dict[str, LiftAnalysis]) -> list[WeekVolume]:
    """Hard sets per lift and per capacity in every week."""
    found = []
    for week in plan.weeks:
        lifts: dict[str, int] = dict.fromkeys(LIFT_IDS, 0)
        capacities = dict.fromkeys(LIMITERS, 0)
        for day in week.days:
            for line in day.lines:
                if not is_hard(line.rpe) or line.left_out:
                    continue
                lifts[line.lift] = lifts.get(line.lift, 0) + line.sets
                study = studies.get(line.lift)
                loading = study.loadings.get(line.variation) if study else None
                if loading is not None:
                    use = {name: loading.at(None, name) for name in LIMITERS}
                    for name in capacities_worked(use):
                        capacities[name] += line.sets
        found.append(WeekVolume(week=week.number, lifts=lifts, capacities=capacities))
    return found


def warm_ups(gym: Gym, day: Day) -> dict[str, list[WarmUpStep]]:
    """The way up to the first work set of each lift of a day, by line."""
    found: dict[str, list[WarmUpStep]] = {}
    seen: set[str] = set()
    for line in day.lines:
        if line.kind == "drill" or line.load_kg is None or line.lift in seen:
            continue
        seen.add(line.lift)
        found[line.line_id] = ladder_to(line.load_kg, gym)
    return found
