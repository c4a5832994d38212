"""Set-ups by the thousand: for each, the best feasible shank and its predicted max.

The search is coarse over the whole range of the shank, then fine round the best. Where nothing is
left to choose there is one angle and nothing to search.
"""

from dataclasses import dataclass
from functools import cached_property
from typing import Any

import numpy as np

from pavrik.core.lifts.case import DEEPEST, Case, Effort
from pavrik.core.lifts.lift import Lift
from pavrik.core.lifts.limit import excesses, share_left, shut_deg
from pavrik.core.lifts.posture import LoadedPosture, Posture
from pavrik.core.strength.predicted_max import (
    NEAR,
    ROUGH_STEPS,
    ROUGH_STEPS_NEAR,
    STEPS,
    load_at_full_utilization,
)
from pavrik.core.units import Floats, Indices, Mask

HARDEST = 3
"""Steps of a way that are loaded to the end, where a guess tells them from the others."""
LEAST_RISE = 1e-9


@dataclass(frozen=True)
class Evaluation:
    """The best shank of each set-up, shape (*lifters, set-up). Angles in rad; ``excess`` per limit
    is how far the deepest point oversteps it, in the limit's unit, 0 where it is kept.

    ``predicted_max_kg`` is 0 where nothing is feasible; ``held_max_kg`` is what the muscles hold
    there, ``left`` the share of it that soft limits leave. ``case`` has everything in place that
    balance decides; ``deepest`` and ``loaded`` have the two axes of shank and step behind.
    """

    lift: Lift[Any]
    case: Case
    shank: Floats
    feasible: Mask
    predicted_max_kg: Floats
    held_max_kg: Floats
    left: Floats
    deepest: Posture
    loaded: LoadedPosture
    excess: dict[str, Floats]

    @property
    def worst_progress(self) -> Floats:
        """Progress (0 to 1) of the hardest point that is judged."""
        return self._where_it_breaks[0]

    @property
    def limiter(self) -> Indices:
        """Index into ``LIMITERS`` of what gives out first there."""
        return self._where_it_breaks[1]

    @cached_property
    def _where_it_breaks(self) -> tuple[Floats, Indices]:
        judged, use = self.lift.judged, self.loaded.utilization
        if not np.array_equal(judged, DEEPEST):
            along = self.case.posture(self.shank[..., None, None], judged)
            use = along.at_load(self.loaded.load_kg).utilization
        most = np.broadcast_to(use.most, (*self.shank.shape, 1, len(judged)))
        limiters = np.broadcast_to(use.limiter, most.shape)
        worst = np.argmax(most, axis=-1)[..., 0]
        limiter = np.take_along_axis(limiters[..., 0, :], worst[..., None], axis=-1)[..., 0]
        return judged[worst], limiter


@dataclass(frozen=True)
class _Angles:
    """What was found at each shank that was tried, all of shape (*lifters, set-up, angle), and the
    deepest points there."""

    shank: Floats
    load_kg: Floats
    score: Floats
    feasible: Mask
    missing_deg: Floats


def _held_kg(posture: Posture, near_kg: Floats | None, steps: int) -> Floats:
    """Load in kg at which something gives way."""
    return load_at_full_utilization(
        lambda load: posture.at_load(load).utilization.most, posture.body.mass_kg, near_kg, steps
    )


def _hardest(along: Posture, progress: Floats, near_kg: Floats) -> Floats:
    """Progress of the few steps that give way first, by a straight line through two loads."""
    before, now = (along.at_load(near_kg * share).utilization.most for share in (NEAR, 1.0))
    gives_way = (1.0 - now) / np.maximum(now - before, LEAST_RISE)
    first = np.argpartition(gives_way, HARDEST, axis=-1)[..., :HARDEST]
    return progress[first]


