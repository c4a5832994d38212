"""What the log says before a style is changed, and what the gap between squat and pull points to.

Common practice, no source.
"""

from collections.abc import Sequence

import numpy as np

from pavrik.core.deadlift.deadlift import in_words
from pavrik.core.deadlift.styles import DeadliftSetup
from pavrik.core.lifts.candidate import Candidate
from pavrik.core.units import degrees

BAD_WEEK_SHARE = 0.04
LEGS_GAP_KG = 90.0
SKILL_GAP_KG = 10.0


def one_bad_week(weekly_best_kg: Sequence[float]) -> str | None:
    """A sentence when the last week alone fell off the weeks before it (oldest first, kg)."""
    if len(weekly_best_kg) < 4:
        return None
    last, before = weekly_best_kg[-1], sorted(weekly_best_kg[-4:-1])
    usual, worst = before[1], before[0]
    if last >= usual * (1 - BAD_WEEK_SHARE) or worst < usual * (1 - BAD_WEEK_SHARE):
        return None
    return (
        f"last week's pull was {1 - last / usual:.0%} below the three before it, and only last "
        "week's: do not change style after one bad week"
    )


def squat_to_deadlift_gap(squat_kg: float, pull_kg: float) -> str:
    """What the difference of the two maxes (kg) points to when the pull sticks at the floor."""
    gap = pull_kg - squat_kg
    if gap >= LEGS_GAP_KG:
        return (
            f"the pull is {gap:.0f} kg above the squat: if it sticks at the floor with the knees "
            "clearly bent, the legs are the first suspect"
        )
    if gap <= SKILL_GAP_KG:
        return (
            f"the pull is only {gap:.0f} kg from the squat: look at slack, start and grip before "
            "muscle"
        )
    return f"the pull is {gap:.0f} kg above the squat, as for most: the gap points nowhere"


def coach_rule(rivals: Sequence[Candidate[DeadliftSetup]]) -> str:
    """The coach's rule: compare back angles of honest starts and take the more upright; empty with
    fewer than two."""
    if len(rivals) < 2:
        return ""
    upright = min(rivals, key=lambda c: c.lean)
    strongest = max(rivals, key=lambda c: c.predicted_max_kg)
    back = float(degrees(np.pi / 2 - upright.lean))
    says = f"the more upright back is {in_words(upright.setup)}, {back:.0f}° above level"
    if upright is strongest:
        return f"{says}, and the model agrees: it lifts the most"
    lost = 1 - upright.predicted_max_kg / strongest.predicted_max_kg
    return (
        f"{says}; the model disagrees: {in_words(strongest.setup)} lifts {lost:.0%} more, because "
        f"the {upright.limiter.replace('_', ' ')} limit the upright start"
    )


def shoulders_words(ahead_m: float) -> str:
    """Where the shoulders start, and what comes of it behind the bar."""
    if ahead_m < -0.005:
        return (
            f"the shoulders start {-ahead_m * 100:.0f} cm behind the bar: the hips rise first "
            "until the shoulders are over it, and nothing is gained; start over it or in front"
        )
    return f"the shoulders start {max(ahead_m, 0.0) * 100:.0f} cm in front of the bar"
