"""A plan: weeks with a role, days, lines with sets x reps @ RPE and kg, each with its reasons.

The first week goes on from the last exposure (see ``next_load``); later weeks follow the expected
gain. No load passes a cap; what coaches say of a plan is laid over it (see ``hand``).
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Literal

from pavrik.core.competition_lifts import LIFT_IDS
from pavrik.core.prescription.attempts import Attempt, attempts
from pavrik.core.prescription.choice import MOST_SPECIALS, Special
from pavrik.core.prescription.dose import within_dose
from pavrik.core.prescription.next_load import Gym
from pavrik.core.prescription.pain import Clearance, PainFlag
from pavrik.core.prescription.plan_lines import (
    by_feel,
    main_lines,
    rung_lines,
    second_line,
    special_by_feel,
    special_line,
)
from pavrik.core.prescription.plan_maker import Maker, bases_of
from pavrik.core.prescription.plan_parts import (
    Day,
    LiftState,
    Line,
    Moved,
    Plan,
    PlanAsk,
    Underway,
    Week,
    When,
    check_ask,
)
from pavrik.core.prescription.reason import Reason
from pavrik.core.prescription.season import (
    NO_SPECIAL_DAYS,
    after_rest,
    anchors_of,
    days_of,
    steps_of,
    week_roles,
)
from pavrik.core.prescription.shape import Part, Shape, WeekRole
from pavrik.core.prescription.training_dates import TrainingDate, days_left, training_dates
from pavrik.words import say

NOT_BEGUN = Underway()
DayParts = tuple[tuple[str, Part], ...]
Calendar = Sequence[Sequence[tuple[TrainingDate, DayParts]]]
"""The training dates of every week, and what each is for."""
OVERLOAD_EVERY = 2
CUES_A_DAY = 2
AWAY = say("prescription.away_every_day_blocked")


def _specials_for(
    state: LiftState, part: Part, only_day: bool, week: int, role: WeekRole
) -> list[Special]:
    """Strength and support follow the main work; skill goes to the second day, or to the only one.
    Overload comes every other week, and none in a test week."""
    chosen = []
    for special in state.choice.specials:
        wanted: Part = "second" if special.variation.role in ("skill", "learning") else "main"
        if not only_day and wanted != part:
            continue
        rare = special.variation.role == "overload"
        if rare and (week % OVERLOAD_EVERY or role in ("light", "test")):
            continue
        if role == "test" and special.variation.role != "skill":
            continue
        chosen.append(special)
    return chosen


def _drill_lines(state: LiftState, week: int, prefix: str) -> list[Line]:
    """Drills in a week, 0 is the week of today."""
    found = []
    for i, drill in enumerate(state.drills):
        stage = drill.stage(week)
        if stage is not None:
            why = (
                Reason(drill.reason, drill.facts),
                Reason(say("prescription.passed_with", passed=stage.passed)),
            )
            found.append(
                Line(f"{prefix}-drill{i}", state.lift, stage.name, "drill", stage.sets,
                     stage.reps, None, None, (), 60, why, note=stage.how)
            )  # fmt: skip
    return found


def _parts(
    week: int, moves: Sequence[Moved], day: TrainingDate, parts: DayParts
) -> tuple[DayParts, str]:
    """What a day is for after missed main sessions have moved onto it."""
    told, kept = day.told, list(parts)
    for move in moves:
        if move.week != week or move.to != day.on:
            continue
        kept = [p for p in kept if p[0] != move.lift]
        kept.insert(0, (move.lift, "main"))
        told = say("prescription.missed_moves_here", lift=move.lift, missed=move.missed)
    return tuple(kept), told


def _calendar(ask: PlanAsk, shape: Shape, states: Mapping[str, LiftState]) -> Calendar:
    """Every week's dates and what they are for, of the lifts that are trained."""
    weeks = []
    for week in range(ask.weeks):
        of_week = [
            tuple(p for p in parts if p[0] in states)
            for parts in days_of(shape, days_left(ask, week))
        ]
        weeks.append(list(zip(training_dates(ask, week), of_week, strict=False)))
    return weeks


