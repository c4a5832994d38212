"""A coach's hand on a plan: it holds, it is undone, a re-flow keeps it, and the rest stays."""

from collections import Counter
from dataclasses import replace
from datetime import timedelta
from uuid import uuid4

import pytest
from hypothesis import given
from hypothesis import strategies as st

from pavrik.core.log.training_set import COMPETITION
from pavrik.core.prescription.caps import Cap
from pavrik.core.prescription.concerns import concerns, new_concerns
from pavrik.core.prescription.hand import last_edit, passes_cap, standing_edits, with_hand
from pavrik.core.prescription.plan import make_plan
from pavrik.core.prescription.plan_parts import OTHER, Edit
from pavrik.core.prescription.reflow import changes, reflow
from pavrik.core.strength.estimated_max import load_for
from tests.core.plans import ASK, GYM, MONDAY, a_state

STATES = {"squat": a_state(), "deadlift": a_state("deadlift")}
PLAN = make_plan(ASK, STATES, GYM)
MAIN = next(x for x in PLAN.lines() if x.kind == "main" and x.lift == "squat")


def edit(**what):
    return Edit(**{"coach": "Ysolde", "edit_id": uuid4()} | what)


def laid(*edits, plan=PLAN):
    return with_hand(plan, edits, MONDAY, GYM)


def line_of(plan, line_id):
    return next(x for x in plan.lines() if x.line_id == line_id)


def day_of(plan, line_id):
    return next(d for d in plan.days() if any(x.line_id == line_id for x in d.lines))


def test_nothing_by_hand_is_the_plan_as_computed():
    assert laid() is PLAN


def test_a_line_takes_the_coachs_sets_reps_and_load_and_its_rpe_follows():
    max_kg = MAIN.load_kg / MAIN.share
    wanted = 2.5 * round(load_for(max_kg, 3, 8.0) / 2.5)
    said = edit(line_id=MAIN.line_id, sets=5, reps=3, load_kg=wanted)
    changed = line_of(laid(said), MAIN.line_id)
    assert (changed.sets, changed.reps, changed.load_kg) == (5, 3, wanted)
    assert changed.rpe == 8.0
    assert changed.reasons[0].text.startswith(f"Ysolde sets 5 × 3 at {wanted:g} kg")


def test_without_a_load_the_reps_and_the_rpe_make_it():
    changed = line_of(laid(edit(line_id=MAIN.line_id, reps=2, rpe=8.0)), MAIN.line_id)
    wanted = load_for(MAIN.load_kg / MAIN.share, 2, 8.0)
    assert changed.load_kg == pytest.approx(wanted, abs=1.26)
    assert changed.rpe == 8.0
    assert changed.rest_s == 240


def test_sets_longer_than_the_formulas_tell_take_the_coachs_load_and_none_of_their_own():
    alone = line_of(laid(edit(line_id=MAIN.line_id, reps=30, rpe=8.0)), MAIN.line_id)
    assert (alone.reps, alone.load_kg, alone.per_side) == (30, None, ())
    named = line_of(laid(edit(line_id=MAIN.line_id, reps=30, load_kg=60.0)), MAIN.line_id)
    assert (named.reps, named.load_kg) == (30, 60.0)


def test_a_computed_load_by_hand_stays_under_the_cap_and_a_named_one_says_that_it_passes():
    cap = Cap(0.8 * MAIN.load_kg, "the lower back rounds", ("fault:low-round",))
    states = STATES | {"squat": replace(STATES["squat"], caps=(cap,))}
    plan = make_plan(ASK, states, GYM)
    held = laid(edit(line_id=MAIN.line_id, reps=1, rpe=9.0), plan=plan)
    assert line_of(held, MAIN.line_id).load_kg <= cap.load_kg
    over = laid(edit(line_id=MAIN.line_id, load_kg=cap.load_kg + 20), plan=plan)
    line = line_of(over, MAIN.line_id)
    assert passes_cap(line)
    assert "above the cap" in line.reasons[0].text
    assert not passes_cap(line_of(held, MAIN.line_id))


def test_only_the_line_that_was_meant_changes():
    after = laid(edit(line_id=MAIN.line_id, load_kg=80.0))
    assert [x for x in after.lines() if x.line_id != MAIN.line_id] == [
        x for x in PLAN.lines() if x.line_id != MAIN.line_id
    ]


def test_a_word_holds_only_while_the_same_work_stands_there():
    special = next(x for x in PLAN.lines() if x.kind == "special")
    other = laid(edit(line_id=special.line_id, name="another lift", dropped=True))
    assert line_of(other, special.line_id).overruled is None
    same = laid(edit(line_id=special.line_id, name=special.variation, dropped=True))
    assert line_of(same, special.line_id).overruled.dropped


