"""What a coach's hand on a plan runs against: told, never refused. Common practice, no source."""

from collections.abc import Iterator
from datetime import date, timedelta

from pavrik.core.prescription.lift_work import WORK
from pavrik.core.prescription.plan_lines import HEAVY_SINGLE
from pavrik.core.prescription.plan_parts import Day, Plan, PlanAsk
from pavrik.core.prescription.reason import Reason
from pavrik.core.prescription.training_dates import LAST_BEFORE_MEET
from pavrik.words import say

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
        yield Reason(say("prescription.work_days_before_meet", on=day.on, left=left))
        return
    for lift, work in WORK.items():
        if left <= work.no_heavy_days and _is_heavy(day, lift):
            yield Reason(
                say(
                    "prescription.more_days_before_meet",
                    lift=lift,
                    heavy_single=HEAVY_SINGLE,
                    on=day.on,
                    left=left,
                    no_heavy_days=work.no_heavy_days,
                )
            )


def _too_close(days: dict[date, Day], day: Day) -> Iterator[Reason]:
    tomorrow = days.get(day.on + timedelta(days=1))
    if tomorrow is None:
        return
    for lift in WORK:
        for other in WORK:
            if lift != other and _is_heavy(day, lift) and _is_heavy(tomorrow, other):
                yield Reason(
                    say("prescription.heavy_heavy_day_after", lift=lift, on=day.on, other=other)
                )


def concerns(plan: Plan, ask: PlanAsk) -> list[Reason]:
    """What a plan runs against, in the order of its days."""
    days = {day.on: day for day in plan.days()}
    found: list[Reason] = []
    for day in plan.days():
        if day.on in ask.blocked:
            found.append(Reason(say("prescription.blocked_work_move", on=day.on)))
        found += _near_the_meet(day, ask)
        found += _too_close(days, day)
    for week in plan.weeks:
        if len({day.on for day in week.days}) >= WEEK_DAYS:
            found.append(Reason(say("prescription.week_no_day_rest", number=week.number)))
    return found


def new_concerns(computed: Plan, by_hand: Plan, ask: PlanAsk) -> list[Reason]:
    """What the hand brought in that the plan as computed does not run against."""
    before = {one.text for one in concerns(computed, ask)}
    return [one for one in concerns(by_hand, ask) if one.text not in before]
