"""A pull too light for full discs: how the bar gets to the height that the start was fitted for.

The rule book's discs are at most 450 mm, so a bar on full discs stands at 0.225 m; lighter discs
are smaller (common practice, no source).
"""

from collections.abc import Sequence

from pavrik.core.assumptions import assume
from pavrik.words import say

LIGHT_DISCS = "light discs"
"""What a gym owns them as."""
FULL_DISC_KG = assume(
    "full_disc_from_kg", 15.0, "kg", "from this weight on discs are taken to be of full diameter"
)
BAR_HEIGHT_M = 0.225
SMALL_DISC_M = assume("small_disc_radius_m", 0.16, "m", "usual radius of a 10 kg disc")


def stands_low(per_side: Sequence[float], light_discs: bool) -> bool:
    """True where no disc of full diameter is on the bar."""
    return not light_discs and max(per_side, default=0.0) < FULL_DISC_KG


def light_start_words(per_side: Sequence[float], light_discs: bool) -> str:
    """What to do about a bar that stands too low; empty where it does not."""
    if not stands_low(per_side, light_discs):
        return ""
    lift = round((BAR_HEIGHT_M - SMALL_DISC_M) * 100)
    return say("equipment.no_full_disc_bar", lift=lift, bar_height_m=BAR_HEIGHT_M * 100)
