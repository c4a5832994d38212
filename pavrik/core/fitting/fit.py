"""A lift's fit: every set-up of the grid, the best of each style, how sure, the verdict."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Generic

from pavrik.core.fitting.candidates import assess
from pavrik.core.fitting.sampling import PredictionInterval, intervals, sample_maxes_kg
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.candidate import Candidate, Rejected, S
from pavrik.core.lifts.grid import SetupGrid
from pavrik.core.lifts.lift import Lift
from pavrik.core.units import Floats


@dataclass(frozen=True)
class Fit(Generic[S]):
    """Leaders (best of each style, best first), the rest, the rejected, the verdict.

    ``intervals`` runs parallel to ``leaders`` and is empty when it was not asked for.
    """

    lift: Lift[S]
    leaders: list[Candidate[S]]
    rest: list[Candidate[S]]
    rejected: list[Rejected[S]]
    intervals: list[PredictionInterval]
    toss_up: bool
    verdict: str

    def rivals(self) -> list[Candidate[S]]:
        """The leaders that compete with each other; the others stand beside them."""
        return [c for c in self.leaders if self.lift.style_of(c.setup).rival]


def _leaders(
    lift: Lift[S], candidates: Sequence[Candidate[S]], clear_lead: float
) -> list[Candidate[S]]:
    by_style: dict[str, list[Candidate[S]]] = {}
    for candidate in candidates:
        by_style.setdefault(candidate.setup.style, []).append(candidate)
    best = [lift.preferred(group, clear_lead) for group in by_style.values()]
    return sorted(best, key=lambda c: -c.predicted_max_kg)


def _judged(fit: Fit[S], toss_up_below: float, clear_lead: float) -> Fit[S]:
    """The fit with its verdict."""
    toss_up, verdict = _verdict(fit, toss_up_below, clear_lead)
    return replace(fit, toss_up=toss_up, verdict=verdict)


def _verdict(fit: Fit[S], toss_up_below: float, clear_lead: float) -> tuple[bool, str]:
    rivals, lift = fit.rivals(), fit.lift
    if not rivals:
        return False, lift.sentences.none_open
    first, *others = rivals
    name = lift.in_words(first.setup)
    if not others:
        return False, f"{name} {lift.sentences.only}"
    second = others[0]
    rival = lift.in_words(second.setup)
    if fit.intervals:
        chance = fit.intervals[fit.leaders.index(first)].chance_best
        if chance < toss_up_below:
            return True, (
                f"toss-up: {name} leads {rival} with a chance of {chance:.0%} to be the better by "
                f"1 %; {lift.sentences.try_both}"
            )
        return False, f"{name} fits best: {chance:.0%} sure"
    lead = first.predicted_max_kg / second.predicted_max_kg - 1.0
    if lead < clear_lead:
        return True, f"toss-up: {name} and {rival} differ by {lead:.1%}; try both before settling"
    return False, f"{name} fits best, {lead:.1%} ahead of {rival}"


def fit(
    lift: Lift[S], lifter: Lifter, grid: SetupGrid[S] | None = None, samples: int = 0, seed: int = 1
) -> Fit[S]:
    """Fit over every axis of the grid, each set-up with its best feasible shank.

    ``samples`` lifters are drawn for intervals and chances, which then order the leaders; with 0
    the predicted max does. Same seed, same answer.
    """
    assumed = lifter.assumed
    searched = grid or SetupGrid(lift, chosen=lift.chosen_by(lifter))
    candidates, rejected = assess(lift, lifter, searched.setups())
    leaders = _leaders(lift, candidates, assumed.clear_lead)
    leading = {id(candidate) for candidate in leaders}
    rest = sorted(
        (c for c in candidates if id(c) not in leading), key=lambda c: -c.predicted_max_kg
    )
    found = Fit(lift, leaders, rest, rejected, [], False, "")
    found = _judged(found, assumed.toss_up_below, assumed.clear_lead)
    if not (leaders and samples):
        return found
    maxes = sample_maxes_kg(lift, lifter, [c.setup for c in leaders], samples, seed)
    return with_intervals(found, lifter, maxes)


def with_intervals(fit: Fit[S], lifter: Lifter, maxes_kg: Floats) -> Fit[S]:
    """A fit with its rivals ordered by chance; ``maxes_kg`` has shape (samples, leaders). A leader
    that is no rival stands behind them, by itself, with no chance to be best."""
    assumed = lifter.assumed
    rivals = fit.rivals()
    at = [i for i, leader in enumerate(fit.leaders) if leader in rivals]
    beside = [i for i in range(len(fit.leaders)) if i not in at]
    found = dict(zip(at, intervals(maxes_kg[:, at], assumed.clear_lead), strict=True))
    for i in beside:
        alone = intervals(maxes_kg[:, [i]], assumed.clear_lead)[0]
        found[i] = replace(alone, chance_best=0.0)
    order = sorted(at, key=lambda i: (-found[i].chance_best, -found[i].median_kg)) + beside
    ordered = replace(
        fit, leaders=[fit.leaders[i] for i in order], intervals=[found[i] for i in order]
    )
    return _judged(ordered, assumed.toss_up_below, assumed.clear_lead)


def nearest_rejected(fit: Fit[S], style: str) -> list[str]:
    """What keeps a closed style's nearest set-up from this body; empty where nothing was tried."""
    of_style = [rejected for rejected in fit.rejected if rejected.setup.style == style]
    return min(of_style, key=lambda r: len(r.reasons)).reasons if of_style else []


def closed_styles(fit: Fit[S]) -> dict[str, list[str]]:
    """For each style that was searched and has no feasible set-up, what binds the nearest."""
    open_ones = {leader.setup.style for leader in fit.leaders}
    searched = dict.fromkeys(rejected.setup.style for rejected in fit.rejected)
    return {style: nearest_rejected(fit, style) for style in searched if style not in open_ones}
