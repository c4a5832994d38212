"""Passwords: argon2 hashes, few at once, because each takes memory and a core on purpose."""

import secrets
from collections.abc import Iterator
from contextlib import contextmanager
from threading import BoundedSemaphore

from argon2 import PasswordHasher
from argon2.exceptions import InvalidHashError, VerificationError

from pavrik.errors import InvalidError, TooManyAttemptsError
from pavrik.words import say

AT_ONCE, WAITING = 2, 6
PATIENCE_S = 2.0
LEAST_LETTERS, MOST_LETTERS = 12, 200


class Passwords:
    """Hashes and checks; two at once, a few wait briefly, the rest are asked to come again."""

    def __init__(self, hasher: PasswordHasher) -> None:
        self._hasher = hasher
        self._door = BoundedSemaphore(AT_ONCE)
        self._queue = BoundedSemaphore(AT_ONCE + WAITING)
        self._nobody = hasher.hash(secrets.token_urlsafe(12))

    @contextmanager
    def _turn(self) -> Iterator[None]:
        busy = TooManyAttemptsError(say("club.many_signing_moment_wait"), 5)
        if not self._queue.acquire(blocking=False):
            raise busy
        try:
            if not self._door.acquire(timeout=PATIENCE_S):
                raise busy
            try:
                yield
            finally:
                self._door.release()
        finally:
            self._queue.release()

    def hash(self, password: str) -> str:
        """Raises InvalidError where it is too short, TooManyAttemptsError when too many ask."""
        if not LEAST_LETTERS <= len(password) <= MOST_LETTERS:
            raise InvalidError(
                say(
                    "club.password_characters_short_sentence",
                    least_letters=LEAST_LETTERS,
                    most_letters=MOST_LETTERS,
                ),
                "password",
            )
        with self._turn():
            return self._hasher.hash(password)

    def matches(self, password_hash: str | None, password: str) -> bool:
        """Whether they belong together; nobody's hash takes as long as somebody's."""
        with self._turn():
            try:
                return self._hasher.verify(password_hash or self._nobody, password)
            except (VerificationError, InvalidHashError):
                return False
