"""The gym's equipment: bars, plates, racks."""

from uuid import UUID

from fastapi import APIRouter

from pavrik.api.security import DatabaseIn, KeyIn, WhoIn
from pavrik.formats.wire.gym import BarIn, ItemRef, PlaceAnswer, PlaceIn, PlatesIn, RackIn
from pavrik.formats.wire.library import EquipmentAnswer
from pavrik.formats.wire.plans import KitAnswer, KitRequest
from pavrik.services.club import gym, library
from pavrik.services.facts import Bar, Plates, RackRecord

router = APIRouter(prefix="/api/equipment", tags=["gym"])


@router.get("")
def read_equipment(database: DatabaseIn, who: WhoIn) -> EquipmentAnswer:
    """What the gym owns."""
    return library.equipment_of(database, who)


@router.put("/bars")
def save_bar(body: BarIn, database: DatabaseIn, who: WhoIn, key: KeyIn) -> ItemRef:
    """Add a bar, or measure it again."""
    return gym.save_bar(database, who, key, Bar(**body.model_dump()))


@router.delete("/bars/{bar_id}")
def take_bar_out(bar_id: UUID, database: DatabaseIn, who: WhoIn, key: KeyIn) -> ItemRef:
    """Take a bar out of the gym."""
    return gym.take_out(database, who, key, "bar", bar_id)


@router.put("/racks")
def save_rack(body: RackIn, database: DatabaseIn, who: WhoIn, key: KeyIn) -> ItemRef:
    """Add a rack, or measure it again."""
    return gym.save_rack(database, who, key, RackRecord(**body.model_dump()))


@router.delete("/racks/{rack_id}")
def take_rack_out(rack_id: UUID, database: DatabaseIn, who: WhoIn, key: KeyIn) -> ItemRef:
    """Take a rack out of the gym."""
    return gym.take_out(database, who, key, "rack", rack_id)


@router.put("/plates")
def count_plates(body: PlatesIn, database: DatabaseIn, who: WhoIn, key: KeyIn) -> ItemRef:
    """Replace the count of the plates."""
    plates = [Plates(plate.kg, plate.pairs) for plate in body.plates]
    return gym.count_plates(database, who, key, plates)


@router.get("/kit")
def read_kit(database: DatabaseIn, who: WhoIn) -> KitAnswer:
    """What the gym owns beside bars and plates."""
    return gym.read_kit(database, who)


@router.put("/kit")
def save_kit(body: KitRequest, database: DatabaseIn, who: WhoIn, key: KeyIn) -> ItemRef:
    """Say what the gym owns beside bars and plates."""
    return gym.save_kit(database, who, key, body.items)


@router.get("/place")
def read_place(database: DatabaseIn, who: WhoIn) -> PlaceAnswer:
    """The time zone that training days are counted in."""
    return gym.read_place(database, who)


@router.put("/place")
def save_place(body: PlaceIn, database: DatabaseIn, who: WhoIn, key: KeyIn) -> ItemRef:
    """Count training days in another time zone."""
    return gym.save_place(database, who, key, body.time_zone)
