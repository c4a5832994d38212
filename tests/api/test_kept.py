"""Answers that are kept: computed once, and again as soon as a fact that they rest on changes."""

from concurrent.futures import ThreadPoolExecutor
from functools import partial
from threading import Event
from uuid import UUID

import psycopg
import pytest
from pydantic import BaseModel
from uuid6 import uuid7

from pavrik.api import answers
from pavrik.services import kept
from pavrik.services.club import board
from pavrik.services.context import Who
from pavrik.services.plans import planning
from pavrik.services.training import caps
from tests.api.helpers import a_set, add_lifter, seen
from tests.api.planned import make
from tests.api.test_writes import counted

COMPUTED_OR_PRIVATE = {
    "session", "idempotent_write", "job", "fit", "audit", "card_link", "coach_link",
    "lifter_change", "kept_answer",
}  # fmt: skip
WITH_THEIR_SET = {"fault_observation", "set_measure"}


def test_every_table_of_facts_counts_its_changes(owner_url):
    with psycopg.connect(owner_url) as connection:
        facts = connection.execute(
            """select c.relname::text from pg_class c
               join pg_attribute a on a.attrelid = c.oid
               where c.relkind = 'r' and c.relnamespace = 'public'::regnamespace
                 and a.attname = 'club_id' and not a.attisdropped"""
        ).fetchall()
        counted_ones = connection.execute(
            "select tgrelid::regclass::text from pg_trigger where tgname = 'note_change'"
        ).fetchall()
    silent = COMPUTED_OR_PRIVATE | WITH_THEIR_SET
    assert {t for (t,) in facts} - silent == {t for (t,) in counted_ones}


def test_a_plan_is_computed_once_and_again_after_a_set(coach, lifter, monkeypatch):
    make(coach, lifter)
    other = add_lifter(coach)
    calls = counted(monkeypatch, planning, "read")
    path = f"/api/lifters/{lifter}/plan"
    first = coach.get(path)
    assert coach.get(path).content == first.content
    coach.post(f"/api/lifters/{other}/sets", a_set())
    coach.get(path)
    assert calls == [], "it was read when it was made, and another lifter's set changes nothing"
    coach.post(f"/api/lifters/{lifter}/sets", a_set())
    coach.get(path)
    assert calls == ["read"]


def test_an_answer_that_stands_takes_no_thread_and_is_told_to_nobody_else(
    coach, lifter, browser, monkeypatch
):
    make(coach, lifter)
    paths = ["/api/floor", f"/api/platform?lifter_id={lifter}"]
    paths += [f"/api/lifters/{lifter}{end}" for end in ("", "/plan", "/review")]
    first = [coach.get(path) for path in paths]

    async def no_thread(*_):
        raise AssertionError("a thread was taken")

    monkeypatch.setattr(answers, "run_in_threadpool", no_thread)
    assert [coach.get(path).content for path in paths] == [answer.content for answer in first]
    assert {browser().get(path).status_code for path in paths} == {401}


def test_what_the_club_has_in_common_changes_every_answer(coach, lifter, monkeypatch):
    make(coach, lifter)
    calls = counted(monkeypatch, planning, "read")
    path, rack = f"/api/lifters/{lifter}/plan", str(uuid7())
    changes = [
        ("PUT", "/api/equipment/kit", {"items": ["box"]}),
        ("POST", "/api/schools", {"question": "squat_width", "position": "wide"}),
        ("PUT", "/api/equipment/racks", {"rack_id": rack, "name": "Rack", "first_hole_m": 0.5,
         "pitch_m": 0.05, "holes": 24, "lip_m": 0.03, "inner_width_m": 1.2}),
        ("DELETE", f"/api/equipment/racks/{rack}", None),
    ]  # fmt: skip
    for number, (method, address, body) in enumerate(changes, 1):
        assert coach.send(method, address, body).status_code == 200, address
        coach.get(path)
        assert len(calls) == number, address


def test_the_floor_follows_every_lifter(coach, monkeypatch):
    lifter = add_lifter(coach, name="On The Floor")
    calls = counted(monkeypatch, board, "board")
    coach.get("/api/floor")
    coach.get("/api/floor")
    assert calls == ["board"]
    coach.post(f"/api/lifters/{lifter}/flags", {"region": "hip"})
    row = next(r for r in coach.get("/api/floor").json() if r["lifter_id"] == lifter)
    assert row["needs"][0]["kind"] == "pain"
    assert calls == ["board", "board"]


def test_an_answer_of_yesterday_or_of_other_code_does_not_stand(coach, owner_url, monkeypatch):
    calls = counted(monkeypatch, board, "board")
    coach.get("/api/floor")
    for change in ("on_day = on_day - 1", "computed_by = 'older'"):
        with psycopg.connect(owner_url, autocommit=True) as connection:
            connection.execute(f"update kept_answer set {change}")
        before = len(calls)
        coach.get("/api/floor")
        assert len(calls) == before + 1, change


def test_a_write_that_began_earlier_and_ends_later_is_not_passed_over(coach, owner_url):
    slow, quick = add_lifter(coach, name="Slow"), add_lifter(coach, name="Quick")
    with psycopg.connect(owner_url) as open_still:
        open_still.execute(
            "update lifter_profile set name = 'Told Late' where lifter_id = %s", (slow,)
        )
        coach.post(f"/api/lifters/{quick}/flags", {"region": "hip"})
        assert "Told Late" not in coach.get("/api/floor").text
    assert "Told Late" in coach.get("/api/floor").text


