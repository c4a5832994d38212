"""The parts of a plan one by one: drills, light starts, seasons, volume, weaknesses, caps."""

import re
from datetime import date, timedelta

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from pavrik.core.equipment.light_start import BAR_HEIGHT_M, light_start_words, stands_low
from pavrik.core.faults.catalogue import shipped_catalogue
from pavrik.core.faults.evidence import TestResult, rank_causes, ruled_out_causes
from pavrik.core.faults.findings import findings
from pavrik.core.log.training_set import LoggedFault, TrainingSet
from pavrik.core.prescription.caps import caps_of
from pavrik.core.prescription.choice import Special
from pavrik.core.prescription.drills import (
    HOLD_SHARE,
    grip_drill,
    held_kg,
    ritual_drill,
    slack_drill,
)
from pavrik.core.prescription.lift_work import WORK
from pavrik.core.prescription.plan_lines import special_by_feel
from pavrik.core.prescription.reason import Reason, in_kg, reps_words
from pavrik.core.prescription.reflow import work_words
from pavrik.core.prescription.remedial import care_of
from pavrik.core.prescription.season import week_roles
from pavrik.core.prescription.shape import Dose, shipped_shapes
from pavrik.core.prescription.volume import capacities_worked, is_hard
from pavrik.core.prescription.weaknesses import weaknesses
from pavrik.core.strength.estimated_max import load_for
from pavrik.core.variations.catalogue import shipped_variations

CATALOGUE = shipped_catalogue()
FIRST = date(2026, 1, 5)


def no_signals(fault):
    return rank_causes(CATALOGUE, fault.fault_id, [])


def sets_with(
    fault_id: str, phase: str, onset: float, lift_max: float = 200.0, seed: int = 1, days: int = 60
) -> list[TrainingSet]:
    """Fives from 55 to 95 % of the max; the fault comes with an even chance at ``onset``."""
    random, found = np.random.default_rng(seed), []
    for day in range(days):
        share = float(random.uniform(0.55, 0.95))
        chance = 1 / (1 + np.exp(-(share - onset) / 0.03))
        faults = tuple(
            LoggedFault(fault_id, fault_id, rep, 1, phase)
            for rep in range(1, 6)
            if random.random() < chance
        )
        rpe = float(np.clip(10 - (0.95 - share) * 25, 5, 10))
        found.append(
            TrainingSet(
                f"s{day}", (FIRST + timedelta(days=3 * day)).isoformat(), share * lift_max, 3,
                rpe if share < 0.9 else 9.5, 0, faults,
            )
        )  # fmt: skip
    return found


def test_words_of_masses_and_counts():
    assert in_kg(82.5) == "82.5 kg"
    assert in_kg(100.0) == "100 kg"
    assert in_kg(99.96) == "100 kg"
    assert reps_words(1) == "1 rep"
    assert reps_words(5) == "5 reps"


def test_a_slack_hold_pulls_with_nine_tenths_of_the_bar():
    """Common practice, no source: about 90 % of the bar's weight, held 5 to 10 s."""
    assert held_kg(60.0) == pytest.approx(54.0)
    assert HOLD_SHARE == 0.9
    second = slack_drill(60.0, "reasons").stage(1)
    assert second is not None
    assert "grows to about 54 of its 60 kg" in second.how
    assert "Do not lift" in second.how


def test_a_ritual_is_told_in_kilos_where_the_max_is_known():
    told = [stage.how for stage in ritual_drill("hesitates", max_kg=163.0).stages]
    assert [how.split(", and go, with ")[1] for how in told] == [
        "82.5 kg, 50% of the max.", "97.5 kg, 60% of the max.", "115 kg, 70% of the max.",
        "130 kg, 80% of the max.",
    ]  # fmt: skip
    assert "with about 50% of the max" in ritual_drill("hesitates").stages[0].how


@pytest.mark.parametrize("make", [grip_drill, ritual_drill])
def test_every_drill_has_a_pass_and_an_end(make):
    drill = make("reasons", ("fault:x",))
    stages = [drill.stage(week) for week in range(20)]
    shown = [stage for stage in stages if stage is not None]
    assert shown
    assert all(stage.passed and stage.sets > 0 for stage in shown)
    assert stages[len(shown) :] == [None] * (20 - len(shown)), "none when it is finished"


@pytest.mark.parametrize(
    ("per_side", "light_discs", "low"),
    [
        ((20.0,), False, False), ((15.0, 5.0), False, False), ((10.0, 5.0), False, True),
        ((), False, True), ((5.0,), True, False),
    ],
)  # fmt: skip
def test_a_bar_without_a_full_disc_stands_too_low(per_side, light_discs, low):
    assert stands_low(per_side, light_discs) is low
    words = light_start_words(per_side, light_discs)
    assert bool(words) is low
    if low:
        assert f"{BAR_HEIGHT_M * 100:.1f} cm" in words
        assert "blocks of about" in words


