"""People of a club: invited, given roles, gone; one's own account. An owner always remains."""

import secrets
from collections.abc import Callable
from datetime import UTC, datetime
from uuid import UUID

from uuid6 import uuid7

from pavrik.errors import ForbiddenError, InvalidError, NotFoundError, RefusedError
from pavrik.formats.letters import link_letter
from pavrik.formats.wire.people import (
    BrowserOut,
    DeedOut,
    JoinAnswer,
    JoinRequest,
    LinkRef,
    OpenLink,
    OwnAccountAnswer,
    PeopleAnswer,
    PersonOut,
    PersonRef,
)
from pavrik.services.club.accounts import Accounts, SignedIn, digest
from pavrik.services.club.mail import Mail
from pavrik.services.club.passwords import Passwords
from pavrik.services.context import Who
from pavrik.services.writes import write_once
from pavrik.store import accounts as account_store
from pavrik.store import people as store
from pavrik.store.database import Connection, Database
from pavrik.words import say

LINK_DAYS = 7
MOST_DEEDS = 200


def _owner(who: Who) -> None:
    if who.role != "owner":
        raise ForbiddenError(say("club.only_owner_manages_people"))


def _link_digest(token: str) -> str:
    return digest(f"person:{token}")


def list_people(database: Database, who: Who) -> PeopleAnswer:
    """Everybody; open links for owners."""
    owns = who.role == "owner"
    with database.club(who.club_id) as connection:
        people = store.list_people(connection)
        links = store.list_links(connection) if owns else []
    return PeopleAnswer(
        people=[
            PersonOut(
                **{k: v for k, v in vars(p).items() if k != "created_at"},
                you=p.coach_id == who.coach_id,
            )
            for p in people
        ],
        links=[OpenLink.model_validate(link, from_attributes=True) for link in links],
        may_manage=owns,
    )


def invite(database: Database, who: Who, key: UUID, link_id: UUID, email: str, role: str) -> str:
    """The token of a fresh invitation, shown once. Raises ForbiddenError, RefusedError."""
    _owner(who)
    email = email.strip().lower()

    def check(connection: Connection) -> None:
        if any(p.email == email and p.left_at is None for p in store.list_people(connection)):
            raise RefusedError(say("club.club_already", email=email), "email")

    link = store.CoachLink(link_id, who.club_id, "invitation", email, role, None, datetime.now(UTC))
    return _make_link(database, who, key, link, check)


def password_link(database: Database, who: Who, key: UUID, link_id: UUID, coach_id: UUID) -> str:
    """The token of a fresh link with which somebody chooses a password anew. Raises
    ForbiddenError, NotFoundError."""
    _owner(who)
    with database.club(who.club_id) as connection:
        person = _person(connection, coach_id)
    link = store.CoachLink(
        link_id, who.club_id, "password", person.email, person.role, coach_id, datetime.now(UTC)
    )
    return _make_link(database, who, key, link, lambda connection: _person(connection, coach_id))


def _make_link(
    database: Database,
    who: Who,
    key: UUID,
    link: store.CoachLink,
    check: Callable[[Connection], object],
) -> str:
    token = secrets.token_urlsafe(24)
    made = False

    def action(connection: Connection) -> LinkRef:
        nonlocal made
        check(connection)
        store.add_link(connection, _link_digest(token), link, LINK_DAYS, who.coach_id)
        made = True
        return LinkRef(link_id=link.link_id)

    request = {"link": str(link.link_id), "email": link.email, "role": link.role}
    write_once(database, who, key, f"make {link.kind} link", request, LinkRef, action)
    if not made:
        raise InvalidError(say("club.link_already_made_shown"), "link_id")
    return token


def send_link(mail: Mail, opens: JoinAnswer, address: str) -> str:
    """Send a fresh link to whom it is for; why it could not be, or nothing."""
    if not address:
        return say("club.server_does_not_know")
    return mail.send(link_letter(opens, address, LINK_DAYS))


