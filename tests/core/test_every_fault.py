"""Every fault of the catalogue leads to something in the plan, walked from fault to plan."""

from dataclasses import replace
from datetime import date, timedelta
from functools import cache

import pytest

from pavrik.core.body.segments import make_body
from pavrik.core.deadlift.styles import usual_setup
from pavrik.core.faults.catalogue import shipped_catalogue
from pavrik.core.faults.evidence import TestResult, rank_causes
from pavrik.core.faults.findings import findings
from pavrik.core.faults.rituals import checks_of
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.log.training_set import COMPETITION, LoggedFault, TrainingSet
from pavrik.core.prescription.analysis import LiftFacts, analyse_lift, computed_of
from pavrik.core.prescription.caps import rep_cap_of
from pavrik.core.prescription.choice import Circumstances
from pavrik.core.prescription.plan import make_plan
from pavrik.core.squat.closed import closed_because
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.variations.catalogue import shipped_variations
from pavrik.core.variations.loading import PLACES
from tests.core.plans import ASK, GYM, KIT

CATALOGUE = shipped_catalogue()
LIFTER = default_lifter(make_body("male", 83, 1.75))
SETUPS = {"squat": SquatSetup("low", 0.42, 0.35), "deadlift": usual_setup("conventional")}
TODAY = date(2026, 11, 27)
SEEN = 8


def log_of(fault_id: str | None, lift: str) -> list[TrainingSet]:
    """Eight days of fives at a middling effort, the fault in the last rep of each."""
    seen: tuple[LoggedFault, ...] = ()
    if fault_id is not None:
        fault = CATALOGUE.faults[fault_id]
        seen = (LoggedFault(fault_id, fault.name, 5, 1, fault.phases[0]),)
    kg = 140.0 if lift == "squat" else 170.0
    return [
        TrainingSet(
            f"s{i}", str(TODAY - timedelta(days=3 * (SEEN - i))), kg, 5, 7.5, faults=seen,
            aimed_rpe=7.5,
        )
        for i in range(SEEN)
    ]  # fmt: skip


@cache
def placed(lift: str):
    """The variations of a lift, which no log changes."""
    return PLACES[lift](LIFTER, SETUPS[lift], computed_of(shipped_variations().of(lift)))


def study_of(fault_id: str | None, lift: str, tests: tuple[TestResult, ...] = (), passed=()):
    def causes_of(found):
        return rank_causes(CATALOGUE, found.fault_id, [], tests)

    ruled_out = frozenset(t.cause_id for t in tests if t.result == "against")
    checks = checks_of([(fault_id, ruled_out)] if fault_id else [], CATALOGUE)
    facts = LiftFacts(
        lift, LIFTER, SETUPS[lift], log_of(fault_id, lift), checks=tuple(checks),
        passed=frozenset(passed), load_all=placed(lift).at, closed="",
    )  # fmt: skip
    return analyse_lift(
        facts, shipped_variations().of(lift), CATALOGUE, Circumstances(frozenset(KIT)), causes_of,
        TODAY.isoformat(),
    )  # fmt: skip


def plan_of(fault_id: str | None, lift: str, tests: tuple[TestResult, ...] = (), passed=()):
    state = study_of(fault_id, lift, tests, passed).state
    return make_plan(replace(ASK, start=TODAY, meet=None), {lift: state}, GYM)


@cache
def usual_plan_of(lift: str):
    """The plan of the same log without a fault."""
    return plan_of(None, lift)


def told_by(plan) -> set[str]:
    """Everything that a plan asks for, without loads."""
    told = {f"check: {check}" for day in plan.days() for check in day.checks}
    told |= {f"task: {one.text}" for one in plan.proposals}
    told |= {f"{x.kind}: {x.variation}" for x in plan.lines() if x.kind in ("drill", "special")}
    told |= {
        f"held: {reason.text}"
        for x in plan.lines()
        for reason in x.reasons
        if x.kind in ("main", "second") and any(f.startswith("fault:") for f in reason.facts)
    }
    return told


def test_the_lifter_of_these_tests_can_squat():
    assert closed_because(LIFTER, SETUPS["squat"]) == ""


@pytest.mark.parametrize("fault_id", sorted(CATALOGUE.faults))
def test_a_fault_seen_eight_times_changes_the_plan_or_gives_a_cue(fault_id):
    lift = CATALOGUE.faults[fault_id].lift
    new = told_by(plan_of(fault_id, lift)) - told_by(usual_plan_of(lift))
    cues = [r for r in CATALOGUE.remedies_of(fault_id) if r.kind == "cue"]
    assert new or cues


