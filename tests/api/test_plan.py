"""The plan over HTTP: from diagnosis to plan, overrule, platform."""

from datetime import UTC, datetime, timedelta

import psycopg
import pytest
from uuid6 import uuid7

from pavrik.services.plans import planning
from pavrik.services.plans.club_planning import SHARED_FROM
from tests.api.helpers import a_set, add_lifter, ended
from tests.api.planned import DISCS, day_now, edit, frame, lines_of, make, overrule


def test_a_preview_keeps_nothing(coach, lifter):
    shown = coach.post(f"/api/lifters/{lifter}/plan/preview", frame()).json()
    assert len(shown["plan"]["weeks"]) == len(shown["volume"]) == 6
    assert coach.get(f"/api/lifters/{lifter}/plan").json()["plan"] is None


def test_every_line_has_a_reason_that_leads_to_its_facts(coach, lifter):
    plan = make(coach, lifter)
    lines = lines_of(plan)
    assert all(x["reasons"] for x in lines)
    sets = {s["set_id"] for s in coach.get(f"/api/lifters/{lifter}/sets").json()}
    first = next(x for x in lines if x["kind"] == "main")
    assert set(first["reasons"][0]["facts"]) <= sets
    special = next(x for x in lines if x["kind"] == "special" and x["lift"] == "squat")
    assert any("fault:hips-rise" in b["facts"] for b in special["reasons"])
    drill = next(x for x in lines if x["kind"] == "drill")
    assert "slack" in drill["variation"]
    assert "passed with" in drill["reasons"][1]["text"]


def test_the_same_request_twice_makes_one_plan(coach, lifter):
    key, body = uuid7(), frame() | {"plan_id": str(uuid7())}
    for _ in range(2):
        assert coach.post(f"/api/lifters/{lifter}/plan", body, key).status_code == 200
    assert len(coach.get(f"/api/lifters/{lifter}/plan").json()["versions"]) == 1


def test_a_line_is_overruled_with_a_name_and_taken_back(coach, lifter):
    plan = make(coach, lifter)
    line = next(x for x in lines_of(plan) if x["kind"] == "main" and x["load_kg"])
    assert overrule(coach, lifter, line, load_kg=60.0).status_code == 200
    after = coach.get(f"/api/lifters/{lifter}/plan").json()
    now = next(x for x in lines_of(after) if x["line_id"] == line["line_id"])
    assert now["load_kg"] == 60.0
    assert now["overruled"]["coach"] == "owner"
    assert "seen on film" in now["reasons"][0]["text"]
    assert [x for x in lines_of(after) if x != now] == [
        x for x in lines_of(plan) if x["line_id"] != line["line_id"]
    ]
    overrule(coach, lifter, line, reason="")
    back = coach.get(f"/api/lifters/{lifter}/plan").json()
    assert lines_of(back) == lines_of(plan)
    assert back["hand"]["edits"] == []


def test_a_line_or_a_day_that_is_not_there_says_so(coach, lifter):
    make(coach, lifter)
    ghost = {"line_id": "w99d9-squat-0", "variation": "competition"}
    answer = overrule(coach, lifter, ghost, load_kg=60.0)
    assert answer.status_code == 422
    assert "no line w99d9-squat-0" in answer.text
    on = str(day_now() + timedelta(days=400))
    for wrong, words in (
        ({"kind": "day", "day_id": "w99d9", "to_date": str(day_now())}, "no day w99d9"),
        ({"kind": "day", "day_id": "w01d1", "to_date": on}, "is outside the plan"),
        ({"kind": "undo", "undoes": str(uuid7())}, "no such edit"),
    ):
        answer = edit(coach, lifter, **wrong)
        assert answer.status_code == 422
        assert words in answer.json()["detail"]


def bench(**more):
    return {
        "kind": "add", "line_id": f"own-{uuid7()}"[:40], "day_id": "w01d1", "lift": "other",
        "name": "Bench press", "sets": 4, "reps": 6, "rpe": 8, "load_kg": 72.5,
    } | more  # fmt: skip


