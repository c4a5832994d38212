"""Numbered migrations, each applied once, in order, under a lock."""

from importlib.resources import files

import psycopg

LOCK = 727_402_811
_SCHEMA = """
create table if not exists migration (
  number integer primary key, name text not null, applied_at timestamptz not null default now())
"""


def shipped_migrations() -> list[tuple[int, str, str]]:
    """(number, name, SQL) of every migration, in order."""
    folder = files("pavrik.store").joinpath("migrations")
    found = [
        (int(entry.name.split("_")[0]), entry.name, entry.read_text())
        for entry in folder.iterdir()
        if entry.name.endswith(".sql")
    ]
    return sorted(found)


def migrate(owner_url: str) -> list[str]:
    """Apply what is missing as the owner; the names of what was applied."""
    applied = []
    with psycopg.connect(owner_url, autocommit=True) as connection:
        connection.execute("select pg_advisory_lock(%s)", (LOCK,))
        connection.execute(_SCHEMA)
        known = {row[0] for row in connection.execute("select number from migration")}
        for number, name, sql in shipped_migrations():
            if number in known:
                continue
            with connection.transaction():
                connection.execute(sql.encode())
                connection.execute(
                    "insert into migration (number, name) values (%s, %s)", (number, name)
                )
            applied.append(name)
    return applied
