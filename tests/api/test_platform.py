"""The platform over HTTP: the session, the outbox, amendments from two devices, files."""

import csv
import io
import json

import pytest
from openpyxl import load_workbook
from uuid6 import uuid7

from pavrik.formats.log_table import MEASURES
from pavrik.formats.wire.log import Measures
from tests.api.helpers import a_set, add_lifter, seen


def queued(lifter_id: str, **changes) -> dict:
    return {
        "kind": "set", "key": str(uuid7()), "lifter_id": lifter_id, "set": a_set(**changes),
    }  # fmt: skip


def sets_of(coach, lifter_id: str) -> list[dict]:
    return coach.get(f"/api/lifters/{lifter_id}/sets").json()


@pytest.fixture
def gym(coach):
    plates = {"plates": [{"kg": 20.0, "pairs": 4}, {"kg": 2.5, "pairs": 2}]}
    assert coach.send("PUT", "/api/equipment/plates", plates).status_code == 200
    bar = {"bar_id": str(uuid7()), "name": "Bar", "mass_kg": 20.0, "shaft_mm": 28.0}
    assert coach.send("PUT", "/api/equipment/bars", bar).status_code == 200


def test_an_outbox_sent_three_times_is_logged_once(coach):
    lifter_id = add_lifter(coach)
    items = [queued(lifter_id, load_kg=100.0 + i) for i in range(20)]
    for _ in range(3):
        answer = coach.post("/api/outbox", {"items": items})
        assert answer.status_code == 200, answer.text
        assert {fate["fate"] for fate in answer.json()["fates"]} == {"kept"}
    assert len(sets_of(coach, lifter_id)) == 20


def test_one_bad_item_does_not_hold_up_the_others(coach):
    lifter_id = add_lifter(coach)
    bad = queued(lifter_id, faults=[seen("heels-up", "rack")])
    stranger = queued(str(uuid7()))
    items = [queued(lifter_id), bad, stranger, queued(lifter_id)]
    fates = coach.post("/api/outbox", {"items": items}).json()["fates"]
    assert [fate["fate"] for fate in fates] == ["kept", "refused", "refused", "kept"]
    assert "not seen in the phase rack" in fates[1]["detail"]
    assert len(sets_of(coach, lifter_id)) == 2


def test_two_devices_that_amend_one_set_keep_both_and_the_last_one_stands(coach):
    lifter_id = add_lifter(coach)
    first = queued(lifter_id, load_kg=100.0)
    coach.post("/api/outbox", {"items": [first]})
    old = first["set"]["set_id"]
    phone = queued(lifter_id, load_kg=102.5, replaces=old)
    tablet = queued(lifter_id, load_kg=105.0, replaces=old)
    for item in (phone, tablet):
        assert coach.post("/api/outbox", {"items": [item]}).json()["fates"][0]["fate"] == "kept"
    assert [s["load_kg"] for s in sets_of(coach, lifter_id)] == [105.0]
    versions = coach.get(f"/api/sets/{old}/versions").json()
    assert [v["load_kg"] for v in versions] == [105.0, 102.5, 100.0]


def test_a_withdrawn_set_is_not_brought_back_by_a_late_amendment(coach):
    lifter_id = add_lifter(coach)
    first = queued(lifter_id)
    old = first["set"]["set_id"]
    gone = {"kind": "withdrawal", "key": str(uuid7()), "set_id": old, "new_id": str(uuid7())}
    late = queued(lifter_id, replaces=old)
    fates = coach.post("/api/outbox", {"items": [first, gone, late]}).json()["fates"]
    assert [fate["fate"] for fate in fates] == ["kept", "kept", "refused"]
    assert "was withdrawn in the meantime" in fates[2]["detail"]
    assert sets_of(coach, lifter_id) == []


def test_what_was_measured_worn_and_tried_comes_back(coach):
    lifter_id = add_lifter(coach)
    item = queued(
        lifter_id, lift="deadlift", pull_style="dead_stop", cue="hold-position",
        gear={"belt": True, "shoes": "flat"}, measures={"hands_to_pull_s": 4.2},
    )  # fmt: skip
    coach.post("/api/outbox", {"items": [item]})
    kept = sets_of(coach, lifter_id)[0]
    assert kept["cue"] == "hold-position"
    assert kept["gear"]["belt"] is True
    assert kept["measures"]["hands_to_pull_s"] == 4.2


