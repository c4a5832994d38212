"""One throw-away PostgreSQL per worker, one migrated template, one database per module."""

import fcntl
import tempfile
from collections import Counter
from collections.abc import Callable, Iterator, Reversible
from datetime import UTC, datetime
from itertools import count
from pathlib import Path

import psycopg
import pytest
from argon2 import PasswordHasher

from pavrik.api.app import keep_what_is_there
from pavrik.demo.load import load_demo
from pavrik.store.cluster import UNSAFE_BUT_FAST, Cluster
from pavrik.store.database import Database
from pavrik.store.dumps import dump, restore
from pavrik.store.setup import create_database, prepare

CHEAP = PasswordHasher(time_cost=1, memory_cost=8, parallelism=1)
NOW = datetime(2026, 11, 20, 12, 0, tzinfo=UTC)
TEMPLATE, WITH_DEMO = "pavrik", "with_demo"
_numbers = count()


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """Refuse tests that share a name, as the parallel runner would run only one of them, and let
    the folders take turns file by file."""
    twice = [name for name, n in Counter(item.nodeid for item in items).items() if n > 1]
    if twice:
        raise pytest.UsageError(f"tests share a name and only one would run: {', '.join(twice)}")
    turns = _turns(dict.fromkeys(item.path for item in items))
    items.sort(key=lambda item: turns[item.path])


def _turns(files: Reversible[Path]) -> dict[Path, int]:
    """A file's turn within its folder, the last one first: the longest stand there, and where one
    worker waits for the other at the end only short files of the core are left. So browsers run
    beside what needs none, and what loads the demo beside what does not."""
    seen: Counter[Path] = Counter()
    turns = {}
    for file in reversed(files):
        turns[file] = seen[file.parent]
        seen[file.parent] += 1
    return turns


def pytest_collection_finish() -> None:
    keep_what_is_there()


class Server:
    """The worker's PostgreSQL."""

    def __init__(self, cluster: Cluster, port: int) -> None:
        self._cluster = cluster
        self.port = port

    def owner_url(self, name: str) -> str:
        return self._cluster.owner_url(self.port, name)

    def app_url(self, name: str) -> str:
        return self._cluster.app_url(self.port, name)

    def copy(self, template: str, name: str | None = None) -> str:
        """A new database made from a template; its name."""
        made = name or f"t{next(_numbers)}"
        with psycopg.connect(self.owner_url("postgres"), autocommit=True) as connection:
            connection.execute(f"create database {made} template {template} strategy file_copy")
        return made

    def from_dump(self, file: Path, name: str) -> str:
        """A new database made from a dump; its name."""
        create_database(self.owner_url("postgres"), name)
        restore(self.owner_url(name), file)
        return name


@pytest.fixture(scope="session", autouse=True)
def jobs_give_way_to_nobody() -> Iterator[None]:
    """Nobody waits for an answer while a test waits for a job; other tests must not starve it."""
    with pytest.MonkeyPatch.context() as patch:
        patch.setattr("pavrik.services.beside.GIVES_WAY", 0)
        yield


@pytest.fixture(scope="session")
def server() -> Iterator[Server]:
    with tempfile.TemporaryDirectory(prefix="pvk") as folder:
        Path(folder).chmod(0o755)
        cluster = Cluster(Path(folder), trusted=True, options=UNSAFE_BUT_FAST)
        port = cluster.start()
        prepare(cluster, port)
        yield Server(cluster, port)
        cluster.stop()


def _load(url: str) -> None:
    database = Database(url)
    database.open()
    load_demo(database, CHEAP, NOW)
    database.close()


@pytest.fixture(scope="session")
def demo_template(
    server: Server, testrun_uid: str, tmp_path_factory: pytest.TempPathFactory
) -> str:
    """The migrated template with the demo club: loaded by the first worker of a run that asks, made
    from its dump by the others."""
    shared = tmp_path_factory.getbasetemp().parent
    kept = shared / f"{testrun_uid}.dump"
    with kept.with_suffix(".lock").open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)
        if kept.exists():
            return server.from_dump(kept, WITH_DEMO)
        name = server.copy(TEMPLATE, WITH_DEMO)
        _load(server.app_url(name))
        dump(server.owner_url(name), kept)
    return name


@pytest.fixture(scope="module")
def empty_name(server: Server) -> str:
    return server.copy(TEMPLATE)


@pytest.fixture(scope="module")
def demo_name(server: Server, demo_template: str) -> str:
    return server.copy(demo_template)


@pytest.fixture(scope="module")
def open_database() -> Iterator[Callable[[str], Database]]:
    opened: list[Database] = []

    def open_one(url: str) -> Database:
        database = Database(url)
        database.open()
        opened.append(database)
        return database

    yield open_one
    for database in opened:
        database.close()
