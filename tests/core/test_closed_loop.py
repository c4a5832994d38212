"""A lifter who obeys his plan keeps his strength in it."""

from dataclasses import replace
from datetime import date, timedelta

import numpy as np
import pytest

from pavrik.core.log.training_set import COMPETITION, LoggedFault, TrainingSet
from pavrik.core.prescription.ability import ability_of
from pavrik.core.prescription.attempts import SHARES
from pavrik.core.prescription.plan_parts import PlanAsk
from pavrik.core.prescription.season import EASY, steps_of
from pavrik.core.strength.estimated_max import load_for
from tests.core.obedient import drawn, honest
from tests.core.plans import MONDAY
from tests.sizes import tried

TRUTH = {"squat": 220.0, "deadlift": 260.0}
WITHIN = 0.06
"""First aid's own tolerance: his curve of reps against load is not the estimator's."""
AGES = ("trained", "advanced")


def season(weeks: int = 12, days=(0, 2, 4), meet_in=None, age: str = "trained") -> PlanAsk:
    meet = None if meet_in is None else MONDAY + timedelta(days=meet_in)
    return PlanAsk(MONDAY, weeks, days, meet, "competition", age)


def main_lines(plan, week: int, lift: str):
    return [
        x for d in plan.weeks[week].days for x in d.lines if x.kind == "main" and x.lift == lift
    ]


def work_of(plan, ask, week: int, lift: str):
    """Main lines of a week with the doses that its shape asks for; none where the meet is near."""
    role = plan.weeks[week].role
    doses = ask.in_force.main_of(role, steps_of([w.role for w in plan.weeks])[week])
    if role in ("light", "test"):
        return []
    lines = main_lines(plan, week, lift)
    if any("before the meet" in reason.text for line in lines for reason in line.reasons):
        return []
    return list(zip(lines, doses, strict=True))


@pytest.mark.parametrize("age", AGES)
@pytest.mark.parametrize("days", [(0, 2), (0, 2, 4), (0, 1, 3, 5)])
def test_twelve_obeyed_weeks_keep_main_loads_at_what_the_true_max_asks(age, days):
    ask = season(days=days, meet_in=82, age=age)
    lifter = honest(TRUTH).warm_up()
    plans = lifter.train(ask, 12)
    for week, plan in enumerate(plans):
        for lift, truth in TRUTH.items():
            for line, dose in work_of(plan, ask, week, lift):
                asked = dose.load_share() * truth
                assert line.load_kg == pytest.approx(asked, rel=WITHIN), (week, lift, line)
    for lift, truth in TRUTH.items():
        tries = plans[-1].attempts[lift]
        for attempt, (low, high) in zip(
            tries, ((0.90, 0.92), (0.95, 0.975), (0.99, 1.02)), strict=True
        ):
            assert low - WITHIN <= attempt.load_kg / truth <= high + WITHIN, (lift, attempt)


def test_sets_without_an_rpe_never_shrink_anyone():
    ask = season()
    lifter = honest(TRUTH).warm_up()
    before = ability_of(lifter.log["squat"])
    lifter.states_rpe = False
    lifter.do(date(2026, 11, 28), "squat", 100.0, 5)
    after = ability_of(lifter.log["squat"])
    assert after.kg == before.kg
    first = main_lines(lifter.plan(ask), 0, "squat")[0]
    lifter.log["squat"].pop()
    assert first.load_kg == main_lines(lifter.plan(ask), 0, "squat")[0].load_kg


def test_an_easy_set_is_a_lower_bound_and_a_heavy_one_without_rpe_raises_the_max():
    days = [TrainingSet(f"a{i}", f"2026-11-{i + 1:02d}", 180.0, 5, 8.0) for i in range(4)]
    level = ability_of(days).kg
    light = TrainingSet("b", "2026-11-10", 150.0, 4, 5.0)
    assert ability_of([*days, light]).kg == level
    single = TrainingSet("c", "2026-11-11", level + 20, 1, None)
    assert ability_of([*days, light, single]).kg >= level + 20
    assert "at least 168.2 kg" in ability_of([light]).reason.text, (
        "4 reps, as if all-out: 150 / 0.892"
    )


