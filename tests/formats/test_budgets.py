"""Work that would be too much is refused with its number and the limit, before it starts."""

import io
from zipfile import ZIP_DEFLATED, ZipFile

import pytest
from pydantic import TypeAdapter

from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.lifts.grid import SetupGrid
from pavrik.core.squat.squat import SQUAT
from pavrik.formats.log_table import read_table
from pavrik.formats.model.computations import AnyFitRequest
from pavrik.services.compute import deadlift, model
from pavrik.services.compute.model import MOST_SETUPS

BODY = {"sex": "male", "mass_kg": 83, "stature_m": 1.75}
STANCES = [round(0.25 + 0.01 * i, 2) for i in range(40)]


@pytest.mark.parametrize(
    "grid",
    [
        SetupGrid(SQUAT),
        SetupGrid(SQUAT, ("low",), {"stance_m": (0.4,)}),
        SetupGrid(DEADLIFT),
        SetupGrid(DEADLIFT, ("trap_low", "sumo")),
    ],
)
def test_a_grid_knows_its_size_without_being_made(grid):
    assert len(grid) == len(grid.setups())
    assert len(grid) <= MOST_SETUPS


@pytest.mark.parametrize(
    ("lift", "fit", "grid"),
    [
        ("squat", model.fit, {"stance_m": STANCES, "toe_out_deg": list(range(5, 45, 2))}),
        ("deadlift", deadlift.fit, {
            "stance_m": STANCES, "toe_out_deg": list(range(5, 45, 2)),
            "grip_m": [round(0.4 + 0.02 * i, 2) for i in range(20)],
        }),
    ],
)  # fmt: skip
def test_a_huge_grid_is_refused_before_it_is_computed(lift, fit, grid):
    request = TypeAdapter(AnyFitRequest).validate_python({"lift": lift, "body": BODY, "grid": grid})
    with pytest.raises(ValueError, match=r"the grid has [\d,]+ set-ups, more than the 6,000"):
        fit(request)


def test_a_workbook_that_would_unpack_to_hundreds_of_megabytes_is_refused():
    packed = io.BytesIO()
    with ZipFile(packed, "w", ZIP_DEFLATED) as book:
        book.writestr("xl/worksheets/sheet1.xml", b"0" * 60_000_000)
    assert len(packed.getvalue()) < 100_000
    with pytest.raises(ValueError, match="unpacks to 60 MB, more than the 40 MB"):
        read_table(packed.getvalue())
