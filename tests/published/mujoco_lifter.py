"""The lifter as a MuJoCo model, built from segment lengths and joint angles alone.

Pelvis outward: thighs on ball joints, shanks, feet; the trunk upward with a hinge at each cut.
Nothing is taken from the core's points, so a shared mistake in geometry cannot hide.
"""

from dataclasses import dataclass

import mujoco
import numpy as np
from scipy.spatial.transform import Rotation

from pavrik.core.body.masses import DE_LEVA_PERCENT
from pavrik.core.body.segments import Body

TRUNK = {
    "male": ((0.1117, 0.106), (0.1633, 0.497), (0.1596, 0.904)),
    "female": ((0.1247, 0.174), (0.1465, 0.556), (0.1545, 0.944)),
}
CENTRES = {"male": (0.4095, 0.4459, 0.4415), "female": (0.3612, 0.4416, 0.4014)}
BALL = 0.72
MIDFOOT_TO_BALL = 0.22
CUTS = (0.18, 0.60)
GRAVITY = 9.80665


@dataclass(frozen=True)
class JointAngles:
    """Angles in rad: trunk lean, thigh elevation and abduction, shank lean, toe-out, pitch."""

    lean: float
    elevation: float
    abduction: float
    shank: float
    toe_out: float
    pitch: float


@dataclass(frozen=True)
class Reference:
    """What MuJoCo says: points of the left side (m), moments (N m, both sides), mass centre."""

    points: dict[str, np.ndarray]
    moments: dict[str, float]
    centre_of_mass: np.ndarray
    root_residual: np.ndarray
    ball_z: float


def _inertial(mass: float, position: tuple[float, float, float]) -> str:
    x, y, z = position
    return f'<inertial mass="{mass!r}" pos="{x!r} {y!r} {z!r}" diaginertia="0.1 0.1 0.1"/>'


def _shares(body: Body) -> dict[str, float]:
    percent = DE_LEVA_PERCENT[body.sex]
    trunk = sum(part for part, _ in TRUNK[body.sex])
    total = (
        percent["head"] / 100
        + trunk
        + sum(
            2 * percent[name] / 100
            for name in ("upper_arm", "forearm", "hand", "thigh", "shank", "foot")
        )
    )
    return {name: value / 100 / total for name, value in percent.items()} | {"sum": total}


def _leg(body: Body, side: str) -> str:
    sign = 1 if side == "left" else -1
    share, mass = _shares(body), body.mass_kg
    thigh_centre, shank_centre, foot_centre = CENTRES[body.sex]
    ankle_from_heel = 0.25 * body.foot_m
    return f"""
    <body name="{side} thigh" pos="0 {sign * body.hip_spacing_m / 2!r} 0">
      <joint name="{side} hip" type="ball"/>
      {_inertial(share["thigh"] * mass, (0, 0, -thigh_centre * body.thigh_m))}
      <body name="{side} shank" pos="0 0 {-body.thigh_m!r}">
        <joint name="{side} knee" type="ball"/>
        {_inertial(share["shank"] * mass, (0, 0, -shank_centre * body.shank_m))}
        <body name="{side} foot" pos="0 0 {-body.shank_m!r}">
          <joint name="{side} ankle" type="ball"/>
          {
        _inertial(
            share["foot"] * mass,
            (foot_centre * body.foot_m - ankle_from_heel, 0, -body.ankle_height_m / 2),
        )
    }
          <site name="{side} ball" pos="{BALL * body.foot_m - ankle_from_heel!r} 0
            {-body.ankle_height_m!r}"/>
        </body>
      </body>
    </body>"""


def _xml(body: Body, bar_along: float, bar_forward: float, load_kg: float) -> str:
    share, mass, length = _shares(body), body.mass_kg, body.trunk_m
    lower, middle, upper = ((part / share["sum"] * mass, at) for part, at in TRUNK[body.sex])
    arms = 2 * (share["upper_arm"] + share["forearm"] + share["hand"]) * mass
    low, high = CUTS[0] * length, CUTS[1] * length

    def fixed(name: str, kg: float, along: float, forward: float) -> str:
        return (
            f'<body name="{name}" pos="{forward!r} 0 {along - high!r}">'
            + _inertial(kg, (0, 0, 0))
            + "</body>"
        )

    return f"""
<mujoco><option gravity="0 0 {-GRAVITY!r}"/><compiler angle="radian"/>
<worldbody><body name="pelvis"><freejoint name="root"/>
  {_inertial(lower[0], (0, 0, lower[1] * length))}
  <body name="middle" pos="0 0 {low!r}"><joint name="lumbar" type="hinge" axis="0 1 0"/>
    {_inertial(middle[0], (0, 0, middle[1] * length - low))}
    <body name="upper" pos="0 0 {high - low!r}"><joint name="midback" type="hinge" axis="0 1 0"/>
      {_inertial(upper[0], (0, 0, upper[1] * length - high))}
      {fixed("head", share["head"] * mass, length + 0.55 * body.head_neck_m, 0)}
      {fixed("arms", arms, (length + bar_along) / 2, bar_forward / 2)}
      {fixed("bar", load_kg, bar_along, bar_forward)}
    </body></body>
  {_leg(body, "left")}{_leg(body, "right")}
</body></worldbody></mujoco>"""


