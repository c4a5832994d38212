"""From an empty server to a migrated database that the application's role may use."""

import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

import psycopg
from psycopg import sql

from pavrik.store.cluster import Cluster
from pavrik.store.migrate import migrate

DATABASE = "pavrik"


def create_database(owner_url: str, name: str = DATABASE) -> None:
    """Create the database where it is missing."""
    with psycopg.connect(owner_url, autocommit=True) as connection:
        found = connection.execute("select 1 from pg_database where datname = %s", (name,))
        if found.fetchone() is None:
            connection.execute(
                sql.SQL("create database {} template template0 encoding 'UTF8'").format(
                    sql.Identifier(name)
                )
            )


def allow_app_login(owner_url: str, password: str) -> None:
    """Let the application's role sign in with a password of its own."""
    with psycopg.connect(owner_url, autocommit=True) as connection:
        connection.execute(
            sql.SQL("alter role pavrik_app login nobypassrls password {}").format(
                sql.Literal(password)
            )
        )


def prepare(cluster: Cluster, port: int) -> tuple[str, str]:
    """Create, migrate, grant; the owner's and the application's URLs."""
    create_database(cluster.owner_url(port))
    owner_url = cluster.owner_url(port, DATABASE)
    migrate(owner_url)
    allow_app_login(owner_url, cluster.app_password)
    return owner_url, cluster.app_url(port, DATABASE)


@contextmanager
def throwaway() -> Iterator[tuple[str, str]]:
    """A server that is gone afterwards; the owner's and the application's URLs."""
    with tempfile.TemporaryDirectory(prefix="pvk") as folder:
        Path(folder).chmod(0o755)
        cluster = Cluster(Path(folder), trusted=True)
        try:
            yield prepare(cluster, cluster.start())
        finally:
            cluster.stop()
