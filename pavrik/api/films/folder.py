"""The folder of films, and how a film comes as a body."""

from typing import Annotated, Any

from fastapi import Depends, Request

from pavrik.services.watch.films import Films


async def get_films(request: Request) -> Films:
    """The folder of waiting films."""
    films: Films = request.app.state.films
    return films


FilmsIn = Annotated[Films, Depends(get_films)]
FILM_BODY: dict[str, Any] = {
    "requestBody": {
        "required": True,
        "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}},
    }
}
