"""Learning ladders, the shelf, what time and goal make of a fit."""

from dataclasses import replace

import numpy as np
import pytest

from pavrik.core.deadlift.learning import learning_ladder as pull_ladder
from pavrik.core.fitting.fit import fit
from pavrik.core.fitting.goals import goal_scores
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.lifter.mobility import make_screens
from pavrik.core.lifter.schools import SquatSchools
from pavrik.core.lifts.rung import Rung, in_the_time, where_to_stand
from pavrik.core.squat.kinematics import lower_half
from pavrik.core.squat.learning import learning_ladder
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from pavrik.services.setups.goals import _on_the_ladder
from tests.core.bodies import DEFAULT_MAN

MAN = default_lifter(DEFAULT_MAN)
STIFF = replace(MAN, screens=make_screens(ankle_dorsiflexion_deg=8, neutral_closing_deg=108))
NO_SHELF = replace(MAN, screens=replace(MAN.screens, shelf="fails"))


@pytest.mark.parametrize("ladder", [learning_ladder, pull_ladder])
def test_a_body_that_reaches_everything_stands_on_every_rung(ladder):
    assert all(rung.ready for rung in ladder(MAN))
    assert where_to_stand(ladder(MAN))[1] is None


@pytest.mark.parametrize("ladder", [learning_ladder, pull_ladder])
def test_some_rung_is_open_to_every_body_and_every_closed_one_says_why(ladder):
    rungs = ladder(STIFF)
    assert rungs[0].ready
    assert not all(rung.ready for rung in rungs)
    assert all(rung.why for rung in rungs)
    stands, above = where_to_stand(rungs)
    assert rungs.index(above) > rungs.index(stands)


def test_advice_names_only_rungs_that_there_are():
    for lift, ladder in (
        (SQUAT, learning_ladder(STIFF)),
        (SQUAT, in_the_time(pull_ladder(STIFF), 2)),
    ):
        said = _on_the_ladder(lift, ladder)
        named = said.split("“")[1:]
        assert named
        assert all(part.split("”")[0] in {rung.name for rung in ladder} for part in named)


def test_without_time_the_barbell_waits():
    hasty = learning_ladder(MAN, weeks=3)
    assert [r.ready for r in hasty if r.barbell] == [False] * sum(r.barbell for r in hasty)
    assert all(r.ready for r in hasty if not r.barbell)
    assert learning_ladder(MAN, weeks=4) == learning_ladder(MAN)


def test_no_ladder_without_rungs():
    assert where_to_stand([Rung("one", False, False, "no")])[0] is None


def test_the_school_of_teaching_leaves_rungs_out():
    assert "front squat to full depth" not in {r.name for r in learning_ladder(MAN, "back")}
    assert [r.name for r in pull_ladder(MAN, "floor")] == [
        "hinge with a stick, own weight", "from the floor",
    ]  # fmt: skip


def test_a_bar_goes_low_only_on_a_shelf_that_holds():
    found = fit(SQUAT, NO_SHELF)
    assert {leader.setup.style for leader in found.leaders} == {"high", "front"}
    reasons = SQUAT.gates(NO_SHELF, SquatSetup("low", 0.44, 0.35))
    assert "does not rest on the back" in reasons[0]
    unscreened = replace(MAN, screens=replace(MAN.screens, shelf="not_screened"))
    assert "not screened" in SQUAT.gates(unscreened, SquatSetup("middle", 0.44, 0.35))[0]
    low = next(r for r in learning_ladder(NO_SHELF) if r.name.startswith("low bar"))
    assert not low.ready
    assert low.why == reasons[0]


def test_a_named_muscle_orders_set_ups_by_its_own_moment():
    setups = [SquatSetup(position, 0.44, 0.35) for position in ("low", "high", "front")]

    def first(target: str) -> str:
        scores = goal_scores(SQUAT, MAN, setups, {"muscle": 1.0}, (), target)
        return setups[int(np.argmax([score.total for score in scores]))].bar_position

    assert first("lower back") == "low"
    assert first("upper back") == "front"
    quads = [
        s.parts["muscle"] for s in goal_scores(SQUAT, MAN, setups, {"muscle": 1.0}, (), "quads")
    ]
    hips = [s.parts["muscle"] for s in goal_scores(SQUAT, MAN, setups, {"muscle": 1.0}, (), "hips")]
    assert quads != hips


def test_a_high_bar_may_break_at_the_knees_while_the_low_bar_does_not():
    both = replace(MAN, schools=SquatSchools(upright_break="knees_first"))
    same = replace(MAN, schools=SquatSchools())
    half = lower_half()[:1]
    for position, differs in (("low", False), ("high", True), ("front", True)):
        shanks = [
            SQUAT.kinematics.case(lifter, [SquatSetup(position, 0.44, 0.35)])
            .posture(np.full((1, 1, 1), 0.5), half)
            .legs.shank.item()
            for lifter in (both, same)
        ]
        assert (shanks[0] > shanks[1] + 0.02) is differs, position
