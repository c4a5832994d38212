"""The pull fit: every start of the grid, the best of each style, how sure, the verdict in words."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import product
from math import prod

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.deadlift.candidates import PullCandidate, RejectedPull, assess_pulls
from pavrik.core.deadlift.cases import pull_case
from pavrik.core.deadlift.evaluation import FORWARD_M, evaluate_pulls
from pavrik.core.deadlift.styles import (
    COMPETING,
    STYLES,
    TRAP,
    TRAP_HANDLES_M,
    PullSetup,
    Style,
    usual_height_m,
)
from pavrik.core.fitting.sampling import STEP, Sureness, draw_lifters, how_sure
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.units import Floats, degrees, radians

OUTSIDE_GRIPS_M = (0.46, 0.50, 0.54, 0.58, 0.64)
INSIDE_GRIPS_M = (0.38, 0.42, 0.46, 0.50, 0.54)
BAR_OFFSETS_M = (0.02, 0.03, 0.04)
TRAP_OFFSETS_M = (-0.02, 0.0, 0.02, 0.04, 0.06)


@dataclass(frozen=True)
class PullGrid:
    """The axes of a search; None takes the style's usual values. Lengths in m, toes in deg."""

    styles: tuple[Style, ...] = COMPETING
    stance_m: tuple[float, ...] | None = None
    toe_out_deg: tuple[float, ...] | None = None
    grip_m: tuple[float, ...] | None = None
    bar_offset_m: tuple[float, ...] | None = None
    shoulder_offset_m: float = 0.04
    plate_radius_m: float = 0.225

    def setups(self) -> list[PullSetup]:
        """Every start of the grid, style slowest."""
        return [setup for style in self.styles for setup in self._of(style)]

    def __len__(self) -> int:
        return sum(prod(map(len, self._axes(style))) for style in self.styles)

    def _axes(self, style: Style) -> tuple[tuple[float, ...], ...]:
        """Stances, toes, grips, bar offsets of a style."""
        kind, trap = STYLES[style], style in TRAP
        usual = {"outside": OUTSIDE_GRIPS_M, "inside": INSIDE_GRIPS_M}.get(kind.hands, ())
        grips = (TRAP_HANDLES_M,) if trap else self.grip_m or usual
        offsets = self.bar_offset_m or (TRAP_OFFSETS_M if trap else BAR_OFFSETS_M)
        return self.stance_m or kind.stances_m, self.toe_out_deg or kind.toes_deg, grips, offsets

    def _of(self, style: Style) -> list[PullSetup]:
        shoulder_m = 0.0 if style in TRAP else self.shoulder_offset_m
        height_m = usual_height_m(style, self.plate_radius_m)
        return [
            PullSetup(style, stance, float(radians(toes)), grip, offset, shoulder_m, height_m)
            for stance, toes, grip, offset in product(*self._axes(style))
        ]


@dataclass(frozen=True)
class PullFit:
    """Leaders (best of each style, best first), the rest, the rejected, the verdicts.

    ``sureness`` runs parallel to ``leaders``; ``coach_rule`` is the more upright back among honest
    starts beside the model's ranking.
    """

    leaders: list[PullCandidate]
    rest: list[PullCandidate]
    rejected: list[RejectedPull]
    sureness: list[Sureness]
    toss_up: bool
    verdict: str
    coach_rule: str


def in_words(candidate: PullCandidate) -> str:
    """A start as a coach says it."""
    setup = candidate.setup
    toes = float(degrees(setup.toe_out))
    return f"{setup.kind.name}, {setup.stance_m * 100:.0f} cm, toes {toes:.0f}°"


def _competition(leaders: Sequence[PullCandidate]) -> list[PullCandidate]:
    return [c for c in leaders if c.setup.style not in TRAP and c.setup.kind.from_floor]


def _coach_rule(leaders: Sequence[PullCandidate]) -> str:
    """The coach's rule: compare back angles of honest starts and take the more upright."""
    straight = _competition(leaders)
    if len(straight) < 2:
        return ""
    upright = max(straight, key=lambda c: c.back_angle)
    strongest = max(straight, key=lambda c: c.predicted_max_kg)
    back = float(degrees(upright.back_angle))
    says = f"the more upright back is {in_words(upright)}, {back:.0f}° above level"
    if upright is strongest:
        return f"{says}, and the model agrees: it lifts the most"
    lost = 1 - upright.predicted_max_kg / strongest.predicted_max_kg
    return (
        f"{says}; the model disagrees: {in_words(strongest)} lifts {lost:.0%} more, because the "
        f"{upright.limiter.replace('_', ' ')} limit the upright start"
    )