def test_a_club_that_recorded_no_bar_can_log_all_the_same(stranger):
    lifter_id = add_lifter(stranger)
    answer = stranger.get(f"/api/platform?lifter_id={lifter_id}").json()
    assert answer["gym"]["loadings"] == []
    assert answer["lifters"][0]["lifts"][0]["next"]["load_kg"] is None
    because = answer["lifters"][0]["lifts"][0]["next"]["reasons"][0]["text"]
    assert "record the club's equipment first" in because


def test_a_session_of_a_group_comes_with_everything_a_phone_needs(coach, gym):
    lifters = [add_lifter(coach, name=f"Group {n}") for n in range(3)]
    for lifter_id, load in zip(lifters, (120.0, 60.0, 90.0), strict=True):
        coach.post("/api/outbox", {"items": [queued(lifter_id, load_kg=load)]})
    query = "&".join(f"lifter_id={i}" for i in lifters)
    answer = coach.get(f"/api/platform?{query}").json()
    loads = [one["lifts"][0]["next"]["load_kg"] for one in answer["lifters"]]
    assert loads == sorted(loads)
    totals = [loading["total_kg"] for loading in answer["gym"]["loadings"]]
    assert totals[0] == 20.0
    assert 65.0 in totals
    assert all(len(one["lifts"]) == 2 for one in answer["lifters"])


def test_too_many_lifters_for_one_platform_are_refused(coach):
    query = "&".join(f"lifter_id={uuid7()}" for _ in range(9))
    assert coach.get(f"/api/platform?{query}").status_code == 422


def test_the_log_goes_out_as_csv_and_comes_in_again_without_doubling(coach):
    lifter_id = add_lifter(coach, name="Röhre, Ada")
    item = queued(
        lifter_id,
        note="=1+1",
        faults=[seen("heels-up", "bottom", 2)],
        performed_at="2026-11-20T17:30:00Z",
    )
    coach.post("/api/outbox", {"items": [item]})
    data = coach.get(f"/api/log.csv?lifter_id={lifter_id}").content
    rows = list(csv.DictReader(io.StringIO(data.decode("utf-8-sig"))))
    assert rows[0]["lifter"] == "Röhre, Ada"
    assert rows[0]["note"] == "'=1+1", "a spreadsheet must not run a note"
    assert rows[0]["faults"] == "2:bottom:heels-up:2"
    answer = send_file(coach, "/api/log/preview", data)
    assert (answer["new"], answer["here"], answer["bad"]) == (0, 1, 0)


def send_file(coach, path: str, data: bytes, status: int = 200):
    headers = {
        "X-CSRF-Token": coach.csrf, "Idempotency-Key": str(uuid7()),
        "Content-Type": "application/octet-stream",
    }  # fmt: skip
    answer = coach.client.post(path, content=data, headers=headers)
    assert answer.status_code == status, answer.text
    return answer.json()


def test_the_workbook_is_read_by_another_library(coach):
    lifter_id = add_lifter(coach, name="Workbook Probe")
    coach.post("/api/outbox", {"items": [queued(lifter_id, load_kg=87.5)]})
    data = coach.get(f"/api/log.xlsx?lifter_id={lifter_id}").content
    rows = list(load_workbook(io.BytesIO(data)).active.iter_rows(values_only=True))
    assert rows[0][5] == "load_kg"
    assert rows[1][5] == 87.5
    assert send_file(coach, "/api/log/preview", data)["here"] == 1


FILE = """date;lifter;lift;load_lb;reps;rpe;faults
2026-11-02;Import Probe;squat;225;5;8,5;3:bottom:heels-up:2
2026-11-03;Import Probe;squat;231,5;5;8;
2026-11-04;Nobody Here;squat;100;5;8;
2026-11-05;Import Probe;bench;100;0;8;
tomorrow;Import Probe;squat;100;5;8;3:heels
"""


