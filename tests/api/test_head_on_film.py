"""A film from behind over HTTP: filmed, tapped, tracked, told on the lifter's own side, logged."""

from dataclasses import asdict
from io import BytesIO

import numpy as np
import pytest
from pypdf import PdfReader
from uuid6 import uuid7

from pavrik.demo.made_up import LARGE_PLATES
from tests.api.helpers import add_lifter, ended
from tests.api.test_film import asked, at, facts, say
from tests.core.test_head_on import head_on_shot


@pytest.fixture(scope="module")
def filmed(coach):
    return add_lifter(coach, name="Rear Probe", training_age="trained", mass_kg=70.0)


@pytest.fixture(scope="module")
def clip(coach, filmed):
    """A simulated film from behind whose hips go left, tracked."""
    request = asked(view="rear", faults=["hip-shift"])
    job = ended(coach, coach.post(at(filmed, "simulated-films"), request).json())
    assert job["state"] == "done", job
    taps = coach.post(at(filmed, "simulated-films", "head-on-taps"), request).json()
    assert taps["knee_left"] is None
    body = facts() | {
        "film_id": request["film_id"], "tapped_s": 0.0, "view": "rear", "taps": taps,
    }  # fmt: skip
    job = ended(coach, coach.post(at(filmed, "clips", "head-on"), body).json())
    assert job["state"] == "done", job
    assert coach.get(at(filmed, "films", request["film_id"])).status_code == 404
    return body["clip_id"]


def test_hips_to_one_side_are_told_priced_and_logged_on_that_side(coach, nobody, filmed, clip):
    told = coach.get(at(filmed, "clips", clip)).json()
    assert (told["view"], len(told["reps"])) == ("rear", 1)
    by_id = {f["detector"]: f for f in told["findings"]}
    assert set(by_id) == {"hips-aside", "bar-tilts"}, "knees are not seen from behind"
    hips = by_id["hips-aside"]
    assert (hips["state"], hips["side"]) == ("fails", "left")
    assert hips["value"] == pytest.approx(0.048, abs=0.012)
    assert 0 < hips["cost_kg"] < 0.12 * told["predicted_max_kg"], "the bar stayed in the middle"
    assert "lifter and bar together" in hips["cost_words"]
    assert "knees in: film from the front" in told["cannot_tell"]
    (row,) = told["phases"]
    assert row["instant"] is None
    assert row["head_on"]["hips_off_m"] > 0.02
    (line,) = coach.get(at(filmed, "clips")).json()["clips"]
    assert line["view"] == "rear"

    assert say(coach, filmed, clip, "hips-aside", "confirmed").status_code == 201
    logged = coach.post(at(filmed, "clips", clip, "log"), {"set_id": str(uuid7())}).json()
    (one,) = [s for s in coach.get(at(filmed, "sets")).json() if s["set_id"] == logged["set_id"]]
    assert [(f["fault_id"], f["side"]) for f in one["faults"]] == [("hip-shift", "left")]
    assert say(coach, filmed, clip, "clip", "shown").status_code == 201
    link = coach.post(at(filmed, "links"), {"link_id": str(uuid7())}).json()["path"]
    (shown,) = nobody.get(f"/api/shared/{link.removeprefix('/s/')}").json()["clips"]
    assert (shown["view"], shown["bar_path"]) == ("rear", [])
    assert shown["told"][0].startswith("Hips shift, left: ")


def test_what_is_asked_from_the_wrong_side_is_told(coach, filmed, clip):
    odd = coach.post(at(filmed, "simulated-films"), asked(view="front", faults=["hips-rise"]))
    assert (odd.status_code, "knees-in" in odd.json()["detail"]) == (422, True)
    side = coach.post(at(filmed, "simulated-films", "head-on-taps"), asked())
    assert "ask for those" in side.json()["detail"]
    edge = {"top": [100, 100], "bottom": [100, 200]}
    far = {"top": [700, 100], "bottom": [700, 200]}
    taps = {"plate_left": edge, "plate_right": far, "ankle_left": [300, 400],
            "ankle_right": [500, 400]}  # fmt: skip
    body = facts() | {"film_id": str(uuid7()), "tapped_s": 0.0, "taps": taps}
    pull = coach.post(at(filmed, "clips", "head-on"), body | {"view": "front", "lift": "deadlift"})
    assert pull.status_code == 404, "of a pull the bar is enough; there is no such film"
    for view, missing in (("front", "tap both knees"), ("rear", "tap the middle of the belt")):
        refused = coach.post(at(filmed, "clips", "head-on"), body | {"view": view})
        assert (refused.status_code, missing in refused.text) == (422, True)
    taps = {"word_id": str(uuid7()), "rep": 1, "crease": [1, 1], "knee_top": [2, 2]}
    no_depth = coach.post(at(filmed, "clips", clip, "depth"), taps)
    assert (no_depth.status_code, "from the side" in no_depth.json()["detail"]) == (422, True)
    points = coach.get(at(filmed, "clips", clip, "track.csv"))
    assert (points.status_code, "from the side" in points.json()["detail"]) == (422, True)


