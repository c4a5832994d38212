"""No request body above its route's limit is parsed: refused by its length, or while it comes."""

import re
from collections.abc import Mapping

from starlette.types import ASGIApp, Message, Receive, Scope, Send

from pavrik.api.problems import problem
from pavrik.words import say

USUAL_BYTES = 1_000_000
SMALL_BYTES = 8_000
FILE_BYTES = 5_000_000
ARCHIVE_BYTES = 40_000_000
LIMITS: Mapping[str, int] = {
    "/api/session": SMALL_BYTES,
    "/api/session/demo": SMALL_BYTES,
    "/api/session/club": SMALL_BYTES,
    "/api/session/join": SMALL_BYTES,
    "/api/log/preview": FILE_BYTES,
    "/api/log/import": FILE_BYTES,
    "/api/session/club-archive": ARCHIVE_BYTES,
    "/api/lifters/preview": FILE_BYTES,
    "/api/lifters/import": FILE_BYTES,
}


_FILM = re.compile(r"/api/(lifters|shared)/[^/]+/films/[^/]+")


def limit_of(path: str) -> int:
    """Most bytes of a request's body."""
    return LIMITS.get(path, USUAL_BYTES)


def is_film(scope: Scope) -> bool:
    """Whether a body is a film: written to disk as it comes, and counted there."""
    return scope["method"] == "PUT" and _FILM.fullmatch(scope["path"]) is not None


def _declared(scope: Scope) -> int:
    for name, value in scope["headers"]:
        if name == b"content-length" and value.isdigit():
            return int(value)
    return 0


class BodyLimit:
    """ASGI middleware: reads a body up to its limit and hands it on, or answers 413."""

    def __init__(self, app: ASGIApp) -> None:
        self._app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        reads = scope["type"] != "http" or scope["method"] in ("GET", "HEAD", "OPTIONS")
        if reads or is_film(scope):
            await self._app(scope, receive, send)
            return
        most = limit_of(scope["path"])
        body = None if _declared(scope) > most else await _read(receive, most)
        if body is None:
            detail = say("api.request_larger_mb_taken", most=most / 1000000.0)
            await problem(413, say("api.too_large"), detail)(scope, receive, send)
            return
        await self._app(scope, _replay(body, receive), send)


async def _read(receive: Receive, most: int) -> bytes | None:
    """The whole body, or None as soon as it is too large."""
    parts: list[bytes] = []
    size = 0
    while True:
        message = await receive()
        if message["type"] != "http.request":
            return b"".join(parts)
        part = message.get("body", b"")
        size += len(part)
        if size > most:
            return None
        parts.append(part)
        if not message.get("more_body", False):
            return b"".join(parts)


def _replay(body: bytes, receive: Receive) -> Receive:
    sent = False

    async def again() -> Message:
        nonlocal sent
        if sent:
            return await receive()
        sent = True
        return {"type": "http.request", "body": body, "more_body": False}

    return again
