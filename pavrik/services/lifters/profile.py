"""The newest profile of a lifter, as every service asks for it."""

from uuid import UUID

from pavrik.errors import NotFoundError
from pavrik.store import lifters
from pavrik.store.database import Connection
from pavrik.words import say


def get_profile(connection: Connection, lifter_id: UUID) -> lifters.Profile:
    """The newest profile. Raises NotFoundError."""
    profile = lifters.get_profile(connection, lifter_id)
    if profile is None:
        raise NotFoundError(say("lifters.lifter_not_your_club"))
    return profile
