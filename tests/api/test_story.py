"""Limbs in, squat set-up out, a set logged with its faults, the next load prescribed."""

import pytest
from uuid6 import uuid7

from tests.api.helpers import a_set, add_lifter, seen


def finished(coach, path):
    """The ranking once its sureness is known."""
    answer = coach.get(path).json()
    while answer["job"]:
        coach.get(f"/api/jobs/{answer['job']['job_id']}")
        answer = coach.get(path).json()
    return answer


SETUP = {"bar_position": "high", "stance_m": 0.40, "toe_out_deg": 20.0}


@pytest.fixture(scope="module")
def gym(owner_url, clubs):
    import psycopg

    with psycopg.connect(owner_url, autocommit=True) as connection:
        clubs_found = connection.execute("select club_id from club where name = 'First'").fetchone()
        connection.execute(
            """insert into bar (club_id, bar_id, name, mass_kg, shaft_mm)
               values (%s, %s, 'Bar', 20, 28)""",
            (clubs_found[0], uuid7()),
        )
        connection.execute(
            """insert into rack
                 (club_id, rack_id, name, first_hole_m, pitch_m, holes, lip_m, inner_width_m)
               values (%s, %s, 'Rack', 0.6, 0.05, 22, 0.03, 1.2)""",
            (clubs_found[0], uuid7()),
        )
        for kg in (25, 20, 15, 10, 5, 2.5, 1.25):
            connection.execute("insert into plate_stock values (%s, %s, 3)", (clubs_found[0], kg))


@pytest.fixture(scope="module")
def lifter(coach, gym):
    return add_lifter(coach)


def test_measurements_become_segments(coach, lifter):
    path = f"/api/lifters/{lifter}/measurements"
    body = {"landmark": "knee_trochanter", "readings_m": [0.412, 0.408]}
    assert coach.post(path, body).status_code == 200
    sheet = coach.get(path).json()
    thigh = next(x for x in sheet["landmarks"] if x["segment"] == "thigh_m")
    assert thigh["length_m"] == pytest.approx(0.41)
    assert not thigh["estimated"]
    assert sheet["segments_m"]["thigh_m"] == pytest.approx(0.41)
    assert sheet["technical_error_m"] == pytest.approx(0.0028, abs=1e-4)


def test_a_centimetre_of_each_length_has_its_worth_in_both_lifts(coach, lifter):
    levers = coach.get(f"/api/lifters/{lifter}/levers").json()
    told = levers["kg_per_cm"]
    assert max(levers["worth_kg"].values()) > 1.0
    assert told["squat"]["thigh_m"] < -1
    assert told["deadlift"]["forearm_m"] > 0


def test_an_impossible_reading_is_refused_beside_its_field_or_kept_with_a_reason(coach, lifter):
    path = f"/api/lifters/{lifter}/measurements"
    body = {"landmark": "foot_length", "readings_m": [0.35, 0.352]}
    refused = coach.post(path, body)
    assert refused.status_code == 422
    assert refused.json()["errors"][0]["path"] == "readings_m"
    assert "measure it again" in refused.json()["detail"]
    assert coach.post(path, body | {"kept_because": "checked, big feet"}).status_code == 200
    newer = {"landmark": "foot_length", "readings_m": [0.25, 0.251]}
    assert coach.post(path, newer).status_code == 200


def test_screens_take_degrees_or_knee_to_wall_and_know_what_cannot_be_held(coach, lifter):
    path = f"/api/lifters/{lifter}/screens"
    assert coach.post(path, {"kind": "ankle", "knee_to_wall_cm": [10]}).status_code == 200
    assert coach.post(path, {"kind": "grip_low"}).status_code == 200
    assert coach.post(path, {"kind": "grip_high", "readings": [0.6]}).status_code == 200
    record = coach.get(f"/api/lifters/{lifter}").json()
    values = {s["kind"]: s["value"] for s in record["screens"]}
    assert values == {"ankle": pytest.approx(36.0), "grip_low": None, "grip_high": 0.6}
    wrong = coach.post(path, {"kind": "hip", "knee_to_wall_cm": [10]})
    assert wrong.json()["errors"][0]["path"] == "knee_to_wall_cm"
    beyond = coach.post(path, {"kind": "ankle", "readings": [80]})
    assert beyond.status_code == 409
    assert "take it again" in beyond.json()["detail"]


def test_the_ranking_respects_the_screens_and_is_kept(coach, lifter):
    path = f"/api/lifters/{lifter}/squat/ranking"
    ranking = coach.get(path).json()
    assert {leader["setup"]["bar_position"] for leader in ranking["leaders"]} == {
        "front", "high", "middle",
    }  # fmt: skip
    assert "cannot be held" in ranking["why_not"]["low"][0]
    assert ranking["verdict"]["kind"] == "undecided"
    whole = finished(coach, path)
    assert whole["leaders"][0]["chance_best"] is not None
    assert finished(coach, path) == whole