def test_a_line_moves_to_another_day_and_says_from_where():
    week = PLAN.weeks[0]
    target = next(d for d in week.days if MAIN not in d.lines)
    moved = laid(edit(line_id=MAIN.line_id, day_id=target.day_id))
    assert day_of(moved, MAIN.line_id).day_id == target.day_id
    assert "moves this here from Mon 30 Nov" in line_of(moved, MAIN.line_id).reasons[0].text
    away = laid(edit(line_id=MAIN.line_id, day_id="on-2026-12-06"))
    assert day_of(away, MAIN.line_id).on.isoformat() == "2026-12-06"


def bench(day_id="w01d1", **more):
    what = {
        "kind": "add", "line_id": "own-1", "day_id": day_id, "lift": OTHER, "name": "bench press",
        "sets": 4, "reps": 6, "rpe": 8.0, "load_kg": 72.5,
    }  # fmt: skip
    return edit(**what | more)


def test_other_work_stands_as_the_coach_says_it_every_week_if_wished():
    line = line_of(laid(bench()), "own-1")
    assert (line.kind, line.variation, line.load_kg, line.per_side) == (
        "own", "bench press", 72.5, (),
    )  # fmt: skip
    weekly = [x for x in laid(bench(day_id="w02d1", weekly=True)).lines() if x.kind == "own"]
    assert len(weekly) == ASK.weeks - 1
    assert len({x.line_id for x in weekly}) == len(weekly)


def test_an_added_lift_is_loaded_from_its_reps_and_rpe():
    added = bench(lift="squat", name=COMPETITION, load_kg=None, sets=1, reps=1, rpe=7.0)
    line = line_of(laid(added), "own-1")
    assert line.load_kg == pytest.approx(load_for(MAIN.load_kg / MAIN.share, 1, 7.0), abs=1.26)
    assert line.per_side


def test_a_day_moves_and_one_that_stands_there_changes_places_with_it():
    first, second = PLAN.weeks[0].days[:2]
    free = laid(edit(kind="day", day_id=first.day_id, to_date=MONDAY + timedelta(days=5)))
    assert {d.day_id: d.on for d in free.days()}[first.day_id] == MONDAY + timedelta(days=5)
    swapped = {d.day_id: d for d in laid(
        edit(kind="day", day_id=first.day_id, to_date=second.on)).days()}  # fmt: skip
    assert swapped[first.day_id].on == second.on
    assert swapped[second.day_id].on == first.on
    assert "Ysolde moves this here from" in swapped[second.day_id].moved


def test_an_undo_brings_back_what_was_and_can_be_undone():
    one, two = edit(line_id=MAIN.line_id, load_kg=80.0), edit(line_id=MAIN.line_id, load_kg=90.0)
    assert line_of(laid(one, two), MAIN.line_id).load_kg == 90.0
    undo = edit(kind="undo", undoes=two.edit_id)
    assert line_of(laid(one, two, undo), MAIN.line_id).load_kg == 80.0
    redo = edit(kind="undo", undoes=undo.edit_id)
    assert line_of(laid(one, two, undo, redo), MAIN.line_id).load_kg == 90.0
    assert last_edit([one, two, undo]) == one
    assert last_edit([one, undo]) == one
    assert last_edit([one, two, undo, redo]) == two
    both = edit(kind="undo", undoes=one.edit_id)
    assert laid(one, two, undo, both) is PLAN
    assert last_edit([one, two, undo, both]) is None


def test_a_reflow_keeps_the_hand():
    edits = (bench(), edit(line_id=MAIN.line_id, load_kg=80.0))
    thursday = MONDAY + timedelta(days=3)

    def lay(plan):
        return with_hand(plan, edits, MONDAY, GYM)

    fresh, _, _ = reflow(
        PLAN, ASK, {}, thursday, MONDAY, lambda _moves, _week: make_plan(ASK, STATES, GYM), lay
    )
    assert line_of(lay(fresh), "own-1").load_kg == 72.5
    assert line_of(lay(fresh), MAIN.line_id).load_kg == 80.0


def test_a_session_moved_ahead_by_hand_is_not_missed():
    """Monday's day is moved to Saturday: on Thursday nothing was missed."""
    monday = PLAN.weeks[0].days[0]
    edits = (edit(kind="day", day_id=monday.day_id, to_date=MONDAY + timedelta(days=5)),)

    def missed_mondays(lay):
        moves = []

        def make(moved, _week):
            moves.extend(moved)
            return make_plan(ASK, STATES, GYM)

        thursday = MONDAY + timedelta(days=3)
        _, told, let_go = reflow(PLAN, ASK, {}, thursday, MONDAY, make, lay)
        gone = [c for c in told if c.line_id == MAIN.line_id and not c.after]
        return [m for m in moves if m.missed == MONDAY], [
            r for r in let_go if "of Monday" in r.text
        ], gone  # fmt: skip

    moved, let_go, _ = missed_mondays(lambda plan: plan)
    assert moved or let_go, "without the hand it is missed"
    assert missed_mondays(lambda plan: with_hand(plan, edits, MONDAY, GYM)) == ([], [], [])


