"""Plans, what coaches said of their lines, what the gym owns, and links to the card."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID

from psycopg.rows import class_row
from psycopg.types.json import Jsonb

from pavrik.store.database import Connection


@dataclass(frozen=True)
class PlanRecord:
    """One version of a plan; versions of one plan share ``series_id``."""

    plan_id: UUID
    lifter_id: UUID
    series_id: UUID
    replaces: UUID | None
    withdrawn: bool
    ask: dict[str, Any]
    answer: dict[str, Any]
    changes: list[dict[str, Any]]
    model_version: str
    made_at: datetime


@dataclass(frozen=True)
class LineWord:
    """A coach's newest word on a line of a plan."""

    line_id: str
    load_kg: float | None
    dropped: bool
    reason: str
    coach: str


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
    revoked_at: datetime | None


_PLAN = """plan_id, lifter_id, series_id, replaces, withdrawn, ask, answer, changes, model_version,
  made_at"""
_LINK = "link_id, club_id, lifter_id, expires_at, made_at, revoked_at"


def newest_plan(connection: Connection, lifter_id: UUID) -> PlanRecord | None:
    """The plan that stands; None where none was made or the newest was withdrawn."""
    found = (
        connection.cursor(row_factory=class_row(PlanRecord))
        .execute(
            f"""select {_PLAN} from plan where lifter_id = %s
                order by made_at desc, plan_id desc limit 1""",
            (lifter_id,),
        )
        .fetchone()
    )
    return found if found and not found.withdrawn else None


def list_versions(connection: Connection, series_id: UUID) -> list[PlanRecord]:
    """Every version of a plan, newest first."""
    return (
        connection.cursor(row_factory=class_row(PlanRecord))
        .execute(
            f"""select {_PLAN} from plan where series_id = %s
                order by made_at desc, plan_id desc""",
            (series_id,),
        )
        .fetchall()
    )


def standing_plans(connection: Connection) -> list[PlanRecord]:
    """The newest plan of every lifter of the club, without withdrawn ones."""
    return (
        connection.cursor(row_factory=class_row(PlanRecord))
        .execute(
            f"""select {_PLAN} from (
                  select distinct on (lifter_id) * from plan
                  order by lifter_id, made_at desc, plan_id desc) newest
                where not withdrawn"""
        )
        .fetchall()
    )


def add_plan(
    connection: Connection, club_id: UUID, made_by: UUID | None, record: PlanRecord
) -> None:
    """Keep a version of a plan."""
    connection.execute(
        f"""insert into plan (club_id, {_PLAN}, made_by)
            values (%s, %s, %s, %s, %s, %s, %s, %s, %s, %s, %s, %s)""",
        (
            club_id, record.plan_id, record.lifter_id, record.series_id, record.replaces,
            record.withdrawn, Jsonb(record.ask), Jsonb(record.answer), Jsonb(record.changes),
            record.model_version, record.made_at, made_by,
        ),
    )  # fmt: skip


def add_line_word(
    connection: Connection, club_id: UUID, said_by: UUID, overrule_id: UUID, series_id: UUID,
    word: LineWord,
) -> None:  # fmt: skip
    """Say something of a line; the coach's name is the sayer's own."""
    connection.execute(
        """insert into plan_overrule (club_id, overrule_id, series_id, line_id, load_kg, dropped,
             reason, said_by) values (%s, %s, %s, %s, %s, %s, %s, %s)""",
        (club_id, overrule_id, series_id, word.line_id, word.load_kg, word.dropped, word.reason,
         said_by),
    )  # fmt: skip


def line_words(connection: Connection, series_id: UUID) -> list[LineWord]:
    """The newest word on every line of a plan, without those that were taken back."""
    return (
        connection.cursor(row_factory=class_row(LineWord))
        .execute(
            """select line_id, load_kg, dropped, reason, coach from (
                 select distinct on (line_id) line_id, load_kg, dropped, reason, c.name as coach
                 from plan_overrule o
                 join coach c on c.club_id = o.club_id and c.coach_id = o.said_by
                 where series_id = %s order by line_id, said_at desc, overrule_id desc) newest
               where dropped or load_kg is not null""",
            (series_id,),
        )
        .fetchall()
    )


def add_variation_word(
    connection: Connection, club_id: UUID, said_by: UUID, word_id: UUID, lifter_id: UUID,
    word: VariationWord,
) -> None:  # fmt: skip
    """Say something of a variation for a lifter."""
    connection.execute(
        """insert into variation_word (club_id, word_id, lifter_id, variation, word, reason,
             said_by) values (%s, %s, %s, %s, %s, %s, %s)""",
        (club_id, word_id, lifter_id, word.variation, word.word, word.reason, said_by),
    )


def variation_words(connection: Connection, lifter_id: UUID) -> list[VariationWord]:
    """The newest word on every variation, without those that were taken back."""
    return (
        connection.cursor(row_factory=class_row(VariationWord))
        .execute(
            """select variation, word, reason, coach from (
                 select distinct on (variation) variation, word, reason, c.name as coach
                 from variation_word w
                 join coach c on c.club_id = w.club_id and c.coach_id = w.said_by
                 where lifter_id = %s order by variation, said_at desc, word_id desc) newest
               where word <> 'as computed'""",
            (lifter_id,),
        )
        .fetchall()
    )


def get_kit(connection: Connection) -> list[str]:
    """What the gym owns beside bars and plates, as it was said last."""
    row = connection.execute(
        "select items from gym_kit order by said_at desc, kit_id desc limit 1"
    ).fetchone()
    return list(row[0]) if row else []


def add_kit(
    connection: Connection, club_id: UUID, said_by: UUID | None, kit_id: UUID, items: list[str]
) -> None:
    """Say what the gym owns."""
    connection.execute(
        "insert into gym_kit (club_id, kit_id, items, said_by) values (%s, %s, %s, %s)",
        (club_id, kit_id, items, said_by),
    )


def add_link(
    connection: Connection, club_id: UUID, made_by: UUID | None, link: CardLink, digest: str
) -> None:
    """Keep a link by its token's digest."""
    connection.execute(
        """insert into card_link (club_id, link_id, lifter_id, token_digest, expires_at, made_at,
             made_by) values (%s, %s, %s, %s, %s, %s, %s)""",
        (club_id, link.link_id, link.lifter_id, digest, link.expires_at, link.made_at, made_by),
    )


def list_links(connection: Connection, lifter_id: UUID) -> list[CardLink]:
    """Links of a lifter, newest first."""
    return (
        connection.cursor(row_factory=class_row(CardLink))
        .execute(
            f"select {_LINK} from card_link where lifter_id = %s order by made_at desc",
            (lifter_id,),
        )
        .fetchall()
    )


def find_link(connection: Connection, digest: str) -> CardLink | None:
    """The link of a token's digest; the transaction must name the digest."""
    cursor = connection.cursor(row_factory=class_row(CardLink))
    return cursor.execute(
        f"select {_LINK} from card_link where token_digest = %s", (digest,)
    ).fetchone()


def revoke_link(connection: Connection, link_id: UUID, at: datetime) -> bool:
    """Close a link; False where there is none or it was closed before."""
    changed = connection.execute(
        "update card_link set revoked_at = %s where link_id = %s and revoked_at is null",
        (at, link_id),
    )
    return bool(changed.rowcount)
