"""What a lifter wears and what of it the model does not count."""

_ADVICE: dict[str, tuple[str, ...]] = {
    "raw": (),
    "sleeves": ("sleeves and wraps push back a little at the bottom; the model counts none of it",),
    "suit": (
        "a suit is counted as one that fits: what it holds at the hips and takes from their "
        "flexion is assumed, and differs by cloth and size until lifts in it are logged",
        "in a suit most carry the bar higher (the straps are thick), break at the hips first, and "
        "need pins or side spotters at every heavy set",
    ),
}


def gear_advice(gear: str) -> list[str]:
    """Sentences for what is worn: raw, sleeves or suit."""
    return list(_ADVICE[gear])
