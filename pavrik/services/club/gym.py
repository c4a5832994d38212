"""The club's gym: bars, plates and racks, counted and measured by the coach."""

from typing import Any
from uuid import UUID

from uuid6 import uuid7

from pavrik.core.variations.catalogue import shipped_variations
from pavrik.errors import InvalidError, NotFoundError
from pavrik.services.context import Who
from pavrik.services.plans.lift_state import kit_of
from pavrik.services.writes import write_once
from pavrik.store import accounts
from pavrik.store import equipment as store
from pavrik.store.database import Connection, Database


def save_bar(database: Database, who: Who, key: UUID, bar: store.Bar) -> Any:
    """Add a bar, or measure it again."""

    def action(connection: Connection) -> dict[str, str]:
        store.save_bar(connection, who.club_id, bar)
        return {"id": str(bar.bar_id)}

    return write_once(database, who, key, "save bar", vars(bar), action, subject=str(bar.bar_id))


def save_rack(database: Database, who: Who, key: UUID, rack: store.RackRecord) -> Any:
    """Add a rack, or measure it again."""

    def action(connection: Connection) -> dict[str, str]:
        store.save_rack(connection, who.club_id, rack)
        return {"id": str(rack.rack_id)}

    subject = str(rack.rack_id)
    return write_once(database, who, key, "save rack", vars(rack), action, subject=subject)


def count_plates(database: Database, who: Who, key: UUID, plates: list[store.Plates]) -> Any:
    """Replace the count of the plates."""

    def action(connection: Connection) -> dict[str, str]:
        store.set_plates(connection, who.club_id, plates)
        return {"id": "plates"}

    request = [vars(plate) for plate in plates]
    return write_once(database, who, key, "count plates", request, action)


def read_kit(database: Database, who: Who) -> dict[str, list[str]]:
    """What the gym owns beside bars and plates, and what these say by themselves."""
    with database.club(who.club_id) as connection:
        items = store.get_kit(connection)
        return {"items": items, "found": sorted(kit_of(connection) - set(items))}


def save_kit(database: Database, who: Who, key: UUID, items: list[str]) -> Any:
    """Say what the gym owns. Raises InvalidError for what no variation asks for."""
    known = shipped_variations().kit
    unknown = [item for item in items if item not in known]
    if unknown:
        raise InvalidError(f"nothing needs {unknown[0]}: choose from the list", "items")

    def action(connection: Connection) -> dict[str, str]:
        store.add_kit(connection, who.club_id, who.coach_id, uuid7(), sorted(set(items)))
        return {"id": "kit"}

    return write_once(database, who, key, "save kit", sorted(items), action)


def read_place(database: Database, who: Who) -> dict[str, str]:
    """The zone that the club trains in."""
    with database.club(who.club_id) as connection:
        return {"time_zone": accounts.get_time_zone(connection, who.club_id)}


def save_place(database: Database, who: Who, key: UUID, time_zone: str) -> Any:
    """Train in another zone. Raises InvalidError where nobody knows it."""

    def action(connection: Connection) -> dict[str, str]:
        if not accounts.set_time_zone(connection, who.club_id, time_zone):
            raise InvalidError(
                f"there is no time zone called {time_zone}: name one as Europe/Vienna", "time_zone"
            )
        return {"id": time_zone}

    return write_once(database, who, key, "save place", time_zone, action)


def take_out(database: Database, who: Who, key: UUID, kind: str, item_id: UUID) -> Any:
    """Take a bar or a rack out of the gym."""
    delete = {"bar": store.delete_bar, "rack": store.delete_rack}[kind]

    def action(connection: Connection) -> dict[str, str]:
        if not delete(connection, item_id):
            raise NotFoundError(f"this {kind} is not in your club")
        return {"id": str(item_id)}

    request = {"kind": kind, "id": str(item_id)}
    return write_once(database, who, key, "take out", request, action, subject=str(item_id))
