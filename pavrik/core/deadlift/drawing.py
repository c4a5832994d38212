"""Poses of a pull as columns that a figure shows, in the squat's own form."""

import numpy as np

from pavrik.core.deadlift.start import HeldPull, LoadedPull
from pavrik.core.lifts.drawn import Drawn
from pavrik.core.strength.use import Use
from pavrik.core.units import Floats, degrees


def draw_pull(pose: HeldPull, loaded: LoadedPull, grip_m: float) -> Drawn:
    """Everything that a figure shows of a pull under a load, flattened to columns."""
    legs = pose.legs
    shape = np.broadcast_shapes(
        np.shape(legs.knee.x), np.shape(legs.hip.x), np.shape(pose.bar_x),
        np.shape(loaded.use.hips),
    )  # fmt: skip

    def flat(value: Floats | float) -> Floats:
        return np.broadcast_to(np.asarray(value, dtype=np.float64), shape).reshape(-1)

    head = pose.body.trunk_m + pose.assumed.head_centre * pose.body.head_neck_m
    sine, cosine = np.sin(pose.lean), np.cos(pose.lean)
    ankle, knee, hip = legs.foot.ankle, legs.knee, legs.hip
    points = {
        "ankle": (flat(ankle.x), flat(ankle.y), flat(ankle.z)),
        "knee": (flat(knee.x), flat(knee.y), flat(knee.z)),
        "hip": (flat(hip.x), flat(hip.y), flat(hip.z)),
        "shoulder": (
            flat(pose.shoulder_x), flat(float(pose.body.shoulder_spacing_m) / 2),
            flat(pose.shoulder_z),
        ),
        "head": (flat(hip.x + head * sine), flat(0.0), flat(hip.z + head * cosine)),
        "bar": (flat(pose.bar_x), flat(grip_m / 2), flat(pose.bar_z)),
    }  # fmt: skip
    angles = {
        "shank": legs.shank, "trunk_lean": pose.lean, "hip_closing": pose.closing,
        "knee_flexion": legs.knee_flexion, "hip_abduction": legs.abduction,
        "dorsiflexion": legs.dorsiflexion,
    }  # fmt: skip
    bar = points["bar"][0]
    return Drawn(
        points=points,
        angles_deg={name: flat(degrees(value)) for name, value in angles.items()},
        arms_m={"hip": bar - points["hip"][0], "knee": points["knee"][0] - bar},
        use=Use(*(flat(value) for value in loaded.use)),
        pitch_deg=flat(0.0),
    )