def test_what_the_hand_runs_against_is_told():
    squat = next(d for d in PLAN.days() if any((x.share or 0) >= 0.85 and x.lift == "squat"
                                               for x in d.lines))  # fmt: skip
    pull = next(d for d in PLAN.days() if d.on > squat.on and any(
        (x.share or 0) >= 0.85 and x.lift == "deadlift" for x in d.lines))  # fmt: skip
    close = laid(edit(kind="day", day_id=pull.day_id, to_date=squat.on + timedelta(days=1)))
    told = [r.text for r in new_concerns(PLAN, close, ASK)]
    assert any("heavy deadlift the day after" in text for text in told)
    assert new_concerns(PLAN, PLAN, ASK) == []
    blocked = replace(ASK, blocked=(MONDAY + timedelta(days=1),))
    away = laid(edit(kind="day", day_id=PLAN.weeks[0].days[0].day_id,
                     to_date=MONDAY + timedelta(days=1)))  # fmt: skip
    assert any("is blocked" in r.text for r in concerns(away, blocked))


def test_a_heavy_pull_moved_to_the_meet_is_told():
    meet = MONDAY + timedelta(days=7 * ASK.weeks - 2)
    ask = replace(ASK, meet=meet)
    plan = make_plan(ask, STATES, GYM)
    heavy = next(d for d in plan.days() if any(
        (x.share or 0) >= 0.85 and x.lift == "deadlift" for x in d.lines))  # fmt: skip
    for days, words in ((5, "nothing so heavy in the last 7"), (1, "leave it out")):
        near = edit(kind="day", day_id=heavy.day_id, to_date=meet - timedelta(days=days))
        moved = with_hand(plan, [near], MONDAY, GYM)
        assert any(words in r.text for r in new_concerns(plan, moved, ask)), days


DAYS = st.sampled_from([d.day_id for d in PLAN.days()])
LINES = st.sampled_from([x.line_id for x in PLAN.lines()])
EDITS = st.lists(
    st.one_of(
        st.builds(lambda i, kg: edit(line_id=i, load_kg=kg), LINES, st.floats(20, 300)),
        st.builds(lambda i: edit(line_id=i, dropped=True), LINES),
        st.builds(lambda i, d: edit(line_id=i, day_id=d), LINES, DAYS),
        st.builds(
            lambda d, n: edit(kind="day", day_id=d, to_date=MONDAY + timedelta(days=n)),
            DAYS, st.integers(0, 7 * ASK.weeks - 1),
        ),
    ),
    max_size=8,
)  # fmt: skip


@given(edits=EDITS)
def test_no_hand_loses_or_doubles_a_line(edits):
    after = laid(*edits)
    assert Counter(x.line_id for x in after.lines()) == Counter(x.line_id for x in PLAN.lines())
    dates = [d.on for d in after.days()]
    assert dates == sorted(set(dates))
    undone = [*edits, *(edit(kind="undo", undoes=e.edit_id) for e in reversed(edits))]
    assert standing_edits(undone) == []
    assert changes(PLAN, laid(*undone), MONDAY) == []


def test_a_day_moved_ahead_follows_todays_state():
    """Monday's day stands on Saturday: on Thursday it is still to come, so it takes new loads."""
    first = PLAN.weeks[0].days[0]
    edits = (edit(kind="day", day_id=first.day_id, to_date=MONDAY + timedelta(days=5)),)
    heavier = [replace(s, load_kg=1.1 * s.load_kg) for s in STATES["squat"].history]
    states = STATES | {"squat": replace(STATES["squat"], history=heavier)}
    fresh, _, _ = reflow(
        PLAN, ASK, {}, MONDAY + timedelta(days=3), MONDAY,
        lambda _moves, _week: make_plan(ASK, states, GYM),
        lambda plan: with_hand(plan, edits, MONDAY, GYM),
    )  # fmt: skip
    assert line_of(fresh, MAIN.line_id).load_kg > MAIN.load_kg


def test_a_line_whose_new_day_is_gone_stays_where_it_was():
    stays = laid(edit(line_id=MAIN.line_id, day_id="w99d9"))
    assert day_of(stays, MAIN.line_id).day_id == day_of(PLAN, MAIN.line_id).day_id


def test_a_heavy_line_of_ones_own_rests_as_long_as_its_load_asks():
    heavy = bench(lift="squat", name=COMPETITION, sets=1, reps=1, rpe=None,
                  load_kg=2.5 * round(0.92 * MAIN.load_kg / MAIN.share / 2.5))  # fmt: skip
    line = line_of(laid(heavy), "own-1")
    assert line.rpe >= 7.5
    assert line.rest_s == 240


def test_a_word_that_a_kept_plan_holds_already_is_told_once():
    said = edit(line_id=MAIN.line_id, load_kg=80.0)
    once = laid(said)
    assert line_of(laid(said, plan=once), MAIN.line_id) == line_of(once, MAIN.line_id)
