"""A shape of a season of one's own over HTTP: written, looked at, tried, kept, planned by, taken
along."""

import pytest

from tests.api.planned import frame, lines_of, make
from tests.golden.requests import made_up

LIBRARY = "/api/library/own"
FIVES = "own-fives"


@pytest.fixture
def fives(coach):
    """A draft of fives, made from what ships."""
    shapes = coach.get("/api/shapes").json()
    draft = next(s for s in shapes if s["id"] == "steady")["text"]
    draft |= {"name": "Fives first", "words": "fives until the meet is near"}
    draft["main"] |= {"build": ["5 x 5 @ 6.5", "5 x 5 @ 7", "5x5 @ 7,5"]}
    return draft


def look(coach, draft):
    answer = coach.post("/api/shapes/look", draft)
    assert answer.status_code == 200, answer.text
    return answer.json()


def keep(coach, body, ident=FIVES, hidden=False):
    return coach.post(
        LIBRARY, {"entries": [{"kind": "shape", "ident": ident, "body": body, "hidden": hidden}]}
    )


def test_what_ships_reads_back_as_it_is_written(coach):
    for shape in coach.get("/api/shapes").json():
        seen = look(coach, shape["text"])
        assert seen["problems"] == [] == seen["remarks"], shape["id"]
        assert len(seen["outline"]) == 12
        assert seen["body"]["name"] == shape["name"]


def test_a_draft_shows_its_weeks_and_what_a_coach_would_ask(coach, fives):
    seen = look(coach, fives)
    assert [w["main"][0]["words"] for w in seen["outline"][:4]] == [
        "5 x 5 @ 6.5", "5 x 5 @ 7", "5 x 5 @ 7.5", "2 x 4 at 68 %",
    ]  # fmt: skip
    assert seen["outline"][0]["main"][0]["reps"] == 25
    assert 0.7 < seen["outline"][0]["main"][0]["share"] < 0.8
    falls = fives | {"main": fives["main"] | {"build": ["5 x 5 @ 8", "5 x 5 @ 7"]}}
    assert "RPE 7 in week 2 after 8" in look(coach, falls)["remarks"][0]


def test_every_wrong_cell_is_named_at_once(coach, fives):
    fives["main"]["build"][1] = "five fives"
    fives["second"]["light"] = "2 x 3 at 60 %; 1 x 1 @ 7"
    seen = look(coach, fives)
    assert {p["where"] for p in seen["problems"]} == {"main build 2", "second light"}
    assert "“five fives” is no sets x reps" in seen["problems"][0]["words"]
    assert seen["body"] is None
    fives["main"]["build"][1], fives["second"]["light"] = "5 x 5 @ 7", "2 x 3 at 60 %"
    del fives["main"]["test"]
    whole = look(coach, fives)["problems"]
    assert whole == [{"where": "main test 1", "words": "nothing is asked of these weeks"}]
    fives["main"]["test"], fives["volume"] = ["1 x 1 @ 9"], {"build": "2 x 6 @ 7"}
    assert {p["where"] for p in look(coach, fives)["problems"]} == {
        "volume strengthen", "volume sharpen", "volume light", "volume test",
    }  # fmt: skip
    fives["volume"], fives["light_every"] = {}, 1
    (whole,) = look(coach, fives)["problems"]
    assert whole["where"] == ""
    assert "a light week every 1" in whole["words"]


def test_an_own_shape_is_kept_and_a_plan_follows_it_as_it_was(coach, lifter, fives):
    body = look(coach, fives)["body"]
    refused = coach.post(f"/api/lifters/{lifter}/plan/preview", frame() | {"shape": FIVES})
    assert refused.status_code == 422
    assert "there is no shape “own-fives”: choose one of steady" in refused.text
    assert keep(coach, body).status_code == 200
    mine = next(s for s in coach.get("/api/shapes").json() if s["id"] == FIVES)
    assert (mine["own"], mine["hidden"], mine["name"]) == (True, False, "Fives first")
    plan = make(coach, lifter, shape=FIVES)
    assert next(x for x in lines_of(plan) if x["kind"] == "main")["reps"] == 5
    changed = body | {"main": body["main"] | {"build": [[{"sets": 3, "reps": 8, "rpe": 7}]]}}
    assert keep(coach, changed).status_code == 200
    stands = coach.get(f"/api/lifters/{lifter}/plan").json()
    assert stands["plan"] == plan["plan"]
    assert stands["pending"] == plan["pending"], "the season goes on as it was asked for"
    assert stands["ask"]["own_shape"]["name"] == "Fives first"


def test_a_bad_shape_and_a_shipped_name_are_refused_in_one_sentence(coach, fives):
    body = look(coach, fives)["body"]
    wrong = body | {"second": body["second"] | {"light": {"sets": 0, "reps": 3, "share": 0.6}}}
    answer = keep(coach, wrong)
    assert answer.status_code == 422
    assert "Fives first: second light: 0 x 3: 1 to 12 sets" in answer.text
    assert answer.text.count("this is missing") == 0, "nothing is said of faults and causes"
    both = body | {"second": body["second"] | {"light": {"sets": 2, "reps": 3}}}
    assert "a dose has an rpe or a share of the max" in keep(coach, both).text
    taken = keep(coach, body, ident="steady")
    assert taken.status_code == 422
    assert "shipped ones stay" in taken.text
    assert "no shape “own-nothing” ships" in keep(coach, None, "own-nothing", hidden=True).text


def test_a_shipped_shape_can_be_hidden_and_shown(coach):
    def hidden():
        return {s["id"] for s in coach.get("/api/shapes").json() if s["hidden"]}

    assert keep(coach, None, "two_days", hidden=True).status_code == 200
    assert hidden() == {"two_days"}
    assert keep(coach, None, "two_days", hidden=False).status_code == 200
    assert hidden() == set()


def test_own_shapes_are_taken_along_in_the_library_file(coach, fives):
    body = look(coach, fives)["body"]
    assert keep(coach, body, "own-taken-along").status_code == 200
    file = coach.get(LIBRARY).json()
    assert next(e for e in file["entries"] if e["ident"] == "own-taken-along")["body"] == body
    assert coach.post(LIBRARY, file).status_code == 200


def test_a_made_up_lifter_goes_through_twelve_weeks_of_it(coach, fives):
    body = look(coach, fives)["body"]
    told = coach.post("/api/compute/story", {"shape": body, "number": 1})
    assert told.status_code == 200, told.text
    story = told.json()
    assert story == coach.post("/api/compute/story", {"shape": body, "number": 1}).json()
    assert story["within_three"] > 0.7
    assert story["too_near"] == 0
    assert story["days_a_week"] == 3


def test_the_clubs_shapes_are_its_own(coach, stranger, fives):
    keep(coach, look(coach, fives)["body"], "own-secret")
    assert "own-secret" not in stranger.get("/api/shapes").text


def test_the_public_plan_takes_the_shape_itself(coach, fives):
    usual = made_up(1)["plan"] | {"training_age": "trained"}
    own = usual | {"own_shape": look(coach, fives)["body"]}
    first = [
        next(
            x
            for d in coach.post("/api/compute/plan", asked).json()["plan"]["weeks"][0]["days"]
            for x in d["lines"]
            if x["kind"] == "main"
        )
        for asked in (usual, own)
    ]
    assert (first[1]["reps"], first[1]["rpe"]) != (first[0]["reps"], first[0]["rpe"])
    assert first[1]["reps"] == 5
