"""How places on the side linkage move with its angles and lengths, for every frame at once."""

from dataclasses import dataclass

import numpy as np

from pavrik.core.tracking.linkage import LEAST_SEEN_SQUARED_M2, SideLinkage
from pavrik.core.units import Floats


@dataclass(frozen=True)
class Slopes:
    """Change of knee, hip, shoulder and bar (places, frames, 2: x and z, in m) with each angle
    (rad) and with each length's share of itself. What is not named does not move them."""

    shank: Floats
    elevation: Floats
    lean: Floats
    shank_share: Floats
    thigh_share: Floats
    trunk_share: Floats


def slopes(linkage: SideLinkage, shank: Floats, elevation: Floats, lean: Floats) -> Slopes:
    """Slopes of the places where the angles are these, each (frames,). The bar's are 0 where it
    hangs from the arms."""
    still = np.zeros((len(shank), 2))
    knee = _pairs(np.cos(shank) * np.cos(linkage.toe_out), -np.sin(shank)) * linkage.shank_m
    longer_shank = _pairs(np.sin(shank) * np.cos(linkage.toe_out), np.cos(shank)) * linkage.shank_m

    seen = linkage.thigh_seen_m(shank)
    free = np.where(seen**2 > LEAST_SEEN_SQUARED_M2, 1.0, 0.0)
    sideways = linkage.knee(shank)[1] - linkage.hip_y_m
    outward = -free * sideways * linkage.shank_m * np.sin(linkage.toe_out) / seen
    along_thigh = _pairs(-np.cos(elevation), np.sin(elevation))
    hip = knee + (outward * np.cos(shank))[:, None] * along_thigh
    longer_hip = longer_shank + (outward * np.sin(shank))[:, None] * along_thigh
    raised = seen[:, None] * _pairs(np.sin(elevation), np.cos(elevation))
    thigh = (free * linkage.thigh_m**2 / seen)[:, None] * along_thigh

    along = _pairs(np.sin(lean), np.cos(lean))
    forward = _pairs(np.cos(lean), -np.sin(lean))
    up, ahead = linkage.bar_on_trunk or (0.0, 0.0)
    held = 1.0 if linkage.bar_on_trunk else 0.0
    return Slopes(
        np.stack([knee, hip, hip, held * hip]),
        np.stack([still, raised, raised, held * raised]),
        np.stack([still, still, linkage.trunk_m * forward, up * forward - ahead * along]),
        np.stack([longer_shank, longer_hip, longer_hip, held * longer_hip]),
        np.stack([still, thigh, thigh, held * thigh]),
        np.stack([still, still, linkage.trunk_m * along, up * along]),
    )


def _pairs(x: Floats, z: Floats) -> Floats:
    return np.stack([x, z], -1)
