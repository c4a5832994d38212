"""A club of one's own: the first on this machine, by link elsewhere; the demo's door; limits."""

import threading
from collections.abc import Callable

import pytest
from argon2 import PasswordHasher
from fastapi.testclient import TestClient

from pavrik.api.app import create_app
from pavrik.api.settings import Settings
from pavrik.errors import InvalidError, TooManyAttemptsError
from pavrik.services.club import founding
from pavrik.services.club.passwords import AT_ONCE, WAITING, Passwords
from pavrik.store.database import Database
from tests.api.helpers import Coach, add_lifter
from tests.conftest import CHEAP, Server

NEW = {
    "club": "Quarry Road", "name": "Ysolde Marrow", "email": "Ysolde@Quarry.example",
    "password": "a lift is a lift", "time_zone": "Europe/Vienna",
}  # fmt: skip


@pytest.fixture
def fresh(server: Server, empty_name: str):
    """A database of its own for each test, and an application over it."""
    name = server.copy("pavrik")
    url = server.app_url(name)

    def app(**more: object):
        return create_app(Settings(url, None, hasher=CHEAP, **more))  # type: ignore[arg-type]

    return app, url


def visitor(app, host: str = "127.0.0.1") -> TestClient:
    return TestClient(
        app, "http://127.0.0.1:8460", client=(host, 50000), raise_server_exceptions=False
    )


def test_the_first_club_is_started_on_this_machine_and_is_usable_at_once(fresh):
    app, _ = fresh
    with visitor(app()) as client:
        assert client.get("/api/session/doors").json() == {"own_club": True, "demo": False}
        assert client.post("/api/session/club", json=NEW).status_code == 200
        owner = Coach(client)
        session = client.get("/api/session").json()
        owner.csrf = session["csrf_token"]
        assert (session["club"], session["role"], session["is_demo"]) == (
            "Quarry Road", "owner", False,
        )  # fmt: skip
        lifter = add_lifter(owner)
        assert owner.get("/api/floor").json()[0]["lifter_id"] == lifter
        assert owner.get("/api/equipment").json()["bars"][0]["mass_kg"] == 20
        assert client.get("/api/session/doors").json()["own_club"] is False
        again = client.post("/api/session/club", json=NEW | {"email": "x@y.example"})
        assert again.status_code == 403
        assert "needs a link" in again.json()["detail"]
    with visitor(app()) as client:
        assert Coach(client).sign_in("ysolde@quarry.example", NEW["password"]).status_code == 200


@pytest.mark.parametrize(
    ("host", "headers", "public"),
    [
        ("192.0.2.7", {}, None),
        ("127.0.0.1", {"X-Forwarded-For": "192.0.2.7"}, None),
        ("127.0.0.1", {"Forwarded": "for=192.0.2.7"}, None),
        ("127.0.0.1", {}, "https://pavrik.example"),
        ("127.0.0.1", {"Host": "club.example"}, None),
        ("testclient", {}, None),
    ],
)
def test_from_elsewhere_or_through_a_proxy_every_door_needs_a_link(fresh, host, headers, public):
    app, _ = fresh
    with visitor(app(public_url=public), host) as client:
        assert client.get("/api/session/doors", headers=headers).json() == {
            "own_club": False, "demo": False,
        }  # fmt: skip
        refused = client.post("/api/session/club", json=NEW, headers=headers)
        assert refused.status_code == 403
        demo = client.post("/api/session/demo", headers=headers)
        assert demo.status_code == 403
        assert "on the machine that Pavrik runs on" in demo.json()["detail"]


def test_a_link_opens_one_club_once_from_anywhere(fresh):
    app, url = fresh
    database = Database(url)
    database.open()
    token = founding.invite_owner(database, " Quarry Road ", "Ysolde@Quarry.example")
    with visitor(app(), "192.0.2.7") as client:
        shown = client.get(f"/api/session/club-link/{token}").json()
        assert shown == {"club": "Quarry Road", "email": "ysolde@quarry.example"}
        assert client.post("/api/session/club", json=NEW | {"token": token}).status_code == 200
        other = client.post(
            "/api/session/club", json=NEW | {"token": token, "email": "b@b.example"}
        )
        assert other.status_code == 422
        assert "was used" in other.json()["detail"]
        assert client.get(f"/api/session/club-link/{token}").status_code == 422
        assert client.post("/api/session/club", json=NEW | {"token": "none"}).status_code == 422
    for name, email in (("", "a@b.example"), ("Club", "no mail"), ("Club", "@b")):
        with pytest.raises(InvalidError):
            founding.invite_owner(database, name, email)
    database.close()


