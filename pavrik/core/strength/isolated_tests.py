"""Tests of one muscle group alone: what a load on a bench or a machine says of its capacity.

Each has a closed form on the lifter's own lengths and masses; levers of machines differ, so they
count with an error of their own. Common practice, no source.
"""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from pavrik.core.assumptions import Assumptions, assume
from pavrik.core.body.masses import SEGMENT_MASSES
from pavrik.core.body.segments import Body
from pavrik.core.strength.capacities import Capacities, hip_share
from pavrik.core.units import GRAVITY_M_S2, Floats, radians
from pavrik.words import say

TEST_SD = assume("isolated_test_sd", 0.08, "log", "error (sd) of an isolated test of one muscle")
BRIDGE_FLEXION_DEG = assume(
    "bridge_flexion_deg", 15.0, "deg", "hip flexion at the hardest point of a hip thrust"
)
BENT_KNEE_SHARE = assume(
    "hamstrings_of_bent_knees", 0.4, "share", "of the hamstrings that shows with the knees bent"
)
HUGGED_SHARE = assume(
    "back_with_a_hugged_plate", 0.6, "share", "of the back that shows before the arms let go"
)
CHEST_SHARE = assume("plate_on_chest", 0.75, "trunk lengths", "where a plate is held on the chest")


@dataclass(frozen=True)
class IsolatedTest:
    """``moment_nm`` is what a load in kg asks on a body; ``muscles`` are the shares of capacities
    that show in the test, ``at_flexion_deg`` the hip flexion at which those of the hips do."""

    id: str
    name: str
    how: str
    muscles: Mapping[str, float]
    moment_nm: Callable[[Body, float, Assumptions], float]
    at_flexion_deg: float | None = None

    def held_nm(self, capacities: Capacities, assumed: Assumptions) -> Floats:
        """What strengths hold in the test, in N m."""
        parts = (np.asarray(getattr(capacities, name)) * of for name, of in self.muscles.items())
        angle = self.at_flexion_deg
        left = 1.0 if angle is None else hip_share(np.asarray(radians(angle)), assumed)
        return np.asarray(sum(parts, np.zeros(())) * left)


@dataclass(frozen=True)
class KnownTest:
    """An isolated test that was done: its estimated max in kg and the log error of its formula."""

    test: IsolatedTest
    estimated_max_kg: float
    rep_error: float = 0.0

    @property
    def log_error(self) -> float:
        """Of the test and of its rep formula."""
        return float(np.hypot(TEST_SD, self.rep_error))


def _leg_extension(body: Body, load_kg: float, _: Assumptions) -> float:
    """A pad at the ankle that pulls with the load, square to the shank."""
    return float(GRAVITY_M_S2 * load_kg * np.asarray(body.shank_m))


def _hip_thrust(body: Body, load_kg: float, _: Assumptions) -> float:
    """A level bridge between shoulders on a bench and feet under the knees, the bar on the hips."""
    masses = SEGMENT_MASSES[body.sex]
    mass, trunk, thigh = (float(np.asarray(v)) for v in (body.mass_kg, body.trunk_m, body.thigh_m))
    shanks = (masses.shanks + masses.feet) * mass
    thighs, centre = masses.thighs * mass, masses.thigh_centre_from_hip
    of_trunk = sum(share * mass * (1.0 - place) * trunk for share, place in masses.trunk)
    about_shoulder = (
        load_kg * trunk + of_trunk + thighs * (trunk + centre * thigh) + shanks * (trunk + thigh)
    )
    at_feet = about_shoulder / (trunk + thigh)
    return float(GRAVITY_M_S2 * (at_feet * thigh - thighs * centre * thigh - shanks * thigh))


def _back_extension(body: Body, load_kg: float, assumed: Assumptions) -> float:
    """The trunk level over a bench that ends at the hips, the load held on the chest."""
    masses = SEGMENT_MASSES[body.sex]
    mass, trunk, head = (
        float(np.asarray(v)) for v in (body.mass_kg, body.trunk_m, body.head_neck_m)
    )
    cut = assumed.lumbar_cut
    above = sum(share * (place - cut) * trunk for share, place in masses.trunk if place > cut)
    above += masses.head * ((1.0 - cut) * trunk + assumed.head_centre * head)
    above += masses.arms * (CHEST_SHARE - cut) * trunk
    return float(GRAVITY_M_S2 * (mass * above + load_kg * (CHEST_SHARE - cut) * trunk))


def _supported_row(body: Body, load_kg: float, _: Assumptions) -> float:
    """Upper arms level beside the trunk, forearms hanging plumb from them."""
    return float(GRAVITY_M_S2 * load_kg * np.asarray(body.upper_arm_m))


ISOLATED_TESTS: dict[str, IsolatedTest] = {
    test.id: test
    for test in (
        IsolatedTest(
            "leg_extension", say("strength.leg_extension"), say("strength.both_legs_pad_ankles"),
            {"knee_extensors": 1.0}, _leg_extension,
        ),
        IsolatedTest(
            "hip_thrust", say("strength.hip_thrust"), say("strength.bar_over_hips_shoulders"),
            {"hip_extensors": 1.0, "hamstrings": BENT_KNEE_SHARE}, _hip_thrust,
            BRIDGE_FLEXION_DEG,
        ),
        IsolatedTest(
            "back_extension", say("strength.back_extension"),
            say("strength.trunk_level_over_bench"), {"lower_back": HUGGED_SHARE},
            _back_extension,
        ),
        IsolatedTest(
            "supported_row", say("strength.chest_supported_row"),
            say("strength.both_arms_upper_arms"), {"lats": 1.0}, _supported_row,
        ),
    )
}  # fmt: skip


def asked_nm(body: Body, tests: Sequence[KnownTest], assumed: Assumptions) -> Floats:
    """What the tests' maxes ask of their muscles, in N m, shape (tests,)."""
    return np.array([k.test.moment_nm(body, k.estimated_max_kg, assumed) for k in tests])


def held_nm(capacities: Capacities, tests: Sequence[KnownTest], assumed: Assumptions) -> Floats:
    """What K strengths hold in each of at least one test, in N m, shape (K, tests)."""
    columns = [k.test.held_nm(capacities, assumed).reshape(-1) for k in tests]
    return np.stack(columns, axis=-1)
