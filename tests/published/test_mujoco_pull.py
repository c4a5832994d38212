"""The start of every pull against MuJoCo in 3-D with both legs, built from joint angles.

The bar hangs from straight arms: its place in the trunk's axes is worked out here from the lean and
the arm's slant, not taken from the core's points. Tolerances are those of double precision.
"""

from dataclasses import replace

import numpy as np
import pytest

from pavrik.core.body.segments import make_body
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.styles import STYLES, usual_setup
from pavrik.core.lifter.lifter import default_lifter
from tests.published.mujoco_lifter import JointAngles, solve

BODIES = {
    "man": make_body("male", 83, 1.75),
    "woman": make_body("female", 61, 1.63, {"thigh_m": 0.42, "forearm_m": 0.225}),
}
LOAD_KG = 160.0


def one(value):
    return float(np.asarray(value).reshape(-1)[0])


def arm_m(body):
    return body.upper_arm_m + body.forearm_m + body.grip_m


@pytest.mark.parametrize("offset", [0.0, 0.04])
@pytest.mark.parametrize("style", sorted(STYLES))
@pytest.mark.parametrize("who", sorted(BODIES))
def test_start_agrees_with_mujoco(who, style, offset):
    body = BODIES[who]
    setup = replace(usual_setup(style), shoulder_offset_m=offset, shank=None, bar_offset_m=0.03)
    if style in ("trap_low", "trap_high", "romanian"):
        setup = replace(setup, shank=0.3, bar_offset_m=0.0)
    pose = DEADLIFT.kinematics.case(default_lifter(body), [setup]).start()
    loaded = pose.at_load(LOAD_KG)
    legs = pose.legs
    lean, abduction = one(pose.lean), one(legs.abduction)
    height = one(legs.hip.z) - one(legs.knee.z)
    rise = np.sqrt(arm_m(body) ** 2 - ((setup.grip_m - body.shoulder_spacing_m) / 2) ** 2)
    down = np.sqrt(rise**2 - offset**2)
    along = body.trunk_m - offset * np.sin(lean) - down * np.cos(lean)
    forward = -offset * np.cos(lean) + down * np.sin(lean)
    angles = JointAngles(
        lean=lean,
        elevation=float(np.arcsin(height / (body.thigh_m * np.cos(abduction)))),
        abduction=abduction,
        shank=one(legs.shank),
        toe_out=setup.toe_out,
        pitch=0.0,
    )
    reference = solve(
        body, float(along), float(forward), LOAD_KG, angles, setup.stance_m, one(loaded.pushed)
    )
    for name, point in (("ankle", legs.foot.ankle), ("knee", legs.knee), ("hip", legs.hip)):
        assert reference.points[name] == pytest.approx([one(v) for v in point], abs=1e-9), name
    bar = [setup.bar_offset_m, 0.0, setup.bar_height_m]
    assert reference.points["bar"] == pytest.approx(bar, abs=1e-9)
    ours = {name: one(value) for name, value in loaded.moments._asdict().items()}
    for name, moment in reference.moments.items():
        assert ours[name] == pytest.approx(moment, abs=1e-6), name
    assert reference.centre_of_mass[0] == pytest.approx(one(loaded.centre_x_m), abs=1e-9)
