"""What films from the front and from behind are held to: part of ``pavrik bench --watch``."""

from collections import Counter
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from pathlib import Path
from tempfile import TemporaryDirectory

import numpy as np

from pavrik.core.competition_lifts import LIFT_IDS, LiftId
from pavrik.core.tracking.findings import Finding, find_head_on
from pavrik.core.tracking.head_on import HeadOnClip, HeadOnMeasured, HeadOnView, measure_head_on
from pavrik.core.units import Floats
from pavrik.demo.made_up import BODIES, LARGE_PLATES, made_up
from pavrik.film.camera.head_on import HeadOnShot, both_sides, film_head_on, seen_head_on
from pavrik.film.camera.motion import Pace, perform
from pavrik.film.camera.scene import Looks
from pavrik.film.camera.shoot import Stand
from pavrik.film.head_on import track_head_on
from pavrik.services.watch.lifting import Lifting
from pavrik.services.watch.simulated import off_head_on_taps

_SQUAT, _DEADLIFT = LIFT_IDS
NAMES = tuple(BODIES)
HONEST_SETS = 36
VIEWS: tuple[tuple[LiftId, HeadOnView], ...] = (
    (_SQUAT, "front"), (_SQUAT, "rear"), (_DEADLIFT, "front"),
)  # fmt: skip
FAULTY: tuple[tuple[LiftId, HeadOnView, str, str], ...] = (
    (_SQUAT, "front", "knees-in", "knees-cave"), (_SQUAT, "rear", "hip-shift", "hips-aside"),
    (_SQUAT, "rear", "uneven-bar", "bar-tilts"),
    (_DEADLIFT, "front", "one-side-down", "lands-uneven"),
)  # fmt: skip


@dataclass(frozen=True)
class Line:
    """One line of the table."""

    what: str
    held_to: str
    measured: str
    missed: bool


def _shot(
    lift: LiftId, view: HeadOnView, faults: Mapping[str, float], reps: int, seed: int
) -> tuple[Lifting, HeadOnShot]:
    of = made_up(lift, NAMES[seed % 4])
    stand = Stand(yaw=0.03 * (seed % 5 - 2), shake_px=(0.0, 1.0, 2.0)[seed % 3],
                  roll=(0.0, 0.01)[seed % 2])  # fmt: skip
    motion = perform(of.exact.path, of.exact.progress, of.linkage, Pace(reps=reps))
    looks = Looks(seed=seed, plate=((60, 60, 190), (52, 50, 48))[seed % 2])
    both = both_sides(motion, of.linkage, faults)
    return of, HeadOnShot(both, of.linkage, stand, view, LARGE_PLATES, looks)


def _told(of: Lifting, clip: HeadOnClip) -> tuple[HeadOnMeasured, dict[str, Finding]]:
    measured = measure_head_on(clip, of.linkage, of.expected, large_plates=LARGE_PLATES)
    found = find_head_on(measured, of.expected, measured.reps())
    return measured, {one.detector.id: one for one in found}


def _seen(lift: LiftId, view: HeadOnView, faults: Mapping[str, float], seed: int) -> Mapping[
    str, Finding
]:  # fmt: skip
    """What a set says as a good tracker would have followed it."""
    of, shot = _shot(lift, view, faults, 2, seed)
    taps = replace(off_head_on_taps(shot.taps(), 1.5, seed), plate_left=shot.taps().plate_left,
                   plate_right=shot.taps().plate_right)  # fmt: skip
    return _told(of, replace(seen_head_on(shot, seed), taps=taps))[1]


def head_on_lines() -> Iterator[Line]:
    """False alarms, faults found, and errors of rendered clips."""
    for lift, view in VIEWS:
        alarms: Counter[str] = Counter()
        for seed in range(HONEST_SETS):
            found = _seen(lift, view, {}, seed)
            alarms.update(name for name, one in found.items() if one.state == "fails")
        worst = max(alarms.values(), default=0) / HONEST_SETS
        what = f"{lift} {view}, false alarms, worst detector ({2 * HONEST_SETS} honest reps)"
        yield Line(what, "<= 5 %", f"{worst:.0%}", worst > 0.05)
    for lift, view, fault, detector in FAULTY:
        told = [_seen(lift, view, {fault: 0.045}, seed)[detector] for seed in range(16)]
        share = sum(one.state == "fails" for one in told) / len(told)
        yield Line(
            f"{lift} {view}, {fault} of 4.5 cm found in 16 sets", ">= 90 %", f"{share:.0%}",
            share < 0.9,
        )  # fmt: skip
    yield from _rendered()


def _rendered() -> Iterator[Line]:
    off: dict[str, list[float]] = {"knees": [], "hips": [], "bar": [], "view": []}
    with TemporaryDirectory() as folder:
        for seed in range(8):
            view: HeadOnView = "front" if seed % 2 else "rear"
            fault = "knees-in" if view == "front" else "hip-shift"
            of, shot = _shot(_SQUAT, view, {fault: 0.04}, 1, seed)
            _measure(of, shot, Path(folder) / "clip.webm", seed, off)
    for what, most, unit in (("knees", 1.5, "cm"), ("hips", 1.0, "cm"), ("bar", 1.5, "cm"),
                             ("view", 2.0, "deg")):  # fmt: skip
        middle = float(np.median(off[what]))
        yield Line(
            f"head on, {what}, rms: median (worst) of rendered clips", f"<= {most:g} {unit}",
            f"{middle:.2g} ({max(off[what]):.2g}) {unit}", middle > most,
        )  # fmt: skip


def _measure(
    of: Lifting, shot: HeadOnShot, path: Path, seed: int, off: dict[str, list[float]]
) -> None:
    for _ in film_head_on(shot, path):
        pass
    found: list[HeadOnClip] = []
    taps = off_head_on_taps(shot.taps(), 1.5, seed)
    for _ in track_head_on(path, shot.view, taps, 0.0, found):
        pass
    measured, _ = _told(of, found[0])
    places, frames = shot.motion.points, len(found[0].times_s)

    def rms_cm(values: Floats) -> float:
        return float(np.sqrt(np.nanmean(values**2))) * 100

    if shot.view == "front":
        true = np.stack([places[f"{s} knee"][:frames, 1] for s in ("left", "right")], -1)
        off["knees"].append(rms_cm(measured.knees[:, :, 1] - true))
    else:
        off["hips"].append(rms_cm(measured.hips_off_m - places["belt"][:frames, 1]))
    tilt = (places["left bar"] - places["right bar"])[:frames, 2]
    started = float(np.median(measured.tilt_m[:10]))
    off["bar"].append(rms_cm(measured.tilt_m - started - tilt))
    off["view"].append(abs(measured.off_deg - float(np.rad2deg(shot.stand.yaw))))
