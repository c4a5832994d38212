"""A lifter's data are his own: exported whole, deleted from every table and kept answer."""

import json

import psycopg
from uuid6 import uuid7

from tests.api.helpers import PROFILE, a_set, add_lifter, ended, seen
from tests.api.planned import ago, edit, frame, make

NOTE = "Zinnober met the bar at dawn"


def full_record(coach, name):
    """A lifter with a fact in nearly every table."""
    lifter = add_lifter(coach, name=name, training_age="trained")
    path = f"/api/lifters/{lifter}"
    coach.post(f"{path}/measurements", {"landmark": "foot_length", "readings_m": [0.25, 0.252]})
    coach.post(f"{path}/screens", {"kind": "ankle", "readings": [30]})
    coach.post(f"{path}/flags", {"region": "knee", "note": NOTE})
    flag = coach.get(path).json()["flags"][0]["flag_id"]
    coach.post(f"/api/flags/{flag}/clearance", {"reason": "fine again"})
    coach.post(f"{path}/schools", {"question": "squat_width", "position": "wide"})
    coach.post(
        f"{path}/known-lifts", {"exercise": "squat:low", "load_kg": 120, "done_on": "2026-11-01"}
    )
    logged = a_set(note=NOTE, faults=[seen("heels-up", "bottom", rep=2, severity=1)],
                   performed_at=ago(3))  # fmt: skip
    assert coach.post(f"{path}/sets", logged).status_code == 201
    coach.post(
        f"{path}/drills",
        {"result_id": str(uuid7()), "lift": "squat", "stage": "depth box", "passed": True},
    )
    coach.post(f"{path}/links", {"link_id": str(uuid7())})
    clip = {
        "clip_id": str(uuid7()), "lift": "squat", "load_kg": 80, "filmed_on": "2026-11-20",
        "note": NOTE, "width": 960, "height": 540,
        "instants": [{"time_s": 0.5, "taps": {
            "plate": [480, 190], "plate_radius": 46, "knee": [492, 318], "hip": [474, 226],
            "ankle": [468, 392]}}],
    }  # fmt: skip
    assert coach.post(f"{path}/clips/points", clip).status_code == 201
    coach.post(
        f"{path}/clips/{clip['clip_id']}/words",
        {"word_id": str(uuid7()), "subject": "clip", "word": "shown", "words": NOTE},
    )
    day = make(coach, lifter)["plan"]["weeks"][0]["days"][0]
    edit(coach, lifter, kind="add", line_id="own-1", day_id=day["day_id"], lift="other",
         name="Bench press", sets=3, reps=5, note=NOTE)  # fmt: skip
    return lifter


def rows_left(owner_url, lifter):
    """Tables that name a lifter and still hold a row of it, and kept answers that speak of it."""
    with psycopg.connect(owner_url) as connection:
        tables = [n for (n,) in connection.execute("select name from tables_of_lifter()")]
        assert {"lifter", "lifter_profile", "training_set", "plan", "drill_result"} <= set(tables)
        left = {
            table: connection.execute(
                f"select count(*) from {table} where lifter_id = %s", (lifter,)
            ).fetchone()[0]
            for table in tables
        }
        left["note"] = connection.execute(
            "select count(*) from plan_edit where note = %s", (NOTE,)
        ).fetchone()[0]
        left["word to clip"] = connection.execute(
            "select count(*) from clip_word where words = %s", (NOTE,)
        ).fetchone()[0]
        left["kept"] = [
            route
            for (route,) in connection.execute(
                "select route from idempotent_write where answer::text like %s", (f"%{lifter}%",)
            )
        ]
    return {table: count for table, count in left.items() if count}


def test_everything_of_a_lifter_is_in_one_file(coach, gym):
    lifter = full_record(coach, "Exported Whole")
    answer = coach.get(f"/api/lifters/{lifter}/export")
    assert answer.headers["content-disposition"].endswith('"lifter.json"')
    told = json.loads(answer.content)
    assert (told["form"], told["name"]) == (1, "Exported Whole")
    facts = told["facts"]
    for table in (
        "lifter_profile", "measurement", "screen", "pain_flag", "pain_clearance", "school_choice",
        "known_lift", "training_set", "fault_observation", "plan", "plan_edit", "drill_result",
        "film_clip", "clip_word",
    ):  # fmt: skip
        assert facts[table], table
    assert facts["training_set"][0]["note"] == NOTE
    assert "club_id" not in json.dumps(facts)


