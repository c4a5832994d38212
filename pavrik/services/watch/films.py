"""Films that wait to be tracked, and films that a lifter agreed are kept: one file each in a folder
of their club, gone when the job or their time ends. No film enters the database."""

import hashlib
import os
import shutil
import time
from collections.abc import AsyncIterator
from contextlib import suppress
from datetime import datetime
from pathlib import Path
from uuid import UUID

from pavrik.errors import InvalidError, NotFoundError
from pavrik.services.context import Who
from pavrik.services.lifters.profile import get_profile
from pavrik.store.database import Database
from pavrik.words import say

MOST_BYTES = 200_000_000
MOST_WAITING = 6
MOST_KEPT = 60
KEPT_S = 3600
SWEEP_S = 1800
_WAITING = ".webm"
_KEPT = ".kept"
SIMULATED = ".simulated"
"""A mark beside a film that the simulated phone made."""


class Films:
    """The folder of films, by club. Files are named by the film's id, without any name of a person,
    and read by the server alone. A film that waits to be tracked goes after an hour; one that is
    kept carries the end of its time as its time of change, so that nobody must be asked when it
    goes."""

    def __init__(self, folder: Path) -> None:
        self._folder = folder

    def _home(self, club_id: UUID) -> Path:
        home = self._folder / str(club_id)
        home.mkdir(mode=0o700, parents=True, exist_ok=True)
        return home

    def path(self, club_id: UUID, film_id: UUID) -> Path:
        """Where a film that waits lies or will lie."""
        return self._home(club_id) / f"{film_id}{_WAITING}"

    def _kept_path(self, club_id: UUID, film_id: UUID) -> Path:
        return self._home(club_id) / f"{film_id}{_KEPT}"

    def find(self, club_id: UUID, film_id: UUID) -> Path:
        """A film that is here, waiting or kept. Raises NotFoundError."""
        waiting, kept = self.path(club_id, film_id), self._kept_path(club_id, film_id)
        if waiting.is_file():
            return waiting
        if kept.is_file() and kept.stat().st_mtime > time.time():
            return kept
        raise NotFoundError(say("watch.film_not_here_any"))

    def make_room(self, club_id: UUID) -> None:
        """Sweep what was forgotten. Raises InvalidError where too many films are here already."""
        self._sweep(self._home(club_id))
        here = [path.suffix for path in self._home(club_id).iterdir()]
        if here.count(_WAITING) >= MOST_WAITING:
            raise InvalidError(
                say(
                    "watch.films_your_club_wait",
                    count=here.count(_WAITING),
                    most_waiting=MOST_WAITING,
                )
            )
        if here.count(_KEPT) >= MOST_KEPT:
            raise InvalidError(
                say("watch.films_club_kept_most", count=here.count(_KEPT), most_kept=MOST_KEPT)
            )

    def sweep(self) -> None:
        """Delete every film of every club whose time is over."""
        if self._folder.is_dir():
            for home in self._folder.iterdir():
                self._sweep(home)

    @staticmethod
    def _sweep(home: Path) -> None:
        now = time.time()
        for path in home.iterdir():
            over = now if path.suffix == _KEPT else now - KEPT_S
            with suppress(FileNotFoundError):
                if path.stat().st_mtime < over:
                    path.unlink(missing_ok=True)

    async def take(
        self, club_id: UUID, film_id: UUID, chunks: AsyncIterator[bytes],
        most_bytes: int | None = None,
    ) -> int:  # fmt: skip
        """Write a film as it comes; its size in bytes. Raises InvalidError for one too large or
        empty; nothing is left of it then."""
        self.make_room(club_id)
        most_bytes = most_bytes or MOST_BYTES
        path, size = self.path(club_id, film_id), 0
        try:
            with path.open("wb") as file:
                async for chunk in chunks:
                    size += len(chunk)
                    if size > most_bytes:
                        raise InvalidError(
                            say("watch.film_larger_mb_taken", most_bytes=most_bytes / 1000000.0)
                        )
                    file.write(chunk)
            if size == 0:
                raise InvalidError(say("watch.film_empty_choose_another"))
        except BaseException:
            path.unlink(missing_ok=True)
            raise
        return size

    def keep(self, club_id: UUID, film_id: UUID, until: datetime) -> None:
        """Keep a film that waits until a time. Raises NotFoundError."""
        kept = self._kept_path(club_id, film_id)
        self.find(club_id, film_id).replace(kept)
        os.utime(kept, (until.timestamp(), until.timestamp()))
        self.path(club_id, film_id).with_suffix(SIMULATED).unlink(missing_ok=True)

    def drop(self, club_id: UUID, film_id: UUID) -> None:
        """Delete a film that waits; one that is kept stays."""
        path = self.path(club_id, film_id)
        path.unlink(missing_ok=True)
        path.with_suffix(SIMULATED).unlink(missing_ok=True)

    def forget(self, club_id: UUID, film_id: UUID) -> None:
        """Delete a film, kept or not."""
        self.drop(club_id, film_id)
        self._kept_path(club_id, film_id).unlink(missing_ok=True)

    def forget_club(self, club_id: UUID) -> None:
        """Delete every film of a club."""
        shutil.rmtree(self._folder / str(club_id), ignore_errors=True)


def check_sender(database: Database, who: Who, lifter_id: UUID) -> None:
    """Raises ForbiddenError for who may not write, NotFoundError for a lifter of nobody's club."""
    who.must_write()
    with database.club(who.club_id) as connection:
        get_profile(connection, lifter_id)


def digest_of_film(path: Path) -> str:
    """SHA-256 of a file."""
    with path.open("rb") as file:
        return hashlib.file_digest(file, "sha256").hexdigest()


def media_type_of(path: Path) -> str:
    """What kind of film a file is, by its first bytes: some browsers play only what is named
    rightly."""
    with path.open("rb") as file:
        head = file.read(12)
    if head[4:8] == b"ftyp":
        return "video/quicktime" if head[8:10] == b"qt" else "video/mp4"
    return "video/webm"
