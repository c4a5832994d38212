"""What a lifter sends by his own link, and what a coach says to it."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query, Request
from fastapi.concurrency import run_in_threadpool

from pavrik.api.films.folder import FILM_BODY, FilmsIn
from pavrik.api.plans.plan_routes import Token
from pavrik.api.security import DatabaseIn, KeyIn, WhoIn
from pavrik.formats.wire.afar import (
    SendSetRequest,
    SentAnswer,
    SentFilmFacts,
    SentRef,
    SentWordRequest,
)
from pavrik.services.afar import by_link, sent

router = APIRouter(prefix="/api", tags=["from afar"])


@router.post("/shared/{token}/sets", status_code=201)
def send_set(token: Token, body: SendSetRequest, database: DatabaseIn) -> SentRef:
    """A set that the lifter did on his own; it counts once a coach accepts it."""
    return by_link.send_set(database, token, body)


@router.put("/shared/{token}/films/{item_id}", openapi_extra=FILM_BODY)
async def send_film(
    token: Token, item_id: UUID, facts: Annotated[SentFilmFacts, Query()], request: Request,
    database: DatabaseIn, films: FilmsIn,
) -> SentRef:  # fmt: skip
    """A film of the lifter's, kept as long as he agreed to."""
    expected = await run_in_threadpool(by_link.expect_film, database, token, item_id, facts)
    await films.take(expected.link.club_id, item_id, request.stream(), by_link.MOST_FILM_BYTES)
    return await run_in_threadpool(by_link.keep_film, database, films, expected)


@router.delete("/shared/{token}/sent/{item_id}")
def take_back(token: Token, item_id: UUID, database: DatabaseIn, films: FilmsIn) -> SentRef:
    """Take back what was sent; a film is deleted at once."""
    return by_link.take_back(database, films, token, item_id)


@router.get("/lifters/{lifter_id}/sent")
def read_sent(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> list[SentAnswer]:
    """What a lifter sent and which films are kept of him, newest first."""
    return sent.list_sent(database, who, lifter_id)


@router.post("/lifters/{lifter_id}/sent/{item_id}/words", status_code=201)
def say(
    lifter_id: UUID, item_id: UUID, body: SentWordRequest, database: DatabaseIn, who: WhoIn,
    films: FilmsIn, key: KeyIn,
) -> SentRef:  # fmt: skip
    """Accept a set, decline a set or a film, delete a film."""
    return sent.say_word(database, who, films, key, lifter_id, item_id, body)
