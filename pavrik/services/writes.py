"""Writes that may be sent twice and take effect once."""

import hashlib
import json
from collections.abc import Callable
from typing import TypeVar
from uuid import UUID

from pydantic import BaseModel
from uuid6 import uuid7

from pavrik.errors import ForbiddenError, KeyReusedError
from pavrik.formats.stored_json import JSON_VERSION, current
from pavrik.services.context import Who
from pavrik.store import accounts
from pavrik.store.database import Connection, Database

A = TypeVar("A", bound=BaseModel)


def digest_of(value: object) -> str:
    """Digest of anything that JSON can hold, independent of key order."""
    text = json.dumps(value, sort_keys=True, separators=(",", ":"), default=str)
    return hashlib.sha256(text.encode()).hexdigest()


def write_once(
    database: Database, who: Who, key: UUID, route: str, request: object, form: type[A],
    action: Callable[[Connection], A], *, subject: str = "",
) -> A:  # fmt: skip
    """Run ``action`` in one transaction and remember its answer, of ``form``, under ``key``.

    The same key with the same request gets the same answer without a second effect; with another
    request it is refused. Every write leaves a line in the audit trail.
    """
    if not who.may_write:
        raise ForbiddenError("your role may read but not write: ask the club's owner")
    digest = digest_of(request)
    with database.club(who.club_id) as connection:
        accounts.lock_key(connection, key)
        known = accounts.find_write(connection, key)
        if known:
            if (known.route, known.request_digest) != (route, digest):
                raise KeyReusedError(
                    "this Idempotency-Key was already used for another request: make a new one"
                )
            return form.model_validate(current(known.answer, known.json_version))
        answer = action(connection)
        told = answer.model_dump(mode="json")
        kept = accounts.KeptWrite(route, digest, told, JSON_VERSION)
        accounts.add_write(connection, who.club_id, key, kept)
        accounts.add_audit(connection, who.club_id, uuid7(), who.coach_id, route, subject)
        return answer