def test_the_coach_says_a_line_otherwise_on_the_sheet_the_print_and_the_link(
    coach, nobody, filmed, clip
):
    def said(subject, words):
        body = {"word_id": str(uuid7()), "subject": subject, "word": "said", "words": words}
        return coach.post(at(filmed, "clips", clip, "words"), body)

    for subject, words in (
        ("phase out of the hole", "Left hip first, I saw it from the chair too"),
        ("the cue", "Push the floor with the right foot"),
        ("the set", "A good set otherwise"),
    ):
        assert said(subject, words).status_code == 201
    told = coach.get(at(filmed, "clips", clip)).json()
    assert told["phases"][0]["said"] == "Left hip first, I saw it from the chair too"
    assert told["verdict"]["said_cue"] == "Push the floor with the right foot"
    assert told["verdict"]["cue"], "what Pavrik would say stays on record"
    assert "it has phase out of the hole, the cue, the set" in said("phase lockout", "no").text
    assert say(coach, filmed, clip, "clip", "shown").status_code == 201

    printed = coach.get(at(filmed, "clips", clip, "review.pdf"))
    assert printed.headers["content-type"] == "application/pdf"
    pages = PdfReader(BytesIO(printed.content)).pages
    text = " ".join(page.extract_text() for page in pages).replace("\n", " ")
    for words in ("Rear Probe", "A good set otherwise", "Next: Push the floor", "Left hip first",
                  "knees in: film from the front", "no referee's light"):  # fmt: skip
        assert words in text, words
    link = coach.post(at(filmed, "links"), {"link_id": str(uuid7())}).json()["path"]
    (shown,) = nobody.get(f"/api/shared/{link.removeprefix('/s/')}").json()["clips"]
    assert shown["said"] == "A good set otherwise"
    assert shown["cue"] == "Push the floor with the right foot"
    assert shown["lines"] == ["out of the hole: Left hip first, I saw it from the chair too"]
    assert said("the set", "").status_code == 201
    assert coach.get(at(filmed, "clips", clip)).json()["verdict"]["said"] == ""


def test_pictures_from_the_front_are_told_by_their_taps_alone(coach):
    lifter = add_lifter(coach, name="Front Probe", sex="male", mass_kg=83.0, stature_m=1.75)
    _, shot = head_on_shot("squat", "front", {"knees-in": 0.05}, reps=1, size=(960, 540))
    places = shot.motion.points
    out = places["left knee"][:, 1] - places["left ankle"][:, 1]
    frames = [0, int(np.argmin(out))]
    instants = [
        {"time_s": float(shot.motion.times_s[at]), "taps": asdict(shot.taps(at))} for at in frames
    ]
    body = facts(large_plates=LARGE_PLATES) | {
        "view": "front", "width": 960, "height": 540, "instants": instants[::-1],
    }  # fmt: skip
    path = at(lifter, "clips", "head-on-points")
    assert coach.post(path, body).status_code == 201
    told = coach.get(at(lifter, "clips", body["clip_id"])).json()
    assert (told["way"], told["view"], told["reps"]) == ("points", "front", [])
    assert told["cannot_tell"][0] == "single pictures: no rep and no speed is told of them"
    standing, deepest = told["head_on_instants"]
    for seen, frame in ((standing, frames[0]), (deepest, frames[1])):
        assert seen["knee_left_out_m"] == pytest.approx(float(out[frame]), abs=0.01)
    assert standing["tilt_m"] is None, "a tilt is told against where the bar stood"
    assert abs(deepest["tilt_m"]) < 0.005
    assert deepest["knee_left_out_m"] < deepest["expected_out_m"] - 0.03, "the knee goes in"
    printed = coach.get(at(lifter, "clips", body["clip_id"], "review.pdf"))
    (page, *_) = PdfReader(BytesIO(printed.content)).pages
    words = page.extract_text().replace("\n", " ")
    assert "tapped at 0.00 s" in words
    assert "knees out" in words
    twice = body | {"clip_id": str(uuid7()), "instants": instants[:1] * 2}
    assert "two pictures have the same time" in coach.post(path, twice).json()["detail"]
    blind = {**instants[0], "taps": instants[0]["taps"] | {"knee_left": None}}
    assert "tap both knees" in coach.post(path, body | {"instants": [blind]}).text
