"""What stands in for the competition lift while a region hurts: a lift that loads it less at the
same share of its own max, by the model's moments. Common practice, no source."""

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass

from pavrik.core.prescription.lift_work import WORK
from pavrik.core.variations.catalogue import Variation
from pavrik.core.variations.loading import COMPETITION, Loading
from pavrik.words import all_of, say

CLEARLY = 0.95
"""A lift stands in where it has at most so much of the competition lift's moment on what hurts."""


@dataclass(frozen=True)
class StandIn:
    """A variation that is the main lift while it hurts, and why."""

    variation: str
    words: str


def _share(one: Variation, loading: Loading, own: Loading, region: str) -> float:
    """The variation's moment on a region over the competition lift's; 0 where its handles or its
    place spare it, 1 where nothing is known of it."""
    if region in one.spares:
        return 0.0
    moment, most = loading.moment_nm(region), own.moment_nm(region)
    return moment / most if moment is not None and most else 1.0


def stand_in(
    lift: str, variations: Sequence[Variation], loadings: Mapping[str, Loading],
    allowed: Collection[str], hurts: Sequence[str],
) -> StandIn | None:  # fmt: skip
    """The lift that comes in for what hurts; None where the competition lift spares it as well.
    Where several regions hurt it spares each. Usual ones go before others."""
    if not hurts:
        return None
    by_name, own = {v.name: v for v in variations}, loadings[COMPETITION]
    for group in (WORK[lift].sparer, WORK[lift].instead):
        worst = {
            name: max(_share(by_name[name], loadings[name], own, region) for region in hurts)
            for name in group
            if name in allowed and name in loadings and name in by_name
        }
        least = min(worst, key=lambda name: worst[name], default=None)
        if least is not None and worst[least] <= CLEARLY:
            regions = all_of(sorted(set(hurts)))
            less = say("prescription.next_nothing_there")
            if worst[least]:
                less = say("prescription.less_there_same_share", worst=1 - worst[least])
            words = say(
                "prescription.pain_flag_stands", regions=regions, least=least, lift=lift, less=less
            )
            return StandIn(least, words)
    return None
