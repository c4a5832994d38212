"""The platform log as a table, CSV or XLSX, both ways: one row per set.

``faults`` holds ``rep:phase:fault:severity`` with an optional ``:side``, joined by ``; ``. Texts
that a spreadsheet would run as a formula are written with a leading apostrophe.
"""

import csv
import io
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import UTC, date, datetime, time
from math import isfinite
from typing import Any
from zipfile import BadZipFile, ZipFile

from openpyxl import Workbook, load_workbook
from openpyxl.utils.exceptions import InvalidFileException

from pavrik.core.competition_lifts import LIFT_IDS
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.formats.cells import plain_text, safe_text
from pavrik.formats.dates_in import DateReader
from pavrik.words import one_of, say

COLUMNS = (
    "date", "time", "lifter", "lift", "variation", "load_kg", "reps", "missed_reps", "rpe",
    "aimed_rpe", "pull_style", "cue", "note", "faults", "set_id",
    "hands_to_pull_s", "walkout_steps", "foot_offset_m", "stance_m", "start_hip_m",
    "rep_speed_m_s",
)  # fmt: skip
MEASURES = {
    "hands_to_pull_s": (0.0, 120.0), "walkout_steps": (0.0, 20.0), "foot_offset_m": (-0.15, 0.15),
    "stance_m": (0.1, 1.4), "start_hip_m": (0.1, 1.2),
    "rep_speed_m_s": (0.05, 3.0),
}  # fmt: skip
"""What may be measured in a set, and between which numbers."""
NEEDED = (("date",), ("lifter",), ("lift",), ("reps",), ("load_kg", "load_lb"))
MOST_ROWS = 50_000
MOST_UNPACKED_BYTES = 40_000_000
XLSX = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"
_KG_PER_LB = 0.45359237


@dataclass(frozen=True)
class FaultCell:
    """One fault of a row."""

    rep: int
    phase: str
    fault_id: str
    severity: int
    side: str | None


@dataclass(frozen=True)
class LogRow:
    """One set as a table has it; ``line`` is its line in the file."""

    line: int
    lifter: str
    lift: str
    variation: str
    load_kg: float
    reps: int
    missed_reps: int
    rpe: float | None
    aimed_rpe: float | None
    pull_style: str | None
    cue: str
    note: str
    performed_at: datetime
    faults: tuple[FaultCell, ...]
    set_id: str
    measures: tuple[tuple[str, float], ...] = ()


@dataclass(frozen=True)
class BadRow:
    """A row that cannot be a set, with every reason."""

    line: int
    reasons: tuple[str, ...]


def _fault_text(fault: FaultCell) -> str:
    parts = [str(fault.rep), fault.phase, fault.fault_id, str(fault.severity)]
    return ":".join([*parts, fault.side] if fault.side else parts)


def _cells(row: LogRow) -> list[Any]:
    at = row.performed_at.astimezone(UTC)
    return [
        at.date().isoformat(), at.time().isoformat("seconds"), safe_text(row.lifter), row.lift,
        safe_text(row.variation), row.load_kg, row.reps, row.missed_reps, row.rpe, row.aimed_rpe,
        row.pull_style, safe_text(row.cue), safe_text(row.note),
        "; ".join(map(_fault_text, row.faults)),
        row.set_id, *(dict(row.measures).get(name) for name in MEASURES),
    ]  # fmt: skip


def write_csv(rows: Iterable[LogRow]) -> bytes:
    """The log as CSV in UTF-8; times are UTC."""
    text = io.StringIO()
    writer = csv.writer(text, lineterminator="\r\n")
    writer.writerow(COLUMNS)
    writer.writerows([["" if c is None else c for c in _cells(row)] for row in rows])
    return text.getvalue().encode("utf-8-sig")


def write_xlsx(rows: Iterable[LogRow]) -> bytes:
    """The log as one sheet of an XLSX workbook; times are UTC."""
    book = Workbook(write_only=True)
    sheet = book.create_sheet("log")
    sheet.append(list(COLUMNS))
    for row in rows:
        sheet.append(_cells(row))
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()


