"""The picture of a season: what was asked beside what is allowed, and what was done before."""

from dataclasses import replace
from datetime import date, timedelta

import pytest

from pavrik.core.log.setup_trial import SetupTrial
from pavrik.core.log.training_set import TrainingSet
from pavrik.core.prescription.ability import ability_of
from pavrik.core.prescription.caps import Cap
from pavrik.core.prescription.hand import with_hand
from pavrik.core.prescription.plan import make_plan
from pavrik.core.prescription.plan_parts import Edit
from pavrik.core.prescription.so_far import so_far
from pavrik.core.prescription.trial_lines import PlannedTrial, with_trial
from tests.core.plans import ASK, GYM, MONDAY, a_state


def mains(*caps):
    states = {"squat": replace(a_state(), caps=caps), "deadlift": a_state("deadlift")}
    plan = make_plan(ASK, states, GYM)
    return plan, [x for x in plan.lines() if x.lift == "squat" and x.kind == "main" and x.load_kg]


def test_a_held_line_keeps_what_the_season_asked_for():
    _, free = mains()
    _, held = mains(Cap(150.0, "the back rounds"))
    assert all(line.intent_kg is None for line in free if line.cap_kg is None)
    heavy = [(a, b) for a, b in zip(free, held, strict=True) if a.load_kg > 150.0]
    assert heavy
    for asked, line in heavy:
        assert line.load_kg <= 150.0 < line.intent_kg
        assert line.intent_kg == pytest.approx(asked.load_kg, abs=2.5)
        (why,) = (x.text for x in line.reasons if "the back rounds" in x.text)
        assert why == "held at 150 kg: the back rounds; it rises as reps there stay clean"


def test_a_load_that_the_coach_named_is_held_by_nothing():
    plan, held = mains(Cap(150.0, "the back rounds"))
    line = next(x for x in held if x.intent_kg)
    said = Edit("Ysolde", "as agreed", load_kg=160.0, line_id=line.line_id, name=line.variation)
    now = next(
        x for x in with_hand(plan, [said], ASK.start, GYM).lines() if x.line_id == line.line_id
    )
    assert (now.load_kg, now.intent_kg) == (160.0, None)


def test_a_trial_has_a_work_of_its_own_and_no_intent_beside_it():
    plan, held = mains(Cap(150.0, "the back rounds"))
    assert any(line.intent_kg for line in held)
    trial = PlannedTrial(
        "t", "squat", SetupTrial(MONDAY.isoformat(), 20, 130.0, 3), 3, {"a": "one", "b": "two"}, 0
    )
    now = with_trial(plan, trial, GYM, MONDAY).lines()
    tried = [x for x in now if x.note.startswith("trial")]
    assert {x.load_kg for x in tried} == {130.0}
    assert {x.intent_kg for x in tried} == {None}


def done(days_ago, kg, reps=3, rpe=8.0, **more):
    day = (MONDAY - timedelta(days=days_ago)).isoformat()
    return TrainingSet(f"s{days_ago}-{kg}", day, kg, reps, rpe, **more)


def test_the_top_set_of_each_day_and_the_max_up_to_today():
    history = [
        done(70, 145.0), done(60, 150.0), done(20, 140.0), done(20, 155.0, 2, 9.0),
        done(13, 100.0, variation="pause"), done(6, 160.0, 0, 10.0, missed_reps=1),
        done(2, 200.0, 1, 10.0, told=True),
    ]  # fmt: skip
    since = MONDAY - timedelta(days=28)
    found = so_far("squat", history, "trained", since, MONDAY)
    assert [(x.load_kg, x.reps, x.missed) for x in found.done] == [
        (155.0, 2, False),
        (160.0, 0, True),
    ]
    assert found.max_on[0].on == MONDAY - timedelta(days=60), "the newest day before the picture"
    assert since <= found.max_on[1].on
    now = ability_of(history, "trained", MONDAY)
    assert (found.max_on[-1].on, found.max_on[-1].kg) == (MONDAY, now.kg)
    assert all(one.low_kg < one.kg < one.high_kg for one in found.max_on)
    assert [one.on for one in found.max_on] == sorted(one.on for one in found.max_on)


def test_an_empty_log_has_no_max_and_nothing_done():
    found = so_far("squat", [], "trained", date(2026, 1, 1), MONDAY)
    assert (found.max_on, found.done) == ((), ())
