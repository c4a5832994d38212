"""Isolated tests: their statics, and what they teach of a muscle that no lift shows."""

from dataclasses import replace

import numpy as np
import pytest

from pavrik.core.assumptions import DEFAULT
from pavrik.core.body.masses import SEGMENT_MASSES
from pavrik.core.body.segments import make_body
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.styles import usual_setup
from pavrik.core.fitting.known_bests import KnownBest, strengths_from
from pavrik.core.fitting.sampling import Ask, intervals, sample
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from pavrik.core.strength.capacities import GROUPS, KNEE_SIDEWAYS_NM, knee_sideways_nm
from pavrik.core.strength.isolated_tests import ISOLATED_TESTS, KnownTest, asked_nm, held_nm
from pavrik.core.units import GRAVITY_M_S2
from tests.core.bodies import DEFAULT_MAN

MAN = default_lifter(DEFAULT_MAN)
BESTS = [
    KnownBest(SQUAT, SquatSetup("low", 0.48, 0.4), 170.0),
    KnownBest(DEADLIFT, usual_setup("conventional"), 195.0),
]


def known(test_id: str, share: float) -> KnownTest:
    """A test in which the man is so many times as strong as assumed."""
    test = ISOLATED_TESTS[test_id]
    held = float(held_nm(MAN.capacities, [KnownTest(test, 1.0)], DEFAULT)[0, 0]) * share
    empty, one = (test.moment_nm(DEFAULT_MAN, kg, DEFAULT) for kg in (0.0, 1.0))
    return KnownTest(test, (held - empty) / (one - empty))


def test_a_bridge_by_its_free_body():
    """A massless bridge: the bar's weight goes to shoulders and feet by their levers."""
    light = replace(DEFAULT_MAN, mass_kg=1e-9)
    trunk, thigh = DEFAULT_MAN.trunk_m, DEFAULT_MAN.thigh_m
    at_feet = 100 * GRAVITY_M_S2 * trunk / (trunk + thigh)
    asked = ISOLATED_TESTS["hip_thrust"].moment_nm(light, 100.0, DEFAULT)
    assert asked == pytest.approx(at_feet * thigh)


@pytest.mark.parametrize("sex", ["male", "female"])
@pytest.mark.parametrize("load_kg", [0.0, 120.0])
def test_a_bridge_asks_the_same_of_the_hips_from_either_side(sex, load_kg):
    """The hips' moment is told from the feet; here it is from the shoulders, which is the same in
    equilibrium."""
    body, masses = make_body(sex, 70, 1.72), SEGMENT_MASSES[sex]
    trunk, thigh, mass = body.trunk_m, body.thigh_m, body.mass_kg
    placed = [(share * mass, (1 - place) * trunk) for share, place in masses.trunk]
    placed += [
        (masses.thighs * mass, trunk + masses.thigh_centre_from_hip * thigh),
        ((masses.shanks + masses.feet) * mass, trunk + thigh),
        (load_kg, trunk),
    ]
    at_feet = sum(kg * x for kg, x in placed) / (trunk + thigh)
    at_shoulders = sum(kg for kg, _ in placed) - at_feet
    of_trunk = sum(kg * (trunk - x) for kg, x in placed if x < trunk)
    from_shoulders = GRAVITY_M_S2 * (at_shoulders * trunk - of_trunk)
    asked = ISOLATED_TESTS["hip_thrust"].moment_nm(body, load_kg, DEFAULT)
    assert asked == pytest.approx(from_shoulders)


def test_head_arms_and_trunk_each_count_by_their_lever_in_a_back_extension():
    back, masses = ISOLATED_TESTS["back_extension"].moment_nm, SEGMENT_MASSES[DEFAULT_MAN.sex]
    mass, trunk = DEFAULT_MAN.mass_kg, DEFAULT_MAN.trunk_m
    own = back(DEFAULT_MAN, 0.0, DEFAULT)
    longer = replace(DEFAULT_MAN, head_neck_m=DEFAULT_MAN.head_neck_m + 0.1)
    of_head = GRAVITY_M_S2 * masses.head * mass * DEFAULT.head_centre * 0.1
    assert back(longer, 0.0, DEFAULT) - own == pytest.approx(of_head)
    higher = replace(DEFAULT, lumbar_cut=DEFAULT.lumbar_cut + 0.01)
    above = [share for share, place in masses.trunk if place > higher.lumbar_cut]
    moved = GRAVITY_M_S2 * mass * (sum(above) + masses.head + masses.arms) * 0.01 * trunk
    assert own - back(DEFAULT_MAN, 0.0, higher) == pytest.approx(moved)


