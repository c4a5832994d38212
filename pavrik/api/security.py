"""Who is asking: the session cookie, the CSRF token, the role.

What only hands something over is asynchronous: it waits for nothing, and needs no thread."""

from typing import Annotated
from uuid import UUID

from fastapi import Cookie, Depends, Header, HTTPException, Request

from pavrik.services.club.accounts import Account, Accounts, find_account
from pavrik.services.club.mail import Mail
from pavrik.services.club.passwords import Passwords
from pavrik.services.context import Who
from pavrik.store.asking import Asking
from pavrik.store.database import Database
from pavrik.words import say

COOKIE = "pavrik_session"
READING = frozenset({"GET", "HEAD", "OPTIONS"})


async def get_database(request: Request) -> Database:
    """The application's database."""
    database: Database = request.app.state.database
    return database


async def get_asking(request: Request) -> Asking:
    """The application's way to ask its database without a thread."""
    asking: Asking = request.app.state.asking
    return asking


async def get_accounts(request: Request) -> Accounts:
    """Sign-in against the application's database."""
    accounts: Accounts = request.app.state.accounts
    return accounts


async def get_passwords(request: Request) -> Passwords:
    """The application's one way to hash passwords."""
    passwords: Passwords = request.app.state.passwords
    return passwords


async def get_mail(request: Request) -> Mail:
    """The mail server that was named, if one was."""
    mail: Mail = request.app.state.mail
    return mail


def not_signed_in() -> HTTPException:
    """Nobody's session, or one that is over."""
    return HTTPException(401, say("api.sign_first"))


async def get_account(
    request: Request,
    asking: Annotated[Asking, Depends(get_asking)],
    token: Annotated[str | None, Cookie(alias=COOKIE, include_in_schema=False)] = None,
    csrf: Annotated[str | None, Header(alias="X-CSRF-Token")] = None,
) -> Account:
    """The signed-in account; a writing request must carry the session's CSRF token."""
    account = await find_account(asking, token) if token else None
    if account is None:
        raise not_signed_in()
    if request.method not in READING and csrf != account.csrf_token:
        raise HTTPException(403, say("api.csrf_token_missing_old"))
    return account


async def get_who(account: Annotated[Account, Depends(get_account)]) -> Who:
    """The signed-in coach."""
    return account.who


DatabaseIn = Annotated[Database, Depends(get_database)]
AccountsIn = Annotated[Accounts, Depends(get_accounts)]
MailIn = Annotated[Mail, Depends(get_mail)]
PasswordsIn = Annotated[Passwords, Depends(get_passwords)]
AccountIn = Annotated[Account, Depends(get_account)]
WhoIn = Annotated[Who, Depends(get_who)]
KeyIn = Annotated[UUID, Header(alias="Idempotency-Key")]
