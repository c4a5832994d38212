from collections.abc import Callable, Iterator
from contextlib import ExitStack, contextmanager
from functools import wraps
from threading import local

import pytest
from fastapi.testclient import TestClient
from uuid6 import uuid7

from pavrik.api.app import create_app
from pavrik.api.settings import Settings
from pavrik.core.deadlift.kinematics import DeadliftCase
from pavrik.core.squat.kinematics import SquatCase
from pavrik.services.plans import plan_basis
from pavrik.store.database import Database
from tests.api.helpers import Coach, a_set, add_club, add_lifter, seen
from tests.api.planned import DISCS, ago
from tests.conftest import CHEAP, Server


@pytest.fixture(scope="session", autouse=True)
def nothing_is_computed_inside_a_transaction() -> Iterator[None]:
    """A posture or a plan computed while a transaction is open fails every test here."""
    opened, transaction = local(), Database._transaction

    @contextmanager
    def watched(database: Database, *kind: str, **settings: str) -> Iterator[object]:
        with transaction(database, *kind, **settings) as connection:
            opened.count = getattr(opened, "count", 0) + 1
            try:
                yield connection
            finally:
                opened.count -= 1

    def outside(compute: Callable[..., object]) -> Callable[..., object]:
        @wraps(compute)
        def checked(*given: object, **named: object) -> object:
            assert not getattr(opened, "count", 0), f"{compute.__qualname__} in a transaction"
            return compute(*given, **named)

        return checked

    with pytest.MonkeyPatch.context() as patch:
        patch.setattr(Database, "_transaction", watched)
        patch.setattr(plan_basis, "make_plan", outside(plan_basis.make_plan))
        for case in (SquatCase, DeadliftCase):
            patch.setattr(case, "posture", outside(case.posture))
        yield


@pytest.fixture(scope="module")
def browser(
    server: Server, empty_name: str, tmp_path_factory: pytest.TempPathFactory
) -> Iterator[Callable[[], Coach]]:
    """Makes browsers that share nothing but the server, and its event loop."""
    films = tmp_path_factory.mktemp("films")
    app = create_app(Settings(server.app_url(empty_name), None, films_folder=films, hasher=CHEAP))
    with ExitStack() as stack, TestClient(app) as serving:

        def open_one() -> Coach:
            client = TestClient(
                app,
                "http://127.0.0.1:8460",
                raise_server_exceptions=False,
                client=("127.0.0.1", 50000),
            )
            client.portal = serving.portal
            stack.callback(client.close)
            return Coach(client)

        yield open_one


@pytest.fixture(scope="module")
def owner_url(server: Server, empty_name: str) -> str:
    return server.owner_url(empty_name)


@pytest.fixture(scope="module")
def clubs(owner_url: str) -> None:
    add_club(
        owner_url,
        "First",
        ("owner@first.example", "owner"),
        ("reader@first.example", "read_only"),
    )
    add_club(owner_url, "Second", ("owner@second.example", "owner"))


@pytest.fixture(scope="module")
def coach(browser: Callable[[], Coach], clubs: None) -> Coach:
    signed_in = browser()
    assert signed_in.sign_in("owner@first.example").status_code == 200
    return signed_in


@pytest.fixture(scope="module")
def stranger(browser: Callable[[], Coach], clubs: None) -> Coach:
    """A coach of another club."""
    signed_in = browser()
    assert signed_in.sign_in("owner@second.example").status_code == 200
    return signed_in


@pytest.fixture(scope="module")
def reader(browser: Callable[[], Coach], clubs: None) -> Coach:
    signed_in = browser()
    assert signed_in.sign_in("reader@first.example").status_code == 200
    return signed_in


@pytest.fixture(scope="module")
def nobody(browser: Callable[[], Coach], clubs: None) -> Coach:
    return browser()


@pytest.fixture(scope="module")
def gym(coach):
    bar = {"bar_id": str(uuid7()), "name": "Plain", "mass_kg": 20, "shaft_mm": 28}
    assert coach.send("PUT", "/api/equipment/bars", bar).status_code == 200
    assert coach.send("PUT", "/api/equipment/plates", {"plates": DISCS}).status_code == 200


@pytest.fixture
def lifter(coach, gym):
    """A trained lifter whose hips rise first, three weeks of both lifts."""
    lifter_id = add_lifter(coach, name="Ida Łęcka", training_age="trained", goal="competition")
    for week in range(4):
        for lift, kg in (("squat", 90.0), ("deadlift", 110.0)):
            fault = ("hips-rise", "out of the hole") if lift == "squat" else ("no-slack", "slack")
            logged = a_set(
                lift=lift, load_kg=kg + 2.5 * week, performed_at=ago(28 - 7 * week),
                faults=[seen(*fault, rep=r, severity=1) for r in (4, 5)],
            )  # fmt: skip
            assert coach.post(f"/api/lifters/{lifter_id}/sets", logged).status_code == 201
    return lifter_id
