"""From numbers per rep to what is told: holds, slight, fails or cannot tell, with the reason."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.tracking.camera import MOST_YAW_DEG, SPEED_YAW_DEG, WARN_YAW_DEG
from pavrik.core.tracking.detectors import Detector, detectors_of
from pavrik.core.tracking.expected import Expected
from pavrik.core.tracking.measured import Measured
from pavrik.core.tracking.reps import Rep
from pavrik.core.units import degrees

State = Literal["holds", "slight", "fails", "cannot tell"]
ALONE = assume("film_alone", 1.5, "shares", "of the threshold: one rep alone is enough")
SLIGHT = assume("film_slight", 0.67, "shares", "of the threshold: seen twice it is slight")
BLIND_FROM_THE_SIDE = (
    "knees in, hips to one side and an uneven bar: film from the front",
    "a rounding back or a tucking pelvis: mark them by eye",
)


@dataclass(frozen=True)
class Finding:
    """One detector over a set: its value in each rep (NaN where it was not seen), in the
    detector's unit, and the largest (for a time, the least) as ``value``."""

    detector: Detector
    told_from: float
    by_rep: tuple[float, ...]
    value: float
    state: State
    why: str
    reps: tuple[int, ...]
    """Numbers of the reps in which it reaches the threshold."""


@dataclass(frozen=True)
class View:
    """How oblique the view is (deg), whether that is known, and what it allows."""

    yaw_deg: float
    known: bool

    @property
    def angles_told(self) -> bool:
        return abs(self.yaw_deg) <= MOST_YAW_DEG

    @property
    def speeds_told(self) -> bool:
        return abs(self.yaw_deg) <= SPEED_YAW_DEG

    @property
    def words(self) -> str:
        """What is wrong with the view; empty where nothing is."""
        if not self.known:
            return (
                "the end of the sleeve was not tapped: the view is taken for square, an oblique "
                "one would go unnoticed"
            )
        off = abs(self.yaw_deg)
        if off > MOST_YAW_DEG:
            return (
                f"the camera stands {off:.0f}° off the side: no angle and no place of the bar is "
                f"told beyond {MOST_YAW_DEG:g}°; film from exactly beside the lifter"
            )
        if off > WARN_YAW_DEG:
            return f"the camera stands {off:.0f}° off the side: angles are less sure"
        return ""


def view_of(measured: Measured) -> View:
    """The view of a measured clip."""
    return View(float(degrees(measured.camera.yaw)), measured.yaw_known)


def find(
    measured: Measured, expected: Expected, reps: Sequence[Rep],
    own_light: Mapping[str, Sequence[float]] | None = None,
) -> list[Finding]:  # fmt: skip
    """Every detector that fits over the reps of a clip, in the order of the phases. ``own_light``
    are the values of the lifter's own light reps by detector."""
    own = own_light or {}
    view = view_of(measured)
    return [
        _finding(
            detector, detector.told(own.get(detector.id, ())),
            tuple(detector.estimate(measured, expected, rep) for rep in reps), view,
        )
        for detector in detectors_of(measured.linkage.carried)
    ]  # fmt: skip


def _finding(detector: Detector, told: float, by_rep: tuple[float, ...], view: View) -> Finding:
    seen = [value for value in by_rep if np.isfinite(value)]

    def made(state: State, why: str, value: float, reps: tuple[int, ...] = ()) -> Finding:
        return Finding(detector, told, by_rep, value, state, why, reps)

    if not seen:
        return made("cannot tell", "it could not be seen in any rep", float("nan"))
    value = min(seen) if detector.below else max(seen)
    if detector.needs_square and not view.angles_told:
        return made("cannot tell", "the view is too oblique", value)
    shares = [told / v if detector.below else v / told for v in by_rep]
    reps = tuple(number for number, share in enumerate(shares, 1) if share >= 1.0)
    if len(reps) > 1 or any(share >= ALONE for share in shares):
        return made("fails", _in_reps(reps, len(by_rep)), value, reps)
    if detector.banded and not reps and any(abs(v) < told for v in seen):
        return made("cannot tell", "nearer to level than a film can tell", value)
    whole = detector.below or detector.banded
    near = not whole and sum(share >= SLIGHT for share in shares) > 1
    if reps or near:
        why = _in_reps(reps, len(by_rep)) if reps else "near the threshold more than once"
        return made("slight", why, value, reps)
    return made("holds", "", value)


def _in_reps(reps: Sequence[int], of: int) -> str:
    if of == 1:
        return "in the only rep"
    return f"in rep {' and '.join(map(str, reps))} of {of}" if len(reps) < of else "in every rep"
