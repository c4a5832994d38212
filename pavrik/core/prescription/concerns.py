"""What a coach's hand on a plan runs against: told, never refused. Common practice, no source."""

from collections.abc import Iterator
from datetime import date, timedelta

from pavrik.core.prescription.lift_work import WORK
from pavrik.core.prescription.plan_lines import HEAVY_SINGLE
from pavrik.core.prescription.plan_parts import Day, Plan, PlanAsk
from pavrik.core.prescription.reason import Reason
from pavrik.core.prescription.training_dates import LAST_BEFORE_MEET

WEEK_DAYS = 7


def _is_heavy(day: Day, lift: str) -> bool:
    return any(
        line.lift == lift and (line.share or 0.0) >= HEAVY_SINGLE
        for line in day.lines
        if not line.left_out
    )


def _near_the_meet(day: Day, ask: PlanAsk) -> Iterator[Reason]:
    if ask.meet is None:
        return
    left = (ask.meet - day.on).days
    if left < LAST_BEFORE_MEET:
        yield Reason(f"{day.on:%a %d %b} has work on it, {left} days before the meet: leave it out")
        return
    for lift, work in WORK.items():
        if left <= work.no_heavy_days and _is_heavy(day, lift):
            yield Reason(
                f"a {lift} of {HEAVY_SINGLE:.0%} or more on {day.on:%a %d %b}, {left} days before "
                f"the meet: nothing so heavy in the last {work.no_heavy_days}"
            )


def _too_close(days: dict[date, Day], day: Day) -> Iterator[Reason]:
    tomorrow = days.get(day.on + timedelta(days=1))
    if tomorrow is None:
        return
    for lift in WORK:
        for other in WORK:
            if lift != other and _is_heavy(day, lift) and _is_heavy(tomorrow, other):
                yield Reason(
                    f"heavy {lift} on {day.on:%a %d %b} and heavy {other} the day after: leave "
                    "48 hours between them where the days allow"
                )


def concerns(plan: Plan, ask: PlanAsk) -> list[Reason]:
    """What a plan runs against, in the order of its days."""
    days = {day.on: day for day in plan.days()}
    found: list[Reason] = []
    for day in plan.days():
        if day.on in ask.blocked:
            found.append(Reason(f"{day.on:%a %d %b} is blocked and has work on it: move it"))
        found += _near_the_meet(day, ask)
        found += _too_close(days, day)
    for week in plan.weeks:
        if len({day.on for day in week.days}) >= WEEK_DAYS:
            found.append(Reason(f"week {week.number} has no day of rest"))
    return found


def new_concerns(computed: Plan, by_hand: Plan, ask: PlanAsk) -> list[Reason]:
    """What the hand brought in that the plan as computed does not run against."""
    before = {one.text for one in concerns(computed, ask)}
    return [one for one in concerns(by_hand, ask) if one.text not in before]
