"""Shapes of a season: what a week asks of each lift, as data. Common practice, no source.

A shape gives for every role of a week the main work, week after week of a block, the second day's,
and where it has one a volume day's; what each training day is for; how often a week is light.
"""

import json
from collections.abc import Mapping
from dataclasses import dataclass, field
from functools import cache
from importlib.resources import files
from typing import Any, Literal, get_args

from pavrik.core.competition_lifts import LIFT_IDS
from pavrik.core.strength.estimated_max import load_for
from pavrik.words import say

WeekRole = Literal["build", "strengthen", "sharpen", "light", "test"]
ROLES: tuple[WeekRole, ...] = get_args(WeekRole)
Part = Literal["main", "second", "volume"]
PARTS: tuple[Part, ...] = get_args(Part)
Days = tuple[tuple[tuple[str, Part], ...], ...]
USUAL = "steady"
NOVICE = "novice"
MOST_SETS, MOST_REPS, MOST_BLOCK_WEEKS = 12, 12, 6
RPES, SHARES = (5.0, 10.0), (0.3, 1.0)
LIGHT_EVERY = (0, *range(2, 9))
MOST_ROTATION = 4
SEVERAL_DAYS = (1, 2, 3, 4)
"""Numbers of training days for which a shape may say what each is for."""


@dataclass(frozen=True)
class Dose:
    """Sets x reps at an RPE, or at a share of the max where the work is light on purpose."""

    sets: int
    reps: int
    rpe: float = 5.0
    share: float | None = None

    def load_share(self) -> float:
        """Share of the max that is wanted."""
        return self.share if self.share is not None else load_for(1.0, self.reps, self.rpe)


@dataclass(frozen=True)
class Shape:
    """``main`` by role: the doses of a day, one entry for each week of a block (the last one
    stays); ``days`` by training days of a week; ``light_every`` 0: only where the signs say so;
    ``rotates_weeks`` how long a main variation stays, 0: the competition lift."""

    id: str
    name: str
    words: str
    light_every: int
    main: Mapping[WeekRole, tuple[tuple[Dose, ...], ...]]
    second: Mapping[WeekRole, Dose]
    volume: Mapping[WeekRole, Dose] = field(default_factory=dict)
    days: Mapping[int, Days] = field(default_factory=dict)
    rotates_weeks: int = 0

    def main_of(self, role: WeekRole, step: int) -> tuple[Dose, ...]:
        """Main work in the so-manieth loading week of a block (0 is the first)."""
        weeks = self.main[role]
        return weeks[min(step, len(weeks) - 1)]

    def side_of(self, part: Part, role: WeekRole) -> Dose:
        """The second or the volume day's work."""
        return self.volume[role] if part == "volume" and self.volume else self.second[role]


def _dose(given: Mapping[str, Any]) -> Dose:
    return Dose(given["sets"], given["reps"], given.get("rpe") or Dose.rpe, given.get("share"))


def _day(parts: list[str]) -> tuple[tuple[str, Part], ...]:
    return tuple((lift, part) for lift, part in (one.split(" ") for one in parts))  # type: ignore[misc]


def dose_problem(dose: Dose) -> str | None:
    """Why a dose is none that a lifter could be asked for."""
    if not (1 <= dose.sets <= MOST_SETS and 1 <= dose.reps <= MOST_REPS):
        return say(
            "prescription.x_1_sets_1",
            sets=dose.sets,
            reps=dose.reps,
            most_sets=MOST_SETS,
            most_reps=MOST_REPS,
        )
    if dose.share is not None and not SHARES[0] <= dose.share <= SHARES[1]:
        return say("prescription.of_the_max_to", share=dose.share, low=SHARES[0], high=SHARES[1])
    if not RPES[0] <= dose.rpe <= RPES[1]:
        return say("prescription.rpe_to", rpe=dose.rpe, low=RPES[0], high=RPES[1])
    return None


