"""Every error as problem+json (RFC 9457): what happened, what to do, which field."""

import logging
from collections.abc import Sequence
from typing import Any

import psycopg
from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from psycopg_pool import PoolTimeout
from pydantic import BaseModel, ValidationError
from starlette.exceptions import HTTPException

from pavrik.errors import (
    ForbiddenError,
    InvalidError,
    KeyReusedError,
    NotFoundError,
    PavrikError,
    RefusedError,
    TooManyAttemptsError,
    WrongSignInError,
)
from pavrik.formats.refusals import sentence
from pavrik.words import say

log = logging.getLogger("pavrik")
MEDIA_TYPE = "application/problem+json"


class FieldError(BaseModel):
    """One failure and the path of the input it belongs to."""

    path: str
    message: str


class Problem(BaseModel):
    """A problem as RFC 9457 has it, with the failures of single fields."""

    title: str
    status: int
    detail: str
    errors: list[FieldError] = []


PROBLEM_RESPONSES: dict[int | str, dict[str, Any]] = {
    status: {"model": Problem, "description": text}
    for status, text in {
        400: say("api.request_not_readable"),
        401: say("api.nobody_signed"),
        403: say("api.role_csrf_token_does"),
        404: say("api.not_club"),
        409: say("api.key_used_something_else"),
        413: say("api.request_too_large"),
        422: say("api.input_breaks_rule"),
        429: say("api.too_many_attempts"),
        503: say("api.database_does_not_answer"),
    }.items()
}


BUSY_WAIT_S = 2


def problem(
    status: int, title: str, detail: str, errors: Sequence[FieldError] = ()
) -> JSONResponse:
    """A problem+json response."""
    body = Problem(title=title, status=status, detail=detail, errors=list(errors))
    return JSONResponse(body.model_dump(), status_code=status, media_type=MEDIA_TYPE)


_STATUS: dict[type[PavrikError], tuple[int, str]] = {
    InvalidError: (422, say("api.input_breaks_rule")),
    NotFoundError: (404, say("api.not_found")),
    RefusedError: (409, say("api.not_recorded")),
    KeyReusedError: (409, say("api.key_used_before")),
    ForbiddenError: (403, say("api.not_allowed")),
    WrongSignInError: (401, say("api.sign_failed")),
    TooManyAttemptsError: (429, say("api.too_many_attempts")),
}


def _told(_: Request, error: Exception) -> JSONResponse:
    assert isinstance(error, PavrikError)
    status, title = _STATUS.get(type(error), (400, "Refused"))
    fields = [FieldError(path=error.field, message=str(error))] if error.field else []
    answer = problem(status, title, str(error), fields)
    if isinstance(error, TooManyAttemptsError):
        answer.headers["Retry-After"] = str(error.wait_s)
    return answer


def _validation(_: Request, error: Exception) -> JSONResponse:
    assert isinstance(error, RequestValidationError)
    fields = [
        FieldError(
            path=".".join(str(part) for part in e["loc"][1:]) or str(e["loc"][0]),
            message=sentence(e),
        )
        for e in error.errors()
    ]
    if any(e["type"] == "json_invalid" for e in error.errors()):
        return problem(400, say("api.not_readable"), say("api.request_not_valid_json"), fields)
    detail = (
        say("api.entry_cannot_used") if len(fields) == 1
        else say("api.entries_cannot_used_they", fields=len(fields))
    )  # fmt: skip
    return problem(422, say("api.input_breaks_rule"), detail, fields)


def _value(_: Request, error: Exception) -> JSONResponse:
    if isinstance(error, ValidationError):  # not of the request: a record of ours does not fit
        raise error
    lines = str(error).splitlines()
    fields = [FieldError(path="", message=line) for line in lines]
    return problem(422, say("api.input_breaks_rule"), "; ".join(lines), fields)


def _database(_: Request, error: Exception) -> JSONResponse:
    log.error("database unavailable: %s", type(error).__name__)
    return problem(
        503, say("api.database_unavailable"), say("api.database_does_not_answer_nothing")
    )


def _busy(_: Request, error: Exception) -> JSONResponse:
    """No connection came free in time: too many at once, or the database is gone."""
    log.error("no connection came free: %s", type(error).__name__)
    told = say("api.too_much_asked_once")
    answer = problem(503, "Busy", told)
    answer.headers["Retry-After"] = str(BUSY_WAIT_S)
    return answer


def _http(_: Request, error: Exception) -> JSONResponse:
    assert isinstance(error, HTTPException)
    response = problem(error.status_code, str(error.detail), str(error.detail))
    response.headers.update(error.headers or {})
    return response


def install(app: FastAPI) -> None:
    """Register every handler."""
    app.add_exception_handler(PavrikError, _told)
    app.add_exception_handler(RequestValidationError, _validation)
    app.add_exception_handler(ValueError, _value)
    app.add_exception_handler(psycopg.OperationalError, _database)
    app.add_exception_handler(PoolTimeout, _busy)
    app.add_exception_handler(HTTPException, _http)
