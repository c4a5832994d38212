"""Grip width in words a lifter can check on the bar: which finger lies on the ring.

The ring marks are 0.81 m apart (IPF technical rules, from memory).
"""

from pavrik.core.assumptions import assume
from pavrik.words import say

RINGS_APART_M = 0.81
HAND_SHARE_OF_STATURE = assume("hand_share_of_stature", 0.048, "share", "breadth of the hand")
_FINGERS = (
    say("equipment.index_finger"),
    say("equipment.middle_finger"),
    say("equipment.ring_finger"),
    say("equipment.little_finger"),
)


def ring_words(grip_m: float, stature_m: float) -> str:
    """Where the hands go; ``grip_m`` is between the middles of the hands, palms on the bar."""
    finger_m = HAND_SHARE_OF_STATURE * stature_m / 4
    ring_beyond_hand = (RINGS_APART_M - grip_m) / 2
    place = ring_beyond_hand / finger_m
    nearest = round(place + 1.5)
    if 0 <= nearest <= 3:
        return say("equipment.on_the_ring", fingers=_FINGERS[nearest])
    if nearest < 0:
        return say("equipment.index_finger_cm_outside", nearest=-nearest * finger_m * 100)
    return say("equipment.little_finger_cm_inside", nearest=(nearest - 3) * finger_m * 100)
