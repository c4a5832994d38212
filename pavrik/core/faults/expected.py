"""What is seen and is no fault: a light bar cannot run straight under a lifter in balance."""

import numpy as np

from pavrik.core.assumptions import assume_each

BOWS = frozenset({"bar-forward"})
BOW_AT = (0.25, 0.5, 1.0, 1.5, 2.0, 3.0)
"""Loads as times the body mass."""
BOW_M = (0.143, 0.101, 0.064, 0.047, 0.037, 0.026)
"""How far the computed path of a squat strays at them, in m: bodies and bar positions differ by
less than an eighth (held to ``path_ladder`` by a test)."""
SEEN_M = assume_each(
    "bow_seen", {"1": 0.05, "2": 0.10}, "m",
    "how far a bar goes that a coach by eye calls slightly (1) or clearly (2) forward",
)  # fmt: skip


def bow_m(load_kg: float, body_mass_kg: float) -> float:
    """How far the bar strays on the computed path of so light a load, in m."""
    return float(np.interp(load_kg / body_mass_kg, BOW_AT, BOW_M))


def is_expected(fault_id: str, severity: int, load_kg: float, body_mass_kg: float) -> bool:
    """Whether a drift of the bar of this severity (of 3) is what balance asks of this load: the
    computed path strays as far."""
    seen = SEEN_M.get(str(severity))
    if fault_id not in BOWS or seen is None or body_mass_kg <= 0:
        return False
    return bow_m(load_kg, body_mass_kg) >= seen
