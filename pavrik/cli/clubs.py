"""``pavrik club`` and ``pavrik coach``: one-time links, made by whoever runs the server."""

from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from pavrik.cli.start import running_app_url, served_address
from pavrik.errors import BadInputError
from pavrik.services.club import moving, people
from pavrik.services.club.founding import LINK_DAYS, invite_owner
from pavrik.store.database import Database


@contextmanager
def _running() -> Iterator[Database]:
    database = Database(running_app_url())
    database.open()
    try:
        yield database
    finally:
        database.close()


def new_club(name: str, owner_email: str) -> None:
    """Print a link with which the owner starts the club. Raises InvalidError, OperationError."""
    with _running() as database:
        token = invite_owner(database, name, owner_email)
    print(f"{served_address()}/start/{token}")
    print(f"Once, within {LINK_DAYS} days: {owner_email} chooses a password there and owns {name}.")


def reset_coach(email: str) -> None:
    """Print a link with which somebody who forgot the password chooses another. Raises
    NotFoundError, OperationError."""
    with _running() as database:
        token = people.reset_link(database, email)
    print(f"{served_address()}/join/{token}")
    print(f"Once, within {people.LINK_DAYS} days: {email} chooses a password there.")


def bring_in(file: str, email: str) -> None:
    """Bring a club in from its archive and print a link with which its owner chooses a password.
    Raises BadInputError, InvalidError, RefusedError, OperationError."""
    try:
        data = Path(file).read_bytes()
    except OSError as error:
        raise BadInputError(f"cannot read {file}: {error.strerror}") from error
    with _running() as database:
        arrived = moving.bring_in(database, data, email)
    print(f"{served_address()}/join/{arrived.token}")
    print(
        f"{arrived.club} is here with {arrived.facts} facts. Once, within {people.LINK_DAYS} days: "
        f"{arrived.owner_email} chooses a password there."
    )
