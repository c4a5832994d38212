"""Postures as columns that a figure shows, the same for every lift."""

from dataclasses import dataclass

import numpy as np

from pavrik.core.lifts.posture import LoadedPosture, Posture
from pavrik.core.linkage.geometry import Point
from pavrik.core.strength.utilization import Utilization
from pavrik.core.units import Floats, degrees


@dataclass(frozen=True)
class Drawn:
    """What a figure needs. ``points`` per joint (x, y, z) in m; angles in degrees; arms in m; all
    arrays of one shape, (columns,)."""

    points: dict[str, tuple[Floats, Floats, Floats]]
    angles_deg: dict[str, Floats]
    arms_m: dict[str, Floats]
    utilization: Utilization
    pitch_deg: Floats

    def at(self, column: int) -> "Drawn":
        """One column of what is drawn."""

        def pick(values: Floats) -> Floats:
            return values[column : column + 1]

        return Drawn(
            points={k: (pick(x), pick(y), pick(z)) for k, (x, y, z) in self.points.items()},
            angles_deg={k: pick(v) for k, v in self.angles_deg.items()},
            arms_m={k: pick(v) for k, v in self.arms_m.items()},
            utilization=Utilization(*(pick(u) for u in self.utilization)),
            pitch_deg=pick(self.pitch_deg),
        )


def draw(posture: Posture, loaded: LoadedPosture) -> Drawn:
    """Everything that a figure shows of a posture under a load, flattened to columns."""
    legs, upper = posture.legs, posture.upper(loaded.balanced)
    shape = np.broadcast_shapes(
        *map(np.shape, (loaded.balanced.sine, legs.knee.x, legs.hip.x, loaded.utilization.hips)),
        np.shape(upper.bar_y_m),
    )

    def flat(value: Floats | float) -> Floats:
        return np.broadcast_to(np.asarray(value, dtype=np.float64), shape).reshape(-1)

    def point(at: Point) -> tuple[Floats, Floats, Floats]:
        return flat(at.x), flat(at.y), flat(at.z)

    def middle(place: tuple[Floats, Floats], y: Floats | float) -> tuple[Floats, Floats, Floats]:
        return flat(place[0]), flat(y), flat(place[1])

    points = {
        "ankle": point(legs.foot.ankle),
        "knee": point(legs.knee),
        "hip": point(legs.hip),
        "shoulder": middle(upper.shoulder, np.asarray(posture.body.shoulder_spacing_m) / 2),
        "head": middle(upper.head, 0.0),
        "bar": middle(upper.bar, upper.bar_y_m),
    }
    angles = {
        "shank": legs.shank,
        "trunk_lean": loaded.balanced.lean,
        "hip_closing": loaded.hip_flexion,
        "knee_flexion": legs.knee_flexion,
        "hip_abduction": legs.abduction,
        "dorsiflexion": legs.dorsiflexion,
    }
    bar_x = points["bar"][0]
    return Drawn(
        points=points,
        angles_deg={name: flat(degrees(value)) for name, value in angles.items()},
        arms_m={"hip": bar_x - points["hip"][0], "knee": points["knee"][0] - bar_x},
        utilization=Utilization(*(flat(value) for value in loaded.utilization)),
        pitch_deg=flat(degrees(legs.foot.pitch)),
    )
