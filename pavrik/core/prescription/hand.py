"""A coach's hand on a plan: lines changed, left out, moved or added, days moved; each with a name.

The plan as computed stays as it is and the hand is laid over it, so that a re-flow keeps the hand
and an undo computes nothing.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date, timedelta
from functools import cached_property
from uuid import UUID

from pavrik.core.competition_lifts import LIFT_IDS
from pavrik.core.prescription.effort import amount_words, rest_after_s, rpe_at
from pavrik.core.prescription.next_load import Gym
from pavrik.core.prescription.plan_parts import Day, Edit, Line, Plan, Week
from pavrik.core.prescription.reason import Reason, in_kg
from pavrik.core.strength.estimated_max import MOST_REPS, load_for
from pavrik.words import say

OWN_DAY = "on-"
"""A day that only the hand made is called by its date."""
NOTICED_KG = 0.05


def _not_undone(edits: Sequence[Edit]) -> list[Edit]:
    """Edits that no undo took back, without the undos, in the order they were said; an undo may be
    undone itself."""
    undone: set[UUID | None] = set()
    kept: list[Edit] = []
    for edit in reversed(edits):
        if edit.edit_id is not None and edit.edit_id in undone:
            continue
        if edit.kind == "undo":
            undone.add(edit.undoes)
        else:
            kept.append(edit)
    return kept[::-1]


def standing_edits(edits: Sequence[Edit]) -> list[Edit]:
    """The edits in force, in the order they were said: of a line the newest word alone, and none
    where it is as computed."""
    left = _not_undone(edits)
    newest = {edit.line_id: edit for edit in left if edit.kind == "line"}
    return [
        edit
        for edit in left
        if edit.kind != "line" or (newest[edit.line_id] is edit and _says_something(edit))
    ]


def _says_something(edit: Edit) -> bool:
    told = (edit.sets, edit.reps, edit.rpe, edit.load_kg, edit.rest_s)
    return edit.dropped or bool(edit.note or edit.day_id) or any(x is not None for x in told)


def last_edit(edits: Sequence[Edit]) -> Edit | None:
    """What an undo would take back."""
    left = _not_undone(edits)
    return left[-1] if left else None


@dataclass(frozen=True)
class _Known:
    """What a week says of a lift and its variation: the max that its loads rest on, the cap."""

    max_kg: float | None
    cap_kg: float | None


def _known(lines: Sequence[Line], lift: str, name: str) -> _Known:
    alike = [x for x in lines if x.lift == lift and x.variation == name and x.kind != "own"]
    maxes = [x.load_kg / x.share for x in alike if x.load_kg and x.share]
    caps = [x.cap_kg for x in alike if x.cap_kg is not None]
    return _Known(maxes[0] if maxes else None, min(caps) if caps else None)


def _on_a_bar(line: Line) -> bool:
    """Support work may be done with anything that has a weight; other work is the coach's own."""
    if line.lift not in LIFT_IDS:
        return False
    return line.kind != "special" or line.rpe is not None or line.load_kg is not None


def _loaded(line: Line, wanted_kg: float, max_kg: float | None, gym: Gym | None) -> Line:
    """The line with a load that a coach named: on the bar where there is one."""
    made_kg, per_side = wanted_kg, tuple[float, ...]()
    if gym is not None and _on_a_bar(line) and wanted_kg >= gym.empty_kg:
        made = gym.as_said(wanted_kg)
        made_kg, per_side = made.total_kg, made.per_side
    share = made_kg / max_kg if max_kg else line.share
    return replace(line, load_kg=made_kg, per_side=per_side, share=share)


def _with_rpe(line: Line, edit: Edit) -> Line:
    """The line with the RPE of its load, unless the coach named one."""
    if edit.rpe is not None or not line.share or line.reps > MOST_REPS:
        return line
    return replace(line, rpe=rpe_at(line.share, line.reps))


def _from_effort(line: Line, known: _Known, gym: Gym | None) -> Line:
    """The line with the load that its reps and RPE ask for, under the cap; none is known without a
    max, or for more reps than the formulas tell."""
    if line.reps > MOST_REPS:
        return replace(line, load_kg=None, per_side=(), share=None)
    if known.max_kg is None or line.rpe is None or gym is None:
        return line
    wanted = load_for(known.max_kg, line.reps, line.rpe)
    capped = known.cap_kg is not None and wanted > known.cap_kg
    made = gym.loading(min(wanted, known.cap_kg or wanted), capped=capped)
    share = made.total_kg / known.max_kg
    return replace(line, load_kg=made.total_kg, per_side=made.per_side, share=share)


