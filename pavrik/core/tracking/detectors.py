"""What a film can tell of a fault: one number per rep, its error, and from where it is told.

What is compared within one clip (the way up against the way down at equal height of the bar) is
good to millimetres; absolute places are not. The errors and the first thresholds come from rendered
clips with known truth; the thresholds give way to the lifter's own light sets.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Generic, Literal, TypeVar

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.lifts.lift import Carried
from pavrik.core.tracking.expected import Expected
from pavrik.core.tracking.measured import Measured
from pavrik.core.tracking.reps import Rep
from pavrik.core.units import Floats, degrees
from pavrik.words import say

M = TypeVar("M")
Side = Literal["left", "right"]
LOWEST = 0.45
_GRID = np.linspace(0.04, LOWEST, 40)
HIP_PER_BAR = assume("hip_per_bar_forward", 0.85, "share", "a bar that drifts takes the hips along")
WAITING_PERCENT = 20
AT_LIFT_OFF = 3
"""Pictures that tell where the hips are as the plates leave."""
BEFORE_S = assume("before_lift_off_s", 0.9, "s", "looked back from where the plates leave")
FIRST_THIRD = 1 / 3


@dataclass(frozen=True)
class Detector(Generic[M]):
    """One thing that is measured in each rep of a clip measured as ``M``. ``error_sd`` and
    ``told_from`` are in ``unit``; ``below`` says that small values are the fault. ``says``
    completes "measured ... cm"."""

    id: str
    carried: Carried
    fault_id: str
    phase: str
    unit: Literal["m", "deg", "s"]
    error_sd: float
    told_from: float
    estimate: Callable[[M, Expected, Rep], float]
    says: str
    below: bool = False
    needs_square: bool = True
    """Whether an oblique view spoils it."""
    priced: bool = False
    """Whether its value is the amount that the fault is priced by."""
    banded: bool = False
    """Whether nothing is told between the threshold and as much to the other side."""
    side: Callable[[M, Rep], Side | None] | None = None
    """Whose side it is, the lifter's own."""
    bar_aside: Callable[[M, Rep], float] | None = None
    """How far (m) the bar went to that side meanwhile, where its price depends on it."""

    def told(self, own: Sequence[float] = ()) -> float:
        """From which value on it is told: the 99th percentile of the lifter's own light reps where
        there are enough of them; never finer than the error allows, nor than most of the first
        threshold: tired reps of honest form spread wider than light ones."""
        if self.below or self.banded or len(own) < LEAST_OWN:
            return self.told_from
        usual = float(np.mean(own)) + 2.33 * float(np.std(own, ddof=1))
        return max(usual, 2.33 * self.error_sd, FINEST * self.told_from)


FINEST = assume(
    "film_finest", 0.8, "share", "of a first threshold: own light reps tighten it no further"
)
LEAST_OWN = 8
"""Light reps of one's own that replace the first threshold."""


def at_equal_height(height: Floats, rep: Rep, values: Floats) -> Floats:
    """Way up less way down of a column at equal heights of the bar, over the lowest part of the
    way."""
    low = float(height[rep.turn])
    way = min(float(height[rep.first]), float(height[rep.last])) - low
    heights = low + _GRID * way

    def along(part: slice) -> Floats:
        z, v = height[part], values[part]
        order = np.argsort(z)
        return np.interp(heights, z[order], v[order])

    down, up = slice(rep.first, rep.turn + 1), slice(rep.turn, rep.last + 1)
    return np.asarray(along(up) - along(down))


def hips_lead_m(measured: Measured, _: Expected, rep: Rep) -> float:
    """How far the hips are ahead of the bar on the way up: higher than at the same height of the
    bar on the way down, less what a bar that drifts forward takes with it."""
    height = measured.bar[:, 1]
    hips = at_equal_height(height, rep, measured.hip[:, 1])
    bar = at_equal_height(height, rep, measured.bar[:, 0])
    return float(np.max(hips - HIP_PER_BAR * bar))


def bar_forward_m(measured: Measured, _: Expected, rep: Rep) -> float:
    """How far the bar is in front of where it was at the same height on the way down."""
    return float(np.max(at_equal_height(measured.bar[:, 1], rep, measured.bar[:, 0])))


def knees_stay_m(measured: Measured, _: Expected, rep: Rep) -> float:
    """How far the knees are in front of where they were at the same height on the way down."""
    return float(np.max(at_equal_height(measured.bar[:, 1], rep, measured.knee[:, 0])))


def heels_rise_m(measured: Measured, _: Expected, rep: Rep) -> float:
    """How far the heel comes off the floor."""
    rise = measured.heel_rise_m[rep.first : rep.last + 1]
    rise = rise[np.isfinite(rise)]
    return float(np.percentile(rise, 95)) if len(rise) else float("nan")


def above_level_m(measured: Measured, _: Expected, rep: Rep) -> float:
    """How far the hip's crease stays above the top of the knee at the bottom. No light: the
    referees decide."""
    hip, knee = measured.hip[rep.turn, 1], measured.knee[rep.turn, 1]
    return float(hip - knee - measured.linkage.hip_at_level_m)


def descent_s(_: Measured, __: Expected, rep: Rep) -> float:
    """Seconds of the way down."""
    return rep.down_s


