"""Bests that were told, the shelf of a beginner, and a trial from its verdict to the winner."""

from datetime import timedelta

import pytest
from uuid6 import uuid7

from tests.api.helpers import a_set, add_lifter
from tests.api.planned import ago, day_now, frame, lines_of, make

LOW = {"bar_position": "low", "stance_m": 0.44, "toe_out_deg": 20}
HIGH = {"bar_position": "high", "stance_m": 0.44, "toe_out_deg": 20}


def tell(coach, lifter, exercise, load_kg, **more):
    body = {"exercise": exercise, "load_kg": load_kg, "done_on": str(day_now()), **more}
    return coach.post(f"/api/lifters/{lifter}/known-lifts", body)


def begin(coach, lifter, **changes):
    body = {
        "trial_id": str(uuid7()), "setup_a": LOW, "setup_b": HIGH, "sessions_each": 4, "sets": 2,
        "reps": 3, "load_kg": 110.0, **changes,
    }  # fmt: skip
    return body["trial_id"], coach.post(f"/api/lifters/{lifter}/squat/trials", body)


def test_told_bests_give_an_empty_log_real_kilos(coach, gym):
    lifter = add_lifter(coach)
    before = coach.post(f"/api/lifters/{lifter}/plan/preview", frame()).json()
    later = [x for x in lines_of(before) if x["kind"] == "main" and not x["until_rpe"]]
    assert later
    assert all(x["load_kg"] is None for x in later), "nothing is known but the way up"
    assert tell(coach, lifter, "squat:low", 150.0).status_code == 200
    assert tell(coach, lifter, "deadlift:conventional", 180.0, reps=2).status_code == 200
    after = coach.post(f"/api/lifters/{lifter}/plan/preview", frame()).json()
    mains = [x for x in lines_of(after) if x["kind"] == "main"]
    assert all(x["load_kg"] and not x["until_rpe"] for x in mains)
    assert 85 < next(x["load_kg"] for x in mains if x["lift"] == "squat") < 135
    known = coach.get(f"/api/lifters/{lifter}").json()["known"]
    assert [(k["name"], k["load_kg"]) for k in known] == [
        ("conventional deadlift", 180.0), ("low bar squat", 150.0),
    ]  # fmt: skip
    ranking = coach.get(f"/api/lifters/{lifter}/squat/ranking").json()
    assert ranking["strengths"] == "indicative"


def test_a_told_best_is_taken_back_by_a_newer_fact(coach):
    lifter = add_lifter(coach)
    assert tell(coach, lifter, "test:leg_extension", 90.0, reps=8).status_code == 200
    assert len(coach.get(f"/api/lifters/{lifter}").json()["known"]) == 1
    assert tell(coach, lifter, "test:leg_extension", None).status_code == 200
    assert coach.get(f"/api/lifters/{lifter}").json()["known"] == []


@pytest.mark.parametrize(("exercise", "load_kg", "more", "says"), [
    ("squat:low", 700.0, {}, "pounds"),
    ("squat:sideways", 100.0, {}, "no exercise"),
    ("squat:low", 100.0, {"done_on": str(day_now() + timedelta(days=2))}, "still to come"),
])  # fmt: skip
def test_a_best_that_cannot_have_been_is_refused_with_a_sentence(
    coach, lifter, exercise, load_kg, more, says
):
    answer = tell(coach, lifter, exercise, load_kg, **more)
    assert answer.status_code == 422
    assert says in answer.text


def test_a_beginners_bar_goes_low_once_it_rests_there(coach):
    lifter = add_lifter(coach, training_age="novice")
    open_now = {leader["setup"]["bar_position"] for leader in leaders(coach, lifter)}
    assert open_now <= {"high", "front"}
    body = {"kind": "shelf", "readings": [1]}
    assert coach.post(f"/api/lifters/{lifter}/screens", body).status_code == 200
    assert "low" in {leader["setup"]["bar_position"] for leader in leaders(coach, lifter)}


def leaders(coach, lifter):
    return coach.get(f"/api/lifters/{lifter}/squat/ranking").json()["leaders"]


