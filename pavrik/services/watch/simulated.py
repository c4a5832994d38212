"""The simulated phone: a set of this lifter filmed as it would be, with chosen faults, as the
stand-in for a real one."""

from collections.abc import Callable, Mapping
from dataclasses import asdict, replace
from functools import partial
from pathlib import Path
from uuid import UUID

import numpy as np

from pavrik.core.tracking.clip import Pixel, Taps
from pavrik.core.tracking.head_on import Edge, HeadOnTaps
from pavrik.core.units import radians
from pavrik.errors import InvalidError
from pavrik.film.camera.head_on import FAULTS as SIDE_FAULTS
from pavrik.film.camera.head_on import HeadOnShot, both_sides, film_head_on
from pavrik.film.camera.motion import USUAL_SIZE, Pace, perform
from pavrik.film.camera.scene import Looks
from pavrik.film.camera.shoot import Shot, Stand, film, shot_of
from pavrik.formats.wire.watch_requests import HeadOnTapsIn, SimulateRequest, StandIn, TapsIn
from pavrik.services.context import Who
from pavrik.services.jobs import Jobs, Steps
from pavrik.services.watch.films import SIMULATED, Films, check_sender
from pavrik.services.watch.lifting import Lifting, lifting_of
from pavrik.store.database import Database
from pavrik.store.jobs import Job
from pavrik.words import say

SHIRTS = ((70, 60, 52), (60, 66, 110), (96, 82, 58), (66, 96, 70))
UNLOADED_OVER_M_S = 0.85
"""What a made-up lifter's rep without load has over his slowest."""
LEAST_SPEED_M_S = 0.12


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
    """The shot of a set from the side as it was asked for. Raises InvalidError for a fault that it
    cannot film."""
    faults = {fault: USUAL_SIZE.get(fault, 0.0) for fault in request.faults}
    plates, looks = large_plates(request.load_kg), _looks(request)
    try:
        return film_set(
            lifting, faults, stand_of(request.stand), _pace(lifting, request), plates, looks
        )
    except ValueError as error:
        raise InvalidError(str(error), "faults") from error


def head_on_shot_for(lifting: Lifting, request: SimulateRequest) -> HeadOnShot:
    """The same from the front or from behind."""
    if request.view == "side":
        raise InvalidError(say("watch.film_from_side_other"), "view")
    faults = {fault: SIDE_FAULTS[fault][2] if fault in SIDE_FAULTS else 0.0
              for fault in request.faults}  # fmt: skip
    stand = replace(stand_of(request.stand), facing=1)
    motion = perform(
        lifting.exact.path, lifting.exact.progress, lifting.linkage, _pace(lifting, request), {},
        stand.rate_hz,
    )  # fmt: skip
    try:
        both = both_sides(motion, lifting.linkage, faults)
    except ValueError as error:
        raise InvalidError(str(error), "faults") from error
    plates = large_plates(request.load_kg)
    return HeadOnShot(both, lifting.linkage, stand, request.view, plates, _looks(request))


def _pace(lifting: Lifting, request: SimulateRequest) -> Pace:
    share = request.load_kg / max(lifting.exact.predicted_max_kg, 1.0)
    speed = lifting.lift.slowest_m_s + UNLOADED_OVER_M_S * (1.0 - share)
    way_m = float(np.ptp(lifting.exact.path.points["bar"][2]))
    return Pace(reps=request.reps, up_s=way_m / max(speed, LEAST_SPEED_M_S))


def _looks(request: SimulateRequest) -> Looks:
    return Looks(shirt=SHIRTS[request.seed % len(SHIRTS)], seed=1 + request.seed)


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
    films.make_room(who.club_id)
    lifting = lifting_of(database, who, lifter_id, request.lift, request.load_kg, request.style)
    if request.view == "side":
        shot, on_back = shot_for(lifting, request), lifting.linkage.carried == "back"
        shoot = partial(film, shot, rests_on_back=on_back)
    else:
        head_on = head_on_shot_for(lifting, request)
        shoot = partial(film_head_on, head_on)
    task = partial(_filming, who=who, films=films, film_id=request.film_id, shoot=shoot)
    return jobs.ask(who, lifter_id, "film simulated", str(request.film_id), task)


def _filming(
    _: Database, who: Who, films: Films, film_id: UUID, shoot: Callable[[Path], Steps]
) -> Steps:
    path = films.path(who.club_id, film_id)
    under_way = path.with_suffix(".part.webm")
    try:
        yield from shoot(under_way)
        under_way.rename(path)
        path.with_suffix(SIMULATED).touch()
    finally:
        under_way.unlink(missing_ok=True)


def off_taps(taps: Taps, error_px: float, seed: int) -> Taps:
    """Taps of a hand that is off by some pixels; the plate is put onto its rim anyway."""
    hand = _hand(error_px, seed)
    return replace(
        taps,
        knee=hand(taps.knee),
        hip=hand(taps.hip),
        ankle=taps.ankle and hand(taps.ankle),
        shoulder=taps.shoulder and hand(taps.shoulder),
        sleeve_end=taps.sleeve_end and hand(taps.sleeve_end),
    )


def off_head_on_taps(taps: HeadOnTaps, error_px: float, seed: int) -> HeadOnTaps:
    """The same from the front or from behind."""
    hand = _hand(error_px, seed)

    def edge(one: Edge) -> Edge:
        return Edge(hand(one.top), hand(one.bottom))

    return HeadOnTaps(
        plate_left=edge(taps.plate_left),
        plate_right=edge(taps.plate_right),
        ankle_left=hand(taps.ankle_left),
        ankle_right=hand(taps.ankle_right),
        knee_left=taps.knee_left and hand(taps.knee_left),
        knee_right=taps.knee_right and hand(taps.knee_right),
        belt=taps.belt and hand(taps.belt),
    )


def _hand(error_px: float, seed: int) -> Callable[[Pixel], Pixel]:
    random = np.random.default_rng(seed)

    def off(at: Pixel) -> Pixel:
        by = random.normal(0, error_px, 2)
        return at[0] + float(by[0]), at[1] + float(by[1])

    return off


HAND_PX = 1.5
"""A careful hand is off by about a centimetre."""


def taps_for(lifting: Lifting, request: SimulateRequest) -> TapsIn:
    """Where a careful hand taps in the first picture of a simulated film, never exactly."""
    return TapsIn(**asdict(off_taps(shot_for(lifting, request).taps, HAND_PX, request.seed)))


def head_on_taps_for(lifting: Lifting, request: SimulateRequest) -> HeadOnTapsIn:
    """The same from the front or from behind."""
    taps = head_on_shot_for(lifting, request).taps()
    return HeadOnTapsIn(**asdict(off_head_on_taps(taps, HAND_PX, request.seed)))
