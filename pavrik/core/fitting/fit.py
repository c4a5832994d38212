"""A lift's fit: every set-up of the grid, the best of each style, how sure, the verdict."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Generic

from pavrik.core.fitting.candidates import assess
from pavrik.core.fitting.choice import Choice, Reading, choose
from pavrik.core.fitting.limited_by import limit_shares
from pavrik.core.fitting.sampling import (
    Ask,
    Draws,
    PredictionInterval,
    explained_by_one_more,
    intervals,
    sample,
)
from pavrik.core.fitting.unknowns import reading_errors
from pavrik.core.fitting.verdict import Ranges, Verdict, ranges_of, verdict_on
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.candidate import Candidate, Rejected, S
from pavrik.core.lifts.grid import SetupGrid
from pavrik.core.lifts.lift import Lift


@dataclass(frozen=True)
class Fit(Generic[S]):
    """Leaders (best of each style, best first), the rest, the rejected, the verdict.

    ``intervals`` runs parallel to ``leaders`` and is empty, and ``choice`` None, where no bodies
    were drawn; ``ranges`` and ``shares``, what limits each, run parallel to ``leaders`` too.
    """

    lift: Lift[S]
    leaders: list[Candidate[S]]
    rest: list[Candidate[S]]
    rejected: list[Rejected[S]]
    ranges: list[Ranges]
    shares: list[dict[str, float]]
    intervals: list[PredictionInterval]
    choice: Choice | None
    verdict: Verdict

    def rivals(self) -> list[Candidate[S]]:
        """The leaders that compete with each other; the others stand beside them."""
        return [c for c in self.leaders if self.lift.style_of(c.setup).rival]


def _leaders(
    lift: Lift[S], lifter: Lifter, candidates: Sequence[Candidate[S]]
) -> list[Candidate[S]]:
    """The best of each style: as the school orders them, then by predicted max."""
    by_style: dict[str, list[Candidate[S]]] = {}
    for candidate in candidates:
        by_style.setdefault(candidate.setup.style, []).append(candidate)
    lead = lifter.assumed.clear_lead
    best = [lift.preferred(group, lead) for group in by_style.values()]
    rank = lift.school_order.rank
    return sorted(best, key=lambda c: (rank(lifter, c), -c.predicted_max_kg))


def fit(
    lift: Lift[S], lifter: Lifter, grid: SetupGrid[S] | None = None, ask: Ask | None = None
) -> Fit[S]:
    """Fit over every axis of the grid, each set-up with its best feasible shank.

    Bodies are drawn as asked for intervals and the choice, which then orders the leaders; else the
    predicted max does. Same seed, same answer.
    """
    searched = grid or SetupGrid(lift, chosen=lift.chosen_by(lifter))
    candidates, rejected = assess(lift, lifter, searched.setups())
    leaders = _leaders(lift, lifter, candidates)
    leading = {id(candidate) for candidate in leaders}
    rest = sorted(
        (c for c in candidates if id(c) not in leading), key=lambda c: -c.predicted_max_kg
    )
    ranges = ranges_of(lift, lifter, leaders)
    shares = limit_shares(lift, lifter, [c.setup for c in leaders])
    undecided = Verdict("undecided", "")
    found = Fit(lift, leaders, rest, rejected, ranges, shares, [], None, undecided)
    found = replace(found, verdict=verdict_on(lift, lifter, found.rivals(), None))
    if not leaders or ask is None or not ask.samples:
        return found
    draws = sample(lift, lifter, [c.setup for c in leaders], ask)
    return with_intervals(found, lifter, draws)


def with_intervals(fit: Fit[S], lifter: Lifter, draws: Draws) -> Fit[S]:
    """A fit with its rivals ordered by their school, then by what choosing them loses; ``draws``
    are of its leaders. A leader that is no rival stands behind them."""
    rivals, lift = fit.rivals(), fit.lift
    at = [i for i, leader in enumerate(fit.leaders) if leader in rivals]
    beside = [i for i in range(len(fit.leaders)) if i not in at]
    sure = intervals(draws.maxes_kg)
    choice = _choice(lift, lifter, [fit.leaders[i] for i in at], draws, at) if at else None
    place = {style: n for n, family in enumerate(choice.families if choice else ())
             for style in family.styles}  # fmt: skip

    def rank(i: int) -> tuple[float, int, float]:
        leader = fit.leaders[i]
        by_school = lift.school_order.rank(lifter, leader)
        return by_school, place[leader.setup.style], -leader.predicted_max_kg

    order = sorted(at, key=rank) + beside
    ordered = replace(
        fit,
        leaders=[fit.leaders[i] for i in order],
        ranges=[fit.ranges[i] for i in order],
        shares=[fit.shares[i] for i in order],
        intervals=[sure[i] for i in order],
        choice=choice,
    )
    return replace(ordered, verdict=verdict_on(lift, lifter, ordered.rivals(), choice))


def _choice(
    lift: Lift[S], lifter: Lifter, rivals: Sequence[Candidate[S]], draws: Draws,
    columns: Sequence[int],
) -> Choice:  # fmt: skip
    errors = reading_errors(lifter)
    readings = {
        name: Reading(values, explained_by_one_more(lifter, name, errors[name]))
        for name, values in draws.readings.items()
    }
    return choose(
        draws.maxes_kg[:, list(columns)],
        [lift.family_of(rival.setup) for rival in rivals],
        [rival.setup.style for rival in rivals],
        readings,
        lifter.assumed.clear_lead,
    )


def nearest_rejected(fit: Fit[S], style: str) -> list[str]:
    """What keeps a closed style's nearest set-up from this body; empty where nothing was tried."""
    of_style = [rejected for rejected in fit.rejected if rejected.setup.style == style]
    return min(of_style, key=lambda r: len(r.reasons)).reasons if of_style else []


def closed_styles(fit: Fit[S]) -> dict[str, list[str]]:
    """For each style that was searched and has no feasible set-up, what binds the nearest."""
    open_ones = {leader.setup.style for leader in fit.leaders}
    searched = dict.fromkeys(rejected.setup.style for rejected in fit.rejected)
    return {style: nearest_rejected(fit, style) for style in searched if style not in open_ones}