def test_a_file_tells_every_rows_fate_and_nothing_is_half_imported(coach):
    lifter_id = add_lifter(coach, name="Import Probe")
    data = FILE.encode()
    preview = send_file(coach, "/api/log/preview", data)
    assert (preview["new"], preview["bad"]) == (2, 3)
    words = {row["line"]: row["words"] for row in preview["rows"]}
    assert "squat 102.1 kg" in words[2]
    assert "no lifter is called Nobody Here" in words[4]
    assert "bench" in words[5]
    assert "not like 2026-11-25 or 25 Nov 2026" in words[6]
    assert "not like 3:bottom:heels-up:2" in words[6]
    refused = send_file(coach, "/api/log/import", data, 422)
    assert "3 of 5 rows are bad, the first in line 4" in refused["detail"]
    assert sets_of(coach, lifter_id) == []
    kept = send_file(coach, "/api/log/import?leave_bad=true", data)
    assert kept["kept"] == 2
    assert len(sets_of(coach, lifter_id)) == 2
    again = send_file(coach, "/api/log/import?leave_bad=true", data)
    assert again["kept"] == 0
    assert len(sets_of(coach, lifter_id)) == 2


def test_dates_that_may_be_two_days_are_asked_for_and_kept_as_said(coach):
    lifter_id = add_lifter(coach, name="Dates Probe")
    data = b"date,lifter,lift,load_kg,reps\n03/04/2026,Dates Probe,squat,100,5\n"
    asked = send_file(coach, "/api/log/preview", data)
    assert (asked["dates"], asked["new"], asked["bad"]) == ("ask", 0, 1)
    assert "say which stands first" in asked["rows"][0]["words"]
    told = send_file(coach, "/api/log/preview?dates=month_first", data)
    assert (told["dates"], told["new"]) == ("month_first", 1)
    assert "2026-03-04" in told["rows"][0]["words"]
    send_file(coach, "/api/log/import?dates=month_first", data)
    assert sets_of(coach, lifter_id)[0]["performed_at"].startswith("2026-03-04")


def test_one_date_of_a_file_tells_how_all_are_read(coach):
    add_lifter(coach, name="Told Probe")
    rows = b"03.04.2026,Told Probe,squat,100,5\n25.11.2025,Told Probe,squat,100,5\n"
    told = send_file(coach, "/api/log/preview", b"date,lifter,lift,load_kg,reps\n" + rows)
    assert (told["dates"], told["new"]) == ("day_first", 2)
    assert "2026-04-03" in told["rows"][0]["words"]


@pytest.mark.parametrize(
    ("data", "words"),
    [
        (b"", "missing"),
        (b"PK not a workbook", "cannot be read"),
        (b'date,lifter\r"a\x00b', "lacks the columns"),
        (b"\xff\xfe\x00", "not UTF-8"),
        (b"day;who\n1;2\n", "lacks the columns date, lifter, lift, reps, load_kg or load_lb"),
    ],
)
def test_a_file_that_is_no_log_is_refused_with_one_sentence(coach, data, words):
    answer = send_file(coach, "/api/log/preview", data, 422)
    assert words in json.dumps(answer)


def test_strangers_and_readers_get_nothing_of_it(coach, stranger, reader):
    lifter_id = add_lifter(coach)
    item = queued(lifter_id)
    assert stranger.post("/api/outbox", {"items": [item]}).json()["fates"][0]["fate"] == "refused"
    assert stranger.get(f"/api/platform?lifter_id={lifter_id}").status_code == 404
    assert reader.post("/api/outbox", {"items": [queued(lifter_id)]}).status_code == 403
    assert sets_of(coach, lifter_id) == []


def test_an_item_that_cannot_be_read_does_not_hold_up_the_others(coach):
    lifter_id = add_lifter(coach)
    impossible = queued(lifter_id, load_kg=-5.0)
    unknown = queued(lifter_id) | {"kind": "dance"}
    items = [queued(lifter_id), impossible, unknown, "not even an item", queued(lifter_id)]
    answer = coach.post("/api/outbox", {"items": items})
    assert answer.status_code == 200
    fates = answer.json()["fates"]
    assert [f["fate"] for f in fates] == ["kept", "refused", "refused", "refused", "kept"]
    assert fates[1]["key"] == impossible["key"]
    assert "kg" in fates[1]["detail"]
    assert len(sets_of(coach, lifter_id)) == 2


