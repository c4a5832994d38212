"""Bars, plates and racks of the club."""

from dataclasses import dataclass
from uuid import UUID

from psycopg.rows import class_row

from pavrik.store.database import Connection


@dataclass(frozen=True)
class Bar:
    """A bar and its collars."""

    bar_id: UUID
    name: str
    mass_kg: float
    shaft_mm: float
    collars_kg: float


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


def list_bars(connection: Connection) -> list[Bar]:
    """Bars of the club, the heaviest first."""
    cursor = connection.cursor(row_factory=class_row(Bar))
    return cursor.execute(
        "select bar_id, name, mass_kg, shaft_mm, collars_kg from bar order by mass_kg desc, name"
    ).fetchall()


def list_plates(connection: Connection) -> list[Plates]:
    """Plates of the club, the heaviest first."""
    cursor = connection.cursor(row_factory=class_row(Plates))
    return cursor.execute("select kg, pairs from plate_stock order by kg desc").fetchall()


def list_racks(connection: Connection) -> list[RackRecord]:
    """Racks of the club by name."""
    cursor = connection.cursor(row_factory=class_row(RackRecord))
    return cursor.execute(
        """select rack_id, name, first_hole_m, pitch_m, holes, lip_m, inner_width_m
           from rack order by name"""
    ).fetchall()


def add_bar(connection: Connection, club_id: UUID, bar: Bar) -> None:
    """A new bar."""
    connection.execute(
        """insert into bar (club_id, bar_id, name, mass_kg, shaft_mm, collars_kg)
           values (%s, %s, %s, %s, %s, %s)""",
        (club_id, bar.bar_id, bar.name, bar.mass_kg, bar.shaft_mm, bar.collars_kg),
    )


def set_plates(connection: Connection, club_id: UUID, plates: list[Plates]) -> None:
    """Replace the stock: it is counted, not remembered."""
    connection.execute("delete from plate_stock")
    connection.cursor().executemany(
        "insert into plate_stock (club_id, kg, pairs) values (%s, %s, %s)",
        [(club_id, plate.kg, plate.pairs) for plate in plates],
    )


def add_rack(connection: Connection, club_id: UUID, rack: RackRecord) -> None:
    """A new rack."""
    connection.execute(
        """insert into rack
             (club_id, rack_id, name, first_hole_m, pitch_m, holes, lip_m, inner_width_m)
           values (%s, %s, %s, %s, %s, %s, %s, %s)""",
        (
            club_id, rack.rack_id, rack.name, rack.first_hole_m, rack.pitch_m, rack.holes,
            rack.lip_m, rack.inner_width_m,
        ),
    )  # fmt: skip
