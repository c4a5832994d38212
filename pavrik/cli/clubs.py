"""``pavrik club``: a club for somebody, by a one-time link."""

from pavrik.cli.start import running_app_url, served_address
from pavrik.services.club.founding import LINK_DAYS, invite_owner
from pavrik.store.database import Database


def new_club(name: str, owner_email: str) -> None:
    """Print a link with which the owner starts the club. Raises InvalidError, OperationError."""
    database = Database(running_app_url())
    database.open()
    try:
        token = invite_owner(database, name, owner_email)
    finally:
        database.close()
    print(f"{served_address()}/start/{token}")
    print(f"Once, within {LINK_DAYS} days: {owner_email} chooses a password there and owns {name}.")
