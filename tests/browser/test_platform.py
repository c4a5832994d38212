"""The platform in the hand: keys and taps, a group in turn, and no network at all."""

import contextlib
from collections import Counter
from collections.abc import Iterator
from datetime import UTC, datetime
from uuid import UUID

import psycopg
import pytest
from selenium.webdriver.common.keys import Keys
from uuid6 import uuid7

from pavrik.demo.load import CLUB_ID

NAME = "Petra Amaro"


def count_sets(database_url: str, note: str = "") -> int:
    with psycopg.connect(database_url) as connection:
        row = connection.execute(
            "select count(*) from training_set where club_id = %s and note = %s", (CLUB_ID, note)
        ).fetchone()
    return int(row[0]) if row else 0


@pytest.fixture
def owner(server, demo_name) -> str:
    return server.owner_url(demo_name)


@pytest.fixture
def platform(coach):
    """The platform of one lifter, ready and kept on the device."""
    coach.open_lifter(NAME, "Log")
    coach.see("Keep the set")
    wait_for_worker(coach)
    return coach


WORKER_STATE = """
    const done = arguments[0]
    if (navigator.serviceWorker.controller) done('in control')
    else navigator.serviceWorker.getRegistration().then((found) => done(
      !found ? 'none' : found.installing ? 'installing' : found.waiting ? 'waiting' : 'active'))
"""


NONE_FOR_LONG = 100
"""Looks in a row that found no worker at all, or one that serves others only: its installation
failed or never began, or this page was loaded before it claimed what was open."""


def wait_for_worker(page) -> None:
    """Until the service worker has the page and the session's data in its hands.

    A worker whose installation failed, because one of its files did not come, is tried again by
    the browser with the next loading of the page: so it is here.
    """
    seen: list[str] = []

    def in_control() -> bool:
        seen.append(page.driver.execute_async_script(WORKER_STATE))
        if seen[-NONE_FOR_LONG:] in (["none"] * NONE_FOR_LONG, ["active"] * NONE_FOR_LONG):
            seen.append("loaded again")
            page.driver.refresh()
        return seen[-1] == "in control"

    page.until(in_control, lambda: f"the service worker, seen {Counter(seen)}", patience_s=90)
    page.driver.refresh()
    page.see("Keep the set")
    page.until(
        lambda: page.driver.execute_async_script(
            """const done = arguments[0]
               caches.open('pavrik-data').then((c) => c.keys()).then((keys) => done(
                 ['/api/session', '/api/platform', '/api/catalogue'].every((wanted) =>
                   keys.some((k) => new URL(k.url).pathname === wanted))))"""
        ),
        "a copy of the session on the device",
    )


@contextlib.contextmanager
def no_server(pavrik) -> Iterator[None]:
    pavrik.stop()
    try:
        yield
    finally:
        pavrik.start()


def body(page) -> None:
    page.driver.execute_script("document.activeElement.blur()")


def test_five_reps_with_two_faults_in_under_ten_keys(platform):
    page = platform
    body(page)
    pressed = ["g", "g", "y", "1", "g", "y", "1", Keys.ENTER]
    assert len(pressed) < 10
    for key in pressed:
        page.keys(key)
    page.see("Kept: 5 ×")
    page.see("×2")


def test_the_same_with_the_thumb_on_a_phone(platform):
    page = platform
    page.resize(390, 844)
    for tapped in ("Good", "Good"):
        page.click(tapped)
    page.click("bottom")
    page.find(".tile.fault").click()
    page.click("lift-ending")
    page.click("left")
    assert "lift-ending" in page.text()
    page.click("Undo the last")
    page.click("Miss")
    page.click("Keep the set")
    page.see("Kept: 4 ×")
    assert page.wider_than_the_screen() <= 0
    assert page.serious_violations() == []


def test_a_set_taken_back_by_mistake_is_put_back(platform, owner):
    page = platform
    note = f"by mistake {uuid7()}"
    page.fill("Load", "63.5")
    page.keys(Keys.TAB)
    page.click("Good")
    page.fill("Note", note)
    page.click("Keep the set")
    page.see("1 × 63.5 kg", "All on the server")
    page.click("Take back 1 × 63.5 kg")
    page.see("Taken back: 1 × 63.5 kg", "All on the server")
    page.click("Put it back")
    page.not_see("Taken back")
    page.see("1 × 63.5 kg", "All on the server")
    page.until(lambda: count_sets(owner, note) == 3, "logged, withdrawn, logged anew")


def test_a_set_logged_without_a_server_is_there_at_once_and_arrives_once(platform, pavrik, owner):
    page = platform
    note = f"alone {uuid7()}"
    with no_server(pavrik):
        page.driver.refresh()
        page.see("Keep the set")
        page.click("Good")
        page.fill("Note", note)
        page.click("Keep the set")
        page.see("kept on this device", "waiting")
        page.driver.refresh()
        page.see("1 kept on this device")
        assert count_sets(owner, note) == 0
    page.see("All on the server")
    assert count_sets(owner, note) == 1


