"""From a tracked clip to everything that it says, judged against the lifter's own computed way."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any
from uuid import UUID

import numpy as np

from pavrik.core import MODEL_VERSION
from pavrik.core.faults.catalogue import Catalogue
from pavrik.core.faults.evidence import ruled_out_causes
from pavrik.core.faults.rituals import cues_for
from pavrik.core.fitting.fault_cost import FaultCost, fault_costs
from pavrik.core.log.load_velocity import LEFT_SD, LoadVelocity, load_velocity, reps_left
from pavrik.core.tracking.clip import Clip
from pavrik.core.tracking.depth import told as depth_told
from pavrik.core.tracking.findings import BLIND_FROM_THE_SIDE, Finding, View, find, view_of
from pavrik.core.tracking.head_on import mass_aside_m
from pavrik.core.tracking.measured import Measured, measure
from pavrik.core.tracking.reps import Rep, reps_in
from pavrik.core.tracking.review import (
    Instant,
    PhaseRow,
    column,
    first_against_last,
    instant,
    lowest_of,
    overall,
    phase_rows,
    worst_by_fault,
)
from pavrik.core.units import Floats, degrees
from pavrik.errors import InvalidError
from pavrik.formats.wire.watch import (
    CameraOut,
    ClipReading,
    FindingOut,
    FramesOut,
    PhaseOut,
    RepOut,
    SpeedOut,
    VerdictOut,
)
from pavrik.formats.wire.watch_requests import ClipFacts
from pavrik.services.training.causes import results_of
from pavrik.services.watch.lifting import Lifting
from pavrik.store.library import CauseTest
from pavrik.words import say

LEAST_PICTURES = 20
"""Fewer are instants tapped by hand: no rep and no speed is told of them."""
FILMED_HIGH_M = 1.1
POOR_FIT_M = 0.025


@dataclass(frozen=True)
class Earlier:
    """What earlier clips of the lifter in the lift say: values of light honest reps by detector,
    and load with best mean speed of each."""

    light: Mapping[str, Sequence[float]]
    speeds: Sequence[tuple[float, float]]


@dataclass(frozen=True)
class Advice:
    """What the next cue is chosen by: the catalogue, tests of causes, whether a novice lifts."""

    catalogue: Catalogue
    tests: Sequence[CauseTest] = ()
    novice: bool = False

    def cue(self, fault_id: str) -> str:
        """The first cue for a fault, none of a cause that a test ruled out."""
        ruled_out = ruled_out_causes(results_of(self.tests, fault_id))
        remedies = self.catalogue.remedies_of(fault_id, ruled_out)
        return next((cue.text for cue in cues_for(remedies, novice=self.novice)), "")


def read_clip(
    facts: ClipFacts, way: str, clip: Clip, lifting: Lifting, earlier: Earlier, advice: Advice,
    lifter_id: UUID,
) -> ClipReading:  # fmt: skip
    """Everything that a clip says. Raises InvalidError with a sentence where it cannot be read."""
    try:
        measured = measure(clip, lifting.linkage, large_plates=facts.large_plates)
    except ValueError as error:
        raise InvalidError(str(error)) from error
    reps = reps_in(measured) if len(clip.times_s) >= LEAST_PICTURES else []
    found = find(measured, lifting.expected, reps, earlier.light) if reps else []
    told_reps = reps_out(reps, found, view_of(measured), measured.times_s)
    phases = phase_rows(lifting.lift, measured, lifting.expected, reps, found)
    return ClipReading(
        clip_id=facts.clip_id,
        lifter_id=lifter_id,
        lift=facts.lift,
        load_kg=facts.load_kg,
        filmed_on=facts.filmed_on,
        way=way,
        setup_words=lifting.lift.in_words(lifting.setup),
        style=lifting.setup.style,
        back_deg=_back_deg(lifting, measured, phases),
        predicted_max_kg=lifting.exact.predicted_max_kg,
        camera=_camera(measured),
        cannot_tell=_cannot_tell(measured, reps),
        misfit_m=measured.solved.misfit_m,
        frames=_frames(clip, measured, lifting, reps),
        reps=told_reps,
        findings=findings_out(found, lifting, advice.catalogue),
        phases=[PhaseOut(**{**vars(row), "findings": list(row.findings)}) for row in phases],
        instants=[] if reps else _instants(measured, lifting),
        comparisons=first_against_last(found),
        speed=speed_out(facts, lifting.lift.slowest_m_s, told_reps, earlier),
        verdict=verdict_out(found, told_reps, advice),
        model_version=MODEL_VERSION,
        note=facts.note,
    )


def _back_deg(lifting: Lifting, measured: Measured, phases: Sequence[PhaseRow]) -> float | None:
    """Of a pull: the back from level as the plates leave, where angles are told."""
    first = phases[0].instant if phases else None
    if lifting.lift.carried != "hands" or first is None or not view_of(measured).angles_told:
        return None
    return 90.0 - first.lean_deg


def findings_out(
    found: Sequence[Finding], lifting: Lifting, catalogue: Catalogue
) -> list[FindingOut]:
    """Every finding, what is told with its price: at the measured size where the price is for that
    size, else at the fault's usual size, and once for each fault."""
    told = [one for one in found if one.state in ("slight", "fails")]
    amounts = {
        one.detector.fault_id: _priced_amount(one, lifting) for one in told if one.detector.priced
    }
    usual = {one.detector.fault_id for one in told if one.state == "fails"} - set(amounts)
    costs: dict[str, FaultCost] = {}
    if told:
        costs = {
            cost.fault_id: cost
            for cost in fault_costs(
                lifting.lift, lifting.lifter, lifting.setup, lifting.load_kg, amounts
            )
        }

    def cost_of(one: Finding) -> FaultCost | None:
        fault_id = one.detector.fault_id
        counted = fault_id in amounts if one.detector.priced else fault_id in usual
        return costs.get(fault_id) if one in told and counted else None

    return [_finding(one, cost_of(one), catalogue) for one in found]


