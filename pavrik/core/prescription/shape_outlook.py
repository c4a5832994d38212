"""What a shape comes to before anybody trains by it: its weeks in a row, and what a coach of long
experience would ask about them. Common practice, no source."""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Literal

from pavrik.core.prescription.dose import HIGH_SETS
from pavrik.core.prescription.season import steps_of, week_roles
from pavrik.core.prescription.shape import Dose, Shape, WeekRole
from pavrik.core.prescription.volume import is_hard
from pavrik.words import say

SHOWN_WEEKS = 12
HEAVY = 0.85
HEAVY_SHARE = 1 / 6
"""Of the reps of the strengthening and sharpening weeks that are heavy before a meet at least."""
TOO_HARD_RPE = 9.0
"""From this effort on work is not recovered from week after week."""
LOADING: tuple[WeekRole, ...] = ("build", "strengthen", "sharpen")


@dataclass(frozen=True)
class OutlinedWeek:
    """A week of a season in this shape: what its main, second and volume days ask for."""

    number: int
    role: WeekRole
    main: tuple[Dose, ...]
    second: Dose
    volume: Dose | None

    @property
    def top_share(self) -> float:
        """Share of the max of its heaviest main set."""
        return _top(self.main)


def _top(doses: Sequence[Dose]) -> float:
    return max(dose.load_share() for dose in doses)


def _work(doses: Sequence[Dose]) -> float:
    """Reps times share of the max, summed."""
    return sum(dose.sets * dose.reps * dose.load_share() for dose in doses)


def _hardest(doses: Sequence[Dose]) -> float:
    return max(dose.rpe for dose in doses)


def outline(
    shape: Shape, weeks: int = SHOWN_WEEKS, ends: Literal["meet", "test", "open"] = "test"
) -> tuple[OutlinedWeek, ...]:
    """The weeks of a season of this shape, without a lifter: no cap, no cut, no step of plates."""
    roles = week_roles(weeks, ends, shape.light_every)
    return tuple(
        OutlinedWeek(
            number, role, shape.main_of(role, step), shape.second[role], shape.volume.get(role)
        )
        for number, (role, step) in enumerate(zip(roles, steps_of(roles), strict=True), start=1)
    )


def _within_blocks(shape: Shape) -> list[str]:
    """Blocks that stand still or fall."""
    found = []
    for role in LOADING:
        for week, (before, after) in enumerate(pairwise(shape.main[role]), start=2):
            if after == before:
                found.append(
                    say("prescription.week_asks_what_week", role=role, week=week, before=week - 1)
                )
            elif _hardest(after) < _hardest(before):
                found.append(
                    say(
                        "prescription.rpe_week_after_within",
                        role=role,
                        hardest=_hardest(after),
                        week=week,
                        before=_hardest(before),
                    )
                )
    return found


def _too_hard(shape: Shape) -> list[str]:
    return [
        say("prescription.rpe_week_block_effort", role=role, hardest=_hardest(day), week=week)
        for role in LOADING
        for week, day in enumerate(shape.main[role], start=1)
        if _hardest(day) >= TOO_HARD_RPE
    ]


def _light_enough(shape: Shape) -> list[str]:
    light, build = _work(shape.main["light"][0]), _work(shape.main["build"][0])
    if light < 0.75 * build:
        return []
    return [say("prescription.light_main_day_first", light=light / build)]


def _heavy_enough(shape: Shape) -> list[str]:
    """Of the weeks that a season really has: the last step of a block comes more often."""
    reps = [
        (dose.sets * dose.reps, dose.load_share() >= HEAVY)
        for week in outline(shape)
        if week.role in ("strengthen", "sharpen")
        for dose in week.main
    ]
    share = sum(n for n, heavy in reps if heavy) / sum(n for n, _ in reps)
    if share >= HEAVY_SHARE:
        return []
    return [say("prescription.reps_strengthen_sharpen_weeks", share=share, heavy=HEAVY)]


def _hard_sets(shape: Shape) -> list[str]:
    """Hard sets of one lift in the fullest week, with the day for volume where there is one."""
    most = max(
        sum(dose.sets for dose in (*week.main, week.second, *([week.volume] if week.volume else []))
            if is_hard(dose.rpe))
        for week in outline(shape)
    )  # fmt: skip
    if most <= HIGH_SETS["trained"]:
        return []
    return [say("prescription.up_hard_sets_lift", most=most, high_sets=HIGH_SETS["trained"])]


def _volume_used(shape: Shape) -> list[str]:
    used = any(part == "volume" for of in shape.days.values() for day in of for _, part in day)
    if used or not shape.volume:
        return []
    return [say("prescription.volume_says_what_such")]


def remarks(shape: Shape) -> list[str]:
    """What a coach would ask about a shape. It can be used all the same."""
    checks = (_within_blocks, _too_hard, _light_enough, _heavy_enough, _hard_sets, _volume_used)
    return [told for check in checks for told in check(shape)]
