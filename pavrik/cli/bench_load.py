"""Fifty coaches at once over HTTP, against two workers, beside a bare read of the same database."""

import json
import os
import random
import signal
import subprocess
import sys
import threading
import time
from collections import defaultdict
from collections.abc import Iterator, Mapping
from contextlib import contextmanager
from dataclasses import dataclass, field
from datetime import UTC, datetime
from http.client import HTTPConnection
from pathlib import Path
from uuid import UUID

import psycopg
from argon2 import PasswordHasher
from fastapi import FastAPI
from uuid6 import uuid7

from pavrik.api.security import COOKIE
from pavrik.demo.load import CLUB_ID, OWNER_ID, WHO, load_demo
from pavrik.demo.people import PEOPLE
from pavrik.errors import OperationError
from pavrik.formats.club_archive import Unpacked, pack
from pavrik.services.club import moving
from pavrik.services.club.accounts import Accounts, SignedIn
from pavrik.services.club.passwords import Passwords
from pavrik.services.lifters.model_inputs import load_inputs
from pavrik.services.setups.fits import whole_ranking
from pavrik.services.setups.sureness import FITTINGS
from pavrik.settings import Environment
from pavrik.store.cluster import free_port
from pavrik.store.database import Database
from pavrik.store.lifters import list_profiles
from pavrik.store.setup import throwaway

USUAL, BEST = (0.60, 0.65, 0.70), 1.01
"""Loads that are logged, over the lifter's max: work sets of five, and a single that is a best."""
BEST_ONCE_IN = 50
CLUBS, COACHES, THINK_S, WARM_S, LASTS_S, WORKERS = 10, 50, 4.0, 120.0, 90.0, 2
SHARES = {"floor": 30, "platform": 20, "log a set": 20, "plan": 10, "ranking": 10, "bare read": 10}


def bare() -> FastAPI:
    """What the others are measured by: one row of the same database, and nothing else."""
    app = FastAPI()
    url = Environment().database_url or ""
    database = Database(url)
    database.open()

    @app.get("/bare")
    def read() -> dict[str, str]:
        with database.club(CLUB_ID) as connection:
            row = connection.execute("select name from club").fetchone()
        return {"name": row[0] if row else ""}

    return app


@contextmanager
def _served(url: str, *command: str) -> Iterator[int]:
    """A server in processes of its own; its port."""
    port = free_port()
    process = subprocess.Popen(
        [sys.executable, "-m", *command, "--port", str(port), "--workers", str(WORKERS)],
        env=os.environ | {"PAVRIK_DATABASE_URL": url},
        stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL,
    )  # fmt: skip
    try:
        _wait_for(port)
        yield port
    finally:
        process.send_signal(signal.SIGTERM)
        process.wait(timeout=30)


def _wait_for(port: int) -> None:
    pause = threading.Event()
    for _ in range(600):
        try:
            HTTPConnection("127.0.0.1", port, timeout=5).connect()
        except OSError:
            pause.wait(0.1)
        else:
            return
    raise OperationError(f"the server on port {port} did not start")


@dataclass
class _Coach:
    """A stand-in coach: what is asked, how long each answer took in s, what failed."""

    number: int
    signed_in: SignedIn
    lifters: Mapping[str, float]
    """Their squat's max in kg by id."""
    ports: dict[str, int]
    took_s: dict[str, list[float]] = field(default_factory=lambda: defaultdict(list))
    failed: list[str] = field(default_factory=list)

    def work(self, until_s: float) -> None:
        chance = random.Random(self.number)  # noqa: S311
        pause = threading.Event()
        pause.wait(chance.uniform(0, THINK_S))
        while time.perf_counter() < until_s:
            what = chance.choices([*SHARES], [*SHARES.values()])[0]
            self.ask(what, chance.choice([*self.lifters]), chance)
            pause.wait(chance.uniform(0.5, 1.5) * THINK_S)

    def ask(self, what: str, lifter: str, chance: random.Random) -> None:
        """One request, timed."""
        method, path, body = _request(what, lifter, self.lifters[lifter], chance)
        headers = {
            "Cookie": f"{COOKIE}={self.signed_in.token}", "Content-Type": "application/json",
            "X-CSRF-Token": self.signed_in.csrf_token, "Idempotency-Key": str(uuid7()),
        }  # fmt: skip
        port = self.ports["bare" if what == "bare read" else "pavrik"]
        connection = HTTPConnection("127.0.0.1", port, timeout=60)
        started = time.perf_counter()
        try:
            connection.request(method, path, body, headers)
            answer = connection.getresponse()
            answer.read()
        except OSError as error:
            self.failed.append(f"{what}: {error}")
            return
        self.took_s[what].append(time.perf_counter() - started)
        if answer.status >= 400:
            self.failed.append(f"{what}: {answer.status}")