def _csv_rows(data: bytes) -> list[list[Any]]:
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError:
        raise ValueError(say("formats.file_not_utf_8")) from None
    head = text.split("\n", 1)[0]
    delimiter = ";" if head.count(";") > head.count(",") else ","
    lines = io.StringIO(text.replace("\r\n", "\n").replace("\r", "\n"))
    try:
        return [list(row) for row in csv.reader(lines, delimiter=delimiter)]
    except csv.Error as error:
        raise ValueError(say("formats.file_no_table", error=error)) from None


def _check_unpacked(data: bytes) -> None:
    """Raise ValueError where a workbook would unpack to more than is taken, before it does."""
    try:
        unpacked = sum(part.file_size for part in ZipFile(io.BytesIO(data)).infolist())
    except BadZipFile:
        return
    if unpacked > MOST_UNPACKED_BYTES:
        raise ValueError(
            say(
                "formats.workbook_unpacks_mb_more",
                unpacked=unpacked / 1000000.0,
                most_unpacked_bytes=MOST_UNPACKED_BYTES / 1000000.0,
            )
        )


def _xlsx_rows(data: bytes) -> list[list[Any]]:
    _check_unpacked(data)
    try:
        book = load_workbook(io.BytesIO(data), read_only=True, data_only=True)
    except (BadZipFile, InvalidFileException, KeyError, OSError, ValueError):
        raise ValueError(say("formats.workbook_cannot_read_save")) from None
    sheet = book.worksheets[0]
    return [list(row) for row in sheet.iter_rows(values_only=True, max_row=MOST_ROWS + 1)]


def table_rows(data: bytes, needed: Sequence[Sequence[str]]) -> list[tuple[int, dict[str, Any]]]:
    """(line, cells by column) of every row that is not empty. ``needed`` are columns that must be
    there, each as a choice of names. Raises ValueError where the file as a whole cannot be read."""
    rows = _xlsx_rows(data) if data[:2] == b"PK" else _csv_rows(data)
    if not rows:
        raise ValueError(say("formats.file_empty_needs_first"))
    names = [str(cell or "").strip().lower() for cell in rows[0]]
    missing = [one_of(choice) for choice in needed if not set(choice) & set(names)]
    if missing:
        raise ValueError(say("formats.first_line_lacks_columns", missing=", ".join(missing)))
    if len(rows) > MOST_ROWS:
        raise ValueError(say("formats.rows_too_many_split", rows=len(rows), most_rows=MOST_ROWS))
    found = []
    for line, row in enumerate(rows[1:], start=2):
        cells = dict(zip(names, row, strict=False))
        if any(cell not in (None, "") for cell in cells.values()):
            found.append((line, cells))
    return found


def read_table(data: bytes) -> list[tuple[int, dict[str, Any]]]:
    """The rows of a log. Raises ValueError where the file as a whole cannot be read."""
    return table_rows(data, NEEDED)


