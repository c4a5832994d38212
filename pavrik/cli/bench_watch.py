"""``pavrik bench --watch``: what films are held to, measured on rendered clips with known truth
and on hundreds of honest reps, printed as Markdown with the misses."""

import time
from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass, replace
from pathlib import Path
from tempfile import TemporaryDirectory

import numpy as np

from pavrik.cli.bench_head_on import Line, head_on_lines
from pavrik.core.competition_lifts import LIFT_IDS, LIFTS
from pavrik.core.tracking.camera import plate_face_m
from pavrik.core.tracking.clip import Clip
from pavrik.core.tracking.detectors import detectors_of
from pavrik.core.tracking.findings import Finding
from pavrik.core.tracking.measured import Measured
from pavrik.core.tracking.reps import Rep
from pavrik.demo.made_up import BODIES, LARGE_PLATES, made_up, shot, told_of
from pavrik.film.camera.motion import Pace
from pavrik.film.camera.scene import Looks
from pavrik.film.camera.seen import seen_clip
from pavrik.film.camera.shoot import Shot, Stand, film
from pavrik.film.track import track
from pavrik.services.watch.lifting import Lifting
from pavrik.services.watch.simulated import off_taps

_Told = tuple[Measured, list[Rep], dict[str, Finding]]

NAMES = tuple(BODIES)
HONEST_SETS = 36
REPS_EACH = 3
SHIRTS = ((70, 60, 52), (60, 66, 110), (96, 82, 58), (40, 40, 44))
_SQUAT, _DEADLIFT = LIFT_IDS
FAULTY = (
    (_SQUAT, {"hips-rise": 0.04}, "hips-rise"),
    (_SQUAT, {"bar-forward": 0.03}, "bar-forward"),
    (_SQUAT, {"high": 0.10}, "depth"),
    (_DEADLIFT, {"hips-shoot": 0.05}, "hips-before-plates"),
    (_DEADLIFT, {"bar-away": 0.04}, "bar-away"),
)


def _shot(of: Lifting, faults: dict[str, float], stand: Stand, reps: int, seed: int) -> Shot:
    looks = Looks(shirt=SHIRTS[seed % 4], plate=((60, 60, 190), (52, 50, 48))[seed % 2], seed=seed)
    return shot(of, faults, stand, Pace(reps=reps), looks)


def _told(of: Lifting, faults: dict[str, float], stand: Stand, reps: int, seed: int) -> _Told:
    """What a set says as a good tracker would have followed it, from taps 2 px off."""
    taken = _shot(of, faults, stand, reps, seed)
    clip = replace(seen_clip(taken, seed), taps=off_taps(taken.taps, 2.0, seed))
    return told_of(of, clip)


def _honest() -> Iterator[Line]:
    """False alarms on honest reps, tracked as well as the rendered clips are."""
    for lift in LIFT_IDS:
        told: Counter[str] = Counter()
        sets = reps = 0
        for seed in range(HONEST_SETS):
            stand = Stand(yaw=0.02 * (seed % 5 - 2), facing=1 if seed % 2 else -1)
            _, found_reps, found = _told(made_up(lift, NAMES[seed % 4]), {}, stand, REPS_EACH, seed)
            sets, reps = sets + 1, reps + len(found_reps)
            told.update(name for name, one in found.items() if one.state == "fails")
        for detector in detectors_of(LIFTS[lift].carried):
            share = told[detector.id] / sets
            yield Line(
                f"{lift}, false alarms: {detector.id} ({reps} honest reps)", "<= 5 %",
                f"{share:.0%}", share > 0.05,
            )  # fmt: skip


def _found() -> Iterator[Line]:
    for lift, faults, detector in FAULTY:
        seen = 0
        for seed in range(16):
            stand = Stand(yaw=0.02 * (seed % 5 - 2))
            _, _, found = _told(made_up(lift, NAMES[seed % 4]), faults, stand, 2, seed)
            seen += found[detector].state == "fails"
        size = next(iter(faults.values())) * 100
        yield Line(
            f"{detector} of {size:.0f} cm found in 16 sets", ">= 90 %", f"{seen / 16:.0%}",
            seen < 0.9 * 16,
        )  # fmt: skip


@dataclass(frozen=True)
class _Clip:
    """One rendered clip: errors of the plate (mm), of joints (cm), of the view (deg), of speed
    (m/s), seconds to track and seconds of film."""

    lift: str
    plate_mm: float
    joints_cm: float
    yaw_deg: float
    roll_deg: float
    speed: float
    track_s: float
    film_s: float


