"""A whole club taken out as one archive, and brought into another installation fact for fact."""

import json
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, datetime
from uuid import UUID

import psycopg
from uuid6 import uuid7

from pavrik.core import MODEL_VERSION
from pavrik.errors import ForbiddenError, InvalidError, RefusedError
from pavrik.formats.club_archive import Manifest, Unpacked, pack
from pavrik.formats.log_table import write_csv
from pavrik.services.club import people
from pavrik.services.club.founding import Door
from pavrik.services.context import Who
from pavrik.services.training import log_files
from pavrik.store import accounts, archive
from pavrik.store.database import Connection, Database
from pavrik.words import say

MOST_FACTS = 10**12


@dataclass(frozen=True)
class Arrived:
    """A club that came in: its name, whose it is, the token by which a password is chosen."""

    club: str
    owner_email: str
    token: str
    facts: int


def take_out(database: Database, who: Who) -> bytes:
    """The archive of the club, by its owner. Raises ForbiddenError."""
    if who.role != "owner":
        raise ForbiddenError(say("club.only_owner_takes_whole"))
    log = write_csv(log_files.rows_out(database, who, None))
    with database.club(who.club_id, as_of_one_moment=True) as connection:
        name, _ = accounts.get_club(connection, who.club_id)
        accounts.add_audit(connection, who.club_id, uuid7(), who.coach_id, "take club out", "")
        tables = {
            table: [*archive.rows_of(connection, table)] for table in archive.tables(connection)
        }
        manifest = Manifest(
            club_id=who.club_id,
            name=name,
            time_zone=accounts.get_time_zone(connection, who.club_id),
            made_at=datetime.now(UTC),
            model_version=MODEL_VERSION,
            schema_number=archive.schema(),
            facts={table: len(rows) for table, rows in tables.items()},
        )
    return pack(manifest, tables, {"log.csv": log})


def _owner_of(coaches: Sequence[dict[str, object]], email: str) -> str:
    """E-mail of who owns the club from now on: the one asked for, else the first. Raises
    InvalidError."""
    owners = [
        str(coach.get("email"))
        for coach in coaches
        if coach.get("role") == "owner" and coach.get("left_at") is None
    ]
    wanted = email.strip().lower() or next(iter(owners), "")
    if wanted not in owners:
        raise InvalidError(
            say(
                "club.owns_no_club_archive",
                wanted=wanted or "nobody",
                owners=", ".join(owners) or "none",
            ),
            "email",
        )
    return wanted


def _check_schema(manifest: Manifest) -> None:
    if manifest.schema_number > archive.schema():
        raise InvalidError(
            say(
                "club.archive_newer_pavrik_step",
                schema_number=manifest.schema_number,
                schema=archive.schema(),
            ),
            "file",
        )


def _opened(data: bytes) -> Unpacked:
    try:
        unpacked = Unpacked(data)
    except ValueError as error:
        raise InvalidError(str(error), "file") from error
    _check_schema(unpacked.manifest)
    return unpacked


def _fill(connection: Connection, club_id: UUID, unpacked: Unpacked) -> None:
    """Every fact of the archive into the new club. Raises InvalidError."""
    newest = 0
    for table in archive.tables(connection):
        try:
            rows = unpacked.rows(table)
        except ValueError as error:
            raise InvalidError(str(error), "file") from error
        if not rows:
            continue
        columns = sorted({column for row in rows for column in row})
        unknown = set(columns) - (archive.columns_of(connection, table) - {"club_id"})
        if unknown:
            raise InvalidError(
                say("club.no_here", table=table, unknown=", ".join(sorted(unknown))), "file"
            )
        newest = max(newest, *(_number(table, row) for row in rows))
        archive.add_rows(connection, club_id, table, columns, json.dumps(rows))
    archive.count_on_behind(connection, newest + 1)


def _number(table: str, row: dict[str, object]) -> int:
    """Raises InvalidError for one that no club comes to: counting here goes on behind it."""
    number = row.get("number", 0)
    if not isinstance(number, int) or not 0 <= number <= MOST_FACTS:
        raise InvalidError(say("club.no_number_fact", number=number, table=table), "file")
    return number


def bring_in(database: Database, data: bytes, email: str = "", door: Door | None = None) -> Arrived:
    """A club from elsewhere, under its own ids, with all who were in it; passwords stay behind, and
    its owner chooses one by the token's link. The operator of the server needs no door.

    Raises InvalidError for an archive that cannot be used, RefusedError where the club, or somebody
    of it, is here already."""
    unpacked = _opened(data)
    manifest = unpacked.manifest
    wanted = door.link.owner_email if door and door.link else email
    owner = _owner_of(unpacked.rows("coach"), wanted)
    club_id = manifest.club_id
    with database.club(club_id) as connection:
        if accounts.get_club(connection, club_id)[0]:
            raise RefusedError(say("club.here_already_sign", name=manifest.name), "file")
    try:
        with database.founding(club_id, door.named if door else "") as connection:
            if door:
                door.pass_through(connection)
            accounts.add_club(connection, club_id, manifest.name)
            accounts.set_time_zone(connection, club_id, manifest.time_zone)
            _fill(connection, club_id, unpacked)
            accounts.add_audit(connection, club_id, uuid7(), None, "bring club in", "")
    except psycopg.DataError as error:
        why = say("club.fact_archive_cannot_read", message_primary=error.diag.message_primary)
        raise InvalidError(why, "file") from error
    database.look_through_tables()
    return Arrived(
        manifest.name, owner, people.reset_link(database, owner), sum(manifest.facts.values())
    )


def remove_demo(database: Database, who: Who) -> None:
    """Take the demo club away for good, by who entered it. Raises ForbiddenError."""
    with database.club(who.club_id) as connection:
        _, is_demo = accounts.get_club(connection, who.club_id)
        if not is_demo or who.role != "owner":
            raise ForbiddenError(say("club.only_demo_club_can"))
        accounts.erase_demo_club(connection)
        accounts.set_demo_removed(connection, removed=True)
