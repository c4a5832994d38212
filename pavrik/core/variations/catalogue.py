"""The shipped variations, checked when they are read; a club adds its own beside them.

A variation is the lift with knobs that the model knows. Ratios are its max over the competition
lift's with their spread: common practice, no source; Swinton et al. (2011, from memory) for the
trap bar's high handles.
"""

import json
from collections import Counter
from collections.abc import Mapping, Sequence, Set
from dataclasses import dataclass, field, replace
from functools import cache
from importlib.resources import files
from typing import Any, Literal, get_args

from pavrik.core.assumptions import assume
from pavrik.core.competition_lifts import LiftId
from pavrik.core.deadlift.styles import STYLES
from pavrik.core.faults.catalogue import shipped_catalogue
from pavrik.core.lifter.mobility import BAR_POSITIONS
from pavrik.words import one_of, say

Role = Literal["skill", "strength", "overload", "learning", "support"]
ROLES: tuple[Role, ...] = get_args(Role)
Unit = Literal["reps", "s", "m"]
UNITS = ("s", "m")
"""What a set may be of instead of reps."""
BARS = (*BAR_POSITIONS, "safety")


@dataclass(frozen=True)
class Knob:
    """How the competition set-up is changed. Lengths in metres: ``hip_above_knee_m``, ``above_m``
    (height of the bar) and ``stance_m`` are added to the settled ones."""

    bar: str | None = None
    stance_m: float = 0.0
    hip_above_knee_m: float = 0.0
    hinge: bool = False
    style: str | None = None
    above_m: float = 0.0


SPEAKS_SD = assume(
    "variation_speaks_sd", 0.09, "share", "sd of a share up to which a variation tells of the max"
)


@dataclass(frozen=True)
class Variation:
    """``knob`` None: not computed, ``trains`` is stated instead. ``place`` is the phase where it is
    held, paused or started; ``strains`` and ``spares`` are regions of the body. A set is of so many
    seconds or metres where ``set_of`` says so."""

    name: str
    lift: LiftId
    good_for: str
    role: Role
    knob: Knob | None = None
    ratio: tuple[float, float] | None = None
    place: str | None = None
    hold_s: float = 0.0
    kit: tuple[str, ...] = ()
    trains: tuple[str, ...] = ()
    strains: tuple[str, ...] = ()
    spares: tuple[str, ...] = ()
    own: bool = False
    set_of: tuple[int, Unit] | None = None

    @property
    def of_max(self) -> tuple[float, float] | None:
        """Share of the competition lift's max and its sd, where it is known well enough that a set
        of the variation says something of that max."""
        if self.ratio is None or self.ratio[1] > SPEAKS_SD * self.ratio[0]:
            return None
        return self.ratio


@dataclass(frozen=True)
class Contraindication:
    """What is never prescribed while one of the faults is seen, and why."""

    faults: frozenset[str]
    roles: frozenset[str]
    variations: frozenset[str]
    why: str


@dataclass(frozen=True)
class Variations:
    """All variations by name, what a gym may own for them, what rules them out."""

    version: int
    kit: Mapping[str, str]
    by_name: Mapping[str, Variation] = field(default_factory=dict)
    contraindications: tuple[Contraindication, ...] = ()

    def of(self, lift: str) -> list[Variation]:
        """Variations of one lift, in the order of the data."""
        return [v for v in self.by_name.values() if v.lift == lift]


def read_variation(entry: Mapping[str, Any], *, own: bool = False) -> Variation:
    """One entry of the data. Raises ValueError with one line per problem."""
    knob, ratio = entry.get("knob"), entry.get("ratio")
    made = Variation(
        name=str(entry["name"]),
        lift=entry["lift"],
        good_for=str(entry["for"]),
        role=entry.get("role", "strength"),
        knob=Knob(**knob) if knob is not None else None,
        ratio=(float(ratio[0]), float(ratio[1])) if ratio else None,
        place=entry.get("place"),
        hold_s=float(entry.get("hold_s", 0.0)),
        kit=tuple(entry.get("kit", ())),
        trains=tuple(entry.get("trains", ())),
        strains=tuple(entry.get("strains", ())),
        spares=tuple(entry.get("spares", ())),
        own=own,
        set_of=(int(entry["set_of"][0]), entry["set_of"][1]) if entry.get("set_of") else None,
    )
    problems = _problems_of(made)
    if problems:
        raise ValueError("\n".join(problems))
    return made