def _priced_amount(one: Finding, lifting: Lifting) -> float:
    """The amount that a fault is priced by: its value; of hips that go aside alone, how far the
    mass centre of lifter and bar goes with them."""
    if one.bar_aside_m is None:
        return one.value
    mass_kg = float(lifting.lifter.body.mass_kg)
    return max(mass_aside_m(one.value, one.bar_aside_m, lifting.load_kg, mass_kg), 0.0)


def _finding(one: Finding, cost: FaultCost | None, catalogue: Catalogue) -> FindingOut:
    detector = one.detector
    return FindingOut(
        detector=detector.id,
        fault_id=detector.fault_id,
        name=catalogue.name_of(detector.fault_id),
        phase=detector.phase,
        unit=detector.unit,
        value=one.value if np.isfinite(one.value) else None,
        by_rep=column(np.array(one.by_rep)),
        told_from=one.told_from,
        error_sd=detector.error_sd,
        below=detector.below,
        state=one.state,
        says=detector.says,
        why=one.why,
        reps=list(one.reps),
        side=one.side,
        cost_kg=cost.lost_kg if cost else None,
        cost_words=_cost_words(cost, one) if cost else "",
    )


def _cost_words(cost: FaultCost, one: Finding) -> str:
    told = say("watch.kg_kg", lost_kg=cost.lost_kg, before_kg=cost.before_kg)
    if one.bar_aside_m is not None:
        return say("watch.lifter_bar_together_cm", told=told, amount=cost.amount * 100)
    if one.detector.priced:
        return say("watch.size_measured", told=told)
    return say("watch.usual_size", told=told, words=cost.words)