@pytest.mark.parametrize("fault_id", sorted(CATALOGUE.faults))
def test_what_tests_ruled_out_steers_nothing(fault_id):
    """With every cause ruled out the plan is the one without the fault, but for what the load of a
    back fault holds."""
    fault = CATALOGUE.faults[fault_id]
    tests = tuple(TestResult(cause, "against") for cause in fault.causes)
    new = told_by(plan_of(fault_id, fault.lift, tests)) - told_by(usual_plan_of(fault.lift))
    assert not {one for one in new if not one.startswith(("held:", "special:"))}


@pytest.mark.parametrize(
    ("fault_id", "cause_id"),
    [(fault.id, cause) for fault in CATALOGUE.faults.values() for cause in fault.causes[:1]],
)
def test_a_confirmed_cause_steers_alone(fault_id, cause_id):
    lift = CATALOGUE.faults[fault_id].lift
    plan = plan_of(fault_id, lift, (TestResult(cause_id, "for"),))
    others = {c for c in CATALOGUE.faults[fault_id].causes if c != cause_id}
    words = {CATALOGUE.causes[c].text.lower() for c in others}
    reasons = [r.text for x in plan.lines() for r in x.reasons] + [p.text for p in plan.proposals]
    told = " ".join(reasons).lower()
    assert not any(f"likely: {text}" in told or f"possible: {text}" in told for text in words)


def test_a_drill_that_was_passed_leaves_the_plan():
    def drills(passed):
        plan = plan_of("high", "squat", (TestResult("fear-of-depth", "for"),), passed)
        return {x.variation for x in plan.lines() if x.kind == "drill"}

    assert "depth box" in drills(())
    assert "depth box" not in drills(("depth box",))


def mains_of(plan):
    return [x for x in plan.lines() if x.kind == "main"]


def test_a_back_that_rounds_late_in_the_set_shortens_the_sets_and_not_the_load():
    """The fault is in rep 5 of every five, the four before are clean."""
    plan, usual = plan_of("low-round", "deadlift"), usual_plan_of("deadlift")
    assert max(x.reps for x in mains_of(plan)) == 4
    assert any("sets end at 4" in r.text for x in mains_of(plan) for r in x.reasons)
    for short, long in zip(mains_of(plan), mains_of(usual), strict=True):
        if long.reps > 4:
            assert short.load_kg == pytest.approx(long.load_kg, rel=0.035)
            assert short.sets >= long.sets


def test_a_second_day_ends_its_sets_there_too():
    seconds = [x for x in plan_of("low-round", "deadlift").lines() if x.kind == "second"]
    assert seconds
    assert max(x.reps for x in seconds if x.variation == COMPETITION) <= 4


def test_another_fault_late_in_the_set_shortens_nothing():
    assert max(x.reps for x in mains_of(plan_of("lean-back", "deadlift"))) > 4


@pytest.mark.parametrize("fault_id", ["arms-bent", "bar-swings", "trap-roll", "rip", "toes-heavy"])
def test_nothing_is_chosen_because_it_is_held_where_a_fault_shows(fault_id):
    """A special serves a cause: the place alone chooses none."""
    lift = CATALOGUE.faults[fault_id].lift
    new = told_by(plan_of(fault_id, lift)) - told_by(usual_plan_of(lift))
    assert not {one for one in new if one.startswith("special:")}


def test_a_fault_that_no_strength_mends_leaves_the_limiters_work_in_place():
    for fault_id in ("rack-high", "off-centre", "waits"):
        lift = CATALOGUE.faults[fault_id].lift
        assert not told_by(usual_plan_of(lift)) - told_by(plan_of(fault_id, lift))


def test_a_back_that_rounds_from_the_first_rep_shortens_no_set():
    """Early reps are no cleaner than the late ones: that is no breakdown late in the set."""
    fault = CATALOGUE.faults["low-round"]
    every = tuple(LoggedFault(fault.id, fault.name, r, 1, fault.phases[0]) for r in range(1, 6))
    log = [replace(s, faults=every) for s in log_of(None, "deadlift")]
    assert rep_cap_of(findings(log, CATALOGUE, "deadlift", "trained")) is None
    late = findings(log_of("low-round", "deadlift"), CATALOGUE, "deadlift", "trained")
    assert rep_cap_of(late).reps == 4


@pytest.mark.parametrize("fault_id", ["loose-brace", "hips-shoot", "upper-round", "low-round"])
def test_what_serves_little_is_support_work_only(fault_id):
    """A weak reason (a score below a quarter) buys no barbell work."""
    choice = study_of(fault_id, CATALOGUE.faults[fault_id].lift).choice
    weak = [c.name for c in choice.considered if c.chosen and c.score < 0.25]
    assert weak
    assert {shipped_variations().by_name[name].role for name in weak} == {"support"}