def test_what_a_coach_adds_moves_and_undoes(coach, lifter):
    plan = make(coach, lifter)
    first = plan["plan"]["weeks"][0]["days"][0]
    assert edit(coach, lifter, **bench(weekly=True)).status_code == 200
    free = str(day_now() + timedelta(days=1))
    assert edit(coach, lifter, kind="day", day_id=first["day_id"], to_date=free).status_code == 200
    now = coach.get(f"/api/lifters/{lifter}/plan").json()
    moved = next(d for d in now["plan"]["weeks"][0]["days"] if d["day_id"] == first["day_id"])
    assert moved["on"] == free
    assert "owner moves this here from" in moved["moved"]
    assert len([x for x in lines_of(now) if x["variation"] == "Bench press"]) == 6
    words = [e["words"] for e in now["hand"]["edits"]]
    assert "Bench press" in words[0]
    assert "every week" in words[0]
    assert "moved to" in words[1]
    assert edit(coach, lifter, kind="undo", undoes=now["hand"]["last"]).status_code == 200
    back = coach.get(f"/api/lifters/{lifter}/plan").json()
    assert back["plan"]["weeks"][0]["days"][0]["on"] == first["on"]
    assert len(back["hand"]["edits"]) == 1


def test_a_reflow_keeps_what_was_done_by_hand(coach, lifter):
    plan = make(coach, lifter)
    line = next(x for x in lines_of(plan) if x["kind"] == "main" and x["load_kg"])
    overrule(coach, lifter, line, load_kg=60.0)
    edit(coach, lifter, **bench())
    body = {"plan_id": str(uuid7())}
    assert coach.post(f"/api/lifters/{lifter}/plan/reflow", body).status_code == 200
    after = {x["line_id"]: x for x in lines_of(coach.get(f"/api/lifters/{lifter}/plan").json())}
    assert after[line["line_id"]]["load_kg"] == 60.0
    assert any(x["variation"] == "Bench press" for x in after.values())


def test_other_work_is_no_set_of_a_lift_and_an_unknown_lift_is_refused(coach, lifter):
    before = make(coach, lifter)["volume"][0]["lifts"]
    edit(coach, lifter, **bench())
    after = coach.get(f"/api/lifters/{lifter}/plan").json()["volume"][0]["lifts"]
    assert {k: after[k] for k in before} == before
    refused = edit(coach, lifter, **bench(lift="squat", name="moon squat"))
    assert refused.status_code == 422
    assert "there is no squat called moon squat" in refused.json()["detail"]


def test_a_load_above_a_cap_needs_a_reason(coach, lifter):
    flag = coach.post(f"/api/lifters/{lifter}/flags", {"region": "knee", "note": ""})
    assert flag.status_code in (200, 201), flag.text
    line = next(x for x in lines_of(make(coach, lifter)) if x["kind"] == "main" and x["cap_kg"])
    over = line["cap_kg"] + 20
    refused = overrule(coach, lifter, line, load_kg=over, reason="")
    assert refused.status_code == 422
    assert "passes the cap" in refused.json()["detail"]
    assert overrule(coach, lifter, line, load_kg=over, reason="cleared today").status_code == 200


def test_a_reader_may_look_but_not_plan(coach, reader, lifter):
    make(coach, lifter)
    assert reader.get(f"/api/lifters/{lifter}/plan").status_code == 200
    body = frame() | {"plan_id": str(uuid7())}
    assert reader.post(f"/api/lifters/{lifter}/plan", body).status_code == 403


def test_what_cannot_be_planned_says_what_to_do(coach, lifter):
    late = frame(meet=str(day_now() + timedelta(days=200)))
    answer = coach.post(f"/api/lifters/{lifter}/plan/preview", late)
    assert answer.status_code == 422
    assert "plan 29 weeks, or start later" in answer.text


def test_a_pain_flag_raised_later_shows_as_pending_and_caps_the_next_version(coach, lifter):
    before = make(coach, lifter)
    assert before["pending"] == []
    coach.post(f"/api/lifters/{lifter}/flags", {"region": "lower back"})
    now = coach.get(f"/api/lifters/{lifter}/plan").json()
    assert now["plan"] == before["plan"], "nothing changes by itself"
    assert any("lower back" in b["text"] for c in now["pending"] for b in c["reasons"])
    assert coach.post(f"/api/lifters/{lifter}/plan/reflow", {"plan_id": str(uuid7())}).json()[
        "changes"
    ] == len(now["pending"])
    after = coach.get(f"/api/lifters/{lifter}/plan").json()
    assert after["pending"] == []
    assert all(
        x["load_kg"] <= x["cap_kg"] + 0.05
        for x in lines_of(after) if x["cap_kg"] and x["load_kg"]
    )  # fmt: skip
    assert after["versions"][0]["changes"]