def reps_out(
    reps: Sequence[Rep], found: Sequence[Finding], view: View, times: Floats
) -> list[RepOut]:
    """Every rep; without speeds or depth where the view does not allow them."""
    depth = next((one for one in found if one.detector.banded), None)
    if not view.angles_told:
        depth = None
    return [
        RepOut(
            number=rep.number,
            first_s=times[rep.first],
            turn_s=times[rep.turn],
            last_s=times[rep.last],
            down_s=rep.down_s,
            up_s=rep.up_s,
            mean_m_s=rep.mean_m_s if view.speeds_told else None,
            peak_m_s=rep.peak_m_s if view.speeds_told else None,
            least_m_s=rep.least_m_s if view.speeds_told else None,
            sticking_m=rep.sticking_m if view.speeds_told else None,
            **(_depth(depth, depth.by_rep[at]) if depth else {}),
        )
        for at, rep in enumerate(reps)
    ]


def _depth(one: Finding, above_m: float) -> dict[str, Any]:
    """How deep a rep was, by the finding that looks at it."""
    state = depth_told(-above_m, one.told_from)
    return {"below_m": -above_m, "unsure_m": one.told_from, "depth": state}


def _camera(measured: Measured) -> CameraOut:
    camera, view = measured.camera, view_of(measured)
    words = [view.words] if view.words else []
    if camera.height_m > FILMED_HIGH_M:
        words.append(say("watch.lens_stands_m_high", height_m=camera.height_m))
    if measured.solved.misfit_m > POOR_FIT_M:
        words.append(say("watch.joints_bar_cm_off", misfit_m=measured.solved.misfit_m * 100))
    return CameraOut(
        distance_m=float(np.hypot(camera.x_m, camera.y_m)),
        height_m=camera.height_m,
        off_side_deg=view.yaw_deg,
        tilt_deg=float(degrees(camera.roll)),
        angles_told=view.angles_told,
        speeds_told=view.speeds_told,
        words=words,
    )


def _cannot_tell(measured: Measured, reps: Sequence[Rep]) -> list[str]:
    told = list(BLIND_FROM_THE_SIDE)
    if not view_of(measured).speeds_told:
        told.append(say("watch.speeds_view_too_oblique"))
    if not reps:
        told.insert(0, say("watch.no_whole_rep_seen_only"))
    return told


def _frames(clip: Clip, measured: Measured, lifting: Lifting, reps: Sequence[Rep]) -> FramesOut:
    linkage, solved = measured.linkage, measured.solved
    ankle = np.tile([linkage.ankle[0], linkage.ankle[2]], (len(clip.times_s), 1))
    places = {
        "ankle": (ankle, linkage.ankle[1]),
        "knee": (solved.knee, float(np.mean(linkage.knee(solved.shank)[1]))),
        "hip": (solved.hip, linkage.hip_y_m),
        "shoulder": (solved.shoulder, linkage.shoulder_y_m),
    }
    pixels = {name: _pixels(measured, at[:, 0], y, at[:, 1]) for name, (at, y) in places.items()}
    metres = {"bar": (measured.bar, 0.0), **places}
    middle = _pixels(measured, measured.bar[:, 0], 0.0, measured.bar[:, 1])
    speeds = measured.speeds_m_s() if reps else np.full(len(clip.times_s), np.nan)
    foot = measured.camera.project(0.0, linkage.ankle[1], 0.0)
    return FramesOut(
        times_s=[round(float(t), 4) for t in clip.times_s],
        width=clip.width,
        height=clip.height,
        bar_x_m=column(measured.bar[:, 0]),
        bar_z_m=column(measured.bar[:, 1]),
        lean_deg=column(degrees(solved.lean), 2),
        speed_m_s=column(speeds, 3),
        metres={name: _metres(at, y) for name, (at, y) in metres.items()},
        pixels={
            **pixels,
            "bar_middle": middle,
            "bar": [(round(float(u), 1), round(float(v), 1)) for u, v in clip.bar],
        },
        expected=_ghost(measured, lifting, reps),
        foot=(float(foot[0]), float(foot[1])),
    )


