"""How fast a pull is to be expected, phase by phase."""

import pytest

from pavrik.core.deadlift.path import deadlift_path, pace_by_phase, pace_words
from pavrik.core.deadlift.start import place_starts
from pavrik.core.deadlift.styles import usual_setup
from pavrik.core.lifter.lifter import default_lifter
from tests.core.bodies import DEFAULT_MAN


@pytest.fixture(scope="module")
def paths():
    man, found = default_lifter(DEFAULT_MAN), {}
    for style in ("conventional", "sumo"):
        placed = place_starts(man, [usual_setup(style)])[0]
        path = deadlift_path(placed.case, placed.posture.legs.shank)
        found[style] = path, placed.predicted_max_kg
    return found


def test_sumo_is_slow_off_the_floor_and_quick_at_the_knee(paths):
    """Common practice, no source."""
    pace = pace_by_phase(*paths["sumo"])
    assert pace["off the floor"] == "slow"
    assert pace["at the knee"] == "quick"
    assert pace_words(*paths["sumo"]).endswith("patience at the start")


def test_conventional_stays_slow_longer(paths):
    pace = pace_by_phase(*paths["conventional"])
    assert pace["below the knee"] == "slow"
    assert pace["at the knee"] != "slow"
    assert "patience" not in pace_words(*paths["conventional"])


def test_every_phase_that_is_judged_is_told_in_its_order(paths):
    path, load_kg = paths["conventional"]
    told = pace_words(path, load_kg)
    places = [told.index(phase) for phase in pace_by_phase(path, load_kg)]
    assert places == sorted(places)