def _meet_is_near(ask: PlanAsk, on: date) -> bool:
    """Specials and extra work end ten days out."""
    return ask.meet is not None and (ask.meet - on).days < NO_SPECIAL_DAYS


def _mains(calendar: Calendar, underway: Underway) -> dict[str, list[date]]:
    """The main sessions of every lift, in order."""
    found: dict[str, list[date]] = {}
    for week, days in enumerate(calendar):
        for day, parts in days:
            for lift, part in _parts(week, underway.moves, day, parts)[0]:
                if part == "main":
                    found.setdefault(lift, []).append(day.on)
    return found


def _worked(ask: PlanAsk, roles: Sequence[WeekRole], first_week: int, before: int) -> int:
    """Loading weeks that are trained from the first one on, before another."""
    return sum(
        roles[week] != "light" and days_left(ask, week) > 0 for week in range(first_week, before)
    )


def _rested(ask: PlanAsk, underway: Underway) -> frozenset[int]:
    """Weeks without work: missed, or away."""
    away = {week for week in range(ask.weeks) if days_left(ask, week) == 0}
    return underway.missed_weeks | away


def _coming(
    ask: PlanAsk, mains: Mapping[str, Sequence[date]], underway: Underway
) -> dict[str, list[date]]:
    """The main sessions of every lift from today on."""
    today = max(underway.today or ask.start, ask.start)
    return {lift: [on for on in days if on >= today] for lift, days in mains.items()}


@dataclass(frozen=True)
class _Slot:
    """A day that is to be filled: what it is for after moves, and which lifts its week has a second
    day of."""

    number: int
    parts: tuple[tuple[str, Part], ...]
    moved: str
    with_second: frozenset[str]


def _work(make: Maker, when: When, slot: _Slot, lift: str, part: Part, day_id: str) -> list[Line]:
    """All lines of one lift on a day."""
    state, prefix = make.states[lift], f"{day_id}-{lift}"
    lines = _drill_lines(state, when.week - make.first_week, prefix)
    if state.closed:
        lines += rung_lines(make, lift, prefix)
    elif part == "main":
        lines += main_lines(make, lift, when, prefix)
    else:
        lines.append(second_line(make, lift, when, prefix, part))
    if _meet_is_near(make.ask, when.on):
        return lines
    only = lift not in slot.with_second
    stand_ins = sum(line.kind == "special" for line in lines)
    room = max(MOST_SPECIALS - stand_ins, 0)
    specials = _specials_for(state, part, only, when.week, when.role)[:room]
    return lines + [
        special_line(make, special, lift, when, f"{prefix}-special{i}")
        for i, special in enumerate(specials)
    ]


def _day(make: Maker, when: When, slot: _Slot) -> Day:
    day_id = f"w{when.week + 1:02d}d{slot.number + 1}"
    lines: list[Line] = []
    cues: list[str] = []
    for lift, part in slot.parts:
        lines += _work(make, when, slot, lift, part, day_id)
        cues += make.states[lift].cues[: 1 if len(slot.parts) > 1 else CUES_A_DAY]
    if not slot.parts and not _meet_is_near(make.ask, when.on):
        lines += _support_day(make, day_id)
    checks = [check for lift, _ in slot.parts for check in make.states[lift].checks]
    return Day(
        day_id, when.on, tuple(lines), tuple(cues[:CUES_A_DAY]), slot.moved,
        tuple(dict.fromkeys(checks)),
    )  # fmt: skip


def _support_day(make: Maker, day_id: str) -> list[Line]:
    """A day without the big lifts: the support work that was chosen, else the brace."""
    lines = []
    for lift in LIFT_IDS:
        state = make.states.get(lift)
        for i, special in enumerate(state.choice.specials if state else ()):
            if special.variation.role == "support":
                lines.append(
                    special_by_feel(special, lift, f"{day_id}-{lift}-support{i}", special.sets)
                )
    brace_with = LIFT_IDS[-1]
    if lines or brace_with not in make.states:
        return lines
    why = Reason(say("prescription.nothing_found_weak_needs"))
    return [by_feel(f"{day_id}-support", brace_with, "abdominal work", 3, 10, (why,))]


