"""Numbered migrations, each applied once, in order, under a lock."""

from importlib.resources import files

import psycopg

from pavrik.errors import OperationError

LOCK = 727_402_811
_SCHEMA = """
create table if not exists migration (
  number integer primary key, name text not null, applied_at timestamptz not null default now())
"""
_BECOME = """
do $$ begin
  if not pg_has_role(current_user, 'pavrik_app', 'member') then
    execute format('grant pavrik_app to %I', current_user);
  end if;
end $$
"""
"""An owner who is no superuser must be allowed to become the application's role."""


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
    """Apply what is missing as the owner; the names of what was applied. Raises OperationError
    where the database is of a newer Pavrik: old code would write what that one cannot read."""
    applied = []
    with psycopg.connect(owner_url, autocommit=True) as connection:
        connection.execute("select pg_advisory_lock(%s)", (LOCK,))
        connection.execute(_SCHEMA)
        shipped = shipped_migrations()
        known = {row[0] for row in connection.execute("select number from migration")}
        newer = sorted(known - {number for number, _, _ in shipped})
        if newer:
            raise OperationError(
                f"this database was set up by a newer Pavrik (step {newer[-1]}, this one knows "
                f"{shipped[-1][0]}): run that one, or restore a dump of this one's"
            )
        for number, name, sql in shipped:
            if number in known:
                continue
            with connection.transaction():
                connection.execute(sql.encode())
                connection.execute(
                    "insert into migration (number, name) values (%s, %s)", (number, name)
                )
            applied.append(name)
        connection.execute(_BECOME)
    return applied
