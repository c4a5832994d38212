"""A disk runs full under the database: what was acknowledged stays, what was not is told, and the
next start runs by itself once there is room."""

import os
import subprocess
import tempfile
from collections.abc import Iterator
from pathlib import Path

import psycopg
import pytest
from fastapi.testclient import TestClient

from pavrik.api.app import create_app
from pavrik.api.settings import Settings
from pavrik.store.cluster import Cluster
from pavrik.store.setup import prepare
from tests.api.helpers import Coach, a_set, add_club, add_lifter
from tests.conftest import CHEAP

SIZE_MB = 160
OWNER = "owner@narrow.example"
TOO_MUCH = """create table junk as
  select repeat(md5(i::text), 40) from generate_series(1, 2000000) i"""


@pytest.fixture
def narrow() -> Iterator[Path]:
    """A folder on a small disk of its own."""
    folder = tempfile.mkdtemp(prefix="pvf")
    mounted = os.geteuid() == 0 and not subprocess.run(
        ["mount", "-t", "tmpfs", "-o", f"size={SIZE_MB}m", "tmpfs", folder],
        capture_output=True, check=False,
    ).returncode  # fmt: skip
    if not mounted:
        pytest.skip("a small disk of its own needs root and a mount, which are not allowed here")
    Path(folder).chmod(0o755)
    yield Path(folder)
    Cluster(Path(folder)).stop()
    subprocess.run(["umount", "-l", folder], check=False)
    Path(folder).rmdir()


def fill(path: Path) -> None:
    """A file that takes all room that is left."""
    with path.open("wb", buffering=0) as file:
        try:
            while file.write(b"0" * 1_000_000):
                pass
        except OSError:
            return


def logged(url: str, lifter: str, times: int) -> tuple[list[str], set[int]]:
    """Sets that the server took, and every status it gave."""
    taken, statuses = [], set()
    app = create_app(Settings(url, None, hasher=CHEAP))
    local = ("127.0.0.1", 50000)
    with TestClient(
        app, "http://127.0.0.1:8460", client=local, raise_server_exceptions=False
    ) as client:
        coach = Coach(client)
        if coach.sign_in(OWNER).status_code != 200:
            return [], {503}
        for _ in range(times):
            body = a_set(note="x" * 900)
            answer = coach.post(f"/api/lifters/{lifter}/sets", body)
            statuses.add(answer.status_code)
            if answer.status_code == 201:
                taken.append(body["set_id"])
            else:
                assert answer.headers["content-type"] == "application/problem+json"
    return taken, statuses


def test_a_full_disk_loses_nothing_that_was_acknowledged(narrow):
    cluster = Cluster(narrow, trusted=True)
    port = cluster.start()
    owner_url, app_url = prepare(cluster, port)
    add_club(owner_url, "Narrow", (OWNER, "owner"))
    app = create_app(Settings(app_url, None, hasher=CHEAP))
    with TestClient(app, "http://127.0.0.1:8460", client=("127.0.0.1", 50000)) as client:
        coach = Coach(client)
        coach.sign_in(OWNER)
        lifter = add_lifter(coach)
    before, _ = logged(app_url, lifter, 5)
    assert len(before) == 5
    stuffing = narrow / "stuffing"
    fill(stuffing)
    with pytest.raises(psycopg.Error), psycopg.connect(owner_url) as connection:
        connection.execute(TOO_MUCH)
    while_full: list[str] = []
    statuses: set[int] = set()
    if cluster.running_port():
        while_full, statuses = logged(app_url, lifter, 20)
    assert statuses <= {201, 503}
    stuffing.unlink()
    cluster.stop()
    port = cluster.start()
    after, _ = logged(cluster.app_url(port, "pavrik"), lifter, 3)
    assert len(after) == 3, "it runs again by itself"
    with psycopg.connect(cluster.owner_url(port, "pavrik")) as connection:
        there = {str(row[0]) for row in connection.execute("select set_id from training_set")}
    assert {*before, *while_full, *after} <= there