def test_a_server_that_dies_after_taking_a_set_does_not_double_it(platform, pavrik, owner):
    """The answer is lost on the way, the device sends again, the key makes it one."""
    page = platform
    note = f"twice {uuid7()}"
    page.driver.execute_script(
        """const real = window.fetch
           window.fetch = async (request) => {
             const answer = await real(request.clone ? request.clone() : request)
             if ((request.url ?? request).includes('/api/outbox') && !window.lost) {
               window.lost = true
               throw new TypeError('Failed to fetch')
             }
             return answer
           }"""
    )
    page.click("Good")
    page.fill("Note", note)
    page.click("Keep the set")
    page.until(lambda: page.driver.execute_script("return window.lost === true"), "a lost answer")
    page.see("All on the server")
    assert count_sets(owner, note) == 1


def test_a_database_that_dies_keeps_the_set_on_the_device(platform, pavrik, owner, demo_name):
    page = platform
    note = f"no database {uuid7()}"
    with psycopg.connect(owner.rsplit("/", 1)[0] + "/postgres", autocommit=True) as connection:
        connection.execute(f"alter database {demo_name} with allow_connections false")
        connection.execute(
            "select pg_terminate_backend(pid) from pg_stat_activity where datname = %s",
            (demo_name,),
        )
        page.click("Good")
        page.fill("Note", note)
        page.click("Keep the set")
        page.see("1 kept on this device")
        connection.execute(f"alter database {demo_name} with allow_connections true")
    page.see("All on the server")
    assert count_sets(owner, note) == 1


def test_two_hundred_queued_sets_catch_up(platform, pavrik, owner):
    page = platform
    note = f"many {uuid7()}"
    lifter = UUID(page.driver.current_url.split("/lifters/")[1].split("/")[0])
    queued = [
        {
            "kind": "set", "key": str(uuid7()), "lifter_id": str(lifter),
            "set": {
                "set_id": str(uuid7()), "lift": "squat", "load_kg": 60, "reps": 5, "note": note,
                "performed_at": datetime.now(UTC).isoformat(),
            },
        }
        for _ in range(200)
    ]  # fmt: skip
    page.driver.execute_async_script(
        """const [bodies, done] = arguments
           const open = indexedDB.open('pavrik', 1)
           open.onsuccess = () => {
             const store = open.result.transaction('outbox', 'readwrite').objectStore('outbox')
             const session = document.querySelector('.rail .foot p').textContent
             const club = document.querySelector('.rail .club .name').textContent
             bodies.forEach((body, i) => store.put({
               key: body.key, owner: `${club}/${session}`, body,
               at: new Date(Date.now() + i).toISOString() }))
             store.transaction.oncomplete = () => done(true)
           }""",
        queued,
    )
    page.driver.refresh()
    page.see("All on the server")
    page.until(lambda: count_sets(owner, note) == 200, "all 200 sets")


def test_a_refused_set_says_why_and_is_kept_until_it_is_given_up(platform):
    page = platform
    page.click("Good")
    page.click("Keep the set")
    page.see("All on the server")
    page.until(lambda: page.all("[aria-label^='Amend 1 ×']"), "the set").pop(0).click()
    page.see("You are amending a logged set")
    draft = page.driver.execute_script(
        """const place = Object.keys(localStorage).find((k) => k.startsWith('pavrik-draft-'))
           return JSON.parse(localStorage.getItem(place))"""
    )
    page.driver.execute_async_script(
        """const [set, done] = arguments
           const token = fetch('/api/session').then((r) => r.json()).then((s) => s.csrf_token)
           token.then((csrf) => fetch(`/api/sets/${set}/withdrawal`, { method: 'POST',
             headers: { 'Content-Type': 'application/json', 'X-CSRF-Token': csrf,
                        'Idempotency-Key': crypto.randomUUID() },
             body: JSON.stringify({ new_id: crypto.randomUUID() }) })).then(() => done(true))""",
        draft["replaces"],
    )
    page.click("Keep the amendment")
    page.see("One set was not taken", "was withdrawn in the meantime")
    page.click("Mend it")
    page.not_see("One set was not taken")
    page.see("You are amending a logged set")
    page.click("Keep the amendment")
    page.see("One set was not taken")
    page.click("Give it up")
    page.not_see("One set was not taken")


def test_an_amended_set_keeps_its_history(platform):
    page = platform
    page.fill("Load", "57")
    page.click("Good")
    page.click("Keep the set")
    page.see("1 × 57 kg")
    page.see("All on the server")
    page.click("Amend 1 × 57 kg")
    page.fill("Load", "58")
    page.click("Keep the amendment")
    page.see("1 × 58 kg")
    page.not_see("1 × 57 kg")
    page.click("History of 1 × 58 kg")
    page.see("This set, as it was said", "1 × 57 kg", "stands now")


def test_a_group_takes_turns(coach):
    page = coach
    page.open("/platform")
    page.see("Who lifts together?")
    for name in ("Marlow Teague", "Ingrid Vastergaard", "Bastien Okafor-Lund"):
        page.click_label(name)
    page.click("Start with 3")
    page.see("Keep the set")
    turns = [button.text.split("\n")[0] for button in page.all(".turns button")]
    assert len(turns) == 3
    first = page.find(".turns .on").text
    page.click("Good")
    page.click("Keep the set")
    page.until(lambda: page.find(".turns .on").text != first, "the next lifter")
    assert page.serious_violations() == []


def test_the_wait_before_a_pull_is_timed(platform):
    page = platform
    page.click("deadlift")
    page.click("Hands on the bar")
    page.see("timing")
    page.click("Plates leave")
    page.see("s from hands to pull")
