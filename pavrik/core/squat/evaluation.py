"""Set-ups by the thousand: for each, the best feasible shank angle and its predicted max.

All inputs broadcast to one shape; two axes are added behind it, shank angle and path step. The
search is coarse over the whole range of the ankle, then fine round the best.
"""

from dataclasses import dataclass, replace

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.segments import Body, Number
from pavrik.core.lifter.mobility import Screens, abduction_limit
from pavrik.core.lifter.schools import BreakSchool, KneesSchool, WidthSchool
from pavrik.core.linkage.balance import BalanceSchool
from pavrik.core.linkage.foot import FootPlacement, place_foot
from pavrik.core.linkage.upper_body import BarPlace
from pavrik.core.squat.held_pose import HeldPose, LoadedSquat, hold
from pavrik.core.squat.path import legs_along, lower_half
from pavrik.core.strength.capacities import Capacities
from pavrik.core.strength.predicted_max import load_at_full_use
from pavrik.core.units import Floats, Indices, Mask, degrees, radians

LEAST_SHANK_DEG = 2.0
MOST_SHANK_DEG = 50.0
BOTTOM = np.ones(1)


@dataclass(frozen=True)
class Pass:
    """One pass of the search: how many shank angles, along which part of the descent."""

    angles: int
    progress: Floats


Effort = tuple[Pass, ...]
"""The first pass covers the ankle's range; each further one the spacing round the best so far."""

NEAR_BOTTOM = np.array([0.8, 1.0])
"""The hardest point is nearly always the bottom, else about a fifth above it."""
THOROUGH: Effort = (
    Pass(18, NEAR_BOTTOM),
    Pass(9, lower_half()[::3]),
    Pass(9, lower_half()[::3]),
    Pass(9, lower_half()),
)
SAMPLING: Effort = (Pass(14, BOTTOM), Pass(7, NEAR_BOTTOM))

_FLAG_DEG = 90.0
"""A limit without a degree of its own (no balance, no reach) counts as this many degrees."""


@dataclass(frozen=True)
class SquatCase:
    """What is evaluated; arrays broadcast against each other, angles in rad, lengths in m."""

    body: Body
    capacities: Capacities
    screens: Screens
    bar: BarPlace
    holds_lean: Number
    stance_m: Number
    toe_out: Number
    heel_lift_m: Number
    hip_above_knee_m: Number
    balance: BalanceSchool
    break_school: BreakSchool
    assumed: Assumptions
    width: WidthSchool = "moderate"
    knees: KneesSchool = "free"
    floor_spread: Number | None = None
    shift_m: Number = 0.0
    knee_in: Number = 0.0
    """rad by which the leg's plane turns inward of the toes: 0 unless a fault does it"""

    def foot(self) -> FootPlacement:
        """Where the left foot stands, with the two axes for shank and step behind."""
        foot = place_foot(self.body, self.stance_m, self.toe_out, self.heel_lift_m, self.assumed)
        return replace(foot, toe_out=foot.toe_out - self.knee_in)

    def held(self, shank: Floats, progress: Floats) -> HeldPose:
        """The case's legs at bottom shanks (rad) along a progress, ready to be loaded."""
        legs = legs_along(
            self.body,
            self.foot(),
            shank,
            self.hip_above_knee_m,
            progress,
            self.break_school,
            self.assumed,
        )
        return hold(
            self.body,
            legs,
            self.bar,
            self.balance,
            self.capacities,
            self.assumed,
            self.floor_spread,
            self.shift_m,
        )


@dataclass(frozen=True)
class Evaluation:
    """The best shank of each case. Angles in rad; ``shortfall_deg`` per limit is how far the case
    oversteps it, 0 where it is kept. ``predicted_max_kg`` is 0 where nothing is feasible."""

    shank: Floats
    feasible: Mask
    predicted_max_kg: Floats
    worst_progress: Floats
    limiter: Indices
    bottom: LoadedSquat
    bottom_pose: HeldPose
    shortfall_deg: dict[str, Floats]


@dataclass(frozen=True)
class _Angles:
    shank: Floats
    load_kg: Floats
    score: Floats
    feasible: Mask
    missing_deg: Floats


def shank_range(case: SquatCase) -> tuple[Floats, Floats]:
    """Least and most shank lean in rad that the ankle screen and the heel allow."""
    pitch = case.foot().pitch
    most = np.minimum(case.screens.dorsiflexion + pitch, radians(MOST_SHANK_DEG))
    least = np.minimum(radians(LEAST_SHANK_DEG), most)
    return np.asarray(least), np.asarray(most)


def shortfalls_deg(case: SquatCase, pose: HeldPose, loaded: LoadedSquat) -> dict[str, Floats]:
    """Degrees by which each limit is overstepped at the bottom."""
    assumed, legs = case.assumed, pose.legs
    lean_excess = degrees(loaded.balanced.lean - most_lean(case))
    abduction = degrees(legs.abduction - abduction_limit(case.screens, loaded.closing, assumed))
    track = degrees(np.abs(legs.azimuth - legs.foot.toe_out)) - assumed.knee_track_deg
    over = {
        "balance": np.where(loaded.balanced.impossible, _FLAG_DEG, 0.0),
        "reach": np.where(legs.unreachable, _FLAG_DEG, 0.0),
        "strength": np.where(np.asarray(loaded.load_kg) <= 0, _FLAG_DEG, 0.0),
        "closing": degrees(loaded.closing - case.screens.closing),
        "abduction": abduction,
        "rotation": degrees(legs.rotation - case.screens.rotation),
        "width": _excess_width_deg(case, legs.abduction),
        "knee_track": track,
        "knee_forward": _knee_too_far_deg(case, pose),
        "lean": lean_excess,
    }
    return {name: np.maximum(value, 0.0) for name, value in over.items()}