def reset_link(database: Database, email: str) -> str:
    """The token of a fresh password link for whoever signs in with an e-mail: for the operator of
    the server. Raises NotFoundError."""
    email = email.strip().lower()
    with database.signing_in(email) as connection:
        coach = account_store.find_coach_by_email(connection, email)
    if coach is None:
        raise NotFoundError(say("club.nobody_signs_check_address", email=email))
    token = secrets.token_urlsafe(24)
    link = store.CoachLink(
        uuid7(), coach.club_id, "password", email, coach.role, coach.coach_id, datetime.now(UTC)
    )
    with database.club(coach.club_id) as connection:
        store.add_link(connection, _link_digest(token), link, LINK_DAYS, None)
        account_store.add_audit(
            connection, coach.club_id, uuid7(), None, say("club.password_link_operator"),
            str(coach.coach_id),
        )  # fmt: skip
    return token


def close_link(database: Database, who: Who, key: UUID, link_id: UUID) -> LinkRef:
    """Close a link that was not used. Raises ForbiddenError, NotFoundError."""
    _owner(who)

    def action(connection: Connection) -> LinkRef:
        if not store.close_link(connection, link_id):
            raise NotFoundError(say("club.link_not_open_your"))
        return LinkRef(link_id=link_id)

    return write_once(
        database, who, key, "close link to club", {"link": str(link_id)}, LinkRef, action
    )


def _person(connection: Connection, coach_id: UUID) -> store.Person:
    found = next((p for p in store.list_people(connection) if p.coach_id == coach_id), None)
    if found is None or found.left_at is not None:
        raise NotFoundError(say("club.person_not_your_club"))
    return found


def _owner_remains(connection: Connection, but: UUID) -> None:
    """Raises RefusedError where nobody else owns the club."""
    others = [
        p for p in store.list_people(connection)
        if p.role == "owner" and p.left_at is None and p.coach_id != but
    ]  # fmt: skip
    if not others:
        raise RefusedError(say("club.club_keeps_least_owner"))


def set_role(database: Database, who: Who, key: UUID, coach_id: UUID, role: str) -> PersonRef:
    """Give somebody another role. Raises ForbiddenError, NotFoundError, RefusedError."""
    _owner(who)

    def action(connection: Connection) -> PersonRef:
        store.lock_people(connection)
        if _person(connection, coach_id).role == "owner" and role != "owner":
            _owner_remains(connection, coach_id)
        store.set_role(connection, coach_id, role)
        return PersonRef(coach_id=coach_id)

    request = {"coach": str(coach_id), "role": role}
    return write_once(
        database,
        who,
        key,
        f"role {role}",
        request,
        PersonRef,
        action,
        subject=str(coach_id),
    )


def take_out(database: Database, who: Who, key: UUID, coach_id: UUID) -> PersonRef:
    """Somebody leaves the club and is signed out; what was recorded stays under the name. Raises
    ForbiddenError, NotFoundError, RefusedError."""
    _owner(who)

    def action(connection: Connection) -> PersonRef:
        store.lock_people(connection)
        if _person(connection, coach_id).role == "owner":
            _owner_remains(connection, coach_id)
        store.leave(connection, coach_id)
        return PersonRef(coach_id=coach_id)

    return write_once(
        database, who, key, "take out of club", {"coach": str(coach_id)}, PersonRef, action,
        subject=str(coach_id),
    )  # fmt: skip


def what_opens(database: Database, token: str) -> JoinAnswer:
    """What a link opens. Raises InvalidError where it is over, used, closed or unknown."""
    link = _find(database, token)
    with database.club(link.club_id) as connection:
        club, _ = account_store.get_club(connection, link.club_id)
    return JoinAnswer(club=club, kind=link.kind, email=link.email, role=link.role)


def _find(database: Database, token: str) -> store.CoachLink:
    named = _link_digest(token)
    with database.signing_in(named) as connection:
        link = store.find_link(connection, named)
    if link is None:
        raise InvalidError(
            say("club.link_used_closed_over"),
            "token",
        )
    return link