class RowReader:
    """Reads the cells of one row and collects what is wrong with them."""

    def __init__(self, cells: dict[str, Any], dates: DateReader) -> None:
        self._cells, self._dates = cells, dates
        self.reasons: list[str] = []

    def text(self, name: str, usual: str = "") -> str:
        """A cell as text."""
        value = self._cells.get(name)
        return usual if value in (None, "") else plain_text(str(value).strip())

    def number(self, name: str, low: float, high: float, usual: float | None) -> float | None:
        """A cell as a number between two others."""
        value = self._cells.get(name)
        if value in (None, ""):
            return usual
        try:
            number = float(str(value).replace(",", "."))
        except ValueError:
            number = float("nan")
        if not isfinite(number):
            self.reasons.append(say("formats.no_number", name=name, value=value))
            return usual
        if not low <= number <= high:
            self.reasons.append(
                say("formats.is_outside_to", name=name, number=number, low=low, high=high)
            )
        return number

    def count(self, name: str, high: int) -> int:
        """A cell as a whole number."""
        number = self.number(name, 0, high, 0.0) or 0.0
        if number != int(number):
            self.reasons.append(say("formats.not_whole", name=name, number=number))
        return int(number)

    def one_of(self, name: str, allowed: Sequence[str], usual: str | None) -> str | None:
        """A cell that is one of some words."""
        value = self.text(name)
        if not value:
            return usual
        if value.lower() not in allowed:
            self.reasons.append(
                say("formats.is_none_of", name=name, value=value, allowed=", ".join(allowed))
            )
            return usual
        return value.lower()

    def load_kg(self) -> float:
        """The load, given in kg or pounds."""
        pounds = "load_kg" not in self._cells
        number = self.number("load_lb" if pounds else "load_kg", 0.5, 1400, None)
        if number is None:
            self.reasons.append(say("formats.load_missing"))
            return 1.0
        load = number * _KG_PER_LB if pounds else number
        if load > 600:
            self.reasons.append(say("formats.kg_outside_0_600", load=load))
        return load

    def day(self, name: str, usual: date) -> date:
        """A cell as a date."""
        cell = self._cells.get(name)
        if cell in (None, ""):
            return usual
        try:
            return self._dates.read(cell)
        except ValueError as error:
            self.reasons.append(f"{name} {error}")
            return usual

    def performed_at(self) -> datetime:
        """When the set was done."""
        if not self.text("date"):
            self.reasons.append(say("formats.date_missing"))
        on, clock = self.day("date", datetime.now(UTC).date()), self._cells.get("time")
        try:
            at = clock if isinstance(clock, time) else time.fromisoformat(str(clock or "12:00"))
        except ValueError:
            self.reasons.append(say("formats.time_not_like_17", clock=clock))
            at = time(12)
        found = datetime.combine(on, at.replace(tzinfo=None), UTC)
        if found > datetime.now(UTC).replace(hour=23, minute=59):
            self.reasons.append(say("formats.lies_ahead_only_what", on=on.isoformat()))
        return found

    def measures(self) -> tuple[tuple[str, float], ...]:
        """What was measured in the set."""
        found = {name: self.number(name, *between, None) for name, between in MEASURES.items()}
        return tuple((name, value) for name, value in found.items() if value is not None)

    def faults(self) -> tuple[FaultCell, ...]:
        """The faults of the row."""
        found = []
        for part in filter(None, (p.strip() for p in self.text("faults").split(";"))):
            pieces = [piece.strip() for piece in part.split(":")]
            if len(pieces) not in (4, 5) or not (pieces[0].isdigit() and pieces[3].isdigit()):
                self.reasons.append(say("formats.fault_not_like_3", part=part))
                continue
            side = pieces[4] if len(pieces) == 5 else None
            found.append(FaultCell(int(pieces[0]), pieces[1], pieces[2], int(pieces[3]), side))
        return tuple(found)


def read_row(line: int, cells: dict[str, Any], dates: DateReader) -> LogRow | BadRow:
    """One set of the table, or why it is none."""
    reader = RowReader(cells, dates)
    lift = reader.one_of("lift", LIFT_IDS, None)
    row = LogRow(
        line=line,
        lifter=reader.text("lifter"),
        lift=lift or LIFT_IDS[0],
        variation=reader.text("variation", "competition"),
        load_kg=reader.load_kg(),
        reps=reader.count("reps", 30),
        missed_reps=reader.count("missed_reps", 30),
        rpe=reader.number("rpe", 1, 10, None),
        aimed_rpe=reader.number("aimed_rpe", 1, 10, None),
        pull_style=reader.one_of("pull_style", ("dead_stop", "rebound"), None),
        cue=reader.text("cue"),
        note=reader.text("note"),
        performed_at=reader.performed_at(),
        faults=reader.faults(),
        set_id=reader.text("set_id"),
        measures=reader.measures(),
    )
    if lift is None:
        reader.reasons.append(say("formats.lift_missing"))
    if not row.lifter:
        reader.reasons.append(say("formats.lifter_missing"))
    if row.reps + row.missed_reps == 0:
        reader.reasons.append(say("store.a_rep_or_a_miss"))
    if row.pull_style and row.lift != DEADLIFT.id:
        reader.reasons.append(say("formats.pull_style_noted_deadlifts"))
    return BadRow(line, tuple(dict.fromkeys(reader.reasons))) if reader.reasons else row
