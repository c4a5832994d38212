"""Every answer gets its headers, is counted and timed by route, and leaves a line without names."""

import logging
import time
import traceback
from pathlib import Path

from prometheus_client import CollectorRegistry, Counter, Histogram, generate_latest
from prometheus_client.multiprocess import MultiProcessCollector
from starlette.datastructures import MutableHeaders
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from pavrik.api.problems import problem
from pavrik.words import say

log = logging.getLogger("pavrik")
HEADERS = {
    "Content-Security-Policy": (
        "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline'; "
        "font-src 'self'; connect-src 'self'; media-src 'self' blob:; "
        "frame-ancestors 'none'; base-uri 'none'; form-action 'self'; object-src 'none'"
    ),
    "X-Content-Type-Options": "nosniff",
    "Referrer-Policy": "no-referrer",
    "X-Frame-Options": "DENY",
    "Permissions-Policy": "geolocation=(), microphone=()",
}

HTTPS_ONLY = {"Strict-Transport-Security": "max-age=31536000"}

_OURS = say("api.our_mistake_noted")


def _log_fault(error: Exception) -> None:
    """Where it happened, without the message: that may hold what somebody entered."""
    places = [f"{f.filename}:{f.lineno}" for f in traceback.extract_tb(error.__traceback__)[-4:]]
    log.error("fault %s at %s", type(error).__name__, " < ".join(reversed(places)))


class Metrics:
    """Requests counted and timed by route, without who or what.

    With a folder the counts of all processes that name it are read together; prometheus_client asks
    for it in ``PROMETHEUS_MULTIPROC_DIR`` before it is imported.
    """

    def __init__(self, folder: Path | None) -> None:
        self._folder = folder
        self.registry = CollectorRegistry()
        self.requests = Counter(
            "pavrik_requests", "answers by route and status", ["route", "status"],
            registry=self.registry,
        )  # fmt: skip
        self.seconds = Histogram(
            "pavrik_request_seconds", "time to answer by route", ["route"], registry=self.registry
        )

    def read(self) -> bytes:
        """The counts in Prometheus' text form."""
        if self._folder is None:
            return generate_latest(self.registry)
        together = CollectorRegistry()
        MultiProcessCollector(together, str(self._folder))  # type: ignore[no-untyped-call]
        return generate_latest(together)


class Metered:
    """ASGI middleware round everything else."""

    def __init__(self, app: ASGIApp, metrics: Metrics, *, secure: bool = False) -> None:
        self._app = app
        self._metrics = metrics
        self._headers = HEADERS | HTTPS_ONLY if secure else HEADERS

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self._app(scope, receive, send)
            return
        started = time.perf_counter()
        status = None

        async def with_headers(message: Message) -> None:
            nonlocal status
            if message["type"] == "http.response.start":
                status = message["status"]
                headers = MutableHeaders(scope=message)
                headers.update(self._headers)
                if scope["path"].startswith("/api"):
                    headers["Cache-Control"] = "no-store"
            await send(message)

        try:
            await self._app(scope, receive, with_headers)
        except Exception as error:
            _log_fault(error)
            if status is not None:
                raise
            await problem(500, say("api.our_mistake"), _OURS)(scope, receive, with_headers)
        finally:
            self._note(scope, status or 500, time.perf_counter() - started)

    def _note(self, scope: Scope, status: int, seconds: float) -> None:
        route = getattr(scope.get("route"), "path", "page")
        self._metrics.requests.labels(route, str(status)).inc()
        self._metrics.seconds.labels(route).observe(seconds)
        if scope["path"].startswith("/api"):
            log.info("%s %s %d %.0f ms", scope["method"], route, status, seconds * 1e3)
