"""A plan for print: A4, one block per day, plates and reasons included."""

from collections.abc import Mapping
from datetime import datetime

from reportlab.lib.units import mm
from reportlab.platypus import Flowable, KeepTogether, Paragraph, Spacer, Table

from pavrik.core.prescription.attempts import Attempt
from pavrik.core.prescription.effort import amount_words, effort_words
from pavrik.core.prescription.plan_parts import Day, Line, Plan, Week
from pavrik.core.units import told_kg
from pavrik.formats.paper import HEAD, RULES, SMALL, STRONG, TITLE, on_paper, written
from pavrik.formats.plan_words import CAUTION, title_of
from pavrik.words import say

_WIDTHS = (50 * mm, 30 * mm, 26 * mm, 56 * mm, 16 * mm)


def _plates(line: Line) -> str:
    if line.load_kg is None:
        return line.note or say("prescription.by_feel")
    sides = " + ".join(f"{kg:g}" for kg in line.per_side) or say("formats.empty_bar")
    return say("formats.each_side", sides=sides)


def _line(line: Line) -> list[Paragraph]:
    load = told_kg(line.load_kg) if line.load_kg is not None else ""
    rpe = effort_words(line.rpe)
    return [
        written(title_of(line)),
        written(f"{line.sets} × {amount_words(line.reps, line.unit)}{rpe}"),
        written(say("formats.left_out") if line.left_out else load, STRONG),
        written(_plates(line), SMALL),
        written(
            say("formats.rest_rest_s", minutes=line.rest_s // 60, seconds=line.rest_s % 60), SMALL
        ),
    ]


def _day(day: Day) -> Flowable:
    parts: list[Flowable] = [written(f"{day.on:%A %d %B %Y}", HEAD)]
    if day.moved:
        parts.append(written(day.moved, SMALL))
    rows = [_line(line) for line in day.lines]
    parts.append(Table(rows, _WIDTHS, style=RULES, hAlign="LEFT"))
    told = dict.fromkeys(b.text for line in day.lines for b in line.reasons[:2])
    parts += [written(say("formats.because", reason=text), SMALL) for text in told]
    if day.checks:
        parts.append(
            written(say("formats.checks_before_set", checks=" / ".join(day.checks)), SMALL)
        )
    if day.cues:
        parts.append(written(say("formats.cues_of_day", cues=" / ".join(day.cues)), SMALL))
    return KeepTogether([*parts, Spacer(0, 3 * mm)])


def _week(week: Week) -> list[Flowable]:
    head = written(say("formats.week_number", number=week.number, reason=week.reason), HEAD)
    return [Spacer(0, 2 * mm), head, Spacer(0, 1 * mm), *map(_day, week.days)]


def _attempts(found: Mapping[str, tuple[Attempt, ...]]) -> list[Flowable]:
    parts: list[Flowable] = []
    for lift, tries in found.items():
        loads = ", ".join(told_kg(a.load_kg) for a in tries)
        parts.append(written(say("formats.attempts_lift", lift=lift, loads=loads), HEAD))
        parts += [written(f"{a.number}: {b.text}", SMALL) for a in tries for b in a.reasons]
    return parts


def write_plan_pdf(plan: Plan, name: str, club: str, made_at: datetime) -> bytes:
    """The whole plan as PDF."""
    story: list[Flowable] = [
        written(name, TITLE),
        written(say("formats.club_made_made_at", club=club, made_at=made_at), SMALL),
        Spacer(0, 2 * mm),
        written(CAUTION, SMALL),
        *[written(text, SMALL) for text in plan.refused],
        *_attempts(plan.attempts),
    ]
    for week in plan.weeks:
        story += _week(week)
    return on_paper(story, say("formats.plan_of", name=name), name, club)