def _request(
    what: str, lifter: str, max_kg: float, chance: random.Random
) -> tuple[str, str, str | None]:
    if what == "log a set":
        best = chance.randrange(BEST_ONCE_IN) == 0
        share = BEST if best else chance.choice(USUAL)
        logged = {
            "set_id": str(uuid7()), "lift": "squat", "load_kg": 2.5 * round(share * max_kg / 2.5),
            "reps": 1 if best else 5, "rpe": 9 if best else 7,
            "performed_at": datetime.now(UTC).isoformat(),
        }  # fmt: skip
        return "POST", f"/api/lifters/{lifter}/sets", json.dumps(logged)
    paths = {
        "floor": "/api/floor",
        "platform": f"/api/platform?lifter_id={lifter}",
        "plan": f"/api/lifters/{lifter}/plan",
        "ranking": f"/api/lifters/{lifter}/{chance.choice(['squat', 'deadlift'])}/ranking",
        "bare read": "/bare",
    }
    return "GET", paths[what], None


def _memory_mb() -> float:
    """Memory of all processes that this one started, in MB; what several share counts once."""
    own, known_kb = os.getpid(), 0
    parents = {}
    for stat in Path("/proc").glob("[0-9]*/stat"):
        try:
            parents[int(stat.parent.name)] = int(stat.read_text().rsplit(")", 1)[1].split()[1])
            if _is_child(int(stat.parent.name), own, parents):
                known_kb += _own_and_share_kb(stat.parent)
        except (OSError, ValueError):
            continue
    return known_kb / 1e3


def _own_and_share_kb(process: Path) -> int:
    told = (process / "smaps_rollup").read_text()
    return next(int(line.split()[1]) for line in told.splitlines() if line.startswith("Pss:"))


def _is_child(pid: int, of: int, parents: dict[int, int]) -> bool:
    while pid in parents:
        pid = parents[pid]
        if pid == of:
            return True
    return False


def _percentile(values: list[float], share: float) -> float:
    return sorted(values)[min(int(share * len(values)), len(values) - 1)]


_SAME_FITS = """
insert into fit (club_id, fit_id, lifter_id, lift, inputs, inputs_digest, answer, model_version,
  made_at, made_by, json_version)
select %s, fit_id, lifter_id, lift, inputs, inputs_digest, answer, model_version, made_at, made_by,
  json_version from fit where club_id = %s
"""


def _fit_everybody(database: Database) -> None:
    """What a club has that trained for a while: every ranking was asked before."""
    with database.club(CLUB_ID) as connection:
        everybody = [load_inputs(connection, p.lifter_id) for p in list_profiles(connection)]
    for inputs in everybody:
        for fitting in FITTINGS.values():
            whole_ranking(fitting, database, WHO, inputs)


