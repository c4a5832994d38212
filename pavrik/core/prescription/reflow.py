"""A plan met by what happened: missed days move or go, loads follow the newest state.

What is past stays as it was planned. What changes is told line by line with its reason.
"""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date, timedelta

from pavrik.core.log.training_set import COMPETITION, TrainingSet
from pavrik.core.prescription.effort import amount_words, effort_words
from pavrik.core.prescription.plan_parts import Day, Line, Moved, Plan, PlanAsk, Week
from pavrik.core.prescription.reason import Reason, in_kg
from pavrik.words import say

NOTICED_KG = 0.01
RECENT = 40
"""Newest sets among which today's are looked for."""


@dataclass(frozen=True)
class Change:
    """One difference: what was planned, what is planned now (empty where gone), and why."""

    line_id: str
    on: date
    lift: str
    what: str
    before: str
    after: str
    reasons: tuple[Reason, ...]


def lifts_of(day: Day) -> set[str]:
    """The lifts that a day is for."""
    work = [line for line in day.lines if line.kind in ("main", "second")]
    return {line.lift for line in work if not line.left_out}


def _done(day: Day, lift: str, logged: Sequence[TrainingSet], lift_of: dict[str, str]) -> bool:
    iso = day.on.isoformat()
    return any(s.day == iso and lift_of[s.set_id] == lift for s in logged)


def _works(day: Day, lift: str, kind: str) -> bool:
    return any(line.lift == lift and line.kind == kind for line in day.lines)


def _has_room(day: Day, lift: str) -> bool:
    """A day takes a main session where it has the lift's second work, or no main work at all."""
    if _works(day, lift, "main"):
        return False
    return _works(day, lift, "second") or not any(line.kind == "main" for line in day.lines)


def missed_days(
    plan: Plan, logged: dict[str, Sequence[TrainingSet]], today: date, since: date
) -> list[tuple[Week, Day, str]]:
    """(week, day, lift) of every session from ``since`` (when the plan was made) until yesterday
    with nothing logged of its lift."""
    lift_of = {s.set_id: lift for lift, sets in logged.items() for s in sets}
    everything = [s for sets in logged.values() for s in sets]
    return [
        (week, day, lift)
        for week in plan.weeks
        for day in week.days
        if since <= day.on < today
        for lift in sorted(lifts_of(day))
        if not _done(day, lift, everything, lift_of)
    ]


def moves_for(
    plan: Plan, logged: dict[str, Sequence[TrainingSet]], today: date, since: date,
    as_stands: Plan,
) -> tuple[list[Moved], list[Reason]]:  # fmt: skip
    """Main sessions missed this week take the place of the lift's second day, else go to a day
    without any main work; the rest is let go, with the reason. What was moved before stays moved.

    ``plan`` is as computed and gives the dates that moves name; ``as_stands`` has the coach's hand
    on it and says what was missed.
    """
    moved = list(plan.moves)
    let_go: list[Reason] = []
    named = {day.day_id: (week.number - 1, day.on) for week in plan.weeks for day in week.days}
    for week, day, lift in missed_days(as_stands, logged, today, since):
        _, missed_on = named.get(day.day_id, (0, day.on))
        handled = any(m.lift == lift and m.missed == missed_on for m in moved)
        if handled or not any(d.on >= today for d in week.days):
            continue
        was_main = _works(day, lift, "main")
        taken = {(m.week, m.to) for m in moved}
        free = [d for d in week.days if d.day_id in named and named[d.day_id] not in taken]
        later = _room_for(lift, free, today) if was_main else []
        if later:
            to_week, to_on = named[later[0].day_id]
            moved.append(Moved(lift, to_week, missed_on, to_on))
        else:
            kind = say("prescription.main_work") if was_main else say("prescription.second_day")
            let_go.append(
                Reason(say("prescription.s_missed_let_go", lift=lift, kind=kind, on=day.on))
            )  # fmt: skip
    return moved, let_go


def _room_for(lift: str, days: Sequence[Day], today: date) -> list[Day]:
    """Days that may still take the lift's main work, the best first."""
    later = [d for d in days if d.on >= today and _has_room(d, lift)]
    return sorted(later, key=lambda d: (not _works(d, lift, "second"), d.on))


