"""From a fault that is seen to what is done: check, drill, task, over HTTP."""

import psycopg
from uuid6 import uuid7

from tests.api.helpers import a_set, add_lifter, seen
from tests.api.planned import ago, lines_of, make


def with_fault(coach, fault_id, phase, lift="squat"):
    lifter = add_lifter(coach, name=f"Sees {fault_id}", training_age="trained")
    for week in range(4):
        logged = a_set(
            lift=lift, load_kg=100.0 + week, performed_at=ago(22 - 7 * week),
            faults=[seen(fault_id, phase, rep=r, severity=1) for r in (1, 4)],
        )  # fmt: skip
        assert coach.post(f"/api/lifters/{lifter}/sets", logged).status_code == 201
    return lifter


def drills_of(plan):
    return {x["variation"] for x in lines_of(plan) if x["kind"] == "drill"}


def test_a_rack_that_is_too_high_becomes_a_check_on_card_plan_and_platform(coach, gym):
    lifter = with_fault(coach, "rack-high", "unrack")
    words = "Set the hooks one hole lower and check the dip on the card."
    assert coach.get(f"/api/lifters/{lifter}/card").json()["checks"] == [words]
    days = [d for w in make(coach, lifter)["plan"]["weeks"] for d in w["days"]]
    assert any(words in d["checks"] for d in days)
    calendar = coach.get(f"/api/lifters/{lifter}/plan.ics").text.replace("\r\n ", "")
    assert f"Before the set: {words}" in calendar
    found = coach.get(f"/api/platform?lifter_id={lifter}&lift=squat").json()["lifters"][0]
    squat, pull = found["lifts"]
    assert squat["checks"] == [words]
    assert pull["checks"] == []


def test_a_drill_stays_until_it_is_passed_and_then_leaves(coach, gym, owner_url):
    lifter = with_fault(coach, "false-depth", "bottom")
    assert "depth box" in drills_of(make(coach, lifter))
    path = f"/api/lifters/{lifter}/drills"
    result = {"result_id": str(uuid7()), "lift": "squat", "stage": "depth box", "passed": False}
    assert coach.post(path, result).status_code == 201
    assert "depth box" in drills_of(make(coach, lifter))
    assert coach.post(path, result | {"result_id": str(uuid7()), "passed": True}).status_code == 201
    assert "depth box" not in drills_of(make(coach, lifter))
    assert coach.post(path, result | {"result_id": str(uuid7())}).status_code == 201
    assert "depth box" in drills_of(make(coach, lifter)), "the newest result counts"
    assert coach.post(path, result | {"result_id": str(uuid7()), "passed": True}).status_code == 201
    assert "depth box" not in drills_of(make(coach, lifter))
    with psycopg.connect(owner_url, autocommit=True) as connection:
        connection.execute(
            "update drill_result set said_at = said_at - interval '121 days' where lifter_id = %s",
            (lifter,),
        )
    assert "depth box" in drills_of(make(coach, lifter)), "the fault is back: drilled anew"


def test_a_set_up_that_could_mend_it_is_a_task_until_a_test_rules_its_cause_out(coach, gym):
    lifter = with_fault(coach, "too-deep", "bottom")
    plan = make(coach, lifter)
    facts = [f for p in plan["plan"]["proposals"] for f in p["facts"]]
    assert "repair:squat:widen-1cm" in facts
    cause = coach.get(f"/api/lifters/{lifter}/diagnosis/squat/too-deep").json()["causes"]
    for one in cause:
        tested = {
            "test_id": str(uuid7()), "fault_id": "too-deep", "cause_id": one["cause_id"],
            "result": "against", "tested_at": ago(0),
        }  # fmt: skip
        assert coach.post(f"/api/lifters/{lifter}/tests", tested).status_code == 201
    standing = coach.get(f"/api/lifters/{lifter}/plan").json()
    facts = [f for p in standing["proposals"] for f in p["facts"]]
    assert "repair:squat:widen-1cm" not in facts, "a logged test re-plans at once"


def test_the_floor_counts_what_happens_once_a_set_by_the_set(coach, gym):
    lifter = add_lifter(coach, name="Walks Far", training_age="trained")
    for day in range(8):
        logged = a_set(
            load_kg=100.0, performed_at=ago(8 - day),
            faults=[seen("long-walkout", "walk-out", rep=1, severity=1)],
        )  # fmt: skip
        assert coach.post(f"/api/lifters/{lifter}/sets", logged).status_code == 201
    row = next(r for r in coach.get("/api/floor").json() if r["lifter_id"] == lifter)
    assert any("8 of 8 sets in 14 days" in need["text"] for need in row["needs"]), row["needs"]
