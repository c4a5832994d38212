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
        400: "The request is not readable",
        401: "Nobody is signed in",
        403: "The role or the CSRF token does not allow this",
        404: "Not in this club",
        409: "The key was used for something else, or a rule of the records is broken",
        413: "The request is too large",
        422: "The input breaks a rule",
        429: "Too many attempts",
        503: "The database does not answer, or not in time",
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
    InvalidError: (422, "The input breaks a rule"),
    NotFoundError: (404, "Not found"),
    RefusedError: (409, "Not recorded"),
    KeyReusedError: (409, "Key used before"),
    ForbiddenError: (403, "Not allowed"),
    WrongSignInError: (401, "Sign-in failed"),
    TooManyAttemptsError: (429, "Too many attempts"),
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
        return problem(400, "Not readable", "the request is not valid JSON", fields)
    detail = (
        "one entry cannot be used as it is" if len(fields) == 1
        else f"{len(fields)} entries cannot be used as they are"
    )  # fmt: skip
    return problem(422, "The input breaks a rule", detail, fields)


def _value(_: Request, error: Exception) -> JSONResponse:
    if isinstance(error, ValidationError):  # not of the request: a record of ours does not fit
        raise error
    lines = str(error).splitlines()
    fields = [FieldError(path="", message=line) for line in lines]
    return problem(422, "The input breaks a rule", "; ".join(lines), fields)


def _database(_: Request, error: Exception) -> JSONResponse:
    log.error("database unavailable: %s", type(error).__name__)
    return problem(
        503, "Database unavailable", "the database does not answer; nothing was lost, try again"
    )


def _busy(_: Request, error: Exception) -> JSONResponse:
    """No connection came free in time: too many at once, or the database is gone."""
    log.error("no connection came free: %s", type(error).__name__)
    told = "too much is asked at once, or the database does not answer; nothing was lost, try again"
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
