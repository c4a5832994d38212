"""Films measured: what they say, and what coaches say to them."""

from dataclasses import dataclass
from datetime import date, datetime
from typing import Any
from uuid import UUID

from pavrik.store.database import Connection
from pavrik.store.statements import all_of, one_of, run, tuples_of, value_of


@dataclass(frozen=True)
class NewClip:
    """A clip to be kept: the request it came from, what was tracked, what it says."""

    clip_id: UUID
    lifter_id: UUID
    lift: str
    load_kg: float
    filmed_on: date
    way: str
    note: str
    film_sha256: str
    request: dict[str, Any]
    track: dict[str, Any]
    answer: dict[str, Any]
    json_version: int
    model_version: str


@dataclass(frozen=True)
class StoredClip:
    """A clip as it was kept."""

    clip_id: UUID
    lifter_id: UUID
    lift: str
    load_kg: float
    filmed_on: date
    way: str
    note: str
    film_sha256: str
    answer: dict[str, Any]
    json_version: int
    model_version: str
    made_at: datetime


@dataclass(frozen=True)
class ClipWord:
    """The newest word to a finding (by its detector), or to the whole clip ("clip", "log")."""

    subject: str
    word: str
    words: str


def add_clip(connection: Connection, club_id: UUID, made_by: UUID | None, clip: NewClip) -> None:
    """Keep a clip; one that is known stays as it is."""
    run(connection, "add_clip", club_id=club_id, made_by=made_by, **vars(clip))


def list_clips(connection: Connection, lifter_id: UUID) -> list[StoredClip]:
    """Clips of a lifter that stand, newest first."""
    return all_of(connection, StoredClip, "list_clips", lifter_id=lifter_id)


def shown_clip_ids(connection: Connection, lifter_id: UUID, most: int) -> list[UUID]:
    """The newest clips that are shown to their lifter."""
    found = tuples_of(connection, "list_shown_clip_ids", lifter_id=lifter_id, most=most)
    return [clip_id for (clip_id,) in found]


def newest_clip_day(connection: Connection, lifter_id: UUID) -> date | None:
    """When the newest clip of a lifter that stands was filmed."""
    found: date | None = value_of(connection, "newest_clip_day", lifter_id=lifter_id)
    return found


def get_clip(connection: Connection, clip_id: UUID) -> StoredClip | None:
    """One clip of the club."""
    return one_of(connection, StoredClip, "get_clip", clip_id=clip_id)


def get_track(connection: Connection, clip_id: UUID) -> tuple[dict[str, Any], dict[str, Any]]:
    """What a clip came from: its request, and what was tracked."""
    ((request, track),) = tuples_of(connection, "get_clip_track", clip_id=clip_id)
    return request, track


def say(
    connection: Connection, club_id: UUID, said_by: UUID | None, clip_id: UUID, word_id: UUID,
    word: ClipWord,
) -> None:  # fmt: skip
    """Record a word to a clip."""
    run(
        connection, "add_clip_word", club_id=club_id, said_by=said_by, clip_id=clip_id,
        word_id=word_id, **vars(word),
    )  # fmt: skip


def words_of(connection: Connection, clip_id: UUID) -> dict[str, ClipWord]:
    """The newest word to every subject of a clip."""
    found = all_of(connection, ClipWord, "list_clip_words", clip_id=clip_id)
    return {word.subject: word for word in found}