def _clubs(database: Database, owner_url: str) -> list[tuple[UUID, UUID, dict[str, float]]]:
    """The demo club and others like it: club, owner, lifters with their squat's max in kg."""
    load_demo(database, PasswordHasher(), datetime.now(UTC))
    _fit_everybody(database)
    archive = moving.take_out(database, WHO)
    clubs = [CLUB_ID]
    for number in range(1, CLUBS):
        clubs.append(uuid7())
        moving.bring_in(database, _another(archive, clubs[-1], number))
    with psycopg.connect(owner_url) as connection:
        for club_id in clubs[1:]:
            connection.execute(_SAME_FITS, (club_id, CLUB_ID))
    found, max_kg = [], {person.name: person.squat_max_kg for person in PEOPLE}
    for club_id in clubs:
        with database.club(club_id) as connection:
            lifters = {str(p.lifter_id): max_kg[p.name] for p in list_profiles(connection)}
        found.append((club_id, OWNER_ID, lifters))
    return found


def _another(archive: bytes, club_id: UUID, number: int) -> bytes:
    """The same club under another id and with people of other addresses."""
    unpacked = Unpacked(archive)
    manifest = unpacked.manifest.model_copy(update={"club_id": club_id})
    tables = {
        name: [json.dumps(row).replace("@", f"{number}@", 1) for row in unpacked.rows(name)]
        if name == "coach"
        else [json.dumps(row) for row in unpacked.rows(name)]
        for name in manifest.facts
    }
    return pack(manifest, tables, {})


def _look_at_everybody(coaches: list[_Coach]) -> None:
    """The day before: every club's floor, and every lifter's page of it, was looked at."""
    chance = random.Random(0)  # noqa: S311
    for coach in coaches:
        everybody = [*coach.lifters]
        for what, lifters in (("floor", everybody[:1]), ("platform", everybody)):
            for lifter in lifters:
                coach.ask(what, lifter, chance)
        coach.took_s.clear()


def _work(coaches: list[_Coach], lasts_s: float) -> None:
    until = time.perf_counter() + lasts_s
    threads = [threading.Thread(target=coach.work, args=(until,)) for coach in coaches]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()


def _print(coaches: list[_Coach]) -> None:
    took: dict[str, list[float]] = defaultdict(list)
    for coach in coaches:
        for what, seconds in coach.took_s.items():
            took[what] += seconds
    base = _percentile(took["bare read"], 0.95)
    print(f"{'':14}{'asked':>7}{'median':>10}{'p95':>10}{'p95 / bare':>12}")
    for what in SHARES:
        p50, p95 = (_percentile(took[what], share) * 1e3 for share in (0.5, 0.95))
        print(f"{what:14}{len(took[what]):7}{p50:7.0f} ms{p95:7.0f} ms{p95 / base / 1e3:12.1f}")
    failed = [one for coach in coaches for one in coach.failed]
    print(f"failed: {len(failed)}" + (f", {failed[:3]}" if failed else ""))


def run_load_bench() -> None:
    """Load the demo club, let fifty coaches work at once, print what they waited for."""
    with throwaway() as urls:
        _measure(*urls)


def _measure(owner_url: str, app_url: str) -> None:
    database = Database(app_url)
    database.open()
    clubs = _clubs(database, owner_url)
    accounts = Accounts(database, Passwords(PasswordHasher()))
    people = [clubs[number % CLUBS] for number in range(COACHES)]
    sessions = [(accounts.open_session(club, owner), known) for club, owner, known in people]
    database.close()
    with (
        _served(app_url, "pavrik.cli.main", "serve") as pavrik,
        _served(app_url, "uvicorn", "--factory", "pavrik.cli.bench_load:bare") as plain,
    ):
        ports = {"pavrik": pavrik, "bare": plain}
        coaches = [_Coach(n, s, known, ports) for n, (s, known) in enumerate(sessions)]
        _look_at_everybody(coaches[:CLUBS])
        _work(coaches, WARM_S)
        for coach in coaches:
            coach.took_s.clear()
        before = _memory_mb()
        _work(coaches, LASTS_S)
        print(
            f"{COACHES} coaches of {CLUBS} clubs, {THINK_S:g} s to think, {WORKERS} workers, "
            f"{LASTS_S:g} s after {WARM_S:g} s of the same"
        )
        _print(coaches)
        print(f"memory of all processes: {before:.0f} MB before, {_memory_mb():.0f} MB after")
