"""``pavrik start`` from nothing, over ruins, beside others: it runs, or says why."""

import os
import shutil
import signal
import socket
import subprocess
import sys
import tempfile
import threading
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

import psycopg
import pytest
from psycopg.conninfo import conninfo_to_dict

from pavrik.cli.main import main
from pavrik.cli.start import choose_port
from pavrik.errors import OperationError
from pavrik.store.cluster import Cluster
from pavrik.store.setup import prepare

ASKED = ["club", "new", "--name", "Quarry Road", "--owner-email", "y@quarry.example"]


@contextmanager
def a_folder() -> Iterator[Path]:
    folder = Path(tempfile.mkdtemp(prefix="pvs"))
    folder.chmod(0o755)
    yield folder
    Cluster(folder).stop()
    shutil.rmtree(folder, ignore_errors=True)


@pytest.fixture
def state() -> Iterator[Path]:
    with a_folder() as folder:
        yield folder


def start(state: Path, *arguments: str) -> subprocess.Popen[str]:
    return subprocess.Popen(
        [sys.executable, "-m", "pavrik.cli.main", "start", "--no-demo", *arguments],
        env=os.environ | {"PAVRIK_STATE": str(state)},
        stdout=subprocess.PIPE,
        stderr=subprocess.STDOUT,
        text=True,
    )


def address_of(process: subprocess.Popen[str]) -> str:
    assert process.stdout is not None
    for line in process.stdout:
        if line.startswith("Pavrik: http"):
            return line.split()[1]
    raise AssertionError("the server never printed its address")


def healthy(address: str) -> bool:
    for _ in range(2400):
        try:
            with urllib.request.urlopen(f"{address}/api/health", timeout=5) as answer:
                return b'"ok"' in answer.read()
        except OSError:
            threading.Event().wait(0.05)
    return False


def end(process: subprocess.Popen[str], how: int = signal.SIGINT) -> None:
    process.send_signal(how)
    process.communicate(timeout=60)


@contextmanager
def started(state: Path, *arguments: str) -> Iterator[tuple[subprocess.Popen[str], str]]:
    """A Pavrik and its address; whatever becomes of the test, it does not outlive it."""
    process = start(state, *arguments)
    try:
        yield process, address_of(process)
    finally:
        if process.poll() is None:
            end(process)


@pytest.fixture(scope="module")
def running() -> Iterator[tuple[Path, str]]:
    """A Pavrik that was started over the ruins of a set-up that broke off, and its address."""
    with a_folder() as folder:
        ruins = folder / "data.unfinished"
        ruins.mkdir()
        (ruins / "PG_VERSION").write_text("half")
        with started(folder) as (_, address):
            yield folder, address


def test_however_it_ends_the_next_start_runs(state):
    for how in (signal.SIGKILL, signal.SIGTERM, signal.SIGINT):
        with started(state) as (process, address):
            assert healthy(address)
            end(process, how)
        assert (Cluster(state).running_port() is not None) == (how == signal.SIGKILL), how
        assert process.returncode == (-9 if how == signal.SIGKILL else 0), how


def test_several_processes_answer_as_one_and_end_together(state):
    with started(state, "--workers", "2") as (process, address):
        assert healthy(address)
        with urllib.request.urlopen(f"{address}/metrics", timeout=60) as answer:
            assert b"pavrik" in answer.read()
        end(process, signal.SIGTERM)
    assert process.returncode == 0
    assert Cluster(state).running_port() is None
    with pytest.raises(OSError, match="refused"):
        urllib.request.urlopen(f"{address}/api/health", timeout=5)


def test_a_number_of_processes_that_makes_no_sense_is_refused_in_a_sentence(state):
    refused = start(state, "--workers", "0")
    out, _ = refused.communicate(timeout=60)
    assert refused.returncode == 2
    assert "--workers takes 1 to 64 processes, not 0" in out


def test_a_half_done_set_up_is_done_again(running):
    state, address = running
    assert healthy(address)
    assert not (state / "data.unfinished").exists()


