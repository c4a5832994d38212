"""A standing plan as files: calendar, table, print."""

from typing import NamedTuple
from uuid import UUID

from pavrik.core.prescription.plan_parts import Plan
from pavrik.errors import NotFoundError
from pavrik.formats.plan_calendar import write_calendar
from pavrik.formats.plan_pdf import write_plan_pdf
from pavrik.formats.plan_table import write_plan_csv, write_plan_xlsx
from pavrik.services import stored
from pavrik.services.context import Who
from pavrik.services.lifters.profile import get_profile
from pavrik.services.plans.planning import PLAN, standing
from pavrik.store import accounts, plans
from pavrik.store.database import Database


class Standing(NamedTuple):
    """What every file needs."""

    record: plans.PlanRecord
    plan: Plan
    name: str
    club: str
    versions: list[plans.PlanRecord]


def _standing(database: Database, who: Who, lifter_id: UUID) -> Standing:
    with database.club(who.club_id) as connection:
        profile = get_profile(connection, lifter_id)
        found = standing(connection, lifter_id)
        if found is None:
            raise NotFoundError("no plan stands for this lifter: make one first")
        record, plan = found
        versions = stored.list_versions(connection, record.series_id)
        club, _ = accounts.get_club(connection, who.club_id)
    return Standing(record, plan, profile.name, club, versions)


def calendar(database: Database, who: Who, lifter_id: UUID) -> bytes:
    """The plan for a calendar; days of earlier versions that are gone are cancelled."""
    found = _standing(database, who, lifter_id)
    earlier = [
        (day.day_id, day.on)
        for version in found.versions[1:]
        for day in PLAN.validate_python(version.answer).days()
    ]
    record = found.record
    return write_calendar(
        found.plan, record.series_id, len(found.versions) - 1, record.made_at, found.name, earlier
    )


def csv_file(database: Database, who: Who, lifter_id: UUID) -> bytes:
    """The plan as CSV."""
    return write_plan_csv(_standing(database, who, lifter_id).plan)


def xlsx_file(database: Database, who: Who, lifter_id: UUID) -> bytes:
    """The plan as a workbook."""
    found = _standing(database, who, lifter_id)
    return write_plan_xlsx(found.plan, found.name)


def pdf_file(database: Database, who: Who, lifter_id: UUID) -> bytes:
    """The plan for print."""
    found = _standing(database, who, lifter_id)
    return write_plan_pdf(found.plan, found.name, found.club, found.record.made_at)
