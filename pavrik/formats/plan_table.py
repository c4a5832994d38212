"""A plan as a table, CSV (RFC 4180) or XLSX: one row per line, units in the column names."""

import csv
import io

from openpyxl import Workbook
from openpyxl.styles import Alignment, Font
from openpyxl.utils import get_column_letter

from pavrik.core.prescription.plan_parts import Day, Line, Plan, Week
from pavrik.formats.cells import safe_text
from pavrik.formats.plan_words import title_of
from pavrik.words import say

COLUMNS = (
    "week", "role", "date", "lift", "work", "kind", "sets", "reps", "unit", "rpe", "load_kg",
    "per_side_kg", "rest_s", "note", "reasons", "overruled",
)  # fmt: skip
_WIDE = {"reasons": 90, "note": 30, "work": 26, "per_side_kg": 22, "overruled": 30, "date": 12}


def _row(week: Week, day: Day, line: Line) -> list[object]:
    said = line.overruled
    return [
        week.number,
        week.role,
        day.on.isoformat(),
        line.lift,
        safe_text(title_of(line)),
        line.kind,
        line.sets,
        line.reps,
        line.unit,
        line.rpe,
        line.load_kg,
        " + ".join(f"{kg:g}" for kg in line.per_side),
        line.rest_s,
        safe_text(line.note),
        safe_text("; ".join(b.text for b in line.reasons)),
        safe_text(f"{said.coach}: {said.reason or 'by hand'}") if said else "",
    ]


def rows_of(plan: Plan) -> list[list[object]]:
    """All lines in order."""
    return [_row(week, day, line) for week in plan.weeks for day in week.days for line in day.lines]


def write_plan_csv(plan: Plan) -> bytes:
    """The plan as UTF-8 CSV."""
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(COLUMNS)
    writer.writerows(["" if v is None else v for v in row] for row in rows_of(plan))
    return out.getvalue().encode("utf-8")


def write_plan_xlsx(plan: Plan, name: str) -> bytes:
    """The plan as a workbook with one sheet."""
    book = Workbook()
    sheet = book.active
    assert sheet is not None
    sheet.title = "Plan"
    sheet.append(list(COLUMNS))
    for row in rows_of(plan):
        sheet.append(row)
    for index, column in enumerate(COLUMNS, start=1):
        sheet.cell(1, index).font = Font(bold=True)
        sheet.column_dimensions[get_column_letter(index)].width = _WIDE.get(column, 10)
    for cell in sheet[get_column_letter(COLUMNS.index("reasons") + 1)]:
        cell.alignment = Alignment(wrap_text=True, vertical="top")
    sheet.freeze_panes = "A2"
    book.properties.title = say("formats.plan_of", name=name)
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()
