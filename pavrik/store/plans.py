"""Plans, what coaches said of their lines, and links to the card."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID

from psycopg.types.json import Jsonb

from pavrik.core.prescription.plan_parts import Edit
from pavrik.store.database import Connection
from pavrik.store.statements import all_of, one_of, run


@dataclass(frozen=True)
class PlanRecord:
    """One version of a plan; versions of one plan share ``series_id``."""

    plan_id: UUID
    lifter_id: UUID
    series_id: UUID
    replaces: UUID | None
    withdrawn: bool
    json_version: int
    ask: dict[str, Any]
    answer: dict[str, Any]
    changes: list[dict[str, Any]]
    model_version: str
    made_at: datetime


@dataclass(frozen=True)
class VariationWord:
    """A coach's newest word on a variation for a lifter."""

    variation: str
    word: str
    reason: str
    coach: str


@dataclass(frozen=True)
class CardLink:
    """A link by which a lifter reads the card."""

    link_id: UUID
    club_id: UUID
    lifter_id: UUID
    expires_at: datetime
    made_at: datetime
    made_by: UUID | None
    revoked_at: datetime | None


def newest_plan(connection: Connection, lifter_id: UUID) -> PlanRecord | None:
    """The plan that stands; None where none was made or the newest was withdrawn."""
    found = one_of(connection, PlanRecord, "newest_plan", lifter_id=lifter_id)
    return found if found and not found.withdrawn else None


def list_versions(connection: Connection, series_id: UUID) -> list[PlanRecord]:
    """Every version of a plan, newest first."""
    return all_of(connection, PlanRecord, "list_versions", series_id=series_id)


def standing_plans(connection: Connection) -> list[PlanRecord]:
    """The newest plan of every lifter of the club, without withdrawn ones."""
    return all_of(connection, PlanRecord, "standing_plans")


def add_plan(
    connection: Connection, club_id: UUID, made_by: UUID | None, record: PlanRecord
) -> None:
    """Keep a version of a plan."""
    given = {**vars(record), "changes": Jsonb(record.changes)}
    run(connection, "add_plan", club_id=club_id, made_by=made_by, **given)


def add_edit(
    connection: Connection, club_id: UUID, said_by: UUID, series_id: UUID, edit: Edit
) -> None:
    """Keep what a coach does to a plan; the coach's name is the sayer's own."""
    run(connection, "add_edit", club_id=club_id, said_by=said_by, series_id=series_id, **vars(edit))


def list_edits(connection: Connection, series_id: UUID) -> list[Edit]:
    """Everything done to a plan by hand, in order."""
    return all_of(connection, Edit, "list_edits", series_id=series_id)


def add_variation_word(
    connection: Connection, club_id: UUID, said_by: UUID, word_id: UUID, lifter_id: UUID,
    word: VariationWord,
) -> None:  # fmt: skip
    """Say something of a variation for a lifter."""
    run(
        connection, "add_variation_word", club_id=club_id, said_by=said_by, word_id=word_id,
        lifter_id=lifter_id, **vars(word),
    )  # fmt: skip


def variation_words(connection: Connection, lifter_id: UUID) -> list[VariationWord]:
    """The newest word on every variation, without those that were taken back."""
    return all_of(connection, VariationWord, "variation_words", lifter_id=lifter_id)


def add_link(connection: Connection, link: CardLink, digest: str) -> None:
    """Keep a link by its token's digest."""
    run(connection, "add_link", **vars(link), digest=digest)


def list_links(connection: Connection, lifter_id: UUID) -> list[CardLink]:
    """Links of a lifter, newest first."""
    return all_of(connection, CardLink, "list_links", lifter_id=lifter_id)


def find_link(connection: Connection, digest: str) -> CardLink | None:
    """The link of a token's digest; the transaction must name the digest."""
    return one_of(connection, CardLink, "find_link", digest=digest)


def revoke_link(connection: Connection, link_id: UUID, at: datetime) -> bool:
    """Close a link; False where there is none or it was closed before."""
    return bool(run(connection, "revoke_link", link_id=link_id, at=at))
