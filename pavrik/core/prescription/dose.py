"""How many hard sets a week: from what the lifter is used to, a tenth more at most.

Common practice, no source: the numbers are assumptions. What is too much is taken off where it is
missed least: from the specials, then from other days, then from the main work's own sets; a top
single stays.
"""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date, timedelta

from pavrik.core.assumptions import assume, assume_each
from pavrik.core.log.training_set import TrainingSet
from pavrik.core.prescription.plan_parts import Day, Line, PlanAsk, Week
from pavrik.core.prescription.reason import Reason
from pavrik.core.prescription.volume import is_hard
from pavrik.words import say

LOOK_BACK = timedelta(weeks=6)
LEAST_WEEKS = 3
"""Weeks with the lift from which a log says what a lifter is used to."""
LEAST_RATED = 0.5
"""Share of the sets with an RPE from which it does."""
LOW_SETS = assume_each(
    "weekly_sets_low", {"novice": 6.0, "trained": 8.0, "advanced": 10.0}, "sets",
    "hard sets of a lift in a week that nobody is held below, by training age",
)  # fmt: skip
HIGH_SETS = assume_each(
    "weekly_sets_high", {"novice": 9.0, "trained": 12.0, "advanced": 15.0}, "sets",
    "hard sets of a lift in a week at most where no log says what a lifter is used to",
)  # fmt: skip
MOST_MORE = assume("weekly_sets_more", 0.10, "share", "hard sets more than the week before at most")
FROM_40, FROM_50 = 0.10, 0.20
"""Fewer from these ages on."""
LEAST_SETS = 2
FAR_BELOW = 0.6
"""A plan with less than this share of what the log has says so."""


@dataclass(frozen=True)
class UsedTo:
    """Hard sets of a lift in a week as the last weeks had them, and how many weeks that were."""

    sets: float
    weeks: int


def used_to(history: Sequence[TrainingSet], today: date) -> UsedTo | None:
    """From the last six weeks in which the lift was trained; None where too few were, or too few
    sets have an RPE."""
    recent = [
        s for s in history if not s.told and today - LOOK_BACK <= date.fromisoformat(s.day) < today
    ]
    weeks = {(today - date.fromisoformat(s.day)).days // 7 for s in recent}
    rated = sum(s.rpe is not None for s in recent)
    if len(weeks) < LEAST_WEEKS or rated < LEAST_RATED * len(recent):
        return None
    return UsedTo(sum(is_hard(s.rpe) for s in recent) / len(weeks), len(weeks))


def most_sets(used: UsedTo | None, ask: PlanAsk, loading_weeks: int) -> tuple[float, str]:
    """Hard sets of a lift in the so-manieth loading week (0 is the first) at most, and why."""
    less = FROM_50 if ask.years >= 50 else FROM_40 if ask.years >= 40 else 0.0
    aged = (
        say(
            "prescription.a_less_at", which="fifth" if less == FROM_50 else "tenth", years=ask.years
        )
        if less
        else ""
    )
    low, high = (limit[ask.training_age] * (1 - less) for limit in (LOW_SETS, HIGH_SETS))
    if used is None:
        return high, say("prescription.up_hard_sets_week", high=high, aged=aged)
    grown = used.sets * (1 + MOST_MORE) ** (loading_weeks + 1)
    if grown < low:
        return low, say("prescription.up_hard_sets_week_log", low=low, aged=aged, sets=used.sets)
    return grown, say("prescription.log_hard_sets_week", sets=used.sets)


def _of(lift: str) -> Callable[[Line], bool]:
    return lambda x: x.lift == lift and is_hard(x.rpe) and not x.left_out and x.until_rpe is None


def hard_sets(week: Week, lift: str) -> int:
    """Hard sets of a lift in a week."""
    counts = _of(lift)
    return sum(line.sets for day in week.days for line in day.lines if counts(line))


def _give(lines: dict[str, Line]) -> bool:
    """Take a set, or a whole special, from where it is missed least; False where nothing is left
    to give. A special keeps two sets or goes; one stays as long as other days can give."""
    specials = [x for x in lines.values() if x.kind == "special"]
    for kind in ("special", "second", "main"):
        can = [x for x in lines.values() if x.kind == kind and x.sets > LEAST_SETS]
        if can:
            most = max(can, key=lambda x: x.sets)
            lines[most.line_id] = replace(most, sets=most.sets - 1)
            return True
        if kind == "special" and len(specials) > 1:
            break
    if not specials:
        return False
    del lines[specials[-1].line_id]
    return True


def _trimmed(week: Week, lift: str, most: float, why: str) -> Week:
    counts = _of(lift)
    before = {x.line_id: x for day in week.days for x in day.lines if counts(x)}
    after = dict(before)
    while sum(x.sets for x in after.values()) > most and _give(after):
        pass
    if after == before:
        return week
    gone = before.keys() - after.keys()

    def told(day: Day) -> Day:
        kept = (x for x in day.lines if x.line_id not in gone)
        return replace(day, lines=tuple(_told(x, after.get(x.line_id, x), why) for x in kept))

    return replace(week, days=tuple(told(day) for day in week.days))


def _told(before: Line, after: Line, why: str) -> Line:
    if before.sets == after.sets:
        return before
    told = Reason(say("prescription.sets_instead", sets=after.sets, planned=before.sets, why=why))
    return replace(after, reasons=(*after.reasons, told))


def _lighter(week: Week, lift: str, usual: Mapping[str, int]) -> Week:
    """A light week with a set less of each special than the loading weeks have, and none that they
    had to give up."""

    def of(line: Line) -> Line | None:
        if line.lift != lift or line.kind != "special":
            return line
        least = usual.get(line.variation)
        return None if least is None else replace(line, sets=min(line.sets, max(least - 1, 1)))

    def day(one: Day) -> Day:
        return replace(one, lines=tuple(x for x in map(of, one.lines) if x is not None))

    return replace(week, days=tuple(day(one) for one in week.days))


def _fewest(weeks: Sequence[Week], lift: str) -> dict[str, int]:
    """Fewest sets that each special of a lift has in any of some weeks."""
    found: dict[str, int] = {}
    for week in weeks:
        for line in (x for day in week.days for x in day.lines):
            if line.lift == lift and line.kind == "special":
                found[line.variation] = min(found.get(line.variation, line.sets), line.sets)
    return found


def within_dose(
    weeks: Sequence[Week], histories: Mapping[str, Sequence[TrainingSet]], ask: PlanAsk,
    today: date, first_week: int,
) -> tuple[tuple[Week, ...], list[Reason]]:  # fmt: skip
    """Weeks from the first one on with no more hard sets of a lift than the lifter can take, and
    what a plan has far less of than the log."""
    found, told = list(weeks), []
    for lift, history in histories.items():
        used = used_to(history, today)
        coming = [at for at, week in enumerate(found) if at >= first_week and week.days]
        loading = [at for at in coming if found[at].role not in ("light", "test")]
        for number, at in enumerate(loading):
            found[at] = _trimmed(found[at], lift, *most_sets(used, ask, number))
        planned = [hard_sets(found[at], lift) for at in loading]
        usual = _fewest([found[at] for at in loading], lift)
        for at in coming if loading else ():
            if found[at].role == "light":
                found[at] = _lighter(found[at], lift, usual)
        if used is None or used.sets < LOW_SETS[ask.training_age] or not planned:
            continue
        if max(planned) < FAR_BELOW * used.sets:
            told.append(
                Reason(
                    say(
                        "prescription.log_hard_sets_week_plan",
                        sets=used.sets,
                        lift=lift,
                        planned=max(planned),
                    )
                )
            )
    return tuple(found), told