def _rendered(number: int, folder: Path) -> _Clip:
    lift = LIFT_IDS[number % 2]
    of = made_up(lift, NAMES[(number // 2) % 4])
    stand = Stand(
        yaw=(0.0, 0.08, -0.12, 0.05)[number % 4], roll=(0.0, 0.01, -0.015)[number % 3],
        shake_px=(0.0, 1.5, 2.5)[number % 3], height_m=(0.5, 0.9)[number % 2],
        facing=1 if number % 4 < 2 else -1,
    )  # fmt: skip
    faults = (FAULTY[0][1] if lift == _SQUAT else FAULTY[3][1]) if number % 8 >= 4 else {}
    taken = _shot(of, dict(faults), stand, 1, number)
    path = folder / "clip.webm"
    for _ in film(taken, path, of.linkage.bar_on_trunk is not None):
        pass
    taps = off_taps(taken.taps, 2.0, number)
    found: list[Clip] = []
    began = time.perf_counter()
    for _ in track(path, taps, 0.0, found):
        pass
    measured, reps, _ = told_of(of, found[0])
    return _errors(lift, taken, found[0], measured, reps, time.perf_counter() - began)


def _errors(
    lift: str, shot: Shot, clip: Clip, measured: Measured, reps: list[Rep], track_s: float
) -> _Clip:
    camera, points = shot.stand.camera(), shot.motion.points
    frames = min(len(clip.times_s), len(shot.motion.times_s))
    face = plate_face_m(LARGE_PLATES)
    u, v = camera.project(points["bar"][:frames, 0], face, points["bar"][:frames, 2])
    off = np.hypot(clip.bar[:frames, 0] - u, clip.bar[:frames, 1] - v)
    per_px = float(camera.depth(0.0, face)) / camera.focal_px
    joints = [getattr(measured, n)[:frames] - points[n][:frames, [0, 2]] for n in ("knee", "hip")]
    speed = 0.0
    if reps:
        start, end = reps[0].up
        way = points["bar"][[start, end], 2]
        true = (way[1] - way[0]) / (clip.times_s[end] - clip.times_s[start])
        speed = abs(reps[0].mean_m_s - float(true))
    return _Clip(
        lift,
        float(np.percentile(off, 95)) * per_px * 1000,
        float(np.sqrt(np.mean(np.concatenate(joints) ** 2) * 2)) * 100,
        abs(float(np.rad2deg(measured.camera.yaw - shot.stand.yaw))),
        abs(float(np.rad2deg(clip.roll - shot.stand.roll))),
        speed,
        track_s,
        float(clip.times_s[-1]),
    )


def _clips(count: int) -> Iterator[Line]:
    with TemporaryDirectory() as folder:
        made = [_rendered(number, Path(folder)) for number in range(count)]
    for lift, most in zip(LIFT_IDS, (3.0, 6.0), strict=True):
        worst = max(one.plate_mm for one in made if one.lift == lift)
        yield Line(f"plate, {lift}, p95 of the worst clip", f"<= {most:g} mm", f"{worst:.1f} mm",
                    worst > most)  # fmt: skip
    squats = [one for one in made if one.lift == _SQUAT]
    for what, values, most, unit in (
        ("knee and hip, squat, rms", [c.joints_cm for c in squats], 2.5, "cm"),
        ("obliqueness", [c.yaw_deg for c in made], 2.0, "deg"),
        ("roll", [c.roll_deg for c in made], 0.3, "deg"),
        ("mean speed", [c.speed for c in made], 0.015, "m/s"),
    ):
        middle = float(np.median(values))
        yield Line(
            f"{what}: median (worst) of {len(values)} clips", f"<= {most:g} {unit}",
            f"{middle:.2g} ({max(values):.2g}) {unit}", middle > most,
        )  # fmt: skip
    ratio = max(one.track_s / one.film_s for one in made)
    yield Line("tracking, seconds per second of 720p film", "<= 4.5", f"{ratio:.1f}", ratio > 4.5)


def run_watch_bench(clips: int = 20) -> None:
    """Print the table; a miss is marked."""
    print("| what | held to | measured | |\n|---|---|---|---|")
    for line in [*_honest(), *_found(), *_clips(clips), *head_on_lines()]:
        print(f"| {line.what} | {line.held_to} | {line.measured} | {'missed' * line.missed} |",
              flush=True)  # fmt: skip