def test_only_the_owner_deletes_and_only_with_the_name(coach, reader, stranger, gym):
    lifter = full_record(coach, "Stays Here")
    path = f"/api/lifters/{lifter}/erasure"
    assert reader.post(path, {"name": "Stays Here"}).status_code == 403
    assert stranger.post(path, {"name": "Stays Here"}).status_code == 404
    wrong = coach.post(path, {"name": "stays"})
    assert wrong.status_code == 422
    assert "not the lifter's name" in wrong.json()["detail"]
    assert coach.get(f"/api/lifters/{lifter}").status_code == 200


def test_a_deleted_lifter_is_gone_from_every_table_and_kept_answer(coach, gym, owner_url):
    other = full_record(coach, "Not Touched")
    before = rows_left(owner_url, other)
    lifter = full_record(coach, "Gone For Good")
    assert rows_left(owner_url, lifter)["kept"] == ["add lifter"]
    path = f"/api/lifters/{lifter}/erasure"
    assert coach.post(path, {"name": "Gone For Good"}).status_code == 200
    assert coach.get(f"/api/lifters/{lifter}").status_code == 404
    assert not [r for r in coach.get("/api/floor").json() if r["lifter_id"] == lifter]
    assert rows_left(owner_url, other) == before
    left = rows_left(owner_url, lifter)
    others = {name: before[name] for name in ("note", "word to clip")}
    assert left == {**others, "kept": ["erase lifter"]}, "the other's note"


def test_the_same_id_in_another_club_is_not_touched(coach, stranger, gym):
    """Ids are made by clients: another club may hold a lifter of the same id."""
    lifter = full_record(coach, "Twin Of Ids")
    profile = coach.get(f"/api/lifters/{lifter}").json()["profile"]
    wanted = {"lifter_id": lifter, "profile": {
        k: profile[k] for k in ("sex", "mass_kg", "stature_m", "goal", "training_age")
    } | {"name": "Other Club"}}  # fmt: skip
    assert stranger.post("/api/lifters", wanted).status_code == 201
    erased = stranger.post(f"/api/lifters/{lifter}/erasure", {"name": "Other Club"})
    assert erased.status_code == 200
    assert coach.get(f"/api/lifters/{lifter}").json()["profile"]["name"] == "Twin Of Ids"
    assert coach.get(f"/api/lifters/{lifter}/plan").json()["plan"] is not None


def test_a_lifter_who_left_stands_on_no_list_and_comes_back_whole(coach, lifter):
    path = f"/api/lifters/{lifter}"
    before = coach.get(path).json()
    listed = {row["lifter_id"] for row in coach.get("/api/floor").json()}
    assert coach.post(f"{path}/presence", {"here": False}).status_code == 200
    assert {row["lifter_id"] for row in coach.get("/api/floor").json()} == listed - {lifter}
    assert lifter in [one["lifter_id"] for one in coach.get("/api/lifters/away").json()]
    assert coach.get(path).json()["away_since"] is not None
    log = coach.get("/api/log.csv").text
    assert "Ida" in log, "what was trained stays in the club's log"
    coach.post(f"{path}/presence", {"here": True})
    assert coach.get(path).json() == before
    assert lifter not in [one["lifter_id"] for one in coach.get("/api/lifters/away").json()]
    assert {row["lifter_id"] for row in coach.get("/api/floor").json()} == listed


def test_who_left_gets_no_plan_when_the_whole_club_does(coach, lifter):
    coach.post(f"/api/lifters/{lifter}/presence", {"here": False})
    ended(coach, coach.post("/api/club/plans", frame()).json())
    assert coach.get(f"/api/lifters/{lifter}/plan").json()["plan"] is None


def test_body_mass_is_kept_day_by_day(coach, owner_url):
    lifter = add_lifter(coach)
    with psycopg.connect(owner_url, autocommit=True) as connection:
        connection.execute(
            "update lifter_profile set said_at = said_at - interval '30 days' where lifter_id = %s",
            (lifter,),
        )
    for mass_kg in (64.0, 64.6):
        coach.post(f"/api/lifters/{lifter}/profile", PROFILE | {"mass_kg": mass_kg})
    masses = coach.get(f"/api/lifters/{lifter}").json()["masses"]
    assert [one["mass_kg"] for one in masses] == [63.0, 64.6], "the last word of every day"
