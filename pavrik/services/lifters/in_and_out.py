"""A lifter's data are his own: taken out as one file, deleted for good."""

import json
from datetime import UTC, datetime
from uuid import UUID

from pavrik.core import MODEL_VERSION
from pavrik.errors import ForbiddenError, InvalidError
from pavrik.formats.wire.lifters import AwayAnswer, LifterRef
from pavrik.services.context import Who
from pavrik.services.lifters.profile import get_profile
from pavrik.services.writes import write_once
from pavrik.store import lifters
from pavrik.store.database import Connection, Database
from pavrik.words import say

EXPORT_FORM = 1


def export(database: Database, who: Who, lifter_id: UUID) -> bytes:
    """Every fact of a lifter as JSON, by table, with its units in the names. Raises
    NotFoundError."""
    with database.reading(who.club_id) as connection:
        profile = get_profile(connection, lifter_id)
        facts = lifters.lifter_facts(connection, lifter_id)
    told = {
        "form": EXPORT_FORM,
        "name": profile.name,
        "made_at": datetime.now(UTC).isoformat(),
        "model_version": MODEL_VERSION,
        "facts": facts,
    }
    return json.dumps(told, ensure_ascii=False, indent=1).encode()


def list_away(database: Database, who: Who) -> list[AwayAnswer]:
    """Who left the club, by name."""
    with database.club(who.club_id) as connection:
        return [AwayAnswer(**vars(away)) for away in lifters.list_away(connection)]


def set_presence(database: Database, who: Who, key: UUID, lifter_id: UUID, here: bool) -> LifterRef:
    """A lifter leaves the club, or comes back whole. Raises NotFoundError."""

    def action(connection: Connection) -> LifterRef:
        get_profile(connection, lifter_id)
        lifters.add_presence(connection, who.club_id, who.coach_id, lifter_id, here=here)
        return LifterRef(lifter_id=lifter_id)

    deed = "back in the club" if here else "left the club"
    request = {"lifter": str(lifter_id), "here": here}
    return write_once(database, who, key, deed, request, LifterRef, action, subject=str(lifter_id))


def erase(database: Database, who: Who, key: UUID, lifter_id: UUID, name: str) -> LifterRef:
    """Delete a lifter for good, on the owner's word with the lifter's name. Raises NotFoundError,
    ForbiddenError, InvalidError."""
    if who.role != "owner":
        raise ForbiddenError(say("lifters.only_clubs_owner_deletes"))

    def action(connection: Connection) -> LifterRef:
        profile = get_profile(connection, lifter_id)
        if name.split() != profile.name.split():
            raise InvalidError(
                say("lifters.not_lifters_name_type"),
                "name",
            )
        lifters.erase_lifter(connection, lifter_id)
        return LifterRef(lifter_id=lifter_id)

    request = {"lifter": str(lifter_id)}
    return write_once(
        database, who, key, "erase lifter", request, LifterRef, action, subject=str(lifter_id)
    )