def test_hard_sets_and_what_they_work():
    assert is_hard(7.0)
    assert not is_hard(6.0)
    assert not is_hard(None)
    assert capacities_worked({"hips": 0.9, "quads": 0.8, "lower_back": 0.5}) == ["hips", "quads"]
    assert capacities_worked({}) == []


@given(st.integers(1, 8), st.floats(5, 10))
def test_a_dose_by_rpe_is_the_inverse_of_the_estimate(reps, rpe):
    assert Dose(3, reps, rpe).load_share() == pytest.approx(load_for(1.0, reps, rpe))
    assert Dose(3, reps, rpe, share=0.6).load_share() == 0.6


def test_second_days_are_lighter_than_main_days_of_every_role():
    for shape in shipped_shapes().values():
        for role in ("build", "strengthen", "sharpen"):
            for doses in shape.main[role]:
                heaviest = max(dose.load_share() for dose in doses)
                assert shape.second[role].load_share() < 0.95 * heaviest, (shape.id, role)


def test_the_style_turns_where_the_goal_asks_and_only_to_what_is_allowed():
    allowed = ["high-bar squat", "Romanian deadlift"]
    squat = WORK["squat"]
    assert squat.style_for("muscle", "build", allowed) == "high-bar squat"
    assert squat.style_for("muscle", "build", []) is None
    assert squat.style_for("competition", "build", allowed) is None
    assert squat.style_for("strength", "sharpen", allowed) is None


@given(st.integers(3, 16))
def test_open_plans_are_never_all_light(weeks):
    roles = week_roles(weeks, "open", 4)
    assert roles.count("light") <= weeks // 4
    assert roles[0] == "build"


def test_a_fault_of_the_log_becomes_a_weakness_with_its_cause_and_its_facts():
    sets = sets_with("hips-rise", "out of the hole", 0.8)
    known = findings(sets, CATALOGUE, "squat", "trained")
    found = weaknesses(sets, known, CATALOGUE, no_signals, ("hips", ""))
    first = found[0]
    assert "hips rise first in" in first.words
    assert first.phase == "out of the hole"
    assert first.facts == ("fault:hips-rise",)
    assert any(w.capacity == "quads" for w in found), "quads are a cause of it"
    assert found[-1].capacity == "hips", "the limiter comes last"
    assert found[-1].weight < 1.0


def test_without_a_fault_the_limiter_is_what_is_weak():
    sets = sets_with("hips-rise", "out of the hole", 5.0)
    known = findings(sets, CATALOGUE, "squat", "trained")
    found = weaknesses(sets, known, CATALOGUE, no_signals, ("upper_back", ""))
    assert [w.capacity for w in found] == ["upper_back"]
    assert found[0].weight == 1.0


def test_a_tired_back_is_a_weakness_of_its_own():
    known = findings([], CATALOGUE, "deadlift", "trained")
    tired = [Reason("the trend fell", ("a", "b"))]
    found = weaknesses([], known, CATALOGUE, no_signals, None, tired)
    assert found[0].tired_back
    assert found[0].facts == ("a", "b")


def test_a_fault_that_is_gone_is_not_worked_on():
    old = sets_with("hips-rise", "out of the hole", 0.7, days=30)
    since = [
        TrainingSet(f"n{i}", (FIRST + timedelta(days=200 + i)).isoformat(), 150.0, 5, 8.0)
        for i in range(45)
    ]
    sets = [*old, *since]
    known = findings(sets, CATALOGUE, "squat", "trained")
    assert weaknesses(sets, known, CATALOGUE, no_signals, None) == []


def caps_for(fault_id, lift):
    sets = sets_with(fault_id, "off the floor" if lift == "deadlift" else "out of the hole", 0.8)
    known = findings(sets, CATALOGUE, lift, "trained")
    assert known.max_kg is not None
    caps = caps_of(known, lift)
    technique = next(c for c in caps if c.technique)
    whole = next(c for c in caps if not c.technique)
    assert whole.facts == technique.facts == (f"fault:{fault_id}",)
    return technique, whole, known.max_kg


@pytest.mark.parametrize(
    ("fault_id", "lift"), [("pull-upper-round", "deadlift"), ("upper-round", "squat")]
)
def test_an_upper_back_caps_second_days_at_one_in_five_and_all_work_at_one_in_two(fault_id, lift):
    technique, whole, max_kg = caps_for(fault_id, lift)
    assert technique.load_kg < whole.load_kg
    assert whole.load_kg / max_kg == pytest.approx(0.8, abs=0.08)
    assert "every second rep" in whole.words


