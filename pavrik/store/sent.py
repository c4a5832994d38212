"""What lifters send by their own link, films that are kept, and words to them."""

from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from pavrik.store.database import Connection
from pavrik.store.statements import all_of, one_of, run

MOST_SHOWN = 60


@dataclass(frozen=True)
class NewItem:
    """A set, or a film with the consent that it is kept with; what does not belong is None."""

    item_id: UUID
    lifter_id: UUID
    kind: str
    lift: str
    load_kg: float
    performed_at: datetime
    reps: int | None = None
    missed_reps: int | None = None
    rpe: float | None = None
    view: str | None = None
    consent: str | None = None
    kept_until: datetime | None = None
    note: str = ""
    link_id: UUID | None = None
    sent_by: UUID | None = None


@dataclass(frozen=True)
class SentItem(NewItem):
    """The same as it stands, with the newest word to it and the clip that was made of it."""

    sent_at: datetime | None = None
    word: str | None = None
    clip_id: UUID | None = None


@dataclass(frozen=True)
class Waiting:
    """How many of a kind wait for a coach."""

    lifter_id: UUID
    kind: str
    waiting: int


def add_item(connection: Connection, club_id: UUID, item: NewItem) -> None:
    """Keep what was sent; one that is known stays as it is."""
    run(connection, "add_sent_item", club_id=club_id, **vars(item))


def list_items(connection: Connection, lifter_id: UUID, most: int | None = None) -> list[SentItem]:
    """What a lifter sent and what is kept of him, newest first."""
    return all_of(connection, SentItem, "list_sent_items", lifter_id=lifter_id, most=most)


def get_item(connection: Connection, item_id: UUID) -> SentItem | None:
    """One thing that was sent in the club."""
    return one_of(connection, SentItem, "get_sent_item", item_id=item_id)


def get_film_of_clip(connection: Connection, clip_id: UUID) -> SentItem | None:
    """The film that a clip was tracked from, where it was sent or kept."""
    return one_of(connection, SentItem, "get_film_of_clip", clip_id=clip_id)


def count_waiting(connection: Connection) -> list[Waiting]:
    """What waits in the club."""
    return all_of(connection, Waiting, "count_waiting")


def say(
    connection: Connection, club_id: UUID, item_id: UUID, word_id: UUID, word: str,
    said_by: UUID | None = None,
) -> None:  # fmt: skip
    """Record a word to what was sent."""
    run(connection, "add_sent_word", club_id=club_id, item_id=item_id, word_id=word_id, word=word,
        said_by=said_by)  # fmt: skip
