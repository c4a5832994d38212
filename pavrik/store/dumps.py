"""Dumps of a whole database and their way back, also where its owner is no superuser."""

import os
import subprocess
from collections.abc import Iterator
from contextlib import contextmanager
from datetime import UTC, datetime
from pathlib import Path
from tempfile import TemporaryDirectory

import psycopg
from psycopg import sql
from psycopg.conninfo import conninfo_to_dict, make_conninfo

from pavrik.errors import OperationError
from pavrik.store.cluster import Cluster, find_binary
from pavrik.store.database import APP_ROLE
from pavrik.store.migrate import migrate
from pavrik.store.setup import DATABASE, allow_app_login, create_database

READS_ALL = "owner_reads_all_for_a_dump"
COMING = f"{DATABASE}_coming"


def _run(tool: str, *arguments: str, url: str = "") -> str:
    """Run one of PostgreSQL's tools, as the owner of the database where one is named: the password
    goes by the environment, what is written is for its owner's eyes only."""
    told = conninfo_to_dict(url)
    secret = {"PGPASSWORD": str(told.pop("password"))} if "password" in told else {}
    database = [f"--dbname={make_conninfo('', **told)}"] if url else []
    result = subprocess.run(
        [str(find_binary(tool)), *database, *arguments],
        capture_output=True, text=True, check=False, env=os.environ | secret, umask=0o077,
    )  # fmt: skip
    if result.returncode:
        lines = result.stderr.strip().splitlines() or ["no message"]
        raise OperationError(f"{tool} failed: {lines[0]}")
    return result.stdout


def _tables_under_force(connection: psycopg.Connection) -> list[str]:
    found = connection.execute(
        """select relname from pg_class where relkind = 'r' and relforcerowsecurity
           and relnamespace = 'public'::regnamespace order by 1"""
    )
    return [row[0] for row in found]


@contextmanager
def _all_rows_for_the_owner(url: str) -> Iterator[tuple[str, ...]]:
    """What pg_dump needs to see every club: nothing where the owner passes row-level security by,
    else a policy that stands as long as the dump runs."""
    with psycopg.connect(url, autocommit=True) as connection:
        passes = connection.execute(
            "select rolsuper or rolbypassrls from pg_roles where rolname = current_user"
        ).fetchone()
        if passes and passes[0]:
            yield ()
            return
        name, tables = sql.Identifier(READS_ALL), _tables_under_force(connection)
        drop = sql.SQL("; ").join(
            sql.SQL("drop policy if exists {} on {}").format(name, sql.Identifier(table))
            for table in tables
        )
        connection.execute(drop)
        try:
            policy = sql.SQL("create policy {} on {} for select to current_user using (true)")
            for table in tables:
                connection.execute(policy.format(name, sql.Identifier(table)))
            yield ("--enable-row-security",)
        finally:
            connection.execute(drop)


def dump(url: str, file: Path) -> None:
    """Every club into a file, in pg_dump's custom format. Raises OperationError."""
    with _all_rows_for_the_owner(url) as more:
        _run("pg_dump", "--format=custom", *more, f"--file={file}", url=url)


def _need_empty(connection: psycopg.Connection) -> None:
    row = connection.execute(
        """select count(*) from pg_class
           where relkind = 'r' and relnamespace = 'public'::regnamespace"""
    ).fetchone()
    if row and row[0]:
        raise OperationError(
            f"the database is not empty, it has {row[0]} tables: restore into a new one"
        )


def _need_app_role(connection: psycopg.Connection) -> None:
    """The role that a dump grants to: it belongs to the server, not to the database."""
    found = connection.execute("select from pg_roles where rolname = %s", (APP_ROLE,)).fetchone()
    if found is None:
        connection.execute(sql.SQL("create role {} nologin").format(sql.Identifier(APP_ROLE)))


def restore(url: str, file: Path) -> None:
    """A dump into an empty database, whoever owned it before; one of an older Pavrik is brought up
    to date. Raises OperationError."""
    if not file.is_file():
        raise OperationError(f"there is no dump {file}")
    contents = _run("pg_restore", "--list", str(file))
    wanted = [line for line in contents.splitlines() if READS_ALL not in line]
    with psycopg.connect(url, autocommit=True) as connection:
        _need_empty(connection)
        _need_app_role(connection)
    with TemporaryDirectory(prefix="pavrik-restore-") as folder:
        listed = Path(folder) / "contents"
        listed.write_text("\n".join(wanted))
        _run(
            "pg_restore", "--exit-on-error", "--single-transaction", "--no-owner",
            f"--use-list={listed}", str(file), url=url,
        )  # fmt: skip
    migrate(url)
    with psycopg.connect(url, autocommit=True) as connection:
        connection.execute("select look_through_tables()")


def _own_clubs(url: str) -> list[str]:
    """Names of the clubs in a database that are no demo; none where it has no clubs at all."""
    with psycopg.connect(url) as connection:
        there = connection.execute("select to_regclass('club') is not null").fetchone()
        if not there or not there[0]:
            return []
        found = connection.execute("select name from club where not is_demo order by name")
        return [row[0] for row in found]


def restore_private(cluster: Cluster, file: Path, replace: bool) -> str:
    """A dump into the private database of a folder; what was done, in a sentence. The one that was
    there makes way when the new one is whole; with clubs of its own it is kept under another name.

    Raises OperationError: no dump, or clubs of its own and not ``replace``."""
    port = cluster.start()
    try:
        server, url = cluster.owner_url(port), cluster.owner_url(port, DATABASE)
        create_database(server)
        clubs = _own_clubs(url)
        if clubs and not replace:
            raise OperationError(
                f"there is already a club here ({', '.join(clubs)}): pavrik backup it first, then "
                "restore with --replace"
            )
        coming, before = sql.Identifier(COMING), sql.Identifier(DATABASE)
        with psycopg.connect(server, autocommit=True) as connection:
            connection.execute(sql.SQL("drop database if exists {}").format(coming))
            create_database(server, COMING)
            restore(cluster.owner_url(port, COMING), file)
            kept = f"{DATABASE}_before_{datetime.now(UTC):%Y%m%dT%H%M%S}"
            rename = sql.SQL("alter database {} rename to {}")
            with connection.transaction():
                connection.execute(rename.format(before, sql.Identifier(kept)))
                connection.execute(rename.format(coming, before))
            if not clubs:
                connection.execute(sql.SQL("drop database {}").format(sql.Identifier(kept)))
        allow_app_login(url, cluster.app_password)
    finally:
        cluster.stop()
    done = "restored: ./start serves it"
    return f"{done}; {', '.join(clubs)} is kept as database {kept}" if clubs else done
