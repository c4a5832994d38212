"""The bar's speed: the line, what it adds to the estimated max over a population, reps left."""

from datetime import date, timedelta

import numpy as np
import pytest

from pavrik.core.log.ability import ability_series
from pavrik.core.log.load_velocity import LoadVelocity, lines_by_day, load_velocity, reps_left
from pavrik.core.log.training_set import TrainingSet
from pavrik.core.prescription.ability import ability_of
from pavrik.core.simulation.lifter import draw_lifter

START = date(2026, 9, 1)


class TestLoadVelocity:
    line = tuple((kg, 0.8 - 0.004 * kg) for kg in (80.0, 110.0, 140.0, 165.0))

    def test_the_line_meets_the_slowest_speed_at_the_max(self):
        found = load_velocity(self.line)
        assert isinstance(found, LoadVelocity)
        assert found.max_kg == pytest.approx(0.8 / 0.004)
        assert found.max_sd_kg == pytest.approx(0.0, abs=1e-6)

    def test_its_error_is_that_of_a_regression(self):
        """Against statsmodels' ordinary least squares and the delta method."""
        import statsmodels.api as sm

        random = np.random.default_rng(4)
        loads = np.array([60.0, 80, 100, 120, 140, 160])
        speeds = 0.8 - 0.004 * loads + random.normal(0, 0.02, 6)
        found = load_velocity(list(zip(loads, speeds, strict=True)))
        theirs = sm.OLS(speeds, sm.add_constant(loads)).fit()
        a, b = theirs.params
        gradient = np.array([-1 / b, a / b**2])
        sd = np.sqrt(gradient @ theirs.cov_params() @ gradient)
        assert isinstance(found, LoadVelocity)
        assert found.max_kg == pytest.approx(-a / b)
        assert found.max_sd_kg == pytest.approx(sd, rel=1e-6)

    @pytest.mark.parametrize(
        ("sets", "why"),
        [
            (line[:3], "3 of 4 different loads filmed"),
            ([(150.0 + i, 0.2 - 0.004 * i) for i in range(5)], "span"),
            ([(80.0 + 20 * i, 0.1 + 0.02 * i) for i in range(5)], "not slower"),
        ],
    )
    def test_too_little_is_told_as_such(self, sets, why):
        assert why in load_velocity(sets)


def filmed(kg: float, over: float | None, days: int = 0, **more) -> TrainingSet:
    day = (START + timedelta(days=days)).isoformat()
    given = {"reps": 2, "rpe": None} | more
    return TrainingSet(f"{day} {kg:g}", day, kg, over_slowest_m_s=over, **given)


def on_a_line(max_kg: float, loads, days: int = 0, **more) -> list[TrainingSet]:
    return [filmed(kg, 0.004 * (max_kg - kg), days, **more) for kg in loads]


class TestLinesOfALog:
    def test_every_set_speaks_once(self):
        sets = [s for day in (0, 7, 14) for s in on_a_line(200, (80, 110, 140, 165), day)]
        assert list(lines_by_day(sets)) == ["2026-09-01", "2026-09-08", "2026-09-15"]
        spread = on_a_line(200, (80, 110), 0) + on_a_line(200, (140, 165), 7)
        assert list(lines_by_day(spread)) == ["2026-09-08"]
        more = spread + on_a_line(200, (120, 150), 10)
        assert list(lines_by_day(more)) == ["2026-09-08"], "the first four have spoken"

    def test_sets_of_other_weeks_and_other_lifts_lie_on_no_line(self):
        apart = on_a_line(200, (80, 110), 0) + on_a_line(200, (140, 165), 40)
        assert lines_by_day(apart) == {}
        boxed = on_a_line(200, (80, 110, 140)) + on_a_line(200, (165,), variation="box-squat")
        assert lines_by_day(boxed) == {}

    def test_a_missed_set_is_on_no_line(self):
        sets = on_a_line(200, (80, 110, 140)) + on_a_line(200, (165,), missed_reps=1)
        assert lines_by_day(sets) == {}


