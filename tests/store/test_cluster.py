import psycopg
import pytest

from pavrik.core.competition_lifts import LIFT_IDS
from pavrik.errors import OperationError
from pavrik.store.cluster import Cluster
from pavrik.store.migrate import migrate, shipped_migrations


def test_migrations_are_numbered_without_gaps_and_applied_once(server, empty_name):
    numbers = [number for number, _, _ in shipped_migrations()]
    assert numbers == list(range(1, len(numbers) + 1))
    assert migrate(server.owner_url(empty_name)) == []


def test_a_database_of_a_newer_pavrik_is_refused_in_a_sentence(server):
    url = server.owner_url(server.copy("pavrik"))
    with psycopg.connect(url, autocommit=True) as connection:
        connection.execute("insert into migration (number, name) values (9999, 'later')")
    with pytest.raises(OperationError, match="newer Pavrik \\(step 9999, this one knows"):
        migrate(url)


def test_the_database_knows_the_lifts_that_the_core_knows(server, empty_name):
    with psycopg.connect(server.owner_url(empty_name)) as connection:
        known = connection.execute("select lift from lift").fetchall()
        assert {lift for (lift,) in known} == set(LIFT_IDS)
        naming = connection.execute(
            """select c.conrelid::regclass::text from pg_constraint c
               where c.confrelid = 'lift'::regclass and c.contype = 'f'"""
        ).fetchall()
        with_lift = connection.execute(
            """select table_name from information_schema.columns
               join information_schema.tables using (table_schema, table_name)
               where column_name = 'lift' and table_schema = 'public' and table_name <> 'lift'
                 and table_type = 'BASE TABLE'"""
        ).fetchall()
    assert {table for (table,) in with_lift} == {table for (table,) in naming}


def test_secrets_are_for_the_owner_only(tmp_path):
    cluster = Cluster(tmp_path)
    assert cluster.app_password != ""
    assert (tmp_path / "secrets.json").stat().st_mode & 0o077 == 0
    assert Cluster(tmp_path).app_password == cluster.app_password
