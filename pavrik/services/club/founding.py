"""Starting a club of one's own: by a one-time link, or as the first one on this machine."""

import secrets
from dataclasses import dataclass
from uuid import UUID

from uuid6 import uuid7

from pavrik.errors import ForbiddenError, InvalidError
from pavrik.services.club.accounts import Accounts, SignedIn, digest
from pavrik.services.club.passwords import Passwords
from pavrik.store import accounts as store
from pavrik.store import equipment
from pavrik.store.database import Connection, Database
from pavrik.words import say

LINK_DAYS = 7
USUAL_BAR = ("Bar", 20.0, 28.0)
"""Name, kg, shaft in mm of the bar that a new club begins with; edited on the Gym page."""
USUAL_PLATES = ((25.0, 4), (20.0, 2), (15.0, 2), (10.0, 2), (5.0, 2), (2.5, 2), (1.25, 2))
"""Weights in kg and pairs that a new club begins with."""


@dataclass(frozen=True)
class NewClub:
    """What is asked of someone who starts a club; ``token`` of a link, empty without one."""

    club: str
    name: str
    email: str
    password: str
    time_zone: str = ""
    token: str = ""


def _link_digest(token: str) -> str:
    return digest(f"club:{token}")


def invite_owner(database: Database, club_name: str, owner_email: str) -> str:
    """The token of a fresh one-time link. Raises InvalidError."""
    name, email = club_name.strip(), owner_email.strip().lower()
    if not 1 <= len(name) <= 80:
        raise InvalidError(say("club.clubs_name_1_80"), "name")
    if email.count("@") != 1 or any(c.isspace() for c in email) or email[0] == "@":
        raise InvalidError(say("club.no_e_mail_address", owner_email=owner_email), "email")
    token = secrets.token_urlsafe(24)
    with database.signing_in(_link_digest(token)) as connection:
        store.add_club_link(connection, _link_digest(token), store.ClubLink(name, email), LINK_DAYS)
    return token


def find_link(database: Database, token: str) -> store.ClubLink:
    """What a link opens. Raises InvalidError where it is over, used or unknown."""
    with database.signing_in(_link_digest(token)) as connection:
        link = store.find_club_link(connection, _link_digest(token))
    if link is None:
        raise InvalidError(
            say("club.link_used_over_never"),
            "token",
        )
    return link


def first_club_is_open(database: Database, local: bool) -> bool:
    """Whether someone on this machine may start the first club without a link."""
    if not local:
        return False
    with database.signing_in(store.IS_THERE_A_CLUB) as connection:
        return not store.own_club_exists(connection)


@dataclass(frozen=True)
class Door:
    """What lets a new club in: a one-time link, or being the first one on this machine."""

    link: store.ClubLink | None
    named: str

    def pass_through(self, connection: Connection) -> None:
        """Use the door, once. Raises InvalidError, ForbiddenError where another was quicker."""
        if self.link is not None:
            if not store.use_club_link(connection, self.named):
                raise InvalidError(say("club.link_used_moment_ago"), "token")
            return
        store.lock_first_club(connection)
        if store.own_club_exists(connection):
            raise ForbiddenError(say("club.club_started_here_moment"))


def find_door(database: Database, token: str, local: bool) -> Door:
    """Raises InvalidError for a dead link, ForbiddenError where there is none and no club may be
    started without."""
    if token:
        return Door(find_link(database, token), _link_digest(token))
    if not first_club_is_open(database, local):
        raise ForbiddenError(say("club.club_exists_here_not"))
    return Door(None, store.IS_THERE_A_CLUB)


def _usual_equipment(connection: Connection, club_id: UUID) -> None:
    """A bar and plates, so that the first load can be worked out."""
    name, mass_kg, shaft_mm = USUAL_BAR
    bar = equipment.Bar(
        bar_id=uuid7(), name=name, mass_kg=mass_kg, shaft_mm=shaft_mm, collars_kg=0.0
    )
    equipment.save_bar(connection, club_id, bar)
    plates = [equipment.Plates(kg, pairs) for kg, pairs in USUAL_PLATES]
    equipment.set_plates(connection, club_id, plates)


def start_club(
    database: Database, accounts: Accounts, passwords: Passwords, new: NewClub, local: bool
) -> SignedIn:
    """Make the club and its owner and sign the owner in.

    Raises ForbiddenError where no link was given and the door is closed, InvalidError, RefusedError
    where the e-mail is taken.
    """
    door = find_door(database, new.token, local)
    hashed, club_id, coach_id = passwords.hash(new.password), uuid7(), uuid7()
    coach = store.Coach(
        club_id, coach_id, new.email.strip().lower(), new.name.strip(), "owner", hashed, "kg", "cm"
    )
    with database.founding(club_id, door.named) as connection:
        door.pass_through(connection)
        store.add_club(connection, club_id, new.club.strip())
        store.add_coach(connection, coach)
        if new.time_zone:
            store.set_time_zone(connection, club_id, new.time_zone)
        _usual_equipment(connection, club_id)
        store.add_audit(connection, club_id, uuid7(), coach_id, "start club", "")
    return accounts.open_session(club_id, coach_id)
