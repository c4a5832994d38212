"""The max as a distribution over days: against a fine grid, statsmodels, and made-up lifters."""

from datetime import date, timedelta

import numpy as np
import pytest
from scipy.stats import norm

from pavrik.core.log.ability import (
    AWAY_LOSS,
    AWAY_MOST,
    CURVE_SD,
    DAY_SD,
    FIRST_SD,
    GROWTH,
    LEVEL_DRIFT,
    RATING_SD,
    SET_SD,
    _Filter,
    ability_series,
)
from pavrik.core.log.known import Known
from pavrik.core.log.logged_day import FORMULA_SD, LoggedDay
from pavrik.core.log.training_set import LoggedFault, TrainingSet, evidence_of
from pavrik.core.prescription.ability import ability_of
from pavrik.core.strength.estimated_max import estimate_max
from tests.core.obedient import drawn
from tests.core.test_closed_loop import TRUTH, season
from tests.sizes import tried

START = date(2026, 3, 2)


def logged(day: int, kg: float, reps: int = 1, rpe: float | None = 10.0, **more) -> TrainingSet:
    on = (START + timedelta(days=day)).isoformat()
    return TrainingSet(f"{day}-{kg}-{reps}", on, kg, reps, rpe, **more)


def singles(kgs, every: int = 3) -> list[TrainingSet]:
    return [logged(every * at, kg) for at, kg in enumerate(kgs)]


def test_all_out_singles_are_filtered_as_statsmodels_does():
    """A local linear trend: level and growth, the level straying day by day."""
    import statsmodels.api as sm

    kgs = [200.0, 201.5, 200.5, 202.0, 201.0, 203.5, 202.5]
    found = ability_series(singles(kgs, every=1))
    noise = DAY_SD**2 + SET_SD**2
    model = sm.tsa.UnobservedComponents(np.log(kgs), "local linear trend")
    model.initialize_known(
        np.array([np.log(kgs[0]), GROWTH["trained"] / 7]),
        np.diag([FIRST_SD**2, (GROWTH["trained"] / 7) ** 2]),
    )
    told = model.filter([noise, LEVEL_DRIFT**2 / 7, 0.0])
    assert [day.level for day in found] == pytest.approx(list(told.filtered_state[0]), abs=1e-12)
    spreads = np.sqrt(told.filtered_state_cov[0, 0])
    assert [day.spread for day in found] == pytest.approx(list(spreads), abs=1e-12)
    growth = 7 * told.filtered_state[1]
    assert [day.growth_per_week for day in found] == pytest.approx(list(growth), abs=1e-12)


@pytest.mark.parametrize("below", [False, True])
@pytest.mark.parametrize("value", [5.2, 5.28, 5.3, 5.34, 5.4])
def test_a_bound_moves_the_state_as_a_fine_grid_does(below, value):
    mean, sd, beyond = 5.3, 0.04, 4.0
    noise = DAY_SD**2 + (FORMULA_SD * beyond) ** 2
    state = _Filter(Known(mean, 0.0, (sd, 0.0, 0.0, 0.0), []), 0)
    told = state.bounded(value, beyond, below=below)
    grid = np.linspace(mean - 8 * sd, mean + 8 * sd, 200_001)
    tail = norm.cdf if below else norm.sf
    weight = norm.pdf(grid, mean, sd) * tail((value - grid) / np.sqrt(noise))
    weight /= weight.sum()
    expected = float((grid * weight).sum())
    spread = float(np.sqrt(((grid - expected) ** 2 * weight).sum()))
    assert told
    assert state.known.level == pytest.approx(expected, abs=1e-7)
    assert np.sqrt(state.known.variance) == pytest.approx(spread, abs=1e-7)


def test_a_bound_far_away_says_nothing_at_all():
    before = [logged(3 * at, 180.0, 5, 8.0) for at in range(4)]
    light = logged(13, 100.0, 5, 5.0)
    assert ability_series([*before, light]) == ability_series(before)


