"""Dates as coaches write them: 2026-11-25, 25.11.2026, 25/11/26, 11/25/2026, 25 Nov 2026.

Whether the day or the month stands first is asked of the whole file: one date with a 13 or more
tells. Where none does, it has to be said; nothing is guessed.
"""

import re
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date, datetime
from typing import Any, Literal

from pavrik.words import say

Order = Literal["day_first", "month_first"]
_NUMBERS = re.compile(r"(\d{1,2})([./-])(\d{1,2})\2(\d{4}|\d{2})(?:[T ].*)?")
_NAMED = ("%d %b %Y", "%d %B %Y", "%b %d %Y", "%B %d %Y")
_LAST_OF_2000S = 68
"""Of two figures of a year, as POSIX has it: 69 is 1969."""


def _numbers(cell: Any) -> tuple[int, int, int, str] | None:
    """Two numbers and a year that stand in an order unknown, and what parts them."""
    found = _NUMBERS.fullmatch(str(cell).strip())
    if isinstance(cell, date) or found is None:
        return None
    year = int(found[4])
    if year < 100:
        year += 2000 if year <= _LAST_OF_2000S else 1900
    return int(found[1]), int(found[3]), year, found[2]


def _tells(cell: Any) -> Order | None:
    """What a date tells of the order: a point stands behind a day, and no month is above 12."""
    found = _numbers(cell)
    if found is None:
        return None
    first, second, _, parted = found
    if parted == "." or first > 12 >= second:
        return "day_first"
    return "month_first" if second > 12 >= first else None


@dataclass(frozen=True)
class DateReader:
    """Reads the dates of one file; ``order`` is None where it is not known, ``asks`` where it has
    to be said."""

    order: Order | None
    asks: bool

    @property
    def told(self) -> Order | Literal["ask"] | None:
        """The order, as far as it matters for this file."""
        return "ask" if self.asks else self.order

    @staticmethod
    def of(cells: Iterable[Any], said: Order | None = None) -> "DateReader":
        """``said`` goes before what the cells tell."""
        written = [cell for cell in cells if _numbers(cell) is not None]
        told = {order for cell in written if (order := _tells(cell)) is not None}
        order = said or (told.pop() if len(told) == 1 else None)
        return DateReader(order, bool(written) and order is None)

    def read(self, cell: Any) -> date:
        """The date of a cell. Raises ValueError with what is wrong."""
        if isinstance(cell, datetime):
            return cell.date()
        if isinstance(cell, date):
            return cell
        text = str(cell).strip()
        found = _numbers(text)
        if found is None:
            return _by_name(text)
        first, second, year, _ = found
        order = self.order or _tells(text)
        if order is None and first != second:
            raise ValueError(
                say("formats.may_month_say_stands", written=text, first=first, second=second)
            )
        day, month = (second, first) if order == "month_first" else (first, second)
        try:
            return date(year, month, day)
        except ValueError:
            raise ValueError(say("formats.no_day_calendar", written=text)) from None


def _by_name(text: str) -> date:
    try:
        return date.fromisoformat(text[:10])
    except ValueError:
        pass
    plain = " ".join(text.replace(",", " ").replace(".", " ").split())
    for form in _NAMED:
        try:
            return datetime.strptime(plain, form).date()
        except ValueError:
            continue
    raise ValueError(say("formats.not_like_2026_11", written=text))