def test_a_tested_single_counts_in_full():
    days = [TrainingSet(f"a{i}", f"2026-11-{i + 1:02d}", 180.0, 5, 8.0) for i in range(4)]
    level = ability_of(days).kg
    tested = TrainingSet("t", "2026-11-12", level - 20, 1, 10.0)
    assert ability_of([*days, tested]).kg == pytest.approx(level - 20, rel=0.025)
    many = TrainingSet("m", "2026-11-12", (level - 20) * 0.762, 5, 6.0)
    assert ability_of([*days, many]).kg > level - 8, "a set of many reps moves it little"


def test_a_rebound_set_sets_no_dead_stop_load():
    ask = season()
    lifter = honest(TRUTH).warm_up()
    before = main_lines(lifter.plan(ask), 0, "deadlift")[0].load_kg
    for reps, kg in ((8, 245.0), (5, 120.0)):
        lifter.do(date(2026, 11, 29), "deadlift", kg, reps, pull_style="rebound", aimed_rpe=8.0)
    assert main_lines(lifter.plan(ask), 0, "deadlift")[0].load_kg == before


SHOOT = LoggedFault("hips-shoot", "Hips shoot up", 1, 2, "off the floor")


def test_a_sessions_faults_hold_that_session_and_nothing_else():
    ask = season(meet_in=82)
    lifter = honest(TRUTH).warm_up()
    clean = lifter.plan(ask)
    for day in ("2026-11-25", "2026-11-28"):
        at = TrainingSet(day, day, 190.0, 5, None, faults=(SHOOT,))
        lifter.log["deadlift"].append(at)
    held = lifter.plan(ask)
    first, free = (main_lines(p, 0, "deadlift")[0] for p in (held, clean))
    assert first.load_kg < 0.95 * free.load_kg
    assert any("until two clean sets" in b.text for b in first.reasons)
    level = ability_of(lifter.log["deadlift"]).kg / ability_of(lifter.log["deadlift"][:-2]).kg
    later, as_before = (main_lines(p, 1, "deadlift")[0] for p in (held, clean))
    assert later.load_kg == pytest.approx(level * as_before.load_kg, abs=2.5)
    for attempt, before in zip(held.attempts["deadlift"], clean.attempts["deadlift"], strict=True):
        assert attempt.load_kg == pytest.approx(level * before.load_kg, abs=2.6)


@pytest.mark.parametrize("meet_in", range(77, 84))
@pytest.mark.parametrize("days", [(0,), (1, 4), (0, 2, 4), (0, 1, 3, 5), (1, 2, 3, 4, 5, 6)])
def test_nothing_heavy_stands_near_a_meet_whatever_its_weekday(meet_in, days):
    ask = season(days=days, meet_in=meet_in)
    plan = honest(TRUTH).warm_up().plan(ask)
    last = {"squat": 4, "deadlift": 7}
    heavy_days = set()
    for day in plan.days():
        left = (ask.meet - day.on).days
        assert left >= 2
        for line in day.lines:
            share = line.load_kg / TRUTH[line.lift] if line.load_kg else 0.0
            if share >= 0.85 * (1 + WITHIN):
                heavy_days.add((line.lift, left))
            if left <= last[line.lift]:
                assert share < 0.85, (day.on, line)
            if left <= 2:
                assert share <= 0.60 * (1 + WITHIN), (day.on, line)
            assert line.kind != "special" or left >= 10, (day.on, line)
    assert {lift for lift, _ in heavy_days} == set(TRUTH), "but he is not detrained either"


def test_the_days_before_a_meet_say_why_they_are_light():
    ask = season(meet_in=77)
    plan = honest(TRUTH).warm_up().plan(ask)
    near = [
        x for d in plan.days() for x in d.lines
        if x.kind == "main" and x.lift == "deadlift" and 2 < (ask.meet - d.on).days <= 7
    ]  # fmt: skip
    assert near
    assert [x.reps for x in near[:2]] == [dose.reps for dose in EASY]
    assert "no heavy deadlift in the last 7" in " ".join(b.text for b in near[0].reasons)


