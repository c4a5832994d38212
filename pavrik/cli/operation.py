"""Commands that run the server and look after the database."""

import json
import os
import subprocess
from datetime import UTC, datetime
from pathlib import Path
from tempfile import TemporaryDirectory

import uvicorn
from argon2 import PasswordHasher

from pavrik.api.app import create_app
from pavrik.api.settings import Settings
from pavrik.demo.load import load_demo
from pavrik.errors import OperationError
from pavrik.settings import Environment
from pavrik.store.cluster import find_binary
from pavrik.store.database import Database
from pavrik.store.migrate import migrate


def database_url() -> str:
    """The owner's database. Raises OperationError when none is named."""
    url = Environment().database_url
    if not url:
        raise OperationError("PAVRIK_DATABASE_URL is not set: name the database to work on")
    return url


def run_migrate() -> None:
    """Apply missing migrations."""
    applied = migrate(database_url())
    print("applied: " + ", ".join(applied) if applied else "nothing to apply")


def run_demo() -> None:
    """Load the demo club."""
    url = database_url()
    database = Database(url)
    database.open()
    try:
        load_demo(database, url, PasswordHasher(), datetime.now(UTC))
    finally:
        database.close()


def run_serve(port: int, workers: int) -> None:
    """Serve a database that is already migrated; several processes count their answers together."""
    settings = Settings.from_environment()
    if workers == 1:
        uvicorn.run(create_app(settings), host="127.0.0.1", port=port)
        return
    with TemporaryDirectory(prefix="pavrik-counts-") as folder:
        os.environ["PROMETHEUS_MULTIPROC_DIR"] = folder
        uvicorn.run(
            "pavrik.api.app:from_environment", factory=True, workers=workers, host="127.0.0.1",
            port=port,
        )  # fmt: skip


def _postgres_tool(*command: str) -> None:
    result = subprocess.run(command, capture_output=True, text=True, check=False)
    if result.returncode:
        lines = result.stderr.strip().splitlines() or ["no message"]
        raise OperationError(f"{Path(command[0]).name} failed: {lines[0]}")


def run_backup(file: str) -> None:
    """Dump the database in PostgreSQL's custom format."""
    tool = str(find_binary("pg_dump"))
    _postgres_tool(tool, "--format=custom", f"--file={file}", database_url())


def run_restore(file: str) -> None:
    """Restore a dump into an empty database."""
    tool = str(find_binary("pg_restore"))
    _postgres_tool(tool, "--exit-on-error", f"--dbname={database_url()}", file)


def print_openapi() -> None:
    """The HTTP API's description, from which the page's types are made."""
    app = create_app(Settings("", None))
    print(json.dumps(app.openapi(), indent=1, sort_keys=True))
