"""Questions that are asked again and again: who asks, and what stands, is looked up in one turn in
the event loop; only what does not stand takes a thread, and is computed there."""

from collections.abc import Callable
from typing import Annotated

from fastapi import Depends, Request, Response
from fastapi.concurrency import run_in_threadpool
from pydantic import BaseModel

from pavrik.api.security import COOKIE, not_signed_in
from pavrik.services.club.accounts import digest
from pavrik.services.context import Who
from pavrik.services.kept import Question, standing_answer
from pavrik.services.questions import find_answer
from pavrik.store.database import Database

UntilThere = Callable[[Database, Who], BaseModel]
"""Answers in the meantime where a question has no answer yet."""


class Answers:
    """Those that the coach who asks may have."""

    def __init__(self, request: Request) -> None:
        self._token = request.cookies.get(COOKIE, "")
        self._state = request.app.state

    async def to(self, question: Question, until_there: UntilThere | None = None) -> Response:
        """Raises what computing the answer raises."""
        asking, token = self._state.asking, self._token
        found = await standing_answer(asking, digest(token), question) if token else None
        if found is None:
            raise not_signed_in()
        who, told = found
        if told is None:
            told = await run_in_threadpool(self._computed, who, question, until_there)
        return Response(told, media_type="application/json")

    def _computed(self, who: Who, question: Question, until_there: UntilThere | None) -> str:
        told = find_answer(self._state.database, who, question)
        if told is not None:
            return told
        assert until_there is not None
        return until_there(self._state.database, who).model_dump_json()


async def get_answers(request: Request) -> Answers:
    """Of one request."""
    return Answers(request)


AnswersIn = Annotated[Answers, Depends(get_answers)]