def test_a_variation_is_left_out_or_asked_for_with_a_reason(coach, lifter):
    at = f"/api/lifters/{lifter}"
    table = coach.get(f"{at}/variations/squat").json()
    chosen = [v["name"] for v in table["variations"] if v["chosen"]]
    assert 1 <= len(chosen) <= 2
    assert all(v["why_not"] for v in table["variations"] if not v["chosen"])
    word = {"word": "leave out", "reason": "hates it, and it shows"}
    assert coach.post(f"{at}/variation-words/{chosen[0]}", word).status_code == 200
    wish = {"word": "use", "reason": "worked last winter"}
    coach.post(f"{at}/variation-words/tempo squat", wish)
    after = {v["name"]: v for v in coach.get(f"{at}/variations/squat").json()["variations"]}
    assert "owner leaves it out: hates it" in after[chosen[0]]["why_not"]
    assert after["tempo squat"]["chosen"]
    assert "worked last winter" in after["tempo squat"]["reasons"][0]["text"]
    coach.post(f"{at}/variation-words/{chosen[0]}", {"word": "as computed", "reason": "again"})
    again = {v["name"]: v for v in coach.get(f"{at}/variations/squat").json()["variations"]}
    assert "leaves it out" not in again[chosen[0]]["why_not"]


def test_the_gym_must_own_what_a_variation_needs(coach, lifter):
    at = f"/api/lifters/{lifter}/variations/deadlift"
    before = {v["name"]: v for v in coach.get(at).json()["variations"]}
    assert before["deficit deadlift"]["missing_kit"] == ["step"]
    assert before["deficit deadlift"]["why_not"] == "the gym has no step"
    unknown = coach.send("PUT", "/api/equipment/kit", {"items": ["trampoline"]})
    assert unknown.status_code == 422
    assert "nothing needs trampoline" in unknown.text
    coach.send("PUT", "/api/equipment/kit", {"items": ["step", "trap bar"]})
    assert coach.get("/api/equipment/kit").json()["items"] == ["step", "trap bar"]
    after = {v["name"]: v for v in coach.get(at).json()["variations"]}
    assert after["deficit deadlift"]["missing_kit"] == []


def test_own_variations_are_computed_beside_the_shipped_ones(coach, lifter):
    body = {"name": "Pause halfway", "lift": "squat", "for": "patience", "knob": {"bar": "high"},
            "ratio": [0.8, 0.1], "place": "middle", "hold_s": 3}  # fmt: skip
    entry = {"kind": "variation", "ident": "own-pause-halfway", "body": body}
    assert coach.post("/api/library/own", {"entries": [entry]}).status_code == 200
    names = coach.get("/api/variations").json()
    assert "Pause halfway" in names["squat"]
    table = coach.get(f"/api/lifters/{lifter}/variations/squat").json()
    own = next(v for v in table["variations"] if v["name"] == "Pause halfway")
    assert own["own"]
    assert own["loading"]["use"]["quads"]
    cause = {"text": "Never taught", "test": "Ask", "remedies": ["tempo"], "faults": ["dive"]}
    wrong = entry | {"body": cause}
    answer = coach.post("/api/library/own", {"entries": [wrong]})
    assert answer.status_code == 422
    assert "there is no field of this name here" in answer.text
    taken = entry | {"body": body | {"name": "front squat"}}
    assert "shipped name" in coach.post("/api/library/own", {"entries": [taken]}).text