def test_an_own_trunk_counts_in_a_back_extension_and_not_in_the_others_legs():
    back = ISOLATED_TESTS["back_extension"].moment_nm
    assert back(DEFAULT_MAN, 0.0, DEFAULT) > 80.0
    lever = (back(DEFAULT_MAN, 11.0, DEFAULT) - back(DEFAULT_MAN, 1.0, DEFAULT)) / 10 / GRAVITY_M_S2
    assert lever == pytest.approx((0.75 - DEFAULT.lumbar_cut) * DEFAULT_MAN.trunk_m)
    assert ISOLATED_TESTS["leg_extension"].moment_nm(DEFAULT_MAN, 0.0, DEFAULT) == 0.0


@pytest.mark.parametrize("test_id", ISOLATED_TESTS)
def test_the_assumed_man_lifts_in_each_what_a_coach_believes(test_id):
    """Common practice, no source: some tens of kg on a machine, up to twice body mass and more in
    a bridge."""
    assert 25 < known(test_id, 1.0).estimated_max_kg < 330


@pytest.mark.parametrize("test_id", ISOLATED_TESTS)
def test_a_weak_test_lowers_its_own_muscles_most(test_id):
    plain = strengths_from(MAN, BESTS).capacities
    weak = strengths_from(MAN, BESTS, [known(test_id, 0.7)]).capacities
    muscles = ISOLATED_TESTS[test_id].muscles
    fell = {name: getattr(weak, name) / getattr(plain, name) for name in GROUPS}
    assert min(fell, key=lambda name: fell[name]) in muscles
    assert min(fell.values()) < 0.95


def test_tests_alone_say_something_and_firmness_counts_them():
    one = strengths_from(MAN, [], [known("leg_extension", 1.3)])
    assert one.firmness == "scale only"
    assert one.capacities.knee_extensors > 1.1 * MAN.capacities.knee_extensors
    assert strengths_from(MAN, BESTS, [known("leg_extension", 1.0)] * 2).firmness == "firm"


def test_the_back_is_learnt_only_by_its_own_test():
    """Whatever the lifts say, a strong back is not seen in them while it limits none."""
    strong = strengths_from(MAN, BESTS, [known("back_extension", 1.4)]).capacities
    plain = strengths_from(MAN, BESTS).capacities
    assert strong.lower_back > 1.15 * plain.lower_back
    assert strong.knee_extensors == pytest.approx(plain.knee_extensors, rel=0.05)


def test_a_test_narrows_the_band_of_what_its_muscle_limits():
    setups = [SquatSetup("low", 0.48, 0.4)]
    tests = tuple(known(name, 1.0) for name in ("leg_extension", "hip_thrust"))
    widths = []
    for told in ((), tests):
        draws = sample(SQUAT, MAN, setups, Ask(192, 3, (), told))
        low, high = intervals(draws.maxes_kg)[0].band_kg
        widths.append(high / low)
    assert np.log(widths[1]) < 0.75 * np.log(widths[0])


def test_what_a_test_asks_is_counted_once_a_test():
    both = [known("leg_extension", 1.0), known("supported_row", 1.0)]
    held = held_nm(MAN.capacities, both, DEFAULT)
    assert held.shape == (1, 2)
    assert held[0] == pytest.approx(asked_nm(DEFAULT_MAN, both, DEFAULT))


def test_a_knee_bears_sideways_as_the_legs_are_strong():
    man, woman, heavy = (
        float(knee_sideways_nm(make_body(sex, kg, 1.75), DEFAULT))
        for sex, kg in (
            ("male", DEFAULT.reference_mass_kg), ("female", DEFAULT.reference_mass_kg),
            ("male", 2 * DEFAULT.reference_mass_kg),
        )
    )  # fmt: skip
    assert man == pytest.approx(KNEE_SIDEWAYS_NM)
    assert woman == pytest.approx(DEFAULT.female_legs * man)
    assert heavy == pytest.approx(2**DEFAULT.mass_exponent * man)
