"""The frame of a plan: roles of the weeks, what each day is for, how the style turns.

Common practice, no source, except where named.
"""

from dataclasses import dataclass
from typing import Literal

from pavrik.core.assumptions import assume_each
from pavrik.core.competition_lifts import LIFT_IDS
from pavrik.core.strength.estimated_max import load_for

WeekRole = Literal["build", "strengthen", "sharpen", "light", "test"]
Part = Literal["main", "second"]
LIGHT_EVERY = 4
BUILD_SHARE = 0.45
SHORTEST, LONGEST = 3, 16


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


MAIN: dict[WeekRole, tuple[Dose, ...]] = {
    "build": (Dose(4, 6, 7.0),),
    "strengthen": (Dose(4, 4, 7.5),),
    "sharpen": (Dose(1, 1, 7.5), Dose(4, 2, 8.0)),
    "light": (Dose(2, 4, share=0.68),),
    "test": (Dose(1, 1, 9.0),),
}
SECOND: dict[WeekRole, Dose] = {
    "build": Dose(3, 5, share=0.66), "strengthen": Dose(3, 4, share=0.70),
    "sharpen": Dose(3, 3, share=0.70), "light": Dose(2, 3, share=0.60),
    "test": Dose(2, 2, share=0.60),
}  # fmt: skip
"""The second day of a lift is for its position: light enough to be repeated exactly."""
PRIMER_DAYS, NO_SPECIAL_DAYS = 2, 10
EASY = (Dose(1, 1, share=0.80), Dose(2, 2, share=0.65))
PRIMER = (Dose(2, 2, share=0.60),)
GROWTH = assume_each(
    "growth", {"novice": 0.0075, "trained": 0.004, "advanced": 0.002}, "share per week",
    "expected gain of the max in a week of work, by training age",
)  # fmt: skip


def week_roles(weeks: int, ends: Literal["meet", "test", "open"]) -> list[WeekRole]:
    """Roles of the weeks, first to last.

    A plan that ends in a meet or a test sharpens before it; every fourth week is light unless it
    would stand among the last two before the end.
    """
    if ends == "open":
        return [
            "light" if (i + 1) % LIGHT_EVERY == 0 else ("build" if i < weeks / 2 else "strengthen")
            for i in range(weeks)
        ]
    before = weeks - 1
    sharpen = 1 if weeks <= 6 else 2
    work = before - sharpen
    roles: list[WeekRole] = []
    for i in range(work):
        if (i + 1) % LIGHT_EVERY == 0 and i < work - 1:
            roles.append("light")
        else:
            roles.append("build" if i < BUILD_SHARE * before else "strengthen")
    roles += ["sharpen"] * sharpen
    return [*roles, "test"]


def before_meet(
    lift: str, left_days: int, no_heavy_days: int, role: WeekRole
) -> tuple[tuple[Dose, ...], str] | None:
    """Main work so many days before a meet, and why; None where the role's work stands."""
    if left_days <= PRIMER_DAYS:
        return PRIMER, f"{left_days} days before the meet: a primer and nothing else"
    if left_days <= no_heavy_days:
        text = f"{left_days} days before the meet: no heavy {lift} in the last {no_heavy_days}"
        return EASY, text
    if role == "test":
        return EASY, "meet week: one easy single and little else, the work is done"
    return None


def days_of(days: int) -> list[tuple[tuple[str, Part], ...]]:
    """What each training day of a week is for; a fifth and sixth day are for support work."""
    squat, pull = LIFT_IDS
    whole: dict[int, list[tuple[tuple[str, Part], ...]]] = {
        1: [((squat, "main"), (pull, "main"))],
        2: [((squat, "main"), (pull, "second")), ((pull, "main"), (squat, "second"))],
        3: [((squat, "main"),), ((pull, "main"),), ((squat, "second"), (pull, "second"))],
        4: [((squat, "main"),), ((pull, "main"),), ((squat, "second"),), ((pull, "second"),)],
    }
    return whole[min(days, 4)] + [()] * max(days - 4, 0)
