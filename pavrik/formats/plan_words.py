"""A plan in words, the same on every sheet of paper, calendar and spreadsheet."""

from pavrik.core.prescription.plan_parts import Day, Line
from pavrik.core.prescription.reflow import name_of, work_words

CAUTION = (
    "Spotters or safeties at the height on the card. Stop at sharp, radiating or new pain and "
    "see a licensed clinician. Holding the breath raises blood pressure: ask a doctor first with "
    "heart, eye or pressure conditions, pregnancy or a hernia. The rule book in force and the "
    "gym's rules go before this plan."
)


def title_of(line: Line) -> str:
    """The line's lift or variation, with a capital."""
    name = name_of(line)
    return name[0].upper() + name[1:]


def line_words(line: Line) -> str:
    """One line of a day in words."""
    if line.overruled and line.overruled.dropped:
        return f"{title_of(line)}: left out ({line.overruled.reason})"
    note = f" ({line.note})" if line.note else ""
    return f"{title_of(line)}: {work_words(line)}{note}"


def day_title(day: Day) -> str:
    """What a day is about: its main and second lifts."""
    lifts = [title_of(x) for x in day.lines if x.kind in ("main", "second")]
    return ", ".join(dict.fromkeys(lifts)) or "Support work"
