"""Clubs, coaches, sessions, sign-in attempts, the audit trail and idempotent writes."""

from dataclasses import dataclass
from datetime import date, datetime
from typing import Any
from uuid import UUID

from psycopg.rows import class_row
from psycopg.types.json import Jsonb

from pavrik.store.database import Connection


@dataclass(frozen=True)
class Coach:
    """Who signs in."""

    club_id: UUID
    coach_id: UUID
    email: str
    name: str
    role: str
    password_hash: str
    mass_unit: str
    length_unit: str


@dataclass(frozen=True)
class Session:
    """A signed-in browser."""

    club_id: UUID
    coach_id: UUID
    csrf_token: str
    expires_at: datetime


IS_THERE_A_CLUB = "is there a club"
_COACH = "club_id, coach_id, email, name, role::text, password_hash, mass_unit, length_unit"


def find_coach_by_email(connection: Connection, email: str) -> Coach | None:
    """The coach who signs in with an e-mail."""
    cursor = connection.cursor(row_factory=class_row(Coach))
    return cursor.execute(f"select {_COACH} from coach where email = %s", (email,)).fetchone()


@dataclass(frozen=True)
class ClubLink:
    """A one-time link that opens a club for its owner."""

    club_name: str
    owner_email: str


def add_club_link(connection: Connection, digest: str, link: ClubLink, days: int) -> None:
    """Remember a link for some days."""
    connection.execute(
        """insert into club_link (token_digest, club_name, owner_email, expires_at)
           values (%s, %s, %s, now() + make_interval(days => %s))""",
        (digest, link.club_name, link.owner_email, days),
    )


def find_club_link(connection: Connection, digest: str) -> ClubLink | None:
    """An open link; None where it is unknown, over or used."""
    cursor = connection.cursor(row_factory=class_row(ClubLink))
    return cursor.execute(
        """select club_name, owner_email from club_link
           where token_digest = %s and used_at is null and expires_at > now()""",
        (digest,),
    ).fetchone()


def use_club_link(connection: Connection, digest: str) -> bool:
    """Mark a link as used; False where it was not open any more."""
    used = connection.execute(
        """update club_link set used_at = now()
           where token_digest = %s and used_at is null and expires_at > now()""",
        (digest,),
    )
    return bool(used.rowcount)


def own_club_exists(connection: Connection) -> bool:
    """Whether there is a club besides the demo; asked as ``IS_THERE_A_CLUB``."""
    row = connection.execute("select exists (select from club where not is_demo)").fetchone()
    return bool(row and row[0])


def lock_first_club(connection: Connection) -> None:
    """Let two who start the first club at once do so one after the other."""
    connection.execute("select pg_advisory_xact_lock(hashtextextended('first club', 0))")


def add_club(connection: Connection, club_id: UUID, name: str) -> None:
    """A club without anybody in it."""
    connection.execute("insert into club (club_id, name) values (%s, %s)", (club_id, name))


def add_coach(connection: Connection, coach: Coach) -> None:
    """Somebody who signs in."""
    connection.execute(
        """insert into coach (club_id, coach_id, email, name, role, password_hash, mass_unit,
             length_unit) values (%s, %s, %s, %s, %s, %s, %s, %s)""",
        (
            coach.club_id, coach.coach_id, coach.email, coach.name, coach.role,
            coach.password_hash, coach.mass_unit, coach.length_unit,
        ),
    )  # fmt: skip


def find_demo_owner(connection: Connection) -> Coach | None:
    """The owner of the demo club, where it is loaded."""
    cursor = connection.cursor(row_factory=class_row(Coach))
    return cursor.execute(f"select {_COACH} from coach limit 1").fetchone()


def get_coach(connection: Connection, coach_id: UUID) -> Coach | None:
    """One coach of the club."""
    cursor = connection.cursor(row_factory=class_row(Coach))
    return cursor.execute(f"select {_COACH} from coach where coach_id = %s", (coach_id,)).fetchone()


def set_units(connection: Connection, coach_id: UUID, mass_unit: str, length_unit: str) -> None:
    """Change what a coach reads numbers in."""
    connection.execute(
        "update coach set mass_unit = %s, length_unit = %s where coach_id = %s",
        (mass_unit, length_unit, coach_id),
    )


