"""No question waits for ever: told in time, once, and never while a request is still coming in."""

import asyncio
import json

import pytest

from pavrik.api import deadline
from pavrik.api.deadline import Deadline

SCOPE = {"type": "http", "method": "POST", "path": "/api/slow", "headers": []}


@pytest.fixture
def clock(monkeypatch):
    """A clock that is set by hand."""
    at = [0.0]
    monkeypatch.setattr(deadline.time, "monotonic", lambda: at[0])
    return at


def asked(app, longest_s: float, receive=None) -> list[dict]:
    """What was sent for one request."""
    sent: list[dict] = []

    async def send(message):
        sent.append(dict(message))

    async def nothing():
        return {"type": "http.request", "body": b"", "more_body": False}

    asyncio.run(Deadline(app, longest_s)(SCOPE, receive or nothing, send))
    return sent


async def answer(send, status=200, body=b"done"):
    await send({"type": "http.response.start", "status": status, "headers": []})
    await send({"type": "http.response.body", "body": body})


def test_an_answer_in_time_goes_through_untouched():
    async def app(scope, receive, send):
        await answer(send)

    sent = asked(app, 60.0)
    assert [m["type"] for m in sent] == ["http.response.start", "http.response.body"]
    assert (sent[0]["status"], sent[1]["body"]) == (200, b"done")


def test_what_takes_too_long_is_told_once_and_its_late_answer_goes_nowhere(caplog):
    ended = []

    async def app(scope, receive, send):
        while not told:
            await asyncio.sleep(0)
        await answer(send)
        ended.append(True)
        raise RuntimeError("Vera Novik's film")

    told: list[dict] = []

    async def scenario():
        async def send(message):
            told.append(dict(message))

        async def receive():
            return {"type": "http.request"}

        await Deadline(app, 0.0)(SCOPE, receive, send)
        while not ended:
            await asyncio.sleep(0)
        await asyncio.sleep(0)

    asyncio.run(scenario())
    assert [m["type"] for m in told] == ["http.response.start", "http.response.body"]
    assert told[0]["status"] == 503
    problem = json.loads(told[1]["body"])
    assert problem["detail"].startswith("this took longer than 0 s: ask for less")
    assert "RuntimeError" in caplog.text
    assert "Novik" not in caplog.text


def test_the_time_of_a_body_that_still_comes_does_not_count(clock):
    """A film over a slow line: an hour to arrive, a second to read."""
    pieces = [True, True, False]

    async def receive():
        clock[0] += 1200.0
        return {"type": "http.request", "body": b"x", "more_body": pieces.pop(0)}

    async def app(scope, receive, send):
        while (await receive())["more_body"]:
            await asyncio.sleep(0)
        await answer(send)

    assert asked(app, 60.0, receive)[0]["status"] == 200
    assert clock[0] == 3600.0


def test_an_answer_that_has_begun_may_take_as_long_as_it_likes(clock):
    async def app(scope, receive, send):
        await send({"type": "http.response.start", "status": 200, "headers": []})
        clock[0] += 3600.0
        await asyncio.sleep(0)
        await send({"type": "http.response.body", "body": b"long"})

    assert asked(app, 60.0)[-1]["body"] == b"long"


def test_who_hangs_up_stops_the_work():
    stopped = []

    async def app(scope, receive, send):
        try:
            await asyncio.Event().wait()
        except asyncio.CancelledError:
            stopped.append(True)
            raise

    async def scenario():
        asked = asyncio.ensure_future(Deadline(app, 60.0)(SCOPE, None, None))
        await asyncio.sleep(0)
        await asyncio.sleep(0)
        asked.cancel()
        with pytest.raises(asyncio.CancelledError):
            await asked
        await asyncio.sleep(0)
        assert stopped == [True], "before the loop itself stops what is left"

    asyncio.run(scenario())


def test_an_error_in_time_stays_the_error_that_it_is():
    async def app(scope, receive, send):
        raise ValueError("broken")

    with pytest.raises(ValueError, match="broken"):
        asked(app, 60.0)
