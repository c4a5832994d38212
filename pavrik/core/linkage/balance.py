"""The lean that keeps the lifter over mid-foot, in closed form, in both schools.

``A sin lean + B cos lean = C``: in the *system* school the first moment of everything about
mid-foot is zero; in the *bar* school the bar itself stands over mid-foot.
"""

from typing import Literal, NamedTuple

import numpy as np

from pavrik.core.body.segments import Number
from pavrik.core.linkage.geometry import Point
from pavrik.core.linkage.legs import LegMasses
from pavrik.core.linkage.upper_body import UpperBody
from pavrik.core.units import Floats, Mask

BalanceSchool = Literal["system", "bar"]


class Balanced(NamedTuple):
    """Sine and cosine of the trunk's lean from vertical (positive forward), the first moment of
    all mass about mid-foot (kg m), and where no lean can balance (bool)."""

    sine: Floats
    cosine: Floats
    first_moment: Floats
    impossible: Mask

    @property
    def lean(self) -> Floats:
        """Trunk lean in rad."""
        return np.arctan2(self.sine, self.cosine)


def lean_that_balances(
    hip: Point,
    legs: LegMasses,
    upper: UpperBody,
    load_kg: Number,
    school: BalanceSchool,
    shift_m: Number = 0.0,
) -> Balanced:
    """The lean under one load, ``shift_m`` in front of mid-foot. With
    ``share = C / hypot(A, B)`` it is ``asin(share) - atan2(B, A)``, taken apart so that no angle
    need be computed."""
    whole = upper.whole
    if school == "bar":
        along, forward = np.asarray(upper.bar.along_m), np.asarray(upper.bar.forward_m)
        target = shift_m - hip.x
    else:
        loaded = whole.with_load(load_kg, upper.bar)
        along, forward = np.asarray(loaded.along), np.asarray(loaded.forward)
        everything = legs.total_kg + loaded.mass_kg
        target = everything * shift_m - (legs.first_moment + loaded.mass_kg * hip.x)
    size = np.sqrt(along**2 + forward**2)
    share = np.clip(target / size, -1.0, 1.0)
    rest = np.sqrt(1.0 - share**2)
    sine = (share * along - rest * forward) / size
    cosine = (rest * along + share * forward) / size
    if school == "bar":
        first_moment = (
            legs.first_moment
            + whole.mass_kg * hip.x
            + whole.along * sine
            + whole.forward * cosine
            + load_kg * shift_m
        )
    else:
        first_moment = np.asarray(everything * shift_m)
    return Balanced(sine, cosine, first_moment, np.abs(target) > size)
