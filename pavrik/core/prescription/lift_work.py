"""What the training of each lift has of its own. Common practice, no source."""

from collections.abc import Collection, Mapping
from dataclasses import dataclass, field

from pavrik.core.assumptions import assume_each
from pavrik.core.log.training_set import COMPETITION
from pavrik.core.prescription.shape import WeekRole
from pavrik.words import say


@dataclass(frozen=True)
class LiftWork:
    """Habits of one lift's training; variations by name.

    ``no_heavy_days`` before a meet nothing of 85 % or more is lifted (tapering reviews, from
    memory). ``sparer`` styles and the ``by_feel`` work stand in for a second straight-bar day where
    the back hurts, ``rungs`` for a lift that the screens close. ``turn`` is the style that a second
    day turns to for a goal in a week's role. ``from_floor`` variations start with the plates on the
    floor. ``capped_note`` names a second day under a cap. ``unknown_max`` in body masses stands in
    for a max that was never logged.
    """

    no_heavy_days: int
    sparer: tuple[str, ...]
    by_feel: str
    unknown_max: float
    rotation: tuple[str, ...] = ()
    """Main variations of a shape that turns them, in their order."""
    everyday: tuple[str, ...] = ()
    """Main variations that take turns with the competition lift for sport and health."""
    rungs: tuple[str, ...] = ()
    turn: Mapping[tuple[str, WeekRole], str] = field(default_factory=dict)
    from_floor: frozenset[str] = frozenset()
    capped_note: str = say("prescription.position_day")
    instead: tuple[str, ...] = ()
    """What else may stand in for the main lift where a region hurts that it loads less."""
    novice_step_kg: float = 2.5
    """What a novice adds a session."""

    def style_for(self, goal: str, role: WeekRole, allowed: Collection[str]) -> str | None:
        """The variation that a second day turns to in a week's role, where the goal asks for it and
        it is allowed; None: the competition lift."""
        wanted = self.turn.get((goal, role))
        return wanted if wanted in allowed else None


EVERYDAY_GOALS = frozenset({"sport", "health"})
"""To whom no lift of the sport is owed."""

WORK: Mapping[str, LiftWork] = {
    "squat": LiftWork(
        no_heavy_days=4,
        sparer=("safety-bar squat",),
        by_feel="split squat",
        unknown_max=1.4,
        rotation=("safety-bar squat", "front squat", "high-bar squat"),
        everyday=("front squat", "safety-bar squat"),
        rungs=("goblet squat", "split squat"),
        instead=(
            "box squat",
            "wide-stance squat",
            "high-bar squat",
            "low-bar squat",
            "front squat",
        ),
        turn={
            ("muscle", "build"): "high-bar squat",
            ("muscle", "strengthen"): "high-bar squat",
            ("sport", "build"): "front squat",
            ("health", "build"): "front squat",
            ("strength", "build"): "high-bar squat",
        },
    ),
    "deadlift": LiftWork(
        no_heavy_days=7,
        sparer=("trap bar, low", "trap bar, high"),
        by_feel="hip thrust",
        unknown_max=1.7,
        rotation=("deficit deadlift", "sumo deadlift", "conventional deadlift"),
        everyday=("trap bar, low", "sumo deadlift", "conventional deadlift"),
        turn={
            ("muscle", "build"): "Romanian deadlift",
            ("sport", "build"): "trap bar, low",
            ("health", "build"): "trap bar, low",
        },
        from_floor=frozenset(
            {COMPETITION, "pause deadlift", "dead-stop deadlift", "deficit deadlift"}
        ),
        capped_note=say("prescription.flat_back_day"),
        instead=("sumo deadlift", "conventional deadlift"),
        novice_step_kg=5.0,
    ),
}
assume_each(
    "unknown_max", {lift: work.unknown_max for lift, work in WORK.items()}, "body masses",
    "taken for a lift that was never logged, to draw its variations",
)  # fmt: skip
assume_each(
    "novice_step", {lift: work.novice_step_kg for lift, work in WORK.items()}, "kg",
    "what a novice adds a session",
)  # fmt: skip
