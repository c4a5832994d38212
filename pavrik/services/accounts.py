"""Signing in and out. Passwords are argon2 hashes; a browser holds a random token, the database
its digest."""

import hashlib
import secrets
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from uuid import UUID

from argon2 import PasswordHasher
from argon2.exceptions import InvalidHashError, VerificationError

from pavrik.services.context import TooManyAttemptsError, Who, WrongSignInError
from pavrik.store import accounts as store
from pavrik.store.database import Database

SESSION_DAYS = 14
WINDOW_MINUTES = 15
MOST_ATTEMPTS = 10
_WRONG = "e-mail and password do not match: check both, or ask the club's owner"


@dataclass(frozen=True)
class SignedIn:
    """A fresh session: the token goes into the cookie, the CSRF token to the page."""

    token: str
    csrf_token: str


@dataclass(frozen=True)
class Account:
    """The signed-in coach and club, as the page shows them."""

    who: Who
    coach_name: str
    email: str
    club_name: str
    is_demo: bool
    mass_unit: str
    length_unit: str
    csrf_token: str


def _digest(text: str) -> str:
    return hashlib.sha256(text.encode()).hexdigest()


class Accounts:
    """Sign-in against one database; ``hasher`` carries argon2's cost."""

    def __init__(self, database: Database, hasher: PasswordHasher) -> None:
        self._database = database
        self._hasher = hasher
        self._nobody = hasher.hash(secrets.token_urlsafe(12))

    def _count_attempt(self, subject: str) -> None:
        digest = _digest(f"attempt:{subject}")
        with self._database.signing_in(digest) as connection:
            attempts = store.count_attempts(connection, digest, WINDOW_MINUTES)
        if attempts >= MOST_ATTEMPTS:
            raise TooManyAttemptsError(
                f"more than {MOST_ATTEMPTS} attempts in {WINDOW_MINUTES} minutes: wait "
                f"{WINDOW_MINUTES} minutes and try again"
            )

    def _matches(self, password_hash: str, password: str) -> bool:
        try:
            return self._hasher.verify(password_hash, password)
        except (VerificationError, InvalidHashError):
            return False

    def sign_in(self, email: str, password: str) -> SignedIn:
        """Start a session. Raises WrongSignInError or TooManyAttemptsError."""
        email = email.strip().lower()
        self._count_attempt(email)
        with self._database.signing_in(email) as connection:
            coach = store.find_coach_by_email(connection, email)
        matches = self._matches(coach.password_hash if coach else self._nobody, password)
        if coach is None or not matches:
            raise WrongSignInError(_WRONG)
        digest = _digest(f"attempt:{email}")
        with self._database.signing_in(digest) as connection:
            store.forget_attempts(connection, digest)
        return self._start(coach.club_id, coach.coach_id)

    def enter_demo(self) -> SignedIn:
        """Start a session in the demo club, where it is loaded."""
        with self._database.signing_in("demo") as connection:
            coach = store.find_demo_owner(connection)
        if coach is None:
            raise WrongSignInError("the demo club is not loaded here: sign in with your own")
        return self._start(coach.club_id, coach.coach_id)

    def _start(self, club_id: UUID, coach_id: UUID) -> SignedIn:
        signed_in = SignedIn(secrets.token_urlsafe(32), secrets.token_urlsafe(32))
        expires = datetime.now(UTC) + timedelta(days=SESSION_DAYS)
        session = store.Session(club_id, coach_id, signed_in.csrf_token, expires)
        with self._database.club(club_id) as connection:
            store.add_session(connection, _digest(signed_in.token), session)
        return signed_in

    def account(self, token: str) -> Account | None:
        """Whose session a token is; None when it is unknown or over."""
        digest = _digest(token)
        with self._database.signing_in(digest) as connection:
            session = store.find_session(connection, digest)
        if session is None:
            return None
        with self._database.club(session.club_id) as connection:
            coach = store.get_coach(connection, session.coach_id)
            club_name, is_demo = store.get_club(connection, session.club_id)
        if coach is None:
            return None
        return Account(
            Who(coach.club_id, coach.coach_id, coach.role),
            coach.name,
            coach.email,
            club_name,
            is_demo,
            coach.mass_unit,
            coach.length_unit,
            session.csrf_token,
        )

    def sign_out(self, who: Who, token: str) -> None:
        """End a session."""
        with self._database.club(who.club_id) as connection:
            store.delete_session(connection, _digest(token))

    def set_units(self, who: Who, mass_unit: str, length_unit: str) -> None:
        """Change what the coach reads numbers in; nothing stored changes."""
        with self._database.club(who.club_id) as connection:
            store.set_units(connection, who.coach_id, mass_unit, length_unit)
