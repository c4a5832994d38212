"""Bending moments of the trunk at L5/S1 and at mid-back."""

from pavrik.core.body.segments import Number
from pavrik.core.linkage.balance import Balanced
from pavrik.core.linkage.upper_body import BarPlace, MassSum
from pavrik.core.units import GRAVITY_M_S2, Floats


def cut_moment_nm(
    above: MassSum, cut_along_m: Number, bar: BarPlace, load_kg: Number, balanced: Balanced
) -> Floats:
    """Bending moment at a trunk cut: gravity times the first moment of all that lies above it."""
    loaded = above.with_load(load_kg, bar)
    along = loaded.along - loaded.mass_kg * cut_along_m
    return GRAVITY_M_S2 * (along * balanced.sine + loaded.forward * balanced.cosine)
