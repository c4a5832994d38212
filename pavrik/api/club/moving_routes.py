"""The whole club, out and in; the demo club away."""

from typing import Annotated

from fastapi import APIRouter, Query, Response

from pavrik.api.files import ArchiveIn, file_answer
from pavrik.api.films.folder import FilmsIn
from pavrik.api.local import LocalIn
from pavrik.api.security import COOKIE, DatabaseIn, WhoIn
from pavrik.formats.wire.lifters import Acknowledged
from pavrik.formats.wire.people import ArrivedAnswer
from pavrik.services.club import moving
from pavrik.services.club.founding import find_door

router = APIRouter(prefix="/api", tags=["people"])
ARCHIVE = "application/zip"


@router.get(
    "/club/archive", response_class=Response,
    responses={200: {"content": {ARCHIVE: {}}}},
)  # fmt: skip
def take_club_out(database: DatabaseIn, who: WhoIn) -> Response:
    """The whole club as one archive, which another installation takes in fact for fact."""
    return file_answer(moving.take_out(database, who), ARCHIVE, "club.zip")


@router.post("/session/club-archive")
def bring_club_in(
    body: ArchiveIn, database: DatabaseIn, local: LocalIn,
    token: Annotated[str, Query(max_length=80)] = "",
    email: Annotated[str, Query(max_length=200)] = "",
) -> ArrivedAnswer:  # fmt: skip
    """Begin with a club from elsewhere: by a one-time link, or as the first one on this machine.
    Its owner then chooses a password."""
    arrived = moving.bring_in(database, body, email, find_door(database, token, local))
    return ArrivedAnswer(
        club=arrived.club, owner_email=arrived.owner_email, path=f"/join/{arrived.token}",
        facts=arrived.facts,
    )  # fmt: skip


@router.delete("/club/demo")
def remove_demo(
    response: Response, database: DatabaseIn, who: WhoIn, films: FilmsIn
) -> Acknowledged:
    """Take the demo club away, with everything in it."""
    moving.remove_demo(database, who)
    films.forget_club(who.club_id)
    response.delete_cookie(COOKIE, path="/")
    return Acknowledged()
