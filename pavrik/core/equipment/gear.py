"""What a lifter wears and what of it the model does not count."""

from pavrik.words import say

_ADVICE: dict[str, tuple[str, ...]] = {
    "raw": (),
    "sleeves": (say("equipment.sleeves_wraps_push_back"),),
    "suit": (
        say("equipment.suit_counted_fits_what"),
        say("equipment.suit_most_carry_bar"),
    ),
}


def gear_advice(gear: str) -> list[str]:
    """Sentences for what is worn: raw, sleeves or suit."""
    return list(_ADVICE[gear])
