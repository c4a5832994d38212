"""Commands that run the server and look after the database."""

import json
from datetime import UTC, datetime
from pathlib import Path

from argon2 import PasswordHasher

from pavrik.api.app import create_app
from pavrik.api.settings import Settings
from pavrik.cli.serving import serve_app
from pavrik.cli.start import only_one, running_app_url, running_owner_url, state_folder
from pavrik.demo.load import load_demo, remove_demo
from pavrik.errors import OperationError
from pavrik.settings import Environment
from pavrik.store.cluster import Cluster
from pavrik.store.database import Database
from pavrik.store.dumps import dump, restore, restore_private
from pavrik.store.migrate import migrate

DUMP = "pavrik-"


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


def run_demo(reset: bool = False, remove: bool = False) -> None:
    """Load the demo club where it is missing; load it anew, or take it away."""
    database = Database(running_app_url())
    database.open()
    try:
        if reset or remove:
            remove_demo(database)
        if not remove:
            load_demo(database, PasswordHasher(), datetime.now(UTC))
    finally:
        database.close()


def run_serve(host: str, port: int, workers: int) -> None:
    """Serve a database that is already migrated."""
    serve_app(Settings.from_environment(), host, port, workers)


def run_backup(target: str, keep: int | None = None) -> None:
    """Dump the named database, else that of the running ``start``, in PostgreSQL's custom format:
    into a file, or with ``keep`` into a folder,
    under the moment's name, where only so many of the newest stay. An old one goes once the new one
    is whole."""
    url = running_owner_url()
    if keep is None:
        dump(url, Path(target))
        return
    folder = Path(target)
    if keep < 1 or (folder.exists() and not folder.is_dir()):
        raise OperationError(f"--keep takes 1 or more dumps in a folder, not {keep} in {target}")
    folder.mkdir(mode=0o700, parents=True, exist_ok=True)
    made = folder / f"{DUMP}{datetime.now(UTC):%Y%m%dT%H%M%S}.dump"
    unfinished = made.with_suffix(".unfinished")
    try:
        dump(url, unfinished)
        unfinished.rename(made)
    finally:
        unfinished.unlink(missing_ok=True)
    for old in sorted(folder.glob(f"{DUMP}*.dump"))[:-keep]:
        old.unlink()
    print(made)


def run_restore(file: str, replace: bool = False) -> None:
    """Restore a dump into the named database, which must be empty, else into the private one of
    this folder, which ``start`` then serves."""
    url = Environment().database_url
    if url:
        restore(url, Path(file))
        print("restored")
        return
    with only_one(state_folder()):
        print(restore_private(Cluster(state_folder()), Path(file), replace))


def print_openapi() -> None:
    """The HTTP API's description, from which the page's types are made."""
    app = create_app(Settings("", None))
    print(json.dumps(app.openapi(), indent=1, sort_keys=True))
