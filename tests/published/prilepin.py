"""Prilepin's table (Soviet weightlifting, from memory): reps of a set and of a session by zone."""

from collections.abc import Iterable
from dataclasses import dataclass


@dataclass(frozen=True)
class Zone:
    """Shares of the max from ``low`` up to ``high``; reps per set and per session."""

    low: float
    high: float
    reps_of_set: tuple[int, int]
    reps_of_session: tuple[int, int]


PRILEPIN = (
    Zone(0.55, 0.70, (3, 6), (18, 30)),
    Zone(0.70, 0.80, (3, 6), (12, 24)),
    Zone(0.80, 0.90, (2, 4), (10, 20)),
    Zone(0.90, 1.06, (1, 2), (4, 10)),
)


def zone_of(share: float) -> Zone | None:
    """The zone of a share of the max; None below the table."""
    return next((z for z in PRILEPIN if z.low <= share < z.high), None)


def too_many_reps(work: Iterable[tuple[int, int, float]]) -> list[str]:
    """What oversteps the table in one session of one lift: (sets, reps, share of the max) each.

    A session in several zones may use up each zone's most reps only in part: the parts add up to
    one at most.
    """
    told, used = [], 0.0
    for sets, reps, share in work:
        zone = zone_of(share)
        if zone is None:
            continue
        used += sets * reps / zone.reps_of_session[1]
        if reps > zone.reps_of_set[1]:
            told.append(f"{reps} reps at {share:.0%}: a set has {zone.reps_of_set[1]} at most")
    if used > 1.0 + 1e-9:
        told.append(f"{used:.0%} of what a session may hold")
    return told
