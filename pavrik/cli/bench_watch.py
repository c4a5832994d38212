"""``pavrik bench --watch``: what films are held to, measured on rendered clips with known truth
and on hundreds of honest reps, printed as Markdown with the misses."""

import time
from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import cache
from pathlib import Path
from tempfile import TemporaryDirectory

import numpy as np

from pavrik.core.competition_lifts import LIFT_IDS, LIFTS, LiftId
from pavrik.core.fitting.explorer import exact_setup
from pavrik.core.tracking.camera import plate_face_m
from pavrik.core.tracking.clip import Clip, Taps
from pavrik.core.tracking.detectors import detectors_of
from pavrik.core.tracking.expected import expected_way
from pavrik.core.tracking.findings import Finding, find
from pavrik.core.tracking.linkage import side_linkage
from pavrik.core.tracking.measured import Measured, measure
from pavrik.core.tracking.reps import Rep, deadlift_reps, squat_reps
from pavrik.film.camera.motion import Pace, perform
from pavrik.film.camera.scene import Looks
from pavrik.film.camera.seen import seen_clip
from pavrik.film.camera.shoot import Shot, Stand, film, shot_of
from pavrik.film.track import track
from pavrik.formats.model.requests import BodyIn, ScreensIn
from pavrik.services.lifters.model_lifter import lifter_from
from pavrik.services.watch.lifting import Lifting, lifting_from

BODIES = (("male", 83.0, 1.75), ("male", 104.0, 1.93), ("female", 57.0, 1.58), ("female", 72, 1.79))
PLATES = 2
HONEST_SETS = 36
REPS_EACH = 3
SHIRTS = ((70, 60, 52), (60, 66, 110), (96, 82, 58), (40, 40, 44))
_SQUAT, _DEADLIFT = LIFT_IDS
FAULTY = (
    (_SQUAT, {"hips-rise": 0.04}, "hips-rise"),
    (_SQUAT, {"bar-forward": 0.03}, "bar-forward"),
    (_DEADLIFT, {"hips-shoot": 0.05}, "hips-before-plates"),
    (_DEADLIFT, {"bar-away": 0.04}, "bar-away"),
)


@cache
def _lifting(lift: LiftId, body: tuple[str, float, float]) -> Lifting:
    sex, mass_kg, stature_m = body
    lifter = lifter_from(
        BodyIn(sex=sex, mass_kg=mass_kg, stature_m=stature_m),
        ScreensIn(),
    )
    of = LIFTS[lift]
    setup = of.usual(stature_m)
    most = exact_setup(of, lifter, setup, 100.0).predicted_max_kg
    return lifting_from(of, lifter, setup, 0.8 * most)


def _shot(of: Lifting, faults: dict[str, float], stand: Stand, reps: int, seed: int) -> Shot:
    linkage = side_linkage(of.lifter.body, of.exact.setup.toe_out, of.exact.path)
    motion = perform(
        of.exact.path, of.exact.progress, linkage, Pace(reps=reps), faults,
        stand.rate_hz,
    )  # fmt: skip
    looks = Looks(shirt=SHIRTS[seed % 4], plate=((60, 60, 190), (52, 50, 48))[seed % 2], seed=seed)
    return shot_of(motion, stand, 0, PLATES, looks)


def _off(taps: Taps, error_px: float, random: np.random.Generator) -> Taps:
    names = ("knee", "hip", "ankle", "shoulder", "sleeve_end")
    moved = {
        name: tuple(np.array(at) + random.normal(0, error_px, 2))
        for name in names
        if (at := getattr(taps, name)) is not None
    }
    return replace(taps, **moved)  # type: ignore[arg-type]


def _told(of: Lifting, clip: Clip) -> tuple[Measured, list[Rep], list[Finding]]:
    measured = measure(clip, of.linkage, large_plates=PLATES)
    reps_of = squat_reps if of.linkage.bar_on_trunk else deadlift_reps
    reps = reps_of(measured.times_s, measured.bar[:, 1])
    way = expected_way(of.exact.progress, of.exact.path)
    return measured, reps, find(measured, way, reps)


@dataclass(frozen=True)
class _Line:
    what: str
    held_to: str
    measured: str
    missed: bool


