"""Training dates of a week around blocked ones."""

from dataclasses import replace
from datetime import date, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st

from pavrik.core.prescription.plan_parts import PlanAsk
from pavrik.core.prescription.training_dates import days_left, training_dates
from tests.core.plans import MONDAY, made_up

ASK = PlanAsk(MONDAY, 4, (0, 2, 4))


def day(week: int, weekday: int) -> date:
    return MONDAY + timedelta(days=7 * week + weekday)


def on(ask: PlanAsk, week: int = 0) -> list[int]:
    return [one.on.weekday() for one in training_dates(ask, week)]


def test_a_blocked_day_goes_to_the_nearest_free_day_the_later_of_two():
    assert on(replace(ASK, blocked=(day(0, 2),))) == [0, 3, 4]
    moved = training_dates(replace(ASK, blocked=(day(0, 2),)), 0)[1]
    assert moved.told == "Wed 2 Dec is blocked: trained here"
    assert on(replace(ASK, blocked=(day(0, 2), day(0, 3)))) == [0, 1, 4]
    assert on(replace(ASK, blocked=(day(0, 2),)), 1) == [0, 2, 4]


def test_a_week_with_fewer_free_days_is_shorter_and_a_week_away_is_empty():
    most = tuple(day(1, i) for i in range(5))
    assert on(replace(ASK, blocked=most), 1) == [5, 6]
    assert days_left(replace(ASK, blocked=most), 1) == 2
    away = replace(ASK, blocked=tuple(day(1, i) for i in range(7)))
    assert (on(away, 1), days_left(away, 1), days_left(away, 0)) == ([], 0, 3)


WEEKDAYS = st.sets(st.integers(0, 6), min_size=1, max_size=6)


@given(WEEKDAYS, st.sets(st.integers(0, 27), max_size=20), st.integers(21, 27) | st.none())
def test_nothing_stands_on_a_blocked_day_or_twice_and_no_session_is_lost_without_need(
    weekdays, blocked, meet
):
    dates = tuple(MONDAY + timedelta(days=i) for i in blocked)
    meet_day = MONDAY + timedelta(days=meet) if meet else None
    ask = PlanAsk(MONDAY, 4, tuple(sorted(weekdays)), meet_day, blocked=dates)
    for week in range(4):
        found = training_dates(ask, week)
        days = [one.on for one in found]
        assert days == sorted(set(days))
        assert not set(days) & set(dates)
        assert all(one.instead_of is None or one.instead_of in dates for one in found)
        if meet_day is None:
            assert len(days) == days_left(ask, week)
        else:
            assert all((meet_day - one).days >= 2 for one in days)


@pytest.mark.parametrize("seed", range(30))
def test_a_plan_keeps_off_blocked_days_and_keeps_its_main_work(seed):
    lifter = made_up(seed)
    usual = [on.on for on in lifter.plan().days()]
    blocked = tuple(usual[2::3])
    plan = replace(lifter, ask=replace(lifter.ask, blocked=blocked)).plan()
    assert not {d.on for d in plan.days()} & set(blocked)
    for before, after in zip(lifter.plan().weeks, plan.weeks, strict=True):
        if lifter.ask.meet is None:
            assert mains(before) == mains(after)
    moved = [d for d in plan.days() if d.moved]
    assert all("is blocked: trained here" in d.moved for d in moved)
    assert moved or lifter.ask.meet


def mains(week) -> list[str]:
    return sorted({x.lift for d in week.days for x in d.lines if x.kind == "main"})


@pytest.mark.parametrize("seed", range(10))
def test_a_week_away_has_no_day_and_leaves_the_weeks_before_it_alone(seed):
    away, usual = with_and_without_a_week(seed)
    assert away.weeks[2].days == ()
    assert away.weeks[2].reason.startswith("away")
    assert away.weeks[:2] == usual.weeks[:2]


def test_a_week_away_brings_no_gain():
    """Of many lifters none is planned heavier for it; those whose gain shows in steps, lighter."""
    pairs = [with_and_without_a_week(seed) for seed in range(20)]
    tops = [(heaviest(away.weeks[3:]), heaviest(usual.weeks[3:])) for away, usual in pairs]
    assert all(after <= before for after, before in tops)
    assert sum(after < before for after, before in tops) >= 3


def with_and_without_a_week(seed):
    lifter = made_up(seed)
    ask = replace(lifter.ask, weeks=8, meet=None)
    away = replace(ask, blocked=tuple(day(2, i) for i in range(7)))
    return replace(lifter, ask=away).plan(), replace(lifter, ask=ask).plan()


HEAVY_DAYS = {"squat": 4, "deadlift": 7}
"""Last days before a meet without work of 85 % or more."""


@pytest.mark.parametrize("seed", range(12))
def test_work_that_moves_off_a_blocked_day_is_never_heavy_too_near_a_meet(seed):
    lifter = made_up(seed)
    meet = day(5, seed % 7)
    ask = replace(lifter.ask, weeks=6, meet=meet, training_age="trained")
    near = [d.on for d in replace(lifter, ask=ask).plan().days() if (meet - d.on).days <= 12]
    plan = replace(lifter, ask=replace(ask, blocked=tuple(near[::2]))).plan()
    for found in plan.days():
        assert (meet - found.on).days >= 2
        for line in found.lines:
            heavy = line.variation == "competition" and (line.share or 0) >= 0.85
            assert not heavy or (meet - found.on).days > HEAVY_DAYS[line.lift]


def heaviest(weeks) -> float:
    return max((x.load_kg or 0 for w in weeks for d in w.days for x in d.lines), default=0.0)
