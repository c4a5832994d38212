"""The squat studied over HTTP: jobs, costs, why not, maps, paths, depth, goals, the gym."""

import pytest
from uuid6 import uuid7

from tests.api.helpers import add_lifter, job_states

SETUP = {"bar_position": "low", "stance_m": 0.42, "toe_out_deg": 22.0}


@pytest.fixture(scope="module")
def lifter(coach):
    return add_lifter(coach, name="Study Probe", mass_kg=70.0, goal="sport", gear="suit")


def at(lifter, route):
    return f"/api/lifters/{lifter}/squat/{route}"


def test_sureness_runs_as_a_job_and_is_kept(coach, lifter):
    first = coach.get(at(lifter, "ranking")).json()
    assert first["leaders"][0]["chance_best"] is None
    job = first["job"]
    assert job["state"] == "running"
    seen = [*job_states(coach, job)]
    assert seen[-1]["state"] == "done"
    progress = [s["progress"] for s in seen]
    assert progress == sorted(progress)
    whole = coach.get(at(lifter, "ranking")).json()
    assert whole["job"] is None
    assert first["verdict"]["kind"] == "undecided"
    assert whole["verdict"]["kind"] in (
        "does_not_matter",
        "clear",
        "measure_first",
        "worth_a_trial",
    )
    told = sum(family["chance_best"] for family in whole["families"])
    assert told + whole["none_clearly_best"] == pytest.approx(1.0)
    low, high = whole["leaders"][0]["stance_range_m"]
    assert low <= whole["leaders"][0]["setup"]["stance_m"] <= high


def test_a_job_can_be_cancelled_and_asked_for_again(coach):
    other = add_lifter(coach, name="Cancel Probe", mass_kg=81.0)
    job = coach.get(at(other, "ranking")).json()["job"]["job_id"]
    cancelled = coach.send("DELETE", f"/api/jobs/{job}").json()
    assert cancelled["state"] in ("cancelled", "done")
    again = coach.get(at(other, "ranking")).json()
    assert again["job"] is None or again["job"]["job_id"] != job


def test_costs_come_with_words_kilograms_and_a_pose(coach, lifter):
    body = {"setup": SETUP, "load_kg": 70, "amounts": {"hips-rise": 0.08}}
    costs = coach.post(at(lifter, "costs"), body).json()["costs"]
    hips = next(c for c in costs if c["fault_id"] == "hips-rise")
    assert hips["words"].startswith("hips 8 cm up")
    assert hips["lost_kg"] == pytest.approx(hips["before_kg"] - hips["after_kg"])
    assert len(hips["drawn"]["points"]["hip"]["x"]) == 1
    wide = body | {"setup": SETUP | {"stance_m": 1.4}, "amounts": {}}
    infeasible = coach.post(at(lifter, "costs"), wide).json()
    assert infeasible["costs"] == []
    assert any("140 cm apart the thigh does not reach" in r for r in infeasible["reasons"])


def test_paths_depth_and_maps(coach, lifter):
    paths = coach.post(at(lifter, "paths"), {"setup": SETUP, "load_kg": 70}).json()
    assert paths["plumb_from_kg"] == 105
    assert any(p["load_kg"] == 70 for p in paths["ladder"])
    depth = coach.post(at(lifter, "depth"), {"setup": SETUP}).json()
    assert len(depth["stance_m"]) == len(depth["below_parallel_m"])
    for across in ("bar_position", "toe_out_deg", "shank_deg"):
        found = coach.post(at(lifter, f"map?across={across}"), {"setup": SETUP}).json()
        assert len(found["kg"]) == len(found["rows"]) == len(found["limit"])


def test_why_not_after_a_stiff_screen(coach):
    stiff = add_lifter(coach, name="Stiff Probe", stature_m=1.78, mass_kg=82)
    path = f"/api/lifters/{stiff}/screens"
    coach.post(path, {"kind": "ankle", "readings": [13, 15]})
    coach.post(path, {"kind": "neutral_depth", "side_picture": {"thigh_deg": 4, "lean_deg": 38}})
    record = coach.get(f"/api/lifters/{stiff}").json()
    values = {s["kind"]: s["value"] for s in record["screens"]}
    assert values == {"ankle": 14, "neutral_depth": 132}
    answer = coach.get(at(stiff, "why-not?style=low")).json()
    assert not answer["feasible"]
    assert answer["binding"]
    assert answer["remedies"]


