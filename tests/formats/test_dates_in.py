"""Dates in every habit of writing; what may be two days is asked, never guessed."""

from datetime import date, datetime

import pytest
from hypothesis import given
from hypothesis import strategies as st

from pavrik.formats.dates_in import DateReader

WINTER = date(2026, 11, 25)
days = st.dates(date(2000, 1, 1), date(2099, 12, 31))


@pytest.mark.parametrize(
    "cell",
    ["2026-11-25", "2026-11-25T17:30:00", "25.11.2026", "25.11.26", "25/11/2026", "11/25/2026",
     "25-11-26", "25 Nov 2026", "25 November 2026", "Nov 25, 2026", "november 25 2026",
     " 25.11.2026 ", "25/11/2026 17:30", datetime(2026, 11, 25, 17, 30), WINTER],
)  # fmt: skip
def test_every_habit_reads_as_the_same_day(cell):
    assert DateReader.of([cell]).read(cell) == WINTER


@given(st.lists(days, min_size=1, max_size=8), st.sampled_from(["day_first", "month_first"]))
def test_a_file_in_one_order_reads_as_written_or_asks(written, order):
    form = "%d/%m/%Y" if order == "day_first" else "%m/%d/%Y"
    cells = [day.strftime(form) for day in written]
    reader = DateReader.of(cells)
    assert reader.asks == all(day.day <= 12 for day in written)
    if not reader.asks:
        assert [reader.read(cell) for cell in cells] == written
    assert [DateReader.of(cells, order).read(cell) for cell in cells] == written


@pytest.mark.parametrize(("cell", "year"), [("25/11/68", 2068), ("25/11/69", 1969)])
def test_two_figures_of_a_year_are_read_as_everywhere(cell, year):
    assert DateReader.of([cell]).read(cell) == date(year, 11, 25)


def test_one_date_tells_for_the_whole_file():
    cells = ["03/04/2026", "25/04/2026"]
    assert DateReader.of(cells).read(cells[0]) == date(2026, 4, 3)
    assert DateReader.of(["03/04/2026", "04/25/2026"]).read("03/04/2026") == date(2026, 3, 4)


def test_what_may_be_two_days_is_asked_and_what_may_be_one_is_not():
    reader = DateReader.of(["03/04/2026", "05/05/2026"])
    assert reader.asks
    with pytest.raises(ValueError, match=r"may be the 3\. or the 4\. of a month: say which"):
        reader.read("03/04/2026")
    assert reader.read("05/05/2026") == date(2026, 5, 5)


def test_a_file_that_contradicts_itself_is_read_where_each_date_tells_and_asked_elsewhere():
    reader = DateReader.of(["25/11/2026", "11/25/2026", "03/04/2026"])
    assert reader.asks
    assert reader.read("25/11/2026") == reader.read("11/25/2026") == WINTER
    with pytest.raises(ValueError, match="say which"):
        reader.read("03/04/2026")


@pytest.mark.parametrize("cell", ["31/02/2026", "32/01/2026", "13/13/2026", "0/5/2026"])
def test_no_such_day(cell):
    with pytest.raises(ValueError, match="no day of the calendar"):
        DateReader.of([cell], "day_first").read(cell)


@pytest.mark.parametrize("cell", ["yesterday", "", "25/11", "2026-13-40", "1 2 3"])
def test_no_date(cell):
    with pytest.raises(ValueError, match="is not like 2026-11-25 or 25 Nov 2026"):
        DateReader.of([cell]).read(cell)
