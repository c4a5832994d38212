"""What coaches do to a plan by hand: each a fact of its own, in order, that can be undone."""

from dataclasses import asdict, replace
from datetime import date, timedelta
from uuid import UUID

from pavrik.core.prescription.concerns import new_concerns
from pavrik.core.prescription.hand import is_own, last_edit, own_date, passes_cap, standing_edits
from pavrik.core.prescription.plan_parts import OTHER, Edit, Line
from pavrik.errors import InvalidError
from pavrik.formats.plan_words import edit_words
from pavrik.formats.wire.plan_edits import EditAnswer, EditKept, Hand
from pavrik.services.context import Who
from pavrik.services.plans.lift_state import variation_names
from pavrik.services.plans.standing import Standing, must_stand
from pavrik.services.writes import write_once
from pavrik.store import accounts, plans
from pavrik.store.database import Connection, Database
from pavrik.words import say

LEAST_REASON = 3


def hand_of(stands: Standing) -> Hand:
    """What stands by hand in words, what an undo would take back, and what it runs against."""
    last = last_edit(stands.edits)
    return Hand(
        edits=[
            EditAnswer(
                edit_id=edit.edit_id, coach=edit.coach, said_at=edit.said_at,
                words=edit_words(edit, stands.computed, stands.plan),
            )
            for edit in standing_edits(stands.edits)
            if edit.edit_id is not None and edit.said_at is not None
        ],
        last=last.edit_id if last else None,
        concerns=new_concerns(stands.computed, stands.plan, stands.ask),
    )  # fmt: skip


def edit(database: Database, who: Who, key: UUID, lifter_id: UUID, wanted: Edit) -> EditKept:
    """Keep an edit. Raises InvalidError where the plan has no such line or day, where a date lies
    outside it, and where a load passes a cap without a reason."""

    def action(connection: Connection) -> EditKept:
        stands = must_stand(connection, lifter_id)
        coach = accounts.get_coach(connection, who.coach_id)
        said = replace(wanted, coach=coach.name if coach else "")
        _check(connection, stands, said)
        _check_cap(replace(stands, edits=[*stands.edits, said]), said)
        plans.add_edit(connection, who.club_id, who.coach_id, stands.record.series_id, said)
        return EditKept(edit_id=said.edit_id)

    request = {"lifter": str(lifter_id), "edit": asdict(wanted)}
    return write_once(
        database, who, key, "edit plan", request, EditKept, action, subject=str(lifter_id)
    )


def _check(connection: Connection, stands: Standing, said: Edit) -> None:
    if said.kind == "undo":
        if said.undoes not in {e.edit_id for e in stands.edits}:
            raise InvalidError(say("plans.plan_no_such_edit"), "undoes")
        return
    if said.kind == "line" and said.line_id not in {x.line_id for x in stands.plan.lines()}:
        raise InvalidError(say("plans.plan_no_line_reload", line_id=said.line_id), "line_id")
    if said.day_id:
        _check_day(stands, said.day_id)
    if said.to_date is not None:
        _check_date(stands, said.to_date, "to_date")
    lift = said.lift if said.kind == "add" else OTHER
    if lift != OTHER and said.name not in variation_names(connection)[lift]:
        raise InvalidError(say("plans.there_no_called", lift=lift, name=said.name), "name")


def _check_day(stands: Standing, day_id: str) -> None:
    if is_own(day_id):
        try:
            on = own_date(day_id)
        except ValueError:
            raise InvalidError(say("plans.no_day_date", day_id=day_id), "day_id") from None
        _check_date(stands, on, "day_id")
        if on in {d.on for d in stands.plan.days() if d.day_id != day_id}:
            raise InvalidError(say("plans.plan_day_already_reload", on=on), "day_id")
    elif day_id not in {d.day_id for d in stands.computed.days()}:
        raise InvalidError(say("plans.plan_no_day_reload", day_id=day_id), "day_id")


def _check_date(stands: Standing, on: date, field: str) -> None:
    first = stands.ask.start
    last = first + timedelta(days=7 * stands.ask.weeks - 1)
    if not first <= on <= last:
        raise InvalidError(say("plans.outside_plan_runs", on=on, first=first, last=last), field)


def _check_cap(after: Standing, said: Edit) -> None:
    """A load above a cap needs a reason, which is kept with the name."""
    line = next((x for x in after.plan.lines() if _is_of(x, said)), None)
    if line is None or said.dropped or said.load_kg is None or not passes_cap(line):
        return
    if len(said.reason.strip()) < LEAST_REASON:
        raise InvalidError(
            say("plans.kg_passes_cap_kg", load_kg=line.load_kg, cap_kg=line.cap_kg),
            "reason",
        )


def _is_of(line: Line, said: Edit) -> bool:
    return said.kind in ("line", "add") and line.line_id == said.line_id
