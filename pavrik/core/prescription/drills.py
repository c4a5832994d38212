"""Drills in stages, each with a pass criterion; by force or by form, not by the max.

Common practice, no source.
"""

from collections.abc import Collection
from dataclasses import dataclass, replace
from itertools import takewhile

from pavrik.core.prescription.reason import in_kg

HOLD_SHARE = 0.9
"""A slack hold pulls with about this share of the bar's weight."""


@dataclass(frozen=True)
class Stage:
    """One step of a drill."""

    name: str
    how: str
    sets: int
    reps: int
    passed: str


@dataclass(frozen=True)
class Drill:
    """Stages, each passed before the next; ``passed`` is how many are behind."""

    name: str
    stages: tuple[Stage, ...]
    reason: str
    facts: tuple[str, ...] = ()
    passed: int = 0

    def stage(self, week: int) -> Stage | None:
        """The stage of a week, 0 is the one to come, if each is passed in its week; None when all
        are behind."""
        number = self.passed + max(week, 0)
        return self.stages[number] if number < len(self.stages) else None

    def after(self, passed: Collection[str]) -> "Drill":
        """With the stages behind that were passed, in their order."""
        behind = list(takewhile(lambda stage: stage.name in passed, self.stages))
        return replace(self, passed=len(behind))


def held_kg(bar_kg: float) -> float:
    """What hangs in the hands in a slack hold on a loaded bar that must not leave the floor."""
    return HOLD_SHARE * bar_kg


def slack_drill(bar_kg: float | None, reason: str, facts: tuple[str, ...] = ()) -> Drill:
    """Three steps to a bar without slack, each mastered alone, then none; ``bar_kg`` None where
    the lifter's max is not known."""
    bar = "a bar that you could lift ten times" if bar_kg is None else f"{bar_kg:g} kg on the bar"
    pull = "nine tenths of its weight"
    if bar_kg is not None:
        pull = f"about {held_kg(bar_kg):.0f} of its {bar_kg:g} kg"
    return Drill(
        "slack",
        (
            Stage(
                "slack, hips high", f"With {bar}: breathe, then pull the bar's slack out with high "
                "hips and shins off the bar. Do not lift.", 4, 5, "no clank in 20 reps",
            ),
            Stage(
                "slack, hips to the bar", f"With {bar}: bring the hips to the bar while the pull "
                f"grows to {pull}; hold 5 to 10 s. Do not lift.",
                4, 5, "the pull never drops while the hips come in",
            ),
            Stage(
                "slack, then go", "Go at the instant the shins touch; a light bar, every rep from "
                "a dead stop.", 3, 5, "hips and plates leave together in every rep",
            ),
        ),
        reason,
        facts,
    )  # fmt: skip


ONE_STAGE_WEEKS = 3
"""A drill of one stage stands in the plan for so many weeks, until it is passed."""
USUAL_DOSE = (3, 5)


def one_stage_drill(
    name: str, how: str, dose: tuple[int, int] | None, passed: str, reason: str,
    facts: tuple[str, ...] = (),
) -> Drill:  # fmt: skip
    """A drill that is done until it is passed once."""
    sets, reps = dose or USUAL_DOSE
    stage = Stage(name, how, sets, reps, passed or "clean in every rep of two sessions")
    return Drill(name, (stage,) * ONE_STAGE_WEEKS, reason, facts)


def grip_drill(reason: str, facts: tuple[str, ...] = ()) -> Drill:
    """The meet's grip from the first light set, then holds at the top."""
    return Drill(
        "grip",
        (
            Stage(
                "grip from the first set", "Mixed or hook grip on every warm-up set.", 3, 3,
                "no slip in two sessions",
            ),
            Stage("top holds", "Hold the last rep 10 s at the top.", 3, 1, "10 s three times"),
        ),
        reason,
        facts,
    )  # fmt: skip


RITUAL_STEP_KG = 2.5


def ritual_drill(reason: str, facts: tuple[str, ...] = (), max_kg: float | None = None) -> Drill:
    """One fixed way to the bar, light to heavy in weekly steps, for hesitation; in kilos where the
    lifter's max is known."""
    steps = (0.5, 0.6, 0.7, 0.8)

    def load(share: float) -> str:
        of_max = f"{share:.0%} of the max"
        if max_kg is None:
            return f"about {of_max}"
        return f"{in_kg(RITUAL_STEP_KG * round(share * max_kg / RITUAL_STEP_KG))}, {of_max}"

    return Drill(
        "ritual",
        tuple(
            Stage(
                f"ritual at {share:.0%}", "The same walk, breath and grip, and go, with "
                f"{load(share)}.", 5, 1, "hands to pull within half a second each time",
            )
            for share in steps
        ),
        reason,
        facts,
    )  # fmt: skip
