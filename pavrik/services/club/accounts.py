"""Signing in and out. Passwords are argon2 hashes; a browser holds a random token, the database
its digest."""

import hashlib
import secrets
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from uuid import UUID

from pavrik.errors import TooManyAttemptsError, WrongSignInError
from pavrik.services.club.passwords import Passwords
from pavrik.services.context import Who
from pavrik.store import accounts as store
from pavrik.store.asking import Asking
from pavrik.store.database import Database
from pavrik.words import say

SESSION_DAYS = 14
WINDOW_MINUTES = 15
MOST_ATTEMPTS = 10
_WRONG = say("club.e_mail_password_do")


@dataclass(frozen=True)
class SignedIn:
    """A fresh session: the token goes into the cookie, the CSRF token to the page."""

    token: str
    csrf_token: str


class Account(store.SessionAccount):
    """The signed-in coach and club, as the page shows them."""

    @property
    def who(self) -> Who:
        return Who(self.club_id, self.coach_id, self.role)


async def find_account(asking: Asking, token: str) -> Account | None:
    """Whose session a token is; None when it is unknown or over."""
    found = await store.find_account(asking, digest(token))
    return None if found is None else Account(**vars(found))


def digest(text: str) -> str:
    """What the database keeps of a secret."""
    return hashlib.sha256(text.encode()).hexdigest()


class Accounts:
    """Sign-in against one database."""

    def __init__(self, database: Database, passwords: Passwords) -> None:
        self._database = database
        self._passwords = passwords

    def _count_attempt(self, subject: str) -> None:
        named = digest(f"attempt:{subject}")
        with self._database.signing_in(named) as connection:
            attempts = store.count_attempts(connection, named, WINDOW_MINUTES)
        if attempts >= MOST_ATTEMPTS:
            raise TooManyAttemptsError(
                say(
                    "club.more_attempts_minutes_wait",
                    most_attempts=MOST_ATTEMPTS,
                    window_minutes=WINDOW_MINUTES,
                ),
                WINDOW_MINUTES * 60,
            )

    def sign_in(self, email: str, password: str) -> SignedIn:
        """Start a session. Raises WrongSignInError or TooManyAttemptsError."""
        email = email.strip().lower()
        self._count_attempt(email)
        with self._database.signing_in(email) as connection:
            coach = store.find_coach_by_email(connection, email)
        matches = self._passwords.matches(coach.password_hash if coach else None, password)
        if coach is None or not matches:
            raise WrongSignInError(_WRONG)
        named = digest(f"attempt:{email}")
        with self._database.signing_in(named) as connection:
            store.forget_attempts(connection, named)
        return self.open_session(coach.club_id, coach.coach_id)

    def enter_demo(self) -> SignedIn:
        """Start a session in the demo club, where it is loaded."""
        with self._database.signing_in("demo") as connection:
            coach = store.find_demo_owner(connection)
        if coach is None:
            raise WrongSignInError(say("club.demo_club_not_loaded"))
        return self.open_session(coach.club_id, coach.coach_id)

    def open_session(self, club_id: UUID, coach_id: UUID) -> SignedIn:
        """A fresh session of a coach."""
        signed_in = SignedIn(secrets.token_urlsafe(32), secrets.token_urlsafe(32))
        expires = datetime.now(UTC) + timedelta(days=SESSION_DAYS)
        session = store.Session(club_id, coach_id, signed_in.csrf_token, expires)
        with self._database.club(club_id) as connection:
            store.add_session(connection, digest(signed_in.token), session)
        return signed_in

    def demo_is_loaded(self) -> bool:
        """Whether there is a demo club to enter."""
        with self._database.signing_in("demo") as connection:
            return store.find_demo_owner(connection) is not None

    def sign_out(self, who: Who, token: str) -> None:
        """End a session."""
        with self._database.club(who.club_id) as connection:
            store.delete_session(connection, digest(token))

    def set_units(self, who: Who, mass_unit: str, length_unit: str) -> None:
        """Change what the coach reads numbers in; nothing stored changes."""
        with self._database.club(who.club_id) as connection:
            store.set_units(connection, who.coach_id, mass_unit, length_unit)
