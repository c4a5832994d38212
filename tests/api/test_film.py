"""Watch over HTTP: a film filmed, tracked, talked over, logged, and gone."""

from threading import Event

import pytest
from uuid6 import uuid7

from pavrik.formats.motion_files import read_csv
from pavrik.services.watch import films as films_module
from tests.api.helpers import a_set, add_lifter, ended
from tests.api.planned import ago, day_now


def at(lifter, *more):
    return "/".join([f"/api/lifters/{lifter}", *map(str, more)])


def asked(**changes):
    stand = {"distance_m": 4.0, "height_m": 0.6, "shake_px": 0.5}
    return {
        "film_id": str(uuid7()), "lift": "squat", "load_kg": 70.0, "reps": 1,
        "faults": ["hips-rise"], "stand": stand, "seed": 3,
    } | changes  # fmt: skip


def facts(**changes):
    return {
        "clip_id": str(uuid7()), "lift": "squat", "load_kg": 70.0, "filmed_on": str(day_now()),
        "large_plates": 1,
    } | changes  # fmt: skip


def send(coach, lifter, data, film_id=None):
    film_id = film_id or str(uuid7())
    headers = {"X-CSRF-Token": coach.csrf, "Content-Type": "application/octet-stream"}
    answer = coach.client.put(at(lifter, "films", film_id), content=data, headers=headers)
    return film_id, answer


@pytest.fixture(scope="module")
def filmed(coach):
    return add_lifter(coach, name="Film Probe", training_age="trained", mass_kg=70.0)


@pytest.fixture(scope="module")
def clip(coach, filmed):
    """A simulated film whose hips rise first, tracked."""
    request = asked()
    job = ended(coach, coach.post(at(filmed, "simulated-films"), request).json())
    assert job["state"] == "done", job
    film = coach.get(at(filmed, "films", request["film_id"]))
    assert (film.status_code, film.headers["content-type"]) == (200, "video/webm")
    still = coach.get(at(filmed, "films", request["film_id"], "still?time_s=0.5"))
    assert (still.status_code, still.headers["content-type"]) == (200, "image/jpeg")
    assert float(still.headers["x-time-s"]) == pytest.approx(0.5, abs=0.04)
    taps = coach.post(at(filmed, "simulated-films", "taps"), request).json()
    body = facts() | {"film_id": request["film_id"], "tapped_s": 0.0, "taps": taps}
    job = ended(coach, coach.post(at(filmed, "clips"), body).json())
    assert job["state"] == "done", job
    assert coach.get(at(filmed, "films", request["film_id"])).status_code == 404
    assert coach.get(at(filmed, "films", request["film_id"], "still")).status_code == 404
    return body["clip_id"]


def test_what_was_filmed_is_told_with_its_size_its_error_and_its_price(coach, filmed, clip):
    told = coach.get(at(filmed, "clips", clip)).json()
    assert (told["way"], len(told["reps"])) == ("simulated", 1)
    by_id = {f["detector"]: f for f in told["findings"]}
    hips = by_id.pop("hips-rise")
    assert (hips["state"], hips["reps"]) == ("fails", [1])
    assert hips["value"] == pytest.approx(0.05, abs=0.012)
    assert 0 < hips["error_sd"] < hips["told_from"] < hips["value"]
    assert hips["cost_kg"] > 1
    assert "at the size measured" in hips["cost_words"]
    assert by_id.pop("depth")["state"] == "cannot tell"
    assert {f["state"] for f in by_id.values()} == {"holds"}
    assert told["verdict"]["fails"] == ["Hips rise first"]
    assert "Dive" in told["verdict"]["not_seen"]
    assert "Hips rise first" not in told["verdict"]["not_seen"]
    assert told["verdict"]["cue"]
    assert [p["phase"] for p in told["phases"]] == [
        "set", "descent", "bottom", "out of the hole", "middle", "finish"]  # fmt: skip
    assert told["reps"][0]["depth"] == "cannot tell"
    assert any("film from the front" in line for line in told["cannot_tell"])
    frames = told["frames"]
    assert len(frames["times_s"]) == len(frames["bar_z_m"]) == len(frames["pixels"]["hip"])
    listed = coach.get(at(filmed, "clips")).json()
    assert [c["clip_id"] for c in listed["clips"]] == [clip]
    pulls = listed["faults"]["deadlift"]
    assert [f["id"] for f in pulls if "side" in f["views"]] == ["hips-shoot", "bar-away"]
    assert coach.get(at(filmed)).json()["stages"]["watch"]["state"] == "drafted"


