"""The answer never came: all is sent again, in any order, from two devices, and is there once."""

import random

from uuid6 import uuid7

from tests.api.helpers import a_set, add_lifter

SETS, BATCH = 1000, 50


def test_a_thousand_sets_whose_answers_are_lost_are_logged_once(coach, browser):
    lifter = add_lifter(coach)
    items = [
        {
            "kind": "set", "key": str(uuid7()), "lifter_id": lifter,
            "set": a_set(load_kg=60.0 + number % 100),
        }
        for number in range(SETS)
    ]  # fmt: skip
    tablet = browser()
    assert tablet.sign_in("owner@first.example").status_code == 200
    batches = [items[first : first + BATCH] for first in range(0, SETS, BATCH)]
    shuffled = random.Random(1)
    sent = [*batches, *shuffled.sample(batches, len(batches)), shuffled.sample(items, BATCH)]
    for number, batch in enumerate(sent):
        device = (coach, tablet)[number % 2]
        answer = device.post("/api/outbox", {"items": batch})
        assert answer.status_code == 200, answer.text
        assert {fate["fate"] for fate in answer.json()["fates"]} == {"kept"}
    logged = coach.get("/api/log.csv", params={"lifter_id": lifter}).text.splitlines()
    assert len(logged) == SETS + 1
