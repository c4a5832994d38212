"""Who needs the coach: every lifter of the club with what is open, most pressing first."""

from collections import defaultdict
from datetime import UTC, datetime, timedelta
from typing import Any
from uuid import UUID

from pavrik.core.faults.catalogue import shipped_catalogue
from pavrik.services.context import Who
from pavrik.services.fits import settled_in
from pavrik.services.lifter_inputs import load_inputs
from pavrik.store import lifters, training
from pavrik.store.database import Connection, Database

RECENT_DAYS = 14
OVERDUE_DAYS = 10
RISING = 2
RISING_FACTOR = 1.25
LIFT_ENDING = 3
_PRESSING = {"pain": 0, "lift_ending": 1, "rising": 2, "stale": 3, "open": 4, "overdue": 5}


def _need(kind: str, text: str, lift: str = "squat") -> dict[str, str]:
    return {"kind": kind, "text": text, "lift": lift}


def _fault_needs(
    sets: list[training.TrainingSet],
    seen: dict[UUID, list[training.Observation]],
    now: datetime,
) -> list[dict[str, str]]:
    catalogue = shipped_catalogue().faults
    recent: dict[str, int] = defaultdict(int)
    before: dict[str, int] = defaultdict(int)
    needs = []
    edge = now - timedelta(days=RECENT_DAYS)
    for logged in sets:
        for observation in seen[logged.set_id]:
            counts = recent if logged.performed_at >= edge else before
            if logged.performed_at >= edge - timedelta(days=RECENT_DAYS):
                counts[observation.fault_id] += 1
            if observation.severity == LIFT_ENDING and logged.performed_at >= edge:
                name = catalogue[observation.fault_id].name
                needs.append(_need("lift_ending", f"{name} ended a lift at {logged.load_kg:g} kg"))
    for fault_id, count in sorted(recent.items(), key=lambda item: -item[1]):
        if count >= RISING and count >= RISING_FACTOR * before[fault_id]:
            name = catalogue[fault_id].name
            needs.append(_need("rising", f"{name}: {count} in 14 days, {before[fault_id]} before"))
    return needs


def _setup_needs(connection: Connection, lifter_id: UUID) -> tuple[list[dict[str, str]], str]:
    inputs = load_inputs(connection, lifter_id)
    needs, states = [], {}
    for lift in ("squat", "deadlift"):
        view = settled_in(lift, connection, inputs)
        states[lift] = "settled" if view else "nothing yet"
        if view is None:
            needs.append(_need("open", f"no {lift} set-up settled yet", lift))
        elif view.stale_because:
            states[lift] = "stale"
            because = ", ".join(view.stale_because)
            needs.append(_need("stale", f"{lift} set-up out of date: {because}", lift))
        elif view.settled.prediction.get("toss_up"):
            needs.append(_need("open", f"{lift} set-up was a toss-up: a trial is waiting", lift))
    return needs, states["squat"]


def _row(connection: Connection, profile: lifters.Profile, now: datetime) -> dict[str, Any]:
    sets = training.list_sets(connection, profile.lifter_id, most=200)
    seen = training.observations_of(connection, [s.set_id for s in sets])
    flags = lifters.list_open_flags(connection, profile.lifter_id)
    setup_needs, squat_state = _setup_needs(connection, profile.lifter_id)
    needs = [_need("pain", f"pain flag on the {flag.region}: loads capped") for flag in flags]
    needs += _fault_needs(sets, seen, now) + setup_needs
    last = sets[0].performed_at if sets else None
    if last and now - last > timedelta(days=OVERDUE_DAYS):
        needs.append(_need("overdue", f"last set {(now - last).days} days ago"))
    needs.sort(key=lambda need: _PRESSING[need["kind"]])
    given = training.list_prescriptions(connection, profile.lifter_id, 1)
    return {
        "lifter_id": str(profile.lifter_id),
        "name": profile.name,
        "mass_kg": profile.mass_kg,
        "stature_m": profile.stature_m,
        "goal": profile.goal,
        "squat_state": squat_state,
        "needs": needs,
        "last_set_at": last.isoformat() if last else None,
        "next": given[0].answer | {"lift": given[0].lift} if given else None,
    }


def board(database: Database, who: Who) -> list[dict[str, Any]]:
    """One row per lifter, the most pressing first."""
    now = datetime.now(UTC)
    with database.club(who.club_id) as connection:
        rows = [_row(connection, profile, now) for profile in lifters.list_profiles(connection)]
    return sorted(
        rows,
        key=lambda row: (
            _PRESSING[row["needs"][0]["kind"]] if row["needs"] else len(_PRESSING),
            row["name"],
        ),
    )