def _assess(
    lift: Lift[Any], case: Case, shank: Floats, progress: Floats, near_kg: Floats | None = None,
    steps: int = STEPS,
) -> _Angles:  # fmt: skip
    case, placed = case.placed(shank)
    shank = shank if placed is None else placed
    along = case.posture(shank, progress)
    if near_kg is not None and len(progress) > 2 * HARDEST:
        along = case.posture(shank, _hardest(along, progress, near_kg))
    load = np.min(_held_kg(along, near_kg, steps), axis=-1, keepdims=True)
    deepest = along if np.array_equal(progress, DEEPEST) else case.posture(shank, DEEPEST)
    over = excesses(lift.limits, case, deepest, deepest.at_load(load))
    missing = shut_deg(lift.limits, case, over)
    score = load * share_left(lift.limits, case, over)
    shape = np.broadcast_shapes(score.shape, missing.shape)

    def column(values: Any) -> Any:
        return np.broadcast_to(values, shape)[..., 0]

    return _Angles(
        shank=column(shank),
        load_kg=column(load),
        score=column(score),
        feasible=column(missing <= 0),
        missing_deg=column(missing),
    )


def _best_angle(angles: _Angles) -> Indices:
    """Index of the feasible angle with the highest score, else of the least overstepping one."""
    rank = np.where(angles.feasible, angles.score, -1.0 - angles.missing_deg)
    return np.asarray(np.argmax(rank, axis=-1))[..., None]


def angles_between(least: Floats, most: Floats, angles: int) -> tuple[Floats, Floats]:
    """Shank angles in rad from the least to the most on the last axis but one, and their spacing:
    one angle where least and most are the same everywhere."""
    if np.array_equal(least, most):
        return np.asarray(least), np.zeros(())
    shares = np.linspace(0.0, 1.0, angles)[:, None]
    return least + (most - least) * shares, (most - least) / (angles - 1)


def angles_round(
    tried: Floats, best: Indices, spacing: Floats, angles: int, range_: tuple[Floats, Floats]
) -> Floats:
    """Shank angles in rad round the best of those tried, ``spacing`` apart, within a range."""
    chosen = np.take_along_axis(tried, best, axis=-1)[..., None]
    offsets = (np.arange(angles) - (angles - 1) / 2)[:, None] * spacing
    return np.clip(chosen + offsets, *range_)


def _search(lift: Lift[Any], case: Case, effort: Effort) -> _Angles:
    least, most = case.shank_range()
    first, *further = effort
    shank, spacing = angles_between(least, most, first.angles)
    is_last = not (further and np.any(spacing))
    found = _assess(lift, case, shank, first.progress, steps=STEPS if is_last else ROUGH_STEPS)
    for finer in () if is_last else further:
        spacing = 2 * spacing / max(finer.angles - 1, 1)
        best = _best_angle(found)
        shank = angles_round(found.shank, best, spacing, finer.angles, (least, most))
        near_kg = np.take_along_axis(found.load_kg, best, axis=-1)[..., None]
        steps = STEPS if finer is effort[-1] else ROUGH_STEPS_NEAR
        found = _assess(lift, case, shank, finer.progress, near_kg, steps)
    return found


def evaluate(lift: Lift[Any], case: Case, effort: Effort | None = None) -> Evaluation:
    """Best shank, predicted max and limits of every set-up, searched thoroughly unless said."""
    case, _ = case.placed()
    return _report(lift, case, _search(lift, case, effort or lift.thorough))


def evaluate_at(lift: Lift[Any], case: Case, shank: Floats) -> Evaluation:
    """The same at given shanks (rad), one per set-up, laid out like the case's arrays."""
    return _report(lift, case.placed()[0], _assess(lift, case, shank, lift.judged))


def _report(lift: Lift[Any], case: Case, angles: _Angles) -> Evaluation:
    best = _best_angle(angles)

    def pick(values: Any) -> Any:
        return np.take_along_axis(values, best, axis=-1)

    shank, load, score = pick(angles.shank), pick(angles.load_kg), pick(angles.score)
    case, _ = case.placed(shank[..., None])
    deepest = case.posture(shank[..., None], DEEPEST)
    loaded = deepest.at_load(load[..., None])
    excess = excesses(lift.limits, case, deepest, loaded)
    left = np.broadcast_to(share_left(lift.limits, case, excess), (*score.shape, 1))[..., 0, 0]
    feasible = pick(angles.feasible)[..., 0]
    return Evaluation(
        lift=lift,
        case=case,
        shank=shank[..., 0],
        feasible=feasible,
        predicted_max_kg=np.where(feasible, score[..., 0], 0.0),
        held_max_kg=load[..., 0],
        left=left,
        deepest=deepest,
        loaded=loaded,
        excess={
            name: np.broadcast_to(value[..., 0, 0], feasible.shape)
            for name, value in excess.items()
        },
    )
