"""A plan as an iCalendar file (RFC 5545): one all-day event per training day.

A day keeps its UID through every version of the plan; SEQUENCE counts the versions, so that a
calendar replaces the event instead of adding one.
"""

from collections.abc import Iterable
from datetime import date, datetime, timedelta
from uuid import UUID

from icalendar import Calendar, Event

from pavrik.core.prescription.plan_parts import Day, Plan
from pavrik.formats.plan_words import CAUTION, day_title, line_words
from pavrik.words import say


def uid_of(series_id: UUID, day_id: str) -> str:
    """The same for a day in every version of a plan."""
    return f"{day_id}-{series_id}@pavrik"


def _event(series_id: UUID, version: int, made_at: datetime, name: str, day: Day) -> Event:
    event = Event()
    event.add("uid", uid_of(series_id, day.day_id))
    event.add("sequence", version)
    event.add("dtstamp", made_at)
    event.add("dtstart", day.on)
    event.add("dtend", day.on + timedelta(days=1))
    event.add("summary", f"{name}: {day_title(day)}")
    told = [say("formats.before_set", check=check) for check in day.checks]
    told += [say("formats.cue", cue=cue) for cue in day.cues]
    lines = [line_words(line) for line in day.lines]
    moved = [day.moved] if day.moved else []
    event.add("description", "\n".join([*moved, *lines, *told, CAUTION]))
    event.add("transp", "TRANSPARENT")
    return event


def _gone(series_id: UUID, version: int, made_at: datetime, day_id: str, on: date) -> Event:
    event = Event()
    event.add("uid", uid_of(series_id, day_id))
    event.add("sequence", version)
    event.add("dtstamp", made_at)
    event.add("dtstart", on)
    event.add("summary", say("formats.training_day_left_out"))
    event.add("status", "CANCELLED")
    return event


def write_calendar(
    plan: Plan, series_id: UUID, version: int, made_at: datetime, name: str,
    earlier_days: Iterable[tuple[str, date]] = (),
) -> bytes:  # fmt: skip
    """The file; ``version`` counts from 0, ``earlier_days`` are (id, date) of days of earlier
    versions, which are cancelled where the plan no longer has them."""
    calendar = Calendar()
    calendar.add("prodid", "-//Pavrik//Plan//EN")
    calendar.add("version", "2.0")
    calendar.add("method", "PUBLISH")
    calendar.add("x-wr-calname", f"{name}: plan")
    for day in plan.days():
        calendar.add_component(_event(series_id, version, made_at, name, day))
    kept = {day.day_id for day in plan.days()}
    for day_id, on in dict(earlier_days).items():
        if day_id not in kept:
            calendar.add_component(_gone(series_id, version, made_at, day_id, on))
    return bytes(calendar.to_ical())
