"""What a variation gains that a static use does not show: time in a position, and way.

Common practice, no source, except that more time and more range at an equal use train more.
"""

from pavrik.core.assumptions import assume
from pavrik.core.variations.catalogue import Variation
from pavrik.core.variations.loading import Loading
from pavrik.words import say

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
        where = (
            say("variations.at_place", place=variation.place)
            if variation.place
            else say("variations.in_the_rep")
        )
        told.append(
            say(
                "variations.s_held_times_time",
                hold_s=variation.hold_s,
                where=where,
                time_share=time_share(variation),
            )
        )
    way = way_share(loading, own)
    if abs(way - 1.0) >= NOTICED_WAY and loading.way_m and own.way_m:
        more = "more" if way > 1 else "less"
        told.append(
            say(
                "variations.cm_way",
                way_m=abs(loading.way_m - own.way_m) * 100,
                more=more,
                way=way - 1.0,
            )
        )
    return told
