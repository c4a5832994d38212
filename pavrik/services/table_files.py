"""What every import of a table goes by: all new rows are kept, or none."""

from pavrik.errors import InvalidError
from pavrik.formats.wire.session import ImportAnswer


def check_bad_rows(answer: ImportAnswer, leave_bad: bool) -> None:
    """Raise InvalidError with the first bad row, unless bad rows are to be left out."""
    first = next((row for row in answer.rows if row.fate == "bad"), None)
    if first is None or leave_bad:
        return
    raise InvalidError(
        f"{answer.bad} of {len(answer.rows)} rows are bad, the first in line {first.line}: "
        f"{first.words}; mend them or leave them out",
        "file",
    )
