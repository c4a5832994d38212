"""The public computations: no club takes more than its turn, and a turn comes back."""

from uuid import uuid4

import pytest

from pavrik.api import compute_routes
from pavrik.api.compute_routes import A_MINUTE, AT_ONCE, MINUTE_S, Quota
from pavrik.errors import TooManyAttemptsError

PLATES = {"target_kg": 100, "bar_kg": 20, "collars_kg": 0, "plates": [{"kg": 20, "pairs": 2}]}


def test_so_many_at_once_and_a_turn_comes_back():
    quota, club, other = Quota(), uuid4(), uuid4()
    for _ in range(AT_ONCE):
        quota.begin(club, 0.0)
    with pytest.raises(TooManyAttemptsError, match="are on their way"):
        quota.begin(club, 0.0)
    quota.begin(other, 0.0)
    quota.end(club)
    quota.begin(club, 1.0)


def test_so_many_a_minute_and_the_minute_passes():
    quota, club = Quota(), uuid4()
    for number in range(A_MINUTE):
        quota.begin(club, number / 10)
        quota.end(club)
    with pytest.raises(TooManyAttemptsError) as refused:
        quota.begin(club, 20.0)
    assert refused.value.wait_s == MINUTE_S - 20 + 1
    quota.begin(club, MINUTE_S + 0.1)


def test_a_computation_that_fails_gives_its_turn_back(coach):
    for _ in range(AT_ONCE + 2):
        refused = coach.post("/api/compute/plates", PLATES | {"target_kg": -1})
        assert refused.status_code == 422
    assert coach.post("/api/compute/plates", PLATES).status_code == 200


def test_who_has_had_the_turn_is_told_when_to_come_again(coach, monkeypatch):
    monkeypatch.setattr(compute_routes, "A_MINUTE", 0)
    monkeypatch.setattr(compute_routes, "AT_ONCE", 0)
    told = coach.post("/api/compute/plates", PLATES)
    assert told.status_code == 429
    assert told.headers["Retry-After"] == "1"
    assert "wait for one to end" in told.json()["detail"]
