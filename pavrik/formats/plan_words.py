"""A plan in words, the same on every sheet of paper, calendar and spreadsheet."""

from pavrik.core.prescription.plan_parts import Day, Edit, Line, Plan
from pavrik.core.prescription.reflow import name_of, work_words
from pavrik.words import say

CAUTION = say("formats.spotters_safeties_height_card")


def title_of(line: Line) -> str:
    """The line's lift or variation, with a capital."""
    name = name_of(line)
    return name[0].upper() + name[1:]


def line_words(line: Line) -> str:
    """One line of a day in words."""
    if line.overruled and line.overruled.dropped:
        because = f" ({line.overruled.reason})" if line.overruled.reason else ""
        return say("formats.left_out_2", title_of=title_of(line), because=because)
    note = f" ({line.note})" if line.note else ""
    return f"{title_of(line)}: {work_words(line)}{note}"


def _line_in(plan: Plan, line_id: str) -> tuple[Day, Line] | None:
    found = ((day, line) for day in plan.days() for line in day.lines if line.line_id == line_id)
    return next(found, None)


def edit_words(edit: Edit, computed: Plan, by_hand: Plan) -> str:
    """What a coach did to a plan, in a sentence that fits a list."""
    if edit.kind == "day" and edit.to_date is not None:
        was = next((d for d in computed.days() if d.day_id == edit.day_id), None)
        start = say("formats.weekday", on=was.on) if was else edit.day_id
        return say("formats.moved_to", start=start, to_date=edit.to_date)
    now = _line_in(by_hand, edit.line_id)
    if now is None:
        return say("formats.no_longer_plan", name=edit.name)
    day, line = now
    told = say("formats.line_of_day", title=title_of(line), on=day.on)
    if edit.kind == "add":
        return say(
            "formats.told_words",
            told=told,
            work_words=work_words(line),
            words=say("formats.every_week") if edit.weekly else "",
        )
    if edit.dropped:
        return say("formats.left_out_3", told=told)
    was_there = _line_in(computed, edit.line_id)
    if edit.day_id and was_there is not None and was_there[0].day_id != day.day_id:
        return say("formats.moved_from", told=told, on=was_there[0].on, work_words=work_words(line))
    before = (
        say("formats.planned_work_words", work_words=work_words(was_there[1])) if was_there else ""
    )
    return f"{told}: {work_words(line)}{before}"


def day_title(day: Day) -> str:
    """What a day is about: its main and second lifts."""
    lifts = [title_of(x) for x in day.lines if x.kind in ("main", "second")]
    return ", ".join(dict.fromkeys(lifts)) or say("formats.support_work")
