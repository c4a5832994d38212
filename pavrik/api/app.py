"""The application: routers, the built page, headers, metrics, logs without personal data."""

import logging
import time
from collections.abc import AsyncIterator, Awaitable, Callable
from contextlib import asynccontextmanager
from pathlib import Path

from fastapi import FastAPI, Request, Response
from fastapi.responses import FileResponse, PlainTextResponse
from fastapi.staticfiles import StaticFiles
from prometheus_client import CollectorRegistry, Counter, Histogram, generate_latest

from pavrik.api import lifts_routes, problems
from pavrik.api.body_limit import BodyLimit
from pavrik.api.club import gym_routes, library_routes, sign_in_routes
from pavrik.api.lifters import lifter_routes
from pavrik.api.lifters.lifter_schemas import HealthAnswer
from pavrik.api.plans import plan_routes
from pavrik.api.settings import Settings
from pavrik.api.setups import card_routes, deadlift_routes, job_routes, squat_routes
from pavrik.api.training import log_routes, review_routes, session_routes
from pavrik.core import MODEL_VERSION
from pavrik.core.faults.catalogue import check_prices, shipped_catalogue
from pavrik.core.faults.evidence import shipped_evidence
from pavrik.core.faults.schools import shipped_schools
from pavrik.core.variations.catalogue import shipped_variations
from pavrik.services.club.accounts import Accounts
from pavrik.services.club.passwords import Passwords
from pavrik.services.jobs import Jobs
from pavrik.store.database import Database

log = logging.getLogger("pavrik")
ROUTERS = (
    lifts_routes, sign_in_routes, gym_routes, library_routes, lifter_routes,
    squat_routes, deadlift_routes, card_routes, job_routes,
    log_routes, session_routes, review_routes, plan_routes,
)  # fmt: skip
HEADERS = {
    "Content-Security-Policy": (
        "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline'; "
        "font-src 'self'; connect-src 'self'; frame-ancestors 'none'; base-uri 'none'; "
        "form-action 'self'; object-src 'none'"
    ),
    "X-Content-Type-Options": "nosniff",
    "Referrer-Policy": "no-referrer",
    "X-Frame-Options": "DENY",
    "Permissions-Policy": "geolocation=(), microphone=()",
}


class Metrics:
    """Requests counted and timed by route, without who or what."""

    def __init__(self) -> None:
        self.registry = CollectorRegistry()
        self.requests = Counter(
            "pavrik_requests", "answers by route and status", ["route", "status"],
            registry=self.registry,
        )  # fmt: skip
        self.seconds = Histogram(
            "pavrik_request_seconds", "time to answer by route", ["route"], registry=self.registry
        )


def _route_of(request: Request) -> str:
    route = request.scope.get("route")
    return getattr(route, "path", "page")


def _watch(app: FastAPI, metrics: Metrics) -> None:
    @app.middleware("http")
    async def watch(
        request: Request, call_next: Callable[[Request], Awaitable[Response]]
    ) -> Response:
        started = time.perf_counter()
        response = await call_next(request)
        seconds = time.perf_counter() - started
        route = _route_of(request)
        metrics.requests.labels(route, str(response.status_code)).inc()
        metrics.seconds.labels(route).observe(seconds)
        response.headers.update(HEADERS)
        if request.url.path.startswith("/api"):
            response.headers["Cache-Control"] = "no-store"
            log.info("%s %s %d %.0f ms", request.method, route, response.status_code, seconds * 1e3)
        return response


def _serve_page(app: FastAPI, folder: Path) -> None:
    app.mount("/assets", StaticFiles(directory=folder / "assets"), name="assets")

    @app.get("/{path:path}", include_in_schema=False)
    def page(path: str) -> FileResponse:
        wanted = (folder / path).resolve()
        if path and wanted.is_file() and wanted.is_relative_to(folder.resolve()):
            return FileResponse(wanted)
        return FileResponse(folder / "index.html", headers={"Cache-Control": "no-cache"})


def _unknown_api(app: FastAPI) -> None:
    @app.api_route(
        "/api/{path:path}", methods=["GET", "POST", "PUT", "DELETE"], include_in_schema=False
    )
    def unknown(path: str) -> Response:
        return problems.problem(404, "Not found", f"there is no /api/{path}")


def create_app(settings: Settings) -> FastAPI:
    """The whole application for one database."""
    check_prices(shipped_catalogue())
    shipped_evidence()
    shipped_schools()
    shipped_variations()

    @asynccontextmanager
    async def lifespan(app: FastAPI) -> AsyncIterator[None]:
        database = Database(settings.database_url)
        database.open()
        app.state.database = database
        app.state.passwords = Passwords(settings.hasher)
        app.state.accounts = Accounts(database, app.state.passwords)
        app.state.jobs = Jobs(database)
        yield
        app.state.jobs.close()
        database.close()

    app = FastAPI(
        title="Pavrik",
        version=MODEL_VERSION,
        lifespan=lifespan,
        responses=problems.PROBLEM_RESPONSES,
        docs_url=None,
        redoc_url=None,
        openapi_url="/api/openapi.json",
    )
    app.state.settings = settings
    metrics = Metrics()
    problems.install(app)
    app.add_middleware(BodyLimit)
    _watch(app, metrics)
    for module in ROUTERS:
        app.include_router(module.router)

    @app.get("/api/health", tags=["operation"])
    def health(request: Request) -> HealthAnswer:
        """Whether the server and its database answer."""
        alive = request.app.state.database.answers()
        return HealthAnswer(status="ok" if alive else "no database", model_version=MODEL_VERSION)

    @app.get("/metrics", include_in_schema=False)
    def read_metrics() -> PlainTextResponse:
        return PlainTextResponse(generate_latest(metrics.registry))

    _unknown_api(app)
    if settings.page_folder is not None:
        _serve_page(app, settings.page_folder)
    return app
