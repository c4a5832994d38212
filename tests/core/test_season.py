"""The frame of a plan written out, so that no week of it moves unseen: common practice, no
source."""

from dataclasses import replace
from datetime import date, timedelta

import pytest

from pavrik.core.competition_lifts import LIFT_IDS
from pavrik.core.log.training_set import TrainingSet
from pavrik.core.prescription.effort import effort_words
from pavrik.core.prescription.hand import with_hand
from pavrik.core.prescription.lift_work import WORK
from pavrik.core.prescription.plan import make_plan
from pavrik.core.prescription.plan_parts import Edit, Underway
from pavrik.core.prescription.reflow import missed_weeks
from pavrik.core.prescription.season import (
    EASY,
    LONGEST,
    SHORTEST,
    after_rest,
    anchored,
    anchors_of,
    before_meet,
    days_of,
    steps_of,
    week_roles,
)
from pavrik.core.prescription.shape import shape_of
from tests.core.plans import ASK, GYM, MONDAY, a_state

MEET = date(2026, 11, 28)
LETTERS = {"build": "b", "strengthen": "s", "sharpen": "p", "light": "l", "test": "t"}
STATES = {lift: a_state(lift) for lift in LIFT_IDS}
PEAKS = (
    "bpt", "bbpt", "bbspt", "bbbspt", "bbbsppt", "bbblsppt", "bbblssppt", "bbblbssppt",
    "bbblbsssppt", "bbblbsslsppt", "bbblbbslssppt", "bbblbbslsssppt", "bbblbbblssssppt",
    "bbblbbblssslsppt",
)  # fmt: skip
OPEN = {3: "bbs", 4: "bbsl", 6: "bbblss", 8: "bbblsssl", 11: "bbblbbslsss", 12: "bbblbbslsssl"}


def letters(roles) -> str:
    return "".join(LETTERS[role] for role in roles)


def test_the_weeks_of_a_peak():
    told = [letters(week_roles(weeks, "meet", 4)) for weeks in range(SHORTEST, LONGEST + 1)]
    assert tuple(told) == PEAKS
    assert told == [letters(week_roles(weeks, "test", 4)) for weeks in range(SHORTEST, LONGEST + 1)]


@pytest.mark.parametrize(("weeks", "roles"), OPEN.items())
def test_the_weeks_of_a_plan_without_an_end(weeks, roles):
    assert letters(week_roles(weeks, "open", 4)) == roles


@pytest.mark.parametrize(
    ("lift", "left", "sets"),
    [
        ("squat", 2, "primer"), ("squat", 3, "easy"), ("squat", 4, "easy"), ("squat", 5, None),
        ("deadlift", 2, "primer"), ("deadlift", 3, "easy"), ("deadlift", 7, "easy"),
        ("deadlift", 8, None),
    ],
)  # fmt: skip
def test_the_last_days_before_a_meet(lift, left, sets):
    found = before_meet(lift, left, WORK[lift].no_heavy_days, "sharpen")
    if sets is None:
        assert found is None
        return
    doses, why = found
    assert why.startswith(f"{left} days before the meet")
    assert ("primer" in why) == (sets == "primer")
    assert (doses == EASY) == (sets == "easy")
    assert max(dose.load_share() for dose in doses) <= 0.80
    assert all(dose.reps <= 2 for dose in doses)


def test_meet_week_is_easy_and_a_plan_without_a_meet_has_no_such_days():
    assert before_meet("squat", 9, 4, "test")[0] == EASY
    assert before_meet("squat", 9, 4, "sharpen") is None
    plan = make_plan(replace(ASK, meet=None), STATES, GYM)
    assert not any("before the meet" in b.text for x in plan.lines() for b in x.reasons)


@pytest.mark.parametrize(
    ("days", "told"),
    [
        (1, ["S D"]), (2, ["S d", "D s"]), (3, ["S", "D", "s d"]), (4, ["S", "D", "s", "d"]),
        (5, ["S", "D", "s", "d", ""]), (6, ["S", "D", "s", "d", "", ""]),
    ],
)  # fmt: skip
def test_the_days_of_a_week(days, told):
    """Capitals are main days; every lift has one main day, and a second day from two days on."""

    def letter(lift: str, part: str) -> str:
        return lift[0].upper() if part == "main" else lift[0]

    found = [" ".join(letter(*item) for item in day) for day in days_of(shape_of("steady"), days)]
    assert found == told


def test_heavier_work_rests_longer():
    """Four minutes for heavy low reps, three from RPE 7, two below, 90 s without an RPE."""
    told = {}
    for line in make_plan(replace(ASK, weeks=12), STATES, GYM).lines():
        told[(line.reps, line.rpe)] = line.rest_s
    assert told[(6, 7.0)] == 180
    assert told[(2, 8.0)] == 240
    assert told[(1, 7.5)] == 240
    for (reps, rpe), rest_s in told.items():
        if rpe is None:
            wanted = 90
        elif rpe < 7:
            wanted = 120
        else:
            wanted = 240 if rpe >= 7.5 and reps <= 3 else 180
        assert rest_s == wanted, (reps, rpe)


