"""The simulated phone: a set of this lifter filmed as it would be, with chosen faults, as the
stand-in for a real one."""

from collections.abc import Generator, Mapping
from dataclasses import asdict, replace
from uuid import UUID

import numpy as np

from pavrik.core.tracking.clip import Pixel, Taps
from pavrik.core.units import radians
from pavrik.errors import InvalidError
from pavrik.film.camera.motion import USUAL_SIZE, Pace, perform
from pavrik.film.camera.scene import Looks
from pavrik.film.camera.shoot import Shot, Stand, film, shot_of
from pavrik.formats.wire.watch import SimulateRequest, StandIn, TapsIn
from pavrik.services.context import Who
from pavrik.services.jobs import Jobs
from pavrik.services.watch.films import SIMULATED, Films, check_sender
from pavrik.services.watch.lifting import Lifting, lifting_of
from pavrik.store.database import Database
from pavrik.store.jobs import Job

SHIRTS = ((70, 60, 52), (60, 66, 110), (96, 82, 58), (66, 96, 70))
SLOWEST_UP_S = 1.2


def stand_of(asked: StandIn) -> Stand:
    """Where the phone stands."""
    return Stand(
        distance_m=asked.distance_m,
        height_m=asked.height_m,
        yaw=float(radians(asked.off_side_deg)),
        roll=float(radians(asked.tilt_deg)),
        shake_px=asked.shake_px,
        facing=-1 if asked.from_left else 1,
        size=(960, 540),
    )


def film_set(
    lifting: Lifting, faults: Mapping[str, float], stand: Stand, pace: Pace, plates: int,
    looks: Looks | None = None,
) -> Shot:  # fmt: skip
    """A set of a lifter with faults of a size (m; s for the dive), ready to be filmed, with its
    truth. Raises ValueError for a fault that the phone does not know in the lift."""
    motion = perform(
        lifting.exact.path, lifting.exact.progress, lifting.linkage, pace, faults, stand.rate_hz
    )
    return shot_of(motion, stand, 0, plates, looks)


def shot_for(lifting: Lifting, request: SimulateRequest) -> Shot:
    """The shot of a set as it was asked for. Raises InvalidError for a fault that it cannot
    film."""
    share = request.load_kg / max(lifting.exact.predicted_max_kg, 1.0)
    pace = Pace(reps=request.reps, up_s=SLOWEST_UP_S + 1.6 * max(share - 0.5, 0.0))
    faults = {fault: USUAL_SIZE.get(fault, 0.0) for fault in request.faults}
    looks = Looks(shirt=SHIRTS[request.seed % len(SHIRTS)], seed=1 + request.seed)
    plates = large_plates(request.load_kg)
    try:
        return film_set(lifting, faults, stand_of(request.stand), pace, plates, looks)
    except ValueError as error:
        raise InvalidError(str(error), "faults") from error


def large_plates(load_kg: float) -> int:
    """How many large plates a side a load has: 25 kg each on a 20 kg bar."""
    return max(1, round((load_kg - 20.0) / 50.0))


def ask_to_film(
    database: Database, who: Who, jobs: Jobs, films: Films, lifter_id: UUID,
    request: SimulateRequest,
) -> Job:  # fmt: skip
    """Film a set in the background; the film then waits like one that was sent. Raises
    NotFoundError, InvalidError."""
    check_sender(database, who, lifter_id)
    films.make_room(who)
    lifting = lifting_of(database, who, lifter_id, request.lift, request.load_kg)
    shot = shot_for(lifting, request)
    steps = _filming(who, films, request, shot, lifting.linkage.bar_on_trunk is not None)
    return jobs.ask(who, lifter_id, "film simulated", str(request.film_id), steps)


def _filming(
    who: Who, films: Films, request: SimulateRequest, shot: Shot, rests_on_back: bool
) -> Generator[float, None, None]:
    path = films.path(who, request.film_id)
    under_way = path.with_suffix(".part.webm")
    try:
        yield from film(shot, under_way, rests_on_back)
        under_way.rename(path)
        path.with_suffix(SIMULATED).touch()
    finally:
        under_way.unlink(missing_ok=True)


def off_taps(taps: Taps, error_px: float, seed: int) -> Taps:
    """Taps of a hand that is off by some pixels; the plate is put onto its rim anyway."""
    random = np.random.default_rng(seed)
    beside: dict[str, Pixel] = {}
    for name in ("knee", "hip", "ankle", "shoulder", "sleeve_end"):
        if (at := getattr(taps, name)) is not None:
            off = random.normal(0, error_px, 2)
            beside[name] = (at[0] + float(off[0]), at[1] + float(off[1]))
    return replace(taps, **beside)  # type: ignore[arg-type]


def taps_for(lifting: Lifting, request: SimulateRequest) -> TapsIn:
    """Where a careful hand taps in the first picture of a simulated film: within about a
    centimetre, never exactly."""
    return TapsIn(**asdict(off_taps(shot_for(lifting, request).taps, 1.5, request.seed)))
