"""Every write to the platform log.

Conflict rule: sets only ever add to the log, so two devices that log one session merge by
themselves. Of two amendments of one set the one that arrives last stands and the other stays in
its history; an amendment of a withdrawn set is refused and told.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from pavrik.errors import InvalidError, KeyReusedError, NotFoundError, RefusedError
from pavrik.formats.wire.log import SetRef
from pavrik.formats.wire.session import FateAnswer, OutboxAnswer
from pavrik.services.context import Who
from pavrik.services.training import log
from pavrik.store.database import Database
from pavrik.store.training import Observation, StoredSet


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


def log_set(database: Database, who: Who, queued: QueuedSet) -> SetRef:
    """Log one set."""
    return log.log_set(database, who, queued.key, queued.logged, queued.seen, queued.measures)


def withdraw_set(database: Database, who: Who, queued: QueuedWithdrawal) -> SetRef:
    """Take a set back."""
    return log.withdraw_set(database, who, queued.key, queued.set_id, queued.new_id, queued.at)


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
    for item in items:
        refused = ""
        try:
            if isinstance(item, Unreadable):
                refused = item.why
            elif isinstance(item, QueuedWithdrawal):
                withdraw_set(database, who, item)
            else:
                log_set(database, who, item)
        except (InvalidError, RefusedError, KeyReusedError, NotFoundError) as error:
            refused = str(error)
        fates.append(
            FateAnswer(key=str(item.key), fate="refused" if refused else "kept", detail=refused)
        )
    return OutboxAnswer(fates=fates)
