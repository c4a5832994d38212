"""Many lifters as a table, CSV or XLSX: one row a lifter, with the best squat and deadlift."""

from dataclasses import dataclass
from datetime import date

from pydantic import ValidationError

from pavrik.core.competition_lifts import LIFTS
from pavrik.core.units import KG_PER_LB, M_PER_IN
from pavrik.formats.dates_in import DateReader, Order
from pavrik.formats.log_table import BadRow, RowReader, table_rows
from pavrik.formats.refusals import sentence
from pavrik.formats.wire.lifters import KnownLiftRequest, ProfileRequest

NEEDED = (
    ("name",), ("sex",), ("body_mass_kg", "body_mass_lb"), ("stature_cm", "stature_in"),
)  # fmt: skip
_ANY_STATURE_M = 1.75
OPTIONAL = ("born_year", "goal", "training_age", "gear")


@dataclass(frozen=True)
class LifterRow:
    """One lifter as a table has it; ``line`` is its line in the file."""

    line: int
    profile: ProfileRequest
    bests: tuple[KnownLiftRequest, ...]


@dataclass(frozen=True)
class LifterTable:
    """Every row, and how its dates were read."""

    rows: list[LifterRow | BadRow]
    dates: DateReader


def read_lifters(data: bytes, on: date, order: Order | None = None) -> LifterTable:
    """Every row; a best without a day counts as of ``on``, dates stand in ``order`` where it was
    said. Raises ValueError where the file as a whole cannot be read."""
    table = table_rows(data, NEEDED)
    dates = DateReader.of((cells.get(f"{lift}_on") for _, cells in table for lift in LIFTS), order)
    rows = [_read_row(line, RowReader(cells, dates), on) for line, cells in table]
    return LifterTable(rows, dates)


def _read_row(line: int, reader: RowReader, on: date) -> LifterRow | BadRow:
    said = {name: value for name in OPTIONAL if (value := reader.text(name).lower())}
    given = {
        "name": reader.text("name"),
        "sex": {"m": "male", "f": "female"}.get(sex := reader.text("sex").lower(), sex),
        "mass_kg": _in_units(reader, "body_mass", {"kg": 1.0, "lb": KG_PER_LB}),
        "stature_m": _in_units(reader, "stature", {"cm": 0.01, "in": M_PER_IN}),
        **said,
    }
    reasons = list(reader.reasons)
    bests = []
    try:
        profile = ProfileRequest.model_validate(given)
        bests = [best for lift in LIFTS if (best := _best(reader, lift, on)) is not None]
    except ValidationError as error:
        reasons += [f"{'.'.join(map(str, e['loc']))}: {sentence(e)}" for e in error.errors()]
    reasons += reader.reasons
    if reasons:
        return BadRow(line, tuple(dict.fromkeys(reasons)))
    return LifterRow(line, profile, tuple(bests))


def _in_units(reader: RowReader, name: str, units: dict[str, float]) -> float | None:
    """A number in the first of some units that the row has."""
    for unit, scale in units.items():
        number = reader.number(f"{name}_{unit}", 0.0, 1000.0, None)
        if number is not None:
            return round(number * scale, 4)
    return None


def _best(reader: RowReader, lift: str, on: date) -> KnownLiftRequest | None:
    """The best single of a lift, in a style that the row names, or in the usual one."""
    load_kg = _in_units(reader, lift, {"kg": 1.0, "lb": KG_PER_LB})
    if load_kg is None:
        return None
    of = LIFTS[lift]
    style = reader.one_of(f"{lift}_style", of.searched, of.usual(_ANY_STATURE_M).style)
    return KnownLiftRequest(
        exercise=f"{lift}:{style}", load_kg=load_kg, done_on=reader.day(f"{lift}_on", on)
    )