def test_the_platform_opens_with_todays_lines_and_counts_what_is_done(coach, lifter):
    plan = make(coach, lifter)
    today = next(d for w in plan["plan"]["weeks"] for d in w["days"] if d["on"] == str(day_now()))
    lift = today["lines"][0]["lift"]
    wanted = [x for x in today["lines"] if x["lift"] == lift]

    def platform():
        found = coach.get(f"/api/platform?lifter_id={lifter}&lift={lift}").json()["lifters"][0]
        return next(x for x in found["lifts"] if x["lift"] == lift)

    before = platform()
    assert [x["line_id"] for x in before["planned"]] == [x["line_id"] for x in wanted]
    line = next(x for x in before["planned"] if x["load_kg"])
    assert before["next"]["load_kg"] == line["load_kg"]
    assert before["next"]["prescribed"]
    logged = a_set(
        lift=lift, load_kg=line["load_kg"], reps=line["reps"], variation=line["variation"],
        performed_at=datetime.now(UTC).isoformat(),
    )  # fmt: skip
    coach.post(f"/api/lifters/{lifter}/sets", logged)
    after = next(x for x in platform()["planned"] if x["line_id"] == line["line_id"])
    assert after["done"] == 1


def test_a_plan_is_read_and_lifted_even_where_the_plates_are_gone(coach, nobody, lifter):
    make(coach, lifter)
    link = coach.post(f"/api/lifters/{lifter}/links", {"link_id": str(uuid7())}).json()
    try:
        coach.send("PUT", "/api/equipment/plates", {"plates": []})
        plan = coach.get(f"/api/lifters/{lifter}/plan").json()
        assert "no plates are recorded" in plan["let_go"][0]["text"]
        assert lines_of(plan)
        platform = coach.get(f"/api/platform?lifter_id={lifter}&lift=squat")
        assert platform.status_code == 200
        shared = nobody.get(f"/api/shared/{link['path'].removeprefix('/s/')}")
        assert shared.status_code == 200
        assert shared.json()["warm_ups"] == {}
    finally:
        coach.send("PUT", "/api/equipment/plates", {"plates": DISCS})


def test_drills_and_support_are_overruled_like_any_line(coach, lifter):
    lines = lines_of(make(coach, lifter))
    drill = next(x for x in lines if x["kind"] == "drill")
    assert overrule(coach, lifter, drill, dropped=True).status_code == 200
    after = {x["line_id"]: x for x in lines_of(coach.get(f"/api/lifters/{lifter}/plan").json())}
    assert after[drill["line_id"]]["overruled"]["dropped"] is True
    assert "drops this: seen on film" in after[drill["line_id"]]["reasons"][0]["text"]


def test_a_plan_that_was_changed_meanwhile_is_not_overwritten(coach, lifter, monkeypatch):
    """A plan is computed before the transaction that keeps it; another coach may be quicker."""
    make(coach, lifter)
    afresh = planning._afresh

    def slow(now, old):
        monkeypatch.setattr(planning, "_afresh", afresh)
        make(coach, lifter)
        return afresh(now, old)

    monkeypatch.setattr(planning, "_afresh", slow)
    late = coach.post(f"/api/lifters/{lifter}/plan/reflow", {"plan_id": str(uuid7())})
    assert late.status_code == 409
    assert "changed meanwhile" in late.json()["detail"]
    assert len(coach.get(f"/api/lifters/{lifter}/plan").json()["versions"]) == 1


def test_an_edit_names_its_line(coach, lifter):
    line = next(x for x in lines_of(make(coach, lifter)) if x["kind"] == "special" and x["load_kg"])
    overrule(coach, lifter, line, load_kg=40.0)
    said = coach.get(f"/api/lifters/{lifter}/plan").json()["hand"]["edits"]
    assert len(said) == 1
    assert line["variation"] in said[0]["words"].lower() or line["lift"] in said[0]["words"].lower()
    assert "40 kg" in said[0]["words"]
    assert said[0]["coach"] == "owner"


def test_a_missed_session_shows_on_the_floor(coach, lifter, owner_url):
    make(coach, lifter, start=str(day_now() - timedelta(days=7)))
    before = coach.get("/api/floor").json()
    row = next(r for r in before if r["lifter_id"] == lifter)
    assert not any("missed the" in n["text"] for n in row["needs"]), "made only today"
    with psycopg.connect(owner_url, autocommit=True) as connection:
        connection.execute(
            "update plan set made_at = made_at - interval '8 days' where lifter_id = %s", (lifter,)
        )
    row = next(r for r in coach.get("/api/floor").json() if r["lifter_id"] == lifter)
    assert any(n["kind"] == "missed" and "missed the" in n["text"] for n in row["needs"])
    assert row["planned"]["on"] >= str(day_now())


