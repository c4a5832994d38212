"""What belongs to the club: its schools and its equipment."""

from typing import Any

from pavrik.core.faults.schools import in_force
from pavrik.services.context import Who
from pavrik.store import equipment, lifters
from pavrik.store.database import Database


def clubs_schools(database: Database, who: Who) -> dict[str, str]:
    """The club's positions, defaults included."""
    with database.club(who.club_id) as connection:
        return in_force(lifters.list_school_choices(connection, None))


def equipment_of(database: Database, who: Who) -> dict[str, Any]:
    """Bars, plates and racks."""
    with database.club(who.club_id) as connection:
        return {
            "bars": [vars(bar) for bar in equipment.list_bars(connection)],
            "plates": [vars(plate) for plate in equipment.list_plates(connection)],
            "racks": [vars(rack) for rack in equipment.list_racks(connection)],
        }
