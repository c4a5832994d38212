"""What is computed before it is written: once for a key, never for one that is known, and nothing
is kept where it fails."""

import pytest
from uuid6 import uuid7

from pavrik.services.plans import planning, prescribing
from tests.api.helpers import a_set, add_lifter
from tests.api.planned import frame

TARGET = {"prescription_id": str(uuid7()), "lift": "squat", "reps": 5, "rpe": 8, "sets": 3}


@pytest.fixture(scope="module")
def trained(coach, gym) -> str:
    """A lifter with something in the log."""
    lifter = add_lifter(coach, name="Twice")
    assert coach.post(f"/api/lifters/{lifter}/sets", a_set()).status_code == 201
    return lifter


def counted(monkeypatch, module, name: str) -> list[str]:
    """Notes every call of a function of a module."""
    calls: list[str] = []
    real = getattr(module, name)

    def noted(*given, **named):
        calls.append(name)
        return real(*given, **named)

    monkeypatch.setattr(module, name, noted)
    return calls


def plan_body() -> dict:
    return frame() | {"plan_id": str(uuid7())}


def test_a_plan_sent_twice_is_computed_once(coach, trained, monkeypatch):
    calls, key, body = counted(monkeypatch, planning, "read_anew"), uuid7(), plan_body()
    path = f"/api/lifters/{trained}/plan"
    first, second = (coach.post(path, body, key) for _ in range(2))
    assert first.status_code == second.status_code == 200
    assert first.json() == second.json()
    assert calls == ["read_anew"]


def test_a_key_used_for_another_plan_is_refused_before_anything_is_computed(
    coach, trained, monkeypatch
):
    key, path = uuid7(), f"/api/lifters/{trained}/plan"
    assert coach.post(path, plan_body(), key).status_code == 200
    calls = counted(monkeypatch, planning, "read_anew")
    again = coach.post(path, plan_body(), key)
    assert again.status_code == 409
    assert "already used for another request" in again.json()["detail"]
    assert calls == []


def test_a_reader_is_refused_before_anything_is_computed(reader, trained, monkeypatch):
    calls = counted(monkeypatch, planning, "read_anew")
    assert reader.post(f"/api/lifters/{trained}/plan", plan_body()).status_code == 403
    assert calls == []


def test_what_cannot_be_computed_keeps_nothing_and_leaves_the_key_free(coach, trained):
    key, path = uuid7(), f"/api/lifters/{trained}/plan"
    wrong = frame(weeks=2) | {"plan_id": str(uuid7())}
    assert coach.post(path, wrong, key).status_code == 422
    right = plan_body()
    assert coach.post(path, right, key).status_code == 200
    versions = coach.get(path).json()["versions"]
    assert wrong["plan_id"] not in {version["plan_id"] for version in versions}


def test_a_load_prescribed_twice_is_computed_and_kept_once(coach, trained, monkeypatch):
    calls, key = counted(monkeypatch, prescribing, "proposed"), uuid7()
    path = f"/api/lifters/{trained}/prescriptions"
    first, second = (coach.post(path, TARGET, key) for _ in range(2))
    assert first.status_code == 201, first.text
    assert first.json() == second.json()
    assert calls == ["proposed"]
    assert len(coach.get(path).json()) == 1
