"""The review of a clip phase by phase: what was measured beside what was computed, and a verdict.

The strengths come first, then what fails with the earliest phase before the later ones: a fault out
of the hole often is the answer to one at the bottom.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

import numpy as np

from pavrik.core.assumptions import assume, assume_each
from pavrik.core.lifts.lift import Lift
from pavrik.core.tracking.expected import Expected
from pavrik.core.tracking.findings import Finding, State, view_of
from pavrik.core.tracking.head_on import HeadOnMeasured
from pavrik.core.tracking.measured import Measured
from pavrik.core.tracking.reps import Rep
from pavrik.core.units import Floats, degrees
from pavrik.words import say

LEAN_TOLD_DEG = assume("film_lean_told", 8.0, "deg", "a lean this far off the computed one is told")
BAR_TOLD_M = assume("film_bar_told", 0.04, "m", "a bar this far off its computed place is told")
WORST: tuple[State, ...] = ("fails", "slight", "cannot tell", "holds")


@dataclass(frozen=True)
class Instant:
    """One moment of a rep beside the computed one at the same height of the bar: lean of the trunk
    in degrees, bar and hip in m (in front of mid-foot, above the floor)."""

    time_s: float
    lean_deg: float
    bar_x_m: float
    hip_z_m: float
    expected_lean_deg: float
    expected_bar_x_m: float
    expected_hip_z_m: float


@dataclass(frozen=True)
class HeadOnInstant:
    """One moment seen from the front or from behind, in m; None where it was not seen. Knees are
    outside their ankles, hips to the lifter's left, the bar's left end above the right one against
    where it stood."""

    time_s: float
    knee_left_out_m: float | None
    knee_right_out_m: float | None
    expected_out_m: float
    hips_off_m: float | None
    tilt_m: float | None


@dataclass(frozen=True)
class PhaseRow:
    """One phase in one rep; of a film from the side an instant, of another one what it shows."""

    phase: str
    state: State
    rep: int
    instant: Instant | None
    head_on: HeadOnInstant | None
    findings: tuple[str, ...]
    """Ids of the detectors that belong to the phase."""
    says: str


def frame_in_phase(
    expected: Expected, height: Floats, rep: Rep, phase: str, progress: float | None
) -> int:
    """The picture in which a phase is judged: where the bar is at that progress of the way, on the
    way down for the descent and on the way up for what comes after the deepest point."""
    if phase == "set":
        return rep.first
    if phase == "bottom":
        return rep.turn
    start, end = (rep.first, rep.turn) if phase == "descent" else rep.up
    low, high = sorted((float(height[start]), float(height[end])))
    share = _share_up(expected, 0.5 if progress is None else progress)
    wanted = low + share * (high - low)
    return start + int(np.argmin(np.abs(height[start : end + 1] - wanted)))


def _share_up(expected: Expected, progress: float) -> float:
    lowest, highest = float(expected.height_m[0]), float(expected.height_m[-1])
    return (expected.height_at(progress) - lowest) / max(highest - lowest, 1e-6)


def instant(expected: Expected, measured: Measured, lowest_m: float, frame: int) -> Instant:
    """One picture beside the computed posture at the same height above the lowest point."""
    height = float(measured.bar[frame, 1]) - lowest_m + float(expected.height_m[0])
    return Instant(
        time_s=float(measured.times_s[frame]),
        lean_deg=float(degrees(measured.solved.lean[frame])),
        bar_x_m=float(measured.bar[frame, 0]),
        hip_z_m=float(measured.hip[frame, 1]),
        expected_lean_deg=float(expected.angle_deg("trunk_lean", height)),
        expected_bar_x_m=float(expected.point("bar", 0, height)),
        expected_hip_z_m=float(expected.point("hip", 2, height)),
    )


_HANGING_PROGRESS = assume_each(
    "film_looks_at",
    {"off the floor": 1.0, "below the knee": 0.8, "at the knee": 0.6, "lockout": 0.02},
    "share of the way",
    "where a film looks at a phase of a pull",
)


def lowest_of(measured: Measured, rep: Rep) -> float:
    """Height of the bar at the deepest point of a rep."""
    return float(measured.bar[rep.up[0], 1])


def phase_rows(
    lift: Lift[Any], measured: Measured, expected: Expected, reps: Sequence[Rep],
    findings: Sequence[Finding],
) -> list[PhaseRow]:  # fmt: skip
    """Every computed phase, told of the rep in which its findings are largest."""
    if not reps:
        return []
    rows = []
    for phase in lift.phases:
        if not phase.computed:
            continue
        here = [finding for finding in findings if finding.detector.phase == phase.id]
        rep = reps[_worst_rep(here, len(reps))]
        progress = _HANGING_PROGRESS.get(phase.id, phase.progress)
        frame = frame_in_phase(expected, measured.bar[:, 1], rep, phase.id, progress)
        at = instant(expected, measured, lowest_of(measured, rep), frame)
        says = _says(at) if view_of(measured).angles_told else ""
        rows.append(
            PhaseRow(
                phase.id, _state(here, measured, says), rep.number, at, None,
                tuple(f.detector.id for f in here), says,
            )
        )  # fmt: skip
    return rows


def head_on_rows(
    lift: Lift[Any], measured: HeadOnMeasured, expected: Expected, reps: Sequence[Rep],
    findings: Sequence[Finding],
) -> list[PhaseRow]:  # fmt: skip
    """The phases that a film from the front or from behind has something to say of."""
    rows = []
    for phase in lift.phases:
        here = [one for one in findings if one.detector.phase == phase.id]
        if not reps or not here:
            continue
        rep = reps[_worst_rep(here, len(reps))]
        frame = frame_in_phase(expected, measured.height_m, rep, phase.id, phase.progress)
        if phase.id == "lowering":
            frame = rep.last
        state = min((one.state for one in here if one.by_rep), key=WORST.index)
        ids = tuple(one.detector.id for one in here)
        lowest = float(measured.height_m[reps[0].up[0]])
        at = head_on_instant(expected, measured, lowest, rep.first, frame)
        rows.append(PhaseRow(phase.id, state, rep.number, None, at, ids, ""))
    return rows


def head_on_instant(
    expected: Expected, measured: HeadOnMeasured, lowest_m: float, stood: int, frame: int
) -> HeadOnInstant:
    """One picture; the knee beside where it was computed at the same height of the bar above its
    lowest, the bar's tilt against the picture in which it stood: a view that is judged some degrees
    wrong tilts it by centimetres in every picture alike. None of that picture itself."""
    height = float(measured.height_m[frame]) - lowest_m + float(expected.height_m[0])
    knee, ankle = (expected.point(joint, 1, height) for joint in ("knee", "ankle"))
    left, right = (_seen(out) for out in measured.knees_out_m[frame] - measured.feet_m)
    return HeadOnInstant(
        time_s=float(measured.times_s[frame]),
        knee_left_out_m=left,
        knee_right_out_m=right,
        expected_out_m=float(knee - ankle),
        hips_off_m=_seen(measured.hips_off_m[frame]),
        tilt_m=None if frame == stood else float(measured.tilt_m[frame] - measured.tilt_m[stood]),
    )


def _seen(value: float) -> float | None:
    return float(value) if np.isfinite(value) else None


def _worst_rep(findings: Sequence[Finding], reps: int) -> int:
    told = [f for f in findings if f.reps]
    return told[0].reps[0] - 1 if told else reps - 1


def _state(findings: Sequence[Finding], measured: Measured, says: str) -> State:
    """The worst of its findings; where none looks at the phase, what stands out against the
    computed posture is slight."""
    if findings:
        return min((f.state for f in findings), key=WORST.index)
    if not view_of(measured).angles_told:
        return "cannot tell"
    return "slight" if says else "holds"


def _says(at: Instant) -> str:
    """What stands out against the computed posture, beyond a film's error."""
    told = []
    lean = at.lean_deg - at.expected_lean_deg
    if abs(lean) >= LEAN_TOLD_DEG:
        told.append(
            say("tracking.leans_computed", lean=abs(lean), which="more" if lean > 0 else "less")
        )
    off = at.bar_x_m - at.expected_bar_x_m
    if abs(off) >= BAR_TOLD_M:
        told.append(
            say(
                "tracking.bar_cm_where_computed",
                off=abs(off) * 100,
                words=say("tracking.in_front_of") if off > 0 else "behind",
            )
        )
    return "; ".join(told)