def test_a_refused_start_makes_nothing_and_uses_no_link(fresh):
    app, url = fresh
    database = Database(url)
    database.open()
    tokens = [founding.invite_owner(database, "Club", "a@b.example") for _ in range(2)]
    with visitor(app()) as client:
        short = client.post("/api/session/club", json=NEW | {"password": "short"})
        assert short.status_code == 422
        assert short.json()["errors"][0]["path"] == "password"
        assert client.get("/api/session/doors").json()["own_club"] is True
        assert client.post("/api/session/club", json=NEW | {"token": tokens[0]}).status_code == 200
        taken = client.post("/api/session/club", json=NEW | {"token": tokens[1]})
        assert taken.status_code == 409
        assert "already signs in" in taken.json()["detail"]
        assert client.get(f"/api/session/club-link/{tokens[1]}").status_code == 200
    database.close()


def test_two_who_start_the_first_club_at_once_make_one(fresh):
    app, _ = fresh
    with visitor(app()) as client:
        answers: list[int] = []

        def start(number: int) -> None:
            body = NEW | {"email": f"c{number}@quarry.example"}
            answers.append(client.post("/api/session/club", json=body).status_code)

        threads = [threading.Thread(target=start, args=(n,)) for n in range(6)]
        for thread in threads:
            thread.start()
        for thread in threads:
            thread.join()
    assert sorted(answers).count(200) == 1, answers
    assert set(answers) <= {200, 403, 429}


class Slow(PasswordHasher):
    """Counts how many hash at once and waits to be let go."""

    def __init__(self, go: Callable[[], object]) -> None:
        super().__init__(time_cost=1, memory_cost=8, parallelism=1)
        self.inside = self.most = 0
        self._go = go
        self._lock = threading.Lock()

    def verify(self, *_: object) -> bool:
        with self._lock:
            self.inside += 1
            self.most = max(self.most, self.inside)
        self._go()
        with self._lock:
            self.inside -= 1
        return True


def test_at_most_two_passwords_are_hashed_at_once_and_the_rest_are_told_to_wait(monkeypatch):
    monkeypatch.setattr("pavrik.services.club.passwords.PATIENCE_S", 0.2)
    go = threading.Event()
    slow = Slow(lambda: go.wait(20))
    passwords = Passwords(slow)
    turned_away: list[int] = []

    def check() -> None:
        try:
            passwords.matches("hash", "password")
        except TooManyAttemptsError as error:
            turned_away.append(error.wait_s)

    threads = [threading.Thread(target=check) for _ in range(AT_ONCE + WAITING + 5)]
    for thread in threads:
        thread.start()
    for thread in threads[AT_ONCE:]:
        thread.join(0.02)
    go.set()
    for thread in threads:
        thread.join(20)
    assert slow.most == AT_ONCE
    assert len(turned_away) >= 5
    assert all(seconds > 0 for seconds in turned_away)


def test_a_paused_sign_in_says_when_to_come_back(fresh):
    app, _ = fresh
    with visitor(app()) as client:
        body = {"email": "guess@x.example", "password": "guess"}
        answers = [client.post("/api/session", json=body) for _ in range(11)]
    assert answers[-1].status_code == 429
    assert int(answers[-1].headers["Retry-After"]) == 900


@pytest.mark.parametrize(
    ("path", "size"),
    [("/api/session", 9_000), ("/api/session/club", 9_000), ("/api/lifters", 1_100_000)],
)
def test_a_body_above_its_limit_is_refused_before_it_is_parsed(fresh, path, size):
    app, _ = fresh
    brackets = b"[" * size
    with visitor(app()) as client:
        declared = client.post(path, content=brackets, headers={"Content-Type": "application/json"})
        assert declared.status_code == 413
        assert "send less" in declared.json()["detail"]
        assert declared.headers["content-security-policy"]
        streamed = client.post(
            path,
            content=(brackets[i : i + 1000] for i in range(0, size, 1000)),
            headers={"Content-Type": "application/json"},
        )
        assert streamed.status_code == 413
        lying = client.post(path, content=b"{}", headers={"Content-Type": "application/json"})
        assert lying.status_code != 413
