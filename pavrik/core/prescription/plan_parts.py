"""What a plan is made of: lines, days, weeks; what is asked for and what is known."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from datetime import date, datetime, timedelta
from typing import Literal
from uuid import UUID

from pavrik.core.log.training_set import TrainingSet
from pavrik.core.prescription.attempts import Attempt, Strategy
from pavrik.core.prescription.caps import Cap, RepCap
from pavrik.core.prescription.choice import Choice
from pavrik.core.prescription.drills import Drill
from pavrik.core.prescription.reason import Reason
from pavrik.core.prescription.season import LONGEST, SHORTEST
from pavrik.core.prescription.shape import (
    NOVICE,
    USUAL,
    Shape,
    WeekRole,
    shape_of,
    shipped_shapes,
)
from pavrik.core.prescription.stand_in import StandIn
from pavrik.core.variations.catalogue import Unit
from pavrik.core.variations.ratio import LearntRatio
from pavrik.words import say

Kind = Literal["main", "second", "special", "drill", "own"]
EditKind = Literal["line", "add", "day", "undo"]
OTHER = "other"
"""Lift of a line that the model computes nothing for."""


@dataclass(frozen=True)
class Edit:
    """What a coach said of a plan by hand: of a ``line`` (other work, none of it, another day), a
    line to ``add``, another date for a ``day``, or an ``undo`` of an earlier edit.

    None is as computed. A ``line`` holds only while its ``name`` (the lift's variation) stands
    there; an added one may stand in every week from its own on (``weekly``).
    """

    coach: str
    reason: str = ""
    load_kg: float | None = None
    dropped: bool = False
    kind: EditKind = "line"
    edit_id: UUID | None = None
    line_id: str = ""
    day_id: str = ""
    name: str = ""
    sets: int | None = None
    reps: int | None = None
    rpe: float | None = None
    rest_s: int | None = None
    lift: str = ""
    note: str = ""
    weekly: bool = False
    to_date: date | None = None
    undoes: UUID | None = None
    said_at: datetime | None = None


@dataclass(frozen=True)
class Line:
    """One piece of work. ``load_kg`` None: by feel or by force. ``cap_kg`` is the lowest cap that
    binds it."""

    line_id: str
    lift: str
    variation: str
    kind: Kind
    sets: int
    reps: int
    rpe: float | None
    load_kg: float | None
    per_side: tuple[float, ...]
    rest_s: int
    reasons: tuple[Reason, ...]
    cap_kg: float | None = None
    share: float | None = None
    """Share of the lift's own projected max."""
    intent_kg: float | None = None
    """What the season asks for, where something holds the load below it."""
    note: str = ""
    overruled: Edit | None = None
    unit: Unit = "reps"
    """What ``reps`` counts: a hold is told in seconds, a carry in metres."""
    until_rpe: float | None = None
    """A way up: what follows falls away once a set of it is this hard."""

    @property
    def left_out(self) -> bool:
        """Whether a coach dropped it."""
        return self.overruled is not None and self.overruled.dropped


@dataclass(frozen=True)
class Day:
    """One training day; ``moved`` says what was moved here from a missed day."""

    day_id: str
    on: date
    lines: tuple[Line, ...]
    cues: tuple[str, ...] = ()
    moved: str = ""
    checks: tuple[str, ...] = ()
    """What is checked before the set."""


@dataclass(frozen=True)
class When:
    """A day of a plan: its week from 0, the week's role, how many weeks were worked before it."""

    week: int
    role: WeekRole
    worked: int
    on: date
    step: int = 0
    """How many loading weeks of its block came before."""

    @property
    def light(self) -> bool:
        """Whether the week's specials are lighter."""
        return self.role in ("light", "test")


@dataclass(frozen=True)
class Week:
    """One week; ``role`` as planned."""

    number: int
    role: WeekRole
    reason: str
    days: tuple[Day, ...]


@dataclass(frozen=True)
class Moved:
    """A main session that was missed and moves to a later day of its week."""

    lift: str
    week: int
    missed: date
    to: date


@dataclass(frozen=True)
class Underway:
    """How far a plan is: the week that today's state is the start of, today, which tells the next
    session (None is the plan's start), the days that were moved, and the weeks (from 0) in which
    nothing was trained."""

    first_week: int = 0
    today: date | None = None
    moves: tuple[Moved, ...] = ()
    missed_weeks: frozenset[int] = frozenset()


@dataclass(frozen=True)
class Plan:
    """The whole plan, what it proposes beside, and the attempts of a meet by lift."""

    weeks: tuple[Week, ...]
    proposals: tuple[Reason, ...]
    attempts: Mapping[str, tuple[Attempt, ...]]
    refused: tuple[str, ...] = ()
    moves: tuple[Moved, ...] = ()

    def days(self) -> list[Day]:
        """All days in order."""
        return [day for week in self.weeks for day in week.days]

    def lines(self) -> list[Line]:
        """All lines in order."""
        return [line for day in self.days() for line in day.lines]


@dataclass(frozen=True)
class LiftState:
    """What is known of one lift. ``history`` oldest first; caps and ratios in today's terms;
    ``allowed`` are the variations that nothing blocks, ``closed`` why the screens close the lift
    itself, ``guess_kg`` what its max is taken for where nothing is known, ``stand_in`` what comes
    in for the lift while a region hurts that it loads more."""

    lift: str
    history: Sequence[TrainingSet]
    choice: Choice
    caps: tuple[Cap, ...] = ()
    cues: tuple[str, ...] = ()
    drills: tuple[Drill, ...] = ()
    checks: tuple[str, ...] = ()
    ratios: Mapping[str, LearntRatio] = field(default_factory=dict)
    allowed: tuple[str, ...] = ()
    proposals: tuple[Reason, ...] = ()
    tired_back: bool = False
    closed: str = ""
    guess_kg: float = 0.0
    rep_cap: RepCap | None = None
    stand_in: StandIn | None = None


@dataclass(frozen=True)
class PlanAsk:
    """What the coach asks for. ``weekdays`` 0 is Monday; ``meet`` None ends open or in a test;
    nothing is trained on a ``blocked`` date; ``years`` is the lifter's age, 0 where unknown;
    ``own_shape`` is the shape as it was when the plan was asked for, where it is a coach's own."""

    start: date
    weeks: int
    weekdays: tuple[int, ...]
    meet: date | None = None
    goal: str = "competition"
    training_age: str = "trained"
    shape: str = USUAL
    strategy: Strategy = "placing"
    blocked: tuple[date, ...] = ()
    years: int = 0
    own_shape: Shape | None = None

    @property
    def novice(self) -> bool:
        return self.training_age == "novice"

    @property
    def in_force(self) -> Shape:
        """The shape, a novice's own where none was chosen. Raises ValueError."""
        return self.own_shape or shape_of(
            NOVICE if self.novice and self.shape == USUAL else self.shape
        )


def check_ask(ask: PlanAsk) -> None:
    """Raise ValueError with one line per problem."""
    problems = []
    if ask.own_shape is None and ask.shape not in shipped_shapes():
        problems.append(
            say(
                "prescription.there_no_shape",
                shape=ask.shape,
                shipped_shapes=", ".join(shipped_shapes()),
            )
        )
    if not SHORTEST <= ask.weeks <= LONGEST:
        problems.append(
            say(
                "prescription.weeks_plan_runs_weeks",
                weeks=ask.weeks,
                shortest=SHORTEST,
                longest=LONGEST,
            )
        )
    days = sorted(set(ask.weekdays))
    if (
        not 1 <= len(days) <= 6
        or len(days) != len(ask.weekdays)
        or not all(0 <= d <= 6 for d in days)
    ):
        problems.append(say("prescription.train_1_6_different"))
    if ask.meet is not None:
        last = ask.start + timedelta(weeks=ask.weeks)
        if not last - timedelta(days=7) <= ask.meet < last:
            needed = (ask.meet - ask.start).days // 7 + 1
            problems.append(
                say(
                    "prescription.meet_not_last_weeks",
                    meet=ask.meet,
                    weeks=ask.weeks,
                    start=ask.start,
                    needed=needed,
                )
            )
    if problems:
        raise ValueError("\n".join(problems))