@pytest.mark.parametrize(("fault_id", "lift"), [("low-round", "deadlift"), ("butt-wink", "squat")])
def test_a_lower_back_caps_all_work_where_one_rep_in_five_rounds(fault_id, lift):
    technique, whole, max_kg = caps_for(fault_id, lift)
    assert whole.load_kg == pytest.approx(technique.load_kg)
    assert whole.load_kg < 0.8 * max_kg
    assert "one rep of five" in whole.words


def test_faults_of_other_parts_cap_nothing():
    sets = sets_with("hips-shoot", "off the floor", 0.8)
    assert caps_of(findings(sets, CATALOGUE, "deadlift", "trained"), "deadlift") == []


@pytest.mark.parametrize(
    ("fault_id", "phase", "drill"),
    [
        ("no-slack", "slack", "slack"),
        ("waits", "grip", "ritual"),
        ("grip-slips", "lockout", "grip"),
    ],
)
def test_drills_follow_the_log(fault_id, phase, drill):
    sets = sets_with(fault_id, phase, 0.6)
    faults = findings(sets, CATALOGUE, "deadlift", "trained").faults
    care = care_of("deadlift", faults, no_signals, CATALOGUE, 200.0, ())
    assert [d.name for d in care.drills] == [drill]


def slack_of(max_kg, passed=()):
    return care_of("deadlift", [], no_signals, CATALOGUE, max_kg, passed, learns_slack=True).drills


def test_a_novice_learns_the_slack_anyway_stage_by_stage():
    (drill,) = slack_of(None)
    first, second, last = (stage.name for stage in drill.stages)
    assert drill.stage(0).name == first
    assert slack_of(None, (first,))[0].stage(0).name == second
    assert slack_of(None, (second,))[0].stage(0).name == first, "no stage is jumped"
    assert slack_of(None, (first, second, last)) == ()
    assert care_of("deadlift", [], no_signals, CATALOGUE, None, ()).drills == ()


@pytest.mark.parametrize("max_kg", [52.0, 90.0, 147.5, 260.0])
def test_the_slack_drills_bar_is_sized_to_the_lifter(max_kg):
    (drill,) = slack_of(max_kg)
    told = " ".join(stage.how for stage in drill.stages)
    bar = float(re.search(r"With ([\d.]+) kg", told)[1])
    assert 0.6 * max_kg - 2.5 < bar <= 0.6 * max_kg
    assert HOLD_SHARE * bar < max_kg, "nine tenths of it can be held"
    (unknown,) = slack_of(None)
    assert "kg" not in " ".join(stage.how for stage in unknown.stages)


def test_a_cause_that_a_test_ruled_out_steers_nothing():
    sets = sets_with("hips-rise", "out of the hole", 0.8)
    known = findings(sets, CATALOGUE, "squat", "trained")
    causes = CATALOGUE.faults["hips-rise"].causes
    before = weaknesses(sets, known, CATALOGUE, no_signals, None)
    against = TestResult(causes[0], "against")

    def tested(fault):
        return rank_causes(CATALOGUE, fault.fault_id, [], [against])

    after = weaknesses(sets, known, CATALOGUE, tested, None)
    told = CATALOGUE.causes[causes[0]].text
    assert any(told[1:] in w.words for w in before)
    assert not any(told[1:] in w.words for w in after)
    everything = [TestResult(cause, "against") for cause in causes]
    none = weaknesses(
        sets, known, CATALOGUE,
        lambda fault: rank_causes(CATALOGUE, fault.fault_id, [], everything), None,
    )  # fmt: skip
    assert none == []


def test_a_cue_of_a_ruled_out_cause_is_not_offered_and_the_newest_test_counts():
    newest_first = [TestResult("quads-limit", "for"), TestResult("quads-limit", "against")]
    assert ruled_out_causes(newest_first) == frozenset()
    gone = ruled_out_causes(newest_first[::-1])
    assert gone == {"quads-limit"}
    fault = next(f for f, one in CATALOGUE.faults.items() if "quads-limit" in one.causes)
    kept = CATALOGUE.remedies_of(fault, gone)
    assert len(kept) < len(CATALOGUE.remedies_of(fault))


def test_holds_and_carries_are_told_in_seconds_and_metres():
    of = shipped_variations().by_name
    units = {name: v.set_of for name, v in of.items() if v.set_of}
    assert units == {"top holds": (15, "s"), "carries": (30, "m"), "pull against pins": (5, "s")}
    special = Special(of["carries"], 3, 30, None, (), "m")
    line = special_by_feel(special, "deadlift", "w01", 3)
    assert work_words(line) == "3 × 30 m"
    assert line.note == "by feel", "nobody leaves two metres"
    rows = Special(of["rows"], 3, 10, None, ())
    assert work_words(special_by_feel(rows, "deadlift", "w01", 3)) == "3 × 10"
    assert special_by_feel(rows, "deadlift", "w01", 3).note == "by feel, two reps left"