def test_the_bench_shows_grids_and_exact_setups(coach, lifter):
    grid = coach.get(
        f"/api/lifters/{lifter}/squat/grid", params={"bar_position": "high", "load_kg": 80}
    ).json()
    cells = len(grid["stance_m"]) * len(grid["toe_out_deg"]) * len(grid["heel_lift_m"])
    assert len(grid["predicted_max_kg"]) == cells == len(grid["reasons_of"])
    exact = coach.post(f"/api/lifters/{lifter}/squat/exact", {"setup": SETUP, "load_kg": 80}).json()
    assert exact["predicted_max_kg"] > 0
    assert len(exact["progress"]) >= 25
    assert "N m" in exact["explanations"]["hips"]
    furniture = coach.post(
        f"/api/lifters/{lifter}/squat/furniture", {"setup": SETUP, "load_kg": 80}
    ).json()
    assert furniture["grip"]["set_by_screen"]
    assert furniture["racks"][0]["hook_hole"] > furniture["racks"][0]["safety_hole"]


def test_settling_keeps_the_inputs_and_goes_stale_with_the_body(coach, lifter):
    path = f"/api/lifters/{lifter}/squat/settled"
    assert coach.get(path).json() is None
    body = {"setup_id": str(uuid7()), "setup": SETUP, "reason": "feels right"}
    settled = coach.post(path, body)
    assert settled.status_code == 201
    assert coach.get(path).json()["stale_because"] == []
    profile = {"name": "Ada Probe", "sex": "female", "mass_kg": 67.0, "stature_m": 1.66}
    assert coach.post(f"/api/lifters/{lifter}/profile", profile).status_code == 200
    assert coach.get(path).json()["stale_because"] == ["body mass 63 → 67 kg"]
    stages = coach.get(f"/api/lifters/{lifter}").json()["stages"]
    assert stages["squat"]["state"] == "out of date"


def test_an_infeasible_setup_cannot_be_settled(coach, lifter):
    body = {"setup_id": str(uuid7()), "setup": SETUP | {"stance_m": 0.95}}
    refused = coach.post(f"/api/lifters/{lifter}/squat/settled", body)
    assert refused.status_code == 422
    assert "cannot be held" in refused.json()["detail"]


def test_a_fault_seen_twice_lowers_the_next_load(coach, lifter):
    path = f"/api/lifters/{lifter}/sets"
    for day in ("10", "13"):
        coach.post(path, a_set(performed_at=f"2026-11-{day}T17:00:00Z"))
    before = coach.post(f"/api/lifters/{lifter}/next-load", {}).json()
    for day in ("17", "20"):
        fault = [seen("hips-rise", "out of the hole", rep=4)]
        logged = coach.post(path, a_set(performed_at=f"2026-11-{day}T17:00:00Z", faults=fault))
        assert logged.status_code == 201
    after = coach.post(f"/api/lifters/{lifter}/next-load", {}).json()
    assert after["load_kg"] < before["load_kg"]
    assert any("seen 2 times" in line["text"] for line in after["reasons"])
    assert after["warm_up"][0]["load_kg"] == 20


def test_bad_faults_say_which_and_why(coach, lifter):
    path = f"/api/lifters/{lifter}/sets"
    wrong_phase = coach.post(path, a_set(faults=[seen("butt-wink", "rack")]))
    assert wrong_phase.status_code == 422
    assert wrong_phase.json()["errors"][0]["path"] == "faults.0.phase"
    beyond = coach.post(path, a_set(faults=[seen("butt-wink", "bottom", rep=9)]))
    assert beyond.json()["errors"][0]["path"] == "faults.0.rep"
    unknown = coach.post(path, a_set(faults=[seen("levitation", "bottom")]))
    assert unknown.json()["errors"][0]["path"] == "faults.0.fault_id"


def test_every_wrong_field_is_named_at_once(coach, lifter):
    answer = coach.post(
        f"/api/lifters/{lifter}/sets", a_set(load_kg=-5, rpe=11, performed_at="yesterday")
    )
    assert answer.status_code == 422
    paths = {e["path"] for e in answer.json()["errors"]}
    assert paths == {"load_kg", "rpe", "performed_at"}


def test_a_write_sent_twice_takes_effect_once(coach, lifter):
    path, key, body = f"/api/lifters/{lifter}/sets", uuid7(), a_set(note="once")
    first, again = (coach.post(path, body, key) for _ in range(2))
    assert first.json() == again.json()
    notes = [s["note"] for s in coach.get(path).json()]
    assert notes.count("once") == 1
    other = coach.post(path, a_set(note="other"), key)
    assert other.status_code == 409


