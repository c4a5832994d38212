"""What a supportive suit holds at the hips and takes from their flexion: common practice.

Cloth is taut only where the hips are bent: it carries at the bottom and nothing at the top.
"""

import numpy as np

from pavrik.core.assumptions import Assumptions, assume
from pavrik.core.body.segments import Body, Number
from pavrik.core.units import Floats, degrees

SUIT_NM = assume(
    "suit_nm", 150.0, "N m", "what a suit holds at both hips of the 83 kg man where it is taut"
)
SLACK_DEG = assume(
    "suit_slack_deg", 60.0, "deg", "hip flexion and abduction together up to which a suit is loose"
)
TAUT_DEG = assume(
    "suit_taut_deg", 150.0, "deg", "both together from which it holds all that it can"
)
CLOSING_DEG = assume("suit_closing_deg", 8.0, "deg", "hip flexion that a suit takes away")


def suit_nm(body: Body, assumed: Assumptions) -> float:
    """What a suit that fits holds at both hips at most, in N m: it grows with the lifter."""
    share = float(np.asarray(body.mass_kg)) / assumed.reference_mass_kg
    return float(SUIT_NM * share**assumed.mass_exponent)


def left_by_suit(most_nm: Number, stretched: Floats, hip_nm: Floats) -> Floats:
    """Share of the moment at both hips (N m), whichever way it turns them, that a suit leaves to
    the lifter. Bending and opening the hips both stretch it: ``stretched`` is their sum in rad."""
    taut = (degrees(stretched) - SLACK_DEG) / (TAUT_DEG - SLACK_DEG)
    held = np.asarray(most_nm) * np.clip(taut, 0.0, 1.0)
    return np.clip(1.0 - held / np.maximum(hip_nm, 1.0), 0.0, 1.0)
