"""What belongs to the club: its schools, its equipment, its own faults, causes and cues."""

from collections.abc import Sequence
from uuid import UUID

from uuid6 import uuid7

from pavrik.core.faults.catalogue import Catalogue, shipped_catalogue
from pavrik.core.faults.own import OWN, OwnEntry, merged
from pavrik.core.faults.schools import in_force
from pavrik.core.prescription.shape import shipped_shapes
from pavrik.core.variations.catalogue import (
    Variation,
    read_variation,
    shipped_variations,
    with_own,
)
from pavrik.errors import InvalidError
from pavrik.formats.wire.library import (
    BarAnswer,
    EquipmentAnswer,
    KeptAnswer,
    PlateAnswer,
    RackRecordAnswer,
)
from pavrik.services.context import Who
from pavrik.services.writes import write_once
from pavrik.store import equipment, library, lifters
from pavrik.store.database import Connection, Database
from pavrik.words import say

FAULT_KINDS = ("fault", "cause", "remedy")


def _own(entries: Sequence[library.Entry]) -> list[OwnEntry]:
    return [OwnEntry(e.kind, e.ident, e.body, e.hidden) for e in entries if e.kind in FAULT_KINDS]


def catalogue_of(connection: Connection) -> Catalogue:
    """The shipped catalogue with the club's own entries."""
    entries = _own(library.list_entries(connection))
    return merged(entries) if entries else shipped_catalogue()


def own_variations(connection: Connection) -> list[Variation]:
    """The club's own variations, without hidden ones."""
    return [
        read_variation(entry.body, own=True)
        for entry in library.list_entries(connection)
        if entry.kind == "variation" and entry.body is not None and not entry.hidden
    ]


def read_catalogue(database: Database, who: Who) -> Catalogue:
    """The catalogue in force in the coach's club."""
    with database.club(who.club_id) as connection:
        return catalogue_of(connection)


def _check_shapes(entries: Sequence[library.Entry]) -> None:
    """An own shape has an id of its own; what is hidden is known. Raises InvalidError."""
    for entry in entries:
        if entry.kind != "shape":
            continue
        shipped = entry.ident in shipped_shapes()
        if entry.body is None and not shipped:
            raise InvalidError(say("club.no_shape_ships_hide", ident=entry.ident), "ident")
        if entry.body is not None and not entry.ident.startswith(OWN):
            raise InvalidError(
                say("club.own_shapes_id_begins", ident=entry.ident, own=OWN),
                "ident",
            )


def _add(connection: Connection, who: Who, entries: Sequence[library.Entry]) -> None:
    """Add entries after checking the whole catalogue that they would make."""
    now = {(e.kind, e.ident): e for e in library.list_entries(connection)}
    after = now | {(e.kind, e.ident): e for e in entries}
    try:
        merged(_own(list(after.values())))
        own = [e.body for e in after.values() if e.kind == "variation" and e.body is not None]
        with_own(shipped_variations(), [read_variation(body, own=True) for body in own])
    except ValueError as error:
        raise InvalidError("; ".join(str(error).splitlines()), "body") from error
    _check_shapes(entries)
    for entry in entries:
        library.add_entry(connection, who.club_id, uuid7(), who.coach_id, entry)


def save_entries(
    database: Database, who: Who, key: UUID, entries: Sequence[library.Entry]
) -> KeptAnswer:  # fmt: skip
    """Add, change or hide entries, all or none. Raises InvalidError with every problem."""

    def action(connection: Connection) -> KeptAnswer:
        _add(connection, who, entries)
        return KeptAnswer(kept=len(entries))

    request = [vars(entry) for entry in entries]
    return write_once(database, who, key, "library entries", request, KeptAnswer, action)


def own_entries(database: Database, who: Who) -> list[library.Entry]:
    """The club's own entries and what it hides."""
    with database.club(who.club_id) as connection:
        return library.list_entries(connection)


def clubs_schools(database: Database, who: Who) -> dict[str, str]:
    """The club's positions, defaults included."""
    with database.club(who.club_id) as connection:
        return in_force(lifters.list_school_choices(connection, None))


def equipment_of(database: Database, who: Who) -> EquipmentAnswer:
    """Bars, plates and racks."""
    with database.club(who.club_id) as connection:
        return EquipmentAnswer(
            bars=[BarAnswer(**vars(bar)) for bar in equipment.list_bars(connection)],
            plates=[PlateAnswer(**vars(plate)) for plate in equipment.list_plates(connection)],
            racks=[RackRecordAnswer(**vars(rack)) for rack in equipment.list_racks(connection)],
        )