def test_a_second_pavrik_on_the_same_folder_is_refused_in_a_sentence(running):
    second = start(running[0])
    out, _ = second.communicate(timeout=60)
    assert second.returncode == 2
    assert "already running from this folder" in out


def test_without_a_running_start_no_link_is_given(state, monkeypatch, capsys):
    monkeypatch.setenv("PAVRIK_STATE", str(state))
    monkeypatch.delenv("PAVRIK_DATABASE_URL", raising=False)
    assert main(ASKED) == 2
    assert "does not run from this folder" in capsys.readouterr().err


def test_a_running_start_gives_links_to_new_owners(running, monkeypatch, capsys):
    state, address = running
    monkeypatch.setenv("PAVRIK_STATE", str(state))
    monkeypatch.delenv("PAVRIK_DATABASE_URL", raising=False)
    assert main(ASKED) == 0
    link = capsys.readouterr().out.splitlines()[0]
    assert link.startswith(f"{address}/start/")
    token = link.rsplit("/", 1)[1]
    with urllib.request.urlopen(f"{address}/api/session/club-link/{token}", timeout=5) as answer:
        assert b"Quarry Road" in answer.read()
    assert main([*ASKED[:-1], "no mail"]) == 2
    assert "is no e-mail address" in capsys.readouterr().err
    dump = state / "running.dump"
    assert main(["backup", str(dump)]) == 0
    assert dump.read_bytes()[:5] == b"PGDMP", "the database that start made, without naming it"


def test_a_busy_port_is_passed_over_or_refused_when_it_was_asked_for():
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        port = taken.getsockname()[1]
        with pytest.raises(OperationError, match=f"port {port} is taken"):
            choose_port(port)
    assert choose_port(None) >= 8460


def test_a_backup_comes_back_whole(state, monkeypatch, capsys):
    cluster = Cluster(state)
    port = cluster.start()
    owner_url, _ = prepare(cluster, port)
    with psycopg.connect(owner_url, autocommit=True) as connection:
        connection.execute(
            "insert into club (club_id, name) values (gen_random_uuid(), 'Saved Club')"
        )
        connection.execute("create database empty template template0")
    dump = state / "club.dump"
    given: list[tuple[str, ...]] = []
    run = subprocess.run
    monkeypatch.setattr(
        subprocess, "run", lambda command, **more: (given.append(command), run(command, **more))[1]
    )
    monkeypatch.setenv("PAVRIK_DATABASE_URL", owner_url)
    secret = str(conninfo_to_dict(owner_url)["password"])
    assert main(["backup", str(dump)]) == 0
    assert dump.stat().st_mode & 0o777 == 0o600
    assert given
    assert not any(secret in part for command in given for part in command)
    kept = state / "dumps"
    kept.mkdir()
    for old in ("pavrik-20200101T000000.dump", "pavrik-20200102T000000.dump", "mine.txt"):
        (kept / old).write_text("old")
    assert main(["backup", str(kept), "--keep", "2"]) == 0
    assert sorted(f.name for f in kept.iterdir())[:2] == ["mine.txt", "pavrik-20200102T000000.dump"]
    assert len([*kept.iterdir()]) == 3
    assert main(["backup", str(dump), "--keep", "2"]) == 2
    assert "in a folder" in capsys.readouterr().err
    restored = cluster.owner_url(port, "empty")
    monkeypatch.setenv("PAVRIK_DATABASE_URL", restored)
    assert main(["restore", str(dump)]) == 0
    with psycopg.connect(restored) as connection:
        assert connection.execute("select name from club").fetchall() == [("Saved Club",)]
        forced = connection.execute(
            "select relforcerowsecurity from pg_class where relname = 'training_set'"
        ).fetchone()
    assert forced == (True,)
    assert main(["restore", str(state / "no.dump")]) == 2
    assert "there is no dump" in capsys.readouterr().err
    assert main(["restore", str(dump)]) == 2
    assert "is not empty" in capsys.readouterr().err
