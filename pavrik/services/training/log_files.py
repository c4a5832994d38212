"""The log as files: whole out, and in with a preview that tells every row's fate."""

from dataclasses import dataclass
from uuid import UUID, uuid5

from pavrik.core.faults.catalogue import Catalogue
from pavrik.core.units import told_kg
from pavrik.errors import InvalidError
from pavrik.formats.dates_in import DateReader, Order
from pavrik.formats.log_table import BadRow, FaultCell, LogRow, read_row, read_table
from pavrik.formats.wire.session import ImportAnswer
from pavrik.services.club.library import catalogue_of
from pavrik.services.context import Who
from pavrik.services.table_files import check_bad_rows
from pavrik.services.training import log
from pavrik.services.training.history import schools_in_force
from pavrik.services.training.review import refresh_summary
from pavrik.services.writes import digest_of, write_once
from pavrik.store import lifters
from pavrik.store import training as store
from pavrik.store.database import Connection, Database

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
        how = "no lifter is" if not found else f"{len(found)} lifters are"
        return BadRow(row.line, (f"{how} called {row.lifter}: write the name as on the floor",))
    try:
        set_id = _set_id(row)
    except ValueError:
        return BadRow(row.line, (f"set_id “{row.set_id}” is no UUID: leave it empty",))
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


@dataclass(frozen=True)
class _Sorted:
    """Rows to keep, rows that are here already, bad rows; how dates were read."""

    new: list[_Ready]
    here: list[LogRow]
    bad: list[BadRow]
    dates: DateReader


def _sort_rows(connection: Connection, data: bytes, order: Order | None) -> _Sorted:
    try:
        table = read_table(data)
    except ValueError as error:
        raise InvalidError(str(error), "file") from error
    dates = DateReader.of((cells.get("date") for _, cells in table), order)
    ids: dict[str, list[UUID]] = {}
    for profile in lifters.list_profiles(connection, everyone=True):
        ids.setdefault(profile.name.casefold(), []).append(profile.lifter_id)
    catalogue = catalogue_of(connection)
    bad: list[BadRow] = []
    ready: dict[UUID, _Ready] = {}
    here: list[LogRow] = []
    for line, cells in table:
        row = read_row(line, cells, dates)
        found = row if isinstance(row, BadRow) else _ready(catalogue, row, ids)
        if isinstance(found, BadRow):
            bad.append(found)
        elif found.logged.set_id in ready:
            here.append(found.row)
        else:
            ready[found.logged.set_id] = found
    known = store.known_ids(connection, list(ready))
    here += [ready[set_id].row for set_id in known]
    return _Sorted([r for set_id, r in ready.items() if set_id not in known], here, bad, dates)


def _words(row: LogRow) -> str:
    reps = f"{row.reps} reps" + (f", {row.missed_reps} missed" if row.missed_reps else "")
    return f"{row.performed_at:%Y-%m-%d} {row.lifter}: {row.lift} {told_kg(row.load_kg)} × {reps}"


def _answer(rows: _Sorted) -> ImportAnswer:
    return ImportAnswer.of(
        [(r.row.line, _words(r.row)) for r in rows.new],
        [(r.line, _words(r)) for r in rows.here],
        [(r.line, "; ".join(r.reasons)) for r in rows.bad],
        rows.dates,
    )


def preview(database: Database, who: Who, data: bytes, order: Order | None = None) -> ImportAnswer:
    """Every row's fate; nothing is kept. Raises InvalidError where the file cannot be read."""
    with database.reading(who.club_id) as connection:
        return _answer(_sort_rows(connection, data, order))


def import_log(
    database: Database, who: Who, key: UUID, data: bytes, leave_bad: bool,
    order: Order | None = None,
) -> ImportAnswer:  # fmt: skip
    """Keep all new rows in one transaction, or nothing. Raises InvalidError with bad rows unless
    they are to be left out."""

    def action(connection: Connection) -> ImportAnswer:
        rows = _sort_rows(connection, data, order)
        answer, new = _answer(rows), rows.new
        check_bad_rows(answer, leave_bad)
        for ready in new:
            schools = schools_in_force(connection, ready.logged.lifter_id)
            whole = store.StoredSet(**{**vars(ready.logged), "schools": schools})
            store.add_set(connection, who.club_id, who.coach_id, whole, ready.seen)
            measures = dict(ready.row.measures)
            store.add_measures(connection, who.club_id, whole.set_id, measures)
        for lifter_id, lift in {(r.logged.lifter_id, r.logged.lift) for r in new}:
            refresh_summary(connection, who.club_id, lifter_id, lift)
        return answer.kept_as_counts()

    return write_once(
        database,
        who,
        key,
        "import log",
        {"file": digest_of(data.hex()), "leave": leave_bad, "dates": order},
        ImportAnswer,
        action,
    )
