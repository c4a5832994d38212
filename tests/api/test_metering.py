"""What stands round every answer: headers, counts by route, and faults of our own."""

import logging
import os
import subprocess
import sys

from fastapi import FastAPI
from fastapi.testclient import TestClient

from pavrik.api.metering import HEADERS, Metered, Metrics

SECRET = "Marlow weighs 83"
COUNT = """
import sys
from pathlib import Path
from pavrik.api.metering import Metrics
metrics = Metrics(Path(sys.argv[1]))
if sys.argv[2] == "count":
    metrics.requests.labels("/api/floor", "200").inc()
else:
    print(metrics.read().decode())
"""


def faulty() -> tuple[FastAPI, Metrics]:
    app, metrics = FastAPI(), Metrics(None)

    @app.get("/api/broken")
    def broken() -> None:
        raise KeyError(SECRET)

    app.add_middleware(Metered, metrics=metrics)
    return app, metrics


def test_a_fault_of_ours_is_a_problem_with_headers_counted_and_logged_without_what_was_said(caplog):
    app, metrics = faulty()
    with caplog.at_level(logging.ERROR, "pavrik"):
        answer = TestClient(app).get("/api/broken")
    assert answer.status_code == 500
    assert answer.headers["content-type"] == "application/problem+json"
    assert answer.json()["detail"].startswith("something went wrong")
    assert {name: answer.headers[name] for name in HEADERS} == HEADERS
    assert answer.headers["cache-control"] == "no-store"
    assert SECRET not in answer.text + caplog.text
    assert "fault KeyError" in caplog.text
    assert "test_metering.py" in caplog.text
    assert b'pavrik_requests_total{route="/api/broken",status="500"} 1.0' in metrics.read()


def test_processes_that_share_a_folder_are_counted_together(tmp_path):
    def process(what: str) -> str:
        return subprocess.run(
            [sys.executable, "-c", COUNT, str(tmp_path), what], capture_output=True, text=True,
            check=True, env=os.environ | {"PROMETHEUS_MULTIPROC_DIR": str(tmp_path)},
        ).stdout  # fmt: skip

    process("count")
    process("count")
    assert 'pavrik_requests_total{route="/api/floor",status="200"} 2.0' in process("read")
