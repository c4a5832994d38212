"""A coach's word holds on any line, with a name and a reason."""

from dataclasses import replace

from pavrik.core.log.training_set import COMPETITION
from pavrik.core.prescription.caps import Cap
from pavrik.core.prescription.drills import slack_drill
from pavrik.core.prescription.hand import with_hand
from pavrik.core.prescription.plan import make_plan
from pavrik.core.prescription.plan_parts import Edit
from tests.core.plans import ASK, GYM, a_state


def test_a_cap_holds_until_a_named_coach_overrules_it_with_a_reason():
    cap = Cap(120.0, "the lower back rounds", ("fault:low-round",))
    states = {"squat": a_state(), "deadlift": replace(a_state("deadlift"), caps=(cap,))}
    plan = make_plan(ASK, states, GYM)
    pulls = [x for x in plan.lines() if x.lift == "deadlift" and x.variation == COMPETITION]
    assert all(x.load_kg <= 120.0 for x in pulls if x.load_kg)
    held = next(x for x in pulls if x.kind == "main")
    assert any("held at 120 kg" in b.text and b.facts == ("fault:low-round",) for b in held.reasons)
    said = Edit("Ysolde", "film shows a flat back at 140", 140.0, line_id=held.line_id)
    after = {x.line_id: x for x in with_hand(plan, [said], ASK.start, GYM).lines()}
    over = after[held.line_id]
    assert over.load_kg == 140.0
    assert "Ysolde" in over.reasons[0].text
    assert "above the cap of 120 kg" in over.reasons[0].text
    others = [x for i, x in after.items() if i != held.line_id and x.cap_kg is not None]
    assert all(x.load_kg <= x.cap_kg for x in others if x.load_kg)


def overruled_line(states, line_id, said, ask=None):
    plan = make_plan(ask or ASK, states, GYM)
    laid = with_hand(plan, [replace(said, line_id=line_id)], plan.days()[0].on, GYM)
    return next(x for x in laid.lines() if x.line_id == line_id)


def test_a_coachs_word_holds_on_every_kind_of_line():
    ask = replace(ASK, training_age="novice", weekdays=(0, 1, 2, 3, 4))
    drill = slack_drill(60.0, "a novice learns it")
    states = {
        "squat": a_state(), "deadlift": replace(a_state("deadlift"), drills=(drill,)),
    }  # fmt: skip
    lines = make_plan(ask, states, GYM).lines()
    kinds = {x.kind: x for x in reversed(lines)}
    support = next(x for x in lines if x.rpe is None and x.kind == "special")
    for line in [*kinds.values(), support]:
        gone = overruled_line(states, line.line_id, Edit("Ysolde", "no time", None, True), ask)
        assert gone.overruled is not None
        assert gone.reasons[0].text == "Ysolde drops this: no time"
        said = overruled_line(states, line.line_id, Edit("Ysolde", "felt easy", 61.0), ask)
        assert "Ysolde sets 61 kg: felt easy" in said.reasons[0].text
        assert said.load_kg == 61.0


def test_a_load_can_be_set_where_no_log_gives_one():
    states = {lift: replace(a_state(lift), history=[]) for lift in ("squat", "deadlift")}
    line = next(x for x in make_plan(ASK, states, GYM).lines() if x.kind == "main")
    said = overruled_line(states, line.line_id, Edit("Ysolde", "first day", 60.2))
    assert said.load_kg == 60.0
    assert said.per_side == (20.0,)
    assert "sets 60 kg, the most that the plates make up to 60.2 kg" in said.reasons[0].text


def test_support_work_is_given_a_weight_but_no_plates():
    states = {"deadlift": a_state("deadlift")}
    ask = replace(ASK, weekdays=(0, 1, 2, 3, 4))
    line = next(
        x for x in make_plan(ask, states, GYM).lines() if x.rpe is None and x.load_kg is None
    )
    said = overruled_line(states, line.line_id, Edit("Ysolde", "the row rack", 34.0), ask)
    assert (said.load_kg, said.per_side) == (34.0, ())
