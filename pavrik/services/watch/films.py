"""Films that wait to be tracked: one file each in a folder of their club, gone when the job ends,
and swept after an hour in any case. No film enters the database."""

import hashlib
import time
from collections.abc import AsyncIterator
from contextlib import suppress
from pathlib import Path
from uuid import UUID

from pavrik.errors import InvalidError, NotFoundError
from pavrik.services.context import Who
from pavrik.services.lifters.profile import get_profile
from pavrik.store.database import Database

MOST_BYTES = 200_000_000
MOST_WAITING = 6
KEPT_S = 3600
_WAITING = ".webm"
SIMULATED = ".simulated"
"""A mark beside a film that the simulated phone made."""


class Films:
    """The folder of waiting films. Files are named by the film's id, without any name of a person,
    and read by the server alone."""

    def __init__(self, folder: Path) -> None:
        self._folder = folder

    def path(self, who: Who, film_id: UUID) -> Path:
        """Where a club's film lies or will lie."""
        home = self._folder / str(who.club_id)
        home.mkdir(mode=0o700, parents=True, exist_ok=True)
        return home / f"{film_id}{_WAITING}"

    def waiting(self, who: Who, film_id: UUID) -> Path:
        """A film that is here. Raises NotFoundError."""
        path = self.path(who, film_id)
        if not path.is_file():
            raise NotFoundError(
                "this film is not here any more: films are deleted when they were tracked, or "
                "after an hour; send it again"
            )
        return path

    def make_room(self, who: Who) -> None:
        """Sweep what was forgotten. Raises InvalidError where too many films wait already."""
        oldest = time.time() - KEPT_S
        waiting = 0
        for path in self.path(who, who.club_id).parent.iterdir():
            with suppress(FileNotFoundError):
                if path.stat().st_mtime < oldest:
                    path.unlink(missing_ok=True)
                elif path.suffix == _WAITING:
                    waiting += 1
        if waiting >= MOST_WAITING:
            raise InvalidError(
                f"{waiting} films of your club wait to be tracked, at most {MOST_WAITING} are "
                "kept: finish or drop one first"
            )

    async def take(self, who: Who, film_id: UUID, chunks: AsyncIterator[bytes]) -> int:
        """Write a film as it comes; its size in bytes. Raises InvalidError for one too large or
        empty; nothing is left of it then."""
        self.make_room(who)
        path, size = self.path(who, film_id), 0
        try:
            with path.open("wb") as file:
                async for chunk in chunks:
                    size += len(chunk)
                    if size > MOST_BYTES:
                        raise InvalidError(
                            f"the film is larger than the {MOST_BYTES / 1e6:g} MB taken here: cut "
                            "it to the set, or film in 1080p"
                        )
                    file.write(chunk)
            if size == 0:
                raise InvalidError("the film is empty: choose another file")
        except BaseException:
            path.unlink(missing_ok=True)
            raise
        return size

    def drop(self, who: Who, film_id: UUID) -> None:
        """Delete a film."""
        path = self.path(who, film_id)
        path.unlink(missing_ok=True)
        path.with_suffix(SIMULATED).unlink(missing_ok=True)


def check_sender(database: Database, who: Who, lifter_id: UUID) -> None:
    """Raises ForbiddenError for who may not write, NotFoundError for a lifter of nobody's club."""
    who.must_write()
    with database.club(who.club_id) as connection:
        get_profile(connection, lifter_id)


def digest_of_film(path: Path) -> str:
    """SHA-256 of a file."""
    with path.open("rb") as file:
        return hashlib.file_digest(file, "sha256").hexdigest()