def test_a_miss_lowers_and_a_clean_single_without_a_rating_raises():
    before = [logged(3 * at, 180.0, 5, 8.0) for at in range(4)]
    level = ability_series(before)[-1].kg
    missed = logged(13, level * 1.02, 0, None, missed_reps=1)
    assert ability_series([*before, missed])[-1].kg < level
    assert (
        ability_series([*before, logged(13, level * 1.5, 0, None, missed_reps=1)])[-1].kg == level
    )
    raised = logged(13, level * 1.08, 1, None)
    assert ability_series([*before, raised])[-1].kg > level * 1.05


def test_a_clean_set_without_a_rating_says_less_the_more_reps_it_goes_over():
    """Over three reps the formulas err by less than a day does, over eight by as much."""
    known = singles([200.0, 200.0, 200.0])

    def raised(reps: int) -> float:
        kg = 215.0 / estimate_max(1.0, reps, 10).kg
        before, after = ability_series([*known, logged(12, kg, reps, None)])[-2:]
        return after.level - before.level

    single, three, eight = (raised(reps) for reps in (1, 3, 8))
    assert 0.5 * single < three < single
    assert 0.15 * single < eight < 0.5 * single


def test_four_sets_of_a_day_are_not_four_witnesses():
    once, often = (
        [logged(3 * at, 180.0, 5, 8.0) for at in range(3) for _ in range(count)] for count in (1, 4)
    )
    spreads = [ability_series(sets)[-1].spread for sets in (once, often)]
    assert 0.85 * spreads[0] < spreads[1] < spreads[0]


def test_the_mean_of_a_day_counts_and_not_its_best_set():
    even = ability_series([logged(0, 180.0, 5, 8.0), logged(0, 180.0, 5, 8.0)])[-1].kg
    apart = ability_series([logged(0, 180.0, 5, 7.0), logged(0, 180.0, 5, 9.0)])[-1].kg
    assert apart == pytest.approx(even, rel=0.005)


def test_a_tested_single_says_more_than_a_set_of_many_reps():
    before = [logged(3 * at, 180.0, 5, 8.0) for at in range(4)]
    level = ability_series(before)[-1].kg
    single = ability_series([*before, logged(13, level - 20)])[-1]
    many = (level - 20) / estimate_max(1.0, 8, 8.0).kg
    volume = ability_series([*before, logged(13, many, 8, 8.0)])[-1]
    assert single.kg < level - 14
    assert volume.kg > single.kg + 3
    assert single.spread < volume.spread


def test_how_a_lifter_rates_is_learnt_where_singles_disagree_with_fives():
    """His fives say 230, his singles 210: the singles are right, and later fives count for less."""
    fives = [logged(7 * at, 230.0 / estimate_max(1.0, 5, 8.0).kg, 5, 8.0) for at in range(4)]
    tested = [logged(7 * at + 3, 210.0) for at in range(4)]
    both = sorted([*fives, *tested], key=lambda one: one.day)
    later = logged(40, 230.0 / estimate_max(1.0, 5, 8.0).kg, 5, 8.0)
    assert ability_series(both)[-1].kg < 214
    assert ability_series([*both, later])[-1].kg < 217
    assert CURVE_SD > 0
    assert RATING_SD > 0


def test_time_away_takes_some_and_widens():
    now = ability_series([logged(3 * at, 180.0, 5, 8.0) for at in range(6)])[-1]
    assert now.after(14) == now
    month, years = now.after(14 + 28), now.after(2000)
    assert month.kg == pytest.approx(now.kg * np.exp(-4 * AWAY_LOSS))
    assert years.kg == pytest.approx(now.kg * np.exp(-AWAY_MOST))
    assert now.spread < month.spread < years.spread
    back = [logged(3 * at, 180.0, 5, 8.0) for at in range(6)] + [logged(200, 150.0, 5, 8.0)]
    assert ability_series(back)[-1].kg < 0.93 * now.kg


def test_growth_is_learnt():
    rising = ability_series([logged(7 * at, 150 * 1.01**at) for at in range(16)])[-1]
    level = ability_series([logged(7 * at, 150.0) for at in range(16)])[-1]
    assert rising.growth_per_week > 0.0055 > 0.0025 > level.growth_per_week
    assert ability_series([logged(0, 150.0)], "novice")[0].growth_per_week == GROWTH["novice"]


