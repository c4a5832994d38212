"""What a film from the front or from behind can tell, one number per rep; the errors come from
rendered clips with known truth, the thresholds are first ones."""

from functools import partial

import numpy as np
from numpy.typing import NDArray

from pavrik.core.assumptions import assume
from pavrik.core.lifts.lift import Carried
from pavrik.core.tracking.detectors import LOWEST, Detector, Side, at_equal_height, in_metres
from pavrik.core.tracking.expected import Expected
from pavrik.core.tracking.head_on import HeadOnMeasured
from pavrik.core.tracking.reps import Rep
from pavrik.core.units import Floats
from pavrik.words import say

ONE_SIDED = assume("front_one_sided", 0.6, "share", "of the worse knee: below, it is one-sided")
LANDING_M = assume("landing_m", 0.12, "m", "above the floor: the plates are about to land")


def _low(measured: HeadOnMeasured, rep: Rep) -> NDArray[np.bool_]:
    """The pictures of a rep in which the bar is in the lowest part of its way, as a mask over the
    clip."""
    height = measured.height_m
    low = float(height[rep.turn])
    way = min(float(height[rep.first]), float(height[rep.last])) - low
    inside = np.zeros(len(height), bool)
    inside[rep.first : rep.last + 1] = True
    return inside & (height <= low + LOWEST * way)


def knees_cave_m(measured: HeadOnMeasured, _: Expected, rep: Rep) -> float:
    """How far a knee is further in on the way up than at the same height of the bar going down."""
    return float(max(_caves(measured, rep)))


def _caves(measured: HeadOnMeasured, rep: Rep) -> list[float]:
    return [
        float(np.percentile(-at_equal_height(measured.height_m, rep, out), 90))
        for out in measured.knees_out_m.T
    ]


def knees_inside_m(measured: HeadOnMeasured, _: Expected, rep: Rep) -> float:
    """How far a knee stands inside its ankle at the deepest point."""
    return float(np.max(measured.feet_m - measured.knees_out_m[rep.turn]))


def hips_aside_m(measured: HeadOnMeasured, _: Expected, rep: Rep) -> float:
    """How far the hips move to a side from where they stood, in the lowest part of the way."""
    low = _aside(measured, rep)
    return float(np.percentile(np.abs(low), 90)) if len(low) else float("nan")


def hips_side(measured: HeadOnMeasured, rep: Rep) -> Side:
    """To which side the hips move."""
    low = _aside(measured, rep)
    return "left" if float(low[int(np.argmax(np.abs(low)))]) > 0 else "right"


def bar_with_hips_m(measured: HeadOnMeasured, rep: Rep) -> float:
    """How far the bar went to the side of the hips where they are furthest off."""
    frames = np.flatnonzero(_low(measured, rep))
    hips = np.nan_to_num(measured.hips_off_m[frames] - _stood(measured.hips_off_m, rep))
    at = int(np.argmax(np.abs(hips)))
    bar = measured.bar_off_m[frames[at]] - _stood(measured.bar_off_m, rep)
    return float(np.sign(hips[at]) * bar)


def _aside(measured: HeadOnMeasured, rep: Rep) -> Floats:
    low = measured.hips_off_m[_low(measured, rep)] - _stood(measured.hips_off_m, rep)
    return np.asarray(low[np.isfinite(low)])


def _stood(values: Floats, rep: Rep) -> float:
    """The usual value of a column where a rep begins."""
    before = values[max(rep.first - 3, 0) : rep.first + 1]
    seen = before[np.isfinite(before)]
    return float(np.median(seen)) if len(seen) else float("nan")


def knee_side(measured: HeadOnMeasured, rep: Rep) -> Side | None:
    """Which knee goes further in on the way up; None where both do."""
    return _worse(*_caves(measured, rep))


