"""Whatever is told of a lifter's body and bests, every screen still answers or says why not."""

import random

import pytest

from pavrik.core.body.measurement import LANDMARKS
from tests.api.helpers import a_set, add_lifter
from tests.api.planned import ago
from tests.api.test_any_log import every_screen

SCREENS = ("ankle", "neutral_depth", "hip", "hip_rotation", "hop", "box", "shelf", "grip_low",
           "grip_high", "grip_front")  # fmt: skip
REGIONS = ("lower back", "knee", "shoulder", "hip")
STYLES = {"squat": "squat:low", "deadlift": "deadlift:conventional"}
TAKEN = (200, 201)


def tell(coach, of, path, body):
    """Whether a fact was taken; else it was refused with a sentence."""
    answer = coach.post(f"{of}/{path}", body)
    assert answer.status_code in (*TAKEN, 409, 422), (path, body, answer.text)
    return answer.status_code in TAKEN


@pytest.mark.parametrize("number", range(4))
def test_bodies_at_the_edges_of_what_is_taken_leave_every_screen_standing(coach, gym, number):
    chance = random.Random(number)
    mass_kg = chance.choice([35.0, 60.0, 120.0, 250.0])
    lifter = add_lifter(
        coach, name=f"Body {number}", mass_kg=mass_kg, sex=chance.choice(["male", "female"]),
        stature_m=chance.choice([1.40, 1.70, 2.20]),
        training_age=chance.choice(["novice", "trained", "advanced"]),
        goal=chance.choice(["competition", "strength", "muscle"]),
    )  # fmt: skip
    of, taken = f"/api/lifters/{lifter}", 0
    for landmark in chance.sample(LANDMARKS, 5):
        length = chance.choice([0.01, 0.05, 0.2, 0.4, 0.6, 0.9])
        told = {"landmark": landmark.id, "readings_m": [length], "kept_because": "as read"}
        taken += tell(coach, of, "measurements", told)
    for kind in chance.sample(SCREENS, 5):
        value = chance.choice([0.0, 0.3, 0.8, 1.2, 10.0, 45.0, 90.0, 180.0])
        readings = [] if chance.random() < 0.2 else [value]
        taken += tell(coach, of, "screens", {"kind": kind, "readings": readings})
    if chance.random() < 0.5:
        taken += tell(coach, of, "flags", {"region": chance.choice(REGIONS)})
    for lift in ("squat", "deadlift"):
        load_kg = round(chance.choice([0.1, 1.5, 4.0]) * mass_kg, 1)
        known = {"exercise": STYLES[lift], "load_kg": load_kg,
                 "reps": chance.choice([1, 20]), "rpe": chance.choice([None, 5.0, 10.0]),
                 "done_on": "2026-01-10"}  # fmt: skip
        assert tell(coach, of, "known-lifts", known)
        logged = a_set(lift=lift, load_kg=chance.choice([20.0, 300.0]), performed_at=ago(2))
        assert coach.post(f"{of}/sets", logged).status_code == 201
    assert taken >= 3
    assert every_screen(coach, lifter) == {}
