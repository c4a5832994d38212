"""Films that ship with Pavrik: sets of invented lifters of the demo club, for whom no phone is at
hand."""

import shutil
from pathlib import Path
from uuid import UUID

from pydantic import TypeAdapter

import pavrik.film
from pavrik.errors import NotFoundError
from pavrik.formats.wire.watch import FilmRef
from pavrik.formats.wire.watch_requests import ReadyMadeFilm
from pavrik.services.context import Who
from pavrik.services.lifters.profile import get_profile
from pavrik.services.watch.films import SIMULATED, Films, check_sender
from pavrik.store.database import Database
from pavrik.words import say

HOME = Path(pavrik.film.__file__).parent / "ready_made"
MANIFEST = "films.json"


def every_film() -> list[ReadyMadeFilm]:
    """What ships."""
    return TypeAdapter(list[ReadyMadeFilm]).validate_json((HOME / MANIFEST).read_bytes())


def films_of(database: Database, who: Who, lifter_id: UUID) -> list[ReadyMadeFilm]:
    """Those that show a lifter. Raises NotFoundError."""
    with database.club(who.club_id) as connection:
        get_profile(connection, lifter_id)
    return [film for film in every_film() if film.lifter_id == lifter_id]


def lay_out(
    database: Database, who: Who, films: Films, lifter_id: UUID, film_id: UUID, name: str
) -> FilmRef:
    """Let a film of the lifter wait like one that the simulated phone made. Raises NotFoundError,
    ForbiddenError, InvalidError."""
    check_sender(database, who, lifter_id)
    own = [film.name for film in films_of(database, who, lifter_id)]
    if name not in own:
        there = ", ".join(own) or "none"
        raise NotFoundError(say("watch.no_film_called_shows", name=name, there=there))
    films.make_room(who.club_id)
    path = films.path(who.club_id, film_id)
    shutil.copyfile(HOME / f"{name}.webm", path)
    path.with_suffix(SIMULATED).touch()
    return FilmRef(film_id=film_id, size_bytes=path.stat().st_size)
