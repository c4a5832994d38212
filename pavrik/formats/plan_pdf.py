"""A plan for print: A4, one block per day, plates and reasons included."""

import io
from collections.abc import Callable, Mapping
from datetime import datetime
from functools import cache
from html import escape
from importlib.resources import as_file, files

from reportlab.lib import colors
from reportlab.lib.pagesizes import A4
from reportlab.lib.styles import ParagraphStyle
from reportlab.lib.units import mm
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas
from reportlab.platypus import (
    BaseDocTemplate,
    Flowable,
    KeepTogether,
    Paragraph,
    SimpleDocTemplate,
    Spacer,
    Table,
    TableStyle,
)

from pavrik.core.prescription.attempts import Attempt
from pavrik.core.prescription.effort import amount_words, effort_words
from pavrik.core.prescription.plan_parts import Day, Line, Plan, Week
from pavrik.formats.plan_words import CAUTION, title_of

_PLAIN, _BOLD = "Archivo", "Archivo-Bold"
INK, SOFT = colors.HexColor("#1d2126"), colors.HexColor("#5a626b")


@cache
def _fonts() -> None:
    """The shipped fonts (Archivo, SIL Open Font License): Latin with its extensions."""
    for name, file in ((_PLAIN, "archivo-regular.ttf"), (_BOLD, "archivo-bold.ttf")):
        with as_file(files("pavrik.formats").joinpath("fonts", file)) as path:
            pdfmetrics.registerFont(TTFont(name, str(path)))


_TITLE = ParagraphStyle("title", fontName=_BOLD, fontSize=16, leading=20, textColor=INK)
_HEAD = ParagraphStyle("head", fontName=_BOLD, fontSize=10.5, leading=14, textColor=INK)
_TEXT = ParagraphStyle("text", fontName=_PLAIN, fontSize=9, leading=11.5, textColor=INK)
_LOAD = ParagraphStyle("load", parent=_TEXT, fontName=_BOLD)
_SMALL = ParagraphStyle("small", fontName=_PLAIN, fontSize=7.6, leading=9.6, textColor=SOFT)
_WIDTHS = (50 * mm, 30 * mm, 26 * mm, 56 * mm, 16 * mm)
_RULES = TableStyle(
    [
        ("LINEBELOW", (0, 0), (-1, -1), 0.3, colors.HexColor("#c9cdd2")),
        ("VALIGN", (0, 0), (-1, -1), "TOP"),
        ("LEFTPADDING", (0, 0), (-1, -1), 0),
        ("TOPPADDING", (0, 0), (-1, -1), 2),
        ("BOTTOMPADDING", (0, 0), (-1, -1), 2),
    ]
)


def _text(text: str, style: ParagraphStyle = _TEXT) -> Paragraph:
    return Paragraph(escape(text), style)


def _plates(line: Line) -> str:
    if line.load_kg is None:
        return line.note or "by feel"
    sides = " + ".join(f"{kg:g}" for kg in line.per_side) or "empty bar"
    return f"each side {sides}"


def _line(line: Line) -> list[Paragraph]:
    load = f"{line.load_kg:g} kg" if line.load_kg is not None else ""
    rpe = effort_words(line.rpe)
    return [
        _text(title_of(line)),
        _text(f"{line.sets} × {amount_words(line.reps, line.unit)}{rpe}"),
        _text("left out" if line.left_out else load, _LOAD),
        _text(_plates(line), _SMALL),
        _text(f"rest {line.rest_s // 60}:{line.rest_s % 60:02d}", _SMALL),
    ]


def _day(day: Day) -> Flowable:
    parts: list[Flowable] = [_text(f"{day.on:%A %d %B %Y}", _HEAD)]
    if day.moved:
        parts.append(_text(day.moved, _SMALL))
    rows = [_line(line) for line in day.lines]
    parts.append(Table(rows, _WIDTHS, style=_RULES, hAlign="LEFT"))
    told = {b.text for line in day.lines for b in line.reasons[:2]}
    parts += [_text(f"because {text}", _SMALL) for text in sorted(told)]
    if day.checks:
        parts.append(_text("Before the set: " + " / ".join(day.checks), _SMALL))
    if day.cues:
        parts.append(_text("Cues: " + " / ".join(day.cues), _SMALL))
    return KeepTogether([*parts, Spacer(0, 3 * mm)])


def _week(week: Week) -> list[Flowable]:
    head = _text(f"Week {week.number}: {week.reason}", _HEAD)
    return [Spacer(0, 2 * mm), head, Spacer(0, 1 * mm), *map(_day, week.days)]


def _attempts(found: Mapping[str, tuple[Attempt, ...]]) -> list[Flowable]:
    parts: list[Flowable] = []
    for lift, tries in found.items():
        loads = ", ".join(f"{a.load_kg:g} kg" for a in tries)
        parts.append(_text(f"Attempts, {lift}: {loads}", _HEAD))
        parts += [_text(f"{a.number}: {b.text}", _SMALL) for a in tries for b in a.reasons]
    return parts


def write_plan_pdf(plan: Plan, name: str, club: str, made_at: datetime) -> bytes:
    """The whole plan as PDF."""
    _fonts()
    out = io.BytesIO()
    document = SimpleDocTemplate(
        out, pagesize=A4, leftMargin=15 * mm, rightMargin=15 * mm, topMargin=14 * mm,
        bottomMargin=14 * mm, title=f"Plan of {name}", author=club,
    )  # fmt: skip
    story: list[Flowable] = [
        _text(name, _TITLE),
        _text(f"{club}, made {made_at:%d %B %Y}", _SMALL),
        Spacer(0, 2 * mm),
        _text(CAUTION, _SMALL),
        *[_text(text, _SMALL) for text in plan.refused],
        *_attempts(plan.attempts),
    ]
    for week in plan.weeks:
        story += _week(week)
    document.build(story, onFirstPage=_foot(name), onLaterPages=_foot(name))
    return out.getvalue()


def _foot(name: str) -> Callable[[Canvas, BaseDocTemplate], None]:
    def draw(canvas: Canvas, document: BaseDocTemplate) -> None:
        canvas.setFont(_PLAIN, 7)
        canvas.setFillColor(SOFT)
        canvas.drawString(15 * mm, 8 * mm, name)
        canvas.drawRightString(195 * mm, 8 * mm, str(document.page))

    return draw
