"""The platform log: sets with the faults seen in them."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import datetime
from uuid import UUID

from pavrik.core.faults.catalogue import Catalogue
from pavrik.core.log.training_set import evidence_of
from pavrik.errors import InvalidError, NotFoundError
from pavrik.formats.wire.log import Measures, ObservationRequest, SetAnswer, SetRef
from pavrik.services.club.library import catalogue_of
from pavrik.services.context import Who
from pavrik.services.lifters.profile import get_profile
from pavrik.services.training.history import logged_sets, schools_in_force
from pavrik.services.training.setup_trials import arms_of_sets
from pavrik.services.writes import write_once
from pavrik.store import training as store
from pavrik.store.database import Connection, Database
from pavrik.words import one_of, say


def check_observations(
    catalogue: Catalogue, logged: store.StoredSet, seen: Sequence[store.Observation]
) -> None:
    """Raise InvalidError where a fault is not one of the lift, the phase or the set."""
    for index, observation in enumerate(seen):
        fault = catalogue.faults.get(observation.fault_id)
        if fault is None or fault.lift != logged.lift:
            raise InvalidError(
                say("training.no_fault_called", lift=logged.lift, fault_id=observation.fault_id),
                f"faults.{index}.fault_id",
            )
        if observation.phase not in fault.phases:
            raise InvalidError(
                say(
                    "training.not_seen_phase_choose",
                    name=fault.name,
                    phase=observation.phase,
                    phases=one_of(fault.phases),
                ),
                f"faults.{index}.phase",
            )
        if observation.rep > logged.reps + logged.missed_reps:
            raise InvalidError(
                say(
                    "training.rep_beyond_reps_set",
                    rep=observation.rep,
                    reps=logged.reps + logged.missed_reps,
                ),
                f"faults.{index}.rep",
            )


def _replaced(connection: Connection, logged: store.StoredSet) -> UUID | None:
    """The version that an amendment stands upon: the newest one, whichever device made it.

    Two devices may amend the same set while apart. Whatever arrives last stands, the other stays
    in the set's history; a withdrawn set is not brought back by an amendment.
    """
    if logged.replaces is None:
        return None
    newest = store.standing_version(connection, logged.replaces)
    if newest is None or newest.lifter_id != logged.lifter_id:
        raise InvalidError(say("training.set_amend_not_lifters"), "replaces")
    if newest.withdrawn:
        raise InvalidError(
            say("training.set_withdrawn_meantime_another"),
            "replaces",
        )
    return newest.set_id


@dataclass(frozen=True)
class QueuedSet:
    """A set, what was seen and measured in it, and the key under which it counts once."""

    key: UUID
    logged: store.StoredSet
    seen: list[store.Observation]
    measures: dict[str, float]


@dataclass(frozen=True)
class QueuedWithdrawal:
    """A set that is taken back, by which new fact and when."""

    key: UUID
    set_id: UUID
    new_id: UUID
    at: datetime


def log_set(database: Database, who: Who, queued: QueuedSet) -> SetRef:
    """Log a set. The schools in force are stored with it, so that nobody is judged by another."""
    logged, seen = queued.logged, queued.seen

    def action(connection: Connection) -> SetRef:
        if logged.replaces is not None:
            store.lock_amendments(connection, who.club_id)
        get_profile(connection, logged.lifter_id)
        check_observations(catalogue_of(connection), logged, seen)
        whole = replace(
            logged,
            schools=schools_in_force(connection, logged.lifter_id),
            replaces=_replaced(connection, logged),
        )
        store.add_set(connection, who.club_id, who.coach_id, whole, seen)
        store.add_measures(connection, who.club_id, whole.set_id, queued.measures)
        return SetRef(set_id=logged.set_id)

    request = {
        "set": {**vars(logged)}, "seen": [vars(s) for s in seen], "measures": queued.measures,
    }  # fmt: skip
    return write_once(
        database, who, queued.key, "log set", request, SetRef, action,
        subject=str(logged.lifter_id),
    )  # fmt: skip


def withdraw_set(database: Database, who: Who, queued: QueuedWithdrawal) -> SetRef:
    """Take a set back: a new fact that withdraws it, the old one stays on record."""

    def action(connection: Connection) -> SetRef:
        store.lock_amendments(connection, who.club_id)
        old = store.standing_version(connection, queued.set_id)
        if old is None:
            raise InvalidError(say("training.set_not_your_club"), "set_id")
        if old.withdrawn:
            return SetRef(set_id=old.set_id)
        withdrawal = replace(
            old, set_id=queued.new_id, replaces=old.set_id, withdrawn=True, performed_at=queued.at
        )
        store.add_set(connection, who.club_id, who.coach_id, withdrawal, [])
        return SetRef(set_id=queued.new_id)

    request = {"set": str(queued.set_id), "new": str(queued.new_id)}
    return write_once(
        database, who, queued.key, "withdraw set", request, SetRef, action,
        subject=str(queued.set_id),
    )  # fmt: skip


_SAID = SetAnswer.model_fields.keys() - {"estimated_max_kg", "faults", "measures", "trial_arm"}


def _shown(connection: Connection, sets: Sequence[store.StoredSet]) -> list[SetAnswer]:
    """Sets of one lifter as they are shown; what does not count for the max shows none."""
    ids = [s.set_id for s in sets]
    seen = store.observations_of(connection, ids)
    measured = store.measures_of(connection, ids)
    own = logged_sets(connection, sets[0].lifter_id, sets) if sets else []
    says = [evidence_of(logged) for logged in own]
    arms = arms_of_sets(connection, sets[0].lifter_id) if sets else {}
    return [
        SetAnswer(
            **{name: value for name, value in vars(kept).items() if name in _SAID},
            estimated_max_kg=said.kg if said else None,
            trial_arm=arms.get(kept.set_id),
            faults=[ObservationRequest(**vars(o)) for o in seen[kept.set_id]],
            measures=Measures(**dict(measured.get(kept.set_id, ()))),
        )
        for kept, said in zip(sets, says, strict=True)
    ]


def shown_sets_in(
    connection: Connection, lifter_id: UUID, lift: str | None, most: int
) -> list[SetAnswer]:
    """Standing sets as they are shown, in an open transaction."""
    get_profile(connection, lifter_id)
    return _shown(connection, store.list_sets(connection, lifter_id, lift, most))


def shown_sets(
    database: Database, who: Who, lifter_id: UUID, lift: str | None, most: int
) -> list[SetAnswer]:
    """Standing sets with their faults and estimated max, newest first."""
    with database.reading(who.club_id) as connection:
        return shown_sets_in(connection, lifter_id, lift, most)


def versions(database: Database, who: Who, set_id: UUID) -> list[SetAnswer]:
    """A set as it was said at first and amended since, newest first. Raises NotFoundError."""
    with database.club(who.club_id) as connection:
        newest = store.standing_version(connection, set_id)
        if newest is None:
            raise NotFoundError(say("training.set_not_your_club"))
        return _shown(connection, store.versions_of(connection, newest.set_id))
