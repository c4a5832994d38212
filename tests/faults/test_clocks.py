"""What is said later counts, whatever a clock said when the earlier fact was written."""

import psycopg
import pytest

from tests.api.helpers import PROFILE, add_lifter
from tests.api.planned import day_now, make

AHEAD = "2099-01-01T00:00:00Z"
BEST = {"exercise": "squat:low", "reps": 1, "done_on": str(day_now())}


@pytest.fixture
def ran_ahead(owner_url):
    """Every fact that a lifter has was written by a clock that was years ahead."""

    def set_ahead(*columns: str) -> None:
        with psycopg.connect(owner_url, autocommit=True) as connection:
            for column in columns:
                table, clock = column.split(".")
                connection.execute(f"update {table} set {clock} = %s", (AHEAD,))

    return set_ahead


def test_a_clock_set_back_hides_no_correction_of_a_lifter(coach, ran_ahead):
    lifter = f"/api/lifters/{add_lifter(coach)}"
    foot = {"landmark": "foot_length", "readings_m": [0.25]}
    screen = {"kind": "ankle", "readings": [20.0]}
    assert coach.post(f"{lifter}/measurements", foot).status_code in (200, 201)
    assert coach.post(f"{lifter}/screens", screen).status_code in (200, 201)
    assert coach.post(f"{lifter}/known-lifts", BEST | {"load_kg": 90}).status_code == 200
    ran_ahead(
        "lifter_profile.said_at", "measurement.taken_at", "screen.taken_at", "known_lift.said_at"
    )
    coach.post(f"{lifter}/profile", PROFILE | {"mass_kg": 64.5})
    coach.post(f"{lifter}/measurements", foot | {"readings_m": [0.26]})
    coach.post(f"{lifter}/screens", screen | {"readings": [33.0]})
    coach.post(f"{lifter}/known-lifts", BEST | {"load_kg": 95})
    said = coach.get(lifter).json()
    assert said["profile"]["mass_kg"] == 64.5
    assert [s["value"] for s in said["screens"] if s["kind"] == "ankle"] == [33.0]
    assert [k["load_kg"] for k in said["known"]] == [95.0]
    sheet = coach.get(f"{lifter}/measurements").json()["landmarks"]
    assert [one["readings_m"] for one in sheet if one["landmark"] == "foot_length"] == [[0.26]]


def test_a_clock_set_back_hides_no_newer_plan_and_no_choice_of_the_gym(coach, lifter, ran_ahead):
    make(coach, lifter)
    assert coach.send("PUT", "/api/equipment/kit", {"items": ["blocks"]}).status_code == 200
    ran_ahead("plan.made_at", "gym_kit.said_at")
    assert len(make(coach, lifter, weeks=9)["plan"]["weeks"]) == 9
    coach.send("PUT", "/api/equipment/kit", {"items": []})
    assert coach.get("/api/equipment/kit").json()["items"] == []
