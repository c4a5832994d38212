"""The frame of a plan: roles of the weeks, what each day is for, what stands before a meet.

Common practice, no source, except where named.
"""

from collections.abc import Mapping, Sequence, Set
from datetime import date
from typing import Literal

from pavrik.core.competition_lifts import LIFT_IDS
from pavrik.core.prescription.shape import Days, Dose, Shape, WeekRole
from pavrik.words import say

BUILD_SHARE = 0.45
SHORTEST, LONGEST = 3, 16
PRIMER_DAYS, NO_SPECIAL_DAYS = 2, 10
EASY = (Dose(1, 1, share=0.80), Dose(2, 2, share=0.65))
PRIMER = (Dose(2, 2, share=0.60),)
PEAK = (Dose(1, 1, share=0.945), Dose(2, 3, share=0.80))
"""Two to three weeks before a meet: the heaviest single, above the opener to come."""
LAST_HEAVY = (Dose(1, 1, share=0.91), Dose(2, 2, share=0.80))
"""The opener, rehearsed (tapering reviews, from memory: the load stays, the work halves)."""
PEAK_DAYS = (14, 24)
LAST_HEAVY_FROM: Mapping[str, int] = {"squat": 7, "deadlift": 8}
"""Least days before a meet of the last heavy day."""
TOP_STEP = 2
Anchor = Literal["peak", "last heavy"]


def week_roles(
    weeks: int, ends: Literal["meet", "test", "open"], light_every: int
) -> list[WeekRole]:
    """Roles of the weeks, first to last.

    A plan that ends in a meet or a test sharpens before it; every so-manieth week is light unless
    it would stand among the last two before the end (0: only where the signs ask for it).
    """

    def is_light(week: int) -> bool:
        return light_every > 0 and (week + 1) % light_every == 0

    if ends == "open":
        return [
            "light" if is_light(i) else ("build" if i < weeks / 2 else "strengthen")
            for i in range(weeks)
        ]
    before = weeks - 1
    sharpen = 1 if weeks <= 6 else 2
    work = before - sharpen
    roles: list[WeekRole] = []
    for i in range(work):
        if is_light(i) and i < work - 1:
            roles.append("light")
        else:
            roles.append("build" if i < BUILD_SHARE * before else "strengthen")
    roles += ["sharpen"] * sharpen
    return [*roles, "test"]


def before_meet(
    lift: str, left_days: int, no_heavy_days: int, role: WeekRole
) -> tuple[tuple[Dose, ...], str] | None:
    """Main work so many days before a meet, and why; None where the role's work stands."""
    if left_days <= PRIMER_DAYS:
        return PRIMER, say("prescription.days_before_meet_primer", left_days=left_days)
    if left_days <= no_heavy_days:
        text = say(
            "prescription.days_before_meet_no",
            left_days=left_days,
            lift=lift,
            no_heavy_days=no_heavy_days,
        )
        return EASY, text
    if role == "test":
        return EASY, say("prescription.meet_week_easy_single")
    return None


def after_rest(roles: Sequence[WeekRole], without_work: Set[int]) -> list[WeekRole]:
    """Roles with no light week behind a week without work: that was the rest, the block goes on."""
    found = list(roles)
    for week in range(1, len(found)):
        if found[week] == "light" and week - 1 in without_work:
            found[week] = found[week - 1]
    return found


def steps_of(roles: Sequence[WeekRole], without_work: Set[int] = frozenset()) -> list[int]:
    """Where in its block each week stands: loads climb with it. After a light week a block that was
    climbed to its top begins again at its second step, another one goes on; after a week without
    work its step comes again."""
    found: list[int] = []
    step, before = 0, ""
    rested = False
    for week, role in enumerate(roles):
        if role == "light":
            rested = True
            found.append(0)
            continue
        climbed = rested and step >= TOP_STEP
        if role != before:
            step = 0
        elif week - 1 not in without_work:
            step = 1 if climbed else step + 1
        before, rested = role, False
        found.append(step)
    return found


def days_of(shape: Shape, days: int) -> Days:
    """What each training day of a week is for; a fifth and sixth day are for support work."""
    squat, pull = LIFT_IDS
    own = shape.days.get(min(days, 4))
    if own is not None:
        return own + ((),) * max(days - 4, 0)
    whole: dict[int, Days] = {
        0: (),
        1: (((squat, "main"), (pull, "main")),),
        2: (((squat, "main"), (pull, "second")), ((pull, "main"), (squat, "second"))),
        3: (((squat, "main"),), ((pull, "main"),), ((squat, "second"), (pull, "second"))),
        4: (((squat, "main"),), ((pull, "main"),), ((squat, "second"),), ((pull, "second"),)),
    }
    return whole[min(days, 4)] + ((),) * max(days - 4, 0)


def anchors_of(meet: date, mains: Mapping[str, Sequence[date]]) -> dict[tuple[str, date], Anchor]:
    """Counted back from a meet of any weekday: the last heavy day of each lift, and the heaviest
    single two to three weeks out."""
    found: dict[tuple[str, date], Anchor] = {}
    for lift, days in mains.items():
        left = {on: (meet - on).days for on in days}
        last = max((on for on in days if left[on] >= LAST_HEAVY_FROM[lift]), default=None)
        if last is not None and left[last] < PEAK_DAYS[0]:
            found[lift, last] = "last heavy"
        peaks = [on for on in days if PEAK_DAYS[0] <= left[on] <= PEAK_DAYS[1]]
        if peaks:
            found[lift, max(peaks)] = "peak"
    return found


def anchored(anchor: Anchor, left_days: int) -> tuple[tuple[Dose, ...], str]:
    """Main work of an anchored day, and why."""
    if anchor == "peak":
        return PEAK, say("prescription.days_before_meet_heaviest", left_days=left_days)
    return LAST_HEAVY, say("prescription.days_before_meet_last", left_days=left_days)
