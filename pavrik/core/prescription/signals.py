"""Signs of fatigue in the log: a lighter week is proposed, never imposed.

Both signs look past the noise of days and of ratings: of lifters who hold their level one day in
forty gives a sign, of lifters who lose 2 % a day nine in ten give one within four days.
"""

from collections.abc import Sequence
from statistics import fmean

from pavrik.core.assumptions import assume
from pavrik.core.faults.findings import competition_trend
from pavrik.core.log.training_set import COMPETITION, TrainingSet
from pavrik.core.prescription.reason import Reason, in_kg
from pavrik.words import say

FALLS = 2
FALL_SHARE = assume(
    "trend_fall",
    0.012,
    "share",
    "a fall of the trend over two days below this is the noise of days",
)
EQUAL_LOAD = 0.01
HARDER = assume("felt_harder", 1.0, "RPE", "equal work that felt so much harder is a sign")
EARLIER_DAYS = 3
"""Equal work of so many days is what a day is held against: one day's rating is half noise."""


def _falling(sets: Sequence[TrainingSet], age: str) -> Reason | None:
    last = [one for one in competition_trend(sets, age) if not one[2].by][-FALLS:]
    if len(last) < FALLS or not all(found.last_step_kg < 0 for _, _, found in last):
        return None
    lost = -sum(found.last_step_kg for _, _, found in last)
    if lost < FALL_SHARE * last[-1][2].kg:
        return None
    days = {day for day, _, _ in last}
    facts = tuple(s.set_id for s in sets if s.day in days)
    return Reason(
        say("prescription.trend_fell_exposures_running", falls=FALLS, in_kg=in_kg(lost)), facts[-4:]
    )


def _harder(sets: Sequence[TrainingSet]) -> Reason | None:
    """The newest day's heaviest work felt a point of RPE harder than equal work did before."""
    rated = [
        (s, s.rpe) for s in sets if s.variation == COMPETITION and s.reps and s.rpe is not None
    ]
    if not rated:
        return None
    today = rated[-1][0].day
    now = max((s for s, _ in rated if s.day == today), key=lambda s: s.load_kg)
    alike = [
        (s, rpe) for s, rpe in rated
        if s.reps == now.reps and abs(s.load_kg / now.load_kg - 1) <= EQUAL_LOAD
    ]  # fmt: skip
    earlier = sorted({s.day for s, _ in alike} - {today})[-EARLIER_DAYS:]
    if not earlier:
        return None
    felt = {day: fmean(rpe for s, rpe in alike if s.day == day) for day in (*earlier, today)}
    before = fmean(felt[day] for day in earlier)
    if felt[today] - before < HARDER:
        return None
    told = say("prescription.like_on", before=before, earlier=earlier[-1])
    if len(earlier) > 1:
        told = say("prescription.like_such_days_before", before=before, earlier=len(earlier))
    facts = tuple(s.set_id for s, _ in alike if s.day in felt)
    return Reason(
        say(
            "prescription.felt_like_rpe",
            reps=now.reps,
            in_kg=in_kg(now.load_kg),
            felt=felt[today],
            today=today,
            told=told,
        ),
        facts,
    )


def light_week(because: Sequence[Reason]) -> list[Reason]:
    """The proposal of a lighter week with its reasons; empty where nothing asks for one."""
    return [
        Reason(say("prescription.lighter_week_would_wise", because=found.text), found.facts)
        for found in because
    ]


def light_week_because(sets: Sequence[TrainingSet], age: str) -> list[Reason]:
    """Why a lighter week would be wise; empty where nothing says so. Sets oldest first."""
    return [found for found in (_falling(sets, age), _harder(sets)) if found]
