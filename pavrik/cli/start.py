"""``pavrik start``: database, migrations, demo club and server, all stopped again on Ctrl-C."""

import fcntl
import hashlib
import logging
import os
import signal
import socket
import sys
from collections.abc import Iterator
from contextlib import contextmanager
from datetime import UTC, datetime
from pathlib import Path

from argon2 import PasswordHasher

from pavrik.api.settings import FILMS, Settings
from pavrik.cli.ports import FIRST_PORT, LOOPBACK
from pavrik.cli.serving import check_workers, serve_app
from pavrik.errors import OperationError
from pavrik.settings import Environment
from pavrik.store.cluster import Cluster
from pavrik.store.database import Database
from pavrik.store.migrate import migrate
from pavrik.store.setup import DATABASE, prepare

ANY = ("0.0.0.0", "::")  # noqa: S104 - named to be told apart, not to be listened on
ADDRESS = "address"
ROOT = Path(__file__).resolve().parents[2]
PAGE = ROOT / "web" / "dist"


def state_folder() -> Path:
    """Where the private database lives: beside the code, or for root where postgres may enter."""
    named = Environment().state
    if named:
        return named
    if os.geteuid() == 0:
        return Path("/var/lib") / f"pavrik-{hashlib.sha256(str(ROOT).encode()).hexdigest()[:10]}"
    return ROOT / ".pavrik"


@contextmanager
def only_one(folder: Path) -> Iterator[None]:
    """Hold the folder's lock. Raises OperationError where another Pavrik holds it."""
    folder.mkdir(parents=True, exist_ok=True)
    with (folder / "start.lock").open("w") as lock:
        try:
            fcntl.flock(lock, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except OSError as error:
            raise OperationError(
                "Pavrik is already running from this folder: use that one, or stop it first"
            ) from error
        yield


def _is_free(port: int) -> bool:
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind(("127.0.0.1", port))
        except OSError:
            return False
    return True


def choose_port(asked: int | None) -> int:
    """The asked port, or the first free one from 8460. Raises OperationError when taken."""
    if asked is not None:
        if not _is_free(asked):
            raise OperationError(f"port {asked} is taken: free it, or leave --port out")
        return asked
    for port in range(FIRST_PORT, FIRST_PORT + 50):
        if _is_free(port):
            return port
    raise OperationError(f"ports {FIRST_PORT} to {FIRST_PORT + 49} are all taken: give --port")


@contextmanager
def _database_urls() -> Iterator[tuple[str, str]]:
    """Owner's and application's URL: a server of one's own, or the private cluster."""
    own = Environment().database_url
    if own:
        migrate(own)
        yield own, own
        return
    folder = state_folder()
    with only_one(folder):
        cluster = Cluster(folder)
        port = cluster.start()
        try:
            yield prepare(cluster, port)
        finally:
            cluster.stop()


def _load_demo(app_url: str) -> bool:
    """Load the demo club where it is missing and nobody took it away; whether it is there."""
    from pavrik.demo.load import is_removed, load_demo

    database = Database(app_url)
    database.open()
    try:
        if is_removed(database):
            return False
        load_demo(database, PasswordHasher(), datetime.now(UTC))
        return True
    finally:
        database.close()


def _note_address(address: str) -> None:
    """Keep where the page is, for links that the command line makes."""
    if state_folder().exists():
        (state_folder() / ADDRESS).write_text(address)


def served_address() -> str:
    """Where the page is: the public address, else where this folder's ``start`` serves it."""
    public = Environment().public_url
    noted = state_folder() / ADDRESS
    if public:
        return public.rstrip("/")
    return noted.read_text() if noted.exists() else f"http://127.0.0.1:{FIRST_PORT}"


def _running() -> tuple[Cluster, int]:
    """The private database of the running ``start``. Raises OperationError where none runs."""
    cluster = Cluster(state_folder())
    port = cluster.running_port() if cluster.data.exists() else None
    if port is None:
        raise OperationError("Pavrik does not run from this folder: ./start it, or name a database")
    return cluster, port


def running_app_url() -> str:
    """The application's database: the one that is named, else that of the running ``start``.

    Raises OperationError where none runs."""
    own = Environment().database_url
    if own:
        return own
    cluster, port = _running()
    return cluster.app_url(port, DATABASE)


def running_owner_url() -> str:
    """The same by its owner."""
    own = Environment().database_url
    if own:
        return own
    cluster, port = _running()
    return cluster.owner_url(port, DATABASE)


def _leave(_: int, __: object) -> None:
    sys.exit(0)


def _public_url(host: str, port: int) -> str | None:
    """The address under which others reach this server; None where it is for this machine only, or
    where listening on every address says nothing of one."""
    told = Environment().public_url
    return told or (None if host in (LOOPBACK, *ANY) else f"http://{host}:{port}")


def start(
    port: int | None, no_demo: bool, prepare_only: bool, host: str = LOOPBACK, workers: int = 1
) -> None:
    """Run until Ctrl-C or SIGTERM, both of which stop the database too; ``prepare_only`` sets
    everything up and stops."""
    from pavrik.demo.people import OWNER_EMAIL, OWNER_PASSWORD

    check_workers(workers)
    signal.signal(signal.SIGTERM, _leave)
    logging.basicConfig(level=logging.INFO, format="%(asctime)s %(message)s")
    logging.getLogger("psycopg.pool").setLevel(logging.ERROR)
    with _database_urls() as (_, app_url):
        demo = False
        if not no_demo:
            print("Loading the demo club where it is missing ...", flush=True)
            demo = _load_demo(app_url)
        if prepare_only:
            print("Pavrik is set up: ./start serves it.")
            return
        chosen = choose_port(port)
        page = PAGE if (PAGE / "index.html").exists() else None
        public = _public_url(host, chosen)
        address = public or f"http://{LOOPBACK}:{chosen}"
        _note_address(address)
        told = Environment()
        settings = Settings(
            app_url,
            page,
            secure_cookies=told.secure_cookies,
            public_url=public,
            metrics_token=told.metrics_token,
            smtp_url=told.smtp_url,
            mail_from=told.mail_from,
            films_folder=state_folder() / FILMS,
            jobs_apart=True,
        )
        print(f"\nPavrik: {address}", flush=True)
        print("Your own club: press “Start your own club” there")
        if demo:
            print(f"Demo club: press “Enter the demo club”, or {OWNER_EMAIL} / {OWNER_PASSWORD}")
        print("Ctrl-C stops everything.\n", flush=True)
        serve_app(settings, host, chosen, workers)
