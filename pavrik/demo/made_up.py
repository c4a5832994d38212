"""Made-up lifters in usual set-ups, filmed: what proofs over films are made with."""

from collections.abc import Mapping
from functools import cache

from pavrik.core.competition_lifts import LIFTS, LiftId
from pavrik.core.fitting.explorer import exact_setup
from pavrik.core.tracking.clip import Clip
from pavrik.core.tracking.findings import Finding, find
from pavrik.core.tracking.measured import Measured, measure
from pavrik.core.tracking.reps import Rep, reps_in
from pavrik.film.camera.motion import Pace
from pavrik.film.camera.scene import Looks
from pavrik.film.camera.shoot import Shot, Stand
from pavrik.formats.model.requests import BodyIn, ScreensIn
from pavrik.services.lifters.model_lifter import lifter_from
from pavrik.services.watch.lifting import Lifting, lifting_from
from pavrik.services.watch.simulated import film_set

BODIES = {
    "usual man": BodyIn(sex="male", mass_kg=83.0, stature_m=1.75),
    "tall man": BodyIn(sex="male", mass_kg=104.0, stature_m=1.93),
    "small woman": BodyIn(sex="female", mass_kg=57.0, stature_m=1.58),
    "tall woman": BodyIn(sex="female", mass_kg=72.0, stature_m=1.79),
}
LARGE_PLATES = 2


@cache
def made_up(lift_id: LiftId, body: str = "usual man", load_share: float = 0.8) -> Lifting:
    """A lifter by the name of the body, at a share of the set-up's predicted max."""
    lift, size = LIFTS[lift_id], BODIES[body]
    lifter, setup = lifter_from(size, ScreensIn()), lift.usual(size.stature_m)
    most = exact_setup(lift, lifter, setup, 100.0).predicted_max_kg
    return lifting_from(lift, lifter, setup, load_share * most)


def shot(
    of: Lifting, faults: Mapping[str, float] | None = None, stand: Stand | None = None,
    pace: Pace | None = None, looks: Looks | None = None,
) -> Shot:  # fmt: skip
    """A set filmed from a place."""
    return film_set(of, faults or {}, stand or Stand(), pace or Pace(), LARGE_PLATES, looks)


def told_of(of: Lifting, clip: Clip) -> tuple[Measured, list[Rep], dict[str, Finding]]:
    """What a clip says: findings by their detector."""
    measured = measure(clip, of.linkage, large_plates=LARGE_PLATES)
    reps = reps_in(measured)
    found = find(measured, of.expected, reps)
    return measured, reps, {one.detector.id: one for one in found}