def test_the_points_leave_as_open_files(coach, filmed, clip):
    motion = read_csv(coach.get(at(filmed, "clips", clip, "track.csv")).text)
    assert set(motion.markers) == {"bar", "ankle", "knee", "hip", "shoulder"}
    assert coach.get(at(filmed, "clips", clip, "track.trc")).text.startswith("PathFileType")
    assert coach.get(at(filmed, "clips", clip, "track.c3d")).content[1] == 0x50


def say(coach, lifter, clip, subject, word):
    body = {"word_id": str(uuid7()), "subject": subject, "word": word}
    return coach.post(at(lifter, "clips", clip, "words"), body)


def test_only_what_the_coach_confirms_enters_the_log(coach, filmed, clip):
    unknown = say(coach, filmed, clip, "knees-in", "confirmed")
    assert unknown.status_code == 422
    assert "it has" in unknown.json()["detail"]
    assert say(coach, filmed, clip, "hips-rise", "dismissed").status_code == 201
    path = at(filmed, "clips", clip, "log")
    empty = coach.post(path, {"set_id": str(uuid7())}).json()["set_id"]
    by_id = {s["set_id"]: s for s in coach.get(at(filmed, "sets")).json()}
    assert by_id[empty]["faults"] == []
    assert (by_id[empty]["load_kg"], by_id[empty]["reps"]) == (70.0, 1)
    reps = coach.get(at(filmed, "clips", clip)).json()["reps"]
    told = by_id[empty]["measures"]["rep_speed_m_s"]
    assert told == pytest.approx(reps[0]["mean_m_s"], abs=0.001)

    assert say(coach, filmed, clip, "hips-rise", "confirmed").status_code == 201
    own = a_set(load_kg=70.0, reps=3, performed_at=ago(0))
    assert coach.post(at(filmed, "sets"), own).status_code == 201
    amended = coach.post(path, {"set_id": str(uuid7()), "replaces": own["set_id"]})
    assert amended.status_code == 201, amended.text
    sets = {s["set_id"]: s for s in coach.get(at(filmed, "sets")).json()}
    assert own["set_id"] not in sets
    (fault,) = sets[amended.json()["set_id"]]["faults"]
    assert (fault["fault_id"], fault["phase"], fault["rep"]) == ("hips-rise", "out of the hole", 1)
    assert fault["film_s"] > 1
    assert fault["note"].startswith("film: ")
    told = coach.get(at(filmed, "clips", clip)).json()
    assert told["logged"]
    words = {f["detector"]: f["word"] for f in told["findings"]}
    assert (words["hips-rise"], words["dive"]) == ("confirmed", "undecided")
    again = coach.post(path, {"set_id": str(uuid7()), "replaces": amended.json()["set_id"]}).json()[
        "set_id"
    ]
    assert len({s["set_id"]: s for s in coach.get(at(filmed, "sets")).json()}[again]["faults"]) == 1
    body = {"set_id": str(uuid7()), "replaces": again, "rpe": 8.5}
    key = uuid7()
    first = coach.post(path, body, key)
    assert coach.post(path, body, key).json() == first.json() == {"set_id": body["set_id"]}
    rated = next(s for s in coach.get(at(filmed, "sets")).json() if s["set_id"] == body["set_id"])
    assert rated["rpe"] == 8.5


def test_a_clip_is_one_set_however_often_it_is_logged(coach, filmed, clip):
    def logged(**more):
        """The faults of the set that stands after a log, and how many sets the lifter has."""
        body = {"set_id": str(uuid7()), **more}
        set_id = coach.post(at(filmed, "clips", clip, "log"), body).json()["set_id"]
        sets = {s["set_id"]: s for s in coach.get(at(filmed, "sets")).json()}
        return set_id, [f["fault_id"] for f in sets[set_id]["faults"]], len(sets)

    say(coach, filmed, clip, "hips-rise", "confirmed")
    _, faults, sets_before = logged()
    assert faults == ["hips-rise"]
    say(coach, filmed, clip, "hips-rise", "undecided")
    amended, faults, now = logged()
    assert (faults, now) == ([], sets_before)
    assert coach.post(f"/api/sets/{amended}/withdrawal", {"new_id": str(uuid7())}).status_code < 300
    gone = coach.post(
        at(filmed, "clips", clip, "log"), {"set_id": str(uuid7()), "replaces": amended}
    )
    assert "the set was taken back" in gone.json()["detail"]
    say(coach, filmed, clip, "hips-rise", "confirmed")
    _, faults, now = logged()
    assert (faults, now) == (["hips-rise"], sets_before)