def test_a_withdrawn_plan_stands_no_more(coach, lifter):
    make(coach, lifter)
    gone = coach.post(f"/api/lifters/{lifter}/plan/withdrawal", {"plan_id": str(uuid7())})
    assert gone.status_code == 200
    assert coach.get(f"/api/lifters/{lifter}/plan").json()["plan"] is None


@pytest.mark.parametrize("others", [0, SHARED_FROM])
def test_a_plan_for_everyone_runs_with_progress(coach, lifter, others):
    """One by one for a few, shared out over processes for many."""
    more = [add_lifter(coach, name=f"Number {i}") for i in range(others)]
    state = coach.post("/api/club/plans", frame()).json()
    assert (told := ended(coach, state))["state"] == "done", told
    for lifter_id in (lifter, *more):
        assert coach.get(f"/api/lifters/{lifter_id}/plan").json()["plan"]


def test_a_day_is_the_day_where_the_club_trains(coach, lifter):
    """A set of an Auckland morning was done on that day, though it is the day before in UTC."""
    unknown = coach.send("PUT", "/api/equipment/place", {"time_zone": "Middle/Earth"})
    assert unknown.status_code == 422
    assert "no time zone called Middle/Earth" in unknown.text
    evening = day_now() - timedelta(days=3)
    logged = a_set(load_kg=101.5, performed_at=f"{evening}T19:30:00Z")
    coach.post(f"/api/lifters/{lifter}/sets", logged)

    def days():
        trend = coach.get(f"/api/lifters/{lifter}/review?lift=squat").json()["trend"]
        return {t["day"] for t in trend}

    morning = str(evening + timedelta(days=1))
    assert str(evening) in days()
    try:
        coach.send("PUT", "/api/equipment/place", {"time_zone": "Pacific/Auckland"})
        assert coach.get("/api/equipment/place").json() == {"time_zone": "Pacific/Auckland"}
        assert morning in days()
        assert str(evening) not in days()
    finally:
        coach.send("PUT", "/api/equipment/place", {"time_zone": "UTC"})


def test_back_off_sets_follow_the_days_top_single(coach, lifter):
    plan = make(coach, lifter, weeks=3, meet=str(day_now() + timedelta(days=20)))
    today = next(d for w in plan["plan"]["weeks"] for d in w["days"] if d["on"] == str(day_now()))
    top, after = today["lines"][:2]
    assert (top["reps"], after["reps"]) == (1, 3)

    def shown():
        found = coach.get(f"/api/platform?lifter_id={lifter}&lift=squat").json()["lifters"][0]
        squat = next(x for x in found["lifts"] if x["lift"] == "squat")
        return next(x for x in squat["planned"] if x["line_id"] == after["line_id"]), squat["next"]

    assert shown()[0]["load_kg"] == after["load_kg"]
    logged = a_set(lift="squat", load_kg=top["load_kg"], reps=1, rpe=9.5, variation="competition")
    now = datetime.now(UTC).isoformat()
    assert coach.post(f"/api/lifters/{lifter}/sets", logged | {"performed_at": now}).is_success
    line, following = shown()
    assert line["load_kg"] < after["load_kg"]
    assert "at RPE 9.5 shows about" in line["reasons"][0]["text"]
    assert following["load_kg"] == line["load_kg"]
    stored = lines_of(coach.get(f"/api/lifters/{lifter}/plan").json())
    kept = next(x for x in stored if x["line_id"] == after["line_id"])
    assert kept["load_kg"] == after["load_kg"], "the plan itself stays as it is"


def test_blocked_dates_stay_free_and_are_kept_with_the_plan(coach, lifter):
    usual = [d["on"] for w in make(coach, lifter)["plan"]["weeks"] for d in w["days"]]
    kept = make(coach, lifter, blocked=[usual[4], usual[1], usual[4]])
    days = [d for w in kept["plan"]["weeks"] for d in w["days"]]
    assert not {usual[1], usual[4]} & {d["on"] for d in days}
    assert len(days) == len(usual)
    assert sum("is blocked: trained here" in d["moved"] for d in days) == 2
    assert kept["ask"]["blocked"] == sorted([usual[1], usual[4]])
