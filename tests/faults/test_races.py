"""Two at once: what both say is kept, or one of them is told in a sentence why it was not."""

from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from threading import Barrier

from uuid6 import uuid7

from tests.api.helpers import Coach, a_set, add_lifter
from tests.api.planned import make

AT_ONCE = 4


def at_once(browser: Callable[[], Coach], ask: Callable[[Coach, int], object]) -> list:
    """What several coaches of one club get who ask in the same moment, each from an own browser."""
    barrier = Barrier(AT_ONCE)
    coaches = [browser() for _ in range(AT_ONCE)]
    for one in coaches:
        assert one.sign_in("owner@first.example").status_code == 200

    def ask_together(number: int) -> object:
        barrier.wait(timeout=30)
        return ask(coaches[number], number)

    with ThreadPoolExecutor(AT_ONCE) as pool:
        return [*pool.map(ask_together, range(AT_ONCE))]


def test_amendments_of_one_set_in_the_same_moment_are_all_kept(browser, coach):
    lifter = add_lifter(coach)
    for _ in range(3):
        first = a_set(load_kg=100.0)
        assert coach.post(f"/api/lifters/{lifter}/sets", first).status_code == 201
        answers = at_once(
            browser,
            lambda one, n, first=first: one.post(
                f"/api/lifters/{lifter}/sets", a_set(load_kg=101.0 + n, replaces=first["set_id"])
            ),
        )
        assert [a.status_code for a in answers] == [201] * AT_ONCE, [a.text for a in answers]
        versions = coach.get(f"/api/sets/{first['set_id']}/versions").json()
        assert sorted(v["load_kg"] for v in versions) == [100.0, 101.0, 102.0, 103.0, 104.0]
    assert len(coach.get(f"/api/lifters/{lifter}/sets").json()) == 3


def test_a_set_taken_back_twice_in_the_same_moment_is_gone_once(browser, coach):
    lifter = add_lifter(coach)
    logged = a_set()
    coach.post(f"/api/lifters/{lifter}/sets", logged)
    path = f"/api/sets/{logged['set_id']}/withdrawal"
    answers = at_once(browser, lambda one, _: one.post(path, {"new_id": str(uuid7())}))
    assert [a.status_code for a in answers] == [200] * AT_ONCE, [a.text for a in answers]
    assert len({a.json()["set_id"] for a in answers}) == 1
    assert coach.get(f"/api/lifters/{lifter}/sets").json() == []


def test_of_re_flows_in_the_same_moment_one_is_kept_and_the_others_are_told(browser, coach, lifter):
    make(coach, lifter)
    path = f"/api/lifters/{lifter}/plan/reflow"
    answers = at_once(browser, lambda one, _: one.post(path, {"plan_id": str(uuid7())}))
    assert sorted(a.status_code for a in answers) == [200, *[409] * (AT_ONCE - 1)]
    told = {a.json()["detail"] for a in answers if a.status_code == 409}
    assert all("changed" in one and "already recorded" not in one for one in told), told


def test_one_write_sent_in_the_same_moment_by_every_tab_takes_effect_once(browser, coach):
    lifter, body, key = add_lifter(coach), a_set(), uuid7()
    path = f"/api/lifters/{lifter}/sets"
    answers = at_once(browser, lambda one, _: one.post(path, body, key))
    assert {(a.status_code, a.json()["set_id"]) for a in answers} == {(201, body["set_id"])}
    assert len(coach.get(path).json()) == 1