def join(
    database: Database, accounts: Accounts, passwords: Passwords, request: JoinRequest
) -> SignedIn:
    """Use a link once and sign in. Raises InvalidError, RefusedError where the e-mail signs in
    elsewhere."""
    link = _find(database, request.token)
    name = request.name.strip()
    if link.kind == "invitation" and not name:
        raise InvalidError(say("club.say_your_name_stands"), "name")
    hashed = passwords.hash(request.password)
    with database.club(link.club_id) as connection:
        if not store.use_link(connection, link.link_id):
            raise InvalidError(say("club.link_used_moment_ago"), "token")
        if link.coach_id is None:
            coach_id, deed = _let_in(connection, link, name, hashed), "join club"
        else:
            coach_id, deed = link.coach_id, "choose password"
            if not store.set_password(connection, coach_id, hashed):
                raise NotFoundError(say("club.person_not_club_any"))
        account_store.add_audit(connection, link.club_id, uuid7(), coach_id, deed, "")
    return accounts.open_session(link.club_id, coach_id)


def _let_in(connection: Connection, link: store.CoachLink, name: str, hashed: str) -> UUID:
    """Somebody new, or who left once and comes back to what was recorded; the coach's id."""
    before = next((p for p in store.list_people(connection) if p.email == link.email), None)
    if before is not None and before.left_at is not None:
        store.bring_back(connection, before.coach_id, name, link.role, hashed)
        return before.coach_id
    coach = account_store.Coach(
        link.club_id, uuid7(), link.email, name, link.role, hashed, "kg", "cm"
    )
    account_store.add_coach(connection, coach)
    return coach.coach_id


def _shown_id(token_digest: str) -> str:
    """What names a browser to its owner: not the digest that opens it."""
    return digest(f"browser:{token_digest}")[:16]


def own_account(database: Database, who: Who, token: str) -> OwnAccountAnswer:
    """One's own account with its signed-in browsers."""
    here = digest(token)
    with database.club(who.club_id) as connection:
        me = _person(connection, who.coach_id)
        browsers = store.list_browsers(connection, who.coach_id)
    return OwnAccountAnswer(
        name=me.name,
        email=me.email,
        role=me.role,
        browsers=[
            BrowserOut(
                session_id=_shown_id(b.token_digest), since=b.created_at, until=b.expires_at,
                here=b.token_digest == here,
            )
            for b in browsers
        ],
    )  # fmt: skip


def rename(database: Database, who: Who, name: str) -> None:
    """Be called otherwise."""
    with database.club(who.club_id) as connection:
        store.set_name(connection, who.coach_id, name.strip())
        account_store.add_audit(connection, who.club_id, uuid7(), who.coach_id, "rename self", "")


def change_password(
    database: Database, passwords: Passwords, who: Who, token: str, old: str, new: str
) -> None:
    """Change one's own password; every other browser is signed out. Raises InvalidError."""
    with database.club(who.club_id) as connection:
        coach = account_store.get_coach(connection, who.coach_id)
    if coach is None or not passwords.matches(coach.password_hash, old):
        raise InvalidError(say("club.not_your_password_today"), "old")
    hashed = passwords.hash(new)
    with database.club(who.club_id) as connection:
        store.set_password(connection, who.coach_id, hashed, digest(token))
        account_store.add_audit(
            connection, who.club_id, uuid7(), who.coach_id, "change password", ""
        )


def end_browser(database: Database, who: Who, session_id: str) -> None:
    """Sign one of one's own browsers out. Raises NotFoundError."""
    with database.club(who.club_id) as connection:
        for browser in store.list_browsers(connection, who.coach_id):
            if _shown_id(browser.token_digest) == session_id:
                account_store.delete_session(connection, browser.token_digest)
                return
    raise NotFoundError(say("club.browser_signed_out_already"))


def deeds(database: Database, who: Who) -> list[DeedOut]:
    """The newest lines of the audit trail. Raises ForbiddenError."""
    _owner(who)
    with database.club(who.club_id) as connection:
        return [DeedOut(**vars(deed)) for deed in store.list_deeds(connection, MOST_DEEDS)]
