"""Review, diagnosis, cues, tests and the floor questions over HTTP, and the coach's own library."""

import numpy as np
import pytest
from uuid6 import uuid7

from tests.api.helpers import a_set, add_lifter, seen

DAYS = [f"2026-{month:02d}-{day:02d}" for month in (8, 9, 10) for day in (3, 8, 13, 18, 23)]


@pytest.fixture(scope="module")
def logged(coach):
    """A lifter whose heels lift from about 85 % of a 125 kg squat on, logged over 15 days."""
    lifter_id = add_lifter(coach, name="Onset Probe")
    random = np.random.default_rng(5)
    items = []
    for day in DAYS:
        for load in (70.0, 90.0, 100.0, 107.5, 115.0):
            chance = 1 / (1 + np.exp(-0.25 * (load - 106)))
            reps = 3 if load > 105 else 5
            faults = [
                seen("heels-up", "bottom", rep + 1)
                for rep in range(reps)
                if random.random() < chance
            ]
            body = a_set(load_kg=load, reps=reps, rpe=9.5 if load > 110 else 7.0, faults=faults,
                         performed_at=f"{day}T17:00:00Z")  # fmt: skip
            items.append({"kind": "set", "key": str(uuid7()), "lifter_id": lifter_id, "set": body})
    assert coach.post("/api/outbox", {"items": items}).status_code == 200
    return lifter_id


def test_the_review_knows_the_onset(coach, logged):
    review = coach.get(f"/api/lifters/{logged}/review?lift=squat").json()
    fault = review["faults"][0]
    assert fault["fault_id"] == "heels-up"
    assert fault["onset"]["verdict"] == "known"
    assert fault["onset"]["half"]["load_kg"] == pytest.approx(106, abs=5)
    assert fault["onset"]["fifth"]["low_kg"] < fault["onset"]["fifth"]["load_kg"]
    assert sum(rate["reps"] for rate in fault["by_rep"]) == review["reps"]
    assert review["decision"]


def test_the_review_of_nothing_says_what_to_do(coach):
    review = coach.get(f"/api/lifters/{add_lifter(coach)}/review").json()
    assert review["sets"] == 0
    assert "Nothing is logged yet" in review["decision"]


def test_a_diagnosis_ranks_causes_and_a_logged_test_outweighs_the_rest(coach, logged):
    path = f"/api/lifters/{logged}/diagnosis/squat/heels-up"
    before = coach.get(path).json()
    assert before["causes"]
    assert all(cause["standing"] in ("likely", "possible") for cause in before["causes"])
    assert any("below 75 % of the max" in line for c in before["causes"] for line in
               c["for_it"] + c["against_it"])  # fmt: skip
    last = before["causes"][-1]["cause_id"]
    test = {
        "test_id": str(uuid7()), "fault_id": "heels-up", "cause_id": last, "result": "for",
        "tested_at": "2026-11-20T17:00:00Z",
    }  # fmt: skip
    assert coach.post(f"/api/lifters/{logged}/tests", test).status_code == 201
    after = coach.get(path).json()
    assert after["causes"][0]["cause_id"] == last
    assert after["causes"][0]["standing"] == "confirmed"


def test_a_test_of_a_cause_that_is_none_is_refused(coach, logged):
    test = {
        "test_id": str(uuid7()), "fault_id": "heels-up", "cause_id": "fear", "result": "for",
        "tested_at": "2026-11-20T17:00:00Z",
    }  # fmt: skip
    answer = coach.post(f"/api/lifters/{logged}/tests", test)
    assert answer.status_code == 422
    assert "not a cause of heels-up" in answer.json()["detail"]


def test_a_pain_flag_stops_the_diagnosis(coach):
    lifter_id = add_lifter(coach)
    flag = {"region": "knee", "note": "Sore."}
    assert coach.post(f"/api/lifters/{lifter_id}/flags", flag).status_code == 200
    answer = coach.get(f"/api/lifters/{lifter_id}/diagnosis/squat/knees-in").json()
    assert "licensed clinician" in answer["stop"]
    walk = coach.post(f"/api/lifters/{lifter_id}/floor-walk", {}).json()
    assert walk["stop"] is True


