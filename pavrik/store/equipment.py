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


_BAR = """bar_id, name, mass_kg, shaft_mm, collars_kg, beyond_shoulder_m, forward_m, holds_lean_deg,
  handles"""
_RACK = """rack_id, name, first_hole_m, pitch_m, holes, lip_m, inner_width_m, first_safety_m,
  safety_pitch_m"""


def list_bars(connection: Connection) -> list[Bar]:
    """Bars of the club: straight ones first, the heaviest first."""
    cursor = connection.cursor(row_factory=class_row(Bar))
    return cursor.execute(
        f"""select {_BAR} from bar
            order by beyond_shoulder_m is not null, mass_kg desc, name"""
    ).fetchall()


def list_plates(connection: Connection) -> list[Plates]:
    """Plates of the club, the heaviest first."""
    cursor = connection.cursor(row_factory=class_row(Plates))
    return cursor.execute("select kg, pairs from plate_stock order by kg desc").fetchall()


def list_racks(connection: Connection) -> list[RackRecord]:
    """Racks of the club by name."""
    cursor = connection.cursor(row_factory=class_row(RackRecord))
    return cursor.execute(f"select {_RACK} from rack order by name").fetchall()


def save_bar(connection: Connection, club_id: UUID, bar: Bar) -> None:
    """A new bar, or an old one measured again."""
    connection.execute(
        f"""insert into bar (club_id, {_BAR}) values (%s, %s, %s, %s, %s, %s, %s, %s, %s, %s)
            on conflict (club_id, bar_id) do update set name = excluded.name,
              mass_kg = excluded.mass_kg, shaft_mm = excluded.shaft_mm,
              collars_kg = excluded.collars_kg, beyond_shoulder_m = excluded.beyond_shoulder_m,
              forward_m = excluded.forward_m, holds_lean_deg = excluded.holds_lean_deg,
              handles = excluded.handles""",
        (
            club_id, bar.bar_id, bar.name, bar.mass_kg, bar.shaft_mm, bar.collars_kg,
            bar.beyond_shoulder_m, bar.forward_m, bar.holds_lean_deg, bar.handles,
        ),
    )  # fmt: skip


def delete_bar(connection: Connection, bar_id: UUID) -> bool:
    """Take a bar out; False where there is none."""
    return bool(connection.execute("delete from bar where bar_id = %s", (bar_id,)).rowcount)


def set_plates(connection: Connection, club_id: UUID, plates: list[Plates]) -> None:
    """Replace the stock: it is counted, not remembered."""
    connection.execute("delete from plate_stock")
    connection.cursor().executemany(
        "insert into plate_stock (club_id, kg, pairs) values (%s, %s, %s)",
        [(club_id, plate.kg, plate.pairs) for plate in plates],
    )


def save_rack(connection: Connection, club_id: UUID, rack: RackRecord) -> None:
    """A new rack, or an old one measured again."""
    connection.execute(
        f"""insert into rack (club_id, {_RACK}) values (%s, %s, %s, %s, %s, %s, %s, %s, %s, %s)
            on conflict (club_id, rack_id) do update set name = excluded.name,
              first_hole_m = excluded.first_hole_m, pitch_m = excluded.pitch_m,
              holes = excluded.holes, lip_m = excluded.lip_m,
              inner_width_m = excluded.inner_width_m, first_safety_m = excluded.first_safety_m,
              safety_pitch_m = excluded.safety_pitch_m""",
        (
            club_id, rack.rack_id, rack.name, rack.first_hole_m, rack.pitch_m, rack.holes,
            rack.lip_m, rack.inner_width_m, rack.first_safety_m, rack.safety_pitch_m,
        ),
    )  # fmt: skip


def delete_rack(connection: Connection, rack_id: UUID) -> bool:
    """Take a rack out; False where there is none."""
    return bool(connection.execute("delete from rack where rack_id = %s", (rack_id,)).rowcount)