def _limb(down: np.ndarray) -> Rotation:
    """A rotation that takes the limb's own -z to a direction; spin about it does not matter."""
    return Rotation.align_vectors([down], [[0, 0, -1]])[0]


def _orientations(angles: JointAngles, side: str) -> list[Rotation]:
    sign = 1 if side == "left" else -1
    toe = sign * angles.toe_out
    thigh = np.array(
        [
            np.cos(angles.abduction) * np.cos(angles.elevation),
            sign * np.sin(angles.abduction),
            -np.cos(angles.abduction) * np.sin(angles.elevation),
        ]
    )
    yaw = Rotation.from_euler("z", toe)
    shank = yaw * Rotation.from_euler("y", angles.shank)
    foot = yaw * Rotation.from_euler("y", angles.pitch)
    return [Rotation.from_euler("y", angles.lean), _limb(thigh), shank, foot]


def _quat(rotation: Rotation) -> np.ndarray:
    x, y, z, w = rotation.as_quat()
    return np.array([w, x, y, z])


def _set_joint(model: mujoco.MjModel, data: mujoco.MjData, name: str, value: np.ndarray) -> None:
    start = model.joint(name).qposadr[0]
    data.qpos[start : start + len(value)] = value


def build(
    body: Body, bar_along: float, bar_forward: float, load_kg: float, angles: JointAngles
) -> tuple[mujoco.MjModel, mujoco.MjData]:
    """The model in its pose, with the ball of the left foot where the stance puts it."""
    model = mujoco.MjModel.from_xml_string(_xml(body, bar_along, bar_forward, load_kg))
    data = mujoco.MjData(model)
    for side in ("left", "right"):
        chain = _orientations(angles, side)
        for name, parent, child in zip(("hip", "knee", "ankle"), chain, chain[1:], strict=False):
            _set_joint(model, data, f"{side} {name}", _quat(parent.inv() * child))
    lean = _quat(Rotation.from_euler("y", angles.lean))
    _set_joint(model, data, "root", np.concatenate([[0, 0, 0], lean]))
    mujoco.mj_kinematics(model, data)
    ball = data.site("left ball").xpos
    wanted_x = MIDFOOT_TO_BALL * body.foot_m * np.cos(angles.toe_out)
    _set_joint(model, data, "root", np.concatenate([[wanted_x - ball[0], 0, -ball[2]], lean]))
    mujoco.mj_forward(model, data)
    return model, data


def _applied(
    model: mujoco.MjModel, data: mujoco.MjData, contact_y: float, spread: float, centre_x: float
) -> np.ndarray:
    """Generalised force of the floor on both feet."""
    weight = GRAVITY * sum(model.body_mass)
    total = np.zeros(model.nv)
    for side, sign in (("left", 1), ("right", -1)):
        hip = data.body(f"{side} thigh").xpos
        lever = contact_y - abs(hip[1])
        inward = float(np.clip(spread * lever / hip[2], 0.0, 0.6))
        force = np.array([0.0, -sign * inward * weight / 2, weight / 2])
        point = np.array([centre_x, sign * contact_y, 0.0])
        mujoco.mj_applyFT(
            model, data, force, np.zeros(3), point, model.body(f"{side} foot").id, total
        )
    return total


def _world_torque(
    model: mujoco.MjModel, data: mujoco.MjData, joint: str, child: str, force: np.ndarray
) -> np.ndarray:
    start = model.joint(joint).dofadr[0]
    return data.body(child).xmat.reshape(3, 3) @ force[start : start + 3]


def solve(
    body: Body, bar_along: float, bar_forward: float, load_kg: float, angles: JointAngles,
    stance_m: float, spread: float,
) -> Reference:  # fmt: skip
    """Points and joint torques that hold the pose still, from MuJoCo's inverse dynamics."""
    model, data = build(body, bar_along, bar_forward, load_kg, angles)
    centre = data.subtree_com[0].copy()
    contact_y = stance_m / 2 + 0.25 * body.foot_m * np.sin(angles.toe_out)
    data.qacc[:] = 0.0
    mujoco.mj_inverse(model, data)
    force = data.qfrc_inverse - _applied(model, data, contact_y, spread, centre[0])
    axis = np.array([-np.sin(angles.toe_out), np.cos(angles.toe_out), 0.0])
    hip = _world_torque(model, data, "left hip", "left thigh", force)
    knee = _world_torque(model, data, "left knee", "left shank", force)
    ankle = _world_torque(model, data, "left ankle", "left foot", force)
    lumbar, midback = (float(force[model.joint(n).dofadr[0]]) for n in ("lumbar", "midback"))
    return Reference(
        points={
            "ankle": data.body("left foot").xpos.copy(),
            "knee": data.body("left shank").xpos.copy(),
            "hip": data.body("left thigh").xpos.copy(),
            "bar": data.body("bar").xpos.copy(),
        },
        moments={
            "ankle": 2 * float(ankle @ axis),
            "knee": -2 * float(knee @ axis),
            "hip_sagittal": 2 * float(hip[1]),
            "hip_frontal": -2 * float(hip[0]),
            "lumbar": -lumbar,
            "midback": -midback,
        },
        centre_of_mass=centre,
        root_residual=force[:6].copy(),
        ball_z=float(data.site("right ball").xpos[2]),
    )
