"""Trunk, head, arms and bar as point masses in trunk axes: along from the hip, and forward."""

from dataclasses import dataclass

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.masses import SEGMENT_MASSES
from pavrik.core.body.segments import Body, Number


@dataclass(frozen=True)
class BarPlace:
    """Bar centre in trunk axes, in metres: along from the hip centre, and forward of the axis."""

    along_m: Number
    forward_m: Number


@dataclass(frozen=True)
class MassSum:
    """Mass in kg with its first moments in trunk axes, in kg m."""

    mass_kg: Number
    along: Number
    forward: Number

    def with_load(self, load_kg: Number, bar: BarPlace) -> "MassSum":
        """The same with a bar of that load added."""
        return MassSum(
            self.mass_kg + load_kg,
            self.along + load_kg * bar.along_m,
            self.forward + load_kg * bar.forward_m,
        )


def _sum_points(points: list[tuple[Number, Number, Number]]) -> MassSum:
    return MassSum(
        sum((mass for mass, _, _ in points), 0.0),
        sum((mass * along for mass, along, _ in points), 0.0),
        sum((mass * forward for mass, _, forward in points), 0.0),
    )


@dataclass(frozen=True)
class UpperBody:
    """Everything above the hips without the bar, whole and above the two trunk cuts."""

    bar: BarPlace
    whole: MassSum
    above_lumbar: MassSum
    above_midback: MassSum
    lumbar_along_m: Number
    midback_along_m: Number
    points: list[tuple[str, Number, Number, Number]]
    """name, kg, along (m), forward (m) of each point mass without the bar"""


def upper_body(body: Body, bar: BarPlace, assumed: Assumptions) -> UpperBody:
    """Point masses of trunk, head and arms, with the arms half way between shoulder and bar."""
    masses = SEGMENT_MASSES[body.sex]
    trunk = body.trunk_m
    names = ("lower trunk", "middle trunk", "upper trunk")
    points: list[tuple[str, Number, Number, Number]] = [
        (name, share * body.mass_kg, place * trunk, 0.0)
        for name, (share, place) in zip(names, masses.trunk, strict=True)
    ]
    head = trunk + assumed.head_centre * body.head_neck_m
    points.append(("head", masses.head * body.mass_kg, head, 0.0))
    arms = (trunk + bar.along_m) / 2, bar.forward_m / 2
    points.append(("arms", masses.arms * body.mass_kg, *arms))
    always_above = points[3:]

    def above(cut: float) -> MassSum:
        kept = [
            point for point, (_, place) in zip(points, masses.trunk, strict=False) if place > cut
        ]
        return _sum_points([point[1:] for point in kept + always_above])

    return UpperBody(
        bar=bar,
        whole=_sum_points([point[1:] for point in points]),
        above_lumbar=above(assumed.lumbar_cut),
        above_midback=above(assumed.midback_cut),
        lumbar_along_m=assumed.lumbar_cut * trunk,
        midback_along_m=assumed.midback_cut * trunk,
        points=points,
    )