def test_a_set_that_cannot_be_the_one_on_film_is_refused(coach, filmed, clip):
    path = at(filmed, "clips", clip, "log")
    logged = a_set(load_kg=82.5, reps=3, performed_at=ago(0))
    assert coach.post(at(filmed, "sets"), logged).status_code == 201
    refused = coach.post(path, {"set_id": str(uuid7()), "replaces": logged["set_id"]})
    assert refused.status_code == 422
    assert "the film is of 70 kg and the set of 82.5 kg" in refused.json()["detail"]
    theirs = coach.post(path, {"set_id": str(uuid7()), "replaces": str(uuid7())})
    assert "not one of this lifter's" in theirs.json()["detail"]


def test_the_lifter_sees_on_his_link_what_the_coach_shows(coach, nobody, filmed, clip):
    link = coach.post(at(filmed, "links"), {"link_id": str(uuid7())}).json()["path"]
    shared = f"/api/shared/{link.removeprefix('/s/')}"
    assert nobody.get(shared).json()["clips"] == []
    assert say(coach, filmed, clip, "clip", "shown").status_code == 201
    (told,) = nobody.get(shared).json()["clips"]
    assert told["clip_id"] == clip
    assert told["fails"] == ["Hips rise first"]
    assert "findings" not in told
    assert say(coach, filmed, clip, "clip", "hidden").status_code == 201
    assert nobody.get(shared).json()["clips"] == []


def test_two_taps_at_the_deepest_picture_tell_the_depth_of_a_rep(coach, filmed, clip):
    path, word_id = at(filmed, "clips", clip, "depth"), str(uuid7())
    told = coach.get(at(filmed, "clips", clip)).json()
    (rep,) = told["reps"]
    assert (rep["depth"], rep["tapped"]) == ("cannot tell", False)
    frames = told["frames"]
    turn = frames["times_s"].index(round(rep["turn_s"], 4))
    hip, knee = (frames["pixels"][name][turn] for name in ("hip", "knee"))
    deep = {"word_id": word_id, "rep": 1, "crease": hip, "knee_top": [knee[0], knee[1] - 40]}
    assert coach.post(path, deep).status_code == 201
    (rep,) = coach.get(at(filmed, "clips", clip)).json()["reps"]
    assert (rep["depth"], rep["tapped"], rep["unsure_m"]) == ("deep", True, 0.025)
    assert 0.03 < rep["below_m"] < 0.5
    wild = deep | {"word_id": str(uuid7()), "knee_top": [knee[0], 5]}
    assert "cm apart in height" in coach.post(path, wild).json()["detail"]
    assert (
        "no rep 2: the last one is 1"
        in coach.post(path, deep | {"rep": 2, "word_id": str(uuid7())}).text
    )


def test_taps_alone_tell_single_moments_and_the_film_stays_away(coach, filmed):
    taps = {"plate": [480, 190], "plate_radius": 46, "knee": [492, 318], "hip": [474, 226],
            "ankle": [468, 392]}  # fmt: skip
    lower = taps | {"plate": [485, 300], "hip": [440, 330], "knee": [520, 320]}
    body = facts() | {
        "width": 960, "height": 540,
        "instants": [{"time_s": 2.0, "taps": lower}, {"time_s": 0.5, "taps": taps}],
    }  # fmt: skip
    key = uuid7()
    first = coach.post(at(filmed, "clips/points"), body, key)
    assert first.status_code == 201, first.text
    assert coach.post(at(filmed, "clips/points"), body, key).json() == first.json()
    told = coach.get(at(filmed, "clips", body["clip_id"])).json()
    assert (told["way"], told["reps"], told["findings"]) == ("points", [], [])
    assert [i["time_s"] for i in told["instants"]] == [0.5, 2.0]
    assert told["instants"][1]["lean_deg"] > told["instants"][0]["lean_deg"] + 10
    assert told["cannot_tell"][0].startswith("no whole rep")
    refused = coach.post(at(filmed, "clips", body["clip_id"], "log"), {"set_id": str(uuid7())})
    assert (refused.status_code, "no whole rep" in refused.json()["detail"]) == (422, True)
    twice = body | {"clip_id": str(uuid7()), "instants": [body["instants"][0]] * 2}
    assert "same time" in coach.post(at(filmed, "clips/points"), twice).json()["detail"]
    assert say(coach, filmed, body["clip_id"], "clip", "withdrawn").status_code == 201
    assert coach.get(at(filmed, "clips", body["clip_id"])).status_code == 404


