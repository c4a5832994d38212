"""The whole study of a lift: what is on record steers it, log or no log."""

from dataclasses import replace

import numpy as np
import pytest

from pavrik.core.body.segments import make_body
from pavrik.core.deadlift.styles import usual_setup
from pavrik.core.faults.catalogue import shipped_catalogue
from pavrik.core.fitting.fault_cost import one_leg_share
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.log.onset import fit_onset
from pavrik.core.log.training_set import COMPETITION, TrainingSet
from pavrik.core.prescription.analysis import LiftFacts, analyse_lift
from pavrik.core.prescription.choice import Circumstances
from pavrik.core.prescription.plan import make_plan
from pavrik.core.variations.catalogue import shipped_variations
from tests.core.plans import ASK, GYM, a_state

MAN = default_lifter(make_body("male", 83, 1.75))
KIT = frozenset({"trap bar", "blocks", "step", "box", "pins", "safety bar", "leg machine"})
SETS = [
    TrainingSet(f"s{i}", f"2026-10-{i + 1:02d}", 180.0, 5, 8.0, aimed_rpe=8.0) for i in range(6)
]


def studied(*hurts: str, sets=SETS):
    variations = shipped_variations().of("deadlift")
    facts = LiftFacts("deadlift", MAN, usual_setup("conventional"), sets)
    return analyse_lift(
        facts, variations, shipped_catalogue(), Circumstances(KIT, hurts), lambda _: [],
        "2026-10-08",
    )  # fmt: skip


def test_a_sore_lower_back_spares_the_second_pull_whatever_the_log_says():
    sore, sound = studied("lower back"), studied()
    assert sore.state.tired_back
    assert not sound.state.tired_back
    assert not studied("knee").state.tired_back

    def second_pulls(study) -> set[str]:
        states = {"squat": a_state(), "deadlift": study.state}
        plan = make_plan(replace(ASK, weeks=4), states, GYM)
        return {x.variation for x in plan.lines() if x.lift == "deadlift" and x.kind == "second"}

    assert COMPETITION not in second_pulls(sore)
    assert COMPETITION in second_pulls(sound)


def test_a_tired_log_is_not_a_tired_back_where_something_else_limits():
    """A falling trend tires what limits the lift; only a limiting back is a tired back."""
    falling = [replace(s, load_kg=180.0 - 8 * i) for i, s in enumerate(SETS)]
    study = studied(sets=falling)
    assert study.loadings[COMPETITION].limiter == "hips"
    assert not study.state.tired_back
    assert study.state.proposals, "a lighter week is proposed all the same"


def test_what_was_never_logged_is_studied_at_an_assumed_max():
    study = studied(sets=[])
    assert not study.max_is_known
    assert study.max_kg > 83
    assert studied().max_is_known


@pytest.mark.parametrize(("heaviest", "ends"), [(0.95, 1.0), (1.04, 1.04)])
def test_the_curve_of_an_onset_ends_at_the_max_or_what_was_lifted(heaviest, ends):
    share = np.linspace(0.6, heaviest, 40)
    curve = fit_onset(share, share > 0.85).curve
    assert curve[0][0] == pytest.approx(0.6)
    assert curve[-1][0] == pytest.approx(ends)
    chances = [middle for _, middle, _, _ in curve]
    assert chances == sorted(chances)
    assert all(low <= middle <= high for _, middle, low, high in curve)


@pytest.mark.parametrize(
    ("shift_m", "stance_m", "share"), [(0.0, 0.4, 0.5), (0.04, 0.4, 0.6), (0.3, 0.4, 1.0)]
)
def test_what_one_leg_bears_off_the_middle(shift_m, stance_m, share):
    """A lever: half, and the shift over the stance; never more than all."""
    assert one_leg_share(shift_m, stance_m) == pytest.approx(share)