def _verdict(
    leaders: Sequence[PullCandidate], sureness: Sequence[Sureness], assumed: Assumptions
) -> tuple[bool, str]:
    straight = [
        (c, sureness[i] if sureness else None)
        for i, c in enumerate(leaders)
        if c in _competition(leaders)
    ]
    if not straight:
        return False, (
            "no start from the floor holds with a flat back for this body: raise the bar on "
            "blocks, or pull the trap bar, and work on what the screens show"
        )
    first, sure = straight[0]
    if len(straight) == 1:
        return False, f"{in_words(first)} is the only start from the floor that this body can take"
    second = straight[1][0]
    if sure is not None and sure.chance_best < assumed.toss_up_below:
        return True, (
            f"toss-up: {in_words(first)} leads {in_words(second)} with a chance of "
            f"{sure.chance_best:.0%} to be the better by 1 %; try both over fixed weeks, and do "
            "not change style after one bad week"
        )
    if sure is not None:
        return False, f"{in_words(first)} fits best: {sure.chance_best:.0%} sure"
    lead = first.predicted_max_kg / second.predicted_max_kg - 1
    if lead < assumed.clear_lead:
        return True, f"toss-up: {in_words(first)} and {in_words(second)} differ by {lead:.1%}"
    return False, f"{in_words(first)} fits best, {lead:.1%} ahead of {in_words(second)}"


def _best_of(candidates: Sequence[PullCandidate]) -> PullCandidate:
    """The highest predicted max inside the balance window, where there is one."""
    steady = [c for c in candidates if c.centre_x_m <= FORWARD_M]
    return max(steady or candidates, key=lambda c: c.predicted_max_kg)


def fit_pull(
    lifter: Lifter, grid: PullGrid | None = None, samples: int = 0, seed: int = 1
) -> PullFit:
    """Fit over styles, stances, toes, grips and foot offsets. ``samples`` bodies are drawn for
    bands and chances, which then order the leaders."""
    candidates, rejected = assess_pulls(lifter, (grid or PullGrid()).setups())
    by_style: dict[Style, list[PullCandidate]] = {}
    for candidate in candidates:
        by_style.setdefault(candidate.setup.style, []).append(candidate)
    best = [_best_of(group) for group in by_style.values()]
    leaders = sorted(best, key=lambda c: -c.predicted_max_kg)
    leading = {id(c) for c in leaders}
    rest = sorted(
        (c for c in candidates if id(c) not in leading), key=lambda c: -c.predicted_max_kg
    )
    toss_up, verdict = _verdict(leaders, [], lifter.assumed)
    fit = PullFit(leaders, rest, rejected, [], toss_up, verdict, _coach_rule(leaders))
    if not (leaders and samples):
        return fit
    drawn = np.concatenate(list(sample_pulls(lifter, [c.setup for c in leaders], samples, seed)))
    return with_pull_sureness(fit, drawn, lifter.assumed)


def with_pull_sureness(fit: PullFit, maxes_kg: Floats, assumed: Assumptions) -> PullFit:
    """A fit with its leaders ordered by chance among the starts from the floor with a straight
    bar; a trap bar is not a rival but stands beside them."""
    straight = [i for i, c in enumerate(fit.leaders) if c in _competition(fit.leaders)]
    beside = [i for i in range(len(fit.leaders)) if i not in straight]
    sure = dict(zip(straight, how_sure(maxes_kg[:, straight], assumed.clear_lead), strict=True))
    for i in beside:
        alone = how_sure(maxes_kg[:, [i]], assumed.clear_lead)[0]
        sure[i] = replace(alone, chance_best=0.0)
    order = sorted(straight, key=lambda i: (-sure[i].chance_best, -sure[i].median_kg)) + beside
    leaders, sureness = [fit.leaders[i] for i in order], [sure[i] for i in order]
    toss_up, verdict = _verdict(leaders, sureness, assumed)
    return replace(fit, leaders=leaders, sureness=sureness, toss_up=toss_up, verdict=verdict)


def _neighbours(setup: PullSetup) -> list[PullSetup]:
    """A re-fit on another body may move the feet a little, sideways and to the bar."""
    return [
        replace(setup, stance_m=setup.stance_m + wider, bar_offset_m=setup.bar_offset_m + nearer)
        for wider in (-0.04, 0.0, 0.04)
        for nearer in (-0.01, 0.0, 0.01)
    ]


def best_pulls_kg(
    lifters: Lifter, setups: Sequence[PullSetup], spread: Floats | None = None
) -> Floats:
    """Best predicted max in kg of each start and its neighbours, for many lifters laid out along
    a leading axis of three; shape (lifters, set-ups)."""
    columns = []
    for setup in setups:
        case = pull_case(lifters, _neighbours(setup), before=(1,))
        case = case if spread is None else replace(case, floor_spread=spread)
        columns.append(evaluate_pulls(case).predicted_max_kg.max(axis=-1))
    return np.stack(columns, axis=-1)


def sample_pulls(
    lifter: Lifter, setups: Sequence[PullSetup], samples: int, seed: int
) -> Iterator[Floats]:
    """Predicted max in kg of each start on drawn lifters, a few bodies at a time."""
    assumed = lifter.assumed
    for start in range(0, samples, STEP):
        random = np.random.default_rng([seed, start])
        count = min(STEP, samples - start)
        drawn = draw_lifters(lifter, count, random, axes=2)
        spread = random.uniform(assumed.spread_low, assumed.spread_high, (count, 1, 1))
        yield best_pulls_kg(drawn, setups, spread)