def ends_of(ask: PlanAsk, pain: Sequence[PainFlag]) -> tuple[Literal["meet", "test", "open"], str]:
    """How the plan ends, and why no max is tested where none is."""
    if ask.novice:
        return "open", say("prescription.no_max_test_novice")
    if pain:
        return "open", say("prescription.no_max_test_while")
    if ask.meet is not None:
        return "meet", ""
    return ("test", "") if ask.goal in ("competition", "strength") else ("open", "")


def _role_words(role: WeekRole, number: int, shape: Shape) -> str:
    return (
        {
            "build": say("prescription.build_more_reps_positions"),
            "strengthen": say("prescription.strengthen_fewer_reps_heavier"),
            "sharpen": say("prescription.sharpen_early_single_then"),
            "light": say("prescription.light_every_th_week", light_every=shape.light_every),
            "test": "test",
        }[role]
        if number or role != "build"
        else say("prescription.build_goes_from_last")
    )


def _weeks(make: Maker, roles: Sequence[WeekRole], calendar: Calendar, underway: Underway
           ) -> tuple[Week, ...]:  # fmt: skip
    """Every week with its days; days without work are left out."""
    weeks, steps = [], steps_of(roles, _rested(make.ask, underway))
    for week, (role, dates) in enumerate(zip(roles, calendar, strict=True)):
        worked = _worked(make.ask, roles, underway.first_week, week)
        with_second = frozenset(x for _, parts in dates for x, part in parts if part == "second")
        days = []
        for number, (date_, parts) in enumerate(dates):
            kept, told = _parts(week, underway.moves, date_, parts)
            slot = _Slot(number, kept, told, with_second)
            days.append(_day(make, When(week, role, worked, date_.on, steps[week]), slot))
        kept_days = tuple(day for day in days if day.lines)
        away = days_left(make.ask, week) == 0
        words = AWAY if away else _role_words(role, week, make.shape)
        weeks.append(Week(week + 1, role, words, kept_days))
    return tuple(weeks)


def _attempts(make: Maker, worked: int, on: date) -> dict[str, tuple[Attempt, ...]]:
    """Meet attempts of every open lift after so many weeks worked."""
    return {
        lift: tuple(attempts(kg, state.history, make.caps(lift, "main", on), make.ask.strategy))
        for lift, state in make.states.items()
        if not state.closed and (kg := make.projected_kg(lift, worked))
    }


def make_plan(
    ask: PlanAsk, states: Mapping[str, LiftState], gym: Gym, *, pain: Sequence[PainFlag] = (),
    cleared: Sequence[Clearance] = (), underway: Underway = NOT_BEGUN,
) -> Plan:  # fmt: skip
    """The plan from today's state; ``cleared`` are flags of which the way back is not over.

    Raises ValueError where the ask cannot be planned.
    """
    check_ask(ask)
    ends, no_test = ends_of(ask, pain)
    shape = ask.in_force
    roles = after_rest(week_roles(ask.weeks, ends, shape.light_every), _rested(ask, underway))
    calendar = _calendar(ask, shape, states)
    mains = _mains(calendar, underway)
    make = Maker(
        ask, states, bases_of(states, ask, underway), gym, tuple(pain), underway.first_week,
        _coming(ask, mains, underway), shape,
        anchors_of(ask.meet, mains) if ask.meet is not None else {}, tuple(cleared),
    )  # fmt: skip
    worked = _worked(ask, roles, underway.first_week, ask.weeks)
    histories = {lift: state.history for lift, state in states.items()}
    today = max(underway.today or ask.start, ask.start)
    weeks, too_little = within_dose(
        _weeks(make, roles, calendar, underway), histories, ask, today, underway.first_week
    )
    proposals = *(p for state in states.values() for p in state.proposals), *too_little
    refused = [no_test] if no_test else []
    refused += [
        say("prescription.no_depth_planned", lift=lift, closed=state.closed)
        for lift, state in states.items()
        if state.closed
    ]
    tries = _attempts(make, worked, ask.meet) if ends == "meet" and ask.meet else {}
    return Plan(weeks, proposals, tries, tuple(refused), underway.moves)
