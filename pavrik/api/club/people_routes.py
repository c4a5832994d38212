"""People of the club, links that let them in, one's own account, the audit trail."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Cookie, Request, Response

from pavrik.api.club.sign_in_routes import set_session_cookie
from pavrik.api.files import address_of, qr_of
from pavrik.api.security import (
    COOKIE,
    AccountIn,
    AccountsIn,
    DatabaseIn,
    KeyIn,
    MailIn,
    PasswordsIn,
    WhoIn,
)
from pavrik.formats.wire.lifters import Acknowledged
from pavrik.formats.wire.people import (
    DeedOut,
    InviteRequest,
    JoinAnswer,
    JoinRequest,
    LinkRef,
    NameRequest,
    NewLink,
    OwnAccountAnswer,
    PasswordLinkRequest,
    PasswordRequest,
    PeopleAnswer,
    PersonRef,
    RoleRequest,
)
from pavrik.services.club import people
from pavrik.services.club.mail import Mail
from pavrik.store.database import Database

router = APIRouter(prefix="/api", tags=["people"])
TokenIn = Annotated[str, Cookie(alias=COOKIE, include_in_schema=False)]


def _link(
    request: Request, database: Database, mail: Mail, link_id: UUID, token: str
) -> NewLink:  # fmt: skip
    path = f"/join/{token}"
    link = NewLink(link_id=link_id, path=path, qr_svg=qr_of(request, path), days=people.LINK_DAYS)
    if not mail.is_set:
        return link
    opens = people.what_opens(database, token)
    why_not = people.send_link(mail, opens, address_of(request, path))
    return link.model_copy(
        update={"not_mailed": why_not, "mailed_to": "" if why_not else opens.email}
    )


@router.get("/people")
def read_people(database: DatabaseIn, who: WhoIn, mail: MailIn) -> PeopleAnswer:
    """Everybody of the club, and the links that are open."""
    found = people.list_people(database, who)
    return found.model_copy(update={"by_mail": mail.is_set})


@router.post("/people/invitations", status_code=201)
def invite(
    body: InviteRequest, request: Request, database: DatabaseIn, who: WhoIn, key: KeyIn,
    mail: MailIn,
) -> NewLink:  # fmt: skip
    """Invite somebody; the link is shown now and never again."""
    token = people.invite(database, who, key, body.link_id, body.email, body.role)
    return _link(request, database, mail, body.link_id, token)


@router.post("/people/links/{link_id}/closing")
def close_link(link_id: UUID, database: DatabaseIn, who: WhoIn, key: KeyIn) -> LinkRef:
    """Close a link that was not used."""
    return people.close_link(database, who, key, link_id)


@router.post("/people/{coach_id}/password-link", status_code=201)
def make_password_link(
    coach_id: UUID, body: PasswordLinkRequest, request: Request, database: DatabaseIn,
    who: WhoIn, key: KeyIn, mail: MailIn,
) -> NewLink:  # fmt: skip
    """A link with which somebody who forgot the password chooses another."""
    token = people.password_link(database, who, key, body.link_id, coach_id)
    return _link(request, database, mail, body.link_id, token)


@router.post("/people/{coach_id}/role")
def set_role(
    coach_id: UUID, body: RoleRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> PersonRef:
    """Give somebody another role."""
    return people.set_role(database, who, key, coach_id, body.role)


@router.post("/people/{coach_id}/leaving")
def take_out(coach_id: UUID, database: DatabaseIn, who: WhoIn, key: KeyIn) -> PersonRef:
    """Take somebody out of the club; what was recorded stays."""
    return people.take_out(database, who, key, coach_id)


@router.get("/audit")
def read_audit(database: DatabaseIn, who: WhoIn) -> list[DeedOut]:
    """Who did what, newest first, for owners."""
    return people.deeds(database, who)


@router.get("/session/join/{token}")
def read_join(token: str, database: DatabaseIn) -> JoinAnswer:
    """What a link opens."""
    return people.what_opens(database, token)


@router.post("/session/join")
def join(
    body: JoinRequest, request: Request, response: Response, database: DatabaseIn,
    accounts: AccountsIn, passwords: PasswordsIn,
) -> Acknowledged:  # fmt: skip
    """Use a link and sign in."""
    set_session_cookie(request, response, people.join(database, accounts, passwords, body))
    return Acknowledged()


@router.get("/session/account")
def read_account(database: DatabaseIn, who: WhoIn, token: TokenIn = "") -> OwnAccountAnswer:
    """One's own account and signed-in browsers."""
    return people.own_account(database, who, token)


@router.put("/session/account/name")
def rename(body: NameRequest, database: DatabaseIn, who: WhoIn) -> Acknowledged:
    """Be called otherwise."""
    people.rename(database, who, body.name)
    return Acknowledged()


@router.put("/session/account/password")
def change_password(
    body: PasswordRequest, database: DatabaseIn, passwords: PasswordsIn, account: AccountIn,
    token: TokenIn = "",
) -> Acknowledged:  # fmt: skip
    """Change one's password; other browsers are signed out."""
    people.change_password(database, passwords, account.who, token, body.old, body.new)
    return Acknowledged()


@router.delete("/session/account/browsers/{session_id}")
def end_browser(session_id: str, database: DatabaseIn, who: WhoIn) -> Acknowledged:
    """Sign one of one's own browsers out."""
    people.end_browser(database, who, session_id)
    return Acknowledged()
