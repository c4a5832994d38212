"""People of a club, their links, their signed-in browsers, and what was done."""

from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from pavrik.store.database import Connection
from pavrik.store.statements import all_of, one_of, run


@dataclass(frozen=True)
class Person:
    """Somebody who signs in, or did; ``left_at`` None while that is so."""

    coach_id: UUID
    name: str
    email: str
    role: str
    created_at: datetime
    left_at: datetime | None


@dataclass(frozen=True)
class CoachLink:
    """A one-time link that is open: an invitation, or a password to be chosen anew."""

    link_id: UUID
    club_id: UUID
    kind: str
    email: str
    role: str
    coach_id: UUID | None
    expires_at: datetime


@dataclass(frozen=True)
class Browser:
    """A signed-in browser."""

    token_digest: str
    created_at: datetime
    expires_at: datetime


@dataclass(frozen=True)
class Deed:
    """One line of the audit trail; ``subject`` is a lifter or coach by name, where it is one."""

    at: datetime
    who: str
    action: str
    subject: str


def list_people(connection: Connection) -> list[Person]:
    """Everybody, who is gone last."""
    return all_of(connection, Person, "list_people")


def lock_people(connection: Connection) -> None:
    """One change of roles at a time."""
    run(connection, "lock_people")


def set_role(connection: Connection, coach_id: UUID, role: str) -> bool:
    """Another role; False where nobody of that id is in the club."""
    return bool(run(connection, "set_role", coach_id=coach_id, role=role))


def bring_back(connection: Connection, coach_id: UUID, name: str, role: str, hashed: str) -> None:
    """Somebody who left is in the club again, under the id of before."""
    run(connection, "bring_back", coach_id=coach_id, name=name, role=role, password_hash=hashed)


def leave(connection: Connection, coach_id: UUID) -> bool:
    """Somebody leaves and is signed out; False where nobody of that id is in the club."""
    run(connection, "end_sessions", coach_id=coach_id, but="")
    return bool(run(connection, "leave_club", coach_id=coach_id))


def set_name(connection: Connection, coach_id: UUID, name: str) -> None:
    """Somebody is called otherwise."""
    run(connection, "set_coach_name", coach_id=coach_id, name=name)


def set_password(connection: Connection, coach_id: UUID, hashed: str, but: str = "") -> bool:
    """Another password; every browser but one (by its token's digest) is signed out."""
    run(connection, "end_sessions", coach_id=coach_id, but=but)
    return bool(run(connection, "set_password", coach_id=coach_id, password_hash=hashed))


def list_browsers(connection: Connection, coach_id: UUID) -> list[Browser]:
    """Signed-in browsers of somebody."""
    return all_of(connection, Browser, "list_sessions", coach_id=coach_id)


def add_link(
    connection: Connection, digest: str, link: CoachLink, days: int, made_by: UUID | None
) -> None:
    """Keep a one-time link; ``days`` count, not the link's own date."""
    given = {name: value for name, value in vars(link).items() if name != "expires_at"}
    run(connection, "add_coach_link", digest=digest, days=days, made_by=made_by, **given)


def list_links(connection: Connection) -> list[CoachLink]:
    """Links that are open."""
    return all_of(connection, CoachLink, "list_coach_links")


def find_link(connection: Connection, digest: str) -> CoachLink | None:
    """The open link of a token's digest."""
    return one_of(connection, CoachLink, "find_coach_link", digest=digest)


def use_link(connection: Connection, link_id: UUID) -> bool:
    """Use a link once; False where it is not open any more."""
    return bool(run(connection, "use_coach_link", link_id=link_id))


def close_link(connection: Connection, link_id: UUID) -> bool:
    """Close a link; False where it was used, closed or never was."""
    return bool(run(connection, "close_coach_link", link_id=link_id))


def list_deeds(connection: Connection, most: int) -> list[Deed]:
    """The newest lines of the audit trail."""
    return all_of(connection, Deed, "list_audit", most=most)
