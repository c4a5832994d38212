"""A whole club as one ZIP: what it is as JSON, a JSON line for every fact of every table, and the
log as a table for other programs."""

import io
import json
import zipfile
from collections.abc import Iterable, Mapping
from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID

from pydantic import BaseModel, Field, ValidationError

from pavrik.formats.refusals import sentence

MANIFEST = "club.json"
MOST_BYTES = 400_000_000
"""Unpacked: about half a million sets."""


class Manifest(BaseModel):
    """What an archive holds: the club, when and by what it was made, how many facts of a kind."""

    form: Literal["pavrik club 1"] = "pavrik club 1"
    club_id: UUID
    name: Annotated[str, Field(min_length=1, max_length=80)]
    time_zone: Annotated[str, Field(min_length=1, max_length=60)]
    made_at: datetime
    model_version: str
    schema_number: int
    facts: dict[str, int]


def pack(
    manifest: Manifest, tables: Mapping[str, Iterable[str]], others: Mapping[str, bytes]
) -> bytes:
    """The archive; rows are JSON objects without line breaks."""
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as packed:
        packed.writestr(MANIFEST, manifest.model_dump_json(indent=1))
        for name, rows in tables.items():
            with packed.open(f"facts/{name}.jsonl", "w") as file:
                for row in rows:
                    file.write(row.encode() + b"\n")
        for name, data in others.items():
            packed.writestr(name, data)
    return out.getvalue()


class Unpacked:
    """An archive that was opened: its manifest, and the rows of each table when asked for."""

    def __init__(self, data: bytes) -> None:
        """Raises ValueError where this is no archive of a club, or one too large."""
        try:
            self._packed = zipfile.ZipFile(io.BytesIO(data))
            size = sum(entry.file_size for entry in self._packed.infolist())
            if size > MOST_BYTES:
                raise ValueError(
                    f"this archive unpacks to {size / 1e6:.0f} MB, {MOST_BYTES / 1e6:.0f} are "
                    "taken: use pavrik backup and restore"
                )
            self.manifest = Manifest.model_validate_json(self._read(MANIFEST))
        except ValidationError as error:
            first = error.errors()[0]
            where = ".".join(map(str, first["loc"]))
            raise ValueError(
                f"this archive's {MANIFEST} is wrong at {where}: {sentence(first)}"
            ) from error
        except (zipfile.BadZipFile, KeyError, EOFError, NotImplementedError) as error:
            raise ValueError("this is no archive of a club: take one out under People") from error

    def _read(self, name: str) -> bytes:
        return self._packed.read(name)

    def rows(self, table: str) -> list[dict[str, object]]:
        """The rows of a table. Raises ValueError where they cannot be read or some are missing."""
        try:
            lines = self._read(f"facts/{table}.jsonl").decode().splitlines()
            rows = [json.loads(line) for line in lines]
        except KeyError:
            rows = []
        except (ValueError, zipfile.BadZipFile, EOFError) as error:
            raise ValueError(f"the facts of {table} in this archive are broken") from error
        if not all(isinstance(row, dict) for row in rows):
            raise ValueError(f"the facts of {table} in this archive are broken")
        if len(rows) != self.manifest.facts.get(table, 0):
            raise ValueError(
                f"this archive says {self.manifest.facts.get(table, 0)} facts of {table} and has "
                f"{len(rows)}: take it out once more"
            )
        return rows
