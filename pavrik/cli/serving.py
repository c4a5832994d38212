"""The server in one process or in several, which share the database and the folder of films."""

import os
from collections.abc import Iterator
from contextlib import contextmanager
from tempfile import TemporaryDirectory

import uvicorn

from pavrik.api.settings import Settings
from pavrik.errors import OperationError
from pavrik.services.beside import processes

MOST_WORKERS = 64
SLOWEST_START_S = 120
"""A process that is still loading answers nobody: on a busy machine that takes longer than the five
seconds after which the server would take it for hung, end it and begin again, for ever."""


def check_workers(workers: int) -> None:
    """Raises OperationError for a number of processes that makes no sense."""
    if not 1 <= workers <= MOST_WORKERS:
        raise OperationError(f"--workers takes 1 to {MOST_WORKERS} processes, not {workers}")


def _renew(url: str) -> None:
    """Imported there: the process that looks after the others holds none of the model."""
    from pavrik.services.renewing import renew_for_ever

    renew_for_ever(url)


@contextmanager
def renewing_beside(url: str) -> Iterator[None]:
    """While it lasts, a process of its own renews answers."""
    process = processes().Process(target=_renew, args=(url,), daemon=True)
    process.start()
    try:
        yield
    finally:
        process.terminate()
        process.join()


def serve_app(settings: Settings, host: str, port: int, workers: int = 1) -> None:
    """Serve until told to stop; several processes count their answers together. Paths hold ids and
    tokens of links: nothing logs them. Raises OperationError for a number that makes no sense."""
    check_workers(workers)
    with renewing_beside(settings.database_url):
        _serve(settings, host, port, workers)


def _serve(settings: Settings, host: str, port: int, workers: int) -> None:
    if workers == 1:
        from pavrik.api.app import served

        uvicorn.run(served(settings), host=host, port=port, log_level="warning", access_log=False)
        return
    with TemporaryDirectory(prefix="pavrik-counts-") as folder:
        os.environ.update(settings.as_environment(), PROMETHEUS_MULTIPROC_DIR=folder)
        uvicorn.run(
            "pavrik.api.app:from_environment", factory=True, workers=workers, host=host, port=port,
            log_level="warning", access_log=False, timeout_worker_healthcheck=SLOWEST_START_S,
        )  # fmt: skip