def test_a_goal_says_what_comes_first_and_what_time_allows(coach, lifter):
    path = f"/api/lifters/{lifter}/squat/goals"
    own = coach.post(path, {}).json()
    assert own["first"]
    assert not own["told"]
    named = coach.post(path, {"weights": {"muscle": 1.0}, "target": "lower back"}).json()
    assert named["told"]
    assert "lower back" in named["heading"]
    hasty = coach.post(path, {"weeks": 2}).json()["ladder"]
    assert not any(rung["ready"] for rung in hasty if rung["barbell"])
    pulls = coach.post(f"/api/lifters/{lifter}/deadlift/goals", {}).json()["ladder"]
    assert pulls[-1]["name"] == "from the floor"


def test_a_trial_from_the_verdict_to_the_winner(coach, gym):
    lifter = add_lifter(coach)
    tell(coach, lifter, "squat:low", 140.0)
    tell(coach, lifter, "deadlift:conventional", 170.0)
    make(coach, lifter, weeks=12)
    trial_id, began = begin(coach, lifter)
    assert began.status_code == 201, began.text
    assert begin(coach, lifter)[1].status_code == 409, "one at a time"
    pending = coach.get(f"/api/lifters/{lifter}/plan").json()["pending"]
    assert any("trial, session 1 of 8" in r["text"] for c in pending for r in c["reasons"])
    took = coach.post(f"/api/lifters/{lifter}/plan/reflow", {"plan_id": str(uuid7())})
    assert took.status_code == 200, took.text
    plan = coach.get(f"/api/lifters/{lifter}/plan").json()
    own = [x for x in lines_of(plan) if x["note"].startswith("trial")]
    assert [x["note"][6] for x in own] == ["A", "B", "B", "A", "A", "B", "B", "A"]
    assert {(x["load_kg"], x["sets"], x["reps"]) for x in own} == {(110.0, 2, 3)}

    for session, back in enumerate(range(32, 0, -4)):
        easier = session % 4 in (1, 2)
        logged = a_set(load_kg=110.0, reps=3, rpe=7.0 if easier else 8.5, performed_at=ago(back))
        assert coach.post(f"/api/lifters/{lifter}/sets", logged).status_code == 201
    [trial] = coach.get(f"/api/lifters/{lifter}/trials").json()
    assert trial["verdict"] == "too few sessions", "what was done before it began is none of it"
    assert coach.post(f"/api/trials/{trial_id}/end", {"outcome": "b"}).status_code == 200
    settled = coach.get(f"/api/lifters/{lifter}/squat/settled").json()
    assert settled["setup"]["bar_position"] == "high"
    assert coach.post(f"/api/trials/{trial_id}/end", {"outcome": "a"}).status_code == 409
    [ended] = coach.get(f"/api/lifters/{lifter}/trials").json()
    assert (ended["outcome"], ended["next_arm"]) == ("b", None)


def test_sets_of_a_trial_are_marked_with_their_set_up(coach):
    lifter = add_lifter(coach)
    begin(coach, lifter)
    for load_kg in (110.0, 60.0):
        logged = a_set(load_kg=load_kg, reps=3, rpe=8.0, performed_at=ago(0))
        assert coach.post(f"/api/lifters/{lifter}/sets", logged).status_code == 201
    sets = coach.get(f"/api/lifters/{lifter}/sets").json()
    assert {s["load_kg"]: s["trial_arm"] for s in sets} == {110.0: "a", 60.0: None}
    [trial] = coach.get(f"/api/lifters/{lifter}/trials").json()
    assert (trial["next_session"], trial["next_arm"]) == (2, "b")
    row = next(r for r in coach.get("/api/floor").json() if r["lifter_id"] == lifter)
    assert all(need["kind"] != "trial" for need in row["needs"]), "nothing is settled yet"


def test_what_cannot_be_tried_is_refused(coach, lifter):
    same = begin(coach, lifter, setup_b=LOW)[1]
    assert same.status_code == 422
    assert "same" in same.text
    wide = begin(coach, lifter, setup_b={**LOW, "stance_m": 1.2})[1]
    assert wide.status_code == 422
    assert "cannot be held" in wide.text
    assert coach.post(f"/api/trials/{uuid7()}/end", {"outcome": "none"}).status_code == 404
