"""From numbers per rep to what is told: holds, slight, fails or cannot tell, with the reason."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any, Literal

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.tracking.camera import MOST_YAW_DEG, SPEED_YAW_DEG, WARN_YAW_DEG
from pavrik.core.tracking.detectors import Detector, M, Side, detectors_of
from pavrik.core.tracking.expected import Expected
from pavrik.core.tracking.head_on import HeadOnMeasured, HeadOnView
from pavrik.core.tracking.head_on_detectors import head_on_detectors
from pavrik.core.tracking.measured import Measured
from pavrik.core.tracking.reps import Rep
from pavrik.core.units import degrees
from pavrik.words import all_of, say

State = Literal["holds", "slight", "fails", "cannot tell"]
ALONE = assume("film_alone", 1.5, "shares", "of the threshold: one rep alone is enough")
SLIGHT = assume("film_slight", 0.67, "shares", "of the threshold: seen twice it is slight")
BLIND_FROM_THE_SIDE = (
    say("tracking.knees_film_from_front"),
    say("tracking.rounding_back_tucking_pelvis"),
)


BLIND_HEAD_ON: Mapping[HeadOnView, tuple[str, ...]] = {
    "front": (
        say("tracking.hips_side_film_from"),
        say("tracking.depth_bars_way_lean"),
    ),
    "rear": (
        say("tracking.knees_film_from_front_2"),
        say("tracking.depth_bars_way_lean"),
    ),
}
BLIND_PULL_HEAD_ON = (say("tracking.pull_only_bar_told"),)
MOST_HEAD_ON_DEG = assume("oblique_head_on_deg", 10.0, "deg", "beyond it the front tells no place")


@dataclass(frozen=True)
class Finding:
    """One detector over a set: its value in each rep (NaN where it was not seen), in the
    detector's unit, and the largest (for a time, the least) as ``value``."""

    detector: Detector[Any]
    told_from: float
    by_rep: tuple[float, ...]
    value: float
    state: State
    why: str
    reps: tuple[int, ...]
    """Numbers of the reps in which it reaches the threshold."""
    side: Side | None = None
    """Whose side it is, where it has one: the lifter's own."""
    bar_aside_m: float | None = None
    """How far the bar was aside with the hips, to the same side positive; None where it is no
    matter."""


@dataclass(frozen=True)
class View:
    """How oblique the view is (deg), whether that is known, and what it allows."""

    yaw_deg: float
    known: bool
    square: str = "the side"
    """Where the camera should stand."""
    most_deg: float = MOST_YAW_DEG
    """Beyond it no angle and no place is told."""

    @property
    def angles_told(self) -> bool:
        return abs(self.yaw_deg) <= self.most_deg

    @property
    def speeds_told(self) -> bool:
        return abs(self.yaw_deg) <= SPEED_YAW_DEG

    @property
    def words(self) -> str:
        """What is wrong with the view; empty where nothing is."""
        if not self.known:
            return say("tracking.end_sleeve_not_tapped")
        off = abs(self.yaw_deg)
        if off > self.most_deg:
            return say(
                "tracking.camera_stands_off_no",
                off=off,
                square=self.square,
                most_deg=self.most_deg,
                stand=_STAND[self.square],
            )
        if off > WARN_YAW_DEG:
            return say("tracking.camera_stands_off_what", off=off, square=self.square)
        return ""


_STAND = {
    "the side": say("tracking.beside_lifter"),
    "the front": say("tracking.front_lifter"),
    "behind": say("tracking.behind_lifter"),
}


def view_of(measured: Measured) -> View:
    """The view of a measured clip."""
    return View(float(degrees(measured.camera.yaw)), measured.yaw_known)


def blind_head_on(measured: HeadOnMeasured) -> tuple[str, ...]:
    """What cannot be told from there."""
    pulls = measured.linkage.carried == "hands"
    return BLIND_PULL_HEAD_ON if pulls else BLIND_HEAD_ON[measured.view]


def head_on_view(measured: HeadOnMeasured) -> View:
    """The view of a clip from the front or from behind."""
    square = "the front" if measured.view == "front" else "behind"
    return View(measured.off_deg, True, square, MOST_HEAD_ON_DEG)


def find(
    measured: Measured, expected: Expected, reps: Sequence[Rep],
    own_light: Mapping[str, Sequence[float]] | None = None,
) -> list[Finding]:  # fmt: skip
    """Every detector that fits over the reps of a clip from the side, in the order of the phases.
    ``own_light`` are the values of the lifter's own light reps by detector."""
    detectors = detectors_of(measured.linkage.carried)
    return _found(detectors, measured, expected, reps, view_of(measured), own_light)


def find_head_on(
    measured: HeadOnMeasured, expected: Expected, reps: Sequence[Rep],
    own_light: Mapping[str, Sequence[float]] | None = None,
) -> list[Finding]:  # fmt: skip
    """The same from the front or from behind."""
    detectors = head_on_detectors(measured.linkage.carried)
    return _found(detectors, measured, expected, reps, head_on_view(measured), own_light)


def _found(
    detectors: Sequence[Detector[M]], measured: M, expected: Expected, reps: Sequence[Rep],
    view: View, own_light: Mapping[str, Sequence[float]] | None,
) -> list[Finding]:  # fmt: skip
    found = []
    for detector in detectors:
        by_rep = tuple(detector.estimate(measured, expected, rep) for rep in reps)
        one = _finding(
            detector, detector.told((own_light or {}).get(detector.id, ())), by_rep, view
        )
        if detector.side and one.state in ("slight", "fails"):
            worst = reps[int(np.nanargmax(by_rep))]
            one = replace(one, side=detector.side(measured, worst))
            if detector.bar_aside:
                one = replace(one, bar_aside_m=detector.bar_aside(measured, worst))
        found.append(one)
    return found


def _finding(
    detector: Detector[Any], told: float, by_rep: tuple[float, ...], view: View
) -> Finding:
    seen = [value for value in by_rep if np.isfinite(value)]

    def made(state: State, why: str, value: float, reps: tuple[int, ...] = ()) -> Finding:
        return Finding(detector, told, by_rep, value, state, why, reps)

    if not seen:
        return made("cannot tell", say("tracking.could_not_seen_any"), float("nan"))
    value = min(seen) if detector.below else max(seen)
    if detector.needs_square and not view.angles_told:
        return made("cannot tell", say("tracking.view_too_oblique"), value)
    shares = [told / v if detector.below else v / told for v in by_rep]
    reps = tuple(number for number, share in enumerate(shares, 1) if share >= 1.0)
    if len(reps) > 1 or any(share >= ALONE for share in shares):
        return made("fails", _in_reps(reps, len(by_rep)), value, reps)
    if detector.banded and not reps and any(abs(v) < told for v in seen):
        return made("cannot tell", say("tracking.nearer_level_film_can"), value)
    whole = detector.below or detector.banded
    near = not whole and sum(share >= SLIGHT for share in shares) > 1
    if reps or near:
        why = _in_reps(reps, len(by_rep)) if reps else say("tracking.near_threshold_more_once")
        return made("slight", why, value, reps)
    return made("holds", "", value)


def _in_reps(reps: Sequence[int], of: int) -> str:
    if of == 1:
        return say("tracking.only_rep")
    return (
        say("tracking.in_rep_of", map=all_of(map(str, reps)), of=of)
        if len(reps) < of
        else say("tracking.every_rep")
    )