def test_a_set_is_amended_by_a_newer_fact_and_can_be_withdrawn(coach, lifter):
    path = f"/api/lifters/{lifter}/sets"
    wrong = a_set(load_kg=999 / 9, note="wrong")
    coach.post(path, wrong)
    right = a_set(note="right", replaces=wrong["set_id"])
    assert coach.post(path, right).status_code == 201
    notes = [s["note"] for s in coach.get(path).json()]
    assert "right" in notes
    assert "wrong" not in notes
    late = a_set(note="late", replaces=wrong["set_id"])
    assert coach.post(path, late).status_code == 201
    versions = coach.get(f"/api/sets/{wrong['set_id']}/versions").json()
    assert [v["note"] for v in versions] == ["late", "right", "wrong"]
    withdrawn = coach.post(f"/api/sets/{right['set_id']}/withdrawal", {"new_id": str(uuid7())})
    assert withdrawn.status_code == 200
    assert not {"late", "right", "wrong"} & {s["note"] for s in coach.get(path).json()}


def test_prescribing_overrules_only_with_a_reason(coach, lifter):
    path = f"/api/lifters/{lifter}/prescriptions"
    bare = {"prescription_id": str(uuid7()), "overruled_kg": 60}
    refused = coach.post(path, bare)
    assert refused.status_code == 409
    assert refused.json()["errors"][0]["path"] == "overruled_because"
    kept = coach.post(path, bare | {"overruled_because": "travelled all night"})
    assert kept.status_code == 201
    newest = coach.get(path).json()[0]
    assert newest["overruled_kg"] == 60
    assert newest["answer"]["reasons"]


def test_pain_caps_until_cleared_with_a_reason(coach, lifter):
    before = coach.post(f"/api/lifters/{lifter}/next-load", {}).json()["load_kg"]
    coach.post(f"/api/lifters/{lifter}/flags", {"region": "knee", "note": "sore"})
    capped = coach.post(f"/api/lifters/{lifter}/next-load", {}).json()
    assert capped["load_kg"] <= 0.7 * capped["estimated_max_kg"]
    flag = coach.get(f"/api/lifters/{lifter}").json()["flags"][0]
    short = coach.post(f"/api/flags/{flag['flag_id']}/clearance", {"reason": ""})
    assert short.status_code == 422
    coach.post(f"/api/flags/{flag['flag_id']}/clearance", {"reason": "seen by a physio"})
    assert coach.post(f"/api/lifters/{lifter}/next-load", {}).json()["load_kg"] == before


def test_schools_change_the_fit_and_silence_faults(coach, lifter):
    path = f"/api/lifters/{lifter}/schools"
    assert coach.post(path, {"question": "squat_up", "position": "nonsense"}).status_code == 422
    coach.post(path, {"question": "squat_width", "position": "wide"})
    record = coach.get(f"/api/lifters/{lifter}").json()
    assert record["schools"]["squat_width"] == "wide"
    assert coach.get("/api/schools").json()["club"]["squat_width"] == "moderate"


def test_the_card_speaks_in_holes_fingers_and_feet(coach, lifter):
    card = coach.get(f"/api/lifters/{lifter}/card").json()
    assert card["squat"]["bar"] == "high bar"
    assert "ring" in card["squat"]["grip_words"]
    assert card["squat"]["racks"][0]["hook_hole"]
    assert card["cues"]
    assert len(card["cautions"]) == 4
    assert add_lifter(coach)
    assert coach.get(f"/api/lifters/{add_lifter(coach)}/card").json()["squat"] is None


def test_the_floor_puts_the_pressing_first(coach, lifter):
    rows = coach.get("/api/floor").json()
    assert rows[0]["lifter_id"] == lifter
    assert rows[0]["needs"][0]["kind"] in ("rising", "stale")
    assert rows[0]["next"]["lift"] == "squat"


def test_without_equipment_a_prescription_says_what_is_missing(stranger):
    lifter_id = add_lifter(stranger)
    stranger.post(f"/api/lifters/{lifter_id}/sets", a_set())
    answer = stranger.post(f"/api/lifters/{lifter_id}/next-load", {})
    assert answer.status_code == 422
    assert "record the club's equipment first" in answer.json()["detail"]


def test_the_library_is_served(coach):
    assert len(coach.get("/api/catalogue").json()["faults"]) == 61
    assert any(a["name"] == "floor_friction" for a in coach.get("/api/assumptions").json())
    assert coach.get("/api/equipment").json()["bars"][0]["mass_kg"] == 20
