"""A plan met by what happened: missed days move or go, loads follow the newest state.

What is past stays as it was planned. What changes is told line by line with its reason.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from datetime import date

from pavrik.core.log.training_set import COMPETITION, TrainingSet
from pavrik.core.prescription.plan_parts import Day, Line, Moved, Plan, PlanAsk, Week
from pavrik.core.prescription.reason import Reason, in_kg

NOTICED_KG = 0.01
LEAST_RPE = 5.0
"""What is as easy or easier is not told as an RPE."""


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


def _lifts_of(day: Day) -> set[str]:
    return {line.lift for line in day.lines if line.kind in ("main", "second")}


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
        for lift in sorted(_lifts_of(day))
        if not _done(day, lift, everything, lift_of)
    ]


def moves_for(
    plan: Plan, logged: dict[str, Sequence[TrainingSet]], today: date, since: date
) -> tuple[list[Moved], list[Reason]]:
    """Main sessions missed this week take the place of the lift's second day, else go to a day
    without any main work; the rest is let go, with the reason. What was moved before stays moved.
    """
    moved = list(plan.moves)
    let_go: list[Reason] = []
    for week, day, lift in missed_days(plan, logged, today, since):
        handled = any(m.lift == lift and m.missed == day.on for m in moved)
        if handled or not any(d.on >= today for d in week.days):
            continue
        was_main = _works(day, lift, "main")
        later = _room_for(lift, week, today, moved) if was_main else []
        if later:
            moved.append(Moved(lift, week.number - 1, day.on, later[0].on))
        else:
            kind = "main work" if was_main else "second day"
            let_go.append(
                Reason(f"the {lift}'s {kind} of {day.on:%A} was missed and is let go: nothing is "
                        "made up twice")
            )  # fmt: skip
    return moved, let_go


def _room_for(lift: str, week: Week, today: date, moved: Sequence[Moved]) -> list[Day]:
    """Days of the week that may still take the lift's main work, the best first."""
    taken = {m.to for m in moved}
    later = [d for d in week.days if d.on >= today and d.on not in taken and _has_room(d, lift)]
    return sorted(later, key=lambda d: (not _works(d, lift, "second"), d.on))


def current_week(ask: PlanAsk, today: date) -> int:
    """Index of the week that today is in, within the plan."""
    return min(max((today - ask.start).days // 7, 0), ask.weeks - 1)


def keep_the_past(old: Plan, fresh: Plan, today: date) -> Plan:
    """The fresh plan from today on, the old one before."""
    weeks = []
    for before, after in zip(old.weeks, fresh.weeks, strict=True):
        days = [d for d in before.days if d.on < today] + [d for d in after.days if d.on >= today]
        weeks.append(replace(after, days=tuple(days)))
    return replace(fresh, weeks=tuple(weeks))


def work_words(line: Line) -> str:
    """Sets x reps @ RPE with the load, in words."""
    told = f"{line.sets} × {line.reps}"
    if line.load_kg is not None:
        told += f" × {in_kg(line.load_kg)}"
    return told + effort_words(line.rpe)


def effort_words(rpe: float | None) -> str:
    """Behind a load: its RPE, or "easy" where it is too light to be rated."""
    if rpe is None:
        return ""
    return f" @ {rpe:g}" if rpe > LEAST_RPE else ", easy"


def name_of(line: Line) -> str:
    """The lift or its variation."""
    return line.lift if line.variation == COMPETITION else line.variation


def _alike(one: Line, other: Line) -> bool:
    loads = (one.load_kg or 0.0), (other.load_kg or 0.0)
    return (
        (one.variation, one.sets, one.reps) == (other.variation, other.sets, other.reps)
        and abs(loads[0] - loads[1]) < NOTICED_KG
        and bool(one.overruled and one.overruled.dropped)
        == bool(other.overruled and other.overruled.dropped)
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


def reflow(
    old: Plan, ask: PlanAsk, logged: dict[str, Sequence[TrainingSet]], today: date,
    since: date, make: Callable[[list[Moved], int], Plan],
) -> tuple[Plan, list[Change], list[Reason]]:  # fmt: skip
    """The plan from today's state, what changed, and what was let go.

    ``since`` is the day the plan was made; ``make`` plans afresh with moved sessions and the week
    that today's state is the start of.
    """
    moved, let_go = moves_for(old, logged, today, since)
    fresh = keep_the_past(old, make(moved, current_week(ask, today)), today)
    return fresh, changes(old, fresh, today), let_go