def test_the_bare_bar_is_a_load_like_any_other_in_a_coachs_hand():
    """The RPE and the rest follow the load that is set, down to the empty bar; below it the load
    stands as it was said, with nothing on a bar to tell of."""
    plan = make_plan(ASK, STATES, GYM)
    line = next(x for x in plan.lines() if x.kind == "main" and x.rpe and x.rpe >= 7)

    def set_to(load_kg: float):
        said = Edit("Ysolde", "a first day back", load_kg, line_id=line.line_id)
        laid = with_hand(plan, [said], ASK.start, GYM)
        return next(x for x in laid.lines() if x.line_id == line.line_id)

    bare = set_to(GYM.empty_kg)
    assert (bare.load_kg, bare.per_side) == (GYM.empty_kg, ())
    assert bare.share == pytest.approx(line.share * GYM.empty_kg / line.load_kg)
    assert bare.rpe == 5.0
    assert bare.rest_s == 120
    lighter = set_to(15.0)
    assert (lighter.load_kg, lighter.per_side, lighter.rpe) == (15.0, (), 5.0)


@pytest.mark.parametrize(
    ("weeks", "steps"), [(12, [0, 1, 2, 0, 1, 0, 1, 0, 2, 0, 1, 0]), (8, [0, 1, 2, 0, 0, 0, 1, 0])]
)
def test_loads_climb_within_a_block(weeks, steps):
    """bbblbsslsppt and bbblsppt: after a light week a block that was at its top begins again."""
    assert steps_of(week_roles(weeks, "test", 4)) == steps


@pytest.mark.parametrize("weekday", range(7))
def test_a_meet_of_any_weekday_is_counted_back_from(weekday):
    meet = date(2027, 2, 15) + timedelta(days=weekday)
    first = {"squat": weekday, "deadlift": weekday + 2}
    mains = {
        lift: [meet - timedelta(days=days + 7 * n) for n in range(8)]
        for lift, days in first.items()
    }
    found = anchors_of(meet, mains)
    for lift, least in (("squat", 7), ("deadlift", 8)):
        left = {a: (meet - on).days for (of, on), a in found.items() if of == lift}
        last = left.get("last heavy", left["peak"])
        assert least <= last <= least + 6, "the peak itself where no other day is left"
        assert 14 <= left["peak"] <= 24
    doses, why = anchored("peak", 17)
    assert max(dose.load_share() for dose in doses) == pytest.approx(0.945)
    assert "heaviest single" in why
    assert max(dose.load_share() for dose in anchored("last heavy", 9)[0]) < 0.945


def test_what_is_too_light_to_be_rated_is_called_easy():
    assert effort_words(5.0) == ", easy"
    assert effort_words(7.5) == " @ 7.5"
    assert effort_words(None) == ""


def test_a_week_without_work_was_the_rest_and_its_step_comes_again():
    roles = week_roles(12, "test", 4)
    assert [roles[i] for i in (3, 7)] == ["light", "light"]
    after = after_rest(roles, {2})
    assert after[:4] == ["build"] * 4
    assert after[4:] == roles[4:], "the next light week stays"
    assert steps_of(roles)[:3] == [0, 1, 2]
    assert steps_of(after, {2})[:5] == [0, 1, 2, 2, 3]
    assert steps_of(after, {1})[:4] == [0, 1, 1, 2]
    assert after_rest(roles, {5}) == roles, "work stood between"


def test_a_missed_week_shifts_the_block_and_says_nothing_of_light():
    states = {lift: a_state(lift) for lift in ("squat", "deadlift")}
    ask = replace(ASK, weeks=12)
    plain = make_plan(ask, states, GYM, underway=Underway(3, MONDAY + timedelta(weeks=3)))
    missed = Underway(3, MONDAY + timedelta(weeks=3), missed_weeks=frozenset({2}))
    shifted = make_plan(ask, states, GYM, underway=missed)
    assert (plain.weeks[3].role, shifted.weeks[3].role) == ("light", "build")
    tops = [
        max(x.share or 0 for d in p.weeks[3].days for x in d.lines if x.kind == "main")
        for p in (plain, shifted)
    ]
    assert tops[1] > tops[0] + 0.05


def test_a_holiday_is_the_rest_of_its_block():
    away = tuple(MONDAY + timedelta(days=14 + i) for i in range(7))
    states = {lift: a_state(lift) for lift in ("squat", "deadlift")}
    plan = make_plan(replace(ASK, weeks=12, blocked=away), states, GYM)
    assert plan.weeks[2].days == ()
    assert plan.weeks[3].role == "build"


def test_weeks_in_which_nothing_was_trained():
    def on(days, **more):
        return TrainingSet(
            str(days), (MONDAY + timedelta(days=days)).isoformat(), 100, 5, 8, **more
        )

    today = MONDAY + timedelta(days=24)
    logged = {"squat": [on(1)], "deadlift": [on(20), on(9, told=True)]}
    assert missed_weeks(replace(ASK, weeks=8), logged, today) == {1}
    assert missed_weeks(replace(ASK, weeks=8), {"squat": []}, MONDAY + timedelta(days=6)) == set()