def current_week(ask: PlanAsk, today: date) -> int:
    """Index of the week that today is in, within the plan."""
    return min(max((today - ask.start).days // 7, 0), ask.weeks - 1)


def missed_weeks(
    ask: PlanAsk, logged: Mapping[str, Sequence[TrainingSet]], today: date
) -> frozenset[int]:
    """Weeks of the plan (from 0) before the current one in which nothing was trained."""
    trained = {
        (date.fromisoformat(s.day) - ask.start).days // 7
        for sets in logged.values()
        for s in sets
        if not s.told
    }
    return frozenset(range(current_week(ask, today))) - trained


def _trained(logged: dict[str, Sequence[TrainingSet]], today: date) -> bool:
    """Whether today's session has begun: its plan stays what it was."""
    iso = today.isoformat()
    return any(s.day == iso and not s.told for sets in logged.values() for s in sets[-RECENT:])


def keep_the_past(old: Plan, fresh: Plan, today: date, as_stands: Plan) -> Plan:
    """The fresh plan from a day on, the old one before; a day that a coach moved is past or to come
    by the date that it stands on."""
    stands = {day.day_id: day.on for day in as_stands.days()}

    def past(day: Day) -> bool:
        return stands.get(day.day_id, day.on) < today

    weeks = []
    for before, after in zip(old.weeks, fresh.weeks, strict=True):
        days = [d for d in before.days if past(d)] + [d for d in after.days if not past(d)]
        weeks.append(replace(after, days=tuple(sorted(days, key=lambda d: d.on))))
    return replace(fresh, weeks=tuple(weeks))


def work_words(line: Line) -> str:
    """Sets x reps @ RPE with the load, in words."""
    told = f"{line.sets} × {amount_words(line.reps, line.unit)}"
    if line.load_kg is not None:
        told += f" × {in_kg(line.load_kg)}"
    return told + effort_words(line.rpe)


def name_of(line: Line) -> str:
    """The lift or its variation."""
    return line.lift if line.variation == COMPETITION else line.variation


def _alike(one: Line, other: Line) -> bool:
    loads = (one.load_kg or 0.0), (other.load_kg or 0.0)
    return (
        (one.variation, one.sets, one.reps) == (other.variation, other.sets, other.reps)
        and abs(loads[0] - loads[1]) < NOTICED_KG
        and one.left_out == other.left_out
    )


def _new_reasons(before: Line, after: Line) -> tuple[Reason, ...]:
    known = {b.text for b in before.reasons}
    return tuple(b for b in after.reasons if b.text not in known) or after.reasons[:1]


def changes(old: Plan, fresh: Plan, since: date) -> list[Change]:
    """Every difference on days from ``since`` on, in order of the days."""
    before = {line.line_id: (day, line) for day in old.days() for line in day.lines}
    after = {line.line_id: (day, line) for day in fresh.days() for line in day.lines}
    found = []
    for line_id in dict.fromkeys([*before, *after]):
        was, now = before.get(line_id), after.get(line_id)
        day, line = now or was  # type: ignore[misc]
        if day.on < since or (was and now and _alike(was[1], now[1]) and was[0].on == now[0].on):
            continue
        reasons: tuple[Reason, ...] = ()
        if now:
            moved = (Reason(now[0].moved),) if now[0].moved else ()
            reasons = moved or (_new_reasons(was[1], now[1]) if was else now[1].reasons)
        found.append(
            Change(
                line_id, day.on, line.lift, name_of(line), work_words(was[1]) if was else "",
                work_words(now[1]) if now else "", reasons,
            )
        )  # fmt: skip
    return sorted(found, key=lambda change: (change.on, change.line_id))


def _bare(plan: Plan) -> Plan:
    return plan


def reflow(
    old: Plan, ask: PlanAsk, logged: dict[str, Sequence[TrainingSet]], today: date,
    since: date, make: Callable[[list[Moved], int], Plan], lay: Callable[[Plan], Plan] = _bare,
) -> tuple[Plan, list[Change], list[Reason]]:  # fmt: skip
    """The plan from today's state, what changed, and what was let go.

    ``since`` is the day the plan was made; ``make`` plans afresh with moved sessions and the week
    that today's state is the start of; ``lay`` lays the coach's hand over a plan as computed.
    """
    stands, begun = lay(old), today + timedelta(days=_trained(logged, today))
    moved, let_go = moves_for(old, logged, today, since, stands)
    fresh = keep_the_past(old, make(moved, current_week(ask, today)), begun, stands)
    return fresh, changes(stands, lay(fresh), today), let_go
