"""What every import of a table goes by: a preview tells every row's fate; all new rows are kept, or
none."""

from collections.abc import Callable, Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass, field
from typing import Generic, TypeVar
from uuid import UUID

from pavrik.errors import InvalidError
from pavrik.formats.dates_in import DateReader, Order
from pavrik.formats.log_table import BadRow
from pavrik.formats.wire.session import ImportAnswer, Line
from pavrik.services.context import Who
from pavrik.services.writes import digest_of, write_once
from pavrik.store.database import Connection, Database
from pavrik.words import say

Row = TypeVar("Row")


@contextmanager
def of_the_file() -> Iterator[None]:
    """What is wrong with a file as a whole is told as such: InvalidError."""
    try:
        yield
    except ValueError as error:
        raise InvalidError(str(error), "file") from error


@dataclass(frozen=True)
class Sorted(Generic[Row]):
    """Rows by their fate, and how the dates of their file were read."""

    dates: DateReader
    new: list[Row] = field(default_factory=list)
    here: list[Row] = field(default_factory=list)
    bad: list[BadRow] = field(default_factory=list)


@dataclass(frozen=True)
class TableImport(Generic[Row]):
    """One kind of table: how its rows are sorted (which raises InvalidError where the file as a
    whole cannot be read), told and kept."""

    name: str
    sort: Callable[[Connection, bytes, Order | None], Sorted[Row]]
    told: Callable[[Row], Line]
    keep: Callable[[Connection, Who, UUID, Sequence[Row]], None]

    def preview(
        self, database: Database, who: Who, data: bytes, order: Order | None = None
    ) -> ImportAnswer:
        """Every row's fate; nothing is kept. Raises InvalidError where the file cannot be read."""
        with database.reading(who.club_id) as connection:
            return self._answer(self.sort(connection, data, order))

    def take(
        self, database: Database, who: Who, key: UUID, data: bytes, leave_bad: bool,
        order: Order | None = None,
    ) -> ImportAnswer:  # fmt: skip
        """Keep all new rows in one transaction, or none. Raises InvalidError with bad rows unless
        they are to be left out."""

        def action(connection: Connection) -> ImportAnswer:
            rows = self.sort(connection, data, order)
            answer = self._answer(rows)
            _check_bad_rows(answer, leave_bad)
            self.keep(connection, who, key, rows.new)
            return answer.kept_as_counts()

        asked = {"file": digest_of(data.hex()), "leave": leave_bad, "dates": order}
        answer = write_once(database, who, key, self.name, asked, ImportAnswer, action)
        database.look_through_tables()
        return answer

    def _answer(self, rows: Sorted[Row]) -> ImportAnswer:
        return ImportAnswer.of(
            [self.told(row) for row in rows.new],
            [self.told(row) for row in rows.here],
            [(row.line, "; ".join(row.reasons)) for row in rows.bad],
            rows.dates,
        )


def _check_bad_rows(answer: ImportAnswer, leave_bad: bool) -> None:
    """Raise InvalidError with the first bad row, unless bad rows are to be left out."""
    first = next((row for row in answer.rows if row.fate == "bad"), None)
    if first is None or leave_bad:
        return
    raise InvalidError(
        say(
            "services.rows_bad_first_line",
            bad=answer.bad,
            rows=len(answer.rows),
            line=first.line,
            words=first.words,
        ),
        "file",
    )
