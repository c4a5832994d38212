"""Clips of the invented lifters: what films of the last weeks would have said."""

from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Any
from uuid import UUID

from pavrik.core.competition_lifts import LIFT_IDS, LiftId
from pavrik.demo.history import stable_id
from pavrik.film.camera.head_on import seen_head_on
from pavrik.film.camera.seen import seen_clip
from pavrik.formats.wire.watch_requests import ClipFacts, ClipView, SimulateRequest, StandIn
from pavrik.services.context import Who
from pavrik.services.watch.clips import AnyClip, keep_clip
from pavrik.services.watch.lifting import Lifting, lifting_of
from pavrik.services.watch.simulated import head_on_shot_for, large_plates, shot_for
from pavrik.store.database import Database


@dataclass(frozen=True)
class Filmed:
    """A set on film: how many days ago, how heavy (share of the max), with which faults."""

    name: str
    lift: LiftId
    days_ago: int
    load_share: float
    reps: int
    faults: tuple[str, ...] = ()
    view: ClipView = "side"
    style: str = ""


_SQUAT, _DEADLIFT = LIFT_IDS
FILMED = (
    Filmed("Marlow Teague", _SQUAT, 16, 0.5, 5),
    Filmed("Marlow Teague", _SQUAT, 9, 0.72, 3),
    Filmed("Marlow Teague", _SQUAT, 4, 0.86, 2, ("hips-rise",)),
    Filmed("Ingrid Vastergaard", _DEADLIFT, 6, 0.84, 2, ("hips-shoot",)),
    Filmed("Ingrid Vastergaard", _SQUAT, 5, 0.9, 2, ("hip-shift",), "rear"),
    Filmed("Bastien Okafor-Lund", _SQUAT, 3, 0.9, 2, ("knees-in",), "front"),
    Filmed("Marlow Teague", _SQUAT, 5, 0.64, 3),
    Filmed("Ingrid Vastergaard", _DEADLIFT, 6, 0.7, 2, style="sumo"),
)


def film_lifters(
    database: Database, who: Who, people: dict[str, Any], ids: dict[str, UUID], now: datetime
) -> None:
    """Keep every clip, oldest first."""
    for number, filmed in enumerate(FILMED):
        person, lifter_id = people[filmed.name], ids[filmed.name]
        most_kg = getattr(person, f"{filmed.lift}_max_kg")
        load_kg = 2.5 * round(most_kg * filmed.load_share / 2.5)
        lifting = lifting_of(database, who, lifter_id, filmed.lift, load_kg, filmed.style)
        asked = SimulateRequest(
            film_id=stable_id("film", number), lift=filmed.lift, load_kg=load_kg, reps=filmed.reps,
            faults=filmed.faults, stand=StandIn(shake_px=0, off_side_deg=2.0), seed=number,
            view=filmed.view,
        )  # fmt: skip
        clip = _seen(lifting, asked, number)
        facts = ClipFacts(
            clip_id=stable_id("clip", number), lift=filmed.lift, load_kg=load_kg,
            filmed_on=(now - timedelta(days=filmed.days_ago)).date(),
            large_plates=large_plates(load_kg), style=filmed.style,
        )  # fmt: skip
        keep_clip(database, who, lifter_id, facts, "simulated", clip)


def _seen(lifting: Lifting, asked: SimulateRequest, seed: int) -> AnyClip:
    if asked.view == "side":
        return seen_clip(shot_for(lifting, asked), seed=seed)
    return seen_head_on(head_on_shot_for(lifting, asked), seed=seed)
