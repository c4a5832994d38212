"""A novice's way: steps while it is clean, back after two stalls, a first session without bests."""

from dataclasses import replace
from datetime import date, timedelta
from itertools import pairwise

import numpy as np
import pytest

from pavrik.core.equipment.plates import PlatePair
from pavrik.core.log.training_set import LoggedFault, TrainingSet
from pavrik.core.prescription.ability import ability_of
from pavrik.core.prescription.choice import Choice
from pavrik.core.prescription.novice import (
    next_step,
    on_the_way,
    ramp_is_over,
    ramp_kg,
    sessions_of,
)
from pavrik.core.prescription.pain import PainFlag
from pavrik.core.prescription.plan import make_plan
from pavrik.core.prescription.plan_parts import LiftState, PlanAsk
from pavrik.core.simulation.story import GYM, drawn_story

START = date(2026, 11, 30)
ASK = PlanAsk(START, 12, (0, 2, 4), training_age="novice")


def session(number: int, load_kg: float, rpe: float = 7.5, **more) -> list[TrainingSet]:
    day = (START - timedelta(days=40 - number)).isoformat()
    return [
        TrainingSet(f"s{number}-{i}", day, load_kg, 5, rpe, aimed_rpe=7.0, **more)
        for i in range(3)
    ]  # fmt: skip


def log_of(*sessions: list[TrainingSet]) -> list[TrainingSet]:
    return [one for of_day in sessions for one in of_day]


@pytest.mark.parametrize(("lift", "kg"), [("squat", 62.5), ("deadlift", 65.0)])
def test_a_clean_session_is_followed_by_a_step(lift, kg):
    found = next_step(log_of(session(1, 57.5), session(3, 60.0)), lift, 5)
    assert found.kg == kg
    assert "was clean" in found.reasons[0].text


@pytest.mark.parametrize(
    "spoiled",
    [
        {"rpe": 9.0}, {"missed_reps": 1},
        {"faults": (LoggedFault("high", "High", 3, 3, "bottom"),)},
    ],
)  # fmt: skip
def test_a_stall_is_repeated_once_and_a_second_one_goes_back(spoiled):
    one = log_of(session(1, 60.0), session(3, 62.5, **spoiled))
    assert next_step(one, "squat", 5).kg == 62.5
    two = log_of(session(1, 60.0), session(8, 62.5, **spoiled), session(15, 62.5, **spoiled))
    assert next_step(two, "squat", 5).kg == pytest.approx(0.9 * 62.5)
    assert not any("plan anew" in r.text for r in next_step(two, "squat", 5).reasons)


def test_after_going_back_it_climbs_again_and_a_second_way_back_asks_for_another_shape():
    hard = {"rpe": 9.5}
    back = log_of(
        session(1, 60.0), session(8, 62.5, **hard), session(15, 62.5, **hard), session(22, 55.0)
    )
    assert next_step(back, "squat", 5).kg == 57.5
    again = back + log_of(session(29, 62.5, **hard), session(36, 62.5, **hard))
    assert "steady shape" in next_step(again, "squat", 5).reasons[-1].text


def test_other_reps_are_no_session():
    single = TrainingSet("x", "2026-11-20", 90.0, 1, 8.0)
    assert sessions_of([single], 5) == []
    assert next_step([single], "squat", 5) is None


def plan_of(log: dict[str, list[TrainingSet]], ask: PlanAsk = ASK, guess=(90.0, 110.0)):
    states = {
        lift: LiftState(lift, log.get(lift, []), Choice((), ()), guess_kg=kg)
        for lift, kg in zip(("squat", "deadlift"), guess, strict=True)
    }  # fmt: skip
    return make_plan(ask, states, GYM)


def mains(plan, lift):
    return [x for x in plan.lines() if x.kind == "main" and x.lift == lift]


def test_the_plan_of_a_novice_climbs_by_steps_and_never_below_the_last_clean_work():
    log = {"squat": log_of(session(26, 57.5, 7.0), session(33, 60.0, 7.0))}
    loads = [x.load_kg for x in mains(plan_of(log), "squat")[:4]]
    assert loads[0] == pytest.approx(62.5, abs=0.51)
    assert all(later >= first for first, later in pairwise(loads))
    assert all(x.rpe <= 8.5 for x in mains(plan_of(log), "squat"))


def test_after_weeks_away_there_is_no_step():
    log = {"squat": log_of(session(10, 57.5, 7.0), session(17, 60.0, 7.0))}
    first = mains(plan_of(log), "squat")[0]
    assert first.load_kg < 60.0
    assert not any("more" in r.text for r in first.reasons)


def test_a_trained_lifter_goes_by_rpe_in_any_shape():
    log = {"squat": log_of(session(26, 57.5, 7.0), session(33, 60.0, 7.0))}
    plan = plan_of(log, replace(ASK, training_age="trained", shape="novice"))
    assert not any("was clean" in r.text for x in mains(plan, "squat") for r in x.reasons)


