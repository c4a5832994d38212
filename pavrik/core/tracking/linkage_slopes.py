"""How places on the side linkage move with its angles and lengths, for every frame at once."""

import numpy as np

from pavrik.core.tracking.linkage import LEAST_SEEN_SQUARED_M2, SideLinkage
from pavrik.core.units import Floats


def slopes(
    linkage: SideLinkage, shank: Floats, elevation: Floats, lean: Floats
) -> tuple[Floats, Floats]:
    """Change of knee, hip, shoulder and bar (x and z, in m) with each angle (shank, elevation and
    lean, in rad) and with each length's share of itself (shank, thigh and trunk): two arrays
    (places, frames, 2, 3). The angles are (frames,). The bar's are 0 where it hangs from the arms.
    """
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
    by_angle = (
        (knee, hip, hip, held * hip),
        (still, raised, raised, held * raised),
        (still, still, linkage.trunk_m * forward, up * forward - ahead * along),
    )
    by_share = (
        (longer_shank, longer_hip, longer_hip, held * longer_hip),
        (still, thigh, thigh, held * thigh),
        (still, still, linkage.trunk_m * along, up * along),
    )
    return np.stack(by_angle, -1), np.stack(by_share, -1)


def _pairs(x: Floats, z: Floats) -> Floats:
    return np.stack([x, z], -1)
