"""Bars, plates and racks of the club."""

from dataclasses import dataclass
from uuid import UUID

from pavrik.store.database import Connection
from pavrik.store.statements import all_of, run, run_each, value_of


@dataclass(frozen=True)
class Bar:
    """A bar and its collars."""

    bar_id: UUID
    name: str
    mass_kg: float
    shaft_mm: float
    collars_kg: float
    beyond_shoulder_m: float | None = None
    forward_m: float | None = None
    holds_lean_deg: float | None = None
    handles: bool = False

    @property
    def is_specialty(self) -> bool:
        """True where the bar has a centre of its own on the back."""
        return self.beyond_shoulder_m is not None


@dataclass(frozen=True)
class Plates:
    """Pairs of one weight."""

    kg: float
    pairs: int


@dataclass(frozen=True)
class RackRecord:
    """A rack as it was measured."""

    rack_id: UUID
    name: str
    first_hole_m: float
    pitch_m: float
    holes: int
    lip_m: float
    inner_width_m: float
    first_safety_m: float | None = None
    safety_pitch_m: float | None = None


def list_bars(connection: Connection) -> list[Bar]:
    """Bars of the club: straight ones first, the heaviest first."""
    return all_of(connection, Bar, "list_bars")


def list_plates(connection: Connection) -> list[Plates]:
    """Plates of the club, the heaviest first."""
    return all_of(connection, Plates, "list_plates")


def list_racks(connection: Connection) -> list[RackRecord]:
    """Racks of the club by name."""
    return all_of(connection, RackRecord, "list_racks")


def save_bar(connection: Connection, club_id: UUID, bar: Bar) -> None:
    """A new bar, or an old one measured again."""
    run(connection, "save_bar", club_id=club_id, **vars(bar))


def delete_bar(connection: Connection, bar_id: UUID) -> bool:
    """Take a bar out; False where there is none."""
    return bool(run(connection, "delete_bar", bar_id=bar_id))


def set_plates(connection: Connection, club_id: UUID, plates: list[Plates]) -> None:
    """Replace the stock: it is counted, not remembered."""
    run(connection, "delete_plates")
    run_each(connection, "add_plates", [{"club_id": club_id, **vars(p)} for p in plates])


def save_rack(connection: Connection, club_id: UUID, rack: RackRecord) -> None:
    """A new rack, or an old one measured again."""
    run(connection, "save_rack", club_id=club_id, **vars(rack))


def delete_rack(connection: Connection, rack_id: UUID) -> bool:
    """Take a rack out; False where there is none."""
    return bool(run(connection, "delete_rack", rack_id=rack_id))


def get_kit(connection: Connection) -> list[str]:
    """What the gym owns beside bars and plates, as it was said last."""
    return list(value_of(connection, "get_kit") or [])


def add_kit(
    connection: Connection, club_id: UUID, said_by: UUID | None, kit_id: UUID, items: list[str]
) -> None:
    """Say what the gym owns."""
    run(
        connection, "add_kit", club_id=club_id, said_by=said_by, kit_id=kit_id, items=items
    )  # fmt: skip
