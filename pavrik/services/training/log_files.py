"""The log as files: whole out, and in with a preview that tells every row's fate."""

from collections.abc import Sequence
from dataclasses import dataclass
from uuid import UUID, uuid5

from pavrik.core.faults.catalogue import Catalogue
from pavrik.core.prescription.reason import reps_words
from pavrik.core.units import told_kg
from pavrik.errors import InvalidError
from pavrik.formats.dates_in import DateReader, Order
from pavrik.formats.log_table import BadRow, FaultCell, LogRow, read_row, read_table
from pavrik.formats.wire.session import Line
from pavrik.services.club.library import catalogue_of
from pavrik.services.context import Who
from pavrik.services.table_files import Sorted, TableImport, of_the_file
from pavrik.services.training import log
from pavrik.services.training.history import schools_in_force
from pavrik.store import lifters
from pavrik.store import training as store
from pavrik.store.database import Connection, Database
from pavrik.words import say

NAMESPACE = UUID("3c5f9d0e-6a1b-7e42-8f07-1b2c4d5e6f70")


def rows_out(database: Database, who: Who, lifter_id: UUID | None) -> list[LogRow]:
    """The whole log of a lifter, or of the club, oldest first."""
    with database.club(who.club_id) as connection:
        names = {p.lifter_id: p.name for p in lifters.list_profiles(connection, everyone=True)}
        sets = store.list_sets(connection, lifter_id, most=None)
        ids = [s.set_id for s in sets]
        seen, measured = store.observations_of(connection, ids), store.measures_of(connection, ids)
    return [
        LogRow(
            0, names.get(s.lifter_id, ""), s.lift, s.variation, s.load_kg, s.reps, s.missed_reps,
            s.rpe, s.aimed_rpe, s.pull_style, s.cue, s.note, s.performed_at,
            tuple(
                FaultCell(o.rep, o.phase, o.fault_id, o.severity, o.side) for o in seen[s.set_id]
            ),
            str(s.set_id), measured.get(s.set_id, ()),
        )
        for s in reversed(sets)
    ]  # fmt: skip


@dataclass(frozen=True)
class _Ready:
    """A row that can be kept."""

    row: LogRow
    logged: store.StoredSet
    seen: list[store.Observation]


def _set_id(row: LogRow) -> UUID:
    """The row's own id, else one made of its content: the same file twice adds nothing."""
    if row.set_id:
        return UUID(row.set_id)
    content = (row.lifter, row.lift, row.variation, row.load_kg, row.reps, row.missed_reps,
               row.performed_at.isoformat(), row.line)  # fmt: skip
    return uuid5(NAMESPACE, "/".join(map(str, content)))


def _ready(catalogue: Catalogue, row: LogRow, ids: dict[str, list[UUID]]) -> _Ready | BadRow:
    found = ids.get(row.lifter.casefold(), [])
    if len(found) != 1:
        how = (
            say("training.no_lifter")
            if not found
            else say("training.lifters_are", found=len(found))
        )
        return BadRow(
            row.line, (say("training.called_write_name_floor", how=how, lifter=row.lifter),)
        )
    try:
        set_id = _set_id(row)
    except ValueError:
        return BadRow(row.line, (say("training.set_id_no_uuid", set_id=row.set_id),))
    logged = store.StoredSet(
        set_id, found[0], None, row.lift, row.variation, row.load_kg, row.reps, row.missed_reps,
        row.rpe, row.aimed_rpe, row.pull_style, {}, row.note[:1000], row.performed_at, False,
        row.cue[:60],
    )  # fmt: skip
    seen = [
        store.Observation(
            uuid5(set_id, f"{i}/{f.fault_id}"), f.rep, f.fault_id, f.phase, f.severity, f.side,
            None, "",
        )
        for i, f in enumerate(row.faults)
    ]  # fmt: skip
    try:
        log.check_observations(catalogue, logged, seen)
    except InvalidError as error:
        return BadRow(row.line, (str(error),))
    return _Ready(row, logged, seen)


def _sort(connection: Connection, data: bytes, order: Order | None) -> Sorted[_Ready]:
    with of_the_file():
        table = read_table(data)
    dates = DateReader.of((cells.get("date") for _, cells in table), order)
    ids: dict[str, list[UUID]] = {}
    for profile in lifters.list_profiles(connection, everyone=True):
        ids.setdefault(profile.name.casefold(), []).append(profile.lifter_id)
    catalogue, rows = catalogue_of(connection), Sorted[_Ready](dates)
    ready: dict[UUID, _Ready] = {}
    for line, cells in table:
        row = read_row(line, cells, dates)
        found = row if isinstance(row, BadRow) else _ready(catalogue, row, ids)
        if isinstance(found, BadRow):
            rows.bad.append(found)
        elif found.logged.set_id in ready:
            rows.here.append(found)
        else:
            ready[found.logged.set_id] = found
    known = store.known_ids(connection, list(ready))
    for set_id, found in ready.items():
        (rows.here if set_id in known else rows.new).append(found)
    return rows


def _told(ready: _Ready) -> Line:
    row = ready.row
    reps = reps_words(row.reps) + (
        say("training.missed_reps_missed", missed_reps=row.missed_reps) if row.missed_reps else ""
    )
    done = f"{row.lift} {told_kg(row.load_kg)} × {reps}"
    return row.line, f"{row.performed_at:%Y-%m-%d} {row.lifter}: {done}"


def _keep(connection: Connection, who: Who, _: UUID, rows: Sequence[_Ready]) -> None:
    for ready in rows:
        schools = schools_in_force(connection, ready.logged.lifter_id)
        whole = store.StoredSet(**{**vars(ready.logged), "schools": schools})
        store.add_set(connection, who.club_id, who.coach_id, whole, ready.seen)
        store.add_measures(connection, who.club_id, whole.set_id, dict(ready.row.measures))


SETS = TableImport("import log", _sort, _told, _keep)
"""Sets into the log."""
