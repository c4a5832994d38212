"""No request, however odd, makes the server fail (schemathesis over HTTP)."""

import socket
import threading
import time
from pathlib import Path

import pytest
import schemathesis
import uvicorn
from hypothesis import HealthCheck, Phase, given, settings
from schemathesis.checks import not_a_server_error
from uuid6 import uuid7

from pavrik.api.app import create_app
from pavrik.api.settings import Settings
from tests.api.helpers import Coach, add_lifter
from tests.conftest import CHEAP, Server


@pytest.fixture(scope="module")
def live(server: Server, demo_name: str):
    """A real server on the demo club; its address and the signed-in headers."""
    import httpx2

    app = create_app(Settings(server.app_url(demo_name), None, hasher=CHEAP))
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port = probe.getsockname()[1]
    running = uvicorn.Server(uvicorn.Config(app, host="127.0.0.1", port=port, log_level="error"))
    thread = threading.Thread(target=running.run, daemon=True)
    thread.start()
    while not running.started:
        time.sleep(0.01)
    address = f"http://127.0.0.1:{port}"
    with httpx2.Client(base_url=address) as client:
        coach = Coach(client)  # type: ignore[arg-type]
        coach.enter_demo()
        lifter_id = add_lifter(coach)
        cookie = "; ".join(f"{k}={v}" for k, v in client.cookies.items())
    yield address, {"Cookie": cookie, "X-CSRF-Token": coach.csrf}, lifter_id
    running.should_exit = True
    thread.join(timeout=10)


DESCRIBED = Path(__file__).parents[2] / "docs" / "openapi.json"
"""Held equal to what the code says by tools/check-openapi."""
schema = schemathesis.openapi.from_path(DESCRIBED)
SIGN_OUT = "DELETE /api/session"
OPERATIONS = [
    operation
    for result in schema.get_all_operations()
    if (operation := result.ok()).label != SIGN_OUT
]
QUIET = [HealthCheck.too_slow, HealthCheck.filter_too_much, HealthCheck.function_scoped_fixture,
         HealthCheck.data_too_large]  # fmt: skip


def odd_ones(operation) -> int:
    """How many requests: where nothing but the address can be odd, few."""
    return 12 if list(operation.body) or list(operation.query) else 4


@pytest.mark.parametrize("operation", OPERATIONS, ids=lambda operation: operation.label)
def test_no_request_breaks_the_server(operation, live):
    address, headers, lifter_id = live

    @settings(
        max_examples=odd_ones(operation), deadline=None, suppress_health_check=QUIET,
        phases=[Phase.generate], derandomize=True,
    )  # fmt: skip
    @given(case=operation.as_strategy())
    def holds(case):
        if "lifter_id" in (case.path_parameters or {}):
            case.path_parameters["lifter_id"] = lifter_id
        sent = {**headers}
        if "Idempotency-Key" in (case.headers or {}):
            sent["Idempotency-Key"] = str(uuid7())
        case.call_and_validate(base_url=address, headers=sent, checks=[not_a_server_error])

    holds()
