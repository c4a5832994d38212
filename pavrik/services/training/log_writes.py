"""Every write to the platform log and what follows from it: the floor's summary is made anew.

Conflict rule: sets only ever add to the log, so two devices that log one session merge by
themselves. Of two amendments of one set the one that arrives last stands and the other stays in
its history; an amendment of a withdrawn set is refused and told.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from pavrik.errors import InvalidError, KeyReusedError, NotFoundError, RefusedError
from pavrik.formats.wire.log import SetRef
from pavrik.formats.wire.session import FateAnswer, OutboxAnswer
from pavrik.services.context import Who
from pavrik.services.training import log
from pavrik.services.training.review import refresh_summary
from pavrik.store.database import Database
from pavrik.store.training import Observation, StoredSet, get_set


@dataclass(frozen=True)
class QueuedSet:
    """A set that a device logged while it was alone."""

    key: UUID
    logged: StoredSet
    seen: list[Observation]
    measures: dict[str, float]


@dataclass(frozen=True)
class QueuedWithdrawal:
    """A set that a device took back while it was alone."""

    key: UUID
    set_id: UUID
    new_id: UUID
    at: datetime


def _refresh(database: Database, who: Who, touched: Iterable[tuple[UUID, str]]) -> None:
    for lifter_id, lift in dict.fromkeys(touched):
        with database.club(who.club_id) as connection:
            refresh_summary(connection, who.club_id, lifter_id, lift)


def log_set(database: Database, who: Who, queued: QueuedSet) -> SetRef:
    """Log one set."""
    answer = log.log_set(database, who, queued.key, queued.logged, queued.seen, queued.measures)
    _refresh(database, who, [(queued.logged.lifter_id, queued.logged.lift)])
    return answer


def _lift_of(database: Database, who: Who, set_id: UUID) -> list[tuple[UUID, str]]:
    with database.club(who.club_id) as connection:
        logged = get_set(connection, set_id)
    return [(logged.lifter_id, logged.lift)] if logged else []


def withdraw_set(database: Database, who: Who, queued: QueuedWithdrawal) -> SetRef:
    """Take a set back."""
    answer = log.withdraw_set(database, who, queued.key, queued.set_id, queued.new_id, queued.at)
    _refresh(database, who, _lift_of(database, who, queued.set_id))
    return answer


def _take_one(
    database: Database, who: Who, item: QueuedSet | QueuedWithdrawal
) -> list[tuple[UUID, str]]:
    if isinstance(item, QueuedWithdrawal):
        log.withdraw_set(database, who, item.key, item.set_id, item.new_id, item.at)
        return _lift_of(database, who, item.set_id)
    log.log_set(database, who, item.key, item.logged, item.seen, item.measures)
    return [(item.logged.lifter_id, item.logged.lift)]


@dataclass(frozen=True)
class Unreadable:
    """An item that breaks the rules of its form, under the key it came with."""

    key: str
    why: str


def take_outbox(
    database: Database, who: Who, items: Sequence[QueuedSet | QueuedWithdrawal | Unreadable]
) -> OutboxAnswer:
    """What a device queued, in order, each item for itself: "kept", or "refused" with the reason.

    Anything else that fails is an error of the whole call; sending everything again is safe.
    """
    who.must_write()
    fates: list[FateAnswer] = []
    touched: list[tuple[UUID, str]] = []
    for item in items:
        refused = ""
        try:
            if isinstance(item, Unreadable):
                refused = item.why
            else:
                touched += _take_one(database, who, item)
        except (InvalidError, RefusedError, KeyReusedError, NotFoundError) as error:
            refused = str(error)
        fates.append(
            FateAnswer(key=str(item.key), fate="refused" if refused else "kept", detail=refused)
        )
    _refresh(database, who, touched)
    return OutboxAnswer(fates=fates)
