"""The club's gym: bars, plates and racks, counted and measured by the coach."""

from uuid import UUID

from uuid6 import uuid7

from pavrik.core.variations.catalogue import shipped_variations
from pavrik.errors import InvalidError, NotFoundError
from pavrik.formats.wire.gym import ItemRef, PlaceAnswer
from pavrik.formats.wire.plans import KitAnswer
from pavrik.services.context import Who
from pavrik.services.plans.lift_state import kit_of
from pavrik.services.writes import write_once
from pavrik.store import accounts
from pavrik.store import equipment as store
from pavrik.store.database import Connection, Database
from pavrik.words import say


def save_bar(database: Database, who: Who, key: UUID, bar: store.Bar) -> ItemRef:
    """Add a bar, or measure it again."""

    def action(connection: Connection) -> ItemRef:
        store.save_bar(connection, who.club_id, bar)
        return ItemRef(id=str(bar.bar_id))

    return write_once(
        database, who, key, "save bar", vars(bar), ItemRef, action, subject=str(bar.bar_id)
    )


def save_rack(database: Database, who: Who, key: UUID, rack: store.RackRecord) -> ItemRef:
    """Add a rack, or measure it again."""

    def action(connection: Connection) -> ItemRef:
        store.save_rack(connection, who.club_id, rack)
        return ItemRef(id=str(rack.rack_id))

    subject = str(rack.rack_id)
    return write_once(database, who, key, "save rack", vars(rack), ItemRef, action, subject=subject)


def count_plates(database: Database, who: Who, key: UUID, plates: list[store.Plates]) -> ItemRef:
    """Replace the count of the plates."""

    def action(connection: Connection) -> ItemRef:
        store.set_plates(connection, who.club_id, plates)
        return ItemRef(id="plates")

    request = [vars(plate) for plate in plates]
    return write_once(database, who, key, "count plates", request, ItemRef, action)


def read_kit(database: Database, who: Who) -> KitAnswer:
    """What the gym owns beside bars and plates, and what these say by themselves."""
    with database.club(who.club_id) as connection:
        items = store.get_kit(connection)
        return KitAnswer(items=items, found=sorted(kit_of(connection) - set(items)))


def save_kit(database: Database, who: Who, key: UUID, items: list[str]) -> ItemRef:
    """Say what the gym owns. Raises InvalidError for what no variation asks for."""
    known = shipped_variations().kit
    unknown = [item for item in items if item not in known]
    if unknown:
        raise InvalidError(say("club.nothing_needs_choose_from", unknown=unknown[0]), "items")

    def action(connection: Connection) -> ItemRef:
        store.add_kit(connection, who.club_id, who.coach_id, uuid7(), sorted(set(items)))
        return ItemRef(id="kit")

    return write_once(database, who, key, "save kit", sorted(items), ItemRef, action)


def read_place(database: Database, who: Who) -> PlaceAnswer:
    """The zone that the club trains in."""
    with database.club(who.club_id) as connection:
        return PlaceAnswer(time_zone=accounts.get_time_zone(connection, who.club_id))


def save_place(database: Database, who: Who, key: UUID, time_zone: str) -> ItemRef:
    """Train in another zone. Raises InvalidError where nobody knows it."""

    def action(connection: Connection) -> ItemRef:
        if not accounts.set_time_zone(connection, who.club_id, time_zone):
            raise InvalidError(say("club.there_no_time_zone", time_zone=time_zone), "time_zone")
        return ItemRef(id=time_zone)

    return write_once(database, who, key, "save place", time_zone, ItemRef, action)


def take_out(database: Database, who: Who, key: UUID, kind: str, item_id: UUID) -> ItemRef:
    """Take a bar or a rack out of the gym."""
    delete = {"bar": store.delete_bar, "rack": store.delete_rack}[kind]

    def action(connection: Connection) -> ItemRef:
        if not delete(connection, item_id):
            raise NotFoundError(say("club.not_your_club", kind=kind))
        return ItemRef(id=str(item_id))

    request = {"kind": kind, "id": str(item_id)}
    return write_once(
        database, who, key, "take out", request, ItemRef, action, subject=str(item_id)
    )