def _dose_problems(shape: Shape) -> list[str]:
    """Every dose that nobody could be asked for, with its place."""
    sides = (("second", shape.second), ("volume", shape.volume))
    placed = [(f"{part} {role}", dose) for part, doses in sides for role, dose in doses.items()]
    placed += [
        (say("prescription.main_role_week", role=role, week=week), dose)
        for role, weeks in shape.main.items()
        for week, day in enumerate(weeks, start=1)
        for dose in day
    ]
    return [f"{where}: {why}" for where, dose in placed if (why := dose_problem(dose)) is not None]


def _days_problems(days: Mapping[int, Days]) -> list[str]:
    problems = []
    for n, of in days.items():
        mains = sorted(lift for day in of for lift, part in day if part == "main")
        if n not in SEVERAL_DAYS or len(of) != n or mains != sorted(LIFT_IDS):
            problems.append(say("prescription.days_need_entries_each", n=n))
        if any(len({lift for lift, _ in day}) < len(day) for day in of):
            problems.append(say("prescription.days_lift_stands_twice", n=n))
        problems += [
            say("prescription.there_no_part", part=part, lift=lift)
            for day in of
            for lift, part in day
            if lift not in LIFT_IDS or part not in PARTS
        ]
    return problems


def _problems(shape: Shape) -> list[str]:
    """Everything that keeps a shape from being one."""
    wanted = {"main": shape.main, "second": shape.second} | (
        {"volume": shape.volume} if shape.volume else {}
    )
    problems = [
        say("prescription.nothing_asked_these_weeks", name=name, role=role)
        for name, given in wanted.items()
        for role in ROLES
        if not given.get(role) or given[role] == ((),)
    ]
    problems += [
        say(
            "prescription.main_block_weeks_most",
            role=role,
            weeks=len(weeks),
            most_block_weeks=MOST_BLOCK_WEEKS,
        )
        for role, weeks in shape.main.items()
        if len(weeks) > MOST_BLOCK_WEEKS
    ]
    if shape.light_every not in LIGHT_EVERY:
        problems.append(
            say(
                "prescription.light_week_every_0",
                light_every=shape.light_every,
                most=LIGHT_EVERY[-1],
            )
        )
    if not 0 <= shape.rotates_weeks <= MOST_ROTATION:
        problems.append(
            say(
                "prescription.weeks_main_variation_0",
                rotates_weeks=shape.rotates_weeks,
                most_rotation=MOST_ROTATION,
            )
        )
    uses_volume = any(
        part == "volume" for of in shape.days.values() for day in of for _, part in day
    )
    if uses_volume and not shape.volume:
        problems.append(say("prescription.day_volume_shape_says"))
    return problems + _dose_problems(shape) + _days_problems(shape.days)


def read_shape(given: Mapping[str, Any]) -> Shape:
    """A shape of its data. Raises ValueError with one line per problem."""
    shape = Shape(
        given["id"], given["name"], given["words"], given["light_every"],
        {role: tuple(tuple(map(_dose, day)) for day in weeks)
         for role, weeks in given["main"].items()},
        {role: _dose(dose) for role, dose in given["second"].items()},
        {role: _dose(dose) for role, dose in given.get("volume", {}).items()},
        {int(n): tuple(map(_day, of)) for n, of in given.get("days", {}).items()},
        given.get("rotates_weeks", 0),
    )  # fmt: skip
    problems = _problems(shape)
    if problems:
        raise ValueError("\n".join(f"{shape.id}: {problem}" for problem in problems))
    return shape


@cache
def shipped_shapes() -> dict[str, Shape]:
    """Every shape that ships, by id."""
    folder = files("pavrik.core.prescription.shapes")
    found = [
        read_shape(json.loads(one.read_text(encoding="utf-8")))
        for one in folder.iterdir()
        if one.name.endswith(".json")
    ]
    return {shape.id: shape for shape in sorted(found, key=lambda s: (s.id != USUAL, s.id))}


def shape_of(shape_id: str) -> Shape:
    """A shape by its id. Raises ValueError."""
    known = shipped_shapes()
    if shape_id not in known:
        raise ValueError(
            say("prescription.there_no_shape_2", shape_id=shape_id, known=", ".join(known))
        )
    return known[shape_id]
