"""Where the reps of a clip begin, turn and end, from the height of the bar alone."""

from dataclasses import dataclass

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.tracking.measured import Measured, slope
from pavrik.core.units import Floats, Indices

LEAST_WAY_M = assume("rep_least_way_m", 0.20, "m", "a bar that travels less has done no rep")
MOVING_M = assume("rep_moving_m", 0.02, "m", "off where it stood: the bar is moving")
LIFT_OFF_M = assume("lift_off_m", 0.008, "m", "plates this far up have left the floor")
STICKING_FROM = 0.15
STICKING_TO = 0.85
"""Shares of the way up between which the least speed is looked for."""


@dataclass(frozen=True)
class Rep:
    """One rep by its frames: a squat goes down from ``first``, turns and is up at ``last``; a
    deadlift leaves the floor at ``first``, turns at lockout and is down at ``last``. Seconds,
    m/s, and the height (m) where the bar is slowest on its way up."""

    number: int
    first: int
    turn: int
    last: int
    up: tuple[int, int]
    """First and last frame of the way up; the first is the deepest point."""
    down_s: float
    up_s: float
    mean_m_s: float
    peak_m_s: float
    least_m_s: float
    sticking_m: float


def reps_in(measured: Measured) -> list[Rep]:
    """The whole reps of a measured clip, as the lift has them."""
    found = squat_reps if measured.linkage.carried == "back" else deadlift_reps
    return found(measured.times_s, measured.bar[:, 1])


def _peaks(values: Floats) -> Indices:
    """Where a series is highest by as much as a rep travels at least."""
    from scipy.signal import find_peaks  # takes as long to load as all of the model

    found, _ = find_peaks(values, prominence=LEAST_WAY_M)
    return np.asarray(found)


def squat_reps(times_s: Floats, height_m: Floats) -> list[Rep]:
    """Reps whose lowest points stand out; a film that begins or ends under way loses that rep."""
    lows = _peaks(-height_m)
    found: list[Rep] = []
    for low in lows:
        first = _last_still(height_m, int(low))
        last = _first_up(height_m, int(low))
        if first is not None and last is not None:
            at, number = (first, int(low), last), len(found) + 1
            found.append(_rep(number, at, at[:2], at[1:], times_s, height_m))
    return found


def deadlift_reps(times_s: Floats, height_m: Floats) -> list[Rep]:
    """Reps from where the plates leave the floor to where they are down again, or the film ends."""
    highs = _peaks(np.append(height_m, height_m.min()))
    found: list[Rep] = []
    for high in highs:
        first = _lift_off(height_m, int(high))
        if first is None:
            continue
        landed = np.flatnonzero(height_m[high:] < height_m[first] + LIFT_OFF_M)
        last = int(high + landed[0]) if len(landed) else len(height_m) - 1
        top = height_m[high] - MOVING_M / 2
        up_at = int(first + np.flatnonzero(height_m[first : high + 1] >= top)[0])
        at, number = (first, up_at, last), len(found) + 1
        found.append(_rep(number, at, (int(high), last), at[:2], times_s, height_m))
    return found


def _last_still(height_m: Floats, low: int) -> int | None:
    """The last frame before a low where the bar is within its rest of the height it came from."""
    before = height_m[: low + 1]
    high = float(before[_plateau(before, low) :].max())
    if high < height_m[low] + LEAST_WAY_M:
        return None
    return int(np.flatnonzero(before >= high - MOVING_M)[-1])


def _plateau(before: Floats, low: int) -> int:
    """Where the run down to a low began: after the low before it, if there is one."""
    lows = _peaks(-before[:low])
    return int(lows[-1]) if len(lows) else 0


def _first_up(height_m: Floats, low: int) -> int | None:
    after = height_m[low:]
    lows = _peaks(-after[1:])
    until = int(lows[0]) + 1 if len(lows) else len(after)
    high = float(after[:until].max())
    if high < height_m[low] + LEAST_WAY_M:
        return None
    return int(low + np.flatnonzero(after[:until] >= high - MOVING_M)[0])


def _lift_off(height_m: Floats, high: int) -> int | None:
    """The last frame before a high in which the plates still are on the floor."""
    floor = float(np.min(height_m[: high + 1]))
    if height_m[high] - floor < LEAST_WAY_M:
        return None
    down = np.flatnonzero(height_m[: high + 1] <= floor + LIFT_OFF_M)
    return int(down[-1])


def _rep(
    number: int, at: tuple[int, int, int], down: tuple[int, int], up: tuple[int, int],
    times_s: Floats, height_m: Floats,
) -> Rep:  # fmt: skip
    speeds = slope(height_m, times_s)[up[0] : up[1] + 1]
    heights = height_m[up[0] : up[1] + 1]
    seconds = float(times_s[up[1]] - times_s[up[0]])
    share = (heights - heights[0]) / max(float(heights[-1] - heights[0]), 1e-6)
    middle = (share >= STICKING_FROM) & (share <= STICKING_TO)
    slowest = int(np.argmin(np.where(middle, speeds, np.inf))) if middle.any() else 0
    return Rep(
        number=number,
        first=at[0],
        turn=at[1],
        last=at[2],
        up=up,
        down_s=float(times_s[down[1]] - times_s[down[0]]),
        up_s=seconds,
        mean_m_s=float(heights[-1] - heights[0]) / seconds if seconds > 0 else 0.0,
        peak_m_s=float(speeds.max()),
        least_m_s=float(speeds[slowest]),
        sticking_m=float(heights[slowest]),
    )
