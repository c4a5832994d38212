"""Hard sets a week: what a lifter is used to, a tenth more at most, and what is taken off first."""

from dataclasses import replace
from datetime import timedelta

import pytest

from pavrik.core.log.training_set import TrainingSet
from pavrik.core.prescription.dose import FAR_BELOW, hard_sets, most_sets, used_to
from pavrik.core.prescription.plan import make_plan
from pavrik.core.prescription.plan_parts import Underway
from pavrik.core.prescription.shape import shipped_shapes
from tests.core.plans import ASK, GYM, MONDAY, a_state, made_up
from tests.sizes import tried


def weeks_of(sets_a_week, weeks=6, rpe=8.0, lift_kg=140.0):
    return [
        TrainingSet(
            f"s{week}-{i}", (MONDAY - timedelta(days=7 * week + 3)).isoformat(), lift_kg, 5, rpe
        )
        for week in range(weeks)
        for i in range(sets_a_week)
    ][::-1]


def plan_after(history, ask=ASK, **more):
    states = {"squat": a_state(), "deadlift": a_state("deadlift")}
    states["squat"] = replace(states["squat"], history=history)
    return make_plan(ask, states, GYM, **more)


def loading(plan):
    return [hard_sets(w, "squat") for w in plan.weeks if w.role not in ("light", "test")]


def test_used_to_is_the_mean_of_the_weeks_that_were_trained():
    assert used_to(weeks_of(7), MONDAY).sets == 7.0
    away = [s for s in weeks_of(7) if not s.set_id.startswith(("s1", "s2"))]
    assert (used_to(away, MONDAY).sets, used_to(away, MONDAY).weeks) == (7.0, 4)
    easy = weeks_of(4) + weeks_of(3, rpe=5.5)
    assert used_to(easy, MONDAY).sets == 4.0


def test_too_short_a_log_or_one_without_effort_says_nothing():
    assert used_to(weeks_of(7, weeks=2), MONDAY) is None
    assert used_to(weeks_of(7, rpe=None), MONDAY) is None
    assert used_to([], MONDAY) is None
    old = [replace(s, day="2026-01-05") for s in weeks_of(7)]
    assert used_to(old, MONDAY) is None
    assert used_to([replace(s, told=True) for s in weeks_of(7)], MONDAY) is None


@pytest.mark.parametrize(("years", "share"), [(0, 1.0), (39, 1.0), (40, 0.9), (55, 0.8)])
@pytest.mark.parametrize(("age", "high"), [("novice", 9), ("trained", 12), ("advanced", 15)])
def test_without_a_log_age_and_training_age_bound_the_week(years, share, age, high):
    most, why = most_sets(None, replace(ASK, years=years, training_age=age), 0)
    assert most == pytest.approx(share * high)
    assert ("less at" in why) == (years >= 40)


def test_weeks_grow_by_a_tenth_and_nobody_is_held_below_the_usual_least():
    used = used_to(weeks_of(10), MONDAY)
    assert [most_sets(used, ASK, n)[0] for n in (0, 1)] == pytest.approx([11.0, 12.1])
    little = used_to(weeks_of(2), MONDAY)
    assert most_sets(little, ASK, 0)[0] == 8.0


def test_no_loading_week_of_any_lifter_and_shape_passes_its_dose():
    for seed in range(tried(40, 10)):
        lifter = made_up(seed)
        for shape in shipped_shapes():
            ask = replace(lifter.ask, shape=shape)
            plan = replace(lifter, ask=ask).plan()
            for lift, state in lifter.states.items():
                used, n = used_to(state.history, ask.start), 0
                for week in plan.weeks:
                    if not week.days or week.role in ("light", "test"):
                        continue
                    can_give = any(
                        x.lift == lift and x.rpe and x.rpe >= 6.5 and x.sets > 2
                        for d in week.days for x in d.lines
                    )  # fmt: skip
                    most = most_sets(used, ask, n)[0]
                    assert hard_sets(week, lift) <= most or not can_give, (seed, shape, week.number)
                    n += 1


def test_specials_give_first_and_the_top_single_stays():
    free = plan_after([replace(s, day="2026-01-05") for s in weeks_of(7)])
    held = plan_after(weeks_of(3))
    assert max(loading(held)) <= 8 < max(loading(free))
    lines = [x for x in held.lines() if x.lift == "squat"]
    given = [x for x in lines if "sets instead of" in x.reasons[-1].text]
    assert given
    assert all("the log has 3" in x.reasons[-1].text for x in given)
    for week in held.weeks:
        own = [x for d in week.days for x in d.lines if x.lift == "squat" and x.rpe]
        if any(x in given and x.kind == "main" for x in own):
            specials = [x for x in own if x.kind == "special" and x.rpe >= 6.5]
            assert len(specials) <= 1
            assert all(x.sets == 2 for x in specials)
    assert [x for x in lines if x.kind == "main" and x.reps == 1 and x.sets == 1]


def test_a_plan_far_below_the_log_says_so():
    plan = plan_after(weeks_of(20))
    assert any("20 hard sets of the squat a week" in p.text for p in plan.proposals)
    assert not any("hard sets" in p.text for p in plan_after(weeks_of(6)).proposals)


def test_it_is_the_plan_s_hardest_week_that_is_held_against_the_log():
    """A sharpen week has few sets by intent: it tells nothing of what the plan asks."""
    for a_week in range(8, 21):
        plan = plan_after(weeks_of(a_week))
        worked = loading(plan)
        far_below = max(worked) < FAR_BELOW * a_week
        told = any("hard sets of the squat a week" in p.text for p in plan.proposals)
        assert told == far_below, (a_week, worked)
        if min(worked) < FAR_BELOW * a_week <= max(worked):
            break
    else:
        pytest.fail("no log lies between the plan's easiest and hardest week")


def test_underway_the_weeks_are_counted_from_today_on():
    """Six weeks into a plan the log has its growth already: it is not added once more."""
    today = MONDAY + timedelta(weeks=3)
    history = weeks_of(9)
    moved = [
        replace(s, day=(MONDAY + timedelta(days=21 - 3 - 7 * (i // 9))).isoformat())
        for i, s in enumerate(history)
    ]
    plan = plan_after(moved[::-1], underway=Underway(3, today))
    week = plan.weeks[4]
    assert hard_sets(week, "squat") <= 9 * 1.1**2


def test_a_light_week_has_fewer_sets_of_each_special_and_none_that_was_given_up():
    for history in (weeks_of(3), weeks_of(9), weeks_of(14)):
        plan = plan_after(history, replace(ASK, weeks=8))

        def specials(role, plan=plan):
            return {
                x.variation: x.sets
                for w in plan.weeks if w.role == role
                for d in w.days for x in d.lines if x.kind == "special" and x.lift == "squat"
            }  # fmt: skip

        light, build = specials("light"), specials("build") | specials("strengthen")
        assert light.keys() <= build.keys()
        assert all(sets < build[name] or sets == 1 for name, sets in light.items())