def _metres(at: Floats, y: float) -> list[tuple[float | None, float | None, float | None]]:
    x, z = column(at[:, 0]), column(at[:, 1])
    return [(a, round(y, 4), b) for a, b in zip(x, z, strict=True)]


def _pixels(
    measured: Measured, x: Floats, y: float | Floats, z: Floats
) -> list[tuple[float, float] | None]:
    u, v = measured.camera.project(x, y, z)
    return [
        (round(float(a), 1), round(float(b), 1)) if np.isfinite(a) and np.isfinite(b) else None
        for a, b in zip(u, v, strict=True)
    ]


def _ghost(
    measured: Measured, lifting: Lifting, reps: Sequence[Rep]
) -> dict[str, list[tuple[float, float] | None]]:
    """The computed posture at the bar's height in every picture, where it stands in the film."""
    lowest = lowest_of(measured, reps[0]) if reps else float(measured.bar[:, 1].min())
    expected = lifting.expected
    height = measured.bar[:, 1] - lowest + float(expected.height_m[0])
    ghost = {}
    for name in ("ankle", "knee", "hip", "shoulder"):
        x, y, z = (expected.point(name, axis, height) for axis in range(3))
        ghost[name] = _pixels(measured, x, y, z)
    x, z = expected.point("bar", 0, height), expected.point("bar", 2, height)
    ghost["bar"] = _pixels(measured, x, 0.0, z)
    return ghost


def _instants(measured: Measured, lifting: Lifting) -> list[Instant]:
    """Every picture that was tapped by hand."""
    if len(measured.times_s) >= LEAST_PICTURES:
        return []
    lowest = float(measured.bar[:, 1].min())
    return [
        instant(lifting.expected, measured, lowest, frame) for frame in range(len(measured.times_s))
    ]


def best_speed_m_s(reps: Sequence[RepOut]) -> float | None:
    """Mean speed of the fastest rep; None where no speed is told."""
    return max((rep.mean_m_s for rep in reps if rep.mean_m_s is not None), default=None)


def speed_out(
    facts: ClipFacts, slowest_m_s: float, reps: Sequence[RepOut], earlier: Earlier
) -> SpeedOut:
    """The lifter's own line of speed against load with this clip on it."""
    points, best = list(earlier.speeds), best_speed_m_s(reps)
    if best is not None:
        points.append((facts.load_kg, best))
    if not points:
        return SpeedOut(points=[], why_not=say("watch.no_speed_told_yet"))
    line = load_velocity([(load, speed - slowest_m_s) for load, speed in points])
    if not isinstance(line, LoadVelocity):
        return SpeedOut(points=points, why_not=line)
    out = SpeedOut(points=points, max_kg=line.max_kg, max_sd_kg=line.max_sd_kg)
    last = reps[-1].mean_m_s if reps else None
    if best is not None and last is not None:
        out.reps_left = reps_left(
            facts.load_kg, line.max_kg, best - slowest_m_s, last - slowest_m_s
        )
        out.reps_left_sd = LEFT_SD
    return out


def verdict_out(found: Sequence[Finding], reps: Sequence[RepOut], advice: Advice) -> VerdictOut:
    """What was looked for and not seen, what fails, the next cue, an overall word."""
    states = worst_by_fault(found)
    told = [fault for fault, state in states.items() if state == "fails"] or [
        fault for fault, state in states.items() if state == "slight"
    ]
    name_of = advice.catalogue.name_of
    return VerdictOut(
        overall=overall(found) if found else "cannot tell",
        not_seen=[name_of(fault) for fault, state in states.items() if state == "holds"],
        fails=[name_of(fault) for fault in told],
        cue=advice.cue(told[0]) if told else "",
        lost_speed=_lost_speed(reps),
    )


def _lost_speed(reps: Sequence[RepOut]) -> float | None:
    """Share of the fastest rep's mean speed that the last rep lost; None where none is told."""
    best = best_speed_m_s(reps)
    last = reps[-1].mean_m_s if reps else None
    return None if not best or last is None else 1.0 - last / best
