"""Back after time away: eased in, and no floor from before."""

from datetime import date, timedelta

import pytest

from pavrik.core.log.training_set import TrainingSet
from pavrik.core.prescription.choice import Choice
from pavrik.core.prescription.next_load import Target, keep_floor
from pavrik.core.prescription.plan import make_plan
from pavrik.core.prescription.plan_parts import LiftState, PlanAsk
from pavrik.core.prescription.return_to_lift import days_away, eased
from pavrik.core.prescription.shape import Dose
from pavrik.core.simulation.story import GYM

START = date(2026, 11, 30)
WORK = (Dose(1, 1, 7.0), Dose(4, 5, 8.0))


def log_until(days_before: int) -> list[TrainingSet]:
    return [
        TrainingSet(f"s{i}", str(START - timedelta(days=days_before + 7 * (3 - i))), 100.0, 5, 8.0)
        for i in range(4)
    ]  # fmt: skip


@pytest.mark.parametrize(
    ("days", "session", "sets", "rpe"),
    [(14, 0, 4, 8.0), (15, 0, 3, 7.0), (15, 1, 4, 7.5), (15, 2, 4, 8.0), (28, 0, 3, 5.5),
     (28, 2, 3, 7.0), (28, 3, 4, 7.5), (28, 4, 4, 8.0)],
)  # fmt: skip
def test_the_first_sessions_ask_for_less_and_the_more_the_longer_one_was_away(
    days, session, sets, rpe
):
    doses, why = eased(WORK, days, session)
    assert (doses[-1].sets, doses[-1].rpe) == (sets, rpe)
    assert (why is None) == (doses == WORK)
    if why is not None:
        assert f"{days // 7} weeks without the lift" in why.text
        assert all(dose.reps > 1 for dose in doses), "no single while it is eased in"


def test_light_work_stays_as_it_is():
    light = (Dose(2, 3, share=0.65),)
    assert eased(light, 40, 0)[0] == light


def test_days_away_count_any_work_of_the_lift():
    assert days_away([], START) == 0
    other = TrainingSet("x", str(START - timedelta(days=3)), 80.0, 5, 7.0, variation="front squat")
    assert days_away([*log_until(30), other], START) == 3
    told = TrainingSet("t", str(START - timedelta(days=90)), 150.0, 1, 10.0, told=True)
    assert days_away([told], START) == 0, "when he trained last nobody knows"


def test_a_floor_that_binds_nothing_says_nothing():
    log, target = log_until(20), Target(5, 8.0, 3)
    assert keep_floor(100.0, log, target) == (100.0, [])
    assert keep_floor(97.5, log, target)[1] != []


def test_a_floor_from_before_binds_no_more():
    log, target = log_until(20), Target(5, 8.0, 3)
    assert keep_floor(95.0, log, target, away_days=14)[0] == 100.0
    assert keep_floor(95.0, log, target, away_days=15)[0] == 95.0


def first_mains(days_before: int):
    state = LiftState("squat", log_until(days_before), Choice((), ()))
    ask = PlanAsk(START, 6, (0,), training_age="trained")
    lines = make_plan(ask, {"squat": state}, GYM).lines()
    return [x for x in lines if x.kind == "main" and x.reps > 1][:5]


def test_a_plan_after_five_weeks_away_starts_lighter_and_comes_back():
    usual, back = first_mains(5), first_mains(35)
    assert back[0].load_kg < usual[0].load_kg
    assert back[0].share < 0.96 * usual[0].share
    assert back[0].sets < usual[0].sets
    assert any("5 weeks without the lift" in r.text for r in back[0].reasons)
    shares = [late.load_kg / soon.load_kg for late, soon in zip(back, usual, strict=True)]
    assert shares[4] > shares[0]
    assert not any("without the lift: eased" in r.text for x in usual for r in x.reasons)
