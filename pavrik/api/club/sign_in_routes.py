"""Signing in and out, units, health."""

from typing import Annotated

from fastapi import APIRouter, Cookie, Request, Response

from pavrik.api.local import LocalIn
from pavrik.api.security import COOKIE, AccountIn, AccountsIn, DatabaseIn, PasswordsIn
from pavrik.errors import ForbiddenError
from pavrik.formats.wire.lifters import (
    Acknowledged,
    ClubLinkAnswer,
    DoorsAnswer,
    NewClubRequest,
    SessionAnswer,
    SignInRequest,
    UnitsRequest,
)
from pavrik.services.club import founding
from pavrik.services.club.accounts import SESSION_DAYS, Account, SignedIn
from pavrik.words import say

router = APIRouter(prefix="/api/session", tags=["session"])


def _answer(account: Account) -> SessionAnswer:
    return SessionAnswer(
        coach=account.coach_name,
        role=account.who.role,
        club=account.club_name,
        is_demo=account.is_demo,
        mass_unit=account.mass_unit,
        length_unit=account.length_unit,
        csrf_token=account.csrf_token,
    )


def set_session_cookie(request: Request, response: Response, signed_in: SignedIn) -> None:
    """Let the browser keep a fresh session."""
    response.set_cookie(
        COOKIE,
        signed_in.token,
        max_age=SESSION_DAYS * 86400,
        httponly=True,
        samesite="strict",
        secure=request.app.state.settings.secure_cookies,
        path="/",
    )


@router.post("")
def sign_in(
    body: SignInRequest, request: Request, response: Response, accounts: AccountsIn
) -> Acknowledged:
    """Sign in with e-mail and password."""
    set_session_cookie(request, response, accounts.sign_in(body.email, body.password))
    return Acknowledged()


@router.get("/doors")
def doors(database: DatabaseIn, accounts: AccountsIn, local: LocalIn) -> DoorsAnswer:
    """Which doors the sign-in page has."""
    return DoorsAnswer(
        own_club=founding.first_club_is_open(database, local),
        demo=local and accounts.demo_is_loaded(),
    )


@router.get("/club-link/{token}")
def read_club_link(token: str, database: DatabaseIn) -> ClubLinkAnswer:
    """What a one-time link opens."""
    link = founding.find_link(database, token)
    return ClubLinkAnswer(club=link.club_name, email=link.owner_email)


@router.post("/club")
def start_club(
    body: NewClubRequest, request: Request, response: Response, database: DatabaseIn,
    accounts: AccountsIn, passwords: PasswordsIn, local: LocalIn,
) -> Acknowledged:  # fmt: skip
    """Start a club of one's own and sign its owner in."""
    new = founding.NewClub(**body.model_dump())
    set_session_cookie(
        request, response, founding.start_club(database, accounts, passwords, new, local)
    )
    return Acknowledged()


@router.post("/demo")
def enter_demo(
    request: Request, response: Response, accounts: AccountsIn, local: LocalIn
) -> Acknowledged:
    """Enter the demo club, where it is loaded, from the machine that Pavrik runs on."""
    if not local:
        raise ForbiddenError(say("club.demo_club_entered_machine"))
    set_session_cookie(request, response, accounts.enter_demo())
    return Acknowledged()


@router.get("")
def current_session(account: AccountIn) -> SessionAnswer:
    """Who is signed in."""
    return _answer(account)


@router.put("/units")
def set_units(body: UnitsRequest, account: AccountIn, accounts: AccountsIn) -> Acknowledged:
    """Change what the coach reads numbers in."""
    accounts.set_units(account.who, body.mass_unit, body.length_unit)
    return Acknowledged()


@router.delete("")
def sign_out(
    response: Response,
    account: AccountIn,
    accounts: AccountsIn,
    token: Annotated[str, Cookie(alias=COOKIE, include_in_schema=False)] = "",
) -> Acknowledged:
    """Sign out this browser."""
    accounts.sign_out(account.who, token)
    response.delete_cookie(COOKIE, path="/")
    return Acknowledged()
