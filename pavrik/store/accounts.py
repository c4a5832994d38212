"""Clubs, coaches, sessions, sign-in attempts, the audit trail and idempotent writes."""

from dataclasses import dataclass
from datetime import date, datetime
from typing import Any
from uuid import UUID

from psycopg.types.json import Jsonb

from pavrik.store.asking import Asking
from pavrik.store.database import Connection
from pavrik.store.statements import one_of, run, tuples_of, value_of


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


@dataclass(frozen=True)
class SessionAccount:
    """The coach and the club that a session stands for."""

    club_id: UUID
    coach_id: UUID
    role: str
    coach_name: str
    email: str
    club_name: str
    is_demo: bool
    mass_unit: str
    length_unit: str
    csrf_token: str


@dataclass(frozen=True)
class ClubLink:
    """A one-time link that opens a club for its owner."""

    club_name: str
    owner_email: str


@dataclass(frozen=True)
class KeptWrite:
    """What an idempotency key was used for and what it answered."""

    route: str
    request_digest: str
    answer: Any
    json_version: int


IS_THERE_A_CLUB = "is there a club"


def find_coach_by_email(connection: Connection, email: str) -> Coach | None:
    """The coach who signs in with an e-mail."""
    return one_of(connection, Coach, "find_coach_by_email", email=email)


def add_club_link(connection: Connection, digest: str, link: ClubLink, days: int) -> None:
    """Remember a link for some days."""
    run(connection, "add_club_link", digest=digest, days=days, **vars(link))


def find_club_link(connection: Connection, digest: str) -> ClubLink | None:
    """An open link; None where it is unknown, over or used."""
    return one_of(connection, ClubLink, "find_club_link", digest=digest)


def use_club_link(connection: Connection, digest: str) -> bool:
    """Mark a link as used; False where it was not open any more."""
    return bool(run(connection, "use_club_link", digest=digest))


def own_club_exists(connection: Connection) -> bool:
    """Whether there is a club besides the demo; asked as ``IS_THERE_A_CLUB``."""
    return bool(value_of(connection, "own_club_exists"))


def lock_first_club(connection: Connection) -> None:
    """Let two who start the first club at once do so one after the other."""
    run(connection, "lock_first_club")


def add_club(connection: Connection, club_id: UUID, name: str, *, is_demo: bool = False) -> None:
    """A club without anybody in it."""
    run(connection, "add_club", club_id=club_id, name=name, is_demo=is_demo)


def add_coach(connection: Connection, coach: Coach) -> None:
    """Somebody who signs in."""
    run(connection, "add_coach", **vars(coach))


def find_demo_owner(connection: Connection) -> Coach | None:
    """The owner of the demo club, where it is loaded."""
    return one_of(connection, Coach, "find_demo_owner")


def get_coach(connection: Connection, coach_id: UUID) -> Coach | None:
    """One coach of the club."""
    return one_of(connection, Coach, "get_coach", coach_id=coach_id)


def set_units(connection: Connection, coach_id: UUID, mass_unit: str, length_unit: str) -> None:
    """Change what a coach reads numbers in."""
    run(
        connection, "set_units", coach_id=coach_id, mass_unit=mass_unit, length_unit=length_unit
    )  # fmt: skip


def get_club(connection: Connection, club_id: UUID) -> tuple[str, bool]:
    """Name of the club and whether it is the demo."""
    found = tuples_of(connection, "get_club", club_id=club_id)
    return (found[0][0], found[0][1]) if found else ("", False)


def erase_demo_club(connection: Connection) -> None:
    """Take every row of the demo club away that the transaction names."""
    value_of(connection, "erase_demo_club")


def set_demo_removed(connection: Connection, *, removed: bool) -> None:
    """Remember whether the demo club stays away."""
    run(connection, "set_demo_removed", removed=removed)


def demo_is_removed(connection: Connection) -> bool:
    """Whether somebody took the demo club away."""
    return bool(value_of(connection, "demo_is_removed"))


def today(connection: Connection) -> date:
    """The day it is where the club trains."""
    found: date = value_of(connection, "get_today")
    return found


def get_time_zone(connection: Connection, club_id: UUID) -> str:
    """Name of the zone that the club trains in."""
    return value_of(connection, "get_time_zone", club_id=club_id) or "UTC"


def set_time_zone(connection: Connection, club_id: UUID, name: str) -> bool:
    """Train in another zone; False where PostgreSQL knows none of that name."""
    return bool(run(connection, "set_time_zone", club_id=club_id, name=name))


def add_session(connection: Connection, token_digest: str, session: Session) -> None:
    """Remember a signed-in browser and forget the coach's expired ones."""
    run(connection, "delete_expired_sessions", coach_id=session.coach_id)
    run(connection, "add_session", token_digest=token_digest, **vars(session))


async def find_account(asking: Asking, token_digest: str) -> SessionAccount | None:
    """Coach and club of a session's token, while it lasts."""
    return await asking.one_of(SessionAccount, "find_account", token_digest=token_digest)


def delete_session(connection: Connection, token_digest: str) -> None:
    """Sign a browser out."""
    run(connection, "delete_session", token_digest=token_digest)


def count_attempts(connection: Connection, subject_digest: str, minutes: int) -> int:
    """Sign-in attempts of a subject in the last minutes; this one is added, old ones go."""
    run(connection, "delete_old_attempts", subject=subject_digest, minutes=minutes)
    before = int(value_of(connection, "count_attempts", subject=subject_digest))
    run(connection, "add_attempt", subject=subject_digest)
    return before


def forget_attempts(connection: Connection, subject_digest: str) -> None:
    """A successful sign-in clears the slate."""
    run(connection, "forget_attempts", subject=subject_digest)


def add_audit(
    connection: Connection, club_id: UUID, audit_id: UUID, coach_id: UUID | None, action: str,
    subject: str,
) -> None:  # fmt: skip
    """Note who did what to which record; no personal data. Nobody is the server's operator."""
    run(
        connection, "add_audit", club_id=club_id, audit_id=audit_id, coach_id=coach_id,
        action=action, subject=subject,
    )  # fmt: skip


def find_write(connection: Connection, key: UUID) -> KeptWrite | None:
    """What an idempotency key was used for; None where it is new."""
    return one_of(connection, KeptWrite, "find_write", key=key)


def lock_key(connection: Connection, key: UUID) -> None:
    """Make two writes with one key wait for each other until the transaction ends."""
    run(connection, "lock_key", key=str(key))


def add_write(connection: Connection, club_id: UUID, key: UUID, kept: KeptWrite) -> None:
    """Remember what a write answered."""
    run(
        connection, "add_write", club_id=club_id, key=key, route=kept.route,
        digest=kept.request_digest, answer=Jsonb(kept.answer), json_version=kept.json_version,
    )  # fmt: skip
