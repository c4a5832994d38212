"""Settled set-ups, prescribed loads and plans as they are stored, read in today's form.

Services ask here and not the store's own lists, so that no JSON of an older form gets further.
"""

from dataclasses import replace
from typing import TypeVar
from uuid import UUID

from pavrik.formats.stored_json import JSON_VERSION, current
from pavrik.store import plans, setups, training
from pavrik.store.database import Connection

R = TypeVar("R", setups.Settled, training.Prescription, plans.PlanRecord)


def _now(record: R, *fields: str) -> R:
    told = {name: current(getattr(record, name), record.json_version) for name in fields}
    return replace(record, **told, json_version=JSON_VERSION)


def list_settled(connection: Connection, lifter_id: UUID | None = None) -> list[setups.Settled]:
    """Every settled set-up, newest first, of one lifter or of the club."""
    found = setups.list_settled(connection, lifter_id)
    return [_now(one, "setup", "inputs", "prediction") for one in found]


def newest_settled(connection: Connection, lifter_id: UUID, lift: str) -> setups.Settled | None:
    """What the lifter is settled on now."""
    found = setups.newest_settled(connection, lifter_id, lift)
    return _now(found, "setup", "inputs", "prediction") if found else None


def list_prescriptions(
    connection: Connection, lifter_id: UUID, most: int = 50
) -> list[training.Prescription]:
    """Prescribed loads of a lifter, newest first."""
    found = training.list_prescriptions(connection, lifter_id, most)
    return [_now(one, "answer") for one in found]


def newest_plan(connection: Connection, lifter_id: UUID) -> plans.PlanRecord | None:
    """The plan that stands; None where none was made or the newest was withdrawn."""
    found = plans.newest_plan(connection, lifter_id)
    return _now(found, "ask", "answer", "changes") if found else None


def list_versions(connection: Connection, series_id: UUID) -> list[plans.PlanRecord]:
    """Every version of a plan, newest first."""
    found = plans.list_versions(connection, series_id)
    return [_now(one, "ask", "answer", "changes") for one in found]


def standing_plans(connection: Connection) -> list[plans.PlanRecord]:
    """The newest plan of every lifter of the club, without withdrawn ones."""
    return [_now(one, "ask", "answer", "changes") for one in plans.standing_plans(connection)]