def test_what_does_not_count_says_nothing():
    shoot = LoggedFault("hips-shoot", "hips shoot", 1, 3)
    high = LoggedFault("high", "high", 1, 1)
    clean = [logged(3 * at, 180.0, 5, 8.0) for at in range(3)]
    for bad in (
        logged(10, 260.0, 1, 9.0, faults=(shoot,)), logged(10, 260.0, 1, 9.0, faults=(high,)),
        logged(10, 240.0, 5, 8.0, pull_style="rebound"),
    ):  # fmt: skip
        assert ability_series([*clean, bad]) == ability_series(clean)


def test_a_lower_bound_stands_for_the_max_until_something_counts_in_full():
    alone = ability_of([logged(0, 100.0, 5, 5.0)])
    assert alone.kg == pytest.approx(estimate_max(100.0, 5, 10.0).kg)
    assert "nothing tells how much more" in alone.reason.text
    known = ability_of([logged(0, 100.0, 5, 5.0), logged(3, 180.0)])
    assert known.kg == pytest.approx(180.0, rel=0.02)


def test_a_failed_first_session_still_begins_the_estimate():
    sets = [logged(0, 177.5, 4, None, missed_reps=1), logged(7, 177.5, 4, None, missed_reps=1)]
    found = ability_of(sets)
    assert estimate_max(177.5, 4, 10.0).kg * 0.98 <= found.kg <= estimate_max(177.5, 5, 10.0).kg


def test_nothing_counts_in_an_empty_log():
    assert ability_of([]) is None
    assert ability_series([logged(0, 180.0, 0, None, missed_reps=1)]) == []


@pytest.fixture(scope="module")
def followed():
    """Lifters with curves, biases, days and gains of their own after twelve weeks."""
    found = []
    for seed in range(tried(30, 10)):
        gain = (0.0, 0.0035, 0.007)[seed % 3]
        ask = season(days=((0, 2), (0, 2, 4))[seed % 2], meet_in=82)
        lifter = drawn(4000 + seed, TRUTH, gain_per_week=gain).warm_up()
        lifter.train(ask, 12)
        found.append((lifter, ask))
    return found


def test_bands_cover_the_truth_as_often_as_they_say_and_the_middle_is_near(followed):
    """75 to 85 % over many lifters; thirty with two lifts each stray by 5."""
    inside, away = [], []
    for lifter, ask in followed:
        for lift in TRUTH:
            ability = ability_of(lifter.log[lift])
            on = date.fromisoformat(ability.days[-1].day)
            truth = lifter.true[lift].true_max_kg((on - ask.start).days)
            inside.append(ability.low_kg <= truth <= ability.high_kg)
            away.append(abs(ability.kg / truth - 1))
    assert 0.70 <= np.mean(inside) <= 0.90
    assert np.median(away) < 0.03


def test_what_was_on_the_bar_lies_above_the_max_by_a_good_day_at_most():
    sets = [*singles([200.0, 200.0, 200.0]), logged(12, 212.0)]
    assert ability_series(sets)[-1].kg >= 212.0 * np.exp(-DAY_SD) - 1e-9


@pytest.mark.parametrize("rpe", [None, 5.0, 8.0, 10.0])
def test_a_set_of_thirty_is_a_lower_bound_like_any_light_work(rpe):
    """A log takes sets of up to 30 reps; formulas are trusted to 10 and end at 20."""
    long = TrainingSet("long", "2026-11-02", 60.0, 30, rpe)
    heavy = TrainingSet("heavy", "2026-11-04", 140.0, 3, 8.0)
    alone, with_it = ability_series([heavy])[-1], ability_series([long, heavy])[-1]
    assert evidence_of(long).at_least
    assert with_it.kg == pytest.approx(alone.kg, rel=0.03)


def test_reps_before_a_miss_prove_something_unless_they_were_high():
    high = LoggedFault("high", "high", 1, 2, "bottom", None)
    other = LoggedFault("hips-rise", "hips rise", 1, 2, "out of the hole", None)
    made = {
        name: LoggedDay([logged(0, 150.0, 3, missed_reps=1, faults=faults)]).before_a_miss
        for name, faults in (("clean", ()), ("high", (high,)), ("other", (other,)))
    }
    assert made["high"] is None
    for name in ("clean", "other"):
        assert made[name] is not None, name
        assert made[name].estimate.kg == pytest.approx(estimate_max(150.0, 3, 10.0).kg)