def _load_words(line: Line, wanted_kg: float) -> str:
    told, load = in_kg(line.load_kg or wanted_kg), line.load_kg or wanted_kg
    if abs(load - wanted_kg) > NOTICED_KG:
        told += say("prescription.most_plates_make_up", in_kg=in_kg(wanted_kg))
    if passes_cap(line):
        told += say("prescription.above_cap", in_kg=in_kg(line.cap_kg or 0.0))
    return told


def passes_cap(line: Line) -> bool:
    """Whether the load is above what holds the line."""
    return (
        line.cap_kg is not None
        and line.load_kg is not None
        and line.load_kg > line.cap_kg + NOTICED_KG
    )


def _said(edit: Edit, told: str) -> Reason:
    return Reason(f"{edit.coach} {told}" + (f": {edit.reason}" if edit.reason else ""))


def _asks_other_work(edit: Edit) -> bool:
    return any(x is not None for x in (edit.sets, edit.reps, edit.rpe, edit.load_kg))


def _changed(line: Line, edit: Edit, week: Sequence[Line], gym: Gym | None) -> Line:
    """The line with a coach's word on it, in place of one that it was kept with."""
    if line.overruled is not None:
        line = replace(line, overruled=None, reasons=line.reasons[1:])
    if edit.dropped:
        dropped = _said(edit, say("prescription.drops_this"))
        return replace(line, overruled=edit, reasons=(dropped, *line.reasons))
    known = _known([line], line.lift, line.variation)
    if known.max_kg is None:
        known = _known(week, line.lift, line.variation)
    changed = replace(
        line, intent_kg=None,
        sets=edit.sets or line.sets, reps=edit.reps or line.reps, rpe=edit.rpe or line.rpe,
        note=edit.note or line.note,
    )  # fmt: skip
    told = []
    if (changed.sets, changed.reps) != (line.sets, line.reps):
        told.append(f"{changed.sets} × {amount_words(changed.reps, changed.unit)}")
    if edit.load_kg is not None:
        changed = _with_rpe(_loaded(changed, edit.load_kg, known.max_kg, gym), edit)
        told.append(_load_words(changed, edit.load_kg))
    elif edit.reps is not None or edit.rpe is not None:
        changed = _from_effort(changed, known, gym)
        told.append(say("prescription.rpe_rpe", rpe=changed.rpe) if edit.rpe is not None else "")
    if _asks_other_work(edit):
        changed = replace(changed, rest_s=rest_after_s(changed.reps, changed.rpe))
    changed = replace(changed, rest_s=edit.rest_s or changed.rest_s, overruled=edit)
    words = say("prescription.at").join(filter(None, told))
    why = (_said(edit, say("prescription.sets_words", words=words)),) if words else ()
    return replace(changed, reasons=(*why, *line.reasons))


def _own_line(edit: Edit, line_id: str, week: Sequence[Line], gym: Gym | None) -> Line:
    """A line that a coach added."""
    reps = edit.reps or 1
    line = Line(
        line_id, edit.lift, edit.name, "own", edit.sets or 1, reps, edit.rpe, None, (),
        0, (_said(edit, say("prescription.adds_this")),), note=edit.note,
    )  # fmt: skip
    known = _known(week, edit.lift, edit.name)
    line = replace(line, cap_kg=known.cap_kg)
    if edit.load_kg is None:
        line = _from_effort(line, known, gym)
    else:
        line = _with_rpe(_loaded(line, edit.load_kg, known.max_kg, gym), edit)
        if passes_cap(line):
            told = say("prescription.adds_this_with", load_words=_load_words(line, edit.load_kg))
            line = replace(line, reasons=(_said(edit, told),))
    return replace(line, rest_s=edit.rest_s or rest_after_s(reps, line.rpe))


def is_own(day_id: str) -> bool:
    """Whether only the hand made a day."""
    return day_id.startswith(OWN_DAY)


def own_date(day_id: str) -> date:
    """Date of a day that only the hand made. Raises ValueError."""
    return date.fromisoformat(day_id.removeprefix(OWN_DAY))