def test_a_red_light_makes_no_best_and_no_strength(coach, gym):
    """A squat of 220 that was cut high once made the ranking predict 239."""
    honest = add_lifter(coach)
    coach.post(f"/api/lifters/{honest}/sets", a_set(load_kg=120.0, reps=1, rpe=9.0))
    before = coach.get(f"/api/lifters/{honest}/squat/ranking").json()["leaders"]
    bests = coach.get(f"/api/lifters/{honest}").json()["bests"]
    for fault in (seen("high", "bottom", 1, 3), seen("stall", "middle", 1, 3)):
        at = {"load_kg": 220.0, "reps": 1, "rpe": 9.0, "faults": [fault]}
        coach.post(f"/api/lifters/{honest}/sets", a_set(**at))
    record = coach.get(f"/api/lifters/{honest}").json()
    assert record["bests"] == bests
    after = coach.get(f"/api/lifters/{honest}/squat/ranking").json()["leaders"]
    assert [x["predicted_max_kg"] for x in after] == [x["predicted_max_kg"] for x in before]
    shown = coach.get(f"/api/lifters/{honest}/sets").json()
    assert [s["estimated_max_kg"] is None for s in shown if s["load_kg"] == 220] == [True, True]
    proposed = coach.post(f"/api/lifters/{honest}/next-load", {"reps": 5, "rpe": 8}).json()
    assert proposed["load_kg"] < 120


def test_what_was_measured_in_a_set_goes_out_and_comes_in(coach):
    measured = {"walkout_steps": 3.0, "foot_offset_m": -0.02, "stance_m": 0.43,
                "rep_speed_m_s": 0.61}  # fmt: skip
    here = add_lifter(coach, name="Measured Here")
    there = add_lifter(coach, name="Measured There")
    assert coach.post(f"/api/lifters/{here}/sets", a_set(measures=measured)).status_code == 201
    data = coach.get(f"/api/log.csv?lifter_id={here}").content.decode("utf-8-sig")
    (row,) = csv.DictReader(io.StringIO(data))
    assert (row["walkout_steps"], row["foot_offset_m"], row["start_hip_m"]) == ("3.0", "-0.02", "")
    moved = data.replace("Measured Here", "Measured There").replace(row["set_id"], "")
    assert send_file(coach, "/api/log/import", moved.encode())["new"] == 1
    (again,) = sets_of(coach, there)
    assert {k: v for k, v in again["measures"].items() if v is not None} == measured
    wild = send_file(coach, "/api/log/preview", moved.replace("-0.02", "2").encode())
    assert "foot_offset_m 2 is outside -0.15 to 0.15" in str(wild)


def test_files_and_the_platform_take_the_same_measures():
    fields = Measures.model_json_schema()["properties"]
    bounds = {
        name: (of["anyOf"][0]["minimum"], of["anyOf"][0]["maximum"]) for name, of in fields.items()
    }
    assert bounds == MEASURES


def test_the_bars_speed_moves_the_max_where_no_effort_is_told(coach, gym):
    """Light triples of which nobody said how hard they were, on a line that points at 150 kg."""

    def next_of(name, **measured):
        lifter_id = add_lifter(coach, name=name)
        for load in (60.0, 80.0, 100.0, 115.0):
            speed = 0.30 + 0.9 * (1 - load / 150)
            more = {"measures": {"rep_speed_m_s": round(speed, 3)}} if measured else {}
            logged = a_set(load_kg=load, reps=3, rpe=None, **more)
            assert coach.post(f"/api/lifters/{lifter_id}/sets", logged).status_code == 201
        return coach.post(f"/api/lifters/{lifter_id}/next-load", {"reps": 5, "rpe": 8}).json()

    silent, timed = next_of("Silent"), next_of("Timed", speed=True)
    assert timed["load_kg"] > silent["load_kg"]
    assert any("bar's speed" in reason["text"] for reason in timed["reasons"]), timed["reasons"]
