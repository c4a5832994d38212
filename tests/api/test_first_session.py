"""From nothing known to a plan with kilos: the guided first session over HTTP."""

from datetime import UTC, datetime

from uuid6 import uuid7

from tests.api.helpers import a_set, add_lifter
from tests.api.planned import edit, lines_of, make


def platform_of(coach, lifter):
    answer = coach.get(f"/api/platform?lifter_id={lifter}&lift=squat").json()["lifters"][0]
    return next(x for x in answer["lifts"] if x["lift"] == "squat"), answer


def do(coach, lifter, load_kg, rpe):
    logged = a_set(
        lift="squat", load_kg=load_kg, reps=5, rpe=rpe, faults=[],
        performed_at=datetime.now(UTC).isoformat(),
    )  # fmt: skip
    assert coach.post(f"/api/lifters/{lifter}/sets", logged).status_code == 201


def test_a_stranger_to_the_bar_comes_to_kilos_in_one_session(coach, gym):
    lifter = add_lifter(coach, name="Nothing Known", training_age="novice")
    way_up = [x for x in lines_of(make(coach, lifter)) if x["until_rpe"]]
    squats = [x["load_kg"] for x in way_up if x["lift"] == "squat"]
    assert squats[0] == 20.0
    now, _ = platform_of(coach, lifter)
    assert now["next"]["load_kg"] == 20.0
    assert (now["next"]["sets"], now["next"]["reps"]) == (1, 5)
    do(coach, lifter, squats[0], 4.0)
    do(coach, lifter, squats[1], 4.0)
    now, _ = platform_of(coach, lifter)
    assert now["next"]["load_kg"] == squats[2]
    do(coach, lifter, squats[2], 5.5)
    now, _ = platform_of(coach, lifter)
    assert squats[2] < now["next"]["load_kg"] < squats[3]
    assert "began to be felt" in now["next"]["reasons"][0]["text"]
    do(coach, lifter, now["next"]["load_kg"], 7.0)
    now, _ = platform_of(coach, lifter)
    left = [x for x in now["planned"] if x["until_rpe"] and not x["done"]]
    assert not left, "the rest of the way falls away"
    coach.post(f"/api/lifters/{lifter}/plan/reflow", {"plan_id": str(uuid7())})
    after = lines_of(coach.get(f"/api/lifters/{lifter}/plan").json())
    mains = [x for x in after if x["kind"] == "main" and x["lift"] == "squat"]
    coming = [x for x in mains if not x["until_rpe"]]
    assert len(mains) - len(coming) == len(squats), "today stays what it was"
    assert len(coming) >= 4
    assert all(x["load_kg"] for x in coming), "every later squat has kilos"


def test_other_work_of_the_day_stands_on_the_platform_in_words(coach, gym):
    lifter = add_lifter(coach, name="Also Benches")
    day = make(coach, lifter)["plan"]["weeks"][0]["days"][0]
    edit(
        coach, lifter, kind="add", line_id="own-bench", day_id=day["day_id"], lift="other",
        name="Bench press", sets=4, reps=6, rpe=8,
    )  # fmt: skip
    _, answer = platform_of(coach, lifter)
    assert answer["other_work"] == ["Bench press: 4 × 6 @ 8"]
