"""Pain: what a flag caps while it stands, and the weekly way back after a coach has cleared it.

Common practice, no source; sharp, radiating or new pain is for a licensed clinician.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from pavrik.core.assumptions import assume, assume_each
from pavrik.core.prescription.caps import Cap
from pavrik.words import all_of, say

PAIN_CAP_SHARE = assume(
    "pain_cap_share", 0.70, "share", "most of the estimated max while a pain flag stands"
)
WAY_BACK = tuple(
    assume_each(
        "pain_way_back", {"week_1": 0.80, "week_2": 0.90}, "share",
        "most of the estimated max in the weeks after a flag is cleared",
    ).values()
)  # fmt: skip
LONG_FLAG_DAYS = 7
"""A flag that stood for less goes back in one week, by the last step."""
WEEK_DAYS = 7


@dataclass(frozen=True)
class PainFlag:
    """A region that hurts and has not been cleared."""

    flag_id: str
    region: str

    @property
    def fact(self) -> str:
        """What a reason rests on."""
        return f"flag:{self.flag_id}"


@dataclass(frozen=True)
class Clearance(PainFlag):
    """A region that hurt from one day to another, when a coach cleared it."""

    raised: date
    cleared: date

    def share_on(self, day: date) -> float | None:
        """Most of the max on a day after it; None where nothing is held back any more."""
        stood = (self.cleared - self.raised).days
        if stood < 1:
            return None
        steps = WAY_BACK if stood >= LONG_FLAG_DAYS else WAY_BACK[-1:]
        week = max((day - self.cleared).days, 0) // WEEK_DAYS
        return steps[week] if week < len(steps) else None


LONGEST_WAY_BACK_DAYS = WEEK_DAYS * len(WAY_BACK)


def regions_of(flags: Sequence[PainFlag]) -> str:
    """The regions in words."""
    return all_of(sorted({flag.region for flag in flags}))


def pain_caps(flags: Sequence[PainFlag], max_kg: float | None) -> list[Cap]:
    """What a flag that stands lets through of a max."""
    if not flags or max_kg is None:
        return []
    words = say(
        "prescription.pain_flag_estimated_max",
        regions_of=regions_of(flags),
        pain_cap_share=PAIN_CAP_SHARE,
    )
    return [Cap(PAIN_CAP_SHARE * max_kg, words, tuple(f.fact for f in flags), ends="")]


def way_back_caps(cleared: Sequence[Clearance], max_kg: float | None, on: date) -> list[Cap]:
    """What the weeks after a clearance let through of a max on a day."""
    if max_kg is None:
        return []
    found = []
    for one in cleared:
        share = one.share_on(on)
        if share is not None:
            words = say(
                "prescription.cleared_up_estimated_max",
                region=one.region,
                cleared=one.cleared,
                share=share,
            )
            found.append(Cap(share * max_kg, words, (one.fact,), ends=""))
    return found
