"""The application: routers, the built page, health and metrics."""

import asyncio
import gc
import sys
from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from hmac import compare_digest
from pathlib import Path

from fastapi import FastAPI, Request, Response
from fastapi.concurrency import run_in_threadpool
from fastapi.responses import FileResponse, PlainTextResponse
from fastapi.staticfiles import StaticFiles

from pavrik.api import compute_routes, lifts_routes, problems
from pavrik.api.body_limit import BodyLimit
from pavrik.api.club import gym_routes, library_routes, moving_routes, people_routes, sign_in_routes
from pavrik.api.deadline import Deadline
from pavrik.api.films import afar_routes, watch_routes
from pavrik.api.lifters import lifter_routes
from pavrik.api.local import LocalIn
from pavrik.api.metering import Metered, Metrics
from pavrik.api.plans import plan_routes
from pavrik.api.same_site import SameSite
from pavrik.api.settings import Settings
from pavrik.api.setups import (
    card_routes,
    deadlift_routes,
    job_routes,
    squat_routes,
    trial_routes,
)
from pavrik.api.training import log_routes, review_routes, session_routes
from pavrik.core import MODEL_VERSION
from pavrik.core.faults.catalogue import check_prices, shipped_catalogue
from pavrik.core.faults.evidence import shipped_evidence
from pavrik.core.faults.schools import shipped_schools
from pavrik.core.variations.catalogue import shipped_variations
from pavrik.formats.wire.lifters import HealthAnswer
from pavrik.services.club.accounts import Accounts
from pavrik.services.club.mail import Mail
from pavrik.services.club.passwords import Passwords
from pavrik.services.jobs import Jobs
from pavrik.services.watch.films import SWEEP_S, Films
from pavrik.store.asking import Asking
from pavrik.store.database import Database
from pavrik.words import say

ROUTERS = (
    session_routes, lifter_routes, log_routes, plan_routes, squat_routes, deadlift_routes,
    review_routes, job_routes, sign_in_routes, card_routes, trial_routes, gym_routes,
    library_routes, people_routes, watch_routes, afar_routes, lifts_routes, moving_routes,
    compute_routes,
)  # fmt: skip
"""Those first that are asked most: a request is compared with one after the other."""


async def _sweep(films: Films) -> None:
    """Films whose time is over go, whether anybody asks for them or not."""
    while True:
        await run_in_threadpool(films.sweep)
        await asyncio.sleep(SWEEP_S)


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
        return problems.problem(404, say("api.not_found"), say("api.there_no_api", path=path))


TURN_S = 0.0005
"""How long a thread that computes may go on while others, back from the database, want a turn: a
tenth of Python's own, as a request asks the database a hundred times and waits a turn each time."""


YOUNG_OBJECTS = 20_000
"""So many new objects before dead ones are looked for: an answer makes some thousands."""


def keep_what_is_there() -> None:
    """What a process is made of stays: looking through it for the dead would stop every request
    for a third of a second."""
    gc.collect()
    gc.freeze()
    gc.set_threshold(YOUNG_OBJECTS, *gc.get_threshold()[1:])


def served(settings: Settings) -> FastAPI:
    """The application of a process that does nothing but serve it."""
    app = create_app(settings)
    keep_what_is_there()
    return app


def from_environment() -> FastAPI:
    """The same as the environment says: what every worker process of ``serve`` makes."""
    return served(Settings.from_environment())


def create_app(settings: Settings) -> FastAPI:
    """The whole application for one database."""
    check_prices(shipped_catalogue())
    shipped_evidence()
    shipped_schools()
    shipped_variations()

    mail = Mail(settings.smtp_url, settings.mail_from)

    @asynccontextmanager
    async def lifespan(app: FastAPI) -> AsyncIterator[None]:
        sys.setswitchinterval(TURN_S)
        database = Database(settings.database_url)
        database.open()
        asking = Asking(settings.database_url)
        await asking.open()
        app.state.database, app.state.asking = database, asking
        app.state.passwords = Passwords(settings.hasher)
        app.state.accounts = Accounts(database, app.state.passwords)
        app.state.mail = mail
        app.state.jobs = Jobs(database, apart=settings.jobs_apart)
        app.state.quota = compute_routes.Quota()
        app.state.films = Films(settings.films_folder)
        sweeping = asyncio.create_task(_sweep(app.state.films))
        yield
        sweeping.cancel()
        app.state.jobs.close()
        await asking.close()
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
    metrics = Metrics(settings.metrics_folder)
    problems.install(app)
    app.add_middleware(BodyLimit)
    app.add_middleware(SameSite, public_url=settings.public_url)
    app.add_middleware(Deadline)
    app.add_middleware(Metered, metrics=metrics, secure=settings.secure_cookies)
    for module in ROUTERS:
        app.include_router(module.router)

    @app.get("/api/health", tags=["operation"])
    def health(request: Request, response: Response) -> HealthAnswer:
        """Whether the server and its database answer: 503 where the database does not."""
        alive = request.app.state.database.answers()
        if not alive:
            response.status_code = 503
        return HealthAnswer(status="ok" if alive else "no database", model_version=MODEL_VERSION)

    @app.get("/metrics", include_in_schema=False)
    def read_metrics(request: Request, local: LocalIn) -> Response:
        told = request.headers.get("authorization", "").removeprefix("Bearer ")
        token = settings.metrics_token
        if local or (token and compare_digest(told.encode(), token.encode())):
            return PlainTextResponse(metrics.read())
        return problems.problem(403, say("api.not_allowed"), say("api.counts_machine_token"))

    _unknown_api(app)
    if settings.page_folder is not None:
        _serve_page(app, settings.page_folder)
    return app
