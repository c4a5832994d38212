"""The side view of a lifter's own linkage: shank and thigh from the ankle, a trunk, and a bar that
either rests on the trunk or hangs from the arms."""

from dataclasses import dataclass

import numpy as np

from pavrik.core.body.segments import Body
from pavrik.core.lifts.drawn import Drawn
from pavrik.core.lifts.lift import Carried
from pavrik.core.units import Floats, radians

_FIXED_M = 0.005
"""A bar whose place on the trunk moves less than this rests there."""
LEAST_SEEN_SQUARED_M2 = 1e-4
"""A thigh that points at the camera is seen a centimetre long."""


@dataclass(frozen=True)
class SideLinkage:
    """Lengths in m, the toes' angle in rad; ``ankle`` (x, y, z) of the near foot. ``bar_on_trunk``
    is the bar's place along the trunk and in front of it; None where it hangs from the arms."""

    ankle: tuple[float, float, float]
    toe_out: float
    hip_y_m: float
    shank_m: float
    thigh_m: float
    trunk_m: float
    arm_m: float
    bar_on_trunk: tuple[float, float] | None
    bar_start_x_m: float = 0.0
    """Where the bar is at the deepest point, in front of mid-foot."""
    shoulder_y_m: float = 0.18
    hip_at_level_m: float = 0.0
    """Hip above knee, centre to centre, with the hip's crease level with the top of the knee."""

    @property
    def carried(self) -> Carried:
        """Where the bar is."""
        return "back" if self.bar_on_trunk else "hands"

    def knee(self, shank: Floats) -> tuple[Floats, Floats, Floats]:
        """x, y and z of the knee at a lean of the shank (rad)."""
        reach = self.shank_m * np.sin(shank)
        return (
            self.ankle[0] + reach * np.cos(self.toe_out),
            self.ankle[1] + reach * np.sin(self.toe_out),
            self.ankle[2] + self.shank_m * np.cos(shank),
        )

    def thigh_seen_m(self, shank: Floats) -> Floats:
        """Length of the thigh as seen from the side: what points outward is not seen."""
        sideways = self.knee(shank)[1] - self.hip_y_m
        return np.sqrt(np.maximum(self.thigh_m**2 - sideways**2, LEAST_SEEN_SQUARED_M2))

    def hip(self, shank: Floats, elevation: Floats) -> tuple[Floats, Floats]:
        """x and z of the hip; ``elevation`` (rad) is how far the thigh is raised from level, the
        hip above the knee."""
        x, _, z = self.knee(shank)
        seen = self.thigh_seen_m(shank)
        return x - seen * np.cos(elevation), z + seen * np.sin(elevation)

    def on_trunk(
        self, hip: tuple[Floats, Floats], lean: Floats, along: Floats | float,
        forward: Floats | float = 0.0,
    ) -> tuple[Floats, Floats]:  # fmt: skip
        """x and z of a place on the trunk, which leans forward by ``lean`` (rad)."""
        sine, cosine = np.sin(lean), np.cos(lean)
        return (
            hip[0] + along * sine + forward * cosine,
            hip[1] + along * cosine - forward * sine,
        )


def side_linkage(body: Body, toe_out: float, path: Drawn) -> SideLinkage:
    """The linkage of a lifter in a set-up, from the way that was computed for him (columns)."""
    points = {name: np.stack(place) for name, place in path.points.items()}
    lean = radians(path.angles_deg["trunk_lean"])
    off_hip = points["bar"] - points["hip"]
    along = off_hip[0] * np.sin(lean) + off_hip[2] * np.cos(lean)
    forward = off_hip[0] * np.cos(lean) - off_hip[2] * np.sin(lean)
    rests = float(np.ptp(along)) < _FIXED_M and float(np.ptp(forward)) < _FIXED_M
    arm = points["bar"] - points["shoulder"]
    ankle = points["ankle"][:, 0]
    return SideLinkage(
        ankle=(float(ankle[0]), float(ankle[1]), float(ankle[2])),
        toe_out=toe_out,
        hip_y_m=float(points["hip"][1, 0]),
        shank_m=float(np.asarray(body.shank_m)),
        thigh_m=float(np.asarray(body.thigh_m)),
        trunk_m=float(np.asarray(body.trunk_m)),
        arm_m=float(np.median(np.hypot(arm[0], arm[2]))),
        bar_on_trunk=(float(along.mean()), float(forward.mean())) if rests else None,
        bar_start_x_m=float(points["bar"][0, int(np.argmin(points["bar"][2]))]),
        shoulder_y_m=float(points["shoulder"][1, 0]),
        hip_at_level_m=float(np.asarray(body.knee_top_m) - np.asarray(body.hip_crease_m)),
    )