def _excess_width_deg(case: SquatCase, abduction: Floats) -> Floats:
    if case.width == "wide":
        return np.zeros_like(abduction)
    return degrees(abduction) - case.assumed.moderate_abduction_deg


def _knee_too_far_deg(case: SquatCase, pose: HeldPose) -> Floats:
    """Degrees of shank by which the knee passes the ball too far where it is held back."""
    knee = pose.legs.knee
    if case.knees == "free":
        return np.zeros_like(knee.x)
    ball = case.assumed.ball_before_midfoot * case.body.foot_m
    along = knee.x * np.cos(case.toe_out) + (knee.y - pose.legs.foot.ankle.y) * np.sin(case.toe_out)
    return degrees((along - ball - case.assumed.held_knee_m) / case.body.shank_m)


def most_lean(case: SquatCase) -> Floats:
    """Most lean of the trunk in rad that a bar allows."""
    return np.asarray(case.holds_lean + radians(case.assumed.lean_excess_deg))


def lean_factor(case: SquatCase, lean: Floats) -> Floats:
    """Share of the max that is left when the trunk leans more (rad) than the bar holds well."""
    excess = np.maximum(degrees(lean - case.holds_lean), 0.0)
    return np.maximum(1.0 - case.assumed.lean_cost * excess**2, 0.0)


def _load_along(case: SquatCase, shank: Floats, progress: Floats) -> Floats:
    pose = case.held(shank, progress)
    mass = case.body.mass_kg
    return load_at_full_use(lambda load: pose.under(load).use.most, mass)


def _assess(case: SquatCase, shank: Floats, progress: Floats) -> _Angles:
    load = np.min(_load_along(case, shank, progress), axis=-1, keepdims=True)
    pose = case.held(shank, BOTTOM)
    loaded = pose.under(load)
    missing = sum(shortfalls_deg(case, pose, loaded).values(), np.zeros(()))
    score = load * lean_factor(case, loaded.balanced.lean)
    feasible = missing <= 0
    shape = np.broadcast_shapes(score.shape, missing.shape)
    return _Angles(
        *(np.broadcast_to(a, shape)[..., 0] for a in (shank, load, score, feasible, missing))
    )


def _best_angle(angles: _Angles) -> Indices:
    """Index of the feasible angle with the highest score, else of the least overstepping one."""
    rank = np.where(angles.feasible, angles.score, -1.0 - angles.missing_deg)
    return np.asarray(np.argmax(rank, axis=-1))[..., None]


def angles_between(least: Floats, most: Floats, angles: int) -> tuple[Floats, Floats]:
    """Shank angles in rad from the least to the most, and their spacing."""
    shares = np.linspace(0.0, 1.0, angles)[:, None]
    return least + (most - least) * shares, (most - least) / (angles - 1)


def angles_round(
    tried: Floats, best: Indices, spacing: Floats, angles: int, range_: tuple[Floats, Floats]
) -> Floats:
    """Shank angles in rad round the best of those tried, ``spacing`` apart, within a range."""
    chosen = np.take_along_axis(tried, best, axis=-1)[..., None]
    offsets = (np.arange(angles) - (angles - 1) / 2)[:, None] * spacing
    return np.clip(chosen + offsets, *range_)


def _search(case: SquatCase, effort: Effort) -> _Angles:
    least, most = shank_range(case)
    first, *further = effort
    shank, spacing = angles_between(least, most, first.angles)
    found = _assess(case, shank, first.progress)
    for finer in further:
        spacing = 2 * spacing / max(finer.angles - 1, 1)
        shank = angles_round(found.shank, _best_angle(found), spacing, finer.angles, (least, most))
        found = _assess(case, shank, finer.progress)
    return found


def evaluate(case: SquatCase, effort: Effort = THOROUGH) -> Evaluation:
    """Best shank, predicted max and limits of every case; results drop the two added axes.

    Every array in ``case`` must already carry two trailing axes of length 1.
    """
    return _report(case, _search(case, effort))


def evaluate_at(case: SquatCase, shank: Floats) -> Evaluation:
    """The same at given shanks (rad), one per case, laid out like the case's arrays."""
    return _report(case, _assess(case, shank, lower_half()))


def _report(case: SquatCase, fine: _Angles) -> Evaluation:
    best = _best_angle(fine)

    def pick(values: Floats) -> Floats:
        return np.take_along_axis(values, best, axis=-1)

    shank, load, score = pick(fine.shank), pick(fine.load_kg), pick(fine.score)
    bottom_pose = case.held(shank[..., None], BOTTOM)
    bottom = bottom_pose.under(load[..., None])
    feasible = np.take_along_axis(fine.feasible, best, axis=-1)[..., 0]
    worst, limiter = _where_it_breaks(case, shank, load)
    return Evaluation(
        shank=shank[..., 0],
        feasible=feasible,
        predicted_max_kg=np.where(feasible, score[..., 0], 0.0),
        worst_progress=worst,
        limiter=limiter,
        bottom=bottom,
        bottom_pose=bottom_pose,
        shortfall_deg={
            name: np.broadcast_to(value[..., 0, 0], feasible.shape)
            for name, value in shortfalls_deg(case, bottom_pose, bottom).items()
        },
    )


def _where_it_breaks(case: SquatCase, shank: Floats, load: Floats) -> tuple[Floats, Indices]:
    """Progress (0 to 1) of the hardest point of the lower half, and the limiter's index there."""
    progress = lower_half()
    use = case.held(shank[..., None], progress).under(load[..., None]).use
    worst = np.argmax(use.most, axis=-1)[..., 0]
    limiter = np.take_along_axis(use.limiter[..., 0, :], worst[..., None], axis=-1)[..., 0]
    return progress[worst], limiter