def test_the_first_session_is_a_way_up_in_fives_from_the_empty_bar():
    squats = [x for x in plan_of({}).weeks[0].days[0].lines if x.kind == "main"]
    loads = [x.load_kg for x in squats]
    assert loads[0] == GYM.empty_kg
    assert loads == sorted(set(loads))
    assert max(np.diff(loads) / loads[:-1]) <= 0.45
    assert max(np.diff(loads[3:]) / loads[3:-1]) <= 0.12
    assert loads[-1] <= 90.0
    assert all((x.sets, x.reps, x.rpe, x.until_rpe) == (1, 5, None, 6.5) for x in squats)
    later = mains(plan_of({}), "squat")[len(squats) :]
    assert all(x.load_kg is None for x in later), "nothing is guessed for the weeks after"


def test_a_pull_starts_from_discs_of_full_diameter_unless_light_ones_are_there():
    assert mains(plan_of({}), "deadlift")[0].load_kg == 50.0
    light = make_plan(
        ASK, {"deadlift": LiftState("deadlift", [], Choice((), ()), guess_kg=110.0)},
        replace(GYM, light_discs=True),
    )  # fmt: skip
    assert mains(light, "deadlift")[0].load_kg == GYM.empty_kg


def test_where_something_is_known_or_nothing_can_be_guessed_there_is_no_way_up():
    assert mains(plan_of({"squat": session(1, 60.0)}), "squat")[0].until_rpe is None
    assert mains(plan_of({}, guess=(0.0, 0.0)), "squat")[0].load_kg is None


def test_the_way_up_ends_with_the_first_five_that_is_felt():
    def five(kg, rpe, missed=0):
        return TrainingSet(f"{kg}", "2026-11-30", kg, 5, rpe, missed)

    assert not ramp_is_over([five(20, 4.0), five(40, 6.0)])
    assert ramp_is_over([five(20, 4.0), five(40, 6.5)])
    assert ramp_is_over([five(60, None, 1)])
    assert not ramp_is_over([five(60, None)])


def test_a_light_lifter_gets_jumps_that_the_plates_make():
    loads = ramp_kg(20.0, 30.0, GYM)
    assert loads[:2] == [20.0, 23.0]
    assert all(kg <= 30.0 for kg in loads)


def test_the_way_up_ends_where_the_plates_end():
    few = replace(GYM, stock=(PlatePair(5.0, 2),))
    loads = ramp_kg(20.0, 120.0, few)
    assert loads == sorted(set(loads))
    assert loads[-1] == 40.0


def test_the_jumps_are_small_once_the_way_up_is_felt():
    easy, felt = (TrainingSet("x", "2026-11-30", 50.0, 5, rpe) for rpe in (4.0, 5.5))
    assert on_the_way(60.0, [easy], GYM) == 60.0
    assert on_the_way(60.0, [felt], GYM) == 53.0
    assert on_the_way(51.0, [felt], GYM) == 51.0
    assert on_the_way(60.0, [], GYM) == 60.0


def test_a_lighter_second_day_and_a_way_up_are_no_sessions():
    assert [s.load_kg for s in sessions_of(log_of(session(1, 60.0), session(4, 57.5)), 5)] == [60.0]
    back = log_of(session(1, 60.0), session(8, 54.0))
    assert [s.load_kg for s in sessions_of(back, 5)] == [60.0, 54.0]
    way_up = [replace(one, load_kg=20.0 * (i + 1)) for i, one in enumerate(session(1, 20.0))]
    assert sessions_of(way_up, 5) == []
    missed = [replace(session(1, 60.0)[0], reps=3, missed_reps=2)]
    assert not sessions_of(missed, 5)[0].clean


@pytest.mark.parametrize("number", range(6))
def test_novices_without_a_log_come_to_a_plan_and_out_of_it_stronger(number):
    """Closed loop: the first session gives an ability near the truth, then twelve weeks of steps
    with few misses, and a last session well above the first."""
    truth = {"squat": 70.0 + 5 * number, "deadlift": 90.0 + 5 * number}
    story = drawn_story(number, truth, START, 0.01)
    first = plan_of({}, guess=(80.0, 100.0))
    for lift in truth:
        for line in mains(first, lift):
            if line.until_rpe is None or ramp_is_over(story.log[lift]):
                break
            story.do(START, lift, line.load_kg, line.reps)
        found = ability_of(story.log[lift], "novice", START)
        assert found.kg == pytest.approx(truth[lift], rel=0.20)
    story.train(ASK, 12)
    for log in story.log.values():
        missed = np.mean([s.missed_reps > 0 for s in log])
        assert missed <= 0.04
        fives = [s.load_kg for s in log if s.reps >= 4]
        assert max(fives[-20:]) >= 1.08 * max(fives[:6])


def test_in_pain_nothing_is_tried_out():
    states = {"squat": LiftState("squat", [], Choice((), ()), guess_kg=90.0)}
    plan = make_plan(ASK, states, GYM, pain=[PainFlag("p", "knee")])
    assert all(x.until_rpe is None for x in plan.lines())