def _honest() -> Iterator[_Line]:
    """False alarms on honest reps, tracked as well as the rendered clips are."""
    for lift in LIFT_IDS:
        told: Counter[str] = Counter()
        sets = reps = 0
        for seed in range(HONEST_SETS):
            of = _lifting(lift, BODIES[seed % 4])
            stand = Stand(yaw=0.02 * (seed % 5 - 2), facing=1 if seed % 2 else -1)
            shot = _shot(of, {}, stand, REPS_EACH, seed)
            random = np.random.default_rng(seed)
            clip = replace(seen_clip(shot, seed), taps=_off(shot.taps, 2.0, random))
            _, found_reps, found = _told(of, clip)
            sets, reps = sets + 1, reps + len(found_reps)
            told.update(one.detector.id for one in found if one.state == "fails")
        for detector in detectors_of(LIFTS[lift].carried):
            share = told[detector.id] / sets
            yield _Line(
                f"{lift}, false alarms: {detector.id} ({reps} honest reps)", "<= 5 %",
                f"{share:.0%}", share > 0.05,
            )  # fmt: skip


def _found() -> Iterator[_Line]:
    for lift, faults, detector in FAULTY:
        seen = 0
        for seed in range(16):
            of = _lifting(lift, BODIES[seed % 4])
            shot = _shot(of, faults, Stand(yaw=0.02 * (seed % 5 - 2)), 2, seed)
            random = np.random.default_rng(seed)
            clip = replace(seen_clip(shot, seed), taps=_off(shot.taps, 2.0, random))
            _, _, found = _told(of, clip)
            seen += any(one.detector.id == detector and one.state == "fails" for one in found)
        size = next(iter(faults.values())) * 100
        yield _Line(
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
    of = _lifting(lift, BODIES[(number // 2) % 4])
    stand = Stand(
        yaw=(0.0, 0.08, -0.12, 0.05)[number % 4], roll=(0.0, 0.01, -0.015)[number % 3],
        shake_px=(0.0, 1.5, 2.5)[number % 3], height_m=(0.5, 0.9)[number % 2],
        facing=1 if number % 4 < 2 else -1,
    )  # fmt: skip
    faults = (FAULTY[0][1] if lift == _SQUAT else FAULTY[2][1]) if number % 8 >= 4 else {}
    shot = _shot(of, dict(faults), stand, 1, number)
    path = folder / "clip.webm"
    for _ in film(shot, path, of.linkage.bar_on_trunk is not None):
        pass
    taps = _off(shot.taps, 2.0, np.random.default_rng(number))
    found: list[Clip] = []
    began = time.perf_counter()
    for _ in track(path, taps, 0.0, found):
        pass
    measured, reps, _ = _told(of, found[0])
    return _errors(lift, shot, found[0], measured, reps, time.perf_counter() - began)


def _errors(
    lift: str, shot: Shot, clip: Clip, measured: Measured, reps: list[Rep], track_s: float
) -> _Clip:
    camera, points = shot.stand.camera(), shot.motion.points
    frames = min(len(clip.times_s), len(shot.motion.times_s))
    face = plate_face_m(PLATES)
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


def _clips(count: int) -> Iterator[_Line]:
    with TemporaryDirectory() as folder:
        made = [_rendered(number, Path(folder)) for number in range(count)]
    for lift, most in zip(LIFT_IDS, (3.0, 6.0), strict=True):
        worst = max(one.plate_mm for one in made if one.lift == lift)
        yield _Line(f"plate, {lift}, p95 of the worst clip", f"<= {most:g} mm", f"{worst:.1f} mm",
                    worst > most)  # fmt: skip
    squats = [one for one in made if one.lift == _SQUAT]
    for what, values, most, unit in (
        ("knee and hip, squat, rms", [c.joints_cm for c in squats], 2.5, "cm"),
        ("obliqueness", [c.yaw_deg for c in made], 2.0, "deg"),
        ("roll", [c.roll_deg for c in made], 0.3, "deg"),
        ("mean speed", [c.speed for c in made], 0.015, "m/s"),
    ):
        middle = float(np.median(values))
        yield _Line(
            f"{what}: median (worst) of {len(values)} clips", f"<= {most:g} {unit}",
            f"{middle:.2g} ({max(values):.2g}) {unit}", middle > most,
        )  # fmt: skip
    ratio = max(one.track_s / one.film_s for one in made)
    yield _Line("tracking, seconds per second of 720p film", "<= 4.5", f"{ratio:.1f}", ratio > 4.5)


def run_watch_bench(clips: int = 20) -> None:
    """Print the table; a miss is marked."""
    print("| what | held to | measured | |\n|---|---|---|---|")
    for line in [*_honest(), *_found(), *_clips(clips)]:
        print(f"| {line.what} | {line.held_to} | {line.measured} | {'missed' * line.missed} |",
              flush=True)  # fmt: skip