class TestSpeedInTheMax:
    def test_light_sets_without_a_word_give_a_max_with_its_reason(self):
        sets = on_a_line(200, (80, 110, 140, 165))
        silent = ability_of([filmed(s.load_kg, None) for s in sets])
        told = ability_of(sets)
        assert silent is not None
        assert silent.kg < 180
        assert told is not None
        assert told.kg == pytest.approx(200, rel=0.03)
        assert told.low_kg < 200 < told.high_kg
        assert told.high_kg / told.low_kg < silent.high_kg / silent.low_kg
        assert "the bar's speed up to 1 Sep 2026 points at 200 kg" in told.reason.text
        assert "nothing tells" not in told.reason.text
        assert told.days[-1].speed_kg == pytest.approx(200)

    def test_it_never_puts_the_max_below_what_was_lifted(self):
        sets = [*on_a_line(150, (60, 80, 100, 120)), filmed(180, None, reps=1)]
        found = ability_series(sets)[-1]
        assert found.kg > 177

    def test_what_a_lifters_slowest_rep_is_off_by_is_learnt(self):
        """Singles at RPE 10 say 200 kg every week, the bar's speed says 220: once both are known,
        the speed alone says no more than they did."""
        both = [
            s
            for week in range(8)
            for s in (
                *on_a_line(220, (80, 110, 140, 165), 7 * week),
                filmed(200, None, 7 * week, reps=1, rpe=10.0),
            )
        ]
        alone = [*both, *on_a_line(220, (80, 110, 140, 165), 60)]
        before, after = ability_series(both)[-1], ability_series(alone)[-1]
        assert before.kg == pytest.approx(200, rel=0.02)
        assert after.kg == pytest.approx(before.kg, rel=0.01)

    def test_on_a_population_that_rates_nothing_it_is_worth_the_filming(self):
        """Made-up lifters whose slowest reps differ (sd 0.04 m/s) warm up on film, measured to
        0.02 m/s: the error of the max falls by more than half, and the 80 % band holds."""
        random = np.random.default_rng(11)
        silent, told, held = [], [], []
        for _ in range(150):
            true = draw_lifter(float(random.uniform(90, 280)), random)
            own_slowest, steep = random.normal(0, 0.04), random.normal(0.85, 0.1)
            loads = [2.5 * round(share * true.max_kg / 2.5) for share in (0.4, 0.55, 0.7, 0.8)]
            sets = [
                filmed(
                    kg,
                    steep * (1 - kg / true.max_kg) + own_slowest + random.normal(0, 0.02),
                    reps=3,
                )
                for kg in loads
            ]
            without = ability_of([filmed(s.load_kg, None, reps=3) for s in sets])
            found = ability_of(sets)
            assert without is not None
            assert found is not None
            silent.append(np.log(without.kg / true.max_kg))
            told.append(np.log(found.kg / true.max_kg))
            held.append(found.low_kg <= true.max_kg <= found.high_kg)
        rms = [float(np.sqrt(np.mean(np.square(errors)))) for errors in (silent, told)]
        assert rms[1] < 0.5 * rms[0]
        assert abs(np.mean(told)) < 0.03
        assert np.mean(held) > 0.7


class TestRepsLeft:
    def test_a_rep_as_slow_as_a_max_leaves_none(self):
        assert reps_left(180, 200, 0.1, 0.0) == 0
        assert reps_left(180, 200, 0.1, -0.02) == 0

    def test_a_set_that_lost_no_speed_leaves_what_the_load_allows_but_one(self):
        assert reps_left(200, 200, 0.1, 0.1) == pytest.approx(0)
        assert reps_left(200 / 1.12, 200, 0.1, 0.1) == pytest.approx(3.0, abs=0.6)

    def test_half_of_the_speed_lost_is_half_of_the_reps(self):
        whole, half = (reps_left(160, 200, 0.2, last) for last in (0.2, 0.1))
        assert whole is not None
        assert half == pytest.approx(whole / 2)

    def test_of_a_light_load_nobody_can_tell(self):
        assert reps_left(100, 200, 0.4, 0.3) is None
