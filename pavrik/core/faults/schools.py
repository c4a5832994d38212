"""Where good coaches disagree: questions, positions, defaults, and what each position switches."""

import json
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache
from importlib.resources import files

from pavrik.core.faults.catalogue import shipped_catalogue
from pavrik.core.lifter.schools import DeadliftSchools, SquatSchools
from pavrik.words import say


@dataclass(frozen=True)
class Position:
    """One answer; ``silences`` are the faults that it does not count, ``cue`` what it says."""

    id: str
    text: str
    silences: tuple[str, ...]
    cue: str


@dataclass(frozen=True)
class School:
    """One question; the first position is the default, with one line of why. ``alters`` says what
    of the model, the ladder or the plan follows it, empty where only faults and cues do."""

    id: str
    lift: str
    question: str
    positions: tuple[Position, ...]
    why_default: str
    alters: str

    @property
    def default(self) -> str:
        return self.positions[0].id

    @property
    def switches(self) -> str:
        """What differs between its positions, told from what they do."""
        named = shipped_catalogue().name_of
        faults = dict.fromkeys(f for position in self.positions for f in position.silences)
        told = [self.alters] if self.alters else []
        if faults:
            names = ", ".join(named(fault).lower() for fault in faults)
            told.append(say("faults.whether_these_count", names=names))
        if len({position.cue for position in self.positions}) > 1:
            told.append(say("faults.a_cue"))
        return "; ".join(told)


@cache
def shipped_schools() -> dict[str, School]:
    """Every school by id. Raises ValueError when one silences a fault that does not exist."""
    data = json.loads(files(__package__).joinpath("schools.json").read_text())
    schools = {
        s["id"]: School(
            s["id"], s["lift"], s["question"],
            tuple(
                Position(p["id"], p["text"], tuple(p["silences"]), p.get("cue", ""))
                for p in s["positions"]
            ),
            s["why_default"], s.get("alters", ""),
        )
        for s in data["schools"]
    }  # fmt: skip
    known = shipped_catalogue().faults
    unknown = [
        fault
        for school in schools.values()
        for position in school.positions
        for fault in position.silences
        if fault not in known
    ]
    if unknown:
        raise ValueError(say("faults.schools_silence_faults_do", unknown=", ".join(unknown)))
    return schools


def check_choice(question: str, position: str) -> None:
    """Raise ValueError where a choice names no school or no position of it."""
    school = shipped_schools().get(question)
    if school is None:
        raise ValueError(say("faults.there_no_school_called", question=question))
    if position not in {p.id for p in school.positions}:
        allowed = ", ".join(p.id for p in school.positions)
        raise ValueError(
            say("faults.no_position_choose", question=question, position=position, allowed=allowed)
        )


def in_force(*choices: Mapping[str, str]) -> dict[str, str]:
    """Positions in force: the defaults, overridden by the club's and then the lifter's choices."""
    chosen = {school.id: school.default for school in shipped_schools().values()}
    for choice in choices:
        chosen |= choice
    return chosen


def silenced_faults(chosen: Mapping[str, str]) -> frozenset[str]:
    """Faults that do not count under the positions in force."""
    return frozenset(
        fault
        for school in shipped_schools().values()
        for position in school.positions
        if position.id == chosen.get(school.id, school.default)
        for fault in position.silences
    )


def sent_sets_count(chosen: Mapping[str, str]) -> bool:
    """Whether a set that a lifter sends from afar counts before a coach looked at it."""
    return in_force(chosen)["sent_sets"] == "count"


def deadlift_schools(chosen: Mapping[str, str]) -> DeadliftSchools:
    """The model inputs of the pull under the positions in force."""
    full = in_force(chosen)
    return DeadliftSchools(
        shoulder_offset_m=0.0 if full["pull_shoulders"] == "over" else 0.04,
        blades_down=full["pull_blades"] == "down",
        style=full["pull_style"],  # type: ignore[arg-type]
    )


def squat_schools(chosen: Mapping[str, str]) -> SquatSchools:
    """The model inputs of the squat under the positions in force."""
    full = in_force(chosen)
    upright = full["squat_break_upright"]
    return SquatSchools(
        balance=full["squat_balance"],  # type: ignore[arg-type]
        break_school=full["squat_break"],  # type: ignore[arg-type]
        upright_break=None if upright == "same" else upright,  # type: ignore[arg-type]
        depth=full["squat_depth"],  # type: ignore[arg-type]
        width=full["squat_width"],  # type: ignore[arg-type]
        knees=full["squat_knees"],  # type: ignore[arg-type]
        bar=full["squat_bar"],  # type: ignore[arg-type]
        shoes=full["squat_shoes"],  # type: ignore[arg-type]
    )