def _problems_of(one: Variation) -> list[str]:
    problems = []
    phases = shipped_catalogue().phases
    if one.lift not in phases:
        return [say("variations.lift_squat_deadlift_not", name=one.name, lift=one.lift)]
    if one.role not in ROLES:
        problems.append(
            say("variations.role_not", name=one.name, roles=", ".join(ROLES), role=one.role)
        )
    if one.place is not None and one.place not in phases[one.lift]:
        problems.append(say("variations.no_phase", name=one.name, lift=one.lift, place=one.place))
    if one.ratio and not (0.2 <= one.ratio[0] <= 2.0 and 0 < one.ratio[1] <= 0.3):
        problems.append(
            say(
                "variations.ratio_outside_0_2",
                name=one.name,
                ratio=one.ratio[0],
                sd=one.ratio[1],
            )
        )
    if one.knob and one.knob.bar is not None and one.knob.bar not in BARS:
        problems.append(
            say("variations.bar_not", name=one.name, bars=", ".join(BARS), bar=one.knob.bar)
        )
    if one.knob and one.knob.style is not None and one.knob.style not in STYLES:
        problems.append(
            say("variations.there_no_pulling_style", name=one.name, style=one.knob.style)
        )
    if one.set_of and (one.set_of[1] not in UNITS or not 1 <= one.set_of[0] <= 120):
        problems.append(
            say(
                "variations.set_1_120",
                name=one.name,
                units=one_of(UNITS),
            )
        )
    if one.knob is None and not one.trains and one.role != "learning":
        problems.append(say("variations.say_what_trains_knob", name=one.name))
    return problems


def _check_all(found: Variations) -> None:
    problems = [
        say("variations.needs_nobody_can_own", name=v.name, item=item)
        for v in found.by_name.values()
        for item in v.kit
        if item not in found.kit
    ]
    problems += [
        say("variations.contraindication_names_no", name=name, what=what)
        for rule in found.contraindications
        for what, names, known in (
            ("fault", rule.faults, shipped_catalogue().faults),
            ("role", rule.roles, ROLES),
            ("variation", rule.variations, found.by_name),
        )
        for name in sorted(names)
        if name not in known
    ]
    problems += [
        say("variations.remedy_leads_no_variation", id=remedy.id, variation=remedy.variation)
        for remedy in shipped_catalogue().remedies.values()
        if remedy.variation is not None and remedy.variation not in found.by_name
    ]
    if problems:
        raise ValueError("\n".join(problems))


@cache
def shipped_variations() -> Variations:
    """The variations that ship with Pavrik."""
    text = files("pavrik.core.variations").joinpath("variations.json").read_text("utf-8")
    data = json.loads(text)
    listed = [read_variation(entry) for entry in data["variations"]]
    twice = [name for name, n in Counter(v.name for v in listed).items() if n > 1]
    if twice:
        raise ValueError(say("variations.there_twice", twice=", ".join(twice)))
    rules = tuple(
        Contraindication(
            frozenset(rule["faults"]), frozenset(rule["roles"]), frozenset(rule["variations"]),
            rule["why"],
        )
        for rule in data["contraindications"]
    )  # fmt: skip
    found = Variations(data["version"], data["kit"], {v.name: v for v in listed}, rules)
    _check_all(found)
    return found


def shares_of_max(own: Sequence[Variation] = ()) -> dict[str, tuple[float, float]]:
    """Share of the competition lift's max, and its sd, of every variation that tells of it."""
    every = (*shipped_variations().by_name.values(), *own)
    return {one.name: one.of_max for one in every if one.of_max is not None}


def contraindicated(one: Variation, faults: Set[str]) -> str:
    """Why the faults that are seen rule a variation out; empty where none does."""
    for rule in shipped_variations().contraindications:
        named = one.name in rule.variations or one.role in rule.roles
        if named and rule.faults & faults:
            return rule.why
    return ""


def with_own(shipped: Variations, own: Sequence[Variation]) -> Variations:
    """The shipped variations and the club's own, which may not take a shipped name."""
    taken = [v.name for v in own if v.name in shipped.by_name]
    if taken:
        raise ValueError(say("variations.shipped_name_choose_another", taken=", ".join(taken)))
    return replace(shipped, by_name={**shipped.by_name, **{v.name: v for v in own}})
