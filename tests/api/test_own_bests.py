"""The best sets that strengths are told from: those of every style, found without reading all."""

import random
from uuid import UUID

import psycopg
import pytest

from pavrik.core.log.training_set import best_sets
from pavrik.services.lifters import model_inputs
from pavrik.services.training.history import logged_sets
from pavrik.store import training
from tests.api.helpers import a_set, add_lifter, seen
from tests.api.planned import ago

OUT = {"squat": ("high", "bottom"), "deadlift": ("floor-stall", "off the floor")}


@pytest.fixture(scope="module")
def logged(coach):
    """A lifter of forty random sets, many of them with a fault that takes them out of the count."""
    lifter, chance = add_lifter(coach, name="Many Sets"), random.Random(4)
    for number in range(40):
        lift = chance.choice(["squat", "deadlift"])
        out = seen(*OUT[lift], severity=3)
        heavy = number % 4 != 0
        body = a_set(
            lift=lift, load_kg=chance.choice([120, 130, 140] if heavy else [70, 80, 90]),
            reps=chance.randint(1, 8), rpe=chance.choice([None, 5.0, 7.0, 8.5, 10.0]),
            variation="front squat" if lift == "squat" and number % 3 == 0 else "competition",
            performed_at=ago(50 - number), faults=[out] if heavy and number % 5 else [],
        )  # fmt: skip
        assert coach.post(f"/api/lifters/{lifter}/sets", body).status_code == 201
    return UUID(lifter)


@pytest.mark.parametrize("looked_at", [1, 8, 100])
def test_the_best_of_each_style_is_the_one_that_a_look_at_every_set_finds(
    server, empty_name, open_database, owner_url, logged, monkeypatch, looked_at
):
    monkeypatch.setattr(model_inputs, "LOOKED_AT", looked_at)
    with psycopg.connect(owner_url) as owner:
        club = owner.execute("select club_id from lifter where lifter_id = %s", (logged,))
        (club_id,) = club.fetchone()
    with open_database(server.app_url(empty_name)).club(club_id) as connection:
        found = model_inputs.load_inputs(connection, logged).request.known_bests
        kept = {str(one.set_id): one for one in training.list_sets(connection, logged)}
        every = logged_sets(connection, logged, list(kept.values()))
    styled = [
        ((kept[one.set_id].lift, kept[one.set_id].variation), one)
        for one in every
        if kept[one.set_id].variation in ("competition", "front squat")
    ]
    best = best_sets(styled)
    assert len(best) == 3
    expected = sorted((says.logged.load_kg, min(says.logged.reps, 10)) for says in best.values())
    assert sorted((one.load_kg, one.reps) for one in found) == expected