def test_one_cue_is_tried_at_a_time_and_stands_on_the_platform(coach, logged):
    send = f"/api/lifters/{logged}/cues"
    for cue in ("midfoot-cue", "spread-floor"):
        body = {"choice_id": str(uuid7()), "lift": "squat", "cue": cue}
        assert coach.post(send, body).status_code == 201
    card = coach.get(f"/api/lifters/{logged}/card").json()
    assert card["cues"][0] == "Screw the feet into the floor and push it apart."
    wrong = {"choice_id": str(uuid7()), "lift": "squat", "cue": "rows"}
    assert coach.post(send, wrong).status_code == 422


def test_the_floor_walk_takes_what_the_coach_says(coach):
    lifter_id = add_lifter(coach)
    said = {"attempt_kg": 205.0, "best_single_kg": 180.0}
    walk = coach.post(f"/api/lifters/{lifter_id}/floor-walk", said).json()
    assert walk["likely"] == "heavy"
    assert "a jump like that says nothing" in walk["verdict"]


OWN = {
    "format": "pavrik-library", "version": 1,
    "entries": [
        {"kind": "fault", "ident": "own-chin-up", "body": {
            "lift": "squat", "name": "Chin up", "seen": "Looks at the ceiling.",
            "phases": ["descent"], "causes": ["own-habit"]}},
        {"kind": "cause", "ident": "own-habit", "body": {
            "text": "A habit", "test": "One set with a ball under the chin",
            "remedies": ["own-chin-cue"], "faults": ["own-chin-up"]}},
        {"kind": "remedy", "ident": "own-chin-cue", "body": {
            "kind": "cue", "text": "Tuck the chin as if holding a peach.", "aim": "body",
            "purpose": "descent", "causes": ["own-habit"]}},
    ],
}  # fmt: skip


def test_a_coachs_own_library_works_like_the_shipped_one(coach, stranger):
    assert coach.post("/api/library/own", OWN).json() == {"kept": 3}
    catalogue = coach.get("/api/catalogue").json()
    assert "own-chin-up" in {fault["id"] for fault in catalogue["faults"]}
    assert set(catalogue["own"]) == {"own-chin-up", "own-habit", "own-chin-cue"}
    lifter_id = add_lifter(coach)
    body = a_set(faults=[seen("own-chin-up", "descent")])
    assert coach.post(f"/api/lifters/{lifter_id}/sets", body).status_code == 201
    assert "own-chin-up" not in {f["id"] for f in stranger.get("/api/catalogue").json()["faults"]}
    exported = coach.get("/api/library/own").json()
    assert stranger.post("/api/library/own", exported).json() == {"kept": 3}


@pytest.mark.parametrize(
    ("change", "words"),
    [
        ({"causes": ["ghost"]}, "no cause ghost"),
        ({"phases": ["lunch"]}, "no phase lunch"),
    ],
)
def test_a_broken_entry_keeps_nothing(coach, change, words):
    fault = {**OWN["entries"][0]["body"], **change}
    entries = [{"kind": "fault", "ident": "own-broken", "body": fault}]
    answer = coach.post("/api/library/own", {"entries": entries})
    assert answer.status_code == 422
    assert words in answer.json()["detail"]
    assert "own-broken" not in coach.get("/api/catalogue").text


def test_a_shipped_fault_can_be_hidden_but_not_rewritten(coach):
    hide = {"entries": [{"kind": "fault", "ident": "blind-rerack", "hidden": True}]}
    assert coach.post("/api/library/own", hide).status_code == 200
    assert "blind-rerack" in coach.get("/api/catalogue").json()["hidden"]
    fault = {**OWN["entries"][0]["body"]}
    change = {"entries": [{"kind": "fault", "ident": "blind-rerack", "body": fault}]}
    assert coach.post("/api/library/own", change).status_code == 422


def test_a_light_bar_s_bow_is_logged_and_counts_as_no_fault(coach):
    lifter = add_lifter(coach, name="Bow Probe", mass_kg=80.0)

    def drift(kg, severity):
        said = seen("bar-forward", "out of the hole", 1) | {"severity": severity}
        body = a_set(load_kg=kg, faults=[said])
        assert coach.post(f"/api/lifters/{lifter}/sets", body).status_code == 201

    def counted():
        told = coach.get(f"/api/lifters/{lifter}/review?lift=squat").json()
        return sum(f["faulty"] for f in told["faults"] if f["fault_id"] == "bar-forward")

    drift(60.0, 1)
    assert counted() == 0, "what balance asks of a light bar"
    logged = coach.get(f"/api/lifters/{lifter}/sets").json()
    assert logged[0]["faults"], "what was seen stays in the log"
    drift(60.0, 2)
    drift(140.0, 1)
    assert counted() == 2
