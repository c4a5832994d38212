"""Causes weighed by evidence, the floor questions, turns, and a coach's own catalogue."""

from dataclasses import replace

import pytest

from pavrik.core.faults.catalogue import shipped_catalogue
from pavrik.core.faults.evidence import SIGNALS, Signal, TestResult, rank_causes, shipped_evidence
from pavrik.core.faults.findings import cue_trials, findings, setup_trial, technique_cap
from pavrik.core.faults.log_signals import signals_of_fault
from pavrik.core.faults.off_the_floor import FloorFacts, floor_walk
from pavrik.core.faults.own import OwnEntry, merged
from pavrik.core.log.training_set import LoggedFault, TrainingSet
from pavrik.core.prescription.turns import Turn, turn_order

CATALOGUE = shipped_catalogue()


def squat(
    number: int, load: float, reps: int = 5, faulty=(), fault="hips-rise", **more
) -> TrainingSet:
    day = f"2026-{1 + number // 28:02d}-{1 + number % 28:02d}"
    faults = tuple(
        LoggedFault("hips-rise", "Hips rise", rep, 2, "out of the hole") for rep in faulty
    )
    return TrainingSet(f"set {number}", day, load, reps, 8.0, faults=faults, **more)


def test_every_cause_with_a_measurable_sign_has_evidence():
    without = set(CATALOGUE.causes) - set(shipped_evidence())
    assert without == {"hook-high", "floor-unknown", "chest-cue-overdone", "knees-soft"}
    used = {signal for weights in shipped_evidence().values() for signal in weights}
    assert used <= set(SIGNALS)


def test_evidence_moves_the_cause_that_it_speaks_for():
    plain = rank_causes(CATALOGUE, "hips-rise", [])
    assert {cause.standing for cause in plain} == {"possible"}
    signals = [
        Signal("quads_limit", True, "the quads limit"),
        Signal("upper_back_limit", False, "the upper back does not"),
        Signal("at_any_load", False, "clean when light"),
    ]
    ranked = rank_causes(CATALOGUE, "hips-rise", signals)
    assert ranked[0].cause_id == "quads-limit"
    assert ranked[0].standing == "likely"
    assert "the quads limit" in ranked[0].for_it
    back = next(c for c in ranked if c.cause_id == "upper-back-gives")
    assert "the upper back does not" in back.against_it


def test_a_signal_nobody_knows_moves_nothing():
    unknown = [Signal(name, None, "?") for name in SIGNALS]
    assert {c.score for c in rank_causes(CATALOGUE, "knees-in", unknown)} == {0.0}


def test_the_newest_test_result_counts_and_outweighs_the_signals():
    signals = [Signal("quads_limit", True, "x"), Signal("high_bar_low", True, "y")]
    tests = [TestResult("quads-limit", "against"), TestResult("quads-limit", "for")]
    ranked = rank_causes(CATALOGUE, "hips-rise", signals, tests)
    assert ranked[-1].cause_id == "quads-limit"
    assert ranked[-1].standing == "ruled out"


SMALL = FloorFacts(
    attempt_kg=205, best_single_kg=200, squat_kg=180, pull_kg=205, knee_flexion_deg=45,
    legs_limit=False, rebound_share=0.1, wait_light_s=3, wait_heavy_s=3.2, all_out_before=False,
)  # fmt: skip


def but(**changes) -> FloorFacts:
    return FloorFacts(**{**vars(SMALL), **changes})


@pytest.mark.parametrize(
    ("facts", "likely"),
    [
        (but(attempt_kg=225), "heavy"),
        (but(attempt_kg=208), "heavy"),
        (but(pull_kg=290, knee_flexion_deg=70), "legs"),
        (but(rebound_share=0.8), "pattern"),
        (but(rebound_gap=0.06), "pattern"),
        (but(wait_heavy_s=8), "fear"),
        (but(old_injury=True), "fear"),
        (but(all_out_before=True), "fatigue"),
        (SMALL, None),
    ],
)
def test_the_floor_questions_find_the_branch(facts, likely):
    assert floor_walk(facts).likely == likely


def test_a_back_puller_who_misses_a_small_step_goes_to_fear_and_fatigue_first():
    assert [s.id for s in floor_walk(SMALL).steps] == [
        "heavy",
        "fear",
        "fatigue",
        "pattern",
        "legs",
    ]
    legs_first = floor_walk(but(pull_kg=290, knee_flexion_deg=70))
    assert [s.id for s in legs_first.steps][:2] == ["heavy", "legs"]


def test_nothing_known_asks_instead_of_guessing_and_pain_stops():
    empty = floor_walk(FloorFacts())
    assert empty.likely is None
    assert empty.verdict.startswith("not clear yet")
    hurt = floor_walk(but(hurts=("lower back",)))
    assert hurt.stop
    assert "licensed clinician" in hurt.verdict


def test_the_walk_names_only_remedies_that_exist():
    for step in floor_walk(SMALL).steps:
        assert set(step.remedies) <= set(CATALOGUE.remedies)


def test_turns_change_the_height_as_rarely_as_the_plates_allow():
    turns = [
        Turn("a", "A", 14, 100.0), Turn("b", "B", 12, 140.0), Turn("c", "C", 14, 80.0),
        Turn("d", "D", 12, None), Turn("e", "E", None, 180.0),
    ]  # fmt: skip
    assert [t.lifter_id for t in turn_order(turns)] == ["e", "b", "d", "c", "a"]


def _log() -> list[TrainingSet]:
    sets = []
    for n in range(40):
        heavy = n % 2 == 0
        sets.append(squat(n, 150.0 if heavy else 100.0, 5, (4, 5) if heavy else ()))
    return sets