@dataclass(frozen=True)
class Comparison:
    """A finding's number at the start of a set against its end, in the detector's unit."""

    detector: str
    first: float
    last: float


def first_against_last(findings: Sequence[Finding]) -> list[Comparison]:
    """What changed by more than its error from the first rep to the last."""
    found = []
    for finding in findings:
        if len(finding.by_rep) < 2:
            continue
        first, last = finding.by_rep[0], finding.by_rep[-1]
        if np.isfinite(first) and np.isfinite(last):
            apart = 2.0 * float(np.sqrt(2.0)) * finding.detector.error_sd
            least = max(apart, 0.25 * finding.told_from)
            if abs(last - first) > least:
                found.append(Comparison(finding.detector.id, first, last))
    return found


OVERALL_WEIGHTS: Mapping[State, float] = {
    "fails": 1.0, "slight": 0.4, "cannot tell": 0.0, "holds": 0.0,
}  # fmt: skip


def worst_by_fault(findings: Sequence[Finding]) -> dict[str, State]:
    """The worst state of every fault: two detectors of one fault speak of one thing."""
    states: dict[str, State] = {}
    for finding in findings:
        fault_id = finding.detector.fault_id
        states[fault_id] = min(finding.state, states.get(fault_id, "holds"), key=WORST.index)
    return states


def overall(findings: Sequence[Finding]) -> str:
    """One word for the set: each fault that fails counts 1, each slight one 0.4; from 1.5 on it is
    to be worked on, from 1 on one thing to mend, from 0.4 on nearly clean; nothing seen at all
    cannot be told."""
    states = list(worst_by_fault(findings).values())
    if all(state == "cannot tell" for state in states):
        return "cannot tell"
    weight = sum(OVERALL_WEIGHTS[state] for state in states)
    return (
        say("tracking.work_on_it")
        if weight >= 1.5
        else say("tracking.thing_mend")
        if weight >= 1.0
        else (say("tracking.nearly_clean") if weight >= 0.4 else "clean")
    )


def column(values: Floats, digits: int = 4) -> list[float | None]:
    """A column as JSON has it: rounded, None where it was not seen."""
    return [round(float(v), digits) if np.isfinite(v) else None for v in values]