def knee_inside_side(measured: HeadOnMeasured, rep: Rep) -> Side | None:
    """Which knee stands further inside its ankle; None where both do."""
    left, right = measured.feet_m - measured.knees_out_m[rep.turn]
    return _worse(float(left), float(right))


def _worse(left: float, right: float) -> Side | None:
    if min(left, right) > ONE_SIDED * max(left, right):
        return None
    return "left" if left > right else "right"


def _tilts(measured: HeadOnMeasured, rep: Rep) -> Floats:
    """The bar's tilt over a rep against where it stood."""
    tilt = measured.tilt_m
    return np.asarray(tilt[rep.first : rep.last + 1] - _stood(tilt, rep))


def bar_tilts_m(measured: HeadOnMeasured, _: Expected, rep: Rep) -> float:
    """How much higher one end of the bar comes than the other, against where it stood."""
    return float(np.percentile(np.abs(_tilts(measured, rep)), 95))


def low_end(measured: HeadOnMeasured, rep: Rep) -> Side:
    """Which end of the bar is the lower one."""
    tilts = _tilts(measured, rep)
    return "right" if float(tilts[int(np.argmax(np.abs(tilts)))]) > 0 else "left"


def _landing(measured: HeadOnMeasured, rep: Rep) -> Floats:
    lowering = slice(rep.turn, rep.last + 1)
    height = measured.height_m[lowering]
    tilts = measured.tilt_m[lowering] - _stood(measured.tilt_m, rep)
    return np.asarray(tilts[height <= measured.height_m[rep.first] + LANDING_M])


def lands_uneven_m(measured: HeadOnMeasured, _: Expected, rep: Rep) -> float:
    """How much higher one end is than the other where the plates are about to land; not seen where
    the film ends before."""
    tilts = _landing(measured, rep)
    return float(np.max(np.abs(tilts))) if len(tilts) else float("nan")


def first_down(measured: HeadOnMeasured, rep: Rep) -> Side:
    """Which end lands first."""
    tilts = _landing(measured, rep)
    return "right" if float(tilts[int(np.argmax(np.abs(tilts)))]) > 0 else "left"


_in_metres = partial(in_metres, seen_from="front")
HEAD_ON: tuple[Detector[HeadOnMeasured], ...] = (
    Detector(
        "knees-inside", "back", "knees-in", "bottom", "m",
        *_in_metres("inside", 0.015, 0.035, say("tracking.knee_inside_ankle_bottom")),
        knees_inside_m, say("tracking.knee_inside_ankle"), side=knee_inside_side,
    ),
    Detector(
        "knees-cave", "back", "knees-in", "out of the hole", "m",
        *_in_metres("cave", 0.006, 0.025, say("tracking.knee_further_going_down")), knees_cave_m,
        say("tracking.knee_further_same_bar"), side=knee_side,
    ),
    Detector(
        "hips-aside", "back", "hip-shift", "out of the hole", "m",
        *_in_metres("aside", 0.006, 0.022, say("tracking.hips_side")), hips_aside_m,
        say("tracking.hips_side_where_they"), priced=True, side=hips_side,
        bar_aside=bar_with_hips_m,
    ),
    Detector(
        "bar-tilts", "back", "uneven-bar", "out of the hole", "m",
        *_in_metres("tilt", 0.008, 0.030, say("tracking.end_bar_higher")), bar_tilts_m,
        say("tracking.end_bar_above_other"), side=low_end,
    ),
    Detector(
        "lands-uneven", "hands", "one-side-down", "lowering", "m",
        *_in_metres("lands", 0.008, 0.025, say("tracking.end_bar_lower_landing")),
        lands_uneven_m, say("tracking.end_bar_above_other_before"), side=first_down,
    ),
)  # fmt: skip


def head_on_detectors(carried: Carried) -> list[Detector[HeadOnMeasured]]:
    """What is looked for where the bar is carried so, in the order of the phases."""
    return [detector for detector in HEAD_ON if detector.carried == carried]
