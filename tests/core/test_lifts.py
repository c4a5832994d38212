"""Phases and prices have one value each, and everything that names them agrees."""

import numpy as np
import pytest

from pavrik.core.body.segments import make_body
from pavrik.core.competition_lifts import LIFTS
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.path import PHASES as WAY_UP
from pavrik.core.deadlift.start import start_report
from pavrik.core.deadlift.styles import usual_setup
from pavrik.core.faults.catalogue import PRICED, check_prices, shipped_catalogue
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.lifts.phases import computed_phases, phase_ids
from pavrik.core.squat.faults import OUT_OF_THE_HOLE
from pavrik.core.squat.phases import progress_at
from pavrik.core.squat.squat import SQUAT
from pavrik.core.variations.catalogue import shipped_variations
from pavrik.core.variations.loading import SQUAT_PHASES
from tests.core.plans import loadings

LIFTER = default_lifter(make_body("male", 83, 1.75))


def test_where_a_squat_is_judged_lies_in_its_phase():
    """Of the descent, an assumption: out of the hole 0.95 to 0.75, middle 0.75 to 0.35."""
    assert progress_at("bottom") == 1.0
    assert progress_at("out of the hole") == 0.85
    assert progress_at("middle") == 0.55
    assert progress_at("finish") < 0.35
    with pytest.raises(KeyError):
        progress_at("rack")


def test_everything_reads_the_one_list():
    phases = {lift.id: phase_ids(lift.phases) for lift in LIFTS.values()}
    assert dict(shipped_catalogue().phases) == phases
    assert computed_phases(DEADLIFT.phases) == WAY_UP
    assert set(SQUAT_PHASES) < set(computed_phases(SQUAT.phases))
    assert progress_at("out of the hole") in OUT_OF_THE_HOLE
    for one in shipped_variations().by_name.values():
        assert one.place is None or one.place in phases[one.lift], one.name


@pytest.mark.parametrize("style", ["conventional", "sumo", "trap_low", "block"])
def test_the_way_up_passes_every_phase_in_order(style):
    way = start_report(LIFTER, usual_setup(style), 100).path
    assert tuple(dict.fromkeys(way.phase)) == computed_phases(DEADLIFT.phases)
    assert np.all(np.diff(way.bar_height_m()) > -1e-9)


def test_a_variation_is_judged_where_its_phase_is():
    """Moved phases would move the use that specials are chosen by."""
    own = loadings("squat")[1]["competition"]
    use = [own.at(phase, "quads") for phase in SQUAT_PHASES]
    assert use[0] > use[2] > use[3], "the quads work hardest in the hole"
    for phase, row in zip(SQUAT_PHASES, own.utilization, strict=True):
        assert own.at(phase, "quads") == row[2]


def test_prices_and_catalogue_agree_both_ways():
    catalogue = shipped_catalogue()
    check_prices(catalogue)
    more = {lift: faults | {f"{lift}-new"} for lift, faults in PRICED.items()}
    with pytest.raises(ValueError, match="squat-new: the squat has a price for it, and the cat"):
        check_prices(catalogue, more)
    less = PRICED | {"deadlift": PRICED["deadlift"] - {"bar-away"}}
    with pytest.raises(ValueError, match="bar-away: the deadlift has no price"):
        check_prices(catalogue, less)


def test_what_has_no_price_says_what_to_watch():
    for fault in shipped_catalogue().faults.values():
        assert bool(fault.watch) == (fault.id not in PRICED[fault.lift]), fault.id
        assert not fault.watch.endswith(".")
