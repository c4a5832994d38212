"""Drills in stages, each with a pass criterion; by force or by form, not by the max.

Common practice, no source.
"""

from collections.abc import Collection
from dataclasses import dataclass, replace
from itertools import takewhile

from pavrik.core.prescription.reason import in_kg
from pavrik.words import say

HOLD_SHARE = 0.9
"""A slack hold pulls with about this share of the bar's weight."""


@dataclass(frozen=True)
class Stage:
    """One step of a drill; its name is kept where it was passed."""

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
    bar = (
        say("prescription.bar_you_could_lift")
        if bar_kg is None
        else say("prescription.kg_bar", bar_kg=bar_kg)
    )
    pull = say("prescription.nine_tenths_weight")
    if bar_kg is not None:
        pull = say("prescription.about_kg", held_kg=held_kg(bar_kg), bar_kg=bar_kg)
    return Drill(
        "slack",
        (
            Stage(
                "slack, hips high", say("prescription.breathe_then_pull_bars", bar=bar), 4, 5,
                say("prescription.no_clank_20_reps"),
            ),
            Stage(
                "slack, hips to the bar",
                say("prescription.bring_hips_bar_while", bar=bar, pull=pull), 4, 5,
                say("prescription.pull_never_drops_while"),
            ),
            Stage(
                "slack, then go", say("prescription.go_instant_shins_touch"), 3, 5,
                say("prescription.hips_plates_leave_together"),
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
    stage = Stage(name, how, sets, reps, passed or say("prescription.clean_every_rep_two"))
    return Drill(name, (stage,) * ONE_STAGE_WEEKS, reason, facts)


def grip_drill(reason: str, facts: tuple[str, ...] = ()) -> Drill:
    """The meet's grip from the first light set, then holds at the top."""
    return Drill(
        "grip",
        (
            Stage(
                "grip from the first set", say("prescription.mixed_hook_grip_every"), 3, 3,
                say("prescription.no_slip_two_sessions"),
            ),
            Stage(
                "top holds", say("prescription.hold_last_rep_10"), 3, 1,
                say("prescription.held_three_times"),
            ),
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
        of_max = say("log.of_the_max", share=share)
        if max_kg is None:
            return say("prescription.about_of_max", of_max=of_max)
        return f"{in_kg(RITUAL_STEP_KG * round(share * max_kg / RITUAL_STEP_KG))}, {of_max}"

    return Drill(
        "ritual",
        tuple(
            Stage(
                f"ritual at {share:.0%}",
                say("prescription.same_walk_breath_grip", load=load(share)), 5, 1,
                say("prescription.hands_pull_within_half"),
            )
            for share in steps
        ),
        reason,
        facts,
    )  # fmt: skip
