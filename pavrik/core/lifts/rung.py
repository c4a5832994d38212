"""Rungs of a learning ladder, and what time allows of them. Common practice, no source."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

from pavrik.core.assumptions import assume
from pavrik.words import say

WEEKS_TO_TEACH = assume("weeks_to_teach", 4, "weeks", "coaching that a barbell lift takes to learn")


@dataclass(frozen=True)
class Rung:
    """One rung; ``flat`` says that no raised heel is needed on it, ``barbell`` that it takes weeks
    of coaching."""

    name: str
    ready: bool
    flat: bool
    why: str
    barbell: bool = True


def in_the_time(rungs: Sequence[Rung], weeks: int | None) -> list[Rung]:
    """The rungs with those closed that so many weeks are too short for; None: time enough."""
    if weeks is None or weeks >= WEEKS_TO_TEACH:
        return list(rungs)
    told = say("lifts.weeks_too_short_teach", weeks=weeks)
    return [replace(r, ready=False, why=told) if r.barbell and r.ready else r for r in rungs]


def where_to_stand(rungs: Sequence[Rung]) -> tuple[Rung | None, Rung | None]:
    """The highest rung that this body is ready for, and the first closed one above it."""
    ready = [at for at, rung in enumerate(rungs) if rung.ready]
    highest = ready[-1] if ready else -1
    above = next((rung for rung in rungs[highest + 1 :] if not rung.ready), None)
    return (rungs[highest] if ready else None), above
