"""Whatever the log accepts, every screen of the lifter still answers."""

import random

import pytest

from tests.api.helpers import a_set, add_lifter, seen
from tests.api.planned import ago

FAULTS = {
    "squat": [("hips-rise", "out of the hole"), ("high", "bottom"), ("butt-wink", "bottom")],
    "deadlift": [("hips-shoot", "off the floor"), ("floor-stall", "off the floor")],
}
FRAME = {"start": "2026-11-30", "weeks": 4, "weekdays": [0, 3]}


def every_screen(coach, lifter):
    """What does not answer, with its status."""
    of = f"/api/lifters/{lifter}"
    answers = {"plan": coach.post(f"{of}/plan/preview", FRAME).status_code}
    for path in ("/api/floor", f"/api/platform?lifter_id={lifter}", of, f"{of}/plan",
                 f"{of}/squat/ranking", f"{of}/deadlift/ranking", f"{of}/review?lift=squat",
                 f"{of}/review?lift=deadlift", f"{of}/variations/squat", f"{of}/levers",
                 f"{of}/diagnosis/squat/hips-rise"):  # fmt: skip
        answers[path] = coach.get(path).status_code
    return {path: status for path, status in answers.items() if status != 200}


def test_a_set_of_thirty_reps_leaves_every_screen_standing(coach, lifter):
    """The log takes up to 30 reps; the formulas of a max end at 20."""
    for lift, rpe in (("squat", 8.0), ("deadlift", 9.5), ("squat", None)):
        long = a_set(lift=lift, load_kg=60.0, reps=30, rpe=rpe, performed_at=ago(1))
        assert coach.post(f"/api/lifters/{lifter}/sets", long).status_code == 201
    assert every_screen(coach, lifter) == {}


def at_the_edge(chance):
    """A set whose every number is as small or as large as the log takes, or something between."""
    lift = chance.choice(["squat", "deadlift"])
    reps = chance.choice([0, 1, 3, 10, 20, 21, 30])
    missed = chance.choice([0, 0, 1, 30])
    faults = [
        seen(*chance.choice(FAULTS[lift]), rep=chance.randint(1, reps + missed or 1),
             severity=chance.randint(1, 3))
        for _ in range(chance.choice([0, 0, 1, 3]))
    ]  # fmt: skip
    variations = {
        "squat": ["competition", "front squat", "pause squat", "box squat"],
        "deadlift": ["competition", "deficit deadlift", "block pull", "sumo deadlift"],
    }
    return a_set(
        lift=lift, reps=reps, missed_reps=missed, faults=faults,
        variation=chance.choice(variations[lift]),
        load_kg=chance.choice([0.5, 15.0, 60.0, 140.0, 600.0]),
        rpe=chance.choice([None, 5.0, 6.0, 8.5, 10.0]),
        aimed_rpe=chance.choice([None, 5.0, 10.0]),
        pull_style=chance.choice([None, "rebound"]) if lift == "deadlift" else None,
        measures=chance.choice([{}, {"rep_speed_m_s": 0.05}, {"rep_speed_m_s": 3.0}]),
        performed_at=ago(chance.choice([0, 1, 14, 400, 9000])),
    )  # fmt: skip


@pytest.mark.parametrize("number", range(4))
def test_sets_at_the_edges_of_what_is_taken_leave_every_screen_standing(coach, gym, number):
    chance = random.Random(number)
    lifter, taken = add_lifter(coach, name=f"Edge {number}"), 0
    for _ in range(12):
        answer = coach.post(f"/api/lifters/{lifter}/sets", at_the_edge(chance))
        assert answer.status_code in (201, 409, 422), answer.text
        taken += answer.status_code == 201
    assert taken >= 4
    assert every_screen(coach, lifter) == {}