@pytest.mark.parametrize("max_kg", [62.0, 118.0, 203.0])
def test_a_novice_never_starts_below_last_weeks_clean_work(max_kg):
    ask = season(age="novice")
    main = ask.in_force.main
    for dose in {d for role in ("build", "strengthen") for week in main[role] for d in week}:
        lifter = honest({"squat": max_kg})
        for ago in (17, 12, 3):
            day = (ask.start - timedelta(days=ago)).isoformat()
            kg = 2.5 * round(dose.load_share() * max_kg * (1.04 if ago == 3 else 0.9) / 2.5)
            lifter.log["squat"].append(
                TrainingSet(f"s{ago}", day, kg, dose.reps, dose.rpe, aimed_rpe=dose.rpe)
            )
        done = lifter.log["squat"][-1]
        for week in lifter.plan(ask).weeks:
            for line in (x for d in week.days for x in d.lines if x.kind == "main"):
                if line.reps == dose.reps and week.role != "light":
                    assert line.load_kg >= done.load_kg, (week.number, line)
                    most = max(d.rpe for days in main.values() for w in days for d in w
                               if d.reps == dose.reps)  # fmt: skip
                    assert line.rpe <= most, "what was done at an RPE is asked for at it"


def test_work_that_was_too_much_since_is_no_floor():
    ask = season()
    lifter = honest(TRUTH).warm_up()
    at = [replace(s, load_kg=190.0, reps=6, rpe=7.0) for s in lifter.log["squat"]]
    hard = replace(at[-1], set_id="hard", day="2026-11-29", rpe=9.5)
    lifter.log["squat"] = [*at, hard]
    first = main_lines(lifter.plan(ask), 0, "squat")[0]
    assert first.load_kg < 190.0
    assert not any("done clean" in b.text for b in first.reasons)


def test_a_meet_single_stands_however_light_the_weeks_after_it_were():
    """A lifter with a 182.5 kg meet squat was once planned to test 167.5."""
    ask = season(weeks=8)
    lifter = honest({"squat": 185.0})
    lifter.log["squat"] = [TrainingSet("meet", "2026-10-10", 182.5, 1, None)]
    for week in range(6):
        day = (MONDAY - timedelta(days=40 - 6 * week)).isoformat()
        lifter.log["squat"].append(TrainingSet(f"l{week}", day, 110.0, 5, 5.0))
    test = main_lines(lifter.plan(ask), 7, "squat")[0]
    assert (test.reps, test.variation) == (1, COMPETITION)
    assert test.load_kg >= 0.95 * 182.5


def test_a_set_harder_than_aimed_for_holds_the_next_session_to_what_it_stands_for():
    ask = season()
    lifter = honest(TRUTH).warm_up()
    free = main_lines(lifter.plan(ask), 0, "squat")[0]
    hard = TrainingSet("hard", "2026-11-28", 180.0, 5, 9.5, aimed_rpe=8.0)
    lifter.log["squat"].append(hard)
    plan = lifter.plan(ask)
    first, later = (main_lines(plan, week, "squat")[0] for week in (0, 1))
    worth = 180.0 * load_for(1.0, 6, 7.0) / load_for(1.0, 5, 9.5)
    assert worth - 2.5 < first.load_kg <= worth < free.load_kg
    assert "today no more than what that stands for" in first.reasons[0].text
    assert later.load_kg > first.load_kg


def test_what_a_session_said_ends_with_the_sessions_that_follow():
    """An easy line of a light week that felt harder than its RPE 5 once held singles at 136 kg of
    a 205 kg squat for six weeks: every week's hold made the next week's aim easy again."""
    ask = season()
    lifter = honest(TRUTH).warm_up()
    light = TrainingSet("light", "2026-11-28", 140.0, 6, 6.0, aimed_rpe=5.0)
    lifter.log["squat"].append(light)
    first = main_lines(lifter.plan(ask), 0, "squat")[0]
    assert first.load_kg > 160, "light work is not what main work is compared with"


