"""What a lifter wears and what of it the model does not count."""

_ADVICE: dict[str, tuple[str, ...]] = {
    "raw": (),
    "sleeves": ("sleeves and wraps push back a little at the bottom; the model counts none of it",),
    "suit": (
        "the model holds for lifting without a suit: a suit carries at the hips what is not "
        "counted here, so the band is too low and too narrow",
        "in a suit, most stand wider and carry the bar higher than here (the straps are thick), "
        "break at the hips first, and need pins or side spotters at every heavy set",
    ),
}


def gear_advice(gear: str) -> list[str]:
    """Sentences for what is worn: raw, sleeves or suit."""
    return list(_ADVICE[gear])
