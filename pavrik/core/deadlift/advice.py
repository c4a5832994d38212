"""What the log says before a style is changed, and what the gap between squat and pull points to.

Common practice, no source.
"""

from collections.abc import Sequence

import numpy as np

from pavrik.core.deadlift.deadlift import in_words
from pavrik.core.deadlift.styles import DeadliftSetup
from pavrik.core.lifts.candidate import Candidate
from pavrik.core.units import degrees
from pavrik.words import say

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
    return say("deadlift.last_weeks_pull_below", last=1 - last / usual)


def squat_to_deadlift_gap(squat_kg: float, pull_kg: float) -> str:
    """What the difference of the two maxes (kg) points to when the pull sticks at the floor."""
    gap = pull_kg - squat_kg
    if gap >= LEGS_GAP_KG:
        return say("deadlift.pull_kg_above_squat", gap=gap)
    if gap <= SKILL_GAP_KG:
        return say("deadlift.pull_only_kg_from", gap=gap)
    return say("deadlift.pull_kg_above_squat_most", gap=gap)


def coach_rule(rivals: Sequence[Candidate[DeadliftSetup]]) -> str:
    """The coach's rule: compare back angles of honest starts and take the more upright; empty with
    fewer than two."""
    if len(rivals) < 2:
        return ""
    upright = min(rivals, key=lambda c: c.lean)
    strongest = max(rivals, key=lambda c: c.predicted_max_kg)
    back = float(degrees(np.pi / 2 - upright.lean))
    says = say("deadlift.more_upright_back_above", in_words=in_words(upright.setup), back=back)
    if upright is strongest:
        return say("deadlift.model_agrees_lifts_most", says=says)
    lost = 1 - upright.predicted_max_kg / strongest.predicted_max_kg
    return say(
        "deadlift.model_disagrees_lifts_more",
        says=says,
        in_words=in_words(strongest.setup),
        lost=lost,
        limiter=upright.limiter.replace("_", " "),
    )


def shoulders_words(ahead_m: float) -> str:
    """Where the shoulders start, and what comes of it behind the bar."""
    if ahead_m < -0.005:
        return say("deadlift.shoulders_start_cm_behind", ahead_m=-ahead_m * 100)
    return say("deadlift.shoulders_start_cm_front", ahead_m=max(ahead_m, 0.0) * 100)
