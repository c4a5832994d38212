"""What a device logged while it was alone.

Conflict rule: sets only ever add to the log, so two devices that log one session merge by
themselves. Of two amendments of one set the one that arrives last stands and the other stays in
its history; an amendment of a withdrawn set is refused and told.
"""

from collections.abc import Sequence
from dataclasses import dataclass

from pavrik.errors import InvalidError, KeyReusedError, NotFoundError, RefusedError
from pavrik.formats.wire.session import FateAnswer, OutboxAnswer
from pavrik.services.context import Who
from pavrik.services.training.log import QueuedSet, QueuedWithdrawal, log_set, withdraw_set
from pavrik.store.database import Database


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