def _weekly(edit: Edit, days: dict[str, Day]) -> list[tuple[str, str]]:
    """(day, line) ids of an added line: its own day, and the same day of every later week."""
    found = [(edit.day_id, edit.line_id)]
    if edit.weekly and not is_own(edit.day_id):
        week, place = edit.day_id[:3], edit.day_id[3:]
        found += [
            (day_id, f"{edit.line_id}-{day_id}")
            for day_id in days
            if day_id[3:] == place and day_id[:3] > week
        ]
    return found


def _put(days: dict[str, Day], day_id: str, line: Line) -> None:
    """The line at the end of a day that is in the plan, or of a new one."""
    if day_id in days or is_own(day_id):
        day = days.get(day_id) or Day(day_id, own_date(day_id), ())
        days[day_id] = replace(day, lines=(*day.lines, line))


def _add_lines(days: dict[str, Day], edits: Sequence[Edit], weeks: "_Weeks") -> None:
    for edit in edits:
        if edit.kind == "add":
            for day_id, line_id in _weekly(edit, days):
                known = weeks.lines_of(day_id)
                _put(days, day_id, _own_line(edit, line_id, known, weeks.gym))


def _change_lines(days: dict[str, Day], edits: Sequence[Edit], weeks: "_Weeks") -> None:
    words = {e.line_id: e for e in edits if e.kind == "line"}
    moved: list[tuple[str, Line]] = []
    for day_id, day in list(days.items()):
        kept = []
        for line in day.lines:
            word = words.get(line.line_id)
            if word is None or (word.name and word.name != line.variation):
                kept.append(line)
                continue
            changed = _changed(line, word, weeks.lines_of(day_id), weeks.gym)
            if word.day_id != day_id and (word.day_id in days or is_own(word.day_id)):
                why = _said(
                    replace(word, reason=""), say("prescription.moves_here_from", on=day.on)
                )
                moved.append((word.day_id, replace(changed, reasons=(why, *changed.reasons))))
            else:
                kept.append(changed)
        days[day_id] = replace(day, lines=tuple(kept))
    for day_id, line in moved:
        _put(days, day_id, line)


def _move_days(days: dict[str, Day], edits: Sequence[Edit]) -> None:
    """Days to their new dates; a day that stands there already takes the date of the one moved."""
    for edit in edits:
        if edit.kind != "day" or edit.day_id not in days or edit.to_date is None:
            continue
        day = days[edit.day_id]
        for other_id, other in days.items():
            if other.on == edit.to_date and other_id != edit.day_id:
                moved = say("prescription.coach_moves_here_from", coach=edit.coach, on=other.on)
                days[other_id] = replace(other, on=day.on, moved=moved)
        if day.on != edit.to_date:
            moved = say("prescription.coach_moves_here_from", coach=edit.coach, on=day.on)
            days[edit.day_id] = replace(day, on=edit.to_date, moved=moved)


@dataclass(frozen=True)
class _Weeks:
    """Lines of the week of each day as computed, for what they say of maxes and caps; the gym."""

    plan: Plan
    start: date
    gym: Gym | None

    @cached_property
    def _of_days(self) -> dict[str, Sequence[Line]]:
        return {
            day.day_id: [line for d in week.days for line in d.lines]
            for week in self.plan.weeks
            for day in week.days
        }

    def lines_of(self, day_id: str) -> Sequence[Line]:
        """Lines of a day's week; of a day that only the hand made, by its date."""
        if not is_own(day_id):
            return self._of_days.get(day_id, ())
        number = (own_date(day_id) - self.start).days // 7
        days = self.plan.weeks[number].days if number < len(self.plan.weeks) else ()
        return self._of_days[days[0].day_id] if days else ()


def with_hand(plan: Plan, edits: Sequence[Edit], start: date, gym: Gym | None) -> Plan:
    """The plan with the edits that stand laid over it; ``start`` is its first day. Weeks hold what
    falls into them by date."""
    in_force = standing_edits(edits)
    if not in_force:
        return plan
    days, weeks = {day.day_id: day for day in plan.days()}, _Weeks(plan, start, gym)
    _add_lines(days, in_force, weeks)
    _change_lines(days, in_force, weeks)
    _move_days(days, in_force)
    return replace(plan, weeks=tuple(_of_week(w, days, start) for w in plan.weeks))


def _of_week(week: Week, days: dict[str, Day], start: date) -> Week:
    first = start + timedelta(weeks=week.number - 1)
    own = [d for d in days.values() if first <= d.on < first + timedelta(days=7) and d.lines]
    return replace(week, days=tuple(sorted(own, key=lambda d: d.on)))
