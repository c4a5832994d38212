"""A standing plan as files: calendar, table, print."""

from typing import NamedTuple
from uuid import UUID

from pavrik.core.prescription.hand import is_own, own_date
from pavrik.formats.plan_calendar import write_calendar
from pavrik.formats.plan_pdf import write_plan_pdf
from pavrik.formats.plan_table import write_plan_csv, write_plan_xlsx
from pavrik.services import stored
from pavrik.services.context import Who
from pavrik.services.lifters.profile import get_profile
from pavrik.services.plans.standing import PLAN, Standing, must_stand
from pavrik.store import accounts, plans
from pavrik.store.database import Database


class PlanOnPaper(NamedTuple):
    """What every file needs."""

    stands: Standing
    name: str
    club: str
    versions: list[plans.PlanRecord]


def _read(database: Database, who: Who, lifter_id: UUID) -> PlanOnPaper:
    with database.reading(who.club_id) as connection:
        profile = get_profile(connection, lifter_id)
        found = must_stand(connection, lifter_id)
        versions = stored.list_versions(connection, found.record.series_id)
        club, _ = accounts.get_club(connection, who.club_id)
    return PlanOnPaper(found, profile.name, club, versions)


def calendar(database: Database, who: Who, lifter_id: UUID) -> bytes:
    """The plan for a calendar; days of earlier versions that are gone are cancelled. Versions and
    edits count on, so that a calendar takes the newest."""
    found = _read(database, who, lifter_id)
    kept = [found.stands.computed, *(PLAN.validate_python(v.answer) for v in found.versions[1:])]
    earlier = [(day.day_id, day.on) for plan in kept for day in plan.days()]
    record, edits = found.stands.record, found.stands.edits
    earlier += [(e.day_id, own_date(e.day_id)) for e in edits if is_own(e.day_id)]
    changed_at = max([record.made_at, *(e.said_at for e in edits if e.said_at is not None)])
    return write_calendar(
        found.stands.plan, record.series_id, len(found.versions) - 1 + len(edits), changed_at,
        found.name, earlier,
    )  # fmt: skip


def csv_file(database: Database, who: Who, lifter_id: UUID) -> bytes:
    """The plan as CSV."""
    return write_plan_csv(_read(database, who, lifter_id).stands.plan)


def xlsx_file(database: Database, who: Who, lifter_id: UUID) -> bytes:
    """The plan as a workbook."""
    found = _read(database, who, lifter_id)
    return write_plan_xlsx(found.stands.plan, found.name)


def pdf_file(database: Database, who: Who, lifter_id: UUID) -> bytes:
    """The plan for print."""
    found = _read(database, who, lifter_id)
    stands = found.stands
    return write_plan_pdf(stands.plan, found.name, found.club, stands.record.made_at)
