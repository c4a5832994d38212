"""Every position of every school changes something that a coach can see, and the page says what."""

import pytest

from pavrik.core.body.segments import make_body
from pavrik.core.deadlift.learning import learning_ladder as pull_ladder
from pavrik.core.faults.catalogue import shipped_catalogue
from pavrik.core.faults.schools import (
    deadlift_schools,
    sent_sets_count,
    shipped_schools,
    silenced_faults,
    squat_schools,
)
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.prescription.choice import Circumstances, Weakness, choose
from pavrik.core.squat.learning import learning_ladder as squat_ladder
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.variations.ratio import learn_ratio
from pavrik.services.setups.card import grip_advice
from tests.core.plans import KIT, loadings

SCHOOLS = shipped_schools()
LADDERS = {"squat_teaching": squat_ladder, "pull_teaching": pull_ladder}
MAN = default_lifter(make_body("male", 83, 1.75))
POSITIONS = [
    (school.id, position.id) for school in SCHOOLS.values() for position in school.positions[1:]
]
WEAK = (
    Weakness("weak from the floor", "off the floor", "quads", frozenset({"trap bar, low"})),
    Weakness("hips shoot up", "off the floor", None, frozenset({"pause deadlift"})),
    Weakness("the grip gives", "lockout", "grip", frozenset({"top holds"})),
)


def scores(chosen):
    variations, computed = loadings("deadlift")
    ratios = {v.name: learn_ratio(v.ratio, []) for v in variations if v.ratio}
    about = Circumstances(frozenset(KIT), schools=chosen)
    found = choose(variations, computed, ratios, WEAK, about)
    return {c.name: round(c.score, 9) for c in found.considered}


def seen(question, position):
    """What a coach can see of a position: faults, cue, model, grip, ladder, choice."""
    chosen = {question: position}
    of = next(p for p in SCHOOLS[question].positions if p.id == position)
    ladder = LADDERS[question](MAN, position) if question in LADDERS else []
    setup = SquatSetup("low", 0.42, 0.35)
    grip = grip_advice(MAN, setup, 0.8, position) if question == "squat_hands" else None
    return {
        "faults": silenced_faults(chosen), "cue": of.cue, "squat": squat_schools(chosen),
        "pull": deadlift_schools(chosen), "ladder": ladder, "grip": grip,
        "choice": scores(chosen), "sent": sent_sets_count(chosen),
    }  # fmt: skip


@pytest.mark.parametrize(("question", "position"), POSITIONS)
def test_a_position_changes_something_and_the_page_says_what(question, position):
    school = SCHOOLS[question]
    usual, other = seen(question, school.default), seen(question, position)
    changed = {what for what in usual if usual[what] != other[what]}
    assert changed, f"{question}: {position} is the same as {school.default}"
    model = changed - {"faults", "cue"}
    assert bool(model) <= bool(school.alters), f"{question} alters {model} and says nothing of it"
    if "faults" in changed:
        assert "whether these count" in school.switches
    if "cue" in changed:
        assert "a cue" in school.switches


@pytest.mark.parametrize("school", SCHOOLS.values(), ids=lambda s: s.id)
def test_what_a_school_claims_to_alter_some_position_does(school):
    if not school.alters:
        return
    usual = seen(school.id, school.default)
    others = [seen(school.id, p.id) for p in school.positions[1:]]
    model = {w for o in others for w in o if w not in ("faults", "cue") and o[w] != usual[w]}
    assert model, f"{school.id} claims {school.alters}"


def test_the_words_name_the_faults_that_are_silenced():
    told = SCHOOLS["squat_depth"].switches
    for fault in ("high", "too-deep"):
        assert shipped_catalogue().name_of(fault).lower() in told


def test_training_the_muscle_puts_positions_behind_strength():
    usual, muscle = scores({}), scores({"weak_point": "muscle"})
    assert muscle["pause deadlift"] < 0.6 * usual["pause deadlift"]
    assert muscle["trap bar, low"] == usual["trap bar, low"]


def test_a_trap_bar_for_now_and_then_and_a_grip_that_is_trained():
    usual = scores({})
    assert scores({"trap_bar": "occasional"})["trap bar, low"] < usual["trap bar, low"]
    assert scores({"grip_aid": "train"})["top holds"] > usual["top holds"] > 0
