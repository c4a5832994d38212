"""What pauses, tempo and deficits are for shows: time in a position, and way."""

import pytest

from pavrik.core.deadlift.styles import usual_setup
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.variations.catalogue import shipped_variations
from pavrik.core.variations.gains import PASSING_S, gains, time_share, way_share
from pavrik.core.variations.goals import goal_share
from pavrik.core.variations.loading import COMPETITION, PLACES
from tests.core.bodies import DEFAULT_MAN

MAN = default_lifter(DEFAULT_MAN)
SETUPS = {"squat": SquatSetup("low", 0.48, 0.35), "deadlift": usual_setup("conventional")}


@pytest.fixture(scope="module")
def loadings():
    found = {}
    for lift, setup in SETUPS.items():
        of_lift = [v for v in shipped_variations().of(lift) if v.knob is not None]
        ratios = [v.ratio[0] for v in of_lift]
        made = PLACES[lift](MAN, setup, of_lift).at(170.0, ratios)
        found |= {(lift, loading.name): loading for loading in made}
    return found


def of(loadings, name):
    variation = shipped_variations().by_name[name]
    own = loadings[variation.lift, COMPETITION]
    return variation, loadings[variation.lift, name], own


def test_a_pause_gains_time_and_no_way(loadings):
    variation, pause, own = of(loadings, "pause squat")
    assert time_share(variation) == pytest.approx(1 + 2 / PASSING_S)
    assert way_share(pause, own) == pytest.approx(1.0)
    assert gains(variation, pause, own) == ["2 s held at bottom: 2.3 times the time there"]


def test_a_deficit_gains_the_way_that_it_stands_lower(loadings):
    variation, deficit, own = of(loadings, "deficit deadlift")
    assert deficit.way_m - own.way_m == pytest.approx(0.04, abs=0.003)
    assert "4 cm more way" in gains(variation, deficit, own)[0]


def test_blocks_and_boxes_lose_way(loadings):
    for name, less_m in (("block pull", 0.10), ("box squat", 0.03)):
        _, higher, own = of(loadings, name)
        assert own.way_m - higher.way_m == pytest.approx(less_m, abs=0.01), name


def test_sumo_travels_less_than_conventional(loadings):
    _, sumo, own = of(loadings, "sumo deadlift")
    assert sumo.way_m < own.way_m


def test_time_and_way_count_for_muscle_and_for_nothing_else(loadings):
    variation, pause, own = of(loadings, "pause squat")
    for goal in ("muscle", "competition", "sport"):
        plain = goal_share(pause, own, goal).share
        told = goal_share(pause, own, goal, time_share(variation)).share
        assert (told > plain) is (goal == "muscle"), goal


def test_romanian_and_good_morning_end_at_something_that_a_body_has(loadings):
    for name, limiters in (("Romanian deadlift", {"lats", "hips", "lower_back"}),
                           ("good morning", {"lower_back", "upper_back", "hips"})):  # fmt: skip
        assert of(loadings, name)[1].limiter in limiters
