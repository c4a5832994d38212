"""The newest profile of a lifter, as every service asks for it."""

from uuid import UUID

from pavrik.errors import NotFoundError
from pavrik.store import lifters
from pavrik.store.database import Connection


def get_profile(connection: Connection, lifter_id: UUID) -> lifters.Profile:
    """The newest profile. Raises NotFoundError."""
    profile = lifters.get_profile(connection, lifter_id)
    if profile is None:
        raise NotFoundError("this lifter is not in your club")
    return profile
