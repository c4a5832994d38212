"""Writes that may be sent twice and take effect once."""

import hashlib
import json
from collections.abc import Callable
from typing import TypeVar
from uuid import UUID

from pydantic import BaseModel
from uuid6 import uuid7

from pavrik.errors import KeyReusedError
from pavrik.formats.stored_json import JSON_VERSION, current
from pavrik.services.context import Who
from pavrik.store import accounts
from pavrik.store.database import Connection, Database
from pavrik.words import say

A = TypeVar("A", bound=BaseModel)
P = TypeVar("P")


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
    who.must_write()
    digest = digest_of(request)
    with database.club(who.club_id) as connection:
        accounts.lock_key(connection, key)
        known = _known(connection, key, route, digest, form)
        if known is not None:
            return known
        answer = action(connection)
        told = answer.model_dump(mode="json")
        kept = accounts.KeptWrite(route, digest, told, JSON_VERSION)
        accounts.add_write(connection, who.club_id, key, kept)
        accounts.add_audit(connection, who.club_id, uuid7(), who.coach_id, route, subject)
        return answer


def compute_and_write(
    database: Database, who: Who, key: UUID, route: str, request: object, form: type[A],
    compute: Callable[[], P], action: Callable[[Connection, P], A], *, subject: str = "",
) -> A:  # fmt: skip
    """``write_once`` of what is computed first: ``compute`` runs before the transaction, so that no
    lock waits for it, and not at all where the key is known."""
    who.must_write()
    with database.club(who.club_id) as connection:
        known = _known(connection, key, route, digest_of(request), form)
    if known is not None:
        return known
    computed = compute()
    return write_once(
        database, who, key, route, request, form, lambda found: action(found, computed),
        subject=subject,
    )  # fmt: skip


def _known(connection: Connection, key: UUID, route: str, digest: str, form: type[A]) -> A | None:
    """The answer that the key got before; None where it is new."""
    known = accounts.find_write(connection, key)
    if known is None:
        return None
    if (known.route, known.request_digest) != (route, digest):
        raise KeyReusedError(say("services.idempotency_key_already_used"))
    return form.model_validate(current(known.answer, known.json_version))
