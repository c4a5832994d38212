"""No question waits for ever: where an answer has not begun in time, that is said instead.

A thread that computes cannot be stopped, so the work goes on; it is bounded by what a request may
ask for. What was written by it stands, and asking again with the same key tells so.
"""

import asyncio
import logging
import time

from starlette.types import ASGIApp, Message, Receive, Scope, Send

from pavrik.api.problems import problem
from pavrik.words import say

LONGEST_S = 60.0
log = logging.getLogger("pavrik")


class Deadline:
    """ASGI middleware: 503 where nothing was answered ``longest_s`` after the request was read."""

    def __init__(self, app: ASGIApp, longest_s: float = LONGEST_S) -> None:
        self._app, self._longest_s = app, longest_s
        self._late: set[asyncio.Future[None]] = set()
        """Work that goes on though nobody waits for it: the loop alone would not hold it."""

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self._app(scope, receive, send)
            return
        answer = _Answer(receive, send)
        work = asyncio.ensure_future(self._app(scope, answer.receive, answer.send))
        try:
            while not work.done() and not answer.begun:
                left = answer.read_at + self._longest_s - time.monotonic()
                if left <= 0:
                    answer.given_up = True
                    break
                await asyncio.wait({work}, timeout=left)
            if not answer.given_up:
                await work
                return
        except asyncio.CancelledError:
            work.cancel()
            raise
        self._late.add(work)
        work.add_done_callback(self._ended_late)
        told = say("api.took_longer_s_ask", longest_s=self._longest_s)
        told += say("api.later_what_already_entered")
        await problem(503, say("api.too_slow"), told)(scope, receive, send)

    def _ended_late(self, work: "asyncio.Future[None]") -> None:
        """Nobody reads what it answered; its error is told."""
        self._late.discard(work)
        if not work.cancelled() and (error := work.exception()) is not None:
            log.error("an answer that came too late failed: %s", type(error).__name__)


class _Answer:
    """What goes to and fro: when the request was last read, whether its answer has begun."""

    def __init__(self, receive: Receive, send: Send) -> None:
        self._receive, self._send = receive, send
        self.read_at = time.monotonic()
        self.begun = self.given_up = False

    async def receive(self) -> Message:
        message = await self._receive()
        self.read_at = time.monotonic()
        return message

    async def send(self, message: Message) -> None:
        if self.given_up:
            return
        self.begun = True
        await self._send(message)
