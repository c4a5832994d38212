"""From a clip tracked from the front or from behind to everything that it says."""

from collections.abc import Sequence
from uuid import UUID

import numpy as np

from pavrik.core import MODEL_VERSION
from pavrik.core.tracking.findings import blind_head_on, find_head_on, head_on_view
from pavrik.core.tracking.head_on import HeadOnClip, HeadOnMeasured, measure_head_on
from pavrik.core.tracking.reps import Rep
from pavrik.core.tracking.review import (
    HeadOnInstant,
    column,
    first_against_last,
    head_on_instant,
    head_on_rows,
)
from pavrik.core.units import Floats, degrees
from pavrik.errors import InvalidError
from pavrik.formats.wire.watch import CameraOut, ClipReading, FramesOut, HeadOnFrames, PhaseOut
from pavrik.formats.wire.watch_requests import ClipFacts
from pavrik.services.watch.lifting import Lifting
from pavrik.services.watch.reading import (
    LEAST_PICTURES,
    Advice,
    Earlier,
    findings_out,
    reps_out,
    speed_out,
    verdict_out,
)
from pavrik.words import say

Places = list[tuple[float, float] | None]


def read_head_on(
    facts: ClipFacts, way: str, clip: HeadOnClip, lifting: Lifting, earlier: Earlier,
    advice: Advice, lifter_id: UUID,
) -> ClipReading:  # fmt: skip
    """Everything that a clip says. Raises InvalidError with a sentence where it cannot be read."""
    try:
        measured = measure_head_on(
            clip, lifting.linkage, lifting.expected, large_plates=facts.large_plates
        )
    except ValueError as error:
        raise InvalidError(str(error)) from error
    reps = measured.reps() if len(clip.times_s) >= LEAST_PICTURES else []
    found = find_head_on(measured, lifting.expected, reps, earlier.light) if reps else []
    told = [one for one in found if any(np.isfinite(v) for v in one.by_rep)]
    view = head_on_view(measured)
    told_reps = reps_out(reps, told, view, measured.times_s)
    rows = head_on_rows(lifting.lift, measured, lifting.expected, reps, told)
    blind = blind_head_on(measured)
    return ClipReading(
        clip_id=facts.clip_id,
        lifter_id=lifter_id,
        lift=facts.lift,
        load_kg=facts.load_kg,
        filmed_on=facts.filmed_on,
        way=way,
        view=clip.view,
        setup_words=lifting.lift.in_words(lifting.setup),
        style=lifting.setup.style,
        predicted_max_kg=lifting.exact.predicted_max_kg,
        camera=_camera(measured),
        cannot_tell=list(blind) if reps else [_why_no_rep(clip), *blind],
        misfit_m=0.0,
        frames=_frames(clip, measured, lifting, reps),
        reps=told_reps,
        findings=findings_out(told, lifting, advice.catalogue),
        phases=[PhaseOut(**{**vars(row), "findings": list(row.findings)}) for row in rows],
        head_on_instants=[] if reps else _instants(measured, lifting),
        comparisons=first_against_last(told),
        speed=speed_out(facts, lifting.lift.slowest_m_s, told_reps, earlier),
        verdict=verdict_out(told, told_reps, advice),
        model_version=MODEL_VERSION,
        note=facts.note,
    )


def _why_no_rep(clip: HeadOnClip) -> str:
    if len(clip.times_s) < LEAST_PICTURES:
        return say("watch.single_pictures_no_rep")
    return say("watch.no_whole_rep_seen")


def _instants(measured: HeadOnMeasured, lifting: Lifting) -> list[HeadOnInstant]:
    """Tapped pictures as they are; how deep each is, the bar's own height tells."""
    lowest = float(lifting.expected.height_m[0])
    return [
        head_on_instant(lifting.expected, measured, lowest, 0, frame)
        for frame in range(len(measured.times_s))
    ]


def _camera(measured: HeadOnMeasured) -> CameraOut:
    camera, view = measured.camera, head_on_view(measured)
    return CameraOut(
        distance_m=float(np.hypot(camera.x_m, camera.y_m)),
        height_m=camera.height_m,
        off_side_deg=view.yaw_deg,
        tilt_deg=float(degrees(camera.roll)),
        angles_told=view.angles_told,
        speeds_told=view.speeds_told,
        words=[view.words] if view.words else [],
    )


def _frames(
    clip: HeadOnClip, measured: HeadOnMeasured, lifting: Lifting, reps: Sequence[Rep]
) -> FramesOut:
    frames = len(clip.times_s)
    left, right = ("right", "left") if clip.view == "front" else ("left", "right")
    pixels = {
        f"{left} plate": _places(clip.plate_left), f"{right} plate": _places(clip.plate_right),
        f"{left} knee": _places(clip.knee_left), f"{right} knee": _places(clip.knee_right),
        f"{left} ankle": [clip.taps.ankle_left] * frames,
        f"{right} ankle": [clip.taps.ankle_right] * frames,
        "belt": _places(clip.belt),
    }  # fmt: skip
    out = measured.knees_out_m
    ankles = np.array([clip.taps.ankle_left, clip.taps.ankle_right])
    return FramesOut(
        times_s=[round(float(t), 4) for t in clip.times_s],
        width=clip.width,
        height=clip.height,
        bar_x_m=[],
        bar_z_m=column(measured.height_m),
        lean_deg=[],
        speed_m_s=column(measured.speeds_m_s() if reps else np.full(frames, np.nan), 3),
        metres={},
        pixels=pixels,
        expected=_ghost(measured, lifting, reps),
        foot=(float(ankles[:, 0].mean()), float(ankles[:, 1].max())),
        head_on=HeadOnFrames(
            tilt_m=column(_tilts(measured, reps)),
            hips_off_m=column(measured.hips_off_m),
            knee_left_m=column(out[:, 0]),
            knee_right_m=column(out[:, 1]),
        ),
    )


def _tilts(measured: HeadOnMeasured, reps: Sequence[Rep]) -> Floats:
    """The bar's tilt against where it stood, m; not told of the picture that says so."""
    stood = reps[0].first if reps else 0
    tilts = measured.tilt_m - measured.tilt_m[stood]
    tilts[stood] = np.nan
    return np.asarray(tilts)


def _places(at: Floats) -> Places:
    return [
        (round(float(u), 1), round(float(v), 1)) if np.isfinite(u) and np.isfinite(v) else None
        for u, v in at
    ]


def _ghost(measured: HeadOnMeasured, lifting: Lifting, reps: Sequence[Rep]) -> dict[str, Places]:
    """Where knees and ankles are computed to be at the bar's height in every picture."""
    if measured.view == "rear":
        return {}
    heights = measured.height_m
    lowest = float(heights[reps[0].up[0]]) if reps else float(lifting.expected.height_m[0])
    height = heights - lowest + float(lifting.expected.height_m[0])
    ghost: dict[str, Places] = {}
    for side, sign in (("left", 1.0), ("right", -1.0)):
        for joint in ("ankle", "knee", "hip"):
            x, y, z = (lifting.expected.point(joint, axis, height) for axis in range(3))
            u, v = measured.camera.project(x, measured.middle_y_m + sign * y, z)
            ghost[f"{side} {joint}"] = _places(np.stack([u, v], -1))
    return ghost
