"""Many lifters at once from a file, with a preview that tells every row's fate."""

from collections.abc import Sequence
from datetime import UTC, date, datetime
from uuid import UUID, uuid5

from uuid6 import uuid7

from pavrik.core.units import told_kg
from pavrik.errors import InvalidError
from pavrik.formats.dates_in import Order
from pavrik.formats.lifter_table import LifterRow, read_lifters
from pavrik.formats.log_table import BadRow
from pavrik.formats.wire.session import Line
from pavrik.services.context import Who
from pavrik.services.lifters.known_lifts import check_known_lift
from pavrik.services.table_files import Sorted, TableImport, of_the_file
from pavrik.store import lifters as store
from pavrik.store.accounts import today
from pavrik.store.database import Connection

NAMESPACE = UUID("5b7e0d52-91c4-7d1a-b6de-0c2f7a9e3d14")


def _check_bests(row: LifterRow, on: date) -> BadRow | None:
    reasons = []
    for best in row.bests:
        try:
            check_known_lift(best, row.profile.mass_kg, on)
        except InvalidError as error:
            reasons.append(f"{best.exercise}: {error}")
    return BadRow(row.line, tuple(reasons)) if reasons else None


def _sort(connection: Connection, data: bytes, order: Order | None) -> Sorted[LifterRow]:
    """A name that is in the club already, or twice in the file, is one lifter."""
    on = today(connection)
    with of_the_file():
        table = read_lifters(data, on, order)
    known = {profile.name.casefold() for profile in store.list_profiles(connection, everyone=True)}
    found = Sorted[LifterRow](table.dates)
    for row in table.rows:
        if isinstance(row, BadRow):
            found.bad.append(row)
        elif row.profile.name.casefold() in known:
            found.here.append(row)
        elif (bad := _check_bests(row, on)) is not None:
            found.bad.append(bad)
        else:
            known.add(row.profile.name.casefold())
            found.new.append(row)
    return found


def _told(row: LifterRow) -> Line:
    told = [f"{best.exercise} {told_kg(best.load_kg or 0)}" for best in row.bests]
    size = f"{told_kg(row.profile.mass_kg)}, {row.profile.stature_m * 100:.0f} cm"
    return row.line, ", ".join([row.profile.name, size, *told])


def _keep(connection: Connection, who: Who, key: UUID, rows: Sequence[LifterRow]) -> None:
    now = datetime.now(UTC)
    for row in rows:
        lifter_id = uuid5(NAMESPACE, f"{who.club_id}/{key}/{row.line}")
        store.add_lifter(connection, who.club_id, lifter_id)
        profile = store.Profile(lifter_id=lifter_id, said_at=now, **row.profile.model_dump())
        store.add_profile(connection, who.club_id, uuid7(), who.coach_id, profile)
        for best in row.bests:
            known = store.KnownLift(
                uuid7(), best.exercise, best.load_kg, best.reps, best.rpe, best.done_on
            )
            store.add_known_lift(connection, who.club_id, lifter_id, who.coach_id, now, known)


LIFTERS = TableImport("import lifters", _sort, _told, _keep)
"""Lifters with their bests into the club."""
