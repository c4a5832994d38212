import copy
import json
from importlib.resources import files

import pytest

from pavrik.core.body.segments import make_body
from pavrik.core.faults.catalogue import Remedy, parse_catalogue, shipped_catalogue
from pavrik.core.faults.expected import bow_m, is_expected
from pavrik.core.faults.rituals import cues_for
from pavrik.core.faults.schools import (
    check_choice,
    in_force,
    shipped_schools,
    silenced_faults,
    squat_schools,
)
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.squat.path_ladder import PLUMB_FROM_BODY_MASSES, path_ladder
from pavrik.core.squat.setup import SquatSetup

LONE_CAUSE = {"text": "", "test": "", "remedies": []}
DATA = json.loads(files("pavrik.core.faults").joinpath("catalogue.json").read_text())


def test_the_shipped_catalogue_is_whole():
    catalogue = shipped_catalogue()
    assert len(catalogue.faults) == 61
    assert {fault.lift for fault in catalogue.faults.values()} == {"squat", "deadlift"}


@pytest.mark.parametrize(
    ("damage", "words"),
    [
        (lambda d: d["faults"].append(d["faults"][0]), "stands twice"),
        (lambda d: d["faults"][0]["causes"].append("ghosts"), "no cause ghosts"),
        (lambda d: d["faults"][0]["phases"].append("lunch"), "no phase lunch"),
        (lambda d: d["faults"][0].update(causes=[]), "needs a phase and a cause"),
        (lambda d: d["causes"]["fear"]["remedies"].append("luck"), "no remedy luck"),
        (lambda d: d["causes"].update(alone=LONE_CAUSE), "reached by no"),
        (lambda d: d["remedies"].update(alone={"kind": "cue", "text": ""}), "helps no cause"),
        (lambda d: d["remedies"]["chalk"].update(kind="spell"), "no kind spell"),
    ],
)  # fmt: skip
def test_a_broken_catalogue_says_what_is_broken(damage, words):
    broken = copy.deepcopy(DATA)
    damage(broken)
    with pytest.raises(ValueError, match=words):
        parse_catalogue(broken)


def test_every_cause_has_a_test_and_a_remedy():
    for cause in shipped_catalogue().causes.values():
        assert cause.test
        assert cause.remedies


def test_schools_have_defaults_with_a_reason():
    for school in shipped_schools().values():
        assert len(school.positions) >= 2
        assert school.why_default


def test_a_lifters_choice_wins_over_the_clubs():
    chosen = in_force({"squat_width": "wide"}, {"squat_width": "moderate", "squat_balance": "bar"})
    assert chosen["squat_width"] == "moderate"
    assert squat_schools(chosen).balance == "bar"
    assert squat_schools({}).break_school == "together"


def test_following_a_school_silences_its_fault():
    assert "hips-first" in silenced_faults(in_force({"squat_break": "hips_first"}))
    assert "hips-first" not in silenced_faults(in_force({}))


@pytest.mark.parametrize(("question", "position"), [("diet", "x"), ("squat_width", "huge")])
def test_unknown_schools_are_refused(question, position):
    with pytest.raises(ValueError, match=r"no school|no position"):
        check_choice(question, position)


WITHOUT_CUES = {"hook-high", "old-injury", "shoes", "floor-unknown", "sweat", "feet-unmarked"}
"""Mended by hands, hooks, shoes, chalk or a clinician: no thought in the lift helps them."""


def test_every_cause_that_a_thought_can_mend_has_three_to_five_cues_of_both_aims():
    catalogue = shipped_catalogue()
    for cause in catalogue.causes.values():
        cues = [r for name in cause.remedies if (r := catalogue.remedies[name]).kind == "cue"]
        if cause.id in WITHOUT_CUES:
            assert not cues
            continue
        assert 3 <= len(cues) <= 6, (cause.id, len(cues))
        assert {cue.aim for cue in cues} == {"bar", "body"}, cause.id
        assert min(cue.level for cue in cues) == 1, cause.id
    texts = [r.text for r in catalogue.remedies.values()]
    assert len(texts) == len(set(texts))


def test_a_novice_hears_the_plain_cue_of_the_body_first_and_others_the_bars():
    remedies = [
        Remedy("a", "cue", "a", "bar", "drive", 2), Remedy("b", "cue", "b", "body", "drive", 1),
        Remedy("c", "drill", "c"), Remedy("d", "cue", "d", "bar", "drive", 1),
    ]  # fmt: skip
    assert [r.id for r in cues_for(remedies, novice=True)] == ["b", "d", "a"]
    assert [r.id for r in cues_for(remedies, novice=False)] == ["d", "a", "b"]


def test_a_bow_of_a_light_bar_is_no_fault_as_far_as_the_path_strays():
    assert is_expected("bar-forward", 1, 80.0, 83.0)
    assert not is_expected("bar-forward", 2, 80.0, 83.0), "clear drift is more than the bow"
    assert is_expected("bar-forward", 2, 40.0, 83.0), "so light a bar goes clearly forward"
    assert not is_expected("bar-forward", 3, 20.0, 83.0)
    assert not is_expected("bar-forward", 1, 83.0 * PLUMB_FROM_BODY_MASSES, 83.0)
    assert not is_expected("hips-rise", 1, 80.0, 83.0)


@pytest.mark.parametrize("position", ["high", "low"])
@pytest.mark.parametrize(
    "body",
    [("male", 83, 1.75), ("male", 120, 1.85), ("female", 50, 1.55), ("male", 70, 1.85)],
)
def test_the_bow_that_is_expected_is_that_of_the_computed_path(body, position):
    lifter = default_lifter(make_body(*body))
    for path in path_ladder(lifter, SquatSetup(position, 0.42, 0.35), body[1] * 1.0):
        assert bow_m(path.load_kg, body[1]) == pytest.approx(path.range_m, rel=0.125)