def test_nothing_kept_names_a_lifter_who_was_deleted(coach, owner_url):
    lifter = add_lifter(coach, name="Zinnia Gone")
    for path in (f"/api/lifters/{lifter}", "/api/floor"):
        assert "Zinnia Gone" in coach.get(path).text
    gone = coach.post(f"/api/lifters/{lifter}/erasure", {"name": "Zinnia Gone"})
    assert gone.status_code == 200
    with psycopg.connect(owner_url) as connection:
        kept_rows = connection.execute(
            "select answer from kept_answer where whose = %s or answer like '%%Zinnia%%'", (lifter,)
        ).fetchall()
        counted_rows = connection.execute(
            "select from lifter_change where whose = %s", (lifter,)
        ).fetchall()
    assert kept_rows == counted_rows == []


@pytest.fixture
def who(owner_url) -> Who:
    with psycopg.connect(owner_url) as connection:
        club, coach = connection.execute("select club_id, coach_id from coach limit 1").fetchone()
    return Who(club, coach, "owner")


@pytest.fixture
def database(server, empty_name, open_database, clubs):
    return open_database(server.app_url(empty_name))


def test_equal_questions_at_once_are_computed_once(database, who):
    go, computed, same = Event(), [], kept.Question("test", kept.NOBODY, ("the same",))

    def compute():
        computed.append(1)
        go.wait(timeout=30)
        return planning.PlanKept(plan_id=uuid7())

    def ask() -> str:
        return kept.kept_answer(database, who, same, compute)

    with ThreadPoolExecutor(4) as pool:
        asked = [pool.submit(ask) for _ in range(4)]
        go.set()
        answers = {one.result(timeout=30) for one in asked}
    assert len(answers) == 1
    assert computed == [1]


def test_the_floor_reads_anew_only_whose_facts_changed(coach, monkeypatch):
    one, other = add_lifter(coach, name="Changes"), add_lifter(coach, name="Stays")
    coach.get("/api/floor")
    calls = counted(monkeypatch, board, "_part")
    coach.post(f"/api/lifters/{one}/flags", {"region": "knee"})
    rows = {row["lifter_id"]: row for row in coach.get("/api/floor").json()}
    assert calls == ["_part"]
    assert rows[one]["needs"][0]["kind"] == "pain"
    assert {need["kind"] for need in rows[other]["needs"]} == {"open"}
    assert coach.send("PUT", "/api/equipment/kit", {"items": ["axle"]}).status_code == 200
    coach.get("/api/floor")
    assert len(calls) == 1 + len(rows), "what the club has in common is in every part"


def test_what_is_computed_while_a_lifter_is_deleted_is_not_kept(coach, owner_url, database, who):
    """Else the name would stand there after it was forgotten."""
    for whose in ("his own", "the club's"):
        lifter = add_lifter(coach, name="Forgotten Meanwhile")
        of = UUID(lifter) if whose == "his own" else kept.NOBODY

        def compute(lifter=lifter):
            told = coach.post(f"/api/lifters/{lifter}/erasure", {"name": "Forgotten Meanwhile"})
            assert told.status_code == 200
            return board.Need(kind="open", text="Forgotten Meanwhile", lift="squat")

        question = kept.Question("test of forgetting", of)
        assert "Forgotten" in (kept.kept_answer(database, who, question, compute) or "")
        with psycopg.connect(owner_url) as connection:
            left = connection.execute(
                "select kind from kept_answer where answer like '%Forgotten Meanwhile%'"
            ).fetchall()
        assert left == [], whose


def test_a_cap_is_found_when_it_is_asked_and_not_while_a_coach_logs(coach, monkeypatch):
    lifter = add_lifter(coach, name="Back Turns Under")
    assert coach.get("/api/floor").status_code == 200
    calls = counted(monkeypatch, caps, "technique_cap")
    logged = []
    for load_kg in (80.0, 85.0, 90.0, 95.0, 100.0, 105.0, 110.0) * 2:
        faults = [seen("butt-wink", "bottom", rep=r) for r in (1, 2, 3, 4, 5) if load_kg >= 95]
        logged.append(a_set(load_kg=load_kg, faults=faults))
        assert coach.post(f"/api/lifters/{lifter}/sets", logged[-1]).status_code == 201
    assert calls == []

    def capped() -> tuple[bool, bool]:
        row = next(r for r in coach.get("/api/floor").json() if r["lifter_id"] == lifter)
        one = coach.get(f"/api/platform?lifter_id={lifter}").json()["lifters"][0]
        lift = next(x for x in one["lifts"] if x["lift"] == "squat")
        return any(n["kind"] == "cap" for n in row["needs"]), lift["cap_kg"] is not None

    assert capped() == (True, True)
    assert len(calls) == 2, "once for each lift: floor and platform share them"
    for one in logged:
        if one["faults"]:
            path = f"/api/sets/{one['set_id']}/withdrawal"
            assert coach.post(path, {"new_id": str(uuid7())}).status_code == 200
    assert capped() == (False, False)


class Part(BaseModel):
    of: int


def test_parts_are_kept_in_one_order_so_that_two_who_keep_them_wait_and_do_not_lock(
    coach, database, who
):
    """Floor and session keep parts of the same lifters at once, each in an order of its own."""
    ids = [UUID(add_lifter(coach, name=f"Ordered {n}")) for n in range(3)]
    made = []

    def make(one: UUID) -> Part:
        made.append(one)
        return Part(of=ids.index(one))

    parts = {one: partial(make, one) for one in (ids[2], ids[0], ids[1])}
    with database.club(who.club_id) as connection:
        kept.kept_parts(connection, who, "test of order", Part, parts)
    assert made == sorted(ids)
