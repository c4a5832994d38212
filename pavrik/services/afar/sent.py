"""What a lifter sent, where it stands, and a coach's word to it: a set counts once accepted."""

from datetime import UTC, datetime
from uuid import UUID, uuid5

from pavrik.errors import InvalidError, NotFoundError
from pavrik.formats.wire.afar import SentAnswer, SentRef, SentState, SentWordRequest
from pavrik.services.context import Who
from pavrik.services.lifters.profile import get_profile
from pavrik.services.training import log
from pavrik.services.watch.films import Films
from pavrik.services.writes import write_once
from pavrik.store import accounts
from pavrik.store import sent as store
from pavrik.store.database import Connection, Database
from pavrik.store.training import StoredSet
from pavrik.words import say

FROM_LIFTER = "sent by the lifter"
_BY_WORD: dict[str, SentState] = {
    "accepted": "counts", "declined": "declined", "taken back": "taken back", "deleted": "deleted",
}  # fmt: skip


def state_of(item: store.SentItem, now: datetime) -> SentState:
    """Where it stands."""
    if item.word is not None:
        return _BY_WORD[item.word]
    if item.kept_until is not None and item.kept_until < now:
        return "expired"
    if item.kind == "kept film":
        return "kept"
    return "looked at" if item.clip_id else "waits"


def sent_in(connection: Connection, lifter_id: UUID) -> list[SentAnswer]:
    """What a lifter sent and what is kept of him, newest first."""
    now = datetime.now(UTC)
    told = set(SentAnswer.model_fields) - {"state"}
    return [
        SentAnswer(**{name: getattr(item, name) for name in told}, state=state_of(item, now))
        for item in store.list_items(connection, lifter_id, store.MOST_SHOWN)
    ]


def film_of_clip(connection: Connection, clip_id: UUID) -> store.SentItem | None:
    """The film of a clip, where it is kept still."""
    item = store.get_film_of_clip(connection, clip_id)
    kept = item is not None and state_of(item, datetime.now(UTC)) in ("kept", "looked at")
    return item if kept else None


def kept_film_ids(database: Database, who: Who, lifter_id: UUID) -> list[UUID]:
    """Films that may lie here of a lifter."""
    with database.club(who.club_id) as connection:
        items = store.list_items(connection, lifter_id)
    return [item.item_id for item in items if item.kind != "set"]


def list_sent(database: Database, who: Who, lifter_id: UUID) -> list[SentAnswer]:
    """The same for a coach. Raises NotFoundError."""
    with database.club(who.club_id) as connection:
        get_profile(connection, lifter_id)
        return sent_in(connection, lifter_id)


def item_in(connection: Connection, lifter_id: UUID, item_id: UUID) -> store.SentItem:
    """One thing that a lifter sent. Raises NotFoundError."""
    item = store.get_item(connection, item_id)
    if item is None or item.lifter_id != lifter_id:
        raise NotFoundError(say("afar.lifter_sent_nothing_kind"))
    return item


def say_word(
    database: Database, who: Who, films: Films, key: UUID, lifter_id: UUID, item_id: UUID,
    request: SentWordRequest,
) -> SentRef:  # fmt: skip
    """A coach's word: an accepted set enters the log under the same id, a film that is declined or
    deleted is gone. Raises NotFoundError, ForbiddenError, InvalidError."""

    def action(connection: Connection) -> SentRef:
        accounts.lock_key(connection, item_id)
        _check(item_in(connection, lifter_id, item_id), request)
        store.say(connection, who.club_id, item_id, request.word_id, request.word, who.coach_id)
        return SentRef(item_id=item_id)

    asked = {"item": str(item_id), **request.model_dump(mode="json")}
    answer = write_once(
        database, who, key, "word to what was sent", asked, SentRef, action,
        subject=str(lifter_id),
    )  # fmt: skip
    with database.club(who.club_id) as connection:
        item = item_in(connection, lifter_id, item_id)
    if item.kind != "set":
        films.forget(who.club_id, item_id)
    elif request.word == "accepted":
        into_log(database, who, item)
    return answer


def into_log(database: Database, who: Who, item: store.SentItem) -> None:
    """The set that was sent, logged under a key of its own: whoever says so, and however often, it
    is logged once."""
    queued = log.QueuedSet(uuid5(item.item_id, "its set"), _as_set(item), [], {})
    log.log_set(database, who, queued)


def _check(item: store.SentItem, request: SentWordRequest) -> None:
    if request.word == "accepted" and item.kind != "set":
        raise InvalidError(say("afar.film_tracked_not_accepted"), "word")
    if item.word is not None and item.word != request.word:
        raise InvalidError(say("afar.this_was_already", word=item.word), "word")


def _as_set(item: store.SentItem) -> StoredSet:
    return StoredSet(
        set_id=item.item_id,
        lifter_id=item.lifter_id,
        replaces=None,
        lift=item.lift,
        variation="competition",
        load_kg=item.load_kg,
        reps=item.reps or 0,
        missed_reps=item.missed_reps or 0,
        rpe=item.rpe,
        aimed_rpe=None,
        pull_style=None,
        schools={},
        note=": ".join(filter(None, [FROM_LIFTER, item.note])),
        performed_at=item.performed_at,
    )
