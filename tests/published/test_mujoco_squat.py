"""The squat pose against MuJoCo, an independent multibody engine, in 3-D with both legs.

Agreement is limited by rounding only, so the tolerances are those of double precision.
"""

import numpy as np
import pytest

from pavrik.core.assumptions import DEFAULT
from pavrik.core.body.segments import make_body
from pavrik.core.fitting.report import PoseReport, pose_report
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.lifter.mobility import BAR_POSITIONS
from pavrik.core.lifter.schools import SquatSchools
from pavrik.core.squat.bar_positions import SHELVES, bar_places
from pavrik.core.squat.depth import depth_target_m
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from tests.published.mujoco_lifter import JointAngles, Reference, solve

MOMENT_NM = 1e-6
LENGTH_M = 1e-9
BODIES = {
    "man": make_body("male", 83, 1.75),
    "woman": make_body("female", 61, 1.63, {"thigh_m": 0.42, "foot_m": 0.23}),
}
STANCES = [
    (0.30, 5.0, 0.0),
    (0.42, 20.0, 0.0),
    (0.60, 35.0, 0.0),
    (0.46, 25.0, 0.02),
    (0.17, 0.0, 0.03),
]


def _both(
    who: str, position: str, stance: tuple[float, float, float], load_kg: float, balance: str
) -> tuple[PoseReport, Reference]:
    body = BODIES[who]
    stance_m, toe_deg, heel_m = stance
    setup = SquatSetup(position, stance_m, float(np.deg2rad(toe_deg)), heel_m)
    lifter = default_lifter(body, schools=SquatSchools(balance=balance))
    ours = pose_report(SQUAT, lifter, setup, load_kg, float(np.deg2rad(26.0)))
    bar = bar_places(body, [SHELVES[position]], (), DEFAULT)
    abduction = np.deg2rad(ours.angles["hip_abduction_deg"])
    depth = float(depth_target_m(lifter))
    angles = JointAngles(
        lean=float(np.deg2rad(ours.angles["trunk_lean_deg"])),
        elevation=float(np.arcsin(depth / (body.thigh_m * np.cos(abduction)))),
        abduction=float(abduction),
        shank=float(np.deg2rad(26.0)),
        toe_out=float(np.deg2rad(toe_deg)),
        pitch=float(np.arctan(heel_m / (0.72 * body.foot_m))),
    )
    return ours, solve(
        body, float(bar.along_m), float(bar.forward_m), load_kg, angles, stance_m, ours.pushed
    )


@pytest.mark.parametrize("balance", ["system", "bar"])
@pytest.mark.parametrize("stance", STANCES)
@pytest.mark.parametrize("position", BAR_POSITIONS)
@pytest.mark.parametrize("who", sorted(BODIES))
def test_pose_agrees_with_mujoco(who, position, stance, balance):
    ours, reference = _both(who, position, stance, 140.0, balance)
    for name in ("ankle", "knee", "hip"):
        assert reference.points[name] == pytest.approx(np.array(ours.points[name]), abs=LENGTH_M)
    assert reference.points["bar"] == pytest.approx(np.array(ours.points["bar"]), abs=LENGTH_M)
    for name, moment in reference.moments.items():
        assert ours.moments_nm[name] == pytest.approx(moment, abs=MOMENT_NM), name
    assert reference.ball_z == pytest.approx(0.0, abs=LENGTH_M)
    assert reference.root_residual == pytest.approx(np.zeros(6), abs=MOMENT_NM)


@pytest.mark.parametrize("position", BAR_POSITIONS)
def test_mujocos_mass_centre_is_over_midfoot_in_the_system_school(position):
    _, reference = _both("man", position, (0.42, 20.0, 0.01), 120.0, "system")
    assert reference.centre_of_mass[0] == pytest.approx(0.0, abs=LENGTH_M)


def test_listed_masses_add_up_to_mujocos_mass_centre():
    ours, reference = _both("woman", "low", (0.5, 25.0, 0.02), 90.0, "bar")
    total = sum(mass.kg for mass in ours.masses)
    assert sum(m.kg * m.x_m for m in ours.masses) / total == pytest.approx(
        reference.centre_of_mass[0], abs=LENGTH_M
    )
    assert sum(m.kg * m.z_m for m in ours.masses) / total == pytest.approx(
        reference.centre_of_mass[2], abs=LENGTH_M
    )
