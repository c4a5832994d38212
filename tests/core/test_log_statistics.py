"""What the log knows, against statsmodels, scipy.stats and lifters whose onset is known."""

import numpy as np
import pytest
import statsmodels.api as sm
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy import stats

from pavrik.core.faults.catalogue import shipped_catalogue
from pavrik.core.faults.findings import findings
from pavrik.core.log.ability import ability_series
from pavrik.core.log.comparison import Comparison, chance_lower, compare
from pavrik.core.log.cooccurrence import first_of_reps, seen_together
from pavrik.core.log.onset import (
    CENTRE,
    STEP,
    LogisticFit,
    _draws,
    _level,
    fit_logistic,
    fit_onset,
    onset_words,
)
from pavrik.core.log.rates import Z_80, by_load, by_rep, by_variation, by_week, wilson
from pavrik.core.log.rep_table import RepTable, max_before, rep_table
from pavrik.core.log.repeatability import repeatability
from pavrik.core.log.training_set import LoggedFault, TrainingSet

PHASES = ("set", "descent", "bottom", "out of the hole")


def lifter_with_onset(half: float, steepness: float, seed: int, reps: int = 240):
    """Shares of the max and faults of a lifter whose chance is even at ``half``."""
    random = np.random.default_rng(seed)
    share = np.repeat(random.uniform(0.6, 1.0, reps // 4), 4)
    chance = 1 / (1 + np.exp(-steepness * (share - half)))
    return share, random.random(len(share)) < chance


def squat(day: str, load: float, reps: int = 5, faults=(), **more) -> TrainingSet:
    return TrainingSet(f"{day}/{load}", day, load, reps, 8.0, faults=tuple(faults), **more)


def seen(fault_id: str, rep: int, phase: str = "bottom") -> LoggedFault:
    return LoggedFault(fault_id, fault_id, rep, 2, phase)


def test_without_a_prior_the_fit_is_statsmodels_logit():
    share, faulty = lifter_with_onset(0.85, 25.0, 4)
    cells, at = np.unique(share, return_inverse=True)
    counts, hits = np.bincount(at).astype(float), np.bincount(at[faulty], minlength=len(cells))
    found = fit_logistic(cells, hits.astype(float), counts, np.array([np.inf, np.inf]))
    x = sm.add_constant((share - CENTRE) / STEP)
    reference = sm.GLM(faulty.astype(float), x, family=sm.families.Binomial()).fit()
    np.testing.assert_allclose(found.mean, reference.params, atol=1e-7)


def test_the_covariance_without_dispersion_is_statsmodels_too():
    """Five loads leave too few cells for a dispersion, so it stays 1."""
    loads = np.array([0.7, 0.8, 0.85, 0.9, 0.95])
    counts, hits = np.full(5, 20.0), np.array([1.0, 3.0, 8.0, 12.0, 18.0])
    found = fit_logistic(loads, hits, counts, np.array([np.inf, np.inf]))
    x = sm.add_constant((loads - CENTRE) / STEP)
    pairs = np.column_stack([hits, counts - hits])
    reference = sm.GLM(pairs, x, family=sm.families.Binomial()).fit(tol=1e-13)
    np.testing.assert_allclose(found.covariance, reference.cov_params(), rtol=1e-6)


def test_a_known_onset_lies_inside_its_band_about_as_often_as_the_band_says():
    """80 % bands over 200 lifters; the dispersion makes them a little wide, never narrow."""
    inside = 0
    for seed in range(200):
        half = 0.75 + 0.2 * (seed % 10) / 10
        found = fit_onset(*lifter_with_onset(half, 25.0, seed)).half
        assert found is not None
        inside += found.low <= half <= (found.high or np.inf)
    assert 0.72 <= inside / 200 <= 0.95


def test_the_fifth_comes_before_the_half():
    found = fit_onset(*lifter_with_onset(0.85, 20.0, 7))
    assert found.verdict == "known"
    assert found.fifth.share < found.half.share
    assert found.fifth.share == pytest.approx(0.85 - np.log(4) / 20, abs=0.04)


def test_three_reps_say_nothing():
    few = fit_onset(np.array([0.8, 0.9, 0.95]), np.array([False, True, True]))
    assert few.verdict == "too few"
    assert "too few" in onset_words("Heels lift", few, None)


def test_a_habit_is_seldom_taken_for_an_onset():
    """Fifty lifters with a fault at every load: the rule allows about one in twenty."""
    verdicts = []
    for seed in range(50):
        random = np.random.default_rng(seed)
        habit = fit_onset(random.uniform(0.5, 1.0, 400), random.random(400) < 0.3)
        verdicts.append(habit.verdict)
        if habit.verdict == "not with load":
            assert "light and heavy loads alike" in onset_words("Heels lift", habit, 200.0)
    assert verdicts.count("not with load") >= 45


def test_an_onset_is_told_in_kilograms_of_today():
    found = fit_onset(*lifter_with_onset(0.85, 20.0, 7))
    words = onset_words("Heels lift", found, 200.0)
    assert words.startswith("Heels lift: one rep in five from 15")
    assert "one in two from 1" in words


def test_a_fault_only_at_the_heaviest_is_beyond_or_known_never_below_what_was_clean():
    share = np.linspace(0.6, 0.9, 200)
    faulty = np.zeros(200, dtype=bool)
    faulty[-3:] = True
    found = fit_onset(share, faulty)
    assert found.fifth is not None
    assert found.fifth.share > 0.85


@settings(max_examples=60, deadline=None)
@given(n=st.integers(1, 400), data=st.data())
def test_intervals_are_those_of_scipy(n, data):
    k = data.draw(st.integers(0, n))
    reference = stats.binomtest(k, n).proportion_ci(0.8, method="wilson")
    found = wilson(np.array([k]), np.array([n]), Z_80)
    np.testing.assert_allclose(found[:, 0], [reference.low, reference.high], atol=1e-9)


@settings(max_examples=25, deadline=None)
@given(k0=st.integers(0, 30), k1=st.integers(0, 30))
def test_the_chance_of_a_lower_rate_is_that_of_drawn_beta_pairs(k0, k1):
    random = np.random.default_rng(0)
    before = random.beta(k0 + 0.5, 30 - k0 + 0.5, 200_000)
    after = random.beta(k1 + 0.5, 30 - k1 + 0.5, 200_000)
    assert chance_lower((k0, 30), (k1, 30)) == pytest.approx(np.mean(after < before), abs=0.006)


def test_a_clear_difference_agrees_with_fishers_exact_test():
    """The one-sided p of Fisher's test and one minus the chance go together."""
    p = stats.fisher_exact([[14, 26], [3, 37]], alternative="greater").pvalue
    assert p < 0.01
    assert chance_lower((14, 40), (3, 40)) > 0.99


def test_a_cue_is_judged_at_the_same_loads_only():
    share = np.concatenate([np.full(40, 0.9), np.full(40, 0.7), np.full(40, 0.9)])
    faulty = np.concatenate([np.arange(40) < 20, np.zeros(40, bool), np.arange(40) < 3])
    after = np.arange(120) >= 80
    found = compare(share, faulty, after)
    assert found.outcome == "helped"
    assert found.before == (20, 40)
    assert found.after == (3, 40)
    lighter_only = compare(share[:80], faulty[:80], np.arange(80) >= 40)
    nothing = Comparison((0, 0), (0, 0), None, 0.5, "too few reps")
    assert lighter_only == nothing, "reps at other loads are counted on no side"
    assert compare(share[:40], faulty[:40], np.ones(40, bool)) == nothing
    assert "no load was lifted both" in lighter_only.words()


def test_equal_rates_are_no_difference_and_few_reps_are_said():
    share = np.full(60, 0.85)
    alike = compare(share, np.arange(60) % 3 == 0, np.arange(60) >= 30)
    assert alike.outcome == "no difference seen"
    few = compare(share[:20], np.arange(20) < 8, np.arange(20) >= 15)
    assert few.outcome == "too few reps"


def test_rates_count_every_rep_once():
    sets = [
        squat("2026-01-05", 150, 5, [seen("heels-up", 4), seen("heels-up", 5)]),
        squat("2026-01-12", 155, 3, variation="pause squat"),
        squat("2026-01-13", 100, 8),
    ]
    table = rep_table(sets, "trained")
    assert len(table) == 16
    for rates in (by_rep, by_week, by_variation, by_load):
        found = rates(table, "heels-up")
        assert sum(rate.faulty for rate in found) == 2
        assert sum(rate.reps for rate in found) == 16
        assert all(rate.low <= rate.rate <= rate.high for rate in found)
    assert [rate.label for rate in by_week(table, "heels-up")] == ["2026-01-05", "2026-01-12"]


def known_before(one: TrainingSet):
    return max_before([one], ability_series([one]))


def test_the_max_of_the_time_is_not_that_of_today():
    sets = [squat("2026-01-05", 100), squat("2026-01-12", 100), squat("2026-03-02", 140)]
    before = max_before(sets, ability_series(sets))
    assert before[1] == pytest.approx(before[0])
    assert before[2] == pytest.approx(before[0], rel=0.01), (
        "the heavy day is judged by what was known"
    )
    assert np.isnan(known_before(squat("2026-01-05", 100, 0))).all()
    ten = known_before(squat("2026-01-05", 100, 10))
    assert known_before(squat("2026-01-05", 100, 15)) == ten, "no more than ten reps are counted"


def test_the_first_fault_of_the_rep_is_the_one_in_the_earliest_phase():
    faults = [seen("hips-rise", 2, "out of the hole"), seen("heels-up", 2, "bottom")]
    sets = [squat(f"2026-01-0{d}", 150, 5, faults) for d in (5, 6, 7)]
    assert first_of_reps(sets, PHASES) == {"heels-up": 3}
    pair = seen_together(sets, PHASES)[0]
    assert (pair.first, pair.second, pair.both, pair.led) == ("heels-up", "hips-rise", 3, 3)
    assert pair.ratio == pytest.approx(3 * 15 / 9)


def test_the_strongest_pair_comes_first():
    often = [seen("dive", r, "descent") for r in (1, 2, 3, 4)]
    often += [seen("butt-wink", r) for r in (1, 2, 3)]
    sets = [squat(f"2026-01-0{d}", 150, 5, often) for d in (5, 6, 7)]
    seldom = [seen("heels-up", 1), seen("hips-rise", 1)]
    sets += [squat(f"2026-01-1{d}", 150, 5, seldom) for d in (1, 2, 3)]
    found = seen_together(sets, PHASES)
    assert {found[0].first, found[0].second} == {"heels-up", "hips-rise"}
    assert [p.ratio for p in found] == sorted((p.ratio for p in found), reverse=True)
    assert len(found) >= 2


def test_two_faults_that_meet_by_chance_are_no_pair():
    sets = [
        squat("2026-01-05", 150, 5, [seen("heels-up", r) for r in range(1, 6)]),
        squat("2026-01-06", 150, 5, [seen("heels-up", r) for r in range(1, 6)]),
        squat("2026-01-07", 150, 5, [seen("dive", r, "descent") for r in (1, 2, 3)]),
    ]
    assert seen_together(sets, PHASES) == []


def test_repeatability_names_a_set_up_that_drifts_when_it_gets_heavy():
    light = [
        squat(f"2026-01-0{d}", 100, 1, measures=(("hands_to_pull_s", 3.0),)) for d in (1, 2, 3)
    ]
    heavy = [
        squat(f"2026-01-0{d}", 180, 1, measures=(("hands_to_pull_s", 9.0),)) for d in (4, 5, 6)
    ]
    found = repeatability(light + heavy)[0]
    assert found.kind == "hands_to_pull_s"
    assert found.light.mean == 3.0
    assert found.heavy.mean == 9.0
    assert "heavy sets 9.0 s, light ones 3.0 s" in found.verdict


def test_light_sets_that_are_like_heavy_ones_are_not_told_apart():
    sets = [
        squat(f"2026-01-0{d}", kg, 1, measures=(("stance_m", 0.50 + d / 1000),))
        for d, kg in ((1, 100), (2, 100), (3, 100), (4, 180), (5, 180), (6, 180))
    ]
    found = repeatability(sets)[0]
    assert found.light.mean == pytest.approx(0.502)
    assert found.heavy.mean == pytest.approx(0.505)
    assert found.verdict == "the same every time, within 0.2 cm"


def test_the_band_of_an_onset_is_that_of_its_coefficients():
    """By draws of scipy's own, also where the slope is all but flat."""
    fit = LogisticFit(np.array([-1.0, 0.8]), np.array([[0.10, 0.01], [0.01, 0.05]]))
    level = _level(fit, _draws(fit), 0.5)
    drawn = stats.multivariate_normal(fit.mean, fit.covariance, seed=3).rvs(400_000)
    shares = np.where(drawn[:, 1] > 0, CENTRE - STEP * drawn[:, 0] / drawn[:, 1], np.inf)
    low, high = np.quantile(shares, [0.1, 0.9], method="lower")
    assert level.share == pytest.approx(CENTRE + STEP * 1.0 / 0.8)
    assert level.low == pytest.approx(low, abs=0.01)
    assert level.high == pytest.approx(high, abs=0.02)


def test_what_happens_once_a_set_is_counted_by_the_set():
    """Eight sets of five, the hooks too high in six: six of eight, not six of forty."""
    catalogue = shipped_catalogue()
    high = LoggedFault("rack-high", "Hooks too high", 1, 1, "unrack")
    forward = LoggedFault("bar-forward", "Bar forward", 4, 1, "out of the hole")
    sets = [
        TrainingSet(f"s{i}", f"2026-10-{i + 1:02d}", 100.0, 5, 7.5,
                    faults=(high, forward) if i < 6 else ())
        for i in range(8)
    ]  # fmt: skip
    found = {
        fault.fault_id: fault for fault in findings(sets, catalogue, "squat", "trained").faults
    }
    assert found["rack-high"].seen == "6 of 8 sets"
    assert found["bar-forward"].seen == "6 of 40 reps"
    assert sum(rate.reps for rate in found["rack-high"].by_week) == 8
    assert "6 of 8 sets" in found["rack-high"].words
    once = {f.id for f in catalogue.faults.values() if catalogue.is_once_a_set(f.id)}
    assert once == {
        "rack-high", "off-centre", "long-walkout", "blind-rerack", "feet-close", "pull-stance-off",
    }  # fmt: skip


def test_a_rep_is_counted_in_the_band_of_its_share():
    bands = {"under 60%": 0.58, "60–70%": 0.65, "70–75%": 0.72, "95–100%": 0.97, "from 100%": 1.0}
    share, zeros = np.array([*bands.values()]), np.zeros(len(bands), dtype=int)
    table = RepTable(200 * share, share, zeros + 1, zeros, zeros, zeros.astype(str), {})
    assert {rate.label: rate.reps for rate in by_load(table, "high")} == dict.fromkeys(bands, 1)