def test_the_log_says_that_it_comes_late_and_with_load():
    known = findings(_log(), CATALOGUE, "squat", "trained")
    signals = {s.id: s for s in signals_of_fault(_log(), known.faults[0])}
    assert signals["comes_with_load"].holds
    assert signals["at_any_load"].holds is False
    assert signals["late_reps"].holds
    assert signals["first_reps"].holds is False
    assert signals["one_side"].holds is None


def test_only_faults_of_the_back_cap_technique_work():
    assert findings(_log(), CATALOGUE, "squat", "trained").cap is None
    assert technique_cap(_log(), CATALOGUE, "trained") is None
    assert technique_cap([], CATALOGUE, "trained") is None
    rounding = [
        TrainingSet(s.set_id, s.day, s.load_kg, s.reps, s.rpe, faults=tuple(
            LoggedFault("upper-round", "Upper back rounds", f.rep, 2, f.phase) for f in s.faults))
        for s in _log()
    ]  # fmt: skip
    cap = findings(rounding, CATALOGUE, "squat", "trained").cap
    assert cap is not None
    assert 100 < cap.load_kg < 150


def test_a_cue_that_works_is_said_to_have_helped():
    before = [squat(n, 150, 5, (3, 4, 5)) for n in range(12)]
    after = [
        squat(n + 12, 150, 5, (5,) if n % 6 == 0 else (), cue="chest-and-hips") for n in range(12)
    ]
    trial = next(t for t in cue_trials(before + after, CATALOGUE, ["chest-and-hips"], "trained"))
    assert trial.comparison.outcome == "helped"
    assert trial.comparison.before == (36, 60)
    settled = setup_trial(
        before + after, CATALOGUE, "the new stance", after[0].day, None, "trained"
    )
    assert settled[0].comparison.outcome == "helped"


def test_a_cue_is_judged_whatever_else_is_in_the_log():
    """Cues that nobody tried or knows, and faults that the cue is not for or the catalogue does
    not know, are passed over and stop nothing."""
    others = (
        LoggedFault("a-fault-no-longer-known", "Gone", 1, 1, "set"),
        LoggedFault("dive", "Dive", 1, 1, "descent"),
    )
    before = [squat(n, 150, 5, (3, 4, 5)) for n in range(12)]
    after = [squat(n + 12, 150, 5, (5,), cue="chest-and-hips") for n in range(12)]
    mixed = [replace(s, faults=(*others, *s.faults)) for s in (*before, *after)]
    cues = ["screw-feet", "no-such-cue", "chest-and-hips"]
    told = [t.comparison.before for t in cue_trials(mixed, CATALOGUE, cues, "trained")]
    assert told == [(36, 60)]
    assert cue_trials(mixed, CATALOGUE, ["chest-and-hips"] * 2, "trained") == cue_trials(
        mixed, CATALOGUE, cues, "trained"
    )


def test_a_cue_meant_for_another_fault_is_not_credited():
    sets = [squat(n, 150, 5, (5,), cue="stand-tall") for n in range(12)]
    assert cue_trials(sets, CATALOGUE, ["stand-tall"], "trained") == []


def test_own_entries_join_the_shipped_ones_and_leave_them_alone():
    own = [
        OwnEntry("cause", "own-shoes", {"text": "Shoes", "test": "Flat shoes",
                                        "remedies": ["flat-shoes"], "faults": ["heels-up"]}),
        OwnEntry("fault", "dive", None, hidden=True),
    ]  # fmt: skip
    catalogue = merged(own)
    assert "own-shoes" in catalogue.faults["heels-up"].causes
    assert "own-shoes" not in shipped_catalogue().faults["heels-up"].causes
    assert catalogue.hidden == {"dive"}
    assert catalogue.name_of("dive") == "Dive", "old logs keep the name"


@pytest.mark.parametrize(
    ("entry", "words"),
    [
        (OwnEntry("cause", "own-x", {"text": "x"}), "also needs faults, remedies, test"),
        (OwnEntry("remedy", "own-x", {"kind": "cue", "text": "x", "causes": ["fear"]}),
         "a cue says what it is for"),
        (OwnEntry("remedy", "own-x", {"kind": "drill", "text": "x", "causes": ["ghost"]}),
         "no cause ghost"),
        (OwnEntry("fault", "mine", {"lift": "squat", "name": "x", "seen": "x",
                                    "phases": ["set"], "causes": ["fear"]}),
         "begin with own-"),
        (OwnEntry("fault", "own-x", {"lift": "press", "name": "x", "seen": "x",
                                     "phases": ["set"], "causes": ["fear"]}), "no lift press"),
        (OwnEntry("remedy", "own-x", {"kind": "drill", "text": "x", "causes": [], "price": 3}),
         "has no price"),
    ],
)  # fmt: skip
def test_a_broken_own_entry_says_what_is_missing(entry, words):
    with pytest.raises(ValueError, match=words):
        merged([entry])


def test_what_is_seen_once_a_set_is_compared_by_the_set():
    """A cue against a long walk-out: eight sets before, eight after, not forty reps."""
    walks = LoggedFault("long-walkout", "Long walk-out", 1, 2, "walk-out")
    cue = next(r.id for r in CATALOGUE.remedies_of("long-walkout") if r.kind == "cue")
    sets = [
        TrainingSet(f"s{i}", f"2026-10-{i + 1:02d}", 100.0, 5, 7.5,
                    faults=(walks,) if i < 8 else (), cue=cue if i >= 8 else None)
        for i in range(16)
    ]  # fmt: skip
    (trial,) = cue_trials(sets, CATALOGUE, [cue], "trained")
    assert (trial.comparison.before, trial.comparison.after) == ((8, 8), (0, 8))
    assert "8 of 8 sets before" in trial.comparison.words(trial.counted)
