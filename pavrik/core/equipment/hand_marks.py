"""Grip width in words a lifter can check on the bar: which finger lies on the ring.

The ring marks are 0.81 m apart (IPF technical rules, from memory).
"""

from pavrik.core.assumptions import assume

RINGS_APART_M = 0.81
HAND_SHARE_OF_STATURE = assume("hand_share_of_stature", 0.048, "share", "breadth of the hand")
_FINGERS = ("index finger", "middle finger", "ring finger", "little finger")


def ring_words(grip_m: float, stature_m: float) -> str:
    """Where the hands go; ``grip_m`` is between the middles of the hands, palms on the bar."""
    finger_m = HAND_SHARE_OF_STATURE * stature_m / 4
    ring_beyond_hand = (RINGS_APART_M - grip_m) / 2
    place = ring_beyond_hand / finger_m
    nearest = round(place + 1.5)
    if 0 <= nearest <= 3:
        return f"{_FINGERS[nearest]} on the ring"
    if nearest < 0:
        return f"index finger {-nearest * finger_m * 100:.0f} cm outside the ring"
    return f"little finger {(nearest - 3) * finger_m * 100:.0f} cm inside the ring"
