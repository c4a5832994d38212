"""The club's gym: bars, plates and racks, counted and measured by the coach."""

from typing import Any
from uuid import UUID

from pavrik.services.context import Who
from pavrik.services.writes import write_once
from pavrik.store import equipment as store
from pavrik.store.database import Connection, Database
from pavrik.store.errors import NotFoundError


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


def take_out(database: Database, who: Who, key: UUID, kind: str, item_id: UUID) -> Any:
    """Take a bar or a rack out of the gym."""
    delete = {"bar": store.delete_bar, "rack": store.delete_rack}[kind]

    def action(connection: Connection) -> dict[str, str]:
        if not delete(connection, item_id):
            raise NotFoundError(f"this {kind} is not in your club")
        return {"id": str(item_id)}

    request = {"kind": kind, "id": str(item_id)}
    return write_once(database, who, key, "take out", request, action, subject=str(item_id))
