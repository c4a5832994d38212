"""Many lifters at once from a file: every row's fate first, then all of them or nobody."""

import io
from datetime import timedelta

import psycopg
import pytest
from openpyxl import Workbook
from uuid6 import uuid7

from tests.api.planned import day_now

HEAD = (
    "name,sex,body_mass_kg,stature_cm,born_year,goal,squat_kg,squat_on,deadlift_kg,deadlift_style"
)
TODAY = day_now()


def send(coach, path, data, **query):
    headers = {
        "X-CSRF-Token": coach.csrf, "Idempotency-Key": str(query.pop("key", uuid7())),
        "Content-Type": "application/octet-stream",
    }  # fmt: skip
    return coach.client.post(path, content=data, headers=headers, params=query)


def table(*rows, head=HEAD):
    return "\n".join([head, *rows]).encode()


GOOD = f"Perpetua Vane,F,61.5,168,1998,competition,110,{TODAY - timedelta(days=40)},140,sumo"


def test_the_preview_tells_every_row_and_keeps_nothing(coach):
    bad = [
        "No Stature,male,80,,1990,,,,,",
        "Too Tall,male,80,290,1990,,,,,",
        "Odd Sex,x,80,180,,,,,,",
        f"In Pounds,male,80,180,,,600,{TODAY},,",
        f"To Come,male,80,180,,,150,{TODAY + timedelta(days=3)},,",
        "Odd Style,male,80,180,,,,,200,hopping",
    ]
    answer = send(coach, "/api/lifters/preview", table(GOOD, GOOD, *bad)).json()
    assert (answer["new"], answer["here"], answer["bad"], answer["kept"]) == (1, 1, 6, 0)
    words = {row["line"]: row["words"] for row in answer["rows"]}
    assert words[2] == "Perpetua Vane, 61.5 kg, 168 cm, squat:low 110 kg, deadlift:sumo 140 kg"
    assert "stature_m" in words[4]
    assert "290 cm" in words[5]
    assert "sex" in words[6]
    assert "was it meant in pounds?" in words[7]
    assert "still to come" in words[8]
    assert "none of" in words[9]
    assert "Perpetua Vane" not in coach.get("/api/floor").text


def test_good_rows_are_kept_with_their_bests_and_only_once(coach):
    data = table(GOOD.replace("Perpetua", "Kept"), "No Stature,male,80,,1990,,,,,")
    refused = send(coach, "/api/lifters/import", data)
    assert (refused.status_code, "line 3" in refused.json()["detail"]) == (422, True)
    key = uuid7()
    kept = send(coach, "/api/lifters/import", data, leave_bad=True, key=key).json()
    assert (kept["kept"], kept["rows"]) == (1, [])
    assert send(coach, "/api/lifters/import", data, leave_bad=True, key=key).json() == kept
    assert send(coach, "/api/lifters/import", data, leave_bad=True).json()["kept"] == 0
    row = next(r for r in coach.get("/api/floor").json() if r["name"] == "Kept Vane")
    record = coach.get(f"/api/lifters/{row['lifter_id']}").json()
    assert record["profile"]["stature_m"] == pytest.approx(1.68)
    told = {k["exercise"]: k["load_kg"] for k in record["known"]}
    assert told == {"squat:low": 110, "deadlift:sumo": 140}


def test_a_workbook_in_pounds_and_inches(coach):
    book = Workbook()
    book.active.append(["Name", "Sex", "Body_mass_lb", "Stature_in", "Deadlift_lb"])
    book.active.append(["Inch Worm", "male", 200, 71, 500])
    out = io.BytesIO()
    book.save(out)
    answer = send(coach, "/api/lifters/preview", out.getvalue()).json()
    assert answer["rows"][0]["words"] == (
        "Inch Worm, 90.7 kg, 180 cm, deadlift:conventional 226.8 kg"
    )


def test_the_day_of_a_best_is_read_in_the_order_that_is_said(coach):
    book = (
        b"name,sex,body_mass_kg,stature_cm,squat_kg,squat_on\nDay Order,male,90,180,200,3/4/2026\n"
    )
    asked = send(coach, "/api/lifters/preview", book).json()
    assert (asked["dates"], asked["bad"]) == ("ask", 1)
    assert asked["rows"][0]["words"].startswith("squat_on “3/4/2026” may be")
    for order, day in (("day_first", "2026-04-03"), ("month_first", "2026-03-04")):
        name = f"Day {order}"
        data = book.replace(b"Day Order", name.encode())
        assert send(coach, "/api/lifters/import", data, dates=order).json()["kept"] == 1
        row = next(r for r in coach.get("/api/floor").json() if r["name"] == name)
        record = coach.get(f"/api/lifters/{row['lifter_id']}").json()
        assert record["known"][0]["done_on"] == day


def test_what_is_no_table_is_told(coach):
    missing = send(coach, "/api/lifters/preview", b"name,sex\nA,male\n")
    assert "body_mass_kg or body_mass_lb, stature_cm or stature_in" in missing.json()["detail"]


def test_no_kept_answer_of_an_import_names_anybody(coach, owner_url):
    send(coach, "/api/lifters/import", table(GOOD.replace("Perpetua", "Unnamed")))
    with psycopg.connect(owner_url) as connection:
        kept = connection.execute(
            "select count(*) from idempotent_write where answer::text like '%Unnamed%'"
        ).fetchone()
    assert kept == (0,)
