"""What a variation gains that a static use does not show: time in a position, and way.

Common practice, no source, except that more time and more range at an equal use train more.
"""

from pavrik.core.assumptions import assume
from pavrik.core.variations.catalogue import Variation
from pavrik.core.variations.loading import Loading

PASSING_S = assume("position_passed_s", 1.5, "s", "time that a rep takes through a position anyway")
NOTICED_WAY = 0.03
"""Share of the way from which a difference is told."""


def time_share(variation: Variation) -> float:
    """Time in the position that a variation holds, over that of the competition lift."""
    return 1.0 + variation.hold_s / PASSING_S


def way_share(loading: Loading, own: Loading) -> float:
    """Way of a rep over the competition lift's; 1 where it is not known."""
    return loading.way_m / own.way_m if loading.way_m and own.way_m else 1.0


def gains(variation: Variation, loading: Loading, own: Loading) -> list[str]:
    """What it gains, in words."""
    told = []
    if variation.hold_s:
        where = f"at {variation.place}" if variation.place else "in the rep"
        told.append(
            f"{variation.hold_s:g} s held {where}: {time_share(variation):.1f} times the time there"
        )
    way = way_share(loading, own)
    if abs(way - 1.0) >= NOTICED_WAY and loading.way_m and own.way_m:
        more = "more" if way > 1 else "less"
        told.append(f"{abs(loading.way_m - own.way_m) * 100:.0f} cm {more} way ({way - 1.0:+.0%})")
    return told
