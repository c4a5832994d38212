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
    return Dose(given["sets"], given["reps"], given.get("rpe", 5.0), given.get("share"))


def _day(parts: list[str]) -> tuple[tuple[str, Part], ...]:
    return tuple((lift, part) for lift, part in (one.split(" ") for one in parts))  # type: ignore[misc]


def read_shape(given: Mapping[str, Any]) -> Shape:
    """A shape of its data. Raises ValueError with one line per problem."""
    problems = [
        f"{given['id']}: the {name} has no {role}"
        for name in ("main", "second")
        for role in ROLES
        if not given[name].get(role)
    ]
    days = {int(n): tuple(map(_day, of)) for n, of in given.get("days", {}).items()}
    for n, of in days.items():
        mains = sorted(lift for day in of for lift, part in day if part == "main")
        if len(of) != n or mains != sorted(LIFT_IDS):
            problems.append(f"{given['id']}: {n} days need {n} entries and each lift's main once")
        problems += [
            f"{given['id']}: there is no part {part} of a {lift}"
            for day in of
            for lift, part in day
            if lift not in LIFT_IDS or part not in PARTS
        ]
    if problems:
        raise ValueError("\n".join(problems))
    return Shape(
        given["id"], given["name"], given["words"], given["light_every"],
        {role: tuple(tuple(map(_dose, day)) for day in given["main"][role]) for role in ROLES},
        {role: _dose(given["second"][role]) for role in ROLES},
        {role: _dose(dose) for role, dose in given.get("volume", {}).items()},
        days, given.get("rotates_weeks", 0),
    )  # fmt: skip


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
