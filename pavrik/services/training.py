"""The platform log: sets with the faults seen in them."""

from datetime import datetime
from typing import Any
from uuid import UUID

from pavrik.core.faults.catalogue import shipped_catalogue
from pavrik.core.faults.schools import silenced_faults
from pavrik.core.prescription.next_load import LoggedFault, LoggedSet
from pavrik.core.strength.estimated_max import MOST_REPS, estimate_max
from pavrik.services.context import InvalidError, Who
from pavrik.services.lifter_inputs import get_profile, schools_in_force
from pavrik.services.writes import write_once
from pavrik.store import training as store
from pavrik.store.database import Connection, Database


def _check_observations(logged: store.TrainingSet, seen: list[store.Observation]) -> None:
    catalogue = shipped_catalogue()
    for index, observation in enumerate(seen):
        fault = catalogue.faults.get(observation.fault_id)
        if fault is None or fault.lift != logged.lift:
            raise InvalidError(
                f"the {logged.lift} has no fault called {observation.fault_id}",
                f"faults.{index}.fault_id",
            )
        if observation.phase not in fault.phases:
            raise InvalidError(
                f"“{fault.name}” is not seen in the phase {observation.phase}: choose "
                + " or ".join(fault.phases),
                f"faults.{index}.phase",
            )
        if observation.rep > logged.reps + logged.missed_reps:
            raise InvalidError(
                f"rep {observation.rep} is beyond the {logged.reps + logged.missed_reps} reps of "
                "the set: correct the rep or the count",
                f"faults.{index}.rep",
            )


def log_set(
    database: Database, who: Who, key: UUID, logged: store.TrainingSet,
    seen: list[store.Observation],
) -> Any:  # fmt: skip
    """Log a set. The schools in force are stored with it, so that nobody is judged by another."""
    _check_observations(logged, seen)

    def action(connection: Connection) -> dict[str, Any]:
        get_profile(connection, logged.lifter_id)
        schools = schools_in_force(connection, logged.lifter_id)
        whole = store.TrainingSet(**{**vars(logged), "schools": schools})
        store.add_set(connection, who.club_id, who.coach_id, whole, seen)
        return {"set_id": str(logged.set_id)}

    request = {"set": {**vars(logged)}, "seen": [vars(s) for s in seen]}
    return write_once(database, who, key, "log set", request, action, subject=str(logged.lifter_id))


def withdraw_set(
    database: Database, who: Who, key: UUID, set_id: UUID, new_id: UUID, at: datetime
) -> Any:
    """Take a set back: a new fact that withdraws it, the old one stays on record."""

    def action(connection: Connection) -> dict[str, str]:
        old = store.get_set(connection, set_id)
        if old is None:
            raise InvalidError("this set is not in your club", "set_id")
        withdrawal = store.TrainingSet(
            **{**vars(old), "set_id": new_id, "replaces": set_id, "withdrawn": True,
               "performed_at": at}
        )  # fmt: skip
        store.add_set(connection, who.club_id, who.coach_id, withdrawal, [])
        return {"set_id": str(new_id)}

    request = {"set": str(set_id), "new": str(new_id)}
    return write_once(database, who, key, "withdraw set", request, action, subject=str(set_id))


def history(
    connection: Connection, lifter_id: UUID, lift: str, variation: str | None = None
) -> list[LoggedSet]:
    """Standing sets of a lift, oldest first, without the faults that the schools silence."""
    silenced = silenced_faults(schools_in_force(connection, lifter_id))
    names = shipped_catalogue().faults
    sets = [
        s
        for s in store.list_sets(connection, lifter_id, lift)
        if variation is None or s.variation == variation
    ]
    seen = store.observations_of(connection, [s.set_id for s in sets])
    return [
        LoggedSet(
            set_id=str(s.set_id),
            day=s.performed_at.date().isoformat(),
            load_kg=s.load_kg,
            reps=s.reps,
            rpe=s.rpe,
            missed_reps=s.missed_reps,
            faults=tuple(
                LoggedFault(o.fault_id, names[o.fault_id].name, o.rep, o.severity)
                for o in seen[s.set_id]
                if o.fault_id not in silenced and o.fault_id in names
            ),
            aimed_rpe=s.aimed_rpe,
        )
        for s in reversed(sets)
    ]


def shown_sets(
    database: Database, who: Who, lifter_id: UUID, lift: str | None, most: int
) -> list[dict[str, Any]]:
    """Standing sets with their faults and estimated max, newest first."""
    with database.club(who.club_id) as connection:
        get_profile(connection, lifter_id)
        sets = store.list_sets(connection, lifter_id, lift, most)
        seen = store.observations_of(connection, [s.set_id for s in sets])
    return [
        {
            **vars(s),
            "estimated_max_kg": estimate_max(s.load_kg, s.reps, s.rpe).kg
            if 1 <= s.reps <= MOST_REPS
            else None,
            "faults": [vars(o) for o in seen[s.set_id]],
        }
        for s in sets
    ]
