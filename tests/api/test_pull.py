"""The pull over HTTP: ranking with its job, starts in full, costs, why not, map, settling, card."""

import pytest
from uuid6 import uuid7

from tests.api.helpers import a_set, add_lifter
from tests.api.test_story import finished

SETUP = {"style": "conventional", "stance_m": 0.30, "toe_out_deg": 12, "grip_m": 0.54}


@pytest.fixture(scope="module")
def lifter(coach):
    return add_lifter(coach, name="Pull Probe", sex="male", mass_kg=84.0, stature_m=1.77)


def at(lifter, route):
    return f"/api/lifters/{lifter}/deadlift/{route}"


def test_styles_stand_side_by_side_with_chances(coach, lifter):
    ranking = finished(coach, at(lifter, "ranking"))
    styles = {leader["setup"]["style"] for leader in ranking["leaders"]}
    assert {"conventional", "sumo", "trap_low"} <= styles
    first = ranking["leaders"][0]
    assert first["chance_best"] is not None
    assert first["travel_m"] > 0.3
    assert first["work_j"] > 500
    assert "upright back" in ranking["coach_rule"]
    assert ranking["both_lifts"].startswith("two lifts are needed")


def test_a_start_in_full(coach, lifter):
    body = {"setup": SETUP, "load_kg": 150}
    start = coach.post(at(lifter, "start"), body).json()
    assert start["reasons"] == []
    assert len(start["path"]["points"]["bar"]["z"]) == len(start["phases"])
    assert start["natural"]["rise_m"] > 0
    assert "ring" in start["grip"]["ring_words"]
    assert set(start["per_cm"]) == {"stance", "grip", "bar height"}
    far = body | {"setup": SETUP | {"bar_offset_m": 0.12}}
    assert any("too far" in r for r in coach.post(at(lifter, "start"), far).json()["reasons"])


def test_costs_map_deciding_and_why_not(coach, lifter):
    costs = coach.post(at(lifter, "costs"), {"setup": SETUP, "load_kg": 150}).json()["costs"]
    assert any("for nothing" in c["words"] for c in costs)
    for across in ("toe_out_deg", "bar_offset_m", "grip_m"):
        found = coach.post(at(lifter, f"map?across={across}"), {"setup": SETUP}).json()
        assert len(found["kg"]) == len(found["rows"])
    assert coach.get(at(lifter, "deciding")).json()["sentence"]
    stiff = add_lifter(coach, name="Stiff Puller", stature_m=1.80, mass_kg=85)
    coach.post(f"/api/lifters/{stiff}/screens", {"kind": "neutral_depth", "readings": [104]})
    closed = coach.get(at(stiff, "why-not?style=conventional")).json()
    assert not closed["feasible"]
    assert "blocks" in closed["remedies"][0]["words"]
    answer = coach.get(at(stiff, "ranking")).json()
    assert "conventional" in answer["why_not"]


def test_a_word_that_the_lift_does_not_know_is_answered_with_those_it_knows(coach, lifter):
    answer = coach.get(at(lifter, "why-not?style=zercher"))
    assert answer.status_code == 422
    assert "“zercher”" in answer.text
    assert "conventional" in answer.text
    row = coach.post(at(lifter, "map?across=shank_deg"), {"setup": SETUP})
    assert row.status_code == 422
    assert "bar_offset_m" in row.text


def test_a_goal_orders_the_straight_bar_styles(coach, lifter):
    own = coach.post(at(lifter, "goals"), {"weights": None}).json()
    assert own["goal"] == "competition"
    styles = {score["bar_position"] for score in own["scores"]}
    assert {"conventional", "sumo"} <= styles
    assert not any(style.startswith("trap") for style in styles)
    assert "deadlift" in own["sentence"]
    assert own["ladder"][-1]["name"] == "from the floor"
    spared = coach.post(at(lifter, "goals"), {"weights": {"sparing": 1.0}}).json()
    assert all(set(score["parts"]) == {"sparing"} for score in spared["scores"])
    assert {score["total"] for score in spared["scores"]} != {s["total"] for s in own["scores"]}


def test_settling_a_pull_reaches_the_card_the_rail_and_the_history(coach, lifter):
    assert coach.get(at(lifter, "settled")).json() is None
    body = {"setup_id": str(uuid7()), "setup": SETUP, "reason": "comfortable"}
    assert coach.post(at(lifter, "settled"), body).status_code == 201
    assert coach.get(at(lifter, "settled")).json()["stale_because"] == []
    card = coach.get(f"/api/lifters/{lifter}/card").json()
    assert card["deadlift"]["style"] == "conventional"
    assert "laces" in card["deadlift"]["foot_words"]
    assert coach.get(f"/api/lifters/{lifter}").json()["stages"]["deadlift"]["state"] == "settled"
    school = {"question": "pull_shoulders", "position": "over"}
    coach.post(f"/api/lifters/{lifter}/schools", school)
    stale = coach.get(at(lifter, "settled")).json()["stale_because"]
    assert stale == ["school: shoulders"]
    assert len(coach.get(at(lifter, "settled/history")).json()) == 1
    wrong = body | {"setup_id": str(uuid7()), "setup": SETUP | {"bar_offset_m": 0.2}}
    assert coach.post(at(lifter, "settled"), wrong).status_code == 422


def test_pulls_and_squats_explain_each_other(coach):
    both = add_lifter(coach, name="Both Lifts", sex="male", mass_kg=90, stature_m=1.80)
    path = f"/api/lifters/{both}/sets"
    coach.post(path, a_set(load_kg=180, reps=2, rpe=9))
    coach.post(path, a_set(lift="deadlift", load_kg=190, reps=2, rpe=9, pull_style="dead_stop"))
    ranking = coach.get(at(both, "ranking")).json()
    assert ranking["strengths"] == "indicative"
    assert "one set of strengths" in ranking["both_lifts"]
    squat = coach.get(f"/api/lifters/{both}/squat/ranking").json()
    assert squat["lifts_told"] == ranking["lifts_told"]


def test_the_public_computations_take_pulls(coach):
    body = {"sex": "male", "mass_kg": 83, "stature_m": 1.75}
    pose = {"lift": "deadlift", "body": body, "setup": SETUP, "load_kg": 180}
    answer = coach.post("/api/compute/pose", pose).json()
    assert answer["feasible"]
    assert set(answer["points"]) == {"ankle", "knee", "hip", "shoulder", "bar"}
    fit = {"lift": "deadlift", "body": body, "grid": {"style": ["conventional", "sumo"]}}
    found = coach.post("/api/compute/fit", fit).json()
    assert set(found["best_of_style"]) == {"conventional", "sumo"}
    wrong = coach.post("/api/compute/pose", pose | {"lift": "clean"})
    assert wrong.status_code == 422