def get_club(connection: Connection, club_id: UUID) -> tuple[str, bool]:
    """Name of the club and whether it is the demo."""
    row = connection.execute(
        "select name, is_demo from club where club_id = %s", (club_id,)
    ).fetchone()
    return (row[0], row[1]) if row else ("", False)


def today(connection: Connection) -> date:
    """The day it is where the club trains."""
    row = connection.execute("select current_date").fetchone()
    assert row is not None
    found: date = row[0]
    return found


def get_time_zone(connection: Connection, club_id: UUID) -> str:
    """Name of the zone that the club trains in."""
    row = connection.execute("select time_zone from club where club_id = %s", (club_id,)).fetchone()
    return row[0] if row else "UTC"


def set_time_zone(connection: Connection, club_id: UUID, name: str) -> bool:
    """Train in another zone; False where PostgreSQL knows none of that name."""
    changed = connection.execute(
        """update club set time_zone = %(name)s where club_id = %(club)s
             and exists (select from pg_timezone_names where name = %(name)s)""",
        {"name": name, "club": club_id},
    )
    return bool(changed.rowcount)


def add_session(connection: Connection, token_digest: str, session: Session) -> None:
    """Remember a signed-in browser and forget the coach's expired ones."""
    connection.execute(
        "delete from session where coach_id = %s and expires_at < now()", (session.coach_id,)
    )
    connection.execute(
        """insert into session (club_id, token_digest, coach_id, csrf_token, expires_at)
           values (%s, %s, %s, %s, %s)""",
        (session.club_id, token_digest, session.coach_id, session.csrf_token, session.expires_at),
    )


def find_session(connection: Connection, token_digest: str) -> Session | None:
    """The session of a token, while it lasts."""
    cursor = connection.cursor(row_factory=class_row(Session))
    return cursor.execute(
        """select club_id, coach_id, csrf_token, expires_at from session
           where token_digest = %s and expires_at > now()""",
        (token_digest,),
    ).fetchone()


def delete_session(connection: Connection, token_digest: str) -> None:
    """Sign a browser out."""
    connection.execute("delete from session where token_digest = %s", (token_digest,))


def count_attempts(connection: Connection, subject_digest: str, minutes: int) -> int:
    """Sign-in attempts of a subject in the last minutes; this one is added, old ones go."""
    connection.execute(
        """delete from sign_in_attempt
           where subject_digest = %s and attempted_at < now() - make_interval(mins => %s)""",
        (subject_digest, minutes),
    )
    row = connection.execute(
        "select count(*) from sign_in_attempt where subject_digest = %s", (subject_digest,)
    ).fetchone()
    connection.execute(
        "insert into sign_in_attempt (subject_digest) values (%s)", (subject_digest,)
    )
    return int(row[0]) if row else 0


def forget_attempts(connection: Connection, subject_digest: str) -> None:
    """A successful sign-in clears the slate."""
    connection.execute("delete from sign_in_attempt where subject_digest = %s", (subject_digest,))


def add_audit(
    connection: Connection, club_id: UUID, audit_id: UUID, coach_id: UUID, action: str, subject: str
) -> None:
    """Note who did what to which record; no personal data."""
    connection.execute(
        """insert into audit (club_id, audit_id, coach_id, action, subject)
           values (%s, %s, %s, %s, %s)""",
        (club_id, audit_id, coach_id, action, subject),
    )


def find_write(connection: Connection, key: UUID) -> tuple[str, str, Any] | None:
    """(route, request digest, answer) of an idempotency key that was used."""
    row = connection.execute(
        "select route, request_digest, answer from idempotent_write where key = %s", (key,)
    ).fetchone()
    return (row[0], row[1], row[2]) if row else None


def lock_key(connection: Connection, key: UUID) -> None:
    """Make two writes with one key wait for each other until the transaction ends."""
    connection.execute("select pg_advisory_xact_lock(hashtextextended(%s, 0))", (str(key),))


def add_write(
    connection: Connection, club_id: UUID, key: UUID, route: str, digest: str, answer: Any
) -> None:
    """Remember what a write answered."""
    connection.execute(
        """insert into idempotent_write (club_id, key, route, request_digest, answer)
           values (%s, %s, %s, %s, %s)""",
        (club_id, key, route, digest, Jsonb(answer)),
    )
