"""Made-up lifters on film: the shot, what was tracked of it, and the truth told the same way."""

from dataclasses import dataclass, replace
from functools import cache
from pathlib import Path

import numpy as np

from pavrik.core.competition_lifts import LIFTS
from pavrik.core.fitting.explorer import exact_setup
from pavrik.core.tracking.clip import Clip, Taps
from pavrik.core.tracking.expected import Expected, expected_way
from pavrik.core.tracking.findings import Finding, find
from pavrik.core.tracking.linkage import SideLinkage, side_linkage
from pavrik.core.tracking.linkage_solve import Solved
from pavrik.core.tracking.measured import Measured, measure
from pavrik.core.tracking.reps import Rep, deadlift_reps, squat_reps
from pavrik.film.camera.motion import Motion, Pace, perform
from pavrik.film.camera.scene import Looks
from pavrik.film.camera.shoot import Shot, Stand, film, shot_of
from pavrik.formats.model.requests import BodyIn, ScreensIn
from pavrik.services.lifters.model_lifter import lifter_from

BODIES = {
    "usual man": ("male", 83.0, 1.75),
    "tall man": ("male", 104.0, 1.93),
    "small woman": ("female", 57.0, 1.58),
    "tall woman": ("female", 72.0, 1.79),
}
PLATES = 2


@dataclass(frozen=True)
class Lifting:
    """One made-up lifter in a usual set-up: the computed way and the linkage."""

    lift: str
    linkage: SideLinkage
    expected: Expected
    body: object

    def perform(self, pace: Pace, faults: dict[str, float], rate_hz: float) -> Motion:
        """The set."""
        way = self.expected
        return perform(way.path, way.progress, self.linkage, pace, faults, rate_hz)


@cache
def lifting(lift: str, body: str = "usual man", load_share: float = 0.8) -> Lifting:
    """A lifter by the name of the body."""
    sex, mass_kg, stature_m = BODIES[body]
    lifter = lifter_from(BodyIn(sex=sex, mass_kg=mass_kg, stature_m=stature_m), ScreensIn())
    of = LIFTS[lift]
    setup = of.usual(stature_m)
    most = exact_setup(of, lifter, setup, 100.0).predicted_max_kg
    exact = exact_setup(of, lifter, setup, load_share * most)
    assert not exact.reasons
    linkage = side_linkage(lifter.body, exact.setup.toe_out, exact.path)
    return Lifting(lift, linkage, expected_way(exact.progress, exact.path), lifter.body)


def shot(
    of: Lifting, faults: dict[str, float] | None = None, stand: Stand | None = None,
    pace: Pace | None = None, looks: Looks | None = None,
) -> Shot:  # fmt: skip
    """A set filmed from a place."""
    place = stand or Stand()
    return shot_of(of.perform(pace or Pace(), faults or {}, place.rate_hz), place, 0, PLATES, looks)


def rendered(taken: Shot, path: Path, of: Lifting) -> Path:
    """The film of a shot."""
    for _ in film(taken, path, of.linkage.bar_on_trunk is not None):
        pass
    return path


def tapped(taps: Taps, error_px: float, seed: int = 1) -> Taps:
    """Taps by a hand that is off by some pixels."""
    random = np.random.default_rng(seed)

    def near(place: tuple[float, float] | None) -> tuple[float, float] | None:
        if place is None:
            return None
        return tuple(place + random.normal(0, error_px, 2))  # type: ignore[return-value]

    names = ("plate", "knee", "hip", "ankle", "shoulder", "sleeve_end")
    return replace(taps, **{name: near(getattr(taps, name)) for name in names})


def reps_of(of: Lifting, measured: Measured) -> list[Rep]:
    """The reps of a measured clip."""
    reps = squat_reps if of.lift == "squat" else deadlift_reps
    return reps(measured.times_s, measured.bar[:, 1])


def findings(of: Lifting, clip: Clip) -> tuple[Measured, list[Rep], dict[str, Finding]]:
    """What a clip says."""
    measured = measure(clip, of.linkage, large_plates=PLATES)
    reps = reps_of(of, measured)
    found = find(measured, of.expected, reps)
    return measured, reps, {one.detector.id: one for one in found}


def true_findings(of: Lifting, motion: Motion, like: Measured) -> dict[str, Finding]:
    """The same detectors over the motion itself."""
    points = {name: places[:, [0, 2]] for name, places in motion.points.items()}
    off = points["shoulder"] - points["hip"]
    still = np.zeros(len(motion.times_s))
    solved = Solved(
        still, still, np.arctan2(off[:, 0], off[:, 1]), points["knee"], points["hip"],
        points["shoulder"], 0.0,
    )  # fmt: skip
    true = replace(
        like, times_s=motion.times_s, bar=points["bar"], solved=solved, heel_rise_m=motion.heel_m
    )
    reps = reps_of(of, true)
    return {one.detector.id: one for one in find(true, of.expected, reps)}
