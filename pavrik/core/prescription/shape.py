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
        return f"{dose.sets} x {dose.reps}: 1 to {MOST_SETS} sets of 1 to {MOST_REPS} reps"
    if dose.share is not None and not SHARES[0] <= dose.share <= SHARES[1]:
        return f"{dose.share:.0%} of the max: {SHARES[0]:.0%} to {SHARES[1]:.0%}"
    if not RPES[0] <= dose.rpe <= RPES[1]:
        return f"RPE {dose.rpe:g}: {RPES[0]:g} to {RPES[1]:g}"
    return None


def _dose_problems(shape: Shape) -> list[str]:
    """Every dose that nobody could be asked for, with its place."""
    sides = (("second", shape.second), ("volume", shape.volume))
    placed = [(f"{part} {role}", dose) for part, doses in sides for role, dose in doses.items()]
    placed += [
        (f"main {role} {week}", dose)
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
            problems.append(f"{n} days need {n} entries and each lift's main once")
        if any(len({lift for lift, _ in day}) < len(day) for day in of):
            problems.append(f"{n} days: a lift stands twice on one day")
        problems += [
            f"there is no part {part} of a {lift}"
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
        f"{name} {role}: nothing is asked of these weeks"
        for name, given in wanted.items()
        for role in ROLES
        if not given.get(role) or given[role] == ((),)
    ]
    problems += [
        f"main {role}: a block of {len(weeks)} weeks, {MOST_BLOCK_WEEKS} are the most"
        for role, weeks in shape.main.items()
        if len(weeks) > MOST_BLOCK_WEEKS
    ]
    if shape.light_every not in LIGHT_EVERY:
        problems.append(
            f"a light week every {shape.light_every}: 0 for none, or every 2nd to "
            f"{LIGHT_EVERY[-1]}th"
        )
    if not 0 <= shape.rotates_weeks <= MOST_ROTATION:
        problems.append(
            f"{shape.rotates_weeks} weeks a main variation: 0 for the competition lift, "
            f"up to {MOST_ROTATION}"
        )
    uses_volume = any(
        part == "volume" for of in shape.days.values() for day in of for _, part in day
    )
    if uses_volume and not shape.volume:
        problems.append("a day is for volume, and the shape says nothing of it")
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
        raise ValueError(f"there is no shape “{shape_id}”: it is one of {', '.join(known)}")
    return known[shape_id]