def hips_before_plates_m(measured: Measured, _: Expected, rep: Rep) -> float:
    """How far the hips rise before the plates leave the floor: from where they wait, which is their
    lower fifth and not the lowest picture, whose error would count as a rise."""
    times = measured.times_s
    before = (times >= times[rep.first] - BEFORE_S) & (np.arange(len(times)) <= rep.first)
    if before.sum() < AT_LIFT_OFF:
        return float("nan")
    hips = measured.hip[before, 1]
    return float(np.mean(hips[-AT_LIFT_OFF:]) - np.percentile(hips, WAITING_PERCENT))


def back_tips_deg(measured: Measured, expected: Expected, rep: Rep) -> float:
    """How much more the back tips forward in the first third of the way than computed."""
    height = measured.bar[:, 1]
    way = float(height[rep.turn] - height[rep.first])
    third = rep.first + int(
        np.argmax(height[rep.first : rep.turn + 1] >= height[rep.first] + way * FIRST_THIRD)
    )
    seen = float(degrees(measured.solved.lean[third] - measured.solved.lean[rep.first]))
    lowest = float(expected.height_m[0])
    computed = expected.angle_deg("trunk_lean", np.array([lowest, lowest + way * FIRST_THIRD]))
    return seen - float(computed[1] - computed[0])


def bar_away_m(measured: Measured, expected: Expected, rep: Rep) -> float:
    """How far the bar is in front of its computed way below the knee, from where it began."""
    height, x = measured.bar[:, 1], measured.bar[:, 0]
    up = slice(rep.first, rep.turn + 1)
    risen = height[up] - height[rep.first]
    knee_m = float(measured.knee[rep.first, 1]) - float(height[rep.first])
    below = risen <= max(knee_m, 0.1)
    lowest = float(expected.height_m[0])
    way = expected.point("bar", 0, lowest + risen[below])
    return float(np.max((x[up][below] - x[rep.first]) - (way - way[0])))


def in_metres(
    name: str, error: float, told: float, meaning: str, seen_from: str = "film"
) -> tuple[float, float]:
    """A detector's error and its first threshold, registered as assumptions."""
    return (
        assume(f"{seen_from}_{name}_sd", error, "m", f"error of a film: {meaning}"),
        assume(f"{seen_from}_{name}_told", told, "m", f"told from: {meaning}"),
    )


DETECTORS: tuple[Detector[Measured], ...] = (
    Detector(
        "dive", "back", "dive", "descent", "s",
        assume("film_dive_sd", 0.04, "s", "error of a film: time of the descent"),
        assume("film_dive_told", 0.9, "s", "a descent faster than this is told"), descent_s,
        say("tracking.way_down"), below=True, needs_square=False,
    ),
    Detector(
        "heels-up", "back", "heels-up", "bottom", "m",
        *in_metres("heels", 0.0025, 0.009, say("tracking.heel_off_floor")), heels_rise_m,
        say("tracking.heel_off_floor"),
    ),
    Detector(
        "depth", "back", "high", "bottom", "m",
        *in_metres("depth", 0.015, 0.035, say("tracking.crease_hip_above_top")),
        above_level_m,
        say("tracking.crease_hip_above_top"), banded=True,
    ),
    Detector(
        "hips-rise", "back", "hips-rise", "out of the hole", "m",
        *in_metres("hips", 0.002, 0.030, say("tracking.hips_ahead_bar")), hips_lead_m,
        say("tracking.hips_higher_same_bar"), priced=True,
    ),
    Detector(
        "bar-forward", "back", "bar-forward", "out of the hole", "m",
        *in_metres("forward", 0.001, 0.019, say("tracking.bar_front_way_down")), bar_forward_m,
        say("tracking.bar_front_where_went"), priced=True,
    ),
    Detector(
        "knees-stay", "back", "knees-stay", "out of the hole", "m",
        *in_metres("knees", 0.001, 0.025, say("tracking.knees_front_their_way")), knees_stay_m,
        say("tracking.knees_front_where_they"),
    ),
    Detector(
        "hips-before-plates", "hands", "hips-shoot", "off the floor", "m",
        *in_metres("hips_before", 0.0055, 0.022, say("tracking.hips_up_before_plates")),
        hips_before_plates_m, say("tracking.hips_up_before_plates_left"), priced=True,
    ),
    Detector(
        "back-tips", "hands", "hips-shoot", "off the floor", "deg",
        assume("film_tips_sd", 0.8, "deg", "error of a film: back tipping off the floor"),
        assume("film_tips_told", 2.6, "deg", "told from: back tipping off the floor"),
        back_tips_deg, say("tracking.more_tip_back_first"),
    ),
    Detector(
        "bar-away", "hands", "bar-away", "below the knee", "m",
        *in_metres("away", 0.0045, 0.017, say("tracking.bar_front_computed_way")), bar_away_m,
        say("tracking.bar_front_computed_way"), priced=True,
    ),
)  # fmt: skip


def detectors_of(carried: Carried) -> list[Detector[Measured]]:
    """What is looked for where the bar is carried so, in the order of the phases."""
    return [detector for detector in DETECTORS if detector.carried == carried]
