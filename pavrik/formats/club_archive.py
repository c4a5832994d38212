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
from pavrik.words import say

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
                    say(
                        "formats.archive_unpacks_mb_taken",
                        size=size / 1000000.0,
                        most_bytes=MOST_BYTES / 1000000.0,
                    )
                )
            self.manifest = Manifest.model_validate_json(self._read(MANIFEST))
        except ValidationError as error:
            first = error.errors()[0]
            where = ".".join(map(str, first["loc"]))
            raise ValueError(
                say(
                    "formats.archives_wrong",
                    manifest=MANIFEST,
                    where=where,
                    sentence=sentence(first),
                )
            ) from error
        except (zipfile.BadZipFile, KeyError, EOFError, NotImplementedError) as error:
            raise ValueError(say("formats.no_archive_club_take")) from error

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
            raise ValueError(say("formats.facts_archive_broken", table=table)) from error
        if not all(isinstance(row, dict) for row in rows):
            raise ValueError(say("formats.facts_archive_broken", table=table))
        if len(rows) != self.manifest.facts.get(table, 0):
            raise ValueError(
                say(
                    "formats.archive_says_facts_take",
                    told=self.manifest.facts.get(table, 0),
                    table=table,
                    rows=len(rows),
                )
            )
        return rows