def test_a_hard_session_of_weeks_ago_holds_nothing_any_more():
    ask = season()
    lifter = honest(TRUTH).warm_up()
    day = (MONDAY - timedelta(days=26)).isoformat()
    lifter.log["squat"].insert(0, TrainingSet("old", day, 150.0, 5, 9.5, aimed_rpe=7.0))
    light = [replace(s, aimed_rpe=5.0, rpe=5.0, load_kg=120.0) for s in lifter.log["squat"][1:]]
    lifter.log["squat"] = [lifter.log["squat"][0], *light]
    first = main_lines(lifter.plan(ask), 0, "squat")[0]
    assert not any("was aimed for" in b.text or "held to a step" in b.text for b in first.reasons)


@pytest.fixture(scope="module")
def followed():
    """Lifters with curves, biases and days of their own after twelve planned weeks:
    (lifter, plans, ask) each."""
    found = []
    for seed in range(tried(24, 8)):
        ask = season(days=((0, 2), (0, 2, 4), (0, 1, 3, 5))[seed % 3], meet_in=82)
        lifter = drawn(seed, TRUTH, gain_per_week=0.003).warm_up()
        found.append((lifter, lifter.train(ask, 12), ask))
    return found


def intensities(lifter, plans, ask) -> list[float]:
    """Planned load over what the role asks of the true max on that day, less 1."""
    return [
        line.load_kg / (dose.load_share() * lifter.true[lift].true_max_kg(7 * week)) - 1
        for week, plan in enumerate(plans)
        for lift in TRUTH
        for line, dose in work_of(plan, ask, week, lift)
    ]  # fmt: skip


def test_a_population_is_planned_near_what_the_truth_asks(followed):
    """First aid's own tolerances, not yet those of the whole proof: nine in ten within 9 %."""
    asked = np.array([x for pair in followed for x in intensities(*pair)])
    assert abs(np.median(asked)) < 0.03
    assert np.mean(np.abs(asked) < 0.09) > 0.9
    assert asked.min() > -0.20, "nobody is caught below his strength"
    assert asked.max() < 0.08, "nor above it"


def test_a_populations_ability_and_attempts_lie_near_the_truth(followed):
    ability, tries = [], []
    for lifter, plans, _ in followed:
        for lift in TRUTH:
            truth = lifter.true[lift].true_max_kg(82)
            ability.append(ability_of(lifter.log[lift]).kg / truth - 1)
            tries += [
                attempt.load_kg / (share * truth) - 1
                for attempt, share in zip(plans[-1].attempts[lift], SHARES, strict=True)
            ]
    assert abs(np.median(ability)) < 0.03
    assert abs(np.median(tries)) < 0.03
    assert np.mean(np.abs(tries) < 0.08) > 0.9


def test_a_population_misses_hardly_a_set_and_ends_stronger(followed):
    sets = [s for lifter, _, _ in followed for log in lifter.log.values() for s in log]
    assert np.mean([s.missed_reps > 0 for s in sets]) < 0.02
    for _, plans, _ in followed:
        for lift in TRUTH:
            first, last = (
                max(line.load_kg for line in main_lines(plan, week, lift))
                for week, plan in ((0, plans[0]), (10, plans[10]))
            )
            assert last > first


@pytest.mark.parametrize("seed", range(6))
def test_a_made_up_lifter_is_the_same_every_time_and_shares_no_formula(seed):
    one, other = (drawn(seed, TRUTH).true["squat"] for _ in range(2))
    assert one == other
    for reps in (2, 4, 6, 8):
        load = 220.0 * float(np.exp(-(reps - 1) * one.share_per_rep))
        assert one.reps_to_failure(load, 220.0) == pytest.approx(reps)
        random = np.random.default_rng(seed)
        came = one.do(load * 1.001, reps, 0, 1.0, random)
        assert (came.made, came.missed, came.rpe) == (reps - 1, 1, 10.0)
        assert one.do(load * 0.999, reps, 0, 1.0, random).made == reps
    assert one.do(230.0, 1, 0, 1.0, np.random.default_rng(1)).made == 0