def test_what_is_no_film_is_told_and_leaves_nothing(coach, filmed):
    film_id, answer = send(coach, filmed, b"not a film" * 1000)
    assert answer.json() == {"film_id": film_id, "size_bytes": 10_000}
    taps = {"plate": [480, 190], "plate_radius": 46, "knee": [492, 318], "hip": [474, 226],
            "ankle": [468, 392]}  # fmt: skip
    body = facts() | {"film_id": film_id, "tapped_s": 0.0, "taps": taps}
    job = ended(coach, coach.post(at(filmed, "clips"), body).json())
    assert job["state"] == "failed"
    assert "not a film that can be read" in job["told"]
    assert coach.get(at(filmed, "films", film_id)).status_code == 404
    assert coach.get(at(filmed, "clips", body["clip_id"])).status_code == 404
    gone = coach.post(at(filmed, "clips"), body)
    assert (gone.status_code, "send it again" in gone.json()["detail"]) == (404, True)


def test_a_film_that_is_too_large_empty_or_one_too_many_is_refused(coach, filmed, monkeypatch):
    _, empty = send(coach, filmed, b"")
    assert (empty.status_code, "empty" in empty.json()["detail"]) == (422, True)
    monkeypatch.setattr(films_module, "MOST_BYTES", 1000)
    film_id, large = send(coach, filmed, b"x" * 1500)
    assert (large.status_code, "larger than" in large.json()["detail"]) == (422, True)
    assert coach.get(at(filmed, "films", film_id)).status_code == 404
    monkeypatch.setattr(films_module, "MOST_WAITING", 1)
    kept, first = send(coach, filmed, b"x" * 10)
    assert first.status_code == 200
    _, second = send(coach, filmed, b"x" * 10)
    assert "finish or drop one first" in second.json()["detail"]
    assert coach.send("DELETE", at(filmed, "films", kept)).status_code == 200
    assert coach.get(at(filmed, "films", kept)).status_code == 404


def test_a_forgotten_film_is_swept(coach, filmed, monkeypatch):
    kept, _ = send(coach, filmed, b"x" * 10)
    monkeypatch.setattr(films_module, "KEPT_S", -1)
    send(coach, filmed, b"y" * 10)
    assert coach.get(at(filmed, "films", kept)).status_code == 404


def test_a_stopped_job_deletes_the_film_and_keeps_no_clip(coach, filmed):
    request = asked(faults=[])
    assert (
        ended(coach, coach.post(at(filmed, "simulated-films"), request).json())["state"] == "done"
    )
    taps = coach.post(at(filmed, "simulated-films", "taps"), request).json()
    body = facts() | {"film_id": request["film_id"], "tapped_s": 0.0, "taps": taps}
    job = coach.post(at(filmed, "clips"), body).json()
    coach.send("DELETE", f"/api/jobs/{job['job_id']}")
    job = ended(coach, coach.get(f"/api/jobs/{job['job_id']}").json())
    assert job["state"] == "cancelled"
    pause = Event()
    while coach.get(at(filmed, "films", request["film_id"])).status_code != 404:
        pause.wait(0.05)
    assert coach.get(at(filmed, "clips", body["clip_id"])).status_code == 404


def test_another_club_and_a_reader_film_nothing(stranger, reader, filmed):
    for who, status in ((stranger, 404), (reader, 403)):
        _, answer = send(who, filmed, b"x")
        assert answer.status_code == status
        assert who.send("DELETE", at(filmed, "films", uuid7())).status_code == status
        assert who.post(at(filmed, "simulated-films"), asked()).status_code == status


def test_a_fault_that_the_phone_does_not_know_and_a_missing_tap_are_told(coach, filmed):
    odd = coach.post(at(filmed, "simulated-films"), asked(faults=["bar-away"]))
    assert (odd.status_code, "hips-rise" in odd.json()["detail"]) == (422, True)
    taps = {"plate": [480, 190], "plate_radius": 46, "knee": [492, 318], "hip": [474, 226]}
    body = facts() | {"film_id": str(uuid7()), "tapped_s": 0.0, "taps": taps}
    missing = coach.post(at(filmed, "clips"), body)
    assert "tap the ankle in a squat" in missing.text
