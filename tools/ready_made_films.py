"""Film the clips that ship with Pavrik: three sets of invented lifters of the demo club, with
what a careful hand taps and the faults that were put in beside them.

    .venv/bin/python tools/ready_made_films.py
"""

import json
from dataclasses import dataclass, replace
from datetime import UTC, datetime

import cv2
from argon2 import PasswordHasher
from uuid6 import uuid7

from pavrik.core.competition_lifts import LiftId
from pavrik.demo.history import stable_id
from pavrik.demo.load import WHO, load_demo
from pavrik.film.camera.head_on import film_head_on
from pavrik.film.camera.shoot import film
from pavrik.formats.wire.watch_requests import ClipView, SimulateRequest, StandIn
from pavrik.services.watch import simulated
from pavrik.services.watch.lifting import lifting_of
from pavrik.services.watch.ready_made import HOME, MANIFEST
from pavrik.store.database import Database
from pavrik.store.setup import throwaway

SEED = 11
SMALL = {"grain": 1.0, "bits_per_pixel": 0.03}


@dataclass(frozen=True)
class ToFilm:
    """A set of an invented lifter, what shows in it, in words for the list."""

    name: str
    lifter: str
    lift: LiftId
    load_kg: float
    says: str
    view: ClipView = "side"
    faults: tuple[str, ...] = ()


FILMS = (
    ToFilm("squat-hips-rise", "Marlow Teague", "squat", 150.0,
           "two squats from the side, hips rising first", faults=("hips-rise",)),
    ToFilm("pull-honest", "Ingrid Vastergaard", "deadlift", 120.0,
           "two clean pulls from the side"),
    ToFilm("squat-knees-in", "Bastien Okafor-Lund", "squat", 140.0,
           "two squats from the front, knees falling in", view="front", faults=("knees-in",)),
)  # fmt: skip


def shoot(database: Database, one: ToFilm) -> dict[str, object]:
    """Film a set; what stands of it in the list."""
    lifter_id = stable_id("lifter", one.lifter)
    lifting = lifting_of(database, WHO, lifter_id, one.lift, one.load_kg, "")
    asked = SimulateRequest(
        film_id=uuid7(), lift=one.lift, view=one.view, load_kg=one.load_kg, reps=2,
        faults=one.faults, stand=StandIn(shake_px=0.5), seed=SEED,
    )  # fmt: skip
    path = HOME / f"{one.name}.webm"
    if one.view == "side":
        taps = simulated.taps_for(lifting, asked)
        side = simulated.shot_for(lifting, asked)
        side = replace(side, stand=replace(side.stand, **SMALL))
        steps = film(side, path, rests_on_back=lifting.linkage.carried == "back")
    else:
        taps = simulated.head_on_taps_for(lifting, asked)
        shot = simulated.head_on_shot_for(lifting, asked)
        steps = film_head_on(replace(shot, stand=replace(shot.stand, **SMALL)), path)
    for _ in steps:
        pass
    return {
        "name": one.name, "lifter_id": str(lifter_id), "lift": one.lift, "view": one.view,
        "load_kg": one.load_kg, "large_plates": simulated.large_plates(one.load_kg),
        "says": one.says, "reps": asked.reps, "faults": list(one.faults),
        "taps" if one.view == "side" else "head_on_taps": taps.model_dump(),
    }  # fmt: skip


def main() -> None:
    """Film them all anew."""
    cv2.setNumThreads(1)
    HOME.mkdir(exist_ok=True)
    with throwaway() as (_, app_url):
        database = Database(app_url)
        database.open()
        load_demo(database, PasswordHasher(), datetime.now(UTC))
        listed = [shoot(database, one) for one in FILMS]
        database.close()
    (HOME / MANIFEST).write_text(json.dumps(listed, indent=1) + "\n")


if __name__ == "__main__":
    main()