def test_the_goal_and_the_gear_speak(coach, lifter):
    goals = coach.post(at(lifter, "goals"), {}).json()
    assert goals["goal"] == "sport"
    assert sum(goals["weights"].values()) == pytest.approx(1.0)
    assert any("suit" in line for line in goals["advice"])
    own = coach.post(at(lifter, "goals"), {"weights": {"learning": 1.0}}).json()
    assert own["weights"] == {"learning": 1.0}
    deciding = coach.get(at(lifter, "deciding")).json()
    assert deciding["sentence"]


def test_settled_set_ups_have_a_history(coach, lifter):
    for stance in (0.40, 0.44):
        body = {"setup_id": str(uuid7()), "setup": SETUP | {"stance_m": stance}, "reason": "why"}
        assert coach.post(at(lifter, "settled"), body).status_code == 201
    history = coach.get(at(lifter, "settled/history")).json()
    assert [h["setup"]["stance_m"] for h in history] == [0.44, 0.40]


def test_a_box_school_without_a_box_says_so(coach):
    boxed = add_lifter(coach, name="Box Probe")
    coach.post(f"/api/lifters/{boxed}/schools", {"question": "squat_depth", "position": "box"})
    refused = coach.get(at(boxed, "ranking"))
    assert refused.status_code == 422
    assert "measure the box" in refused.json()["detail"]
    coach.post(f"/api/lifters/{boxed}/screens", {"kind": "box", "readings": [0.36]})
    assert coach.get(at(boxed, "ranking")).status_code == 200


def test_a_specialty_bar_is_fitted_and_its_holes_follow(coach, lifter):
    yoke = SETUP | {
        "bar_position": "high",
        "specialty": {
            "name": "Yoke", "beyond_shoulder_m": 0.045, "forward_m": 0.02, "holds_lean_deg": 34,
            "handles": True,
        },
    }  # fmt: skip
    exact = coach.post(at(lifter, "exact"), {"setup": yoke, "load_kg": 70}).json()
    plain = coach.post(
        at(lifter, "exact"), {"setup": SETUP | {"bar_position": "high"}, "load_kg": 70}
    ).json()
    lean = [a["bottom"]["angles_deg"]["trunk_lean"][0] for a in (exact, plain)]
    assert lean[0] < lean[1]
    furniture = coach.post(at(lifter, "furniture"), {"setup": yoke, "load_kg": 70}).json()
    assert furniture["grip"]["ring_words"] == "hands on the handles"


def test_the_gym_is_measured_again_and_cleared(coach):
    rack = {
        "rack_id": str(uuid7()), "name": "Yard rack", "first_hole_m": 0.5, "pitch_m": 0.05,
        "holes": 24, "lip_m": 0.03, "inner_width_m": 1.15, "first_safety_m": 0.3,
    }  # fmt: skip
    assert coach.send("PUT", "/api/equipment/racks", rack).status_code == 200
    coach.send("PUT", "/api/equipment/racks", rack | {"name": "Yard rack, repainted"})
    names = [r["name"] for r in coach.get("/api/equipment").json()["racks"]]
    assert names.count("Yard rack, repainted") == 1
    impossible = coach.send("PUT", "/api/equipment/racks", rack | {"holes": 90})
    assert impossible.status_code == 422
    assert "top hole" in impossible.json()["errors"][0]["message"]
    twice = {"plates": [{"kg": 20, "pairs": 1}, {"kg": 20, "pairs": 2}]}
    assert "counted twice" in coach.send("PUT", "/api/equipment/plates", twice).text
    half = {
        "bar_id": str(uuid7()), "name": "Half", "mass_kg": 20, "shaft_mm": 28, "forward_m": 0.1,
    }  # fmt: skip
    assert "all three" in coach.send("PUT", "/api/equipment/bars", half).json()["detail"]
    gone = coach.send("DELETE", f"/api/equipment/racks/{rack['rack_id']}")
    assert gone.status_code == 200
    assert coach.send("DELETE", f"/api/equipment/racks/{rack['rack_id']}").status_code == 404


def test_without_a_rack_the_furniture_is_only_hands(stranger):
    alone = add_lifter(stranger, name="Alone")
    answer = stranger.post(at(alone, "furniture"), {"setup": SETUP, "load_kg": 60}).json()
    assert answer["racks"] == []
    assert answer["grip"]["ring_words"]
