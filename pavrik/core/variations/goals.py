"""What a variation is worth for a goal, beside the competition lift (1), by a stated formula.

The formulas say what is compared, not how much it matters.
"""

from dataclasses import dataclass

from pavrik.core.variations.loading import Loading
from pavrik.words import say

LEAST_USE = 0.02
MOST_SHARE = 3.0


@dataclass(frozen=True)
class GoalShare:
    """``share`` above 1 serves the goal better than the competition lift; ``formula`` in words."""

    share: float
    formula: str


def _ratio(here: float, there: float) -> float:
    return min(here / there, MOST_SHARE) if there > 0 else 1.0


def goal_share(
    loading: Loading, own: Loading, goal: str, time: float = 1.0, way: float = 1.0
) -> GoalShare:
    """Muscle: use of the limiter per kg, times its time in the position and its way over the
    competition lift's. Sport and health: how much less the lower back is used.
    Competition and strength: use of the limiter, all at the same share of each lift's own max."""
    limiter = own.limiter
    name = limiter.replace("_", " ")
    here, there = loading.at(None, limiter), own.at(None, limiter)
    if goal == "muscle":
        share = _ratio(here / loading.load_kg * time * way, there / own.load_kg)
        text = say("variations.use_per_kg_bar", name=name)
        return GoalShare(share, text)
    if goal in ("sport", "health"):
        back = _ratio(own.at(None, "lower_back"), max(loading.at(None, "lower_back"), LEAST_USE))
        return GoalShare(back, say("variations.competition_lifts_use_lower"))
    return GoalShare(_ratio(here, there), say("variations.use_competition_lifts_1", name=name))
