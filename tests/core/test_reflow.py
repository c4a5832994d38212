"""A plan follows the log: missed days moved, surprises taken in and told."""

from dataclasses import replace
from datetime import date, timedelta

import pytest

from pavrik.core.log.training_set import TrainingSet
from pavrik.core.prescription.plan import make_plan
from pavrik.core.prescription.plan_parts import Moved, Underway
from pavrik.core.prescription.reflow import changes, missed_days, moves_for, reflow
from tests.core.plans import ASK, GYM, MONDAY, a_state, made_up


def test_a_missed_main_day_moves_within_its_week_and_the_change_is_told():
    states = {lift: a_state(lift) for lift in ("squat", "deadlift")}
    old = make_plan(ASK, states, GYM)
    today = MONDAY + timedelta(days=1)
    assert [(d.on, lift) for _, d, lift in missed_days(old, {}, today, MONDAY)] == [
        (MONDAY, "squat")
    ]

    def make(moved, week):
        return make_plan(ASK, states, GYM, underway=Underway(week, None, tuple(moved)))

    fresh, told, _ = reflow(old, ASK, {}, today, MONDAY, make)
    friday = next(d for d in fresh.weeks[0].days if d.on == MONDAY + timedelta(days=4))
    assert "the squat of Monday was missed" in friday.moved
    assert any(x.lift == "squat" and x.kind == "main" for x in friday.lines)
    assert fresh.weeks[0].days[0] == old.weeks[0].days[0], "the past stays"
    assert {c.on for c in told} == {friday.on}
    again, nothing, _ = reflow(fresh, ASK, {}, today, MONDAY, make)
    assert again == fresh, "what was moved stays moved"
    assert nothing == []
    assert all("missed" in c.reasons[0].text for c in told if c.after)


def test_of_two_lifts_missed_on_one_day_each_is_moved_for_itself():
    states = {lift: a_state(lift) for lift in ("squat", "deadlift")}
    plan = make_plan(replace(ASK, weekdays=(0, 2)), states, GYM)
    day = next(d for d in plan.days() if {"squat", "deadlift"} <= {x.lift for x in d.lines})
    today = day.on + timedelta(days=1)
    missed = {lift for _, d, lift in missed_days(plan, {}, today, MONDAY) if d is day}
    assert missed == {"squat", "deadlift"}
    handled = replace(plan, moves=(Moved("squat", 0, day.on, today),))
    moved, let_go = moves_for(handled, {}, today, MONDAY, handled)
    told = {m.lift for m in moved} | {r.text.split()[1].removesuffix("'s") for r in let_go}
    assert "deadlift" in told, "the squat's move says nothing of the deadlift"
    assert len([m for m in moved if m.lift == "squat"]) == 1


def test_days_before_the_plan_was_made_are_not_missed():
    old = make_plan(ASK, {"squat": a_state()}, GYM)
    later = MONDAY + timedelta(days=5)
    assert missed_days(old, {}, later, later) == []


def test_a_surprise_moves_the_loads_and_says_by_what():
    states = {lift: a_state(lift) for lift in ("squat", "deadlift")}
    old = make_plan(ASK, states, GYM)
    today = MONDAY + timedelta(days=7)
    lighter = TrainingSet("new", MONDAY.isoformat(), 120.0, 5, 9.5, aimed_rpe=7.0)
    pulled = TrainingSet("pull", (MONDAY + timedelta(days=2)).isoformat(), 140.0, 5, 8.0)
    logged = {"squat": [*states["squat"].history, lighter],
              "deadlift": [*states["deadlift"].history, pulled]}  # fmt: skip
    now = {lift: replace(states[lift], history=logged[lift]) for lift in states}

    def make(moved, week):
        return make_plan(ASK, now, GYM, underway=Underway(week, None, tuple(moved)))

    _, told, _ = reflow(old, ASK, logged, today, MONDAY, make)
    squats = [c for c in told if c.what == "squat"]
    assert squats
    assert all(c.on >= today for c in squats)
    assert any("new" in b.facts for c in squats for b in c.reasons)


def test_a_plan_differs_from_itself_in_nothing_and_from_another_in_the_one_line():
    plan = made_up(5).plan()
    first = plan.weeks[0].days[0].lines[0]
    assert changes(plan, plan, date(2026, 1, 1)) == []
    fewer = replace(first, sets=first.sets + 1)
    day = replace(plan.weeks[0].days[0], lines=(fewer, *plan.weeks[0].days[0].lines[1:]))
    week = replace(plan.weeks[0], days=(day, *plan.weeks[0].days[1:]))
    told = changes(plan, replace(plan, weeks=(week, *plan.weeks[1:])), date(2026, 1, 1))
    assert [(c.line_id, c.lift) for c in told] == [(first.line_id, first.lift)]
    assert told[0].before != told[0].after


@pytest.mark.parametrize(
    "other",
    [{"sets": 2}, {"sets": 9}, {"reps": 1}, {"reps": 9}, {"variation": "a"}, {"variation": "z"},
     {"load_kg": 100.0}, {"load_kg": 300.0}],
    ids=str,
)  # fmt: skip
def test_every_difference_of_a_line_is_told_whichever_way_it_goes(other):
    plan = make_plan(ASK, {"squat": a_state()}, GYM)
    day = next(d for d in plan.days() if any(x.kind == "main" for x in d.lines))
    line = next(x for x in day.lines if x.kind == "main")
    changed = replace(day, lines=tuple(replace(x, **other) if x is line else x for x in day.lines))
    weeks = tuple(
        replace(w, days=tuple(changed if d is day else d for d in w.days)) for w in plan.weeks
    )
    told = changes(plan, replace(plan, weeks=weeks), ASK.start)
    assert [c.line_id for c in told] == [line.line_id]
    assert changes(plan, plan, ASK.start) == []
